import type { Effective } from '../../core/site/index.ts';

export const W = {
  noPages: 'There is no page here yet',
  noPagesWhy: 'Bring a site in, from a folder or a ZIP, and its pages stand at the left.',
  readOnly: 'This page is written in UTF-16. It can be read, but not changed here; save it as UTF-8 and bring it in again.',
  searcher: 'As a searcher sees it',
  toMend: 'To mend on this page',
  noTitle: 'No title: engines make one up',
  noDescription: 'No description: engines pick a piece of the page here.',
};

export const PLACEHOLDERS = { title: 'What is to be found on this page?', description: 'One or two sentences: what is here, and for whom?' } as const;

/** Where a text comes from. */
export function sourceWords({ from, value }: Effective): string {
  if (from === 'owner') return value === '' ? 'taken away here' : 'written here';
  return from === 'page' ? 'as it stands in the page' : 'not there yet';
}
