import type { PageId } from '../source/index.ts';
import type { Finding, FindingCode } from '../checks/index.ts';
import type { Unwritable } from '../page/index.ts';
import type { PhrasePlace } from '../phrases/index.ts';

/** A finding in words: what, why it matters, and what to do. */
export interface FindingWords {
  readonly headline: string;
  readonly why: string;
  readonly mend: string;
}

/** The words of a check: what it is called in lists, why it is made, and what it says of one page. */
export interface CheckWords<F extends Finding> {
  readonly name: string;
  readonly reason: string;
  /** On the button of its quick fix; missing where it has none. */
  button?(finding: F): string;
  /** Of what lives in a template: what is offered for all its pages, and what the journal says once it is done, and taken back. */
  readonly everywhere?: { readonly label: string; readonly done: string; readonly back: string };
  say(finding: F, nameOf: (page: PageId) => string): FindingWords;
}
/** One entry a code. */
export type WordsOf<C extends FindingCode> = { readonly [K in C]: CheckWords<Extract<Finding, { code: K }>> };

/** Why nothing can be written into a page, and what to do. */
export const UNWRITABLE: Readonly<Record<Unwritable, { readonly why: string; readonly mend: string }>> = {
  'utf-16': { why: 'It is in UTF-16, which can be read here, but not changed.', mend: 'Save it as UTF-8 in your editor, and bring it in again.' },
  'stateful-encoding': { why: 'Its encoding cannot be written into safely.', mend: 'Save it as UTF-8 in your editor, and bring it in again.' },
  'head-open': {
    why: 'Something in its head never ends, such as its title or a style, so all that follows is taken for its text.',
    mend: 'Put the end tag, such as </title>, where it belongs in the source.',
  },
  'title-made': {
    why: 'A program on the server makes its title; to write over it would break the template.',
    mend: 'Change the title in the template by hand.',
  },
};

/** What the places are called in which a phrase is looked for. */
export const PLACE_WORDS: Readonly<Record<PhrasePlace, string>> = {
  title: 'the title',
  description: 'the description',
  address: 'the address',
  heading: 'the main heading',
  'first-paragraph': 'the first paragraph',
  'sub-headings': 'a sub-heading',
  alts: 'an alt text',
};
