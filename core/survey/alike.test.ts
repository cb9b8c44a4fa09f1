import { describe, expect, it } from 'vitest';
import { applyChange, set } from '../site/index.ts';
import { testSite } from '../testing/site.ts';

/** Pages of a template: most have the same findings, some have another. */
const page = (at: number): string =>
  `<html lang=en><head><title>Sheet ${at * 7919}</title></head><body><h1>Sheet ${at * 7919}</h1>${at % 5 === 0 ? '<img src=/a.jpg>' : ''}<p>Sheet ${at}.</p></body></html>`;
const SITE = Object.fromEntries(Array.from({ length: 100 }, (_, at) => [`p/${at}.html`, page(at)]));

describe('what rows have in common', () => {
  it('is one value, and goes over once a message', () => {
    const rows = testSite(SITE).survey.rows();
    const distinct = new Set(rows.map(({ findings }) => JSON.stringify(findings)));
    expect(distinct.size).toBeGreaterThan(1);
    for (const here of [rows, structuredClone(rows)]) {
      expect(new Set(here.map(({ findings }) => findings)).size).toBe(distinct.size);
      expect(new Set(here.map(({ realities }) => realities)).size).toBe(new Set(rows.map(({ realities }) => JSON.stringify(realities))).size);
      expect(new Set(here.map(({ ignored }) => ignored)).size).toBe(1);
    }
  });
  it('comes apart for a page that is another one now, and for no other', () => {
    const { survey, document } = testSite(SITE);
    const before = new Map(survey.rows().map((row) => [row.id, JSON.stringify(row)]));
    const change = set('pages', 'p/7.html', 'description', 'A sheet of paper that is made by hand in Saltmere, from old linen, as it was in 1790.');
    survey.update(applyChange(document, change), change);
    expect(survey.row('p/7.html').findings).not.toEqual(survey.row('p/8.html').findings);
    for (const row of survey.rows()) if (row.id !== 'p/7.html') expect(JSON.stringify(row), row.id).toBe(before.get(row.id));
  });
});
