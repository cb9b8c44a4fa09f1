import type { IdentityGap } from '../../core/structured-data/index.ts';

export const wording = {
  enough: 'Good enough, stop here: every page says what its result needs.',
  readBack: 'What the page tells engines, read back',
  wouldBe: 'What the page could tell engines, read back',
  things: 'Things, and how they are joined',
  code: 'As it will be written',
  engines: 'What engines make of it',
  left: 'To fix on this page',
  already: 'Already there',
  none: 'The page brings no structured data of its own.',
  off: 'Nothing is written into pages yet.',
  offWhy: 'All that is told here is taken from the pages themselves. One press has it written into each of them with the next release.',
  turnOn: 'Write it into all pages',
  unread: 'What this page says could not be found out: a part of the program is missing while its server is away. It goes out as the last release had it.',
  reading: 'Reading what the page says …',
  noPages: 'There are no pages yet',
  noPagesWhy: 'Bring a site in, and each page is read for what it says.',
};

export const GAPS: Readonly<Record<IdentityGap, string>> = {
  'site-name': 'the name of the site',
  'owner-name': 'who is behind it',
  'main-address': 'the main address',
};
