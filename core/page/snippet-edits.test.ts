import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeSource } from '../source/index.ts';
import { runs } from '../testing/effort.ts';
import { patchPage, readSource, SNIPPET_PLACES, snippetStands, type SnippetPlace } from './index.ts';

const CODE = '<script async\n  src="https://s.example/s.js"></script>';
const edit = (place: SnippetPlace, code = CODE, id = 's') => ({ kind: 'snippet' as const, id, place, code });
function patched(html: string, ...edits: ReturnType<typeof edit>[]): string | undefined {
  const source = decodeSource(new TextEncoder().encode(html));
  const reading = readSource(source);
  if (!reading.ok) return undefined;
  const result = patchPage(source, reading.facts, edits);
  return result.ok ? new TextDecoder().decode(result.bytes) : undefined;
}
const PAGE = '<!doctype html>\n<html>\n<head>\n<meta charset="utf-8">\n<title>A</title>\n</head>\n<body class="x">\n<p>x</p>\n</body>\n</html>\n';

describe('a snippet in a page', () => {
  it.each<[SnippetPlace, string]>([
    ['head-start', `<meta charset="utf-8">\n${CODE}\n<title>`],
    ['head-end', `<title>A</title>\n${CODE}\n</head>`],
    ['body-start', `<body class="x">\n${CODE}\n<p>`],
    ['body-end', `<p>x</p>\n${CODE}\n</body>`],
  ])('stands at %s, and nothing else is touched', (place, around) => {
    const out = patched(PAGE, edit(place)) ?? '';
    expect(out).toContain(around);
    expect(out.replace(`${CODE}\n`, '')).toBe(PAGE);
  });
  it('is not put in again where it stands, however it is spaced', () => {
    for (const place of SNIPPET_PLACES) {
      const once = patched(PAGE, edit(place)) ?? '';
      expect(patched(once.replace('async\n  src', 'async   src'), edit(place))).toBe(once.replace('async\n  src', 'async   src'));
    }
  });
  it('stands once afterwards where it stood twice, or in the wrong part', () => {
    const twice = PAGE.replace('</head>', `${CODE}\n${CODE}\n</head>`);
    expect(snippetStands(patched(twice, edit('head-end')) ?? '', CODE)).toEqual({ head: 1, body: 0 });
    const wrong = PAGE.replace('</body>', `${CODE}\n</body>`);
    expect(snippetStands(patched(wrong, edit('head-start')) ?? '', CODE)).toEqual({ head: 1, body: 0 });
    expect(snippetStands(PAGE.replace('<p>', `<!-- ${CODE} --><p>`), CODE)).toEqual({ head: 0, body: 0 });
  });
  it('keeps the order of several at one place', () => {
    const out = patched(PAGE, edit('body-end', '<i id=a></i>', 'a'), edit('body-end', '<i id=b></i>', 'b')) ?? '';
    expect(out.indexOf('id=a')).toBeLessThan(out.indexOf('id=b'));
  });
  it('any page, whatever it lacks, has it once in its part afterwards or stays as it was, and without it is what it was before', () => {
    const piece = fc.constantFrom(
      '<html>',
      '<head>',
      '<meta charset=utf-8>',
      '<title>T</title>',
      '</head>',
      '<body>',
      '<p>x',
      '<!-- c -->',
      '\n',
      '</body>',
      '</html>',
      'text',
      '<svg/>',
      '<noscript>n</noscript>',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 10 }), fc.constantFrom(...SNIPPET_PLACES), (pieces, place) => {
        const html = pieces.join('');
        const out = patched(html, edit(place, '<i data-s="1"></i>'.replace(/i/g, place.startsWith('head') ? 'script' : 'i')));
        if (out === undefined) return;
        const code = place.startsWith('head') ? '<script data-s="1"></script>' : '<i data-s="1"></i>';
        expect(snippetStands(out, code)).toEqual(place.startsWith('head') ? { head: 1, body: 0 } : { head: 0, body: 1 });
        // A body that begins without its tag gets it.
        const rest = (text: string): string => text.replace(code, '').replace(/<body>|\s/g, '');
        expect(rest(out)).toBe(rest(html));
      }),
      { numRuns: runs(500) },
    );
  });
});
