import { describe, expect, it } from 'vitest';
import { TrailIndex } from './index.ts';

describe('trails', () => {
  it('lead by the folders that have pages, and follow them', () => {
    const index = new TrailIndex();
    index.put('c', '/a/b/c.html', 'C');
    index.put('home', '/', 'Home');
    expect(index.put('a', '/a/', 'A')).toEqual(['c']);
    expect(index.above('/a/b/c.html').map(({ name }) => name)).toEqual(['Home', 'A']);
    expect(index.put('a', '/a/', 'A')).toEqual([]);
    expect(index.put('a', '/z/', 'A')).toEqual(['c']);
    expect(index.above('/a/b/c.html').map(({ name }) => name)).toEqual(['Home']);
    expect(index.put('c', '/z/c.html', 'C')).toEqual([]);
    expect(index.put('a', '/z/', 'Z')).toEqual(['c']);
    expect(index.above('/z/').map(({ name }) => name)).toEqual(['Home']);
  });
  it('of twice as many pages take about twice the time, though each is a folder', () => {
    const time = (count: number): number => {
      const index = new TrailIndex();
      const from = performance.now();
      for (let at = 0; at < count; at++) index.put(String(at), `/part-${at % 50}/page-${at}/`, 'x');
      return performance.now() - from;
    };
    time(2_000);
    expect(time(40_000) / Math.max(1, time(10_000))).toBeLessThan(12);
  });
});
