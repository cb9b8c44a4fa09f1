import type { Saying, SnippetPlace } from '../../core/page/index.ts';
import type { ReadSnippet, SnippetPart, SnippetRefusal, SnippetWarning } from '../../core/snippets/index.ts';
import { counted, listed, SAYING_NAMES } from '../../core/wording/index.ts';

export const snippetWording = {
  title: 'Code of other services',
  lead: 'Statistics, tag loaders, widgets: paste what a service gave you. It stands once on every page it is for, from the next release on. Nothing of it is ever run here.',
  paste: 'Paste what it gave you',
  name: 'What it is, for yourself',
  where: 'Where in the page',
  which: 'On which pages',
  place: 'Place it',
  change: 'Change it',
  placed: 'Placed',
  none: 'Nothing is placed yet.',
  reading: 'Reading it …',
  split: 'One part belongs in the head, the other in the body.',
  splitIt: 'Place both, each in its part',
  trying: 'Trying it on your pages …',
  fits: (pages: string) => `Tried on ${pages} of yours, one of each sort: they still say what they say now.`,
  unfit: 'It does not go on these pages, and is left out there:',
  unfitAll: 'It does not go there on your pages:',
  elsewhere: (places: readonly string[]) => `It fits at ${listed(places.map((one) => `“${one}”`))}.`,
} as const;

export const PLACE_NAMES: Readonly<Record<SnippetPlace, string>> = {
  'head-start': 'Head, at its start',
  'head-end': 'Head, at its end',
  'body-start': 'Body, at its start',
  'body-end': 'Body, at its end',
};

/** Why a snippet goes nowhere. */
export function refusalWords({ reason, changes }: Extract<ReadSnippet, { ok: false }>): string {
  return reason === 'says-of-page' ? `${changedWords(changes)} ${OWN_PLACES}` : REFUSALS[reason];
}

/** What a page would say otherwise with a snippet. */
export const changedWords = (changes: readonly Saying[]): string =>
  changes.every((saying) => saying === 'structure')
    ? 'Something in it is never closed, or closes what is not its own.'
    : `It would change what the page says about itself: ${listed(changes.map((saying) => SAYING_NAMES[saying]))}.`;

const OWN_PLACES = 'Titles and words have their place at Words, listing and main addresses at Doors, structured data at Meaning. Paste only the rest.';

export const REFUSALS: Readonly<Record<Exclude<SnippetRefusal, 'says-of-page'>, string>> = {
  empty: '',
  'too-long': 'That is far longer than any snippet.',
  words: 'There are words in it that visitors would see. Paste the code only.',
  'script-without-tag': 'This is code without its <script> tag. Copy the whole of what the service shows, tag and all.',
  'whole-page': 'This is a whole page, or its frame. Paste only what is to be added.',
  unclosed: 'Something in it is never closed, or closes what is not its own: it would swallow a part of the page. Was the end cut off?',
};

export const WARNINGS: Readonly<Record<SnippetWarning, string>> = {
  proof: 'It looks like a proof of ownership. Those go to Ownership, which checks that they hold.',
  'writes-page': 'It uses document.write: browsers on slow lines ignore it or wait for it.',
  blocks: 'The page waits for this script. Ask the service for the async or defer form.',
  insecure: 'It is fetched over http: browsers block that on https pages.',
};

const PARTS: Readonly<Record<SnippetPart['what'], string>> = {
  'foreign-script': 'a script',
  'inline-script': 'code',
  data: 'a block of data',
  noscript: 'a part for browsers without scripts',
  frame: 'a frame',
  picture: 'a picture',
  style: 'styles',
  link: 'a link tag',
  meta: 'a meta tag',
  other: 'an element',
};

/** What a snippet is made of, in a sentence. */
export function partsWords(parts: readonly SnippetPart[], hosts: readonly string[]): string {
  const told = parts.map(({ what, length }) => (what === 'inline-script' ? `${counted(length, 'character')} of code` : PARTS[what]));
  const sentence = told.length === 0 ? 'nothing but a comment' : listed(told);
  const talks = hosts.length === 0 ? 'It names no host it talks to.' : `It talks to ${listed(hosts)}.`;
  return `${sentence.charAt(0).toUpperCase()}${sentence.slice(1)}. ${talks}`;
}
