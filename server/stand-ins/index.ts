export { StandIns } from './stand-ins.ts';
export { SKERRY } from './skerry.ts';
