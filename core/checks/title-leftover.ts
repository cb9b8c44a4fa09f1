import { documentTitle } from '../page/index.ts';
import { leftover } from '../site/index.ts';
import type { Check } from './check.ts';

/** A title that a template or tool left behind (N8). */
export const titleLeftover: Check<{ readonly code: 'title-leftover'; readonly part: string; readonly why: 'default' | 'tagline' | 'domain' }> = {
  code: 'title-leftover',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: () => ({ do: 'write', field: 'title' }),
  look: ({ title, site }) => {
    const found = leftover(title.value, site.host);
    return found && { code: 'title-leftover', ...found };
  },
};
