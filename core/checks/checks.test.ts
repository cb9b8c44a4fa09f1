import { describe, expect, it } from 'vitest';
import { wayIn } from '../indexing/index.ts';
import { emptyDocument, set, applyChange, all, type Change } from '../site/index.ts';
import { forSurvey, Survey } from '../survey/index.ts';
import { factsOf } from '../testing/html.ts';
import { findingWords } from '../wording/index.ts';
import { CHECKS, checkOf, costOf, isEnough, type FindingCode } from './index.ts';

const GOOD =
  '<!doctype html><html lang=en><head><title>Box making for rare books</title><meta name=description content="Boxes cut to the measure of one book, covered in cloth, by two bookbinders in Saltmere."></head><body><h1>Box making</h1><p>Text.</p><img src=a.jpg alt="A box"><a href=/>home</a></body></html>';
const LONG = 'clamshell boxes and slipcases '.repeat(12);

/** A site of a home page, the page in question and another good one; gives the codes found on the page. */
function codes(html: string, options: { robots?: string; changes?: readonly Change[]; other?: string } = {}): FindingCode[] {
  const pages = {
    'index.html': GOOD.replace('Box making for', 'Home of').replace('Boxes cut', 'Books cut').replace('</body>', '<a href=/p.html>p</a></body>'),
    'p.html': html,
    'q.html': options.other ?? GOOD.replace('rare', 'old').replace('Boxes', 'Cases'),
  };
  const files = Object.keys(pages).map((path) => ({ path, hash: path, size: 1, modified: undefined }));
  const document = applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', 'https://a.example'), ...(options.changes ?? [])]));
  const manifest = {
    version: 1 as const,
    number: 0,
    files: Object.fromEntries(files.map(({ path, hash }) => [path, { hash, edits: [] }])),
    own: {},
    listed: [],
    changedAt: {},
  };
  const survey = new Survey(
    document,
    files,
    Object.entries(pages).map(([id, text]) => ({ id, read: forSurvey(factsOf(text)) })),
    { robots: options.robots, sitemap: undefined },
    manifest,
    () => 0,
  );
  return (
    survey
      .rows()
      .find((row) => row.id === 'p.html')
      ?.findings.map((finding) => finding.code) ?? []
  );
}

/** For each check: a page that triggers it, and the mend that removes it. */
const CASES: Readonly<Record<FindingCode, { bad: Parameters<typeof codes>; mended: Parameters<typeof codes> }>> = {
  'title-missing': {
    bad: [GOOD.replace(/<title>.*<\/title>/, '')],
    mended: [GOOD.replace(/<title>.*<\/title>/, ''), { changes: [set('pages', 'p.html', 'title', 'Boxes for books')] }],
  },
  'title-leftover': {
    bad: [GOOD.replace('Box making for rare books', 'Home')],
    mended: [GOOD.replace('Box making for rare books', 'Home'), { changes: [set('pages', 'p.html', 'title', 'Boxes for books')] }],
  },
  'title-cut': {
    bad: [GOOD.replace('Box making for rare books', LONG)],
    mended: [GOOD.replace('Box making for rare books', LONG), { changes: [set('pages', 'p.html', 'title', 'Short')] }],
  },
  'title-same': {
    bad: [GOOD, { other: GOOD.replace('Boxes', 'Cases') }],
    mended: [GOOD, { other: GOOD.replace('Boxes', 'Cases'), changes: [set('pages', 'p.html', 'title', 'Mine alone')] }],
  },
  'title-several': { bad: [GOOD.replace('</head>', '<title>Second</title></head>')], mended: [GOOD] },
  'title-outside-head': { bad: ['<html lang=en><p>x<title>Boxes for rare books</title><h1>x</h1>'], mended: [GOOD] },
  'name-number': {
    bad: [GOOD.replace('Box making for rare books', 'Journal 2 | Bindery')],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'title', 'Journal | Bindery')] }],
  },
  'description-missing': {
    bad: [GOOD.replace(/<meta name=description[^>]*>/, '')],
    mended: [GOOD.replace(/<meta name=description[^>]*>/, ''), { changes: [set('pages', 'p.html', 'description', 'Boxes.')] }],
  },
  'description-same': {
    bad: [GOOD, { other: GOOD.replace('rare', 'old') }],
    mended: [GOOD, { other: GOOD.replace('rare', 'old'), changes: [set('pages', 'q.html', 'description', 'Other.')] }],
  },
  'description-cut': {
    bad: [GOOD.replace('Boxes cut', LONG)],
    mended: [GOOD.replace('Boxes cut', LONG), { changes: [set('pages', 'p.html', 'description', 'Short.')] }],
  },
  'heading-missing': { bad: [GOOD.replace(/<h1>.*<\/h1>/, '<h2>x</h2>')], mended: [GOOD] },
  'image-alt-missing': { bad: [GOOD.replace(' alt="A box"', '')], mended: [GOOD.replace('alt="A box"', 'alt=""')] },
  'lang-missing': { bad: [GOOD.replace(' lang=en', '')], mended: [GOOD] },
  'shut-out': {
    bad: [GOOD.replace('</head>', '<meta name=robots content=noindex></head>')],
    mended: [GOOD.replace('</head>', '<meta name=robots content=noindex></head>'), { changes: [set('pages', 'p.html', 'intent', 'list')] }],
  },
  leaking: {
    bad: [GOOD, { changes: [set('pages', 'p.html', 'kind', 'tag')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'kind', 'tag'), set('kinds', 'tag', 'intent', 'out')] }],
  },
  'half-hidden': {
    bad: [GOOD, { robots: 'User-agent: *\nDisallow: /p', changes: [set('pages', 'p.html', 'intent', 'out')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'intent', 'out')] }],
  },
};

describe('every check', () => {
  it('has a case here', () => expect(Object.keys(CASES).sort()).toEqual(CHECKS.map((check) => check.code).sort()));
  it.each(Object.entries(CASES))('%s is found, and gone after its mend', (code, { bad, mended }) => {
    expect(codes(...bad)).toContain(code);
    expect(codes(...mended)).not.toContain(code);
  });
  it('finds nothing on a good page', () => expect(codes(GOOD)).toEqual([]));
  it('has words', () => {
    for (const { code } of CHECKS) {
      const finding = {
        code,
        part: 'Home',
        why: 'default',
        words: 2,
        lastShown: 'a b',
        pages: ['q.html'],
        count: 2,
        of: 3,
        first: 'a.jpg',
        name: 'Journal 2',
        gates: ['listed'],
        line: 3,
      } as never;
      const { headline, why, mend } = findingWords(finding);
      for (const text of [headline, why, mend]) expect(text).toMatch(/\S/);
      expect(`${headline} ${why} ${mend}`).not.toMatch(/undefined|!/);
      expect(why.split(/[.;] /).length).toBeLessThanOrEqual(3);
    }
  });
});

it('pages that stay out are only asked what concerns their staying out, and their visitors', () => {
  expect(codes('<p>nothing here', { changes: [set('pages', 'p.html', 'intent', 'out')] })).toEqual(['lang-missing']);
});

it('costs come in order, and enough is where only polish is left', () => {
  const found = codes('<head><meta name=robots content=noindex></head><p>x');
  const costs = found.map((code) => checkOf(code).cost);
  expect([...costs].sort((a, b) => ['blocks', 'weakens', 'polish'].indexOf(a) - ['blocks', 'weakens', 'polish'].indexOf(b))).toEqual(costs);
  expect(isEnough([{ code: 'lang-missing' }])).toBe(true);
  expect(isEnough([{ code: 'title-missing' }])).toBe(false);
  expect(costOf({ code: 'leaking' })).toBe('blocks');
  expect(() => checkOf('nonsense' as never)).toThrow(RangeError);
});

it('a shut page names every gate that shuts it', () => {
  const way = wayIn({
    path: '/',
    live: { kind: 'not-released' },
    audience: 'everyone',
    robots: { kind: 'missing' },
    page: undefined,
    linksIn: 0,
    inSitemap: false,
    isHome: false,
    now: 0,
  });
  expect(way.gates.filter((gate) => gate.behind === 'shut').map((gate) => gate.name)).toEqual(['live', 'reachable']);
});
