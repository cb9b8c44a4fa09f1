import { describe, expect, it } from 'vitest';
import { SLOW } from './effort.ts';
import { expectInProportion } from './proportion.ts';

const numbers = (count: number): number[] => Array.from({ length: count }, (_, at) => at);

describe('time in proportion', SLOW, () => {
  it('is told of what goes through everything once, or sorts it', () => {
    expectInProportion({ small: 20_000, times: 8, make: numbers, work: (all) => void all.map(String).sort() });
    expectInProportion({ small: 20_000, times: 8, make: (size) => 'x'.repeat(size), work: (text) => void text.split('') });
  });
  it('is denied of what looks at all else for each part', () => {
    const square = (all: readonly number[]): void => void all.filter((one) => all.lastIndexOf(one) !== all.indexOf(one));
    expect(() => expectInProportion({ small: 2_000, times: 8, make: numbers, work: square })).toThrow(/against 8 ×/);
    expect(() => expectInProportion({ small: 2_000, times: 8, make: (size) => ' '.repeat(size) + 'x', work: (text) => void / +$/.test(text) })).toThrow();
  });
});
