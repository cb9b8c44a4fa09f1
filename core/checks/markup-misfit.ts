import type { Check } from './check.ts';

/** A value that the owner typed in a form that cannot be written: it is kept, and what the page says goes out meanwhile. */
export const markupMisfit: Check<{ readonly code: 'markup-misfit'; readonly path: string; readonly others: number }> = {
  code: 'markup-misfit',
  cost: 'polish',
  stop: 'meaning',
  alsoWhenOut: false,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const [path] = meaning?.misfits ?? [];
    return path === undefined ? undefined : { code: 'markup-misfit', path, others: (meaning?.misfits.length ?? 1) - 1 };
  },
};
