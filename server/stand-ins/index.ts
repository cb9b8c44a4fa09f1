export { accessFor, readRobots } from './rules.ts';
export { StandInEngine } from './engine.ts';
export { StandIns } from './stand-ins.ts';
export type { StandInHost } from './host.ts';
