export {
  FETCH_LIMITS,
  OWN_NAME,
  type Fetch,
  type Send,
  type SendOutcome,
  type SentBody,
  type FetchFailure,
  type FetchOutcome,
  type Hop,
  type Resolve,
} from './fetcher.ts';
export { guardedFetch, type World } from './guarded.ts';
export { dnsRecords, dnsResolve, dnsTexts, isPublicAddress, nameServers, realWorld, standInWorld, type NameServer } from './worlds.ts';
