export { afterCanonicals } from './canonicals.ts';
export { evenings, outcomeChanges, type EngineDay, type EngineEvent, type Evening, type Outcome, type OutcomeChange } from './daybook.ts';
export { judge, type Visit } from './judge.ts';
export type { IndexRecord, RankReason, SearchResult } from './records.ts';
export { dueVisits, expectedVisits, turnsOfTheDay, visitsAllowed, type VisitAsked } from './schedule.ts';
export { SearchIndex, type Found } from './search-index.ts';
export { demandFor, queriesFor, seenOn, toldUntil, type Seen } from './searchers.ts';
export { SHOWN_BY, snippetFor, type Shown } from './snippet.ts';
export { readQuery, wordsOf } from './words.ts';
