export { GATES, wayIn, type Evidence, type Gate, type GateName, type GateReason, type Reality, type RobotsAccess, type WayIn } from './way-in.ts';
export { saysNotFound } from './soft-not-found.ts';
export { STATES, stateOf, type PageState } from './state.ts';
