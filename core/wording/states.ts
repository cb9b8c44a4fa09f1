import type { PageState } from '../indexing/index.ts';
import type { Kind } from '../site/index.ts';

/** A state in the owner's words: its name, and one sentence. */
export const STATE_WORDS: Readonly<Record<PageState, { readonly name: string; readonly means: string }>> = {
  findable: { name: 'Findable', means: 'Engines may list it, as you want, and nothing weakens it.' },
  'to-mend': { name: 'Findable, to mend', means: 'Engines may list it, but something weakens how it shows.' },
  'kept-out': { name: 'Kept out on purpose', means: 'You keep it out, and it is out.' },
  'half-hidden': { name: 'Half hidden', means: 'You want it out, but engines are only told not to fetch it: its bare address may still be listed.' },
  'shut-out': { name: 'Shut out', means: 'You want it found, and engines cannot list it.' },
  leaking: { name: 'Leaking', means: 'You want it out, and engines may list it.' },
  'not-live': { name: 'Not live', means: 'It has not been released yet.' },
};

/** Kinds, singular and plural. */
export const KIND_WORDS: Readonly<Record<Kind, { readonly one: string; readonly many: string }>> = {
  page: { one: 'Page', many: 'Pages' },
  service: { one: 'Service', many: 'Services' },
  event: { one: 'Event', many: 'Events' },
  product: { one: 'Product', many: 'Products' },
  post: { one: 'Post', many: 'Posts' },
  category: { one: 'Category', many: 'Categories' },
  tag: { one: 'Tag', many: 'Tags' },
  author: { one: 'Author archive', many: 'Author archives' },
  date: { one: 'Date archive', many: 'Date archives' },
  other: { one: 'Other', many: 'Others' },
};

const NUMBERS = new Intl.NumberFormat('en');

/** `1 page`, `3 pages`. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${NUMBERS.format(count)} ${count === 1 ? one : many}`;
}
