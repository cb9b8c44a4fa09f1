import { describe, expect, it } from 'vitest';
import { applyChange, directivesKey, invert, set, type Change, type SiteDocument } from '../../core/site/index.ts';
import { testSite } from '../../core/testing/site.ts';
import * as commands from './commands.ts';
import type { Workspace } from './store.ts';

const page = (title: string, head = '', body = ''): string =>
  `<html lang=en><head><title>${title}</title>${head}</head><body><h1>${title}</h1><p>Words of this page. ${body}</body></html>`;
const SITE = {
  'index.html': page('Bindery', '', '<a href=a.html>a</a><a href="b.html?x=1">b</a><a href=shut/c.html>c</a>'),
  'a.html': page('Boxes', '<meta name=robots content=noindex>'),
  'b.html': page('Prices'),
  'shut/c.html': page('Cards', '<link rel=canonical href="https://b.example/c">'),
  'd.html': page('Alone', '<meta http-equiv=refresh content="0; url=/">'),
};
const ROBOTS = 'User-agent: *\nDisallow: /shut/\n';
const NOW = new Date('2026-11-25T10:00:00Z');

interface Done {
  readonly document: SiteDocument;
  readonly label: string;
  readonly steps: number;
}

/** Does a command on the site and gives the document, what the journal says of it, and how many steps undo has for it; undo was tried and is exact. */
async function done(run: (workspace: Workspace) => unknown, changes: readonly Change[] = []): Promise<Done> {
  const site = testSite(SITE, { changes, robots: ROBOTS });
  const undo: Change[] = [];
  let label = '';
  const before = site.document;
  const workspace = {
    get state() {
      return { document: site.document, rows: site.survey.rows(), byId: new Map(site.survey.rows().map((row) => [row.id, row])) };
    },
    tools: {
      now: () => NOW,
      analysis: {
        wayIn: async (id: string, crawler?: string) => site.survey.wayIn(id, crawler),
        robotsOpenedFor: async (paths: readonly string[]) => site.survey.robots.openedFor(paths),
      },
    },
    change: (change: Change, about: { label: string }) => {
      undo.unshift(invert(site.document, change));
      label = about.label;
      site.change(change);
    },
  };
  await run(workspace as unknown as Workspace);
  expect(undo.reduce(applyChange, site.document)).toEqual(before);
  return { document: site.document, label, steps: undo.length };
}

/** Each command: what is done, what the journal says, and what the document says then. */
const COMMANDS: Readonly<
  Record<string, { readonly run: (workspace: Workspace) => unknown; readonly changes?: readonly Change[]; readonly label: string; readonly says: object }>
> = {
  'opening a page that says noindex': {
    run: (workspace) => commands.openPage(workspace, 'a.html'),
    label: 'Opened “Boxes”',
    says: { pages: { 'a.html': { intent: 'list' } } },
  },
  'opening a page that robots.txt and its canonical shut': {
    run: (workspace) => commands.openPage(workspace, 'shut/c.html'),
    label: 'Opened “Cards”',
    says: {
      pages: { 'shut/c.html': { intent: 'list', canonical: 'self' } },
      robots: { '': { text: 'User-agent: *\n' } },
    },
  },
  'opening a page that nothing leads to, and that sends visitors on': {
    run: (workspace) => commands.openPage(workspace, 'd.html'),
    label: 'Opened “Alone”; the sitemap is written',
    says: { pages: { 'd.html': { intent: 'list', refresh: 'none', inMap: true } }, sitemap: { '': { on: true } } },
  },
  'opening a page that is linked by another spelling alone': {
    run: (workspace) => commands.openPage(workspace, 'b.html'),
    label: 'Opened “Prices”',
    says: { pages: { 'b.html': { intent: 'list' } }, repairs: { '/b.html?x=1': { to: '/b.html' } } },
  },
  'opening a page that one crawler was told to leave': {
    run: (workspace) => commands.openPage(workspace, 'a.html'),
    changes: [
      set('directives', directivesKey('page:a.html', 'PloverBot'), 'intent', 'out'),
      set('directives', directivesKey('page:a.html'), 'until', '2026-01-01'),
    ],
    label: 'Opened “Boxes”',
    says: { pages: { 'a.html': { intent: 'list' } }, directives: { 'page:a.html\n*': { until: '' } } },
  },
  'hiding pages properly': {
    run: (workspace) => commands.hideProperly(workspace, ['shut/c.html', 'a.html']),
    label: 'Hid 2 pages properly',
    says: {
      pages: { 'shut/c.html': { intent: 'out' }, 'a.html': { intent: 'out' } },
      robots: { '': { text: 'User-agent: *\n' } },
    },
  },
  'a word about what may be shown': {
    run: (workspace) => commands.say(workspace, 'page:a.html', 'snippet', 80, 'At most 80'),
    label: 'At most 80',
    says: { directives: { 'page:a.html\n*': { snippet: 80 } } },
  },
  'keeping a kind from one crawler': {
    run: (workspace) => commands.keepFrom(workspace, 'kind:post', 'PloverBot', true, 'Posts are kept from Plover'),
    label: 'Posts are kept from Plover',
    says: { directives: { 'kind:post\nPloverBot': { intent: 'out' } } },
  },
  'the intents of many pages': {
    run: (workspace) => commands.setPageIntents(workspace, ['a.html', 'b.html'], 'out'),
    label: '2 pages are kept out',
    says: { pages: { 'a.html': { intent: 'out' }, 'b.html': { intent: 'out' } } },
  },
  'the intent of a kind': {
    run: (workspace) => commands.setKindIntent(workspace, 'tag', 'list'),
    label: 'Tags are listed',
    says: { kinds: { tag: { intent: 'list' } } },
  },
  'pages out of the map': {
    run: (workspace) => commands.setInMap(workspace, ['a.html'], false),
    label: '“Boxes” stays out of the sitemap',
    says: { pages: { 'a.html': { inMap: false } } },
  },
  'the switch': {
    run: (workspace) => commands.switchSite(workspace),
    label: 'The whole site was closed',
    says: { siteSwitch: { '': { open: false, since: NOW.toISOString() } } },
  },
  'the switch, back': {
    run: (workspace) => commands.switchSite(workspace),
    changes: [set('siteSwitch', '', 'open', false), set('siteSwitch', '', 'opensOn', '2026-12-01')],
    label: 'The whole site was opened',
    says: { siteSwitch: { '': { open: true, since: NOW.toISOString() } } },
  },
  'a plan to open': {
    run: (workspace) => commands.planOpening(workspace, true),
    changes: [set('siteSwitch', '', 'open', false)],
    label: 'The next release opens the site',
    says: { siteSwitch: { '': { open: false, plan: 'next-release' } } },
  },
  'a home page': {
    run: (workspace) => commands.makeHome(workspace, 'b.html'),
    label: '“Prices” is the home page',
    says: { facts: { '': { homePage: 'b.html' } } },
  },
};

describe('a command is one step, says what it did, and is taken back exactly', () => {
  it.each(Object.entries(COMMANDS))('%s', async (_what, { run, changes = [], label, says }) => {
    const result = await done(run, changes);
    expect(result.label).toBe(label);
    expect(result.steps).toBe(1);
    const { pages, robots, sitemap, repairs, directives, kinds, siteSwitch, facts } = result.document.tables;
    const { mainAddress: _main, ...said } = facts[''] ?? {};
    const filled = { pages, robots, sitemap, repairs, directives, kinds, siteSwitch, facts: Object.keys(said).length === 0 ? {} : { '': said } };
    expect(Object.fromEntries(Object.entries(filled).filter(([, table]) => Object.keys(table).length > 0))).toEqual(says);
  });
  it('nothing is done for no page at all', async () => {
    for (const run of [
      (workspace: Workspace) => commands.setPageIntents(workspace, [], 'out'),
      (workspace: Workspace) => commands.setInMap(workspace, [], true),
      (workspace: Workspace) => commands.openPage(workspace, 'no-such.html'),
    ])
      expect((await done(run)).steps).toBe(0);
  });
});
