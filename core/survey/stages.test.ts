import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MANIFEST_FORMAT, compareWithRelease, manifestSchema } from '../release/index.ts';
import { forSurvey } from '../rows/index.ts';
import { all, applyChange, emptyDocument, set, TABLES, whyNot, type Change, type SiteDocument, type Table } from '../site/index.ts';
import { writePattern } from '../titles/index.ts';
import { factsOf } from '../testing/html.ts';
import { meaningsOf } from '../testing/meaning.ts';
import { runs } from '../testing/effort.ts';
import { testSite } from '../testing/site.ts';
import { Stages, type Reading, type Stage } from './engine.ts';
import type { SiteInputs } from './inputs.ts';
import { Survey } from './index.ts';
import { always, indexStage, lazyStage, pageStage, siteStage } from './stage.ts';
import { STAGES } from './stages/index.ts';

const PAGES: Readonly<Record<string, string>> = {
  'index.html':
    '<html lang=en><title>Bindery</title><meta name=description content="Home."><h1>Bindery</h1><p>We bind.<a href=/a/>a</a><a href=/b/?x=1>b</a><a href=c/index.html>c</a><a href=/gone/>gone</a><img src=/p.jpg>',
  'a/index.html':
    '<html lang=en><title>A</title><meta name=description content="Same."><link rel=canonical href="https://a.example/b/"><meta property="og:type" content=article><h1>A</h1><p class=byline>By Maren Quill, <time datetime=2026-02-03>3 February 2026</time><p>Words of a page.<a href=/d.pdf>d</a>',
  'b/index.html': '<html><title>B</title><meta name=description content="Same."><meta name=robots content=noindex><h1>B</h1><h1>Again</h1>',
  'c/index.html':
    '<html lang=en><title>C</title><meta http-equiv=refresh content="0; url=/a/"><script type=application/ld+json>{"@context":"https://schema.org","@type":"Product","name":"C","offers":{"@type":"Offer","price":"5"}}</script><h1>C</h1><p>Only here: £7.<a href="/">home</a>',
  'tags/x/index.html': '<html lang=en><title>Tag x</title><h1>Tag: x</h1>',
};
const FILES = [...Object.keys(PAGES), 'd.pdf', 'p.jpg', 'robots.txt'].map((path, at) => ({ path, hash: path, size: 9, modified: Date.UTC(2026, 0, 1 + at) }));
const MAP =
  '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>https://a.example/c/</loc></url><url><loc>https://a.example/old/</loc></url></urlset>';
const IMPORTED = { robots: 'User-agent: *\nDisallow: /tags\nSitemap: https://a.example/theirs.xml\n', maps: { 'theirs.xml': MAP } };
const MANIFEST = {
  version: MANIFEST_FORMAT.version,
  number: 2,
  files: Object.fromEntries(FILES.filter(({ path }) => !path.startsWith('c')).map(({ path, hash }) => [path, { hash, edits: [] }])),
  own: { 'robots.txt': 'User-agent: *\n' },
  listed: ['index.html', 'a/index.html'],
  changedAt: { 'a/index.html': Date.UTC(2026, 5, 1) },
};
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', 'https://a.example'));
const NOW = (): number => Date.UTC(2026, 10, 25);

const MEANINGS = meaningsOf(PAGES);

function surveyOf(document: SiteDocument): Survey {
  const pages = Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) }));
  const survey = new Survey(document, FILES, pages, IMPORTED, MANIFEST, NOW);
  while (survey.compareMore(() => true).left > 0);
  survey.putMeanings(MEANINGS);
  return survey;
}

/** All that the survey tells. */
function told(survey: Survey): unknown {
  return {
    rows: survey.rows(),
    numbers: survey.numbers(),
    items: survey.releaseItems(),
    copy: survey.workingCopy(),
    manifest: survey.manifestFor(3, 0),
    entries: survey.sitemapEntries(),
    map: survey.maps.report(),
    robots: survey.robots.report(),
    others: survey.otherFiles(),
    clicks: [...survey.clicks()],
    meaning: Object.keys(PAGES).map((id) => survey.meaning.page(id)),
    filled: survey.meaning.kinds(),
    brought: survey.meaning.brought(),
    offers: survey.meaning.factOffers(),
    ways: Object.keys(PAGES).map((id) => survey.wayIn(id, 'OtherBot')),
    at: ['/a/', '/a/index.html', '/b/?x=1', '/d.pdf', '/old', '/gone/'].map((path) => survey.wayInAt(path, 'SkerryBot')),
  };
}

const PATTERN = writePattern([{ first: ['page-name'] }, { first: ['separator'] }, { first: ['site-name'] }]);
/** Keys and values that mean something, by table; what no table has is made of these too. */
const KEYS: Readonly<Partial<Record<Table, readonly string[]>>> = {
  directives: ['site\n*', 'kind:page\n*', 'page:a/index.html\nPloverBot', 'page:b/index.html\n*', 'rule:r\n*', 'files:h\n*'],
  headers: ['h'],
  crawlers: ['OtherBot'],
  extras: ['https://a.example/added', 'https://a.example/a/', 'nonsense'],
  kinds: ['page', 'post', 'tag'],
  rules: ['r', 's'],
  pages: Object.keys(PAGES),
  passages: ['a/index.html\n150', 'index.html\n100'],
  alts: ['index.html\n150'],
  markup: ['a/index.html\nblog-post.headline', 'index.html\npage.name', 'c/index.html\nproduct.offers.price'],
  repairs: ['/gone/', '/b/'],
  ignored: ['a/index.html\ndescription-same', 'index.html\nlinks-broken'],
  limits: ['title-wide', 'description-wide'],
  worth: ['old books'],
  pasted: ['a/index.html\ntitle'],
  source: ['', 'a/index.html', 'index.html'],
  redirects: ['gone/index.html', 'a/index.html', 'moved.html'],
  claims: ['skerry'],
  releases: ['1', '2'],
  snippets: ['s', 't'],
};
const VALUES = [
  '',
  'Same.',
  'Other words',
  'a',
  'moved',
  '/a',
  '/b/',
  '.pdf',
  'index.html',
  'a/index.html',
  'https://b.example',
  'https://a.example',
  '2026-11-20',
  PATTERN,
  '<script async src="https://s.example/s.js"></script>',
];
const WORDS = [
  'list',
  'out',
  'yes',
  'no',
  'self',
  'none',
  'below',
  'contains',
  'ends',
  'post',
  'tag',
  'draft',
  'restricted',
  'public',
  'next-release',
  'one',
  'kind',
  'files',
  'best',
  'en',
  'organization',
  'take',
  'leave',
  'remove',
  'product event',
  'BookStore',
];

/** Any setting that can be made, of any field of any table. */
const anyChange: fc.Arbitrary<Change> = fc
  .constantFrom(...(Object.keys(TABLES) as Table[]))
  .chain((table) =>
    fc.record({
      kind: fc.constant('set' as const),
      table: fc.constant(table),
      key: fc.constantFrom(...(KEYS[table] ?? [''])),
      field: fc.constantFrom(...Object.keys(TABLES[table].shape)),
      value: fc.oneof(fc.constant(null), fc.boolean(), fc.constantFrom(0, 1, 30, 50_000), fc.constantFrom(...VALUES), fc.constantFrom(...WORDS)),
    }),
  )
  .filter((change) => whyNot(change) === undefined);

describe('the survey, change by change', () => {
  it('says the same as made anew, whatever table is changed, in whatever order', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(anyChange, fc.array(anyChange, { minLength: 2, maxLength: 4 }).map(all)), { minLength: 1, maxLength: 6 }), (changes) => {
        const running = surveyOf(START);
        const shown = new Map(running.rows().map((row) => [row.id, row]));
        let document = START;
        for (const change of changes) {
          document = applyChange(document, change);
          for (const row of running.update(document, change)) shown.set(row.id, row);
        }
        const anew = surveyOf(document);
        expect(told(running)).toEqual(told(anew));
        // Whoever only took what each change told has the same rows.
        expect([...shown.values()].sort((a, b) => (a.id < b.id ? -1 : 1))).toEqual([...anew.rows()].sort((a, b) => (a.id < b.id ? -1 : 1)));
        // What is counted page by page is what is compared as a whole.
        expect(running.releaseItems()).toEqual(compareWithRelease(running.workingCopy(), MANIFEST));
        expect(running.numbers().waiting).toBe(running.releaseItems().length);
        // Whatever goes out can be opened again.
        const manifest: unknown = JSON.parse(JSON.stringify(running.manifestFor(3, 0)));
        expect(manifestSchema.parse(manifest)).toEqual(manifest);
      }),
      { numRuns: runs(250) },
    );
  });
  it('a change of one page’s title looks again at that page and at nothing else', () => {
    const survey = surveyOf(START);
    const change = set('pages', 'c/index.html', 'title', 'Nobody says this');
    expect(survey.update(applyChange(START, change), change).map((row) => row.id)).toEqual(['c/index.html']);
  });
});

/** A document that tells which tables and fields are read of it. */
function watched(document: SiteDocument, reads: (reading: Reading) => void): SiteDocument {
  const records = (table: Table): object =>
    new Proxy(document.tables[table], {
      get: (target, key) => {
        const record = (target as Record<string | symbol, unknown>)[key];
        if (typeof record !== 'object' || record === null) return record;
        return new Proxy(record, {
          get: (fields, field) => {
            reads(`${table}.${String(field)}`);
            return (fields as Record<string | symbol, unknown>)[field];
          },
          ownKeys: (fields) => {
            reads(table);
            return Reflect.ownKeys(fields);
          },
        });
      },
    });
  const tables = Object.fromEntries((Object.keys(TABLES) as Table[]).map((table) => [table, records(table)]));
  return { ...document, tables: tables as unknown as SiteDocument['tables'] };
}

describe('every stage says on what it depends', () => {
  it('reads no table and no field that it does not name', () => {
    const undeclared = new Set<string>();
    const spied = new Map<Stage<unknown>, Stage<unknown>>();
    const spyNeeds = (needs: Stage<unknown>['needs']): Stage<unknown>['needs'] =>
      Object.fromEntries(Object.entries(needs).map(([name, need]) => [name, spied.get(need) as Stage<unknown>]));
    const watch = (stage: Stage<unknown>, inputs: SiteInputs): SiteInputs => ({
      ...inputs,
      document: watched(inputs.document, (reading) => {
        const named = [...stage.reads, ...stage.readsOwn].filter((one) => one === reading || one === reading.split('.')[0] || one.startsWith(`${reading}.`));
        if (named.length === 0) undeclared.add(`${stage.name}: ${reading}`);
      }),
    });
    for (const stage of STAGES)
      spied.set(stage, {
        ...stage,
        needs: spyNeeds(stage.needs),
        across: spyNeeds(stage.across),
        uses: spyNeeds(stage.uses),
        start: (inputs) => {
          const running = stage.start(watch(stage, inputs));
          return {
            get result() {
              return running.result;
            },
            run: (touched, now, results, reads) => running.run(touched, watch(stage, now), results, reads),
          };
        },
      });
    const document = applyChange(
      START,
      all([
        ...Object.keys(PAGES).map((id) => set('pages', id, 'phrase', 'old books')),
        set('sitemap', '', 'on', true),
        set('sitemap', '', 'rss', true),
        set('pages', 'a/index.html', 'ending', 'moved'),
        set('rules', 'r', 'path', '/b'),
        set('rules', 'r', 'inMap', true),
        set('directives', 'rule:r\n*', 'follow', 'no'),
        set('directives', 'files:h\n*', 'intent', 'out'),
        set('headers', 'h', 'path', '.pdf'),
        set('kinds', 'page', 'title', PATTERN),
        set('repairs', '/gone/', 'to', '/b/'),
        set('passages', 'a/index.html\n150', 'now', 'x'),
        set('alts', 'index.html\n150', 'now', 'x'),
        set('ignored', 'a/index.html\ndescription-same', 'reason', 'mine'),
        set('extras', 'https://a.example/added', 'at', 'now'),
        set('visitors', '', 'audience', 'draft'),
        set('claims', 'skerry', 'name', 'x'),
        set('releases', '2', 'at', '2026-01-01'),
        set('snippets', 's', 'code', '<i></i>'),
      ]),
    );
    const survey = surveyOf(START);
    const { pages } = (survey as unknown as { inputs: SiteInputs }).inputs;
    const files = new Map(FILES.map((file) => [file.path, file]));
    const inputs = { document, manifest: MANIFEST, measures: new Map(), meanings: new Map(), pages, files, imported: IMPORTED, now: NOW };
    const stages = new Stages([...spied.values()], inputs);
    for (const stage of spied.values()) {
      const result = stages.result(stage);
      if (typeof result === 'function') (result as () => unknown)();
    }
    expect([...undeclared].sort()).toEqual([]);
  });
});

describe('stages', () => {
  const document = emptyDocument();
  const records = new Map(
    ['a', 'b', 'c'].map((id, at) => [
      id,
      { id, at, source: factsOf('x'), hrefs: [], unfollowed: [], guess: 'page' as const, fed: undefined, ownName: undefined },
    ]),
  );
  const inputs: SiteInputs = {
    document,
    manifest: undefined,
    measures: new Map(),
    meanings: new Map(),
    pages: records,
    files: new Map(),
    imported: { robots: undefined, maps: {} },
    now: NOW,
  };
  const changed = (change: Change): SiteInputs => ({ ...inputs, document: applyChange(inputs.document, change) });
  /** A title in capitals, an index of pages by it, how many there are, and how often each was made. */
  const built = () => {
    const made: string[] = [];
    const capitals = pageStage({
      name: 'capitals',
      readsOwn: ['pages.title'],
      make: (now) => (page) => {
        made.push(page.id);
        return (now.document.tables.pages[page.id]?.title ?? '').toUpperCase();
      },
    });
    const index = indexStage({
      name: 'index',
      needs: { capitals },
      start: () => new Map<string, string>(),
      put:
        (map, _inputs, { capitals }) =>
        ({ id }) => {
          const before = [...map].filter(([, title]) => title === map.get(id)).map(([other]) => other);
          map.set(id, capitals.get(id) ?? '');
          return [id, ...before, ...[...map].filter(([, title]) => title === map.get(id)).map(([other]) => other)];
        },
    });
    const alone = pageStage({
      name: 'alone',
      needs: { index },
      make:
        (_now, { index }) =>
        (page) =>
          [...index.values()].filter((one) => one === index.get(page.id)).length === 1,
    });
    const total = siteStage({ name: 'total', across: { capitals }, make: (_now, { capitals }) => [...capitals.all()].join('') });
    const lazy = lazyStage({ name: 'lazy', across: { total }, make: (_now, { total }) => total.length });
    return { made, capitals, index, alone, total, lazy, list: [capitals, index, alone, total, lazy] as const };
  };
  it('look again only at what was touched, and tell only what came out otherwise', () => {
    const { list, made, capitals, alone, total, lazy } = built();
    const stages = new Stages(list, inputs);
    expect(made).toEqual(['a', 'b', 'c']);
    const one = set('pages', 'b', 'title', 'x');
    expect(stages.take(changed(one), { change: one }, capitals)).toEqual(new Set(['b']));
    expect(made).toEqual(['a', 'b', 'c', 'b']);
    expect([...stages.result(alone)]).toEqual([
      ['a', false],
      ['b', true],
      ['c', false],
    ]);
    expect([stages.result(total), stages.result(lazy)()]).toEqual(['X', 1]);
    // The same letter in another size: capitals are the same, and nobody behind them is asked.
    const same = set('pages', 'b', 'title', 'X');
    expect(stages.take(changed(same), { change: same }, alone)).toEqual(new Set());
    const unread = set('pages', 'b', 'phrase', 'y');
    expect(stages.take(changed(unread), { change: unread }, capitals)).toEqual(new Set());
    expect(made).toEqual(['a', 'b', 'c', 'b', 'b']);
  });
  it('tell of others that one page bears on', () => {
    const { list, alone } = built();
    const stages = new Stages(list, inputs);
    const both = all([set('pages', 'a', 'title', 'q'), set('pages', 'b', 'title', 'r')]);
    expect(stages.take(changed(both), { change: both }, alone)).toEqual(new Set(['a', 'b', 'c']));
  });
  it('that stand before what they need are refused', () => {
    const { list } = built();
    expect(() => new Stages([...list].reverse(), inputs)).toThrow(/stands before/);
  });
  it('that change by their own doing are told', () => {
    const { list, index, alone } = built();
    const stages = new Stages(list, inputs);
    stages.result(index).set('c', 'other');
    expect(stages.tell(index, new Set(['c']), alone)).toEqual(new Set(['c']));
    const odd = siteStage({ name: 'odd', make: () => 0, differs: always });
    expect(() => stages.result(odd)).toThrow(/not among/);
  });
});

describe('pages that are known from a list alone', () => {
  it('are said to be not looked at, and count as found by nobody, until the live site was looked at or a release went out', () => {
    const site = testSite(
      { 'index.html': '<title>A</title><a href=/b.html>b</a>', 'b.html': '<title>B</title><h1>B</h1>' },
      { changes: [set('facts', '', 'fromList', true)] },
    );
    const states = (): readonly string[] => site.survey.rows().map(({ state }) => state);
    expect(states()).toEqual(['unseen', 'unseen']);
    expect(site.survey.numbers()).toMatchObject({ found: 0, foundAfterRelease: 0, states: { unseen: 2 } });
    site.change(set('looks', '', 'at', '2026-11-25T10:00:00.000Z'));
    expect(states()).not.toContain('unseen');
    site.change(set('looks', '', 'at', null));
    expect(states()).toEqual(['unseen', 'unseen']);
    site.change(set('releases', '1', 'to', 'host'));
    expect(states()).not.toContain('unseen');
  });
});
