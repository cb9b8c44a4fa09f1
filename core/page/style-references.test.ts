import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inlineStyleReferences, styleReferences } from './index.ts';

describe('addresses that style sheets name', () => {
  it.each<[string, string, readonly string[]]>([
    ['a plain one', 'p{background:url(a.png)}', ['a.png']],
    ['in quotes, with blanks', `p{background:URL( "a b.png" )} i{background:url('c.png')}`, ['a b.png', 'c.png']],
    ['escaped', 'p{background:url(a\\)b.png)}', ['a)b.png']],
    ['an import of each form', '@import "a.css"; @import/**/\'b.css\' screen; @IMPORT url(c.css);', ['a.css', 'b.css', 'c.css']],
    ['a font with its format', '@font-face{src:url(f.woff2) format("woff2"),local("Other")}', ['f.woff2']],
    ['a set of pictures', 'p{background:image-set("a.png" 1x, url(b.png) 2x)}', ['a.png', 'b.png']],
    ['the type of a picture in a set is none', 'p{background:image-set("a.avif" type("image/avif"))}', ['a.avif']],
    ['comments, texts and data are none', '/* url(a.png) */ p::after{content:"url(b.png)"} i{background:url(data:image/png;base64,AAAA)}', []],
    ['broken ones are none, and end', 'p{background:url(a b.png)} i{background:url("c', ['c']],
    ['twice is once', 'p{background:url(a.png)} i{background:url(a.png)}', ['a.png']],
    ['nothing', '', []],
  ])('%s', (_, css, wanted) => expect(styleReferences(css)).toEqual(wanted));
  it('of the styles in a page', () => {
    const html = `<style>p{background:url(a.png)}</style><p style="background:url(&quot;b.png&quot;)"><p style='background:url(c.png)'>url(d.png)`;
    expect(inlineStyleReferences(html)).toEqual(['a.png', 'b.png', 'c.png']);
  });
  it('whatever is quoted comes back as it was', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[\w/.~%-]{1,30}$/), fc.constantFrom('"', "'"), (address, quote) => {
        expect(styleReferences(`@import ${quote}${address}${quote};p{background:url(${quote}${address}x${quote})}`)).toEqual([address, `${address}x`]);
      }),
    );
  });
});
