import fc from 'fast-check';
import { parse, defaultTreeAdapter, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { describe, expect, it } from 'vitest';
import { factsOf, page, sourceOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import { FactCollector } from './collector.ts';
import { readFast } from './fast-reader.ts';
import { documentTitle, metaDescription, PAGE_LIMITS, readPage, readSource, readSourceByTree, type PageFacts } from './index.ts';

const withoutInsert = ({ headInsert: _, ...facts }: PageFacts) => facts;

/** Facts by the fast reader alone; undefined where it leaves the page to the tree reader. */
function fastFacts(html: string): PageFacts | undefined {
  const source = sourceOf(html);
  const collector = new FactCollector(true);
  return readFast(source.text, collector) === 'done' ? collector.finish(source.encoding, source.text) : undefined;
}
function treeFacts(html: string): PageFacts {
  const reading = readSourceByTree(sourceOf(html), { keepText: true });
  if (!reading.ok) throw new Error(reading.reason);
  return reading.facts;
}

describe('the fast reader against the whole tree', () => {
  it('gives the same facts wherever it gives any, on generated tag soup', () => {
    let done = 0;
    fc.assert(
      fc.property(page, (html) => {
        const fast = fastFacts(html);
        if (!fast) return;
        done++;
        expect(withoutInsert(fast)).toEqual(withoutInsert(treeFacts(html)));
      }),
      { numRuns: runs(3000) },
    );
    // A fast reader that always gives up would agree with everything.
    expect(done).toBeGreaterThan(runs(3000) / 3);
  });

  it.each([
    '<!doctype html><title>A</title><meta name=description content=x><p>one<p>two<table><tr><td>a<td>b</table>',
    '<!doctype html><ul><li>a<li>b<ul><li>c</ul></ul><dl><dt>t<dd>d</dl>',
    '<!doctype html><p>a<table><tr><td>x</td></tr></table>b',
    '<body><svg><title>Icon</title><style>a > b {}</style></svg><a href=/x><svg><g/></svg>link</a>',
    '<head><noscript><meta name=robots content=noindex></noscript></head><body><noscript><img src=x></noscript>',
    '<h1>One<h2>Two</h1><h3>Three <a href=x>four</a></h3>',
    '<script type="application/ld+json">{"a":"</p>"}</script><script><!-- </script --></script>x',
    '<select><option>a<option selected>b<optgroup label=x><option>c</select>after',
    '<select><optgroup itemscope><option itemscope>a</select>',
    '<!--><title>In</title>--><title>Out</title>',
    '<meta charset=utf-8><p>&notit; &amp;amp; &#x80; &ngE;</p><a title="&copy=1">x</a><a href="?a=1&copy=2">y</a>',
    '<html><head></head><meta name=late content=1><body><base href=/b/><base href=/c/>',
    '<p>x</body></html>\n<p>after',
    '<form><form><p></form>x</form>',
    '</p>a</br>b<br/>c',
  ])('agrees on %s', (html) => {
    const fast = fastFacts(html);
    expect(fast).toBeDefined();
    expect(withoutInsert(fast as PageFacts)).toEqual(withoutInsert(treeFacts(html)));
  });

  it.each(['<template><title>No</title></template>', '<b><p>x</b>y</p>', '<table>loose<tr></table>', '<a href=1>x<a href=2>y', '<frameset>', '\0<p>'])(
    'leaves %s to the tree',
    (html) => {
      expect(fastFacts(html)).toBeUndefined();
      expect(readSource(sourceOf(html)).ok).toBe(true);
    },
  );
});

describe('what counts as head', () => {
  const inHead = (html: string): (boolean | undefined)[] => factsOf(html).metas.map((meta) => meta.inHead);
  it('ends where something stands that may not be in a head', () => {
    expect(inHead('<head><meta name=a><div></div><meta name=b></head>')).toEqual([true, false]);
    expect(inHead('<head><meta name=a>text<meta name=b></head>')).toEqual([true, false]);
    expect(inHead('<head><meta name=a><img src=x><meta name=b>')).toEqual([true, false]);
  });
  it('goes on behind its end tag until the body begins', () => {
    expect(inHead('<head></head><meta name=a><body><meta name=b>')).toEqual([true, false]);
  });
  it('is there without its tags', () => {
    expect(inHead('<meta name=a><p><meta name=b>')).toEqual([true, false]);
  });
});

describe('the title', () => {
  it('is the first in the HTML namespace, collapsed', () => {
    expect(documentTitle(factsOf('<body><svg><title>Icon</title></svg><title>\n The  real\tone </title>'))?.text).toBe('The real one');
    expect(documentTitle(factsOf('<template><title>No</title></template><title>Yes</title>'))?.text).toBe('Yes');
    expect(documentTitle(factsOf('<title>A &amp; B &lt;i&gt;</title>'))?.text).toBe('A & B <i>');
  });
  it('has ranges that cut it out of the source', () => {
    const html = '<!doctype html>\r\n<HEAD><TiTlE x=1>A &amp; B</tItLe >';
    const title = documentTitle(factsOf(html));
    expect(html.slice(title?.content.start, title?.content.end)).toBe('A &amp; B');
  });
});

describe('attribute ranges', () => {
  it.each([
    ['<meta name=description content=plain>', 'plain'],
    ['<meta name="description" content="a &amp; b">', 'a &amp; b'],
    ["<meta content = 'x' name=description>", 'x'],
    ['<META NAME=description CONTENT=x/>', 'x/'],
  ])('cut the value out of %s, by either reader', (html, value) => {
    for (const facts of [factsOf(html), treeFacts(html)]) {
      const range = metaDescription(facts)?.contentRange;
      expect(html.slice(range?.start, range?.end)).toBe(value);
    }
  });
});

describe('limits', () => {
  it('refuses pages nested too deeply, soon and by both readers', () => {
    const html = '<div>'.repeat(50_000);
    expect(readPage(new TextEncoder().encode(html))).toEqual({ ok: false, reason: 'too-deep' });
    expect(readSourceByTree(sourceOf(`<b><p></b>${html}`))).toEqual({ ok: false, reason: 'too-deep' });
  });
  it('refuses pages that unfold to more elements than their text can mean', () => {
    const html = '<p>' + Array.from({ length: 400 }, (_, index) => `<b a${index}>`).join('') + '<p>x'.repeat(3000);
    expect(readPage(new TextEncoder().encode(html))).toMatchObject({ ok: false });
  });
  it('stops when time is up, by both readers', () => {
    let asked = 0;
    const outOfTime = (): boolean => ++asked >= 2;
    const html = '<p>x'.repeat(20_000);
    expect(readSource(sourceOf(html), { outOfTime })).toEqual({ ok: false, reason: 'too-slow' });
    asked = 0;
    expect(readSource(sourceOf(`<b><p></b>${html}`), { outOfTime })).toEqual({ ok: false, reason: 'too-slow' });
  });
  it('refuses what is too large', () => {
    expect(readPage(new Uint8Array(PAGE_LIMITS.size + 1))).toEqual({ ok: false, reason: 'too-large' });
  });
});

describe('where something can be added to the head', () => {
  it('is in the head as the standard builds it', () => {
    fc.assert(
      fc.property(page, (html) => {
        const facts = factsOf(html);
        const marked = `${html.slice(0, facts.headInsert)}<meta name="mark">${html.slice(facts.headInsert)}`;
        const head = findHead(parse(marked));
        // A title or script without an end swallows all that follows; patching refuses such pages.
        const swallowed = treeFacts(marked).metas.every((meta) => meta.name !== 'mark');
        expect(swallowed || head).toBe(true);
      }),
      { numRuns: runs(800) },
    );
  });
});

function findHead(document: Tree.Document): boolean {
  const html = document.childNodes.find((node): node is Tree.Element => defaultTreeAdapter.isElementNode(node));
  const head = html?.childNodes.find((node): node is Tree.Element => defaultTreeAdapter.isElementNode(node) && node.tagName === 'head');
  return head?.childNodes.some((node) => defaultTreeAdapter.isElementNode(node) && node.attrs.some((attribute) => attribute.value === 'mark')) === true;
}
