import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeSource } from '../source/index.ts';
import { factsOf, page as soupPage, sourceOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import { passagesIn, patchPage, readSource, relative, type PageEdit } from './index.ts';

/** A page with edits made, as text; the reason where it was refused. */
function patched(html: string, edits: readonly PageEdit[]): string {
  const source = sourceOf(html);
  const result = patchPage(source, factsOf(html), edits);
  return result.ok ? new TextDecoder().decode(result.bytes) : result.reason;
}
const passage = (html: string, at: number, now: string | null, links: { words: string; nth: number; href: string }[] = []): PageEdit => {
  const { start, text } = passagesIn(html)[at] as { start: number; text: string };
  return { kind: 'passage', start, was: text, now, links };
};

describe('passages', () => {
  const html =
    '<h1>Box  making</h1>\n<div><p>Each <em>box</em> is made &amp; lined,\n by <a href="/about/">two people</a>.<ul><li>one<li>two <b>bold</b></ul><div>loose <span>words</span></div><script>no()</script></div>';
  it('are what a visitor reads, block by block, with their links', () => {
    expect(passagesIn(html).map(({ tag, text }) => [tag, text])).toEqual([
      ['h1', 'Box making'],
      ['p', 'Each box is made & lined, by two people.'],
      ['li', 'one'],
      ['li', 'two bold'],
      ['div', 'loose words'],
    ]);
    const [, paragraph] = passagesIn(html);
    const link = paragraph?.links[0];
    expect(link && paragraph.text.slice(link.from, link.to)).toBe('two people');
    expect(passagesIn(html).every(({ start }) => html[start] === '<')).toBe(true);
  });
  it('are changed by the smallest edit: tags and all else stay', () => {
    expect(patched(html, [passage(html, 1, 'Each slipcase is made & lined, by two patient people.')])).toBe(
      html.replace('>box</em>', '>slipcase</em>').replace('two people', 'two patient people'),
    );
    expect(patched(html, [passage(html, 0, 'Box <making> & more')])).toBe(html.replace('Box  making', 'Box  &lt;making> &amp; more'));
    expect(patched(html, [passage(html, 3, 'two')])).toContain('<li>two<b></b>');
  });
  it.each([
    ['an end tag that closes nothing', '<p>old</font> words', 'old words', 'new words', '<p>new</font> words'],
    ['the end of the page in the middle', '<p>old</BODY></HTML> words', 'old words', 'old news', '<p>old</BODY></HTML> news'],
    ['a start tag that opens nothing', '<p>old<body class="a>b"> words', 'old words', 'new words', '<p>new<body class="a>b"> words'],
    ['a doctype', '<p>old<!doctype html> words', 'old words', 'new words', '<p>new<!doctype html> words'],
    ['what is no tag', '<p>old < words', 'old < words', 'new < words', '<p>new < words'],
    ['a tag as words', '<p>old &lt;/font> words', 'old </font> words', 'new </font> words', '<p>new &lt;/font> words'],
    ['a no-break space', '<p>old\u00a0 words', 'old\u00a0 words', 'new\u00a0 words', '<p>new\u00a0 words'],
  ])('are text alone: %s', (_, before, words, now, after) => {
    expect(passagesIn(before).map(({ text }) => text)).toEqual([words]);
    expect(patched(before, [passage(before, 0, now)])).toBe(after);
  });
  it('from a CDATA section are refused, not left as they are in silence', () => {
    const svg = '<svg><foreignObject><p>a</p></foreignObject><html><th><![CDATA[x]]>';
    const at = passagesIn(svg).findIndex(({ text }) => text === 'x');
    expect(patched(svg, [passage(svg, at, 'y')])).toBe('words-not-there');
  });
  it('take links on words, kept or new, and none inside a link', () => {
    expect(patched(html, [passage(html, 1, null, [{ words: 'lined', nth: 0, href: '/linings/?a=1&b' }])])).toContain(
      'made &amp; <a href="/linings/?a=1&amp;b">lined</a>,',
    );
    expect(patched(html, [passage(html, 2, 'one more thing', [{ words: 'more', nth: 0, href: '/m' }])])).toContain('<li>one <a href="/m">more</a> thing<li>');
    expect(patched(html, [passage(html, 1, null, [{ words: 'two people', nth: 0, href: '/x' }])])).toBe('words-not-there');
  });
  it('that are not there as they were are refused, and nothing is written', () => {
    expect(patched(html, [{ kind: 'passage', start: 0, was: 'Other', now: 'x', links: [] }])).toBe('words-not-there');
    expect(patched(html, [{ kind: 'passage', start: 3, was: 'Box making', now: 'x', links: [] }])).toBe('words-not-there');
  });
  it('changed on any page say what they shall, or are refused; changed to what they say, bytes are equal', () => {
    const words = fc.array(fc.constantFrom('a', 'b & c', 'text', '<d>', 'é', 'word', '日本'), { minLength: 1, maxLength: 6 }).map((list) => list.join(' '));
    fc.assert(
      fc.property(soupPage, fc.nat(), words, (text, which, now) => {
        const all = passagesIn(text);
        if (all.length === 0) return;
        const at = which % all.length;
        const source = sourceOf(text);
        const reading = readSource(source);
        if (!reading.ok) return;
        const same = patchPage(source, reading.facts, [passage(text, at, null)]);
        expect(same.ok && same.bytes).toBe(source.bytes);
        const changed = patchPage(source, reading.facts, [passage(text, at, now)]);
        if (changed.ok) expect(passagesIn(new TextDecoder().decode(changed.bytes))[at]?.text).toBe(now);
        else expect(['words-not-there', 'unreadable', 'head-cannot-take-it']).toContain(changed.reason);
      }),
      { numRuns: runs(400) },
    );
  });
  it('of a page that is not UTF-8 get character references', () => {
    const bytes = new Uint8Array([...new TextEncoder().encode('<meta charset=iso-8859-1><p>Stra'), 0xdf, ...new TextEncoder().encode('e</p>')]);
    const source = decodeSource(bytes);
    const reading = readSource(source);
    if (!reading.ok) throw new Error(reading.reason);
    const [first] = passagesIn(source.text);
    const result = patchPage(source, reading.facts, [{ kind: 'passage', start: first?.start ?? 0, was: 'Straße', now: 'Straße – “neu”', links: [] }]);
    expect(result.ok && new TextDecoder('latin1').decode(result.bytes)).toContain('Straße &#x2013; &#x201C;neu&#x201D;</p>');
  });
});

describe('pictures', () => {
  it.each([
    ['<img src=a alt="old">', '<img src=a alt="A &amp; &quot;b&quot;">'],
    ["<img alt='old' src=a>", "<img alt='A &amp; &quot;b&quot;' src=a>"],
    ['<img src=a>', '<img alt="A &amp; &quot;b&quot;" src=a>'],
    ['<img alt=old src=a />', '<img alt="A &amp; &quot;b&quot;" src=a />'],
    ['<IMG alt src=a>', '<IMG alt="A &amp; &quot;b&quot;" alt src=a>'],
  ])('%s gets its words', (html, after) => expect(patched(html, [{ kind: 'alt', start: 0, was: null, now: 'A & "b"' }])).toBe(after));
});

describe('properties for the card of a shared link', () => {
  it('are changed where they stand, and added where not', () => {
    const html = '<head>\n<meta property="og:title" content="Old">\n</head>';
    expect(patched(html, [{ kind: 'property', property: 'og:title', content: 'New' }])).toBe(html.replace('Old', 'New'));
    expect(patched(html, [{ kind: 'property', property: 'og:image', content: 'https://a.example/x.jpg' }])).toContain(
      '<meta property="og:image" content="https://a.example/x.jpg">\n</head>',
    );
  });
});

describe('addresses that move', () => {
  const move = (page: { from: string; to: string }, moved: { from: string; to: string }[] = []): PageEdit => ({
    kind: 'addresses',
    origin: 'https://a.example',
    page,
    moved,
  });
  const stays = { from: '/x/', to: '/x/' };
  const old = [{ from: '/services/box/', to: '/services/boxes/' }];
  it('take every link with them, as it was written', () => {
    const html =
      '<link rel=canonical href="https://a.example/services/box/"><a href="/services/box/?q=1#top">a</a><a href=../services/box/>b</a><a href="https://b.example/services/box/">c</a><a href="#here">d</a><img srcset="/services/box/ 1x, /other.jpg 2x"><meta http-equiv=refresh content="3; url=/services/box/"><script type="application/ld+json">{"@id":"https://a.example/services/box/#page"}</script>';
    expect(patched(html, [move(stays, old)])).toBe(
      html
        .replace('"https://a.example/services/box/">', '"https://a.example/services/boxes/">')
        .replace('"/services/box/?q', '"/services/boxes/?q')
        .replace('../services/box/', '"../services/boxes/"')
        .replace('"/services/box/ 1x', '"/services/boxes/ 1x')
        .replace('url=/services/box/', 'url=/services/boxes/')
        .replace('/box/#page', '/boxes/#page'),
    );
  });
  it('of the page itself keep leading where they led', () => {
    const html = '<link rel=stylesheet href="../../style.css"><img src=photo.jpg><a href=./>self</a><a href="../gold/">gold</a><a href="part-2/">deep</a>';
    expect(patched(html, [move({ from: '/services/box/', to: '/services/boxes/' })])).toBe(
      html.replace('src=photo.jpg', 'src="../box/photo.jpg"').replace('"part-2/"', '"../box/part-2/"'),
    );
  });
  it('are told the short way', () => {
    expect([relative('/a/b/', '/a/c/d'), relative('/a/b/', '/a/b/'), relative('/a.html', '/b.html'), relative('/a/b/c', '/')]).toEqual([
      '../c/d',
      './',
      'b.html',
      '../../',
    ]);
  });
});
