import { describe, expect, it } from 'vitest';
import { CHECKS, quickFixOf, type Finding, type FindingCode } from '../../core/checks/index.ts';
import { applyChange, invert, set, type Change, type SiteDocument } from '../../core/site/index.ts';
import { testSite, type TestSite } from '../../core/testing/site.ts';
import { fixFor, type FixPlaces } from './quick-fixes.ts';
import type { Workspace } from './store.ts';

const page = (title: string, head = '', body = ''): string =>
  `<!doctype html><html lang=en><head><meta charset=utf-8><title>${title}</title><meta name=description content="${title}, told in a line of its own.">${head}</head><body><h1>${title}</h1><p>Each box is cut to one book, and covered in cloth.${body}</body></html>`;
const HOME = page('Bindery by the harbour', '', '<a href=/p.html>p</a>');

/** A workspace as far as fixes go: the document, the survey, and what undo would take back. */
function bench(site: TestSite): { readonly workspace: Workspace; readonly done: Change[]; readonly labels: string[] } {
  const done: Change[] = [];
  const labels: string[] = [];
  const workspace = {
    get state() {
      return { document: site.document, rows: site.survey.rows(), byId: new Map(site.survey.rows().map((row) => [row.id, row])) };
    },
    tools: {
      analysis: {
        wayIn: async (id: string, crawler?: string) => site.survey.wayIn(id, crawler),
        robotsOpenedFor: async (paths: readonly string[]) => site.survey.robots.openedFor(paths),
      },
    },
    change: (change: Change, { label }: { label: string }) => {
      done.push(invert(site.document, change));
      labels.push(label);
      site.change(change);
    },
  };
  return { workspace: workspace as unknown as Workspace, done, labels };
}

interface Case {
  readonly html: string;
  readonly home?: string;
  readonly robots?: string;
  readonly changes?: readonly Change[];
  /** What the button says, and what the journal does. */
  readonly button: string;
  readonly label: string;
}

/** Findings that one press mends, each on a page that has it. */
const WHOLE: Readonly<Partial<Record<FindingCode, Case>>> = {
  'shut-out': { html: page('Boxes', '<meta name=robots content=noindex>'), button: 'Open it', label: 'Opened “Boxes”' },
  'half-hidden': {
    html: page('Tagged: boxes').replace('<h1>', '<h1>Tag: '),
    robots: 'User-agent: *\nDisallow: /p\n',
    button: 'Hide properly',
    label: 'Hid “Tag: Tagged: boxes” properly',
  },
  leaking: { html: page('Tagged: boxes'), button: 'Keep its kind out', label: 'Tags are kept out' },
  'one-engine': {
    html: page('Boxes', '<meta name=ploverbot content=noindex>'),
    button: 'Open it for Plover',
    label: 'Opened “Boxes”',
  },
  'canonical-several': {
    html: page('Boxes', '<link rel=canonical href=/p.html><link rel=canonical href=/q.html>'),
    button: 'Name its own',
    label: '“Boxes” names its own address',
  },
  'name-number': { html: page('Journal 2').replace('<h1>Journal 2', '<h1>Journal'), button: 'Take it off', label: '“Journal” has a new title' },
  'keywords-many': {
    html: page('Boxes', `<meta name=keywords content="${Array.from({ length: 40 }, (_, at) => `word${at}`).join(', ')}">`),
    button: 'Take them away',
    label: '“Boxes” has no keywords',
  },
  'charset-missing': {
    html: page('Boxes for Bücher').replace('<meta charset=utf-8>', ''),
    button: 'Say it everywhere',
    label: 'Every page says in which encoding it is written',
  },
  'address-taken': {
    html: page('Boxes'),
    changes: [set('facts', '', 'homePage', 'p.html')],
    button: 'Take the new address back',
    label: '“Boxes” has its old address again',
  },
  'second-spelling': {
    html: page('Boxes'),
    home: HOME.replace('/p.html', '/p.html?from=home').replace('</p>', ''),
    button: 'Use one address',
    label: 'Links to “Boxes” use one address',
  },
};

const NOWHERE: FixPlaces = {
  titles: [],
  descriptions: [],
  focus: () => undefined,
  goPage: () => undefined,
  goView: () => undefined,
  goMeaning: () => undefined,
  goCheck: () => undefined,
  show: () => undefined,
};
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

describe('one press mends', () => {
  it.each(Object.entries(WHOLE))('%s', async (code, { html, home = HOME, robots, changes = [], button, label }) => {
    const site = testSite({ 'index.html': home, 'p.html': html }, { changes, ...(robots === undefined ? {} : { robots }) });
    const { workspace, done, labels } = bench(site);
    const row = site.survey.row('p.html');
    const finding = row.findings.find((one) => one.code === code);
    expect(row.findings.map((one) => one.code)).toContain(code);
    const fix = fixFor(workspace, row, finding as Finding);
    expect([fix?.label, fix?.whole]).toEqual([button, true]);
    const before: SiteDocument = site.document;
    fix?.run();
    await settle();
    expect(site.survey.row('p.html').findings.map((one) => one.code)).not.toContain(code);
    expect(labels).toEqual([label]);
    // One press is one step, and undo is exact.
    expect(applyChange(site.document, done[0] as Change)).toEqual(before);
  });
  it('and there is a page here for every check that says so', () => {
    const words = new Set<FindingCode>(['title-missing', 'title-leftover', 'description-missing']);
    const whole = CHECKS.filter(({ code, fix }) => fix !== undefined && !words.has(code) && String(fix).includes('do:')).map(({ code }) => code);
    expect(Object.keys(WHOLE).sort()).toEqual([...whole].sort());
  });
});

describe('what needs hands', () => {
  const site = testSite({ 'index.html': HOME, 'p.html': page('').replace('<title></title>', '') });
  const { workspace } = bench(site);
  const row = site.survey.row('p.html');
  const finding = row.findings.find((one) => one.code === 'title-missing') as Finding;
  it('takes the page’s own words where it has some, and else leads to the field', () => {
    let went = '';
    const places = { ...NOWHERE, focus: (field: string) => void (went = field) };
    const empty = fixFor(workspace, row, finding, places);
    empty?.run();
    expect([empty?.label, empty?.whole, went]).toEqual(['Write', false, 'title']);
    const best = fixFor(workspace, row, finding, { ...NOWHERE, titles: ['Box making', 'Other'] });
    best?.run();
    expect([best?.label, best?.whole, site.document.tables.pages['p.html']?.title]).toEqual(['Use the page’s words', true, 'Box making']);
  });
  it('leads where it is done, and is no button where this screen cannot lead there', () => {
    const went: string[] = [];
    const places: FixPlaces = {
      ...NOWHERE,
      focus: (field) => void went.push(`field ${field}`),
      goPage: (id) => void went.push(`page ${id}`),
      goView: (view) => void went.push(`view ${view}`),
      goCheck: (code) => void went.push(`check ${code}`),
      show: (part) => void went.push(`part ${part}`),
    };
    const leading: readonly Finding[] = [
      { code: 'title-cut', words: 2, lastShown: 'a b' },
      { code: 'phrase-fought', phrase: 'x', pages: ['q.html'] },
      { code: 'title-same', pages: ['q.html'] },
      { code: 'links-broken', paths: ['/gone'] } as unknown as Finding,
      { code: 'heading-several', count: 2 },
    ];
    for (const one of leading) {
      expect(quickFixOf(one, '')).toHaveProperty('go');
      fixFor(workspace, row, one, places)?.run();
      expect(fixFor(workspace, row, one)).toBeUndefined();
    }
    expect(went).toEqual(['field title', 'page q.html', 'view alike', 'part links', 'check heading-several']);
  });
});
