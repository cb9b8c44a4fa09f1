import { leftover } from '../site/index.ts';
import type { Check } from './finding.ts';

/** A title that a template or tool left behind (N8). */
export const titleLeftover: Check<'title-leftover'> = {
  code: 'title-leftover',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ title, site }) => {
    const found = leftover(title.value, site.host);
    return found && { code: 'title-leftover', ...found };
  },
};
