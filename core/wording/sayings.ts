import type { Saying } from '../page/index.ts';

/** What a page says about itself, as a part of a sentence. */
export const SAYING_NAMES: Readonly<Record<Saying, string>> = {
  title: 'its title',
  description: 'its description',
  keywords: 'its keywords',
  canonical: 'its main address',
  robots: 'what crawlers may do with it',
  refresh: 'where it sends its visitors',
  header: 'what it says in place of a header',
  base: 'the base of its links',
  charset: 'its encoding',
  language: 'its language',
  alternates: 'its other versions',
  share: 'how it looks when it is shared',
  'structured-data': 'its structured data',
  headings: 'its headings',
  links: 'its links',
  words: 'its words',
  structure: 'how its own parts lie in one another',
};
