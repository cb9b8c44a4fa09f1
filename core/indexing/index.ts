export { alike, comparedText, followsCanonical, type CanonicalTarget } from './canonical.ts';
export {
  charsetOf,
  answerText,
  canonicalsOf,
  evidenceFromAnswer,
  headerCanonicals,
  readAnswer,
  saidByHeaders,
  saidByMetas,
  type Answer,
  type Asked,
} from './from-answer.ts';
export { canOpen, shutGates, type ShutGate } from './openable.ts';
export { gatePlaces, type GatePlaces } from './places.ts';
export { refreshOf, saysNotFound, softNotFound } from './soft-not-found.ts';
export { STATES, stateOf, type PageState } from './state.ts';
export {
  GATES,
  mayFetch,
  wayIn,
  type AnswerEvidence,
  type Evidence,
  type Gate,
  type GateName,
  type GateReason,
  type PageEvidence,
  type Reality,
  type RobotsAccess,
  type SaidCanonical,
  type SaidDirectives,
  type WayIn,
} from './way-in.ts';
