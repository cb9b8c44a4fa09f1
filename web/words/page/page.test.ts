import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stopOf, type Finding } from '../../../core/checks/index.ts';
import { effectiveFacts, set, type Change, type SitePage } from '../../../core/site/index.ts';
import { testSite } from '../../../core/testing/site.ts';
import { languageOf, measureText } from '../../../core/language/index.ts';
import { readPage, type PageFacts } from '../../../core/page/index.ts';
import { runs } from '../../../core/testing/effort.ts';
import { liveFindings } from './page.ts';

const SITE: Readonly<Record<string, string>> = {
  'index.html': '<html lang=en><title>Home | Bindery</title><h1>Bindery</h1><a href=a.html>a</a><a href=gone.html>g</a><img src=x.jpg>',
  'a.html': '<html lang=en><title>Boxes</title><meta name=description content="Same."><h1>Boxes</h1><p>Each box is cut to one book.<p>We bind old books.',
  'b.html': '<html><title>Boxes</title><title>Again</title><meta name=description content="Same."><h1>B</h1><h3>C</h3>',
};
const read = (html: string, keepText: boolean): PageFacts => {
  const reading = readPage(new TextEncoder().encode(html), { keepText });
  if (!reading.ok) throw new Error(reading.reason);
  return reading.facts;
};
const change: fc.Arbitrary<Change> = fc.oneof(
  fc
    .tuple(
      fc.constantFrom(...Object.keys(SITE)),
      fc.constantFrom('title' as const, 'description' as const),
      fc.constantFrom(null, '', 'Boxes', 'x '.repeat(90)),
    )
    .map(([page, field, value]) => set('pages', page, field, value)),
  fc.tuple(fc.constantFrom(...Object.keys(SITE)), fc.constantFrom(null, 'old books')).map(([page, value]) => set('pages', page, 'phrase', value)),
  fc.constantFrom(null, 'list' as const, 'out' as const).map((value) => set('pages', 'a.html', 'intent', value)),
  fc.constantFrom(null, 40).map((width) => set('limits', 'title-wide', 'width', width)),
  fc.constantFrom(null, 'mine').map((reason) => set('ignored', 'b.html\ntitle-several', 'reason', reason)),
  fc.constantFrom(null, true).map((on) => set('care', '', 'wording', on)),
  fc.constantFrom(null, 'a, b, c, d, e, f, g, h, i, j, k').map((words) => set('pages', 'a.html', 'keywords', words)),
);

describe('what is said at each key', () => {
  it('is what the survey says a moment later: both ask the same checks the same way', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 5 }), (changes) => {
        const site = testSite(SITE);
        for (const one of changes) site.change(one);
        for (const [id, html] of Object.entries(SITE)) {
          const row = site.survey.row(id);
          const source = read(html, false);
          const facts = effectiveFacts(site.document, id, source);
          const page: SitePage = { id, kind: row.kind, isHome: row.address === '/', facts, ownName: row.ownName };
          const measure = measureText(read(html, true).blocks ?? [], languageOf('en'));
          const ofWords = (findings: readonly Finding[]): readonly Finding[] => findings.filter((finding) => stopOf(finding) === 'words');
          expect(liveFindings(row, page, site.document, measure)).toEqual(ofWords(row.findings));
        }
      }),
      { numRuns: runs(60) },
    );
  });
});
