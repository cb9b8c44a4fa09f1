import { zipSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { oldZip } from '../testing/zip.ts';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { listArchive } from './index.ts';
import { readOldNames } from './old-names.ts';

const octets = (hex: string): Uint8Array => Uint8Array.from(hex.match(/../g) ?? [], (pair) => parseInt(pair, 16));
/** Latin text with octets as `{xx}`. */
const name = (text: string): Uint8Array =>
  octets(text.replace(/\{([0-9a-f]+)\}|([^])/g, (_, hex: string | undefined, sign: string) => hex ?? sign.charCodeAt(0).toString(16).padStart(2, '0')));

describe('names of files in an old code page', () => {
  it.each<[string, string[], string[]]>([
    ['German, by 437 and 850 alike', ['{9a}ber-uns.html', 'B{81}cher/K{94}ln.html', 'Stra{e1}e.html'], ['Über-uns.html', 'Bücher/Köln.html', 'Straße.html']],
    ['German, by Windows', ['{dc}ber-uns.html', 'B{fc}cher/K{f6}ln.html', 'Stra{df}e.html'], ['Über-uns.html', 'Bücher/Köln.html', 'Straße.html']],
    ['French', ['caf{82}.html', '{85} propos.html', 'fran{87}ais.html', 'for{88}t.html'], ['café.html', 'à propos.html', 'français.html', 'forêt.html']],
    ['French, by Windows', ['caf{e9}.html', '{e0} propos.html', 'fran{e7}ais.html'], ['café.html', 'à propos.html', 'français.html']],
    ['Danish, which only 850 has', ['r{9b}dgr{9b}d.html', '{9d}sterbro.html', 'b{91}r.html'], ['rødgrød.html', 'Østerbro.html', 'bær.html']],
    ['Portuguese, by 850', ['p{c6}o.html', 'cora{87}{c6}o.html', 'informa{87}{e4}es.html'], ['pão.html', 'coração.html', 'informações.html']],
    ['Portuguese, by Windows', ['p{e3}o.html', 'cora{e7}{e3}o.html', 'informa{e7}{f5}es.html'], ['pão.html', 'coração.html', 'informações.html']],
    ['Spanish', ['a{a4}o.html', 'informaci{a2}n.html', 'm{a0}s.html'], ['año.html', 'información.html', 'más.html']],
    ['Swedish', ['{86}ngstr{94}m.html', 'sm{94}rg{86}s.html'], ['ångström.html', 'smörgås.html']],
    ['Russian, by 866', ['{8f}e{a0}'.replace('e', '{e0}').replace('{a0}', '{a8a2a5e2}.html')], ['Привет.html']],
    ['Russian, by Windows', ['{cff0e8e2e5f2}.html', '{ee20ede0f1}.html'], ['Привет.html', 'о нас.html']],
    ['Polish, by Windows', ['{a3}{f3}d{9f}.html', 'ksi{b9}{bf}ka.html'], ['Łódź.html', 'książka.html']],
    ['Japanese', ['{90bb967b}.html', '{82a882e0}/index.html'], ['製本.html', 'おも/index.html']],
    ['Chinese', ['{d6d0cec4}.html', '{b9d8d3daced2c3c7}.html'], ['中文.html', '关于我们.html']],
    ['Korean', ['{bec8b3e7}.html', '{c8b8bbe7bcd2b0b3}.html'], ['안녕.html', '회사소개.html']],
  ])('%s', (_, raw, read) => expect(readOldNames(raw.map(name))).toEqual(read));

  it('each keeps its own octets, and none is read where all are UTF-8', () => {
    const zip = oldZip({ 'K{94}ln.html': '<p>', 'plain.html': '<p>' });
    const listing = listArchive(zip);
    expect(listing.ok && listing.entries.map(({ path, oldName }) => [path, oldName && [...oldName]])).toEqual([
      ['Köln.html', [...name('K{94}ln.html')]],
      ['plain.html', undefined],
    ]);
    const utf8 = listArchive(zipSync({ 'Köln.html': new Uint8Array(1) }));
    expect(utf8.ok && utf8.entries[0]).toMatchObject({ path: 'Köln.html' });
    expect(utf8.ok && utf8.entries[0]?.oldName).toBeUndefined();
  });
  it('UTF-8 without the flag that says so is UTF-8', () => {
    const listing = listArchive(oldZip({ 'K{c3b6}ln.html': '<p>', 'B{81}cher.html': '<p>' }));
    expect(listing.ok && listing.entries.map(({ path }) => path)).toEqual(['Köln.html', 'Bücher.html']);
  });
  it('the field for names in Unicode decides, where it is of this very name (APPNOTE, 4.6.9)', () => {
    // Version 1, the CRC-32 of "K?ln.html", then the name in UTF-8.
    const crc = [0x1b, 0x5c, 0x32, 0x0e];
    const field = (sum: number[]) => Uint8Array.from([1, ...sum, ...new TextEncoder().encode('Köln.html')]);
    const zip = (sum: number[]) => zipSync({ 'K?ln.html': [new Uint8Array(1), { extra: { 0x7075: field(sum) } }] });
    const path = (sum: number[]): unknown => {
      const listing = listArchive(zip(sum));
      return listing.ok && listing.entries[0]?.path;
    };
    expect([path(crc32Of('K?ln.html')), path(crc)]).toEqual(['Köln.html', 'K?ln.html']);
  });
  it('folders with backslashes, where systems that have them made the ZIP', () => {
    const made = (system: number): unknown => {
      const zip = zipSync({ 'a\\b.html': new Uint8Array(1) });
      const at = zip.findIndex((_, index) => zip[index] === 0x50 && zip[index + 1] === 0x4b && zip[index + 2] === 1 && zip[index + 3] === 2);
      zip[at + 5] = system;
      const listing = listArchive(zip);
      return listing.ok && [listing.entries.map(({ path }) => path), listing.refused.map(({ reason }) => reason)];
    };
    expect([made(0), made(11), made(3)]).toEqual([
      [['a/b.html'], []],
      [['a/b.html'], []],
      [[], ['climbs-out']],
    ]);
  });
  it('of tens of thousands of files take time in proportion', SLOW, () => {
    const many = (count: number) => Array.from({ length: count }, (_, at) => name(`B{81}cher/Seite-${at}-K{94}ln.html`));
    expect(readOldNames(many(60_000))[59_999]).toBe('Bücher/Seite-59999-Köln.html');
    expectInProportion({ small: 7_500, times: 8, make: many, work: (names) => void readOldNames(names) });
  });
  it('never throws, whatever the octets', () => {
    fc.assert(
      fc.property(fc.array(fc.uint8Array({ minLength: 1, maxLength: 20 }), { maxLength: 6 }), (names) => {
        expect(readOldNames(names)).toHaveLength(names.length);
      }),
      { numRuns: runs(300) },
    );
  });
});

/** CRC-32 bit by bit, little-endian, as APPNOTE 4.4.7 has it. */
function crc32Of(text: string): number[] {
  let crc = 0xffffffff;
  for (const byte of new TextEncoder().encode(text)) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = (crc >>> 1) ^ (crc & 1 ? 0xedb88320 : 0);
  }
  crc = ~crc >>> 0;
  return [crc & 255, (crc >>> 8) & 255, (crc >>> 16) & 255, crc >>> 24];
}

describe('what is no ZIP that can be read, by name', () => {
  const zip = zipSync({ 'index.html': new TextEncoder().encode('<p>'.repeat(100)) });
  const locked = zip.slice();
  for (let at = 0; at < locked.length - 4; at++)
    if (locked[at] === 0x50 && locked[at + 1] === 0x4b && (locked[at + 2] === 1 || locked[at + 2] === 3)) locked[at + (locked[at + 2] === 1 ? 8 : 6)]! |= 1;
  it.each<[string, Uint8Array, string]>([
    ['nothing at all', new Uint8Array(), 'empty-file'],
    ['a page', new TextEncoder().encode('<!doctype html>'), 'not-a-zip'],
    ['one cut off', zip.subarray(0, zip.length - 30), 'cut-off'],
    ['one with a password', locked, 'encrypted'],
    ['another kind', Uint8Array.from([0x52, 0x61, 0x72, 0x21, 0x1a, 0x07, 1, 0]), 'other-archive'],
    ['a packed tape', Uint8Array.from([0x1f, 0x8b, 8, 0]), 'other-archive'],
    ['a tape', Uint8Array.from({ length: 512 }, (_, at) => 'ustar'.charCodeAt(at - 257) || 0), 'other-archive'],
  ])('%s', (_, bytes, reason) => expect(listArchive(bytes)).toEqual({ ok: false, reason }));
});
