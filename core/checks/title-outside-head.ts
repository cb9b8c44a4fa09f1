import { documentTitle } from '../page/index.ts';
import type { Check } from './finding.ts';

/** The title stands in the body, because something in the head closed it early. */
export const titleOutsideHead: Check<'title-outside-head'> = {
  code: 'title-outside-head',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (documentTitle(facts)?.inHead === false ? { code: 'title-outside-head' } : undefined),
};
