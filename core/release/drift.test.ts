import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readPage, type PageFacts } from '../page/index.ts';
import { runs } from '../testing/effort.ts';
import { driftOf, liveFields, written, type LiveFields } from './index.ts';

const ADDRESS = 'https://a.example/x/';
const factsOf = (html: string): PageFacts => {
  const reading = readPage(new TextEncoder().encode(`<meta charset=utf-8>${html}`), { keepText: true });
  if (!reading.ok) throw new Error('no page');
  return reading.facts;
};
const fields = (html: string, header: readonly string[] = []): LiveFields => liveFields(factsOf(html), ADDRESS, header);
const differ = (meant: string, found: string): string[] => driftOf(fields(meant), fields(found)).map(({ field }) => field);

describe('drift', () => {
  it.each([
    ['nothing', '<title>A</title><p>x', '<title>A</title><p>x', []],
    ['white space and quotes', '<title>A</title><meta name=description content=b>', "<title> A </title>\n<meta content='b' name='description'>", []],
    ['directives however spelt', '<meta name=robots content="noindex,follow">', '<meta name=ROBOTS content="NoIndex , Follow">', []],
    ['a canonical however written', '<link rel=canonical href=/x/>', '<link rel=canonical href=https://a.example/x/>', []],
    ['markup however spaced', '<script type=application/ld+json>{"a":1}</script>', '<script type=application/ld+json>{ "a": 1 }</script>', []],
    ['a title', '<title>A</title>', '<title>A – My builder</title>', ['title']],
    ['a description that is not in yet', '<meta name=description content=b>', '<p>', ['description']],
    ['a noindex that the host put in', '<p>x', '<meta name=robots content=noindex><p>x', ['robots']],
    ['a canonical taken out', '<link rel=canonical href=/x/>', '<p>', ['canonical']],
    ['markup lost', '<script type=application/ld+json>{"a":1}</script>', '<p>', ['markup']],
    ['a script that the host put in', '<p>x', '<p>x<script src=https://c.example/t.js></script>', ['scripts']],
    ['a share card', '<meta property=og:title content=t>', '<meta property=og:title content=u>', ['share']],
    ['a heading and the words', '<h1>A</h1><p>x', '<h1>B</h1><p>x', ['heading', 'words']],
    ['the language', '<html lang=en-GB>', '<html lang=en>', ['lang']],
  ])('%s', (_, meant, found, told) => expect(differ(meant, found)).toEqual(told));

  it('sees a header that the host adds', () => {
    expect(driftOf(fields('<p>x'), fields('<p>x', ['NOINDEX']))).toEqual([{ field: 'header', meant: '', found: 'noindex' }]);
  });
  it('shows words around the place where they begin to differ', () => {
    const text = 'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen ';
    const [only] = driftOf(fields(`<p>${text}A end`), fields(`<p>${text}B end`));
    expect([only?.field, only?.meant.endsWith('eighteen A end'), only?.found.endsWith('eighteen B end')]).toEqual(['words', true, true]);
    expect(only?.meant.startsWith('…')).toBe(true);
  });
  it('asks nothing about words of a page of which none are known', () => expect(differ('', '<p>a builder’s own words')).toEqual([]));

  it('what is written into a page shows in its own field, and in no other', () => {
    const source = '<!doctype html><meta charset=utf-8><title>Old</title><meta name=description content=old><p>x';
    const bytes = new TextEncoder().encode(source);
    const read = (of: Uint8Array): PageFacts => {
      const reading = readPage(of, { keepText: true });
      if (!reading.ok) throw new Error('no page');
      return reading.facts;
    };
    fc.assert(
      fc.property(
        fc.stringMatching(/^[\p{L}<&" ]{1,40}$/u).map((text) => `x${text.replace(/\s+/g, ' ').trim()}`),
        fc.constantFrom('title' as const, 'description' as const),
        (text, kind) => {
          const out = written(bytes, [{ kind, text }]);
          expect(out.left).toEqual([]);
          const drift = driftOf(liveFields(read(out.bytes), ADDRESS, []), liveFields(read(bytes), ADDRESS, []));
          expect(drift.filter(({ field }) => field !== kind)).toEqual([]);
          if (text.trim().toLowerCase() !== 'old') expect(drift).toHaveLength(1);
        },
      ),
      { numRuns: runs(200) },
    );
  });
});
