import type { PageEdit } from '../page/index.ts';

/** An edit of a page in a few words, for the list of what waits. */
export function editWords(edit: PageEdit): { readonly field: string; readonly value: string } {
  switch (edit.kind) {
    case 'title':
      return { field: 'Title', value: edit.text === '' ? 'taken away' : edit.text };
    case 'description':
      return { field: 'Description', value: edit.text === '' ? 'taken away' : edit.text };
    case 'noindex':
      return { field: 'Listing', value: edit.on ? 'says noindex' : 'noindex is taken away' };
    case 'meta':
      return { field: 'Proof', value: edit.name };
    case 'json-ld':
      return { field: 'Structured data', value: 'who is behind the site, and the site' };
  }
}
