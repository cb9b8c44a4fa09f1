import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeSource, sameBytes } from '../source/index.ts';
import { page } from '../testing/html.ts';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { readDataBlock } from './data-nodes.ts';
import { documentTitle, metaDescription, passagesIn, patchPage, readPage, readSource, robotsMetas, type PageEdit, type PageFacts } from './index.ts';

function patch(html: string | Uint8Array, edits: readonly PageEdit[], charset?: string) {
  const source = decodeSource(typeof html === 'string' ? new TextEncoder().encode(html) : html, charset ?? (typeof html === 'string' ? 'utf-8' : undefined));
  const reading = readSource(source);
  if (!reading.ok) throw new Error(reading.reason);
  return { source, facts: reading.facts, result: patchPage(source, reading.facts, edits) };
}
function patched(html: string, ...edits: PageEdit[]): string {
  const { result } = patch(html, edits);
  if (!result.ok) throw new Error(result.reason);
  return new TextDecoder().decode(result.bytes);
}

const text = fc.string({ unit: fc.constantFrom('a', 'é', '&', '<', '>', '"', "'", '日', '𝄞', '&amp;', '</title>', '$', '-->') }).map((value) => value.trim());
const edit: fc.Arbitrary<PageEdit> = fc.oneof(
  text.map((value): PageEdit => ({ kind: 'title', text: value })),
  text.map((value): PageEdit => ({ kind: 'description', text: value })),
  fc.boolean().map((on): PageEdit => ({ kind: 'noindex', on })),
  fc.constant<PageEdit>({ kind: 'no-refresh' }),
  text.map((content): PageEdit => ({ kind: 'meta', name: 'skerry-proof', content })),
  text.map((name): PageEdit => ({
    kind: 'json-ld',
    graph: { '@context': 'https://schema.org', '@graph': [{ '@id': 'https://a.example/#website', ...{ name } }] },
  })),
);

/** What an edit is not allowed to touch. */
const others = (facts: PageFacts) => ({
  lang: facts.lang,
  headings: facts.headings.map((one) => one.text),
  anchors: facts.anchors.map(({ href, text: label }) => [href, label]),
  images: facts.images.map((one) => [one.src, one.alt]),
  links: facts.linkTags.map((one) => [one.rel, one.href, one.inHead]),
  words: facts.wordCount,
  paragraphs: facts.paragraphs,
  laterTitles: facts.titles.slice(1).map((one) => one.text),
  base: facts.base,
});

describe('a page that sends its visitors on', () => {
  it.each<[string, string, string]>([
    ['on a line of its own', '<head>\n  <title>A</title>\n  <meta http-equiv="refresh" content="0; url=/b/">\n</head>', '<head>\n  <title>A</title>\n</head>'],
    ['twice, also in the body', '<meta HTTP-EQUIV=Refresh content="5,/b/"><p>x<meta http-equiv=refresh content=0;URL=c>y', '<p>xy'],
    ['only to itself, as it loads anew', '<meta http-equiv=refresh content=30><p>x', '<meta http-equiv=refresh content=30><p>x'],
    ['not at all', '<meta http-equiv=content-type content="text/html"><p>x', '<meta http-equiv=content-type content="text/html"><p>x'],
  ])('%s', (_, before, after) => expect(patched(before, { kind: 'no-refresh' })).toBe(after));
});

describe('patching', () => {
  it('with nothing to change gives equal bytes', () => {
    fc.assert(
      fc.property(page, (html) => {
        const { source, facts } = patch(html, []);
        const title = documentTitle(facts);
        const same: PageEdit[] = [
          { kind: 'description', text: metaDescription(facts)?.content ?? '' },
          ...(title ? [{ kind: 'title', text: title.text } as const] : []),
        ];
        const result = patchPage(source, facts, same);
        expect(result.ok && result.bytes).toBe(source.bytes);
      }),
    );
  });

  it.each([
    ['a stray html tag in the body is no place for a tag of the head', '<!--><dd>one<html><html name=x>two', '<!-->'],
    ['nor is what only looks like a comment', '<!--><p>one <!--->two', '<!-->'],
  ])('%s', (_, html, before) => {
    const { result } = patch(html, [{ kind: 'description', text: 'D' }]);
    expect(result.ok && new TextDecoder().decode(result.bytes)).toBe(`${before}<meta name="description" content="D">${html.slice(before.length)}`);
  });

  it('says what was meant and leaves all other facts alone', () => {
    let done = 0;
    fc.assert(
      fc.property(page, edit, (html, one) => {
        const { source, facts, result } = patch(html, [one]);
        if (!result.ok) return void expect(result.reason).toBe('head-cannot-take-it');
        done++;
        const again = readSource({ ...source, bytes: result.bytes, text: new TextDecoder('utf-8', { ignoreBOM: true }).decode(result.bytes) });
        if (!again.ok) throw new Error(again.reason);
        if (one.kind === 'title') expect(documentTitle(again.facts)?.text ?? '').toBe(one.text);
        if (one.kind === 'description') expect(metaDescription(again.facts)?.content ?? '').toBe(one.text);
        expect({ ...others(again.facts), laterTitles: 0 }).toEqual({ ...others(facts), laterTitles: 0 });
      }),
      { numRuns: runs(1500) },
    );
    expect(done).toBeGreaterThan(runs(1500) / 2);
  });

  it.each([
    ['<title>Old</title>', { kind: 'title', text: 'A & B <i>' }, '<title>A &amp; B <i></title>'.replace('<i>', '&lt;i>')],
    ['<meta name=description content=old>', { kind: 'description', text: 'say "x"' }, '<meta name=description content="say &quot;x&quot;">'],
    ["<meta name=description content='old'>", { kind: 'description', text: "it's" }, "<meta name=description content='it&#39;s'>"],
    ['<meta name="description">', { kind: 'description', text: 'x' }, '<meta content="x" name="description">'],
    ['<head>\n  <title>T</title>\n</head>', { kind: 'description', text: 'D' }, '<head>\n  <title>T</title>\n  <meta name="description" content="D">\n</head>'],
    [
      '<HEAD>\r\n\t<TITLE>T</TITLE>\r\n</HEAD>',
      { kind: 'noindex', on: true },
      '<HEAD>\r\n\t<TITLE>T</TITLE>\r\n\t<meta name="robots" content="noindex">\r\n</HEAD>',
    ],
    ['<p>no head</p>', { kind: 'title', text: 'T' }, '<title>T</title><p>no head</p>'],
    ['<!doctype html><p>x', { kind: 'title', text: 'T' }, '<!doctype html><title>T</title><p>x'],
    ['<title>T</title>\n<meta name="robots" content="noindex">\n<p>', { kind: 'noindex', on: false }, '<title>T</title>\n<p>'],
    ['<meta name=robots content="noindex, nofollow">', { kind: 'noindex', on: false }, '<meta name=robots content="nofollow">'],
    ['<meta name=robots content="none"><meta name=skerrybot content=noindex>', { kind: 'noindex', on: false }, '<meta name=robots content="nofollow">'],
    ['<meta name=robots content="index, follow">', { kind: 'noindex', on: true }, '<meta name=robots content="noindex, follow">'],
  ] as const)('turns %j into the least', (before, one, after) => {
    expect(patched(before, one as PageEdit)).toBe(after);
  });

  it('writes character references where the page is not UTF-8, and keeps its bytes', () => {
    const raw = Uint8Array.from('<title>Caf\xe9 \x96 old</title><p>\x93caf\xe9\x94', (character) => character.charCodeAt(0));
    const { result } = patch(raw, [{ kind: 'title', text: 'Škola – čaj 日' }]);
    if (!result.ok) throw new Error(result.reason);
    expect([...result.bytes].map((byte) => String.fromCharCode(byte)).join('')).toBe(
      '<title>&#x160;kola &#x2013; &#x10D;aj &#x65E5;</title><p>\x93caf\xe9\x94',
    );
    const again = readPage(result.bytes);
    expect(again.ok && documentTitle(again.facts)?.text).toBe('Škola – čaj 日');
  });

  it.each(['windows-1252', 'shift_jis', 'gb18030', 'euc-jp', 'utf-8', 'koi8-r'])('changes only the title in %s, whatever the bytes', (charset) => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), fc.uint8Array({ maxLength: 80 }), text, (before, behind, title) => {
        const clean = (noise: Uint8Array): number[] => [...noise].filter((byte) => byte > 0x7f || byte > 0x60);
        const raw = Uint8Array.from([...Buffer.from('<head><title>'), ...clean(before), 10, ...Buffer.from('</title></head><p>'), ...clean(behind)]);
        const { result, source } = patch(raw, [{ kind: 'title', text: title }], charset);
        if (!result.ok || source.encoding.from === 'bom') return;
        const tail = Buffer.from('</title></head><p>');
        const at = Buffer.from(raw).indexOf(tail);
        const after = Buffer.from(result.bytes).indexOf(tail);
        expect(sameBytes(result.bytes.subarray(after), raw.subarray(at))).toBe(true);
        expect(sameBytes(result.bytes.subarray(0, 13), raw.subarray(0, 13))).toBe(true);
      }),
      { numRuns: runs(300) },
    );
  });

  it.each<[string, (count: number) => string, (source: ReturnType<typeof decodeSource>, facts: PageFacts) => PageEdit[], string?]>([
    ['scripts', (count) => `<head>${'<script type=application/ld+json>{}</script>'.repeat(count)}`, () => [{ kind: 'title', text: 'x' }]],
    ['robots metas', (count) => '<meta name=robots content=noindex>'.repeat(count), () => [{ kind: 'noindex', on: false }]],
    ['refreshes', (count) => '<meta http-equiv=refresh content="0;url=/a">'.repeat(count), () => [{ kind: 'no-refresh' }]],
    ['pictures', (count) => '<img src=a>'.repeat(count), (_, facts) => facts.images.map(({ tag }) => ({ kind: 'alt', start: tag.start, was: null, now: 'x' }))],
    [
      'passages',
      (count) => '<p>some words</p>'.repeat(count),
      ({ text: source }) => passagesIn(source).map(({ start, text: was }) => ({ kind: 'passage', start, was, now: 'others', links: [] })),
    ],
    [
      'links',
      (count) => '<a href=/old/>x</a>'.repeat(count),
      () => [{ kind: 'addresses', origin: 'https://a.example', page: { from: '/', to: '/' }, moved: [{ from: '/old/', to: '/new/' }] }],
    ],
    [
      'passages in Shift_JIS',
      (count) => '<p>\u0093\u00fa\u0096\u007b words</p>'.repeat(count),
      ({ text: source }) => passagesIn(source).map(({ start, text: was }) => ({ kind: 'passage', start, was, now: was.replace('words', 'more'), links: [] })),
      'shift_jis',
    ],
  ])('takes time in proportion to the page: thousands of %s', SLOW, (_, make, edits, charset) =>
    expectInProportion({
      small: 500,
      times: 8,
      make: (count) =>
        decodeSource(
          Uint8Array.from(make(count), (character) => character.charCodeAt(0)),
          charset ?? 'utf-8',
        ),
      work: (source) => {
        const reading = readSource(source);
        if (!reading.ok) throw new Error(reading.reason);
        expect(patchPage(source, reading.facts, edits(source, reading.facts)).ok).toBe(true);
      },
    }),
  );

  it.each([
    ['<?xml version="1.0" encoding="utf-8"?><p>x', '<?xml version="1.0" encoding="utf-8"?><title>N</title><p>x'],
    ['<?php if ($a > 1) { ?>\n<p>x', '<?php if ($a > 1) { ?>\n<title>N</title>\n<p>x'],
    ['<% layout "a" %><!-- by hand --><p>x', '<% layout "a" %><!-- by hand --><title>N</title><p>x'],
    ['<!doctype html>\n<p>x', '<!doctype html>\n<title>N</title>\n<p>x'],
    ['<p>x', '<title>N</title><p>x'],
  ])('puts nothing in front of what must stand first: %j', (before, after) => expect(patched(before, { kind: 'title', text: 'N' })).toBe(after));

  it('refuses a head that swallows what is written, and leaves the page alone', () => {
    expect(patch('<meta charset=utf-8><title>never closed', [{ kind: 'description', text: 'x' }]).result).toEqual({ ok: false, reason: 'head-cannot-take-it' });
    expect(patch(new Uint8Array([0xff, 0xfe, 0x3c, 0, 0x70, 0, 0x3e, 0]), [{ kind: 'title', text: 'x' }]).result).toEqual({ ok: false, reason: 'utf-16' });
  });

  it('keeps JSON from ending its script, and replaces a block of its own', () => {
    const graph = (name: string): PageEdit => ({
      kind: 'json-ld',
      graph: { '@context': 'https://schema.org', '@graph': [{ '@id': 'https://a.example/#website', ...{ name } }] },
    });
    const once = patched('<head>\n</head>', graph('</script><b>'));
    expect(once).toContain('\\u003c/script>');
    const twice = patched(once, graph('Second'));
    expect(twice.match(/ld\+json/g)).toHaveLength(1);
    expect(twice).toContain('Second');
  });

  it('says the encoding in front of all else, in lines where there are lines', () => {
    const say = (html: string): string => {
      const { result } = patch(new TextEncoder().encode(html), [{ kind: 'charset' }]);
      return result.ok ? new TextDecoder().decode(result.bytes) : result.reason;
    };
    expect(say('<head>\n  <!-- ü -->\n  <title>ü</title>\n</head>')).toBe('<head>\n  <!-- ü -->\n  <meta charset="utf-8">\n  <title>ü</title>\n</head>');
    expect(say('<title>ü</title><meta name=a>')).toBe('<meta charset="utf-8"><title>ü</title><meta name=a>');
    expect(say('<p>ü')).toBe('<meta charset="utf-8"><p>ü');
    expect(say(`<!--${'x'.repeat(1100)}--><p>ü`)).toBe('head-cannot-take-it');
  });
  it('keeps the word about the encoding where all look for it, however long a title becomes', () => {
    for (const charset of ['utf-8', 'koi8-r', 'shift_jis']) {
      const html = `<head>\n<title>T</title>\n<meta charset="${charset}">\n</head><p>x`;
      const long = 'word '.repeat(300).trim();
      const { result } = patch(new TextEncoder().encode(html), [{ kind: 'title', text: long }], '');
      if (!result.ok) throw new Error(result.reason);
      const again = decodeSource(result.bytes);
      expect([again.encoding.name, again.encoding.from, again.text.startsWith(`<head>\n<meta charset="${charset}">\n<title>${long}</title>`)]).toEqual([
        charset,
        'meta',
        true,
      ]);
    }
  });

  describe('writes who is behind the site', () => {
    const OWNER = { '@type': 'Organization', '@id': 'https://a.example/#organization', name: 'Bindery' };
    const SITE = { '@type': 'WebSite', '@id': 'https://a.example/#website', name: 'A' };
    const write: PageEdit = { kind: 'json-ld', graph: { '@context': 'https://schema.org', '@graph': [OWNER, SITE] } };
    const block = (value: unknown): string => `<script type="application/ld+json">${typeof value === 'string' ? value : JSON.stringify(value)}</script>`;
    const nodes = (html: string): unknown[] =>
      patch(html, []).facts.jsonLd.flatMap(({ text: json }) => readDataBlock(json)?.nodes.map(({ value }) => value) ?? []);
    const FAQ = { '@type': 'FAQPage', '@id': 'https://a.example/#faq', mainEntity: [{ '@type': 'Question', name: 'Who?' }] };
    const TRAIL = { '@type': 'BreadcrumbList', itemListElement: [] };
    it.each<[string, string, unknown[]]>([
      ['with nothing there', '', [OWNER, SITE]],
      ['beside other blocks', block(FAQ), [FAQ, OWNER, SITE]],
      [
        'in place of what we wrote before',
        block({ '@context': 'https://schema.org', '@graph': [{ ...OWNER, name: 'Old', telephone: '+1' }, SITE] }),
        [OWNER, SITE],
      ],
      [
        'among other nodes of the graph',
        block({ '@context': 'https://schema.org', '@graph': [FAQ, { ...OWNER, name: 'Old' }, TRAIL] }),
        [FAQ, OWNER, TRAIL, SITE],
      ],
      [
        'keeping what else was said of it',
        block({ '@context': 'https://schema.org', '@graph': [{ ...OWNER, '@type': 'BookStore', name: 'Old', openingHours: 'Mo' }, FAQ] }),
        [{ ...OWNER, '@type': 'BookStore', openingHours: 'Mo' }, FAQ, SITE],
      ],
      [
        'under an id told from the page',
        block({ '@context': ['https://schema.org/', { a: 'b' }], '@id': '#organization', '@type': 'Organization', vatID: 'X' }),
        [{ '@context': ['https://schema.org/', { a: 'b' }], ...OWNER, '@id': '#organization', vatID: 'X' }, SITE],
      ],
      [
        'in a list of nodes',
        block([{ '@context': 'http://schema.org', ...SITE, name: 'Old', potentialAction: { '@type': 'SearchAction' } }, FAQ]),
        [{ '@context': 'http://schema.org', ...SITE, potentialAction: { '@type': 'SearchAction' } }, FAQ, OWNER],
      ],
      ['not in words of another vocabulary', block({ '@context': 'https://other.example', '@graph': [OWNER] }), [OWNER, OWNER, SITE]],
      ['beside what is no JSON', block('{"@id":"https://a.example/#organization",}'), [OWNER, SITE]],
      [
        'over several lines, however they end',
        block(JSON.stringify({ '@context': 'https://schema.org', '@graph': [FAQ, { ...OWNER, name: 'Old' }] }, null, 2).replace(/\n/g, '\r\n')),
        [FAQ, OWNER, SITE],
      ],
    ])('%s', (_, before, after) => {
      const html = `<head>${before}\n</head>`;
      const written = patched(html, write);
      expect(nodes(written)).toHaveLength(after.length);
      for (const node of after) expect(nodes(written)).toContainEqual(node);
      // Once it says so, nothing is written any more.
      expect(patched(written, write)).toBe(written);
    });
    it('whatever else a page says of itself', () => {
      const other = fc.record({ '@type': fc.constantFrom('Thing', 'Event'), name: fc.string(), about: fc.jsonValue() });
      const owner = fc.record({
        '@id': fc.constantFrom('https://a.example/#organization', '#organization', 'https://a.example/#x'),
        foundingDate: fc.string(),
      });
      fc.assert(
        fc.property(
          fc.array(fc.oneof(other, owner), { maxLength: 5 }),
          fc.constantFrom('graph', 'list'),
          fc.constantFrom(undefined, 2),
          (there, form, space) => {
            const value =
              form === 'graph' ? { '@context': 'https://schema.org', '@graph': there } : there.map((node) => ({ '@context': 'https://schema.org', ...node }));
            const written = patched(`<head>${block(JSON.stringify(value, null, space).replace(/</g, '\\u003c'))}</head>`, write);
            const said = nodes(written) as Record<string, unknown>[];
            for (const node of there as Record<string, unknown>[])
              for (const key of Object.keys(node)) expect(said.some((one) => JSON.stringify(one[key]) === JSON.stringify(node[key]))).toBe(true);
            for (const node of [OWNER, SITE]) expect(said.some((one) => one['name'] === node.name)).toBe(true);
            expect(patched(written, write)).toBe(written);
          },
        ),
      );
    });
  });

  it('adds noindex for all crawlers even where one is told already', () => {
    const html = patched('<meta name=skerrybot content=noindex>', { kind: 'noindex', on: true });
    const { facts } = patch(html, []);
    expect(robotsMetas(facts).map((meta) => meta.name)).toEqual(['skerrybot', 'robots']);
  });
});
