import type { PageState } from '../indexing/index.ts';

/** A state in the owner's words: its name and one sentence; one sentence for an expert, and where it is laid down. */
export const STATE_WORDS: Readonly<Record<PageState, { readonly name: string; readonly means: string; readonly expert: string; readonly section: string }>> = {
  findable: {
    name: 'Findable',
    means: 'Engines may list it, as you want, and nothing weakens it.',
    expert: 'Released, public, 200, crawlable, indexable, its own canonical, and reachable.',
    section: 'RFC 9309; robots meta convention; RFC 6596',
  },
  'to-mend': {
    name: 'Findable, to fix',
    means: 'Engines may list it, but something weakens how it shows.',
    expert: 'Indexable; its title, description or uniqueness leave something to be desired.',
    section: 'HTML standard, 4.2.2 and 4.2.5.1',
  },
  'kept-out': {
    name: 'Kept out on purpose',
    means: 'You keep it out, and it is out.',
    expert: 'Crawlable and says noindex, or is not handed out to the public at all.',
    section: 'robots meta convention',
  },
  'half-hidden': {
    name: 'Half hidden',
    means: 'You want it out, but engines are only told not to fetch it: its bare address may still be listed.',
    expert: 'Disallowed in robots.txt, which forbids crawling, not indexing; its noindex cannot be read.',
    section: 'RFC 9309, 1',
  },
  'shut-out': {
    name: 'Blocked',
    means: 'You want it found, and engines cannot list it.',
    expert: 'At least one gate blocks it: status, robots.txt, noindex, canonical, or no way to be discovered.',
    section: 'RFC 9309; RFC 9110, 15; RFC 6596',
  },
  leaking: {
    name: 'Leaking',
    means: 'You want it out, and engines may list it.',
    expert: 'Crawlable, indexable and reachable; nothing says noindex.',
    section: 'robots meta convention',
  },
  'not-live': {
    name: 'Not live',
    means: 'It has not been released yet.',
    expert: 'The last release does not contain it; crawlers get a 404.',
    section: 'RFC 9110, 15.5.5',
  },
  unseen: {
    name: 'Not looked at',
    means: 'It’s known from your list alone. Whether engines can find it isn’t known yet.',
    expert: 'No answer of this address has been read: neither status, directives nor canonical are known.',
    section: 'RFC 9110, 9.3.1',
  },
};
