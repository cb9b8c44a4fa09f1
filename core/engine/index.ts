export { afterCanonicals } from './canonicals.ts';
export { judge, type Visit } from './judge.ts';
export type { IndexRecord, SearchResult } from './records.ts';
export { dueVisits, visitsAllowed } from './schedule.ts';
export { search, snippetFor, wordsOf } from './search.ts';
