import type { Check } from './finding.ts';

/** Pictures without an `alt` attribute. An empty one says "decoration" and is fine. */
export const imageAltMissing: Check<'image-alt-missing'> = {
  code: 'image-alt-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ facts }) => {
    const without = facts.images.filter((image) => image.alt === undefined && !image.decorative);
    const [first] = without;
    return first ? { code: 'image-alt-missing', count: without.length, of: facts.images.length, first: first.src?.replace(/^.*\//, '') ?? '' } : undefined;
  },
};
