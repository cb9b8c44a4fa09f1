import type { GateName } from '../indexing/index.ts';

/** What shuts a page, gate by gate, as said after "but". */
export const SHUT_GATES: Readonly<Record<GateName, string>> = {
  live: 'it is not live',
  public: 'the host keeps it back',
  answers: 'its address does not answer as a page should',
  fetchable: 'robots.txt forbids engines to fetch it',
  listed: 'the page tells engines not to list it',
  'main-address': 'it hands its place to another address',
  reachable: 'nothing leads there',
};
