import { documentTitle, mainHeading } from '../page/index.ts';
import { nameWithoutNumber, numberAfterName } from '../site/index.ts';
import type { Check } from './check.ts';

/**
 * A figure left over after a name (N8), such as "Journal 2": beside a page that is called "Journal", or over a heading that says "Journal". Pages that are
 * numbered on purpose have sisters with other figures, and headings with their own.
 */
export const nameNumber: Check<{ readonly code: 'name-number'; readonly name: string; readonly pages: readonly string[] }> = {
  code: 'name-number',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: ({ name }, title) => ({ do: 'set', field: 'title', value: title.replace(name, name.replace(/\s+\d$/, '')) }),
  look: ({ title, facts, site }) => {
    const name = numberAfterName(title.value);
    if (name === undefined) return undefined;
    const heading = mainHeading(facts)?.trim().toLowerCase();
    return site.copyOf.length > 0 || heading === nameWithoutNumber(title.value) ? { code: 'name-number', name, pages: site.copyOf } : undefined;
  },
};
