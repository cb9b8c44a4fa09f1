import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PageEdit } from '../page/index.ts';
import { all, applyChange, directivesKey, emptyDocument, invert, passageKey, set, type Change } from '../site/index.ts';
import { testSite } from '../testing/site.ts';
import { runs } from '../testing/effort.ts';
import {
  canWait,
  compareWithRelease,
  editKey,
  fieldChanges,
  heldBack,
  hostingFrom,
  hostingOf,
  itemKey,
  MANIFEST_FORMAT,
  manifestSchema,
  ownMadeAt,
  shipments,
  takeFieldBack,
  takeOwnBack,
  type Held,
  type Manifest,
  type ReleaseItem,
} from './index.ts';

const text = fc.constantFrom('A', 'B', 'C');
const edit: fc.Arbitrary<PageEdit> = fc.oneof(
  text.map((word): PageEdit => ({ kind: 'title', text: word })),
  text.map((word): PageEdit => ({ kind: 'description', text: word })),
  fc.tuple(fc.constantFrom('keywords', 'skerry-proof'), text).map(([name, content]): PageEdit => ({ kind: 'meta', name, content })),
  fc.tuple(fc.constantFrom(10, 20), text).map(([start, now]): PageEdit => ({ kind: 'passage', start, was: 'x', now, links: [] })),
);
const edits = fc.uniqueArray(edit, { selector: editKey, maxLength: 4 });
const files = fc.dictionary(fc.constantFrom('index.html', 'a.html', 'b.html', 'c.css'), fc.record({ hash: fc.constantFrom('1', '2'), edits }));
const manifest = (number: number): fc.Arbitrary<Manifest> =>
  fc
    .record({
      files,
      own: fc.dictionary(fc.constantFrom('robots.txt', 'sitemap.xml'), text),
      hosting: fc.dictionary(fc.constantFrom('visitors'), fc.constantFrom('draft')),
      listed: fc.subarray(['index.html', 'a.html', 'b.html']),
    })
    .map((rest) => ({ version: MANIFEST_FORMAT.version, number, changedAt: {}, ...rest }));

describe('a release of which some things wait', () => {
  it('leaves exactly those for the next one, whole or field by field', () => {
    fc.assert(
      fc.property(manifest(1), manifest(2), fc.array(fc.nat(20), { maxLength: 6 }), fc.nat(), (last, now, picks, seed) => {
        const items = compareWithRelease(now, last);
        const held: Record<string, 'whole' | string[]> = {};
        for (const pick of picks) {
          const item = items[pick % Math.max(1, items.length)];
          if (!item || !canWait(item)) continue;
          const fields = fieldChanges(item.edits, item.before).map(({ key }) => key);
          const inPart = item.what === 'changed' && !item.source && fields.length > 1 && seed % 2 === 0;
          held[itemKey(item)] = inPart ? fields.slice(1) : 'whole';
        }
        const out = heldBack(now, last, held);
        expect(manifestSchema.parse(JSON.parse(JSON.stringify(out)))).toBeDefined();
        // What waits still is what was held, and nothing else.
        const left = compareWithRelease(now, out);
        expect(left.map(itemKey).sort()).toEqual(Object.keys(held).sort());
        for (const item of left) {
          const what = held[itemKey(item)];
          if (what !== 'whole') expect(fieldChanges(item.edits, item.before).map(({ key }) => key)).toEqual(expect.arrayContaining(what as string[]));
        }
        // What went, went whole; with nothing held it is the release as it is.
        expect(heldBack(now, last, {})).toMatchObject({ files: now.files, own: now.own, listed: now.listed });
        expect(compareWithRelease(out, last).map(itemKey)).toEqual(items.map(itemKey).filter((key) => held[key] !== 'whole'));
      }),
      { numRuns: runs(500) },
    );
  });
  it('is shipped without what is new and waits, and with what is gone and waits', () => {
    const base = { version: MANIFEST_FORMAT.version, own: {}, listed: [], changedAt: {} } as const;
    const last: Manifest = { ...base, number: 1, files: { 'old.html': { hash: '1', edits: [] } } };
    const now: Manifest = { ...base, number: 2, files: { 'new.html': { hash: '2', edits: [] }, 'index.html': { hash: '3', edits: [] } } };
    const held: Held = { 'file new.html': 'whole', 'file old.html': 'whole' };
    expect(shipments(heldBack(now, last, held)).map(({ path }) => path)).toEqual(['index.html', 'old.html']);
  });
  it('a page that moves goes with the others', () => {
    const base = { version: MANIFEST_FORMAT.version, own: {}, listed: [], changedAt: {} } as const;
    const last: Manifest = { ...base, number: 1, files: { 'a.html': { hash: '1', edits: [] } } };
    const itemAt = (to: string) => compareWithRelease({ own: {}, files: { 'a.html': { hash: '2', edits: [], to } } }, last)[0] as ReleaseItem;
    expect(canWait(itemAt('b.html'))).toBe(false);
    expect(canWait(itemAt('a.html'))).toBe(true);
  });
  it('what the host is told is read back as it was said', () => {
    const document = applyChange(
      emptyDocument(),
      all([
        set('visitors', '', 'audience', 'restricted'),
        set('visitors', '', 'password', 'quill'),
        set('headers', 'h', 'path', '.pdf'),
        set('headers', 'h', 'match', 'ends'),
        set('directives', 'files:h\n*', 'intent', 'out'),
      ]),
    );
    expect(hostingFrom(hostingOf(document))).toEqual({
      audience: 'restricted',
      password: 'quill',
      gone: [],
      headers: [{ path: '.pdf', match: 'ends', values: ['noindex'] }],
    });
    expect(hostingFrom({})).toEqual({ audience: 'public', password: undefined, headers: [], gone: [] });
  });
});

describe('one thing taken back', () => {
  const PAGE =
    '<html lang=en><head><meta http-equiv=refresh content="5; url=/a.html"><title>Page</title><meta name=description content=Old></head><body><h1>Page</h1><p>Words.</p><img src=/a.png alt=a><h1>Two</h1></body></html>';
  const start = PAGE.indexOf('<p>');
  const picture = PAGE.indexOf('<img');
  const words = (now: string): Change =>
    all([set('passages', passageKey('index.html', start), 'was', 'Words.'), set('passages', passageKey('index.html', start), 'now', now)]);
  const alt = (now: string): Change =>
    all([set('alts', passageKey('index.html', picture), 'was', 'a'), set('alts', passageKey('index.html', picture), 'now', now)]);
  const own = (field: 'title' | 'description' | 'keywords' | 'shareTitle' | 'shareText' | 'lang', value: string): Change =>
    set('pages', 'index.html', field, value);
  const CHANGES: readonly Change[] = [
    own('title', 'T'),
    own('description', 'D'),
    own('keywords', 'k'),
    own('shareTitle', 'S'),
    own('shareText', 'X'),
    own('lang', 'de'),
    set('pages', 'index.html', 'intent', 'out'),
    set('pages', 'index.html', 'canonical', 'self'),
    words('Other.'),
    alt('b'),
    set('pages', 'index.html', 'refresh', 'none'),
    set('pages', 'index.html', 'oneHeading', true),
    set('directives', directivesKey('page:index.html'), 'follow', 'no'),
    set('directives', directivesKey('page:index.html', 'SkerryBot'), 'archive', 'no'),
    all([set('claims', 'skerry', 'kind', 'tag'), set('claims', 'skerry', 'name', 'skerry-proof'), set('claims', 'skerry', 'content', 'a1b2c3d4e5')]),
    all([set('snippets', 's', 'code', '<script>1</script>'), set('snippets', 's', 'place', 'head-end')]),
  ];
  const page = directivesKey('page:index.html');
  const OTHERWISE: readonly Change[] = [
    set('pages', 'index.html', 'intent', 'list'),
    set('pages', 'index.html', 'intent', null),
    set('directives', page, 'follow', 'yes'),
    set('directives', page, 'follow', null),
    set('directives', page, 'snippet', 20),
    set('directives', page, 'snippet', -1),
    set('directives', page, 'image', 'large'),
    set('directives', page, 'until', '2027-01-31'),
    set('directives', directivesKey('page:index.html', 'SkerryBot'), 'archive', null),
    set('directives', directivesKey('page:index.html', 'SkerryBot'), 'video', 0),
    set('directives', directivesKey('kind:page'), 'translate', 'no'),
  ];
  it('is as it is out, and everything else stays as it is', () => {
    fc.assert(
      fc.property(
        fc.subarray([...CHANGES, ...OTHERWISE]),
        fc.subarray([...CHANGES, own('title', 'U'), own('description', 'E'), words('Third.'), alt('c'), ...OTHERWISE]),
        (first, second) => {
          const site = testSite({ 'index.html': PAGE });
          if (first.length > 0) site.change(all(first));
          const out = site.survey.manifestFor(1, 0);
          if (second.length > 0) site.change(all(second));
          site.survey.released(out, site.document);
          const item = site.survey.releaseItems().find(({ path }) => path === 'index.html');
          for (const field of item ? fieldChanges(item.edits, item.before) : []) {
            const back = takeFieldBack(site.document, 'index.html', field);
            if (back === undefined) {
              // What its whole kind is told the page alone cannot unsay.
              expect(field.key.split(' ')[0]).toBe('directives');
              expect(JSON.stringify(second)).toContain('kind:');
              continue;
            }
            const before = new Set(fieldChanges(item?.edits ?? [], item?.before ?? []).map(({ key }) => key));
            const now = applyChange(site.document, back);
            const anew = testSite({ 'index.html': PAGE });
            anew.survey.released(out, now);
            anew.change(
              all(
                Object.entries(now.tables).flatMap(([table, records]) =>
                  Object.entries(records).flatMap(([key, record]) =>
                    Object.entries(record).map(([name, value]) => set(table as 'pages', key, name as 'title', value as string)),
                  ),
                ),
              ),
            );
            const left = anew.survey.releaseItems().find(({ path }) => path === 'index.html');
            const after = new Set(left ? fieldChanges(left.edits, left.before).map(({ key }) => key) : []);
            before.delete(field.key);
            expect(after).toEqual(before);
          }
        },
      ),
      { numRuns: runs(60) },
    );
  });
});

describe('one thing of the program’s own taken back', () => {
  const proof = (name: string, content: string): Change =>
    all([set('claims', `x file ${name}`, 'kind', 'file'), set('claims', `x file ${name}`, 'name', name), set('claims', `x file ${name}`, 'content', content)]);
  const none = (name: string): Change => all([set('claims', `x file ${name}`, 'name', null), set('claims', `x file ${name}`, 'content', null)]);
  const CHANGES: readonly Change[] = [
    set('robots', '', 'text', 'User-agent: *\nDisallow: /x\n'),
    set('robots', '', 'text', 'User-agent: *\nDisallow: /y\n'),
    set('robots', '', 'text', null),
    proof('plinth12.html', 'plinth-site: plinth12.html'),
    proof('plinth12.html', 'plinth-site: other34.html'),
    none('plinth12.html'),
    set('facts', '', 'noticeKey', 'a1b2c3d4e5f6a7b8'),
    set('facts', '', 'noticeKey', null),
    set('facts', '', 'serverFile', true),
    set('redirects', 'old.html', 'gone', true),
    set('redirects', 'older.html', 'gone', true),
    set('redirects', 'old.html', 'gone', null),
    set('visitors', '', 'audience', 'draft'),
    all([set('visitors', '', 'audience', 'restricted'), set('visitors', '', 'password', 'quill')]),
    set('visitors', '', 'audience', null),
  ];
  const itemsOf = (site: ReturnType<typeof testSite>): readonly string[] => site.survey.releaseItems().map((item) => `${itemKey(item)} ${item.what}`);
  it('is as it is out, and everything else stays as it is; what cannot be taken back says where it is made', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...CHANGES), { maxLength: 6 }),
        fc.array(fc.constantFrom(...CHANGES), { minLength: 1, maxLength: 6 }),
        (first, second) => {
          const site = testSite({ 'index.html': '<title>Page</title><h1>Page</h1>' }, { robots: 'User-agent: *\nDisallow:\n', others: ['robots.txt'] });
          for (const change of first) site.change(change);
          const out = site.survey.manifestFor(1, 0);
          for (const change of second) site.change(change);
          site.survey.released(out, site.document);
          const items = site.survey.releaseItems().filter((item) => item.own || item.hosting);
          const before = itemsOf(site);
          for (const item of items) {
            const back = takeOwnBack(site.document, item, out);
            if (back === undefined) {
              // The file of rules follows from what else is said.
              expect(item.path).toBe('.htaccess');
              expect(ownMadeAt(item)).toEqual({ stop: 'words', view: 'exchange', way: 'redirects' });
              continue;
            }
            const inverse = invert(site.document, back);
            site.change(back);
            const rest = before.filter((one) => one !== `${itemKey(item)} ${item.what}`);
            // Addresses that are gone stand in the file of rules too, where one is written.
            expect(itemsOf(site).filter((one) => !one.includes('.htaccess'))).toEqual(rest.filter((one) => !one.includes('.htaccess')));
            site.change(inverse);
          }
        },
      ),
      { numRuns: runs(100) },
    ));
});

it('says where each file of the program’s own is made', () => {
  const site = testSite(
    {
      'index.html': '<title>Page</title><h1>Page</h1>',
      'blog/a/index.html': '<title>A</title><h1>A</h1><p>Posted on <time datetime="2026-01-02">2 January</time>',
    },
    { others: [] },
  );
  const fields = ['on', 'gzip', 'rss', 'atom', 'page', 'style'] as const;
  site.change(
    all([...fields.map((field) => set('sitemap', '', field, true)), set('pages', 'blog/a/index.html', 'kind', 'post'), set('facts', '', 'serverFile', true)]),
  );
  const made = Object.fromEntries(
    site.survey.releaseItems().flatMap((item) => (item.own ? [[item.path, `${ownMadeAt(item).stop}/${ownMadeAt(item).view}`]] : [])),
  );
  expect(made).toMatchObject({ 'robots.txt': 'doors/robots', 'sitemap.xml': 'map/map', 'sitemap.xml.gz': 'map/map' });
  for (const path of ['rss.xml', 'atom.xml', 'sitemap.html', 'sitemap.xsl', 'sitemap.css']) expect(made[path]).toBe('map/also');
  expect(Object.entries(made).filter(([path, at]) => at.startsWith('words/') && path !== '.htaccess')).toEqual([]);
});

it('a second proof of a name is one change, and the first is not lost by it', () => {
  const proof = (content: string, beside?: true) => ({ kind: 'meta' as const, name: 'x-proof', content, ...(beside ? { beside } : {}) });
  const added = fieldChanges([proof('first-1', true), proof('second-2', true)], [proof('first-1')]);
  expect(added.map(({ now, before }) => [now && 'content' in now && now.content, before])).toEqual([['second-2', undefined]]);
  const taken = fieldChanges([proof('first-1')], [proof('first-1', true), proof('second-2', true)]);
  expect(taken.map(({ now, before }) => [now, before && 'content' in before && before.content])).toEqual([[undefined, 'second-2']]);
});
