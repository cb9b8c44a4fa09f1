export { FETCH_LIMITS, type Fetch, type FetchFailure, type FetchOutcome, type Hop, type Resolve } from './fetcher.ts';
export { guardedFetch, type World } from './guarded.ts';
export { dnsResolve, dnsTexts, isPublicAddress, realWorld, standInWorld } from './worlds.ts';
