import type { Stage } from '../engine.ts';
import { addressBook, addressChanges, addresses, clashes, home } from './addresses.ts';
import { access, canonicals, declared, directives, discovery, engineMaps, headers, members, membership, robotsText, ways } from './crawl.ts';
import { effectivePages, intents, pageKinds, pageWords } from './effective.ts';
import { links } from './links.ts';
import { dateTrust, entries, extras, mapped, mapPlan, shownWords } from './map.ts';
import { markup, trails } from './meaning.ts';
import { counts, listed } from './numbers.ts';
import { outgoing } from './outgoing.ts';
import { changes, generated, otherChanges, writtenMaps } from './release.ts';
import { findings, rows, unseen } from './rows.ts';
import { sharedWords } from './shared-words.ts';

/** All stages of the survey, each behind those it needs. */
export const STAGES: readonly Stage<unknown>[] = [
  // The pages as they will be.
  home,
  effectivePages,
  pageKinds,
  pageWords,
  intents,
  // Where everything answers, and who links where.
  addresses,
  clashes,
  addressBook,
  addressChanges,
  links,
  // What crawlers are told.
  robotsText,
  access,
  headers,
  directives,
  canonicals,
  // Who is led where by maps and links, and how far engines come.
  membership,
  members,
  declared,
  engineMaps,
  discovery,
  ways,
  // What each page is, for engines that read structured data.
  trails,
  markup,
  // What goes out: files, maps, and what differs from the last release.
  outgoing,
  dateTrust,
  entries,
  shownWords,
  mapped,
  extras,
  mapPlan,
  writtenMaps,
  generated,
  otherChanges,
  changes,
  // What is said of each page, and of all together.
  sharedWords,
  unseen,
  findings,
  rows,
  listed,
  counts,
];

export { addressBook, addresses } from './addresses.ts';
export { access, around, engineMaps, discovery, members, evidencesFrom, STATE_CRAWLER, ways, type PageWays } from './crawl.ts';
export { effectivePages, intents, pageWords, type EffectivePage } from './effective.ts';
export { links } from './links.ts';
export { dateTrust, extras, isMapWritten, mapped, mapPlan } from './map.ts';
export { markup, markupInput, trails } from './meaning.ts';
export { counts } from './numbers.ts';
export { outgoing } from './outgoing.ts';
export { changes, generated, otherChanges } from './release.ts';
export { rows } from './rows.ts';
export { sharedWords } from './shared-words.ts';
