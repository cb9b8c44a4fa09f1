import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeBytes, decodeSource, encodeIn } from '../source/index.ts';
import { runs, SLOW } from '../testing/effort.ts';
import { page as anyPage } from '../testing/html.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { documentTitle, metaDescription, patchAsFarAsPossible, readSource, snippetOccurrences, type PageEdit, type SnippetPlace } from './index.ts';

const latin = (text: string): Uint8Array => Uint8Array.from(text, (character) => character.charCodeAt(0));
function patched(html: string | Uint8Array, edits: readonly PageEdit[], charset?: string) {
  const source = decodeSource(typeof html === 'string' ? new TextEncoder().encode(html) : html, charset);
  const reading = readSource(source);
  if (!reading.ok) throw new Error(reading.reason);
  const { bytes, left } = patchAsFarAsPossible(source, reading.facts, edits);
  return { text: decodeBytes(bytes, source.encoding.name), bytes, left, facts: reading.facts, source };
}
const snippet = (code: string, place: SnippetPlace = 'head-end', id = code): PageEdit => ({ kind: 'snippet', id, place, code });
const TITLE: PageEdit = { kind: 'title', text: 'Ours' };
const DESCRIPTION: PageEdit = { kind: 'description', text: 'What it is.' };
const NOINDEX: PageEdit = { kind: 'noindex', on: true };
const PAGE = '<!doctype html><html><head><meta charset="windows-1252"><title>A</title></head><body><p>x</p></body></html>';

describe('an edit that cannot be made takes no other with it', () => {
  it.each<[string, string, PageEdit, string]>([
    ['a letter beyond the page’s encoding in a script', PAGE, snippet('<script>say("日本")</script>'), 'not-encodable'],
    ['a letter beyond it in a comment', PAGE, snippet('<!-- 日本 --><script src=x></script>'), 'not-encodable'],
    ['a letter beyond it in a style', PAGE, snippet('<style>a::before{content:"Ł"}</style>'), 'not-encodable'],
    ['words that are not there', PAGE, { kind: 'passage', start: 3, was: 'gone', now: 'new', links: [] }, 'words-not-there'],
    ['a picture that is not there', PAGE, { kind: 'alt', start: 3, was: null, now: 'x' }, 'words-not-there'],
  ])('%s', (_, html, bad, reason) => {
    for (const edits of [
      [bad, TITLE, DESCRIPTION, NOINDEX],
      [TITLE, bad, DESCRIPTION, NOINDEX],
      [TITLE, DESCRIPTION, NOINDEX, bad],
    ]) {
      const { text, left } = patched(latin(html), edits);
      expect(left).toEqual([{ edit: bad, reason }]);
      expect(text).toContain('<title>Ours</title>');
      expect(text).toContain('<meta name="description" content="What it is.">');
      expect(text).toContain('<meta name="robots" content="noindex">');
    }
  });
  it('a page that can take none stays what it is, each with its reason', () => {
    const open = '<title>never closed';
    const { bytes, left, source } = patched(open, [TITLE, DESCRIPTION]);
    expect(bytes).toBe(source.bytes);
    expect(left.map(({ reason }) => reason)).toEqual(['head-cannot-take-it', 'head-cannot-take-it']);
    const utf16 = Uint8Array.from([0xff, 0xfe, ...[...'<p>x'].flatMap((character) => [character.charCodeAt(0), 0])]);
    expect(patched(utf16, [TITLE, NOINDEX]).left.map(({ reason }) => reason)).toEqual(['utf-16', 'utf-16']);
  });
  it('a page’s own structured data goes only where ours comes', () => {
    const graph = { '@context': 'https://schema.org' as const, '@graph': [{ '@id': '#a', '@type': 'Thing' }] };
    const own = '<script type="application/ld+json">{"@id":"#b"}</script>';
    const both: PageEdit[] = [{ kind: 'no-markup' }, { kind: 'json-ld', graph }];
    const good = patched(`<head><title>A</title>${own}</head><p>x`, [TITLE, ...both]);
    expect([good.left, good.text.includes('#b'), good.text.includes('#a')]).toEqual([[], false, true]);
    const bad = patched(`${own}<title>A`, [...both, TITLE]);
    expect(bad.text).toContain('#b');
    expect(bad.left).toHaveLength(3);
  });
});

describe('snippets that stand in one another', () => {
  const [part, whole] = ['<script src="s.js"></script>', '<script src="s.js"></script>\n<script>go()</script>'];
  it.each([
    [snippet(part), snippet(whole)],
    [snippet(whole), snippet(part)],
    [snippet(part, 'body-end'), snippet(whole, 'head-start')],
  ])('each stands once, whatever the order', (one, other) => {
    const { text, left } = patched(PAGE.replace('windows-1252', 'utf-8'), [one, TITLE, other]);
    expect(left).toEqual([]);
    expect(snippetOccurrences(text, whole)).toHaveLength(1);
    expect(snippetOccurrences(text, part)).toHaveLength(2);
    // Once more there is nothing to do.
    expect(patched(text, [one, TITLE, other]).text).toBe(text);
  });
  it('the same code twice in one part is one, in both parts it is refused for that alone', () => {
    const again = patched(PAGE, [snippet(part, 'head-start', 'a'), snippet(part, 'head-end', 'b'), TITLE]);
    expect([again.left, snippetOccurrences(again.text, part).length]).toEqual([[], 1]);
    const both = patched(PAGE, [snippet(part, 'head-start', 'a'), TITLE, snippet(part, 'body-end', 'b')]);
    expect(both.left).toMatchObject([{ edit: { id: 'b' }, reason: 'snippet-twice' }]);
    expect(both.text).toContain('<title>Ours</title>');
  });
});

describe('letters in a page that is not UTF-8', () => {
  it.each([
    ['a script keeps them as octets of the page', '<script>say("é €")</script>', 'windows-1252', 'say("é €")'],
    ['a comment too', '<!-- Zähler --><script src=x></script>', 'windows-1252', '<!-- Zähler -->'],
    ['an attribute gets references, which mean the same', '<img alt="日本é" src=x>', 'windows-1252', 'alt="&#x65E5;&#x672C;&#xE9;"'],
    ['in Cyrillic', '<script>say("Ж")</script>', 'koi8-r', 'say("Ж")'],
  ])('%s', (_, code, charset, written) => {
    const { text, left, bytes } = patched(latin(PAGE.replace('windows-1252', charset)), [snippet(code, 'body-end'), TITLE], charset);
    expect(left).toEqual([]);
    expect(text).toContain(written);
    // Known again in that page, however it is spelled there.
    expect(snippetOccurrences(decodeBytes(bytes, charset), code)).toHaveLength(1);
    expect(patched(bytes, [snippet(code, 'body-end')], charset).bytes).toEqual(bytes);
  });
  it('of several octets each are refused in a script, since no table of them is sure', () =>
    expect(patched(latin(PAGE.replace('windows-1252', 'shift_jis')), [snippet('<script>say("日")</script>'), TITLE], 'shift_jis').left).toMatchObject([
      { reason: 'not-encodable' },
    ]));
  it('that nobody says the encoding of are refused in a script, and taken where the page says it from now on', () => {
    const plain = '<html><head><title>A</title></head><body><p>x</p></body></html>';
    const code = snippet('<script>say("é")</script>');
    expect(patched(plain, [code, TITLE]).left).toMatchObject([{ edit: code, reason: 'not-encodable' }]);
    expect(patched(plain, [{ kind: 'charset' }, code, TITLE])).toMatchObject({ left: [], text: expect.stringContaining('say("é")') });
  });
  it('go there and back in any encoding of one octet a letter, or are refused', () => {
    const names = [
      'windows-1252',
      'windows-1250',
      'windows-1251',
      'iso-8859-2',
      'iso-8859-15',
      'koi8-u',
      'macintosh',
      'shift_jis',
      'gb18030',
      'utf-16le',
      'iso-2022-jp',
    ];
    fc.assert(
      fc.property(fc.constantFrom(...names), fc.string({ unit: 'grapheme', maxLength: 20 }), (name, text) => {
        const bytes = encodeIn(name, text);
        if (bytes) expect(decodeBytes(bytes, name)).toBe(text);
        if (/^(shift|gb|utf-16|iso-2022)/.test(name)) expect(bytes).toBeUndefined();
      }),
    );
  });
});

describe('any page, any edits', () => {
  const edits = fc.subarray<PageEdit>(
    [
      TITLE,
      DESCRIPTION,
      NOINDEX,
      { kind: 'charset' },
      { kind: 'canonical', href: 'https://a.example/x' },
      { kind: 'no-markup' },
      { kind: 'passage', start: 3, was: 'gone', now: 'new', links: [] },
      { kind: 'alt', start: 9, was: null, now: 'x' },
      snippet('<script>say("日本")</script>'),
      snippet('<script src=s></script>', 'head-start'),
      snippet('<script src=s></script><i></i>', 'body-end'),
      snippet('<i></i>', 'body-start'),
    ],
    { minLength: 1 },
  );
  const charset = fc.constantFrom(undefined, 'utf-8', 'windows-1252', 'koi8-r', 'shift_jis');
  it('what is made stands, what is left is named, and together they are all', () => {
    fc.assert(
      fc.property(anyPage, edits, charset, (html, wanted, name) => {
        const { text, left, facts, source, bytes } = patched(html, wanted, name);
        const made = wanted.filter((edit) => !left.some((one) => one.edit === edit));
        expect(made.length + left.length).toBe(wanted.length);
        const again = readSource({ ...source, bytes, text: text.replace(/^\ufeff/, '') });
        if (!again.ok) throw new Error(again.reason);
        if (made.includes(TITLE)) expect(documentTitle(again.facts)?.text).toBe('Ours');
        else if (wanted.includes(TITLE)) expect(documentTitle(again.facts)?.text).toBe(documentTitle(facts)?.text);
        if (made.includes(DESCRIPTION)) expect(metaDescription(again.facts)?.content).toBe('What it is.');
        // What is left alone could not be made beside the others: tried again it is left again.
        expect(patched(html, wanted, name).left).toEqual(left);
        if (left.length === 0) return;
        expect(patched(html, made, name)).toMatchObject({ left: [], text });
      }),
      { numRuns: runs(600) },
    );
  });
  it('takes time in proportion to the edits, though one of them is bad', SLOW, () => {
    const html = (count: number): string => `<title>A</title>${'<p>words</p>'.repeat(count)}`;
    expectInProportion({
      small: 100,
      times: 8,
      make: (count) => ({
        text: html(count),
        wanted: Array.from({ length: count }, (_, at): PageEdit => ({
          kind: 'passage',
          start: 16 + at * 12,
          was: at === count >> 1 ? 'other' : 'words',
          now: 'new',
          links: [],
        })),
      }),
      work: ({ text, wanted }) => expect(patched(text, wanted).left).toHaveLength(1),
    });
  });
});
