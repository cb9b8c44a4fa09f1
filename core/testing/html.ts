import fc from 'fast-check';
import { readPage, type PageFacts } from '../page/index.ts';
import { decodeSource, type SourceText } from '../source/index.ts';

/** The facts of a page given as text, UTF-8 unless said otherwise. Fails where it cannot be read. */
export function factsOf(html: string, options: { keepText?: boolean } = {}): PageFacts {
  const reading = readPage(new TextEncoder().encode(html), { httpCharset: 'utf-8', ...options });
  if (!reading.ok) throw new Error(reading.reason);
  return reading.facts;
}

export function sourceOf(html: string): SourceText {
  return decodeSource(new TextEncoder().encode(html), 'utf-8');
}

const TAGS =
  'html head body title meta link base script style noscript p div span a b i em h1 h2 h3 ul ol li dl dt dd table tbody tr td th caption colgroup col thead select option optgroup form button input img br hr svg g path textarea pre section nav article iframe object template ruby rt rp label blockquote area strong custom-el address font time'.split(
    ' ',
  );
const EMPTY = new Set(['meta', 'link', 'base', 'img', 'br', 'hr', 'input', 'col', 'area']);
const TEXTS = [
  ' text ',
  'a &amp; b',
  '&nbsp;',
  'x<y',
  '<!-- c -->',
  '<!-->',
  '<!doctype html>',
  '</br>',
  '\r\n',
  '<?pi?>',
  '<![CDATA[x]]>',
  '</>',
  '&copy',
  'word',
  '日本語',
  '<script>if (a < b) "</p>"</script>',
];
const ATTRIBUTES = [
  '',
  ' href="/x?a=1&amp;b"',
  ' name=description content="a &lt; b"',
  ' alt',
  " src=x.png alt='q'",
  ' type="application/ld+json"',
  ' itemscope',
  ' datetime=2026-01-09 itemprop=dateModified',
  ' rel=canonical href=/',
  ' lang=de',
  ' href=a href=b',
  ' / ',
  ' CONTENT="Z\r\ny" NAME=Robots',
  ' property=og:title content=T',
  ' name=robots content=noindex',
];

/** Tag soup: nested, unclosed, misnested and stray, as pages out there have it. */
export const soup: fc.Arbitrary<string> = fc.letrec<{ node: string; element: string }>((tie) => ({
  node: fc.oneof({ depthSize: 'small', withCrossShrink: true }, fc.constantFrom(...TEXTS), tie('element')),
  element: fc
    .tuple(fc.constantFrom(...TAGS), fc.constantFrom(...ATTRIBUTES), fc.array(tie('node'), { maxLength: 3 }), fc.integer({ min: 0, max: 9 }))
    .map(([tag, attributes, inner, close]) => `<${tag}${attributes}>${inner.join('')}${EMPTY.has(tag) || close < 2 ? '' : `</${tag}>`}`),
})).node;

/** A whole page of soup, with and without doctype and head. */
export const page: fc.Arbitrary<string> = fc
  .tuple(
    fc.boolean(),
    fc.constantFrom('', '<html lang=en><head><title>T &amp; x</title></head><body>', '<head><meta charset=utf-8>\n<TITLE>Old</TITLE>\n'),
    fc.array(
      fc.oneof(
        soup,
        fc.constantFrom(...TAGS).map((tag) => `</${tag}>`),
      ),
      { maxLength: 6 },
    ),
  )
  .map(([doctype, head, body]) => `${doctype ? '<!doctype html>\n' : ''}${head}${body.join('')}`);
