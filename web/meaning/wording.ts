import type { IdentityGap } from '../../core/structured-data/index.ts';

export const wording = {
  title: 'Who is behind the site',
  lead: 'Told once here, written into the home page as structured data. Engines then know whose pages these are, and what the site is called.',
  scope:
    'So far this covers the whole site: who you are, and what the site is. Markup for single pages (articles, events, products) is not written yet; what a page brings along is left as it is.',
  code: 'As it will be written',
  already: 'Already on this page',
  none: 'The page brings no structured data of its own.',
  complete: 'Written into the home page at the next release.',
};

export const GAPS: Readonly<Record<IdentityGap, string>> = {
  'site-name': 'the name of the site',
  'owner-name': 'who is behind it',
  'main-address': 'the main address',
};
