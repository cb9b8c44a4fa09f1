export {
  availabilityWords,
  dateWords,
  durationWords,
  eventStatusWords,
  extrasLine,
  JOIN_WORDS,
  moneyWords,
  PROCESSOR_WORDS,
  readBack,
  type Piece,
} from './read-back.ts';
export { faultSentence, pathWords, RESULT_WORDS } from './markup-faults.ts';
export { editWords } from './edits.ts';
export { aboutCheck, findingWords, fixButton } from './findings.ts';
export { PLACE_WORDS, UNWRITABLE, type FindingWords } from './finding-words.ts';
export { list, listed } from './lists.ts';
export { fullDate, shortDate } from './dates.ts';
export { GATE_QUESTIONS, gateWords, NO_ANSWER, type GateWords } from './gates.ts';
export { SAYING_NAMES } from './sayings.ts';
export { PATCH_REFUSALS } from './patch-refusals.ts';
export { proofStepWords } from './proof-steps.ts';
export { pieceGoes, pieceWords, proofWords } from './proof.ts';
export { REFUSAL_WORDS } from './refusals.ts';
export { bytesText, counted, numberText, plural } from './numbers.ts';
export { crawlerWays, engineWords } from './engines.ts';
export { SHUT_GATES } from './shut-gates.ts';
export { STATE_WORDS } from './states.ts';
export { openAll, stepWords } from './steps.ts';
export { TERM_NAMES } from './term-names.ts';
export { TERMS, type TermId } from './terms.ts';
export { patternWords, tokenWords, troubleWords, type TroubleWords } from './robots.ts';
export { hubWords, noticeWords } from './notices.ts';
export { storyOf, type StoryEntry, type StoryTeller } from './story.ts';
export { patternFaultWords } from './patterns.ts';
