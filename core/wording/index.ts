export { CHECK_NAMES, CHECK_REASONS } from './check-names.ts';
export { editWords } from './edits.ts';
export { findingWords, list, PLACE_WORDS, type FindingWords } from './findings.ts';
export { GATE_QUESTIONS, gateWords, shortDate } from './gates.ts';
export { pastedWords, proofWords } from './proof.ts';
export { REFUSAL_WORDS } from './refusals.ts';
export { counted, KIND_WORDS, STATE_WORDS } from './states.ts';
export { stepWords } from './steps.ts';
export { TERMS, type TermId } from './terms.ts';
