import fc from 'fast-check';
import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { describe, expect, it } from 'vitest';
import { changedBySnippet, patchPage, readSource, SNIPPET_PLACES, type SnippetPlace } from '../page/index.ts';
import { decodeSource, type SourceText } from '../source/index.ts';
import { runs, SLOW } from '../testing/effort.ts';

/** Three sorts of pages: as a tool writes them, with hardly a tag of its frame, and old, in capitals, laid out by tables. Their own elements have ids. */
const PAGES: readonly (readonly [sort: string, html: string])[] = [
  [
    'whole',
    '<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>T</title>\n<meta name="description" content="D">\n<meta name="robots" content="max-snippet:20">\n<link rel="canonical" href="https://a.example/">\n<link rel="alternate" hreflang="de" href="/de">\n<script type="application/ld+json">{"@type":"Thing"}</script>\n</head>\n<body id="b" class="x">\n<main id="m"><h1 id="h">T</h1><p id="p">Some words, <a id="a" href="/x">a link</a>.</p></main>\n<p id="q">The end.</p>\n</body>\n</html>\n',
  ],
  [
    'bare',
    '<!doctype html>\n<title>T</title>\n<meta name=description content=D>\n<h1 id=h>T</h1>\n<p id=p>Some <a id=a href=x>words</a>\n<p id=q>More\n<ul id=u><li id=l>One<li id=m>Two</ul>\n',
  ],
  [
    'old',
    '<HTML>\n<HEAD>\n<TITLE>T</TITLE>\n<META NAME="Robots" CONTENT="noarchive">\n<NOSCRIPT ID=s><LINK REL=stylesheet HREF=n.css></NOSCRIPT>\n</HEAD>\n<BODY ID=b>\n<CENTER ID=c><TABLE ID=t><TR ID=r><TD ID=d><H2 ID=h>T</H2><FONT ID=f>Old <A ID=a HREF="x.htm">words</A></FONT></TD></TR></TABLE></CENTER>\n<FORM ID=g><INPUT ID=i></FORM>\n<NOSCRIPT><P ID=n>No scripts.</NOSCRIPT>\n</BODY>\n</HTML>\n',
  ],
];
const MARK = '<wbr id="after">';
const HEAD_MARK = '<meta id="after">';

/** What a page says, as this test reads it from the tree alone: each thing in a line, and around each element with an id what it lies in. */
function told(html: string, scriptingEnabled: boolean): string[] {
  const document = parse(html, { scriptingEnabled });
  const lines: string[] = [document.mode];
  const said: string[] = [];
  let words = '';
  const walk = (node: Tree.Node, around: readonly string[], silent: boolean): void => {
    if (node.nodeName === '#text' && 'value' in node && around.includes('body') && !silent) words += node.value;
    const element = 'tagName' in node ? node : undefined;
    const name = element?.tagName ?? '';
    const html = element?.namespaceURI === 'http://www.w3.org/1999/xhtml';
    const of = (wanted: string): string | undefined => element?.attrs.find((one) => one.name === wanted)?.value;
    const text = (): string => (element?.childNodes ?? []).map((child) => ('value' in child ? child.value : '')).join('');
    if (of('id') !== undefined) lines.push(`${of('id')}: ${around.join(' ')} ${name} ${JSON.stringify(element?.attrs)}`);
    if (name === 'html' || name === 'body') lines.push(`${name} ${JSON.stringify(element?.attrs)}`);
    if (html && element) {
      const lines = { push: (line: string) => said.push(`${around.at(-1)}: ${line}`) };
      const rel = (of('rel') ?? '').toLowerCase().split(/[\t\n\f\r ]+/);
      const key = (of('name') ?? '').trim().toLowerCase();
      if (name === 'title') lines.push(`title ${text().replace(/\s+/g, ' ').trim()}`);
      if (name === 'base') lines.push('base');
      if (name === 'link' && rel.includes('canonical')) lines.push(`canonical ${of('href')}`);
      if (name === 'link' && (rel.includes('amphtml') || (rel.includes('alternate') && !rel.includes('stylesheet')))) lines.push(`alternate ${of('href')}`);
      if (name === 'meta' && (of('charset') !== undefined || of('http-equiv') !== undefined || of('property') !== undefined))
        lines.push(`meta ${JSON.stringify(element.attrs)}`);
      if (name === 'meta' && ['description', 'keywords', 'robots', 'skerrybot', 'petrelbot'].includes(key)) lines.push(`${key} ${of('content')}`);
      else if (name === 'meta' && /noindex|nofollow|nosnippet|noarchive|none/i.test(of('content') ?? '')) lines.push(`${key} ${of('content')}`);
      if (name === 'script' && /^application\/ld\+json$/i.test((of('type') ?? '').trim())) lines.push(`data ${text()}`);
      if (of('itemscope') !== undefined) lines.push('itemscope');
      if (/^h[1-6]$/.test(name)) lines.push(name);
      if ((name === 'a' || name === 'area') && of('href') !== undefined) lines.push(`link ${of('href')}`);
    }
    const quiet =
      silent ||
      (element !== undefined &&
        (!html || /^(?:script|style|template|iframe|noframes|noembed|textarea|select|title|xmp)$/.test(name) || (name === 'noscript' && scriptingEnabled)));
    if (!silent && /^(?:div|p|li|td|h\d|br|section|ul|table|form|main|center)$/.test(name)) words += ' ';
    for (const child of 'childNodes' in node ? node.childNodes : []) walk(child, element ? [...around, name] : around, quiet);
    if (!silent && /^(?:div|p|li|td|h\d|section|ul|table|form|main|center)$/.test(name)) words += ' ';
  };
  walk(document, [], false);
  return [...lines, ...said, words.replace(/[\s\u200b]+/g, ' ').trim()];
}

const ATTRIBUTES = ['', ' lang=de', ' class="y z"', ' data-a="1 > 2"', " style='display:none'"];
const HARMLESS = [
  '<script async src="https://s.example/s.js"></script>',
  '<script>var a = "</p>"; f(a < 1);</script>',
  '<script type="text/template"><title>no</title></script>',
  '<style>.a::after { content: "<h1>" }</style>',
  '<link rel="preconnect" href="https://s.example">',
  '<link rel=stylesheet href=/s.css>',
  '<link rel="alternate stylesheet" title=dark href=/d.css>',
  '<meta name="some-proof" content="abc123">',
  '<meta name="theme-color" content="#fff">',
  '<noscript><link rel=stylesheet href=/n.css></noscript>',
  '<noscript><img src="https://p.example/p.gif" alt=""></noscript>',
  '<noscript><iframe src="https://p.example/f"></iframe></noscript>',
  '<img src="https://p.example/p.gif" alt="">',
  '<iframe src="https://p.example/f" title=x></iframe>',
  '<div></div>',
  '<div><span></span></div>',
  '<!-- a comment <title>no</title> -->',
  '<!-->',
  '<?xml version="1.0"?>',
  '<svg><title>drawn</title><a href="#x"></a></svg>',
  '<template><title>no</title><h1>no</h1></template>',
  '<select><option>one</select>',
  '<button></button>',
  '<table><tr><td></table>',
  '<!Doctype html>',
  '</i>',
  '\n',
] as const;
const SAYS = [
  '<title>Mine</title>',
  '<TITLE\n>Mine</TITLE >',
  '<meta name="description" content="mine">',
  '<meta content="mine" name = "Description">',
  '<meta name=robots content=noindex>',
  '<meta name="somecrawler" content="NOINDEX, nofollow">',
  '<meta name="SkerryBot" content="all">',
  '<noscript><meta name="robots" content="none"></noscript>',
  '<meta http-equiv="refresh" content="3; url=https://b.example/">',
  '<meta http-equiv="Content-Security-Policy" content="default-src \'none\'">',
  '<meta http-equiv="content-type" content="text/html; charset=koi8-r">',
  '<meta http-equiv=content-language content=fr>',
  '<meta charset="koi8-r">',
  '<meta property="og:title" content="mine">',
  '<link rel="canonical" href="https://b.example/">',
  '<link href="/b" rel="nofollow\tCANONICAL">',
  '<link rel="alternate" hreflang="fr" href="/fr">',
  '<link rel=amphtml href=/amp>',
  '<base href="https://b.example/">',
  '<base target=_blank>',
  '<script type="application/ld+json">{"@type":"Person"}</script>',
  '<script type=" Application/LD+JSON ">{}</script>',
  '<div itemscope></div>',
  '<h1>Mine</h1>',
  '<h3></h3>',
  '<a href="https://b.example/">by b</a>',
  '<a href="/x"></a>',
  '<map><area href="/m" alt=""></map>',
  '<p>Words</p>',
  'Hello there',
  '&nbsp;hello',
  '<noscript>Turn scripts on</noscript>',
  '<noscript><a href="/no">no</a></noscript>',
] as const;
const BREAKS = [
  '<div>',
  '<p>',
  '<b>',
  '<a>',
  '<li>',
  '<script>',
  '<style>',
  '<noscript>',
  '<noscript><div>',
  '<!--',
  '<!-- --!',
  '<template>',
  '<select>',
  '<table>',
  '<textarea>',
  '<plaintext>',
  '<iframe>',
  '<svg>',
  '<math>',
  '<form>',
  '<frameset>',
  '<frameset></frameset>',
  '</div>',
  '</Main>',
  '</P\n>',
  '</body>',
  '</head>',
  '</html>',
  '</table>',
  '</center>',
  '<body class=mine>',
  '<html lang=fr>',
  '<head>',
  '<img src="https://s.example/x.gif alt="">',
  '<div title="',
  '\u00a0',
  '\u200b',
  '\u0000',
  '<![CDATA[ x ]]>',
] as const;

const piece = fc.oneof(
  { weight: 5, arbitrary: fc.constantFrom(...HARMLESS) },
  { weight: 2, arbitrary: fc.constantFrom(...SAYS) },
  { weight: 2, arbitrary: fc.constantFrom(...BREAKS) },
  {
    weight: 1,
    arbitrary: fc
      .tuple(
        fc.constantFrom('div', 'span', 'section', 'ins', 'aside', 'b', 'object', 'video', 'nobr', 'x-chat'),
        fc.constantFrom(...ATTRIBUTES),
        fc.constantFrom(...HARMLESS),
      )
      .map(([name, attributes, inside]) => `<${name}${attributes}>${inside}</${name}>`),
  },
);
const form = fc
  .array(fc.tuple(piece, fc.constantFrom('', '\n', ' ', '\t')), { minLength: 1, maxLength: 3 })
  .map((pieces) => pieces.map(([code, space]) => code + space).join(''))
  .filter((code) => code.trim() !== '');

interface Page {
  readonly source: SourceText;
  readonly facts: Parameters<typeof changedBySnippet>[1];
}
const pages: readonly Page[] = PAGES.map(([, html]) => {
  const source = decodeSource(new TextEncoder().encode(html));
  const reading = readSource(source);
  if (!reading.ok) throw new Error('a page of this test is none');
  return { source, facts: reading.facts };
});
const edit = (code: string, place: SnippetPlace) => ({ kind: 'snippet' as const, id: 's', place, code });
/** A page with something put in where the program puts what goes to this place. */
function withCode({ source, facts }: Page, place: SnippetPlace, code: string): string {
  const known = place.startsWith('head') ? '<meta name="known" content="k">' : '<i id="known"></i>';
  const patched = patchPage(source, facts, [edit(known, place)]);
  if (!patched.ok) throw new Error(patched.reason);
  return new TextDecoder().decode(patched.bytes).replace(known, () => code);
}
const isSame = (page: Page, place: SnippetPlace, code: string): boolean => {
  const mark = place.startsWith('head') ? HEAD_MARK : MARK;
  const [before, after] = [withCode(page, place, mark), withCode(page, place, code.trim() + mark)];
  return [true, false].every((scripting) => JSON.stringify(told(before, scripting)) === JSON.stringify(told(after, scripting)));
};

describe('a snippet is judged by what it does', () => {
  it.each([...HARMLESS, ...SAYS, ...BREAKS].filter((code) => code.trim() !== ''))('%s', (code) => {
    const wrong = pages.flatMap((page, at) =>
      SNIPPET_PLACES.flatMap((place) => {
        const changes = changedBySnippet(page.source, page.facts, edit(code, place));
        return (changes.length === 0) === isSame(page, place, code) ? [] : [[PAGES[at]?.[0], place, changes]];
      }),
    );
    expect(wrong).toEqual([]);
  });
  it('any form, at any place, on any sort of page: what changes nothing goes, what changes something does not', SLOW, () => {
    fc.assert(
      fc.property(form, (code) => {
        pages.forEach((page, at) =>
          SNIPPET_PLACES.forEach((place) => {
            const sort = PAGES[at]?.[0];
            const changes = changedBySnippet(page.source, page.facts, edit(code, place));
            const free = changes.length === 0;
            expect({ sort, place, changes, free }).toEqual({ sort, place, changes, free: isSame(page, place, code) });
            // What goes is written, and says nothing; what is written is never what does not go.
            const patched = patchPage(page.source, page.facts, [edit(code, place)]);
            if (free) expect({ sort, place, ok: patched.ok || patched.reason }).toEqual({ sort, place, ok: true });
            if (free && patched.ok) expect(told(new TextDecoder().decode(patched.bytes), true)).toEqual(told(PAGES[at]?.[1] ?? '', true));
          }),
        );
      }),
      { numRuns: runs(1_000) },
    );
  });
});
