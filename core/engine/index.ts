export { judge, readAnswer, type Answer, type Visit } from './judge.ts';
export type { IndexRecord, SearchResult } from './records.ts';
export { DAILY_VISITS, dueVisits } from './schedule.ts';
export { search, snippetFor, wordsOf } from './search.ts';
