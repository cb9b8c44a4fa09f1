export { plainGraph, plainItems, textAt, valuesAt, type PlainNode } from './plain.ts';
export { openGaps, RESULT_SORTS, resultExtras, resultGaps, type ResultExtras, type ResultGap, type ResultSort } from './results.ts';
export { showsNumber } from './shown-number.ts';
