import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf, soup, sourceOf } from '../testing/html.ts';
import { decodeSource } from '../source/index.ts';
import { runs } from '../testing/effort.ts';
import { patchPage, readSource, type PageEdit, type TemplateEdit } from './index.ts';

const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
function patched(html: string, ...edits: PageEdit[]): string {
  const result = patchPage(sourceOf(html), factsOf(html), edits);
  return result.ok ? text(result.bytes) : `refused: ${result.reason}`;
}

const LANG = { kind: 'lang', lang: 'de' } as const;
const TITLE = { kind: 'one-title', text: 'Box' } as const;
const HEADING = { kind: 'one-heading' } as const;

describe('what a template gets wrong is mended by the smallest patch', () => {
  it.each<[string, TemplateEdit, string, string]>([
    ['a language for a page without', LANG, '<!doctype html>\n<html>\n<head>', '<!doctype html>\n<html lang="de">\n<head>'],
    ['in front of an empty one, which is the second then', LANG, '<html lang="" class=a>', '<html lang="de" lang="" class=a>'],
    ['for a page without the tag', LANG, '<!doctype html>\n<title>x</title>', '<!doctype html>\n<html lang="de"><title>x</title>'],
    ['for one in capitals', LANG, '<HTML CLASS=x><p>', '<HTML lang="de" CLASS=x><p>'],
    ['the second title goes with its line', TITLE, '<head>\n<title>Box</title>\n<title>Two</title>\n</head>', '<head>\n<title>Box</title>\n</head>'],
    ['within a line only it goes', TITLE, '<head><title>Box</title><TITLE >Two</TITLE ><base href=/></head>', '<head><title>Box</title><base href=/></head>'],
    ['a title in the body goes up', TITLE, '<head></head><body><title>Box</title><p>x', '<head><title>Box</title></head><body><p>x'],
    ['with new words', TITLE, '<head></head><body><title>Old</title><p>x', '<head><title>Box</title></head><body><p>x'],
    ['a drawing’s title is none of the page', TITLE, '<title>Box</title><svg><title>Cat</title></svg>', '<title>Box</title><svg><title>Cat</title></svg>'],
    ['the second main heading', HEADING, '<h1>A</h1><p>x<h1 class=h>B <i>c</i></h1 >', '<h1>A</h1><p>x<h2 class=h>B <i>c</i></h2 >'],
    ['not an empty one', HEADING, '<h1> </h1><h1>A</h1><H1>B</H1>', '<h1> </h1><h1>A</h1><H2>B</H2>'],
    ['past a comment with a tag in it', HEADING, '<h1>A</h1><h1>B<!-- </h1> --></h1>', '<h1>A</h1><h2>B<!-- </h1> --></h2>'],
    ['closed by an end tag of another level', HEADING, '<h1>A</h1><h1>B</h3>', '<h1>A</h1><h2>B</h2>'],
  ])('%s', (_, edit, before, after) => {
    expect(patched(before, edit)).toBe(after);
    expect(patched(after, edit)).toBe(after);
  });
  it('a heading that is never closed is left as it is, and that is said', () => {
    expect(patched('<h1>A</h1><h1>B<h1>C</h1>', HEADING)).toBe('refused: head-cannot-take-it');
  });
  it('together with other words for the same places', () => {
    const html = '<html><head></head><body><title>Old</title><h1>A</h1><h1>B</h1></body></html>';
    const start = html.indexOf('<h1>B');
    expect(patched(html, LANG, TITLE, HEADING, { kind: 'passage', start, was: 'B', now: 'Bee', links: [] })).toBe(
      '<html lang="de"><head><title>Box</title></head><body><h1>A</h1><h2>Bee</h2></body></html>',
    );
  });
  it('on tag soup: it says so afterwards and keeps all else, or is refused', () => {
    fc.assert(
      fc.property(soup, fc.constantFrom<TemplateEdit>(LANG, TITLE, HEADING), (html, edit) => {
        const before = factsOf(html);
        const result = patchPage(sourceOf(html), before, [edit]);
        if (!result.ok) return;
        const reread = readSource(decodeSource(result.bytes, 'utf-8'));
        if (!reread.ok) throw new Error(reread.reason);
        const after = reread.facts;
        expect([after.images.length, after.anchors.map((anchor) => anchor.href), after.headings.map((heading) => heading.text)]).toEqual([
          before.images.length,
          before.anchors.map((anchor) => anchor.href),
          before.headings.map((heading) => heading.text),
        ]);
        if (edit.kind === 'lang') expect(after.lang).toBe('de');
        if (edit.kind === 'one-title') expect(after.titles.map(({ text: said, inHead }) => [said, inHead])).toEqual([['Box', true]]);
        if (edit.kind === 'one-heading') expect(after.headings.filter(({ level, text: said }) => level === 1 && said !== '').length).toBeLessThanOrEqual(1);
      }),
      { numRuns: runs(1000) },
    );
  });
});

describe('what cannot be written into says so beforehand', () => {
  const page = (title: string): string => `<!doctype html><html><head>${title}<meta name=description content=x></head><body><h1>x</h1></body></html>`;
  it.each([
    ['UTF-16', Uint8Array.from([0xff, 0xfe, 0x3c, 0, 0x70, 0, 0x3e, 0]), 'utf-16'],
    ['a stateful encoding', new TextEncoder().encode('<meta charset=iso-2022-jp><p>x'), 'stateful-encoding'],
    ['a title that never ends', new TextEncoder().encode(page('<title>x')), 'head-open'],
    ['a style that never ends', new TextEncoder().encode(page('<style>p{}')), 'head-open'],
    ['a title made by a program', new TextEncoder().encode(page('<title><?php echo $t ?></title>')), 'title-made'],
    ['a title with a place to be filled', new TextEncoder().encode(page('<title>{{ page.title }}</title>')), 'title-made'],
    ['a good one', new TextEncoder().encode(page('<title>x</title>')), undefined],
    ['none at all', new TextEncoder().encode(page('')), undefined],
    ['an empty page', new Uint8Array(), undefined],
  ])('%s', (_, bytes, why) => {
    const source = decodeSource(bytes);
    const reading = readSource(source);
    if (!reading.ok) throw new Error(reading.reason);
    expect(reading.facts.unwritable).toBe(why);
    expect(patchPage(source, reading.facts, [{ kind: 'title', text: 'New words' }]).ok).toBe(why === undefined);
  });
  it('and what does not say so takes a title, on any page', () => {
    fc.assert(
      fc.property(soup, (html) => {
        const facts = factsOf(html);
        // Whether a template ends within a tag that is none takes a parser to tell; the page itself is asked by a trial.
        if (facts.unwritable === undefined && !html.includes('<template'))
          expect(patchPage(sourceOf(html), facts, [{ kind: 'title', text: 'New words' }])).toMatchObject({ ok: true });
      }),
      { numRuns: runs(1000) },
    );
  });
});
