import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf, page, sourceOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import { hasMarkup, withoutMarkup } from './markup-edits.ts';
import { patchPage, readSource } from './index.ts';

const bare = (html: string): string => {
  const patched = patchPage(sourceOf(html), factsOf(html), [{ kind: 'no-markup' }]);
  return patched.ok ? new TextDecoder().decode(patched.bytes) : patched.reason;
};

describe('structured data that goes', () => {
  it.each([
    ['<head>\n  <script type="application/ld+json">{"a":1}</script>\n  <title>x</title></head>', '<head>\n  <title>x</title></head>'],
    ['<div itemscope itemtype="https://schema.org/Product"><b itemprop="name">Kit</b></div>', '<div><b>Kit</b></div>'],
    ['<p itemprop=name class=a>x</p>', '<p class=a>x</p>'],
    ['<meta itemprop=sku content=7><p>x', '<p>x'],
    ['<link itemprop=url href=/x><p>x', '<p>x'],
    ['<link rel=icon itemprop=image href=/x><p>x', '<link rel=icon href=/x><p>x'],
    ['<div vocab="https://schema.org/" typeof="Product"><a property="url" href="/x">x</a></div>', '<div><a href="/x">x</a></div>'],
    ['<meta property="og:title" content="T"><p>x', '<meta property="og:title" content="T"><p>x'],
    ['<p>nothing', '<p>nothing'],
    // What ends a drawing or a formula goes on ending it.
    ['<svg><meta itemprop=sku content=7> text', '<svg><meta content=7> text'],
    ['<math><mrow>x<meta itemscope>text', '<math><mrow>x<meta>text'],
    ['<svg><title>x</title></svg><meta itemprop=sku content=7>y', '<svg><title>x</title></svg>y'],
    ['<head><title>x</title><link itemprop=url href=/x></head><body>y', '<head><title>x</title></head><body>y'],
  ])('%s', (before, after) => expect(bare(before)).toBe(after));
  it('leaves no markup and all words of any page', () => {
    const attributes = fc.constantFrom(
      '',
      ' itemscope',
      ' itemprop=x',
      ' typeof=Thing',
      ' property=name',
      ' itemscope itemtype=https://schema.org/Thing',
      ' resource=#x',
    );
    const marked = fc.tuple(page, attributes, attributes).map(([html, one, two]) => html.replace(/<p\b/g, `<p${one}`).replace(/<(div|b)\b/g, `<$1${two}`));
    fc.assert(
      fc.property(marked, (html) => {
        const reading = readSource(sourceOf(html), { keepText: true });
        if (!reading.ok) return;
        const after = bare(html);
        if (/^[a-z-]+$/.test(after)) return;
        expect(hasMarkup(after, 0)).toBe(false);
        const again = readSource(sourceOf(after), { keepText: true });
        expect(again.ok && again.facts.text).toBe(reading.facts.text);
      }),
      { numRuns: runs(400) },
    );
  });
  it('writes nothing where there is none', () =>
    fc.assert(
      fc.property(page, (html) => hasMarkup(html, 0) || withoutMarkup(html).length === 0),
      { numRuns: runs(300) },
    ));
});
