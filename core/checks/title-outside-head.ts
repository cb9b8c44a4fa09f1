import { documentTitle } from '../page/index.ts';
import type { Check } from './check.ts';

/** The title stands in the body, because something in the head closed it early. */
export const titleOutsideHead: Check<{ readonly code: 'title-outside-head' }> = {
  code: 'title-outside-head',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: () => ({ go: 'check' }),
  onAllPages: 'oneTitle',
  look: ({ facts }) => (documentTitle(facts)?.inHead === false ? { code: 'title-outside-head' } : undefined),
};
