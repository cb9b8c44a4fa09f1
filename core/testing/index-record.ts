import type { IndexRecord } from '../engine/index.ts';

/** A page as an engine lists it, without a word; and what is otherwise. */
export const indexRecord = (address: string, change: Partial<IndexRecord> = {}): IndexRecord => ({
  address,
  foundBy: 'link',
  foundAt: '2026-01-01T00:00:00Z',
  visitedAt: '2026-01-02T00:00:00Z',
  status: 200,
  outcome: 'listed',
  reason: { code: 'no-directive' },
  linkedFrom: [],
  title: '',
  description: '',
  headings: [],
  lead: '',
  text: '',
  ...change,
});
