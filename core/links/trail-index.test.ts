import { describe, expect, it } from 'vitest';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
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
  it('of many pages take time in proportion, though each is a folder', SLOW, () =>
    expectInProportion({
      small: 5_000,
      times: 8,
      make: (count) => count,
      work: (count) => {
        const index = new TrailIndex();
        for (let at = 0; at < count; at++) index.put(String(at), `/part-${at % 50}/page-${at}/`, 'x');
      },
    }),
  );
});
