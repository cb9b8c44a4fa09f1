import { expect, it } from 'vitest';
import type { EngineRow } from '../../core/exchange/index.ts';
import { becameOf, isAskedAgain } from './asked-again.ts';

const row = (address: string, outcome: EngineRow['outcome'], visitedAt?: string): EngineRow => ({ address, outcome, visitedAt }) as EngineRow;

it('tells of what was asked for again which was visited, which waits, and what became another', () => {
  const asked = { at: '2026-11-26T10:00:00Z', was: { a: 'not-listed', b: 'listed', c: 'waiting', d: 'listed' } } as const;
  const records = [
    row('a', 'listed', '2026-11-27T10:00:00Z'),
    row('b', 'listed', '2026-11-27T10:00:00Z'),
    // Visited before it was asked for.
    row('c', 'listed', '2026-11-26T09:00:00Z'),
    // Not asked for.
    row('e', 'not-listed', '2026-11-27T10:00:00Z'),
  ];
  expect(becameOf(asked, records)).toEqual({ visited: 2, waiting: 2, others: [{ address: 'a', from: 'not-listed', to: 'listed' }] });
});
it.each([
  [{ at: 'x', was: { a: 'listed' } }, true],
  [{ at: 'x', was: {} }, true],
  [{ at: 1, was: {} }, false],
  [{ at: 'x' }, false],
  [null, false],
  [[], false],
])('%j is kept: %s', (value, is) => expect(isAskedAgain(value)).toBe(is));
