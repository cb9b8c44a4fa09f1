import { describe, expect, it } from 'vitest';
import { readSnippet } from './index.ts';

const LOADER = `<script>(function(w,d){var s=d.createElement('script');s.src='https://tags.example/l.js';d.head.appendChild(s)})(window,document)</script>`;
const FRAME = '<noscript><iframe src="https://tags.example/ns.html" height="0" width="0"></iframe></noscript>';

describe('a snippet', () => {
  it.each<[string, string, readonly string[], readonly string[], string, number]>([
    ['a foreign script', '<script async src="https://stats.example/s.js" data-site="7"></script>', ['foreign-script'], ['stats.example'], 'head-end', 4],
    ['a loader', LOADER, ['inline-script'], ['tags.example'], 'head-start', 4],
    ['its part for browsers without scripts', FRAME, ['noscript'], ['tags.example'], 'body-start', 2],
    ['a pixel', '<img src="//pixel.example/p.gif" alt="" width=1 height=1>', ['picture'], ['pixel.example'], 'body-end', 2],
    ['a style sheet for no scripts', '<noscript><link rel=stylesheet href=/n.css></noscript>', ['noscript'], [], 'head-end', 4],
    [
      'a comment around it',
      '<!-- Stats -->\n<script async src=https://a.example/s.js></script>\n<!-- End -->',
      ['foreign-script'],
      ['a.example'],
      'head-end',
      4,
    ],
    [
      'a script and a tag',
      '<link rel=preconnect href=https://a.example><script defer src=https://a.example/s.js></script>',
      ['link', 'foreign-script'],
      ['a.example'],
      'head-end',
      4,
    ],
    ['a widget', '<div id="chat"></div><script async src=https://chat.example/c.js></script>', ['other', 'foreign-script'], ['chat.example'], 'body-end', 2],
  ])('%s', (_, code, parts, hosts, place, places) => {
    const read = readSnippet(code);
    expect(read).toMatchObject({ ok: true, hosts, place });
    if (read.ok) expect([read.parts.map(({ what }) => what), read.places.length]).toEqual([parts, places]);
  });

  it.each([
    ['nothing', ' \n', 'empty'],
    ['words', 'Paste this into your site.', 'words'],
    ['words around a script', 'Paste this: <script src=https://a.example/s.js></script>', 'words'],
    ['code without its tag', 'var x = 1; load(x);', 'script-without-tag'],
    ['a whole page', '<!doctype html><html><body><p>x</body></html>', 'whole-page'],
    ['a script that nothing closes', '<script>var a = 1;', 'unclosed'],
    ['a comment that nothing closes', '<script src=https://a.example/s.js></script><!-- end', 'unclosed'],
    ['an element that nothing closes', '<div id=chat>', 'unclosed'],
    ['a noscript that nothing closes', '<noscript><img src=https://a.example/p.gif alt="">', 'unclosed'],
    ['an attribute that nothing closes', '<script src="https://a.example/s.js></script>', 'unclosed'],
    ['a noindex', '<meta name="robots" content="noindex">', 'says-of-page'],
    ['one for one crawler', '<meta name="SkerryBot" content="noindex"><script async src=https://a.example/s.js></script>', 'says-of-page'],
    ['a canonical', '<link rel="canonical" href="https://b.example/">', 'says-of-page'],
    ['a refresh', '<meta http-equiv="Refresh" content="0; url=https://b.example/">', 'says-of-page'],
    ['a base', '<base href="https://b.example/">', 'says-of-page'],
    ['far too much', `<script>${'x'.repeat(8_001)}</script>`, 'too-long'],
  ])('is none where it is %s', (_, code, reason) => expect(readSnippet(code)).toMatchObject({ ok: false, reason }));

  it('is told apart where one part is for the head and the other for the body', () => {
    const read = readSnippet(`${LOADER}\n${FRAME}`);
    expect(read).toMatchObject({ ok: true, split: [LOADER, FRAME] });
    expect(read.ok && read.places).toEqual(['body-start', 'body-end']);
  });
  it.each([
    ['a proof', '<meta name="skerry-proof" content="abc">', ['proof']],
    ['what writes the page anew', '<script>document.write("<i>")</script>', ['writes-page']],
    ['what the page has to wait for', '<script src="https://a.example/s.js"></script>', ['blocks']],
    ['what comes unsealed', '<script async src="http://a.example/s.js"></script>', ['insecure']],
    ['nothing', '<script type=module src="https://a.example/s.js"></script>', []],
  ])('warns of %s', (_, code, warnings) => expect(readSnippet(code)).toMatchObject({ ok: true, warnings }));
});
