import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChange, emptyDocument, set, type SiteDocument } from '../site/index.ts';
import { factsOf } from '../testing/html.ts';
import { forSurvey } from '../rows/index.ts';
import { patternPreview, suggestionsFor, suggestionsForEmpty, Survey } from './index.ts';
import { PageNames } from '../rows/page-names.ts';

const BANNER = 'We use small files on your machine so that this site can work as it should for everybody.';
const page = (title: string, heading: string, ...paragraphs: readonly string[]): string =>
  `<html lang=en><title>${title}</title><h1>${heading}</h1>${paragraphs.map((one) => `<p>${one}</p>`).join('')}`;

function surveyOf(pages: Readonly<Record<string, string>>, document: SiteDocument = emptyDocument()): Survey {
  const files = Object.keys(pages).map((path) => ({ path, hash: path, size: 1, modified: undefined }));
  return new Survey(
    document,
    files,
    Object.entries(pages).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
    { robots: undefined, maps: {} },
    undefined,
    () => 0,
  );
}

/** A manual as such manuals are: one heading on every page, the chapter's name in the title alone, a banner on all of them. */
const MANUAL: Readonly<Record<string, string>> = {
  'index.html': page('The Manual', 'The Manual', BANNER),
  'install.html': page(
    'Installing | The Manual',
    'The Manual',
    BANNER,
    'Installing takes one command and a quarter of an hour on any machine that is not too old.',
  ),
  'upgrade.html': page(
    'Upgrading | The Manual',
    'The Manual',
    BANNER,
    'Upgrading keeps all data as it is and takes no longer than installing did the first time.',
  ),
  'faq.html': page(
    'Questions | The Manual',
    'The Manual',
    BANNER,
    'Most questions have been asked before, and the answers to them are collected on this page.',
  ),
  'untitled.html': page('The Manual', 'The Manual', BANNER),
};

describe('a page’s name', () => {
  const names = (pages: Readonly<Record<string, string>>): Record<string, string> =>
    Object.fromEntries(
      surveyOf(pages)
        .rows()
        .map((row) => [row.id, row.name]),
    );
  it('is its heading only where that tells it apart, else its title’s own part, else its address', () => {
    expect(names(MANUAL)).toEqual({
      'index.html': 'Home',
      'install.html': 'Installing',
      'upgrade.html': 'Upgrading',
      'faq.html': 'Questions',
      'untitled.html': 'The Manual (untitled)',
    });
    expect(names({ 'a.html': page('x | S', 'Alpha'), 'b.html': page('y | S', 'Beta') })).toEqual({ 'a.html': 'Alpha', 'b.html': 'Beta' });
  });
  it('is never the same for two pages of which anything differs', () => {
    const word = fc.constantFrom('Alpha', 'Beta', 'Gamma', '');
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ title: word, heading: word }), { minLength: 1, maxLength: 5, selector: ({ title, heading }) => `${title} ${heading}` }),
        (pages) => {
          const facts = pages.map(({ title, heading }) => factsOf(page(title, heading)));
          const apart = new PageNames(facts);
          facts.forEach((one, at) => {
            const name = apart.nameOf(`p${at}.html`, one);
            if (name === undefined) return;
            // What replaces a heading is another page's name in no case.
            facts.forEach((other, there) => there !== at && expect(apart.nameOf(`p${there}.html`, other)).not.toBe(name));
          });
        },
      ),
    );
  });
});

describe('suggestions', () => {
  const survey = surveyOf(MANUAL);
  it('never offer a sentence that stands on many pages', () => {
    for (const { page: one } of survey.sitePages())
      for (const text of suggestionsFor(emptyDocument(), one, 'description', { common: survey.commonIn(one.facts) })) expect(text).not.toContain(BANNER);
    expect([...suggestionsForEmpty(survey, emptyDocument(), 'description')].flatMap((one) => one?.page ?? [])).toEqual(
      expect.arrayContaining(['install.html', 'upgrade.html', 'faq.html']),
    );
  });
  it('never make a duplicate, of another page or of each other', () => {
    const same = 'The bindery repairs old books by hand, and makes boxes for the ones that are too frail.';
    const pages = { 'a.html': page('A', 'A', same), 'b.html': page('B', 'B', same) };
    const texts = [...suggestionsForEmpty(surveyOf(pages), emptyDocument(), 'description')].flatMap((one) => one?.text ?? []);
    expect(texts).toHaveLength(1);
    const one = [...surveyOf(pages).sitePages()][1]!.page;
    expect(suggestionsFor(emptyDocument(), one, 'description', { taken: (text) => text === same })).toEqual([]);
  });
});

describe('a pattern', () => {
  const SITE = applyChange(emptyDocument(), set('facts', '', 'siteName', 'The Manual'));
  const survey = surveyOf(MANUAL, SITE);
  it('that would leave pages with the same title says so before it is taken, and names them', () => {
    const constant = patternPreview(survey, SITE, 'page', 'title', [{ text: 'All the same' }]);
    expect(constant.same.map(({ page: id, others }) => [id, others]).sort()).toEqual(
      ['faq.html', 'install.html', 'untitled.html', 'upgrade.html'].map((id) => [id, 3]),
    );
    const named = patternPreview(survey, SITE, 'page', 'title', [{ first: ['page-name'] }, { first: ['separator'] }, { first: ['site-name'] }]);
    expect(named.same).toEqual([]);
    expect(named.changes.map(({ after }) => after)).toContain('The Manual (untitled) | The Manual');
  });
});
