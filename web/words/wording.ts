import type { PasteField, PasteItem, RefusedRow } from '../../core/ledger/index.ts';
import type { Effective } from '../../core/site/index.ts';
import type { Part, TextLimitId } from '../../core/titles/index.ts';

export const wording = {
  addPage: 'Add the page',
  typedAddress: 'Address, or its end',
  typedTitle: 'Title',
  typedDescription: 'Description',
  typedFaults: {
    'no-address': 'This is no address of a page. It looks like about, or shop/cups.',
    taken: 'There is a page at this address already.',
    'other-site': 'This address is of another site.',
  },
  notAdded: 'The page could not be added. Nothing was changed.',
  added: (name: string): string => `“${name}” is a page of the site now.`,
  enough: 'Good enough, stop here: every page has the words it needs.',
  noPages: 'There is no page here yet',
  noPagesWhy: 'Bring a site in, from a folder or a ZIP, and its pages stand at the left.',
  unwritable: 'What you type here stays here until then.',
  searcher: 'As others see it',
  toMend: 'To fix on this page',
  nothingToFix: 'There is nothing to fix on this page.',
  nothingByItself: 'Nothing here fixes itself with one key: what is left needs your own words. The list at the right says what.',
  noTitle: 'No title: engines make one up',
  noDescription: 'No description: engines pick a piece of the page here.',
};

export const PLACEHOLDERS = {
  title: 'What is to be found on this page?',
  description: 'One or two sentences: what is here, and for whom?',
  shareTitle: 'As its title',
  shareText: 'As its description',
} as const;

/** What the places are called where texts are cut. */
export const ROOM_NAMES: Readonly<Record<TextLimitId, string>> = {
  'title-wide': 'Skerry',
  'title-phone': 'phone',
  'title-plover': 'Plover',
  'description-wide': 'Skerry',
  'description-phone': 'phone',
  'description-plover': 'Plover',
  tab: 'tab',
  'share-title': 'card',
  'share-text': 'card',
};

/** The same in the table of limits, one a line. */
export const ROOM_LINES: Readonly<Record<TextLimitId, string>> = {
  'title-wide': 'Title, Skerry’s wide result',
  'title-phone': 'Title, on a phone (two lines)',
  'title-plover': 'Title, Plover’s result',
  'description-wide': 'Description, Skerry’s wide result',
  'description-phone': 'Description, on a phone',
  'description-plover': 'Description, Plover’s result',
  tab: 'Title on the browser’s tab',
  'share-title': 'Title on a share card',
  'share-text': 'Text on a share card',
};

/** What the parts of a pattern are called. */
export const PART_NAMES: Readonly<Record<Part, string>> = {
  'page-name': 'Page name',
  'own-title': 'Its own title',
  'site-name': 'Site name',
  tagline: 'Tagline',
  separator: 'Separator',
  kind: 'Kind',
  folder: 'Folder',
  date: 'Date',
  author: 'Author',
  price: 'Price',
  'first-words': 'First words',
  category: 'Category',
  phrase: 'Target phrase',
};

/** Where a text comes from. */
export function sourceWords({ from, value }: Effective): string {
  switch (from) {
    case 'owner':
      return value === '' ? 'taken away here' : 'written here';
    case 'pattern':
      return 'follows its kind’s pattern';
    case 'page':
      return 'as it stands in the page';
    case 'none':
      return 'not there yet';
  }
}

/** What is wrong with an address ending. */
export const ENDING_FAULTS = {
  empty: 'It cannot be empty.',
  characters: 'Letters, figures and hyphens only: other signs do not survive in addresses.',
  taken: 'Another page has this address already.',
  home: 'The home page has no ending.',
} as const;

/** Why a text cannot stand in a cell of the ledger. */
export const CELL_FAULTS = {
  'not-editable': 'this column only tells.',
  'no-such-kind': 'there is no such kind.',
  'no-such-intent': 'write “list” or “keep out”.',
  'no-such-follow': 'write “follow” or “nofollow”.',
  'no-such-number': 'write a number of characters, “none” or “any”.',
  'no-such-answer': 'write “yes” or “no”.',
  'ending-empty': 'an address ending cannot be empty.',
  'ending-characters': 'an address ending takes letters, figures and hyphens.',
  'ending-taken': 'another page has this address.',
  'ending-home': 'the home page has no ending.',
  'ending-query': 'its address has a query; it is changed where the site is made.',
} as const;

/** Why a row of a table is not taken. */
export function rowFault({ why, first }: RefusedRow): string {
  switch (why) {
    case 'unknown':
      return 'no page of this site answers there.';
    case 'other-site':
      return 'it is of another site.';
    case 'query':
      return 'no page of this site has this address, with what follows the question mark.';
    case 'twice':
      return `row ${first} is about the same page.`;
  }
}

/** What texts to paste are called. */
export const PASTE_NAMES: Readonly<Record<PasteItem['field'] | PasteField, string>> = {
  title: 'Title',
  description: 'Description',
  ending: 'Address ending',
  markup: 'Structured data',
  shareTitle: 'Share title',
  shareText: 'Share text',
  sharePicture: 'Share picture',
  keywords: 'Keywords',
  language: 'Language',
  robots: 'Robots',
  canonical: 'Canonical',
  proof: 'Proof tag',
  alt: 'Alt text',
  heading: 'Heading',
  words: 'Words',
  link: 'Link',
  snippet: 'Snippet',
};

/** The article of a noun, by its first letter. */
export const article = (noun: string): string => (/^[aeiou]/i.test(noun) ? 'an' : 'a');
