export { StandInEngine } from './engine.ts';
export { Locked } from './lock.ts';
export { StandIns } from './stand-ins.ts';
export { workInThread } from './threaded.ts';
export type { Ports, Side } from './sides.ts';
export { workHere, type Work } from './work.ts';
export type { StandInHost } from './host.ts';
