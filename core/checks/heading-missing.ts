import type { Check } from './finding.ts';

/** No main heading: neither visitors nor engines are told what the page is about. */
export const headingMissing: Check<'heading-missing'> = {
  code: 'heading-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (facts.headings.some((heading) => heading.level === 1 && heading.text !== '') ? undefined : { code: 'heading-missing' }),
};
