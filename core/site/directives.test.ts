import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { indexDirectives, patchPage, readSource, type PageEdit } from '../page/index.ts';
import { factsOf, sourceOf } from '../testing/html.ts';
import {
  all,
  applyChange,
  crawlerIntent,
  directiveFor,
  effectiveIntent,
  effectiveDirectives,
  emptyDocument,
  headerRules,
  headersFor,
  isOpen,
  kindIntent,
  outgoingHeaderRules,
  robotsEdits,
  DIRECTIVE_FIELDS,
  directivesKey,
  set,
  switchStory,
  takenBack,
  wantedInMap,
  type Change,
  type SiteDocument,
} from './index.ts';

const say = (scope: string, field: 'follow' | 'snippet' | 'image' | 'until' | 'intent' | 'archive', value: string | number | null, crawler = '*'): Change =>
  set('directives', directivesKey(scope, crawler), field, value as never);
const made = (...changes: Change[]): SiteDocument => applyChange(emptyDocument(), all(changes));
const PAGE = { id: 'journal/a/index.html', kind: 'post' as const };
const rule = (id: string, path: string, order = 1): Change[] => [set('rules', id, 'path', path), set('rules', id, 'order', order)];

describe('what is said', () => {
  it('holds from the page, else the first rule, else the kind, else the site, each field by itself', () => {
    const document = made(
      say('site', 'snippet', 300),
      say('site', 'image', 'large'),
      say('kind:post', 'snippet', 200),
      ...rule('late', '/journal', 2),
      ...rule('early', '/journal/a', 1),
      set('rules', 'early', 'match', 'contains'),
      say('rule:late', 'archive', 'no'),
      say('rule:late', 'snippet', 100),
      say('rule:early', 'snippet', 50),
      say(`page:${PAGE.id}`, 'follow', 'no'),
    );
    expect(effectiveDirectives(document, PAGE)).toEqual({
      follow: { value: 'no', from: 'page', rule: undefined },
      snippet: { value: 50, from: 'rule', rule: 'early' },
      archive: { value: 'no', from: 'rule', rule: 'late' },
      image: { value: 'large', from: 'site', rule: undefined },
    });
    expect(effectiveDirectives(document, { id: 'b.html', kind: 'page' }).snippet).toEqual({ value: 300, from: 'site', rule: undefined });
    expect(effectiveDirectives(document, PAGE, 'PloverBot')).toEqual({});
  });
  it('to one crawler about one page writes nothing into pages that nobody spoke of, whatever they are for', () => {
    const facts = factsOf('<title>x</title>');
    const spoken = made(say('page:a.html', 'intent', 'out', 'SkerryBot'), say('page:a.html', 'snippet', 20, 'PloverBot'));
    const edits = (document: SiteDocument, id: string, kind: 'page' | 'tag') => robotsEdits(document, { id, kind, facts });
    expect(edits(spoken, 'a.html', 'page').map((edit) => edit.kind === 'directives' && edit.name)).toEqual(['ploverbot', 'skerrybot']);
    for (const kind of ['page', 'tag'] as const) expect(edits(spoken, 'b.html', kind)).toEqual([]);
    // A page that is kept from all says it once, to all.
    const out = applyChange(spoken, set('pages', 'b.html', 'intent', 'out'));
    expect(edits(out, 'b.html', 'page')).toEqual([{ kind: 'noindex', on: true }]);
  });
  it('of intent likewise; a word for one crawler only keeps out', () => {
    const document = made(set('kinds', 'post', 'intent', 'list'), ...rule('r', '/journal'), say('rule:r', 'intent', 'out'));
    expect(effectiveIntent(document, PAGE.id, 'post')).toEqual({ intent: 'out', from: 'rule', rule: 'r' });
    expect(effectiveIntent(applyChange(document, set('pages', PAGE.id, 'intent', 'list')), PAGE.id, 'post')).toEqual({ intent: 'list', from: 'page' });
    const one = made(say('kind:post', 'intent', 'out', 'PloverBot'));
    expect([crawlerIntent(one, PAGE.id, 'post', 'PloverBot').intent, crawlerIntent(one, PAGE.id, 'post', 'SkerryBot').intent]).toEqual(['out', 'list']);
    const against = made(set('pages', PAGE.id, 'intent', 'out'), say(`page:${PAGE.id}`, 'intent', 'list', 'PloverBot'));
    expect(crawlerIntent(against, PAGE.id, 'post', 'PloverBot').intent).toBe('out');
  });
  it('by default lists what people look for, and keeps archives and the page for errors out', () => {
    expect((['post', 'page', 'category', 'tag', 'author', 'date'] as const).map((kind) => kindIntent(emptyDocument(), kind).intent)).toEqual([
      'list',
      'list',
      'list',
      'out',
      'out',
      'out',
    ]);
    expect(effectiveIntent(emptyDocument(), '404.html', 'page')).toEqual({ intent: 'out', from: 'default' });
  });
  it.each([
    ['follow', 'no', 'nofollow'],
    ['follow', 'yes', ''],
    ['snippet', 0, 'nosnippet'],
    ['snippet', 50, 'max-snippet:50'],
    ['snippet', -1, ''],
    ['image', 'none', 'max-image-preview:none'],
    ['video', 0, 'max-video-preview:0'],
    ['video', -1, ''],
    ['archive', 'no', 'noarchive'],
    ['translate', 'no', 'notranslate'],
    ['pictures', 'no', 'noimageindex'],
    ['until', '2027-01-01', 'unavailable_after: 2027-01-01'],
    ['until', '', ''],
  ] as const)('%s %s is written as “%s”', (field, value, word) => expect(directiveFor(field, value)).toBe(word));
});

describe('written into a page', () => {
  const written = (html: string, document: SiteDocument): string => {
    const source = sourceOf(html);
    const edits: PageEdit[] = robotsEdits(document, { ...PAGE, facts: factsOf(html) });
    const patched = patchPage(source, factsOf(html), edits);
    if (!patched.ok) throw new Error(patched.reason);
    return new TextDecoder().decode(patched.bytes);
  };
  it.each<[string, SiteDocument, string, string]>([
    ['nothing said, nothing written', made(), '<meta name=robots content="noindex, max-snippet:20">', '<meta name=robots content="noindex, max-snippet:20">'],
    [
      'a limit of its own',
      made(say('kind:post', 'snippet', 50)),
      '<meta name=robots content="nofollow, max-snippet:20">',
      '<meta name=robots content="max-snippet:50, nofollow">',
    ],
    ['a limit taken away', made(say('kind:post', 'snippet', -1)), '<meta name=robots content="max-snippet:20">', ''],
    [
      'one tag for both',
      made(set('pages', PAGE.id, 'intent', 'out'), say('site', 'archive', 'no')),
      '<title>T</title>',
      '<title>T</title><meta name="robots" content="noindex, noarchive">',
    ],
    [
      'one crawler kept out',
      made(say(`page:${PAGE.id}`, 'intent', 'out', 'PloverBot')),
      '<title>T</title>',
      '<title>T</title><meta name="ploverbot" content="noindex">',
    ],
    [
      'a second tag does not contradict',
      made(say('site', 'snippet', 50)),
      '<meta name=robots content=index><meta name=robots content=nosnippet>',
      '<meta name=robots content="max-snippet:50, index">',
    ],
    [
      'listed again, the rest of it kept',
      made(set('pages', PAGE.id, 'intent', 'list')),
      '<meta name=robots content="noindex, noarchive, x-own">',
      '<meta name=robots content="noarchive, x-own">',
    ],
  ])('%s', (_, document, before, after) => expect(written(before, document)).toBe(after));
  it('says what was meant on any page, once, and leaves all else alone', () => {
    const words = fc.array(fc.constantFrom('noindex', 'none', 'nofollow', 'max-snippet:20', 'nosnippet', 'noarchive', 'max-image-preview:none', 'own-word'), {
      maxLength: 4,
    });
    const tags = fc.array(fc.record({ name: fc.constantFrom('robots', 'SkerryBot', 'ploverbot', 'description'), words }), { maxLength: 3 });
    const document = fc.record({
      intent: fc.constantFrom('list' as const, 'out' as const),
      snippet: fc.constantFrom(0, 50, -1),
      follow: fc.constantFrom('yes', 'no'),
    });
    fc.assert(
      fc.property(tags, document, (metas, { intent, snippet, follow }) => {
        const html = `<html lang=en><head>\n<title>T</title>\n${metas.map(({ name, words: said }) => `<meta name=${name} content="${said.join(', ')}">\n`).join('')}</head><body><p>x</p></body></html>`;
        const site = made(set('pages', PAGE.id, 'intent', intent), say('site', 'snippet', snippet), say('kind:post', 'follow', follow));
        const after = written(html, site);
        const said = (text: string, name: string) =>
          indexDirectives(
            factsOf(text)
              .metas.filter((meta) => meta.name === name)
              .map((meta) => meta.content ?? '')
              .join(', '),
          );
        expect(said(after, 'robots')).toMatchObject({
          noindex: intent === 'out',
          nofollow: follow === 'no',
          nosnippet: snippet === 0,
          noarchive: said(html, 'robots').noarchive,
        });
        if (intent === 'list') expect([said(after, 'skerrybot').noindex, said(after, 'ploverbot').noindex]).toEqual([false, false]);
        expect(factsOf(after).titles[0]?.text).toBe('T');
        expect(written(after, site)).toBe(after);
        const reading = readSource(sourceOf(after));
        expect(reading.ok).toBe(true);
      }),
    );
  });
  it('is taken back with everything else that waits for the page', () => {
    const document = made(say(`page:${PAGE.id}`, 'snippet', 50), say('kind:post', 'snippet', 20), set('pages', PAGE.id, 'canonical', 'self'));
    const back = applyChange(document, all(takenBack(document, PAGE.id)));
    expect(back.tables.directives).toEqual({ [directivesKey('kind:post')]: { snippet: 20 } });
    expect(back.tables.pages).toEqual({});
  });
});

describe('headers for files', () => {
  const document = made(
    set('headers', 'b', 'path', '/staff'),
    set('headers', 'b', 'match', 'below'),
    set('headers', 'b', 'order', 2),
    set('headers', 'a', 'path', '.PDF'),
    set('headers', 'a', 'order', 1),
    say('files:a', 'intent', 'out'),
    say('files:a', 'snippet', 0),
    say('files:a', 'archive', 'no', 'PloverBot'),
    say('files:b', 'follow', 'no'),
  );
  it('come from the rules that catch a path, in their order', () => {
    const rules = headerRules(document);
    expect(rules.map(({ path, match, values }) => [path, match, values])).toEqual([
      ['.PDF', 'ends', ['noindex, nosnippet', 'PloverBot: noarchive']],
      ['/staff', 'below', ['nofollow']],
    ]);
    expect(headersFor(rules, '/staff/rota.pdf')).toEqual(['noindex, nosnippet', 'PloverBot: noarchive', 'nofollow']);
    expect(headersFor(rules, '/a.txt')).toEqual([]);
  });
});

describe('headers while the site is shut', () => {
  it('keep documents out too, and leave pages to their own tags', () => {
    const shut = made(set('siteSwitch', '', 'open', false), ...[set('headers', 'a', 'path', '.pdf'), say('files:a', 'archive', 'no')]);
    expect(headersFor(outgoingHeaderRules(shut), '/prices.PDF')).toEqual(['noindex', 'noarchive']);
    expect(headersFor(outgoingHeaderRules(shut), '/prices/')).toEqual([]);
    expect(headersFor(outgoingHeaderRules(applyChange(shut, set('siteSwitch', '', 'plan', 'next-release'))), '/prices.pdf')).toEqual(['noarchive']);
  });
});

describe('the switch', () => {
  const release = (number: number, open: boolean): Change[] => [
    set('releases', String(number), 'open', open),
    set('releases', String(number), 'at', `2026-11-0${number}T10:00:00Z`),
  ];
  const shut = [set('siteSwitch', '', 'open', false), set('siteSwitch', '', 'since', '2026-11-20T10:00:00Z')];
  it('is open where nobody turned it', () =>
    expect(switchStory(made())).toEqual({ here: 'open', live: undefined, since: undefined, shutBy: undefined, opensOn: undefined }));
  it('shut here is not shut out there until it is released', () => {
    expect(switchStory(made(...shut, ...release(1, true)))).toMatchObject({ here: 'shut', live: 'open', shutBy: undefined });
  });
  it('tells which release shut it, and how many went out since', () => {
    expect(switchStory(made(...shut, ...release(1, true), ...release(2, false), ...release(3, false), ...release(4, false)))).toMatchObject({
      live: 'shut',
      shutBy: { release: 2, at: '2026-11-02T10:00:00Z', releases: 3 },
    });
    expect(switchStory(made(...shut, ...release(1, false)))).toMatchObject({ shutBy: { release: 1, releases: 1 } });
  });
  it('planned to be opened goes out open, and is told as shut until then', () => {
    const planned = made(...shut, set('siteSwitch', '', 'plan', 'next-release'));
    expect([switchStory(planned).here, isOpen(planned), isOpen(made(...shut))]).toEqual(['planned', true, false]);
  });
});

describe('a place in the map', () => {
  it.each<[string, SiteDocument, boolean, string]>([
    ['follows the intent', made(), true, 'intent'],
    ['never for what stays out', made(set('pages', PAGE.id, 'intent', 'out'), set('pages', PAGE.id, 'inMap', true)), false, 'intent'],
    ['kind', made(set('kinds', 'post', 'inMap', false)), false, 'kind'],
    ['rule over kind', made(set('kinds', 'post', 'inMap', false), ...rule('r', '/journal'), set('rules', 'r', 'inMap', true)), true, 'rule'],
    ['page over rule', made(...rule('r', '/journal'), set('rules', 'r', 'inMap', true), set('pages', PAGE.id, 'inMap', false)), false, 'page'],
  ])('%s', (_, document, wanted, from) => expect(wantedInMap(document, PAGE)).toEqual({ wanted, from }));
});

it('every field that can be said has a directive for each of its values', () => {
  for (const field of DIRECTIVE_FIELDS) expect(typeof directiveFor(field, field === 'snippet' || field === 'video' ? 1 : 'no')).toBe('string');
});
