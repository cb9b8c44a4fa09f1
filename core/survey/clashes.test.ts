import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { effectiveFile, set } from '../site/index.ts';
import { testSite, type TestSite } from '../testing/site.ts';

const FILES = ['index.html', 'a.html', 'b.html', 'c/index.html', 'd/index.html'];
const site = (): TestSite => testSite(Object.fromEntries(FILES.map((file) => [file, `<title>${file}</title>`])));
/** By page, the others that a finding says stand at its address. */
const told = ({ survey }: TestSite): Record<string, readonly string[]> =>
  Object.fromEntries(
    survey.rows().flatMap(({ id, findings }) => findings.flatMap((finding) => (finding.code === 'address-taken' ? [[id, finding.pages] as const] : []))),
  );

describe('pages that would go out at one address', () => {
  it('are told, each with the others, whether one stood there or both moved there', () => {
    const one = site();
    one.change(set('pages', 'a.html', 'ending', 'b'));
    expect(told(one)).toEqual({ 'a.html': ['b.html'], 'b.html': ['a.html'] });
    one.change(set('pages', 'b.html', 'ending', 'new'));
    expect(told(one)).toEqual({});
    one.change(set('pages', 'a.html', 'ending', 'new'));
    expect(told(one)).toEqual({ 'a.html': ['b.html'], 'b.html': ['a.html'] });
  });
  it('are told where another page is to be the home page of a site that has one', () => {
    const one = site();
    one.change(set('facts', '', 'homePage', 'c/index.html'));
    expect(Object.keys(told(one)).sort()).toEqual(['c/index.html', 'index.html']);
  });
  it('are just those whose files are the same, after any changes', () => {
    const change = fc.oneof(
      fc.tuple(fc.constantFrom(...FILES), fc.constantFrom('a', 'b', 'c', 'd', 'new', null)).map(([page, ending]) => set('pages', page, 'ending', ending)),
      fc.constantFrom(...FILES, null).map((page) => set('facts', '', 'homePage', page)),
    );
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        const one = site();
        for (const next of changes) {
          one.change(next);
          const files = new Map(FILES.map((page) => [page, effectiveFile(one.document, page)]));
          const same = FILES.flatMap((page) => {
            const others = FILES.filter((other) => other !== page && files.get(other) === files.get(page));
            return others.length > 0 ? [[page, others] as const] : [];
          });
          const found = Object.entries(told(one)).map(([page, others]) => [page, [...others].sort()] as const);
          expect(Object.fromEntries(found)).toEqual(Object.fromEntries(same));
        }
      }),
    );
  });
});
