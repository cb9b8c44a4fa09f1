import { describe, expect, it } from 'vitest';
import { CRAWLERS, ENGINE_IDS, engineOf, ENGINES, policyFor } from './index.ts';

describe('the engines', () => {
  it('stand in one order, each under its own id, with crawlers of their own', () => {
    expect(ENGINES.map(({ id }) => id)).toEqual([...ENGINE_IDS]);
    for (const engine of ENGINES) expect(engineOf(engine.id)).toBe(engine);
    expect(new Set(CRAWLERS.map((token) => token.toLowerCase())).size).toBe(CRAWLERS.length);
    for (const { crawler } of ENGINES) expect(CRAWLERS).toContain(crawler);
  });
  it('answer to all their crawlers, in letters of any size', () => {
    for (const engine of ENGINES)
      for (const token of [engine.crawler, engine.crawler.toUpperCase(), engine.pictureCrawler ?? engine.crawler]) expect(policyFor(token)).toBe(engine);
  });
  it('a crawler that nobody knows keeps to the letter of the standards, under its own name', () => {
    expect(policyFor('OwnBot')).toMatchObject({ id: 'ownbot', name: 'OwnBot', crawler: 'OwnBot', canonical: 'order', waits: false });
  });
});
