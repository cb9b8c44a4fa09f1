import type { Check } from './check.ts';

/** Pictures without an `alt` attribute. An empty one says "decoration" and is fine. */
export const imageAltMissing: Check<{ readonly code: 'image-alt-missing'; readonly count: number; readonly of: number; readonly first: string }> = {
  code: 'image-alt-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts) => facts.images.find((image) => image.alt === undefined && !image.decorative)?.tag.start,
  fix: () => ({ go: 'pictures' }),
  look: ({ facts }) => {
    const without = facts.images.filter((image) => image.alt === undefined && !image.decorative);
    const [first] = without;
    return first ? { code: 'image-alt-missing', count: without.length, of: facts.images.length, first: first.src?.replace(/^.*\//, '') ?? '' } : undefined;
  },
};
