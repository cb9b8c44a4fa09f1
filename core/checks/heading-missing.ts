import { mainHeading } from '../page/index.ts';
import type { Check } from './check.ts';

/** No main heading: neither visitors nor engines are told what the page is about. */
export const headingMissing: Check<{ readonly code: 'heading-missing' }> = {
  code: 'heading-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (mainHeading(facts) === undefined ? { code: 'heading-missing' } : undefined),
};
