import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { filesBelow, realSiteFolder } from '../bench/real-site.ts';
import { readPage } from '../core/page/index.ts';
import { emptyDocument, isPageFile, KINDS } from '../core/site/index.ts';
import { forSurvey } from '../core/rows/index.ts';
import { Survey, suggestionsFor } from '../core/survey/index.ts';
import { SLOW } from '../core/testing/effort.ts';

const FOLDER = join(import.meta.dirname, 'site');

function surveyOf(files: ReadonlyMap<string, Uint8Array>): Survey {
  const pages = [...files].flatMap(([id, bytes]) => {
    const reading = isPageFile(id) ? readPage(bytes) : undefined;
    return reading?.ok ? [{ id, read: forSurvey(reading.facts) }] : [];
  });
  return new Survey(
    emptyDocument(),
    [...files.keys()].map((path) => ({ path, hash: path, size: 1, modified: undefined })),
    pages,
    { robots: undefined, maps: {} },
    undefined,
    () => 0,
  );
}

const demo = new Map(
  readdirSync(FOLDER, { recursive: true, encoding: 'utf8' })
    .filter(isPageFile)
    .map((path) => [path, new Uint8Array(readFileSync(join(FOLDER, path)))]),
);

describe('the demo', () => {
  const survey = surveyOf(demo);
  it('comes out with the kinds a person would give', () => {
    const kinds = Object.fromEntries(
      KINDS.map((kind) => [
        kind,
        survey
          .rows()
          .filter((row) => row.kind === kind)
          .map((row) => row.address),
      ]),
    );
    expect(kinds).toMatchObject({
      service: ['/services/book-repair/', '/services/box-making/', '/services/family-bibles/', '/services/gold-tooling/'],
      event: ['/workshops/japanese-binding/', '/workshops/leather-basics/', '/workshops/marbling-evening/', '/workshops/sewn-notebook-day/'],
      product: ['/shop/bone-folder/', '/shop/linen-journal/', '/shop/repair-kit/'],
      tag: ['/journal/tag/leather/', '/journal/tag/repair/'],
      author: ['/journal/author/maren-quill/'],
      category: [],
      other: [],
    });
    expect(kinds.post).toHaveLength(6);
    expect(kinds.page).toHaveLength(14);
  });
  it('has a sentence of its own for nearly every page', () => {
    const without = [...survey.sitePages()].filter(
      ({ page, row }) => row.intent === 'list' && suggestionsFor(emptyDocument(), page, 'description').length === 0,
    );
    expect(without.map(({ row }) => row.address)).toEqual(expect.not.arrayContaining(['/services/gold-tooling/', '/contact/']));
    expect(without.length).toBeLessThan(6);
  });
});

const real = realSiteFolder();
describe.skipIf(real === undefined)('a real site', SLOW, () => {
  it('of documentation is pages, and most have a sentence that serves', async () => {
    const survey = surveyOf(await filesBelow(real as string));
    const rows = survey.rows();
    expect(rows.length).toBeGreaterThan(1000);
    expect(rows.filter((row) => row.kind !== 'page').map((row) => row.address)).toEqual([]);
    const without = [...survey.sitePages()].filter(({ page }) => suggestionsFor(emptyDocument(), page, 'description').length === 0).length;
    expect(without / rows.length).toBeLessThan(0.2);
  });
});
