import type { ResultGap } from '../results/index.ts';
import type { Check } from './check.ts';

/** A thing that lacks what an engine cannot show its result without (N25). */
export const resultMissing: Check<{ readonly code: 'result-missing'; readonly gap: ResultGap }> = {
  code: 'result-missing',
  cost: 'weakens',
  stop: 'meaning',
  alsoWhenOut: false,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const gap = meaning?.gaps.find(({ missing }) => missing.length > 0);
    return gap && { code: 'result-missing', gap };
  },
};

/** A thing whose result could be a better one. */
export const resultThin: Check<{ readonly code: 'result-thin'; readonly gap: ResultGap }> = {
  code: 'result-thin',
  cost: 'polish',
  stop: 'meaning',
  alsoWhenOut: false,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    if (meaning?.gaps.some(({ missing }) => missing.length > 0)) return undefined;
    const gap = meaning?.gaps.find(({ better }) => better.length > 0);
    return gap && { code: 'result-thin', gap };
  },
};
