import type { PageId } from '../source/index.ts';
import type { Finding, FindingCode } from '../checks/index.ts';
import { ABOUT_MARKUP } from './checks-of-markup.ts';
import { ABOUT_PAGES } from './checks-of-pages.ts';
import { ABOUT_WORDS } from './checks-of-words.ts';
import type { CheckWords, FindingWords, WordsOf } from './finding-words.ts';

/** The words of every check, one entry a code: what has none does not compile. */
const CHECK_WORDS: WordsOf<FindingCode> = { ...ABOUT_PAGES, ...ABOUT_WORDS, ...ABOUT_MARKUP };

/** What a check is called in lists, why it is made, and what is offered where it lives in a template. */
export const aboutCheck = (code: FindingCode): Omit<CheckWords<Finding>, 'say'> => CHECK_WORDS[code];

/** Sentences for a finding. `nameOf` gives what a page is called. */
export function findingWords(finding: Finding, nameOf: (page: PageId) => string = (page) => page): FindingWords {
  // A code and its finding belong together; the table says so entry by entry.
  return (CHECK_WORDS[finding.code] as CheckWords<Finding>).say(finding, nameOf);
}

/** What the button of a finding's quick fix says; empty where there is none. */
export function fixButton(finding: Finding): string {
  return (CHECK_WORDS[finding.code] as CheckWords<Finding>).button?.(finding) ?? '';
}
