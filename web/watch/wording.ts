import type { EngineRow } from '../../core/exchange/index.ts';

export const W = {
  title: 'What Skerry makes of it',
  lead: 'Skerry comes by once a day, as SkerryBot. It reads robots.txt and the map, fetches what it may, and lists what it may list.',
  clock: 'The stand-ins’ clock',
  nextDay: 'Move on by a day',
  map: 'The sitemap',
  handIn: 'Hand in the sitemap',
  states: 'Index state',
  search: 'Search with Skerry',
  searchPlaceholder: 'Words, or site:',
  nothingFound: 'Skerry lists nothing for this.',
  notYet: 'Skerry has not been here yet',
  notYetWhy: 'Hand in the sitemap, then move the clock on by a day.',
  proveFirst: 'Skerry takes a sitemap only from a proven owner.',
};

/** What became of an address, in a word or two. */
export const OUTCOMES: Readonly<Record<EngineRow['outcome'], string>> = {
  listed: 'Listed',
  bare: 'Bare address',
  'not-listed': 'Not listed',
  waiting: 'Waits for a visit',
};
