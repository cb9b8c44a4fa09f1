import fc from 'fast-check';
import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { ARCHIVE_LIMITS, byteOffsets, decodeSource, inflateEntry, listArchive, sameBytes, sniffEncoding, spliceSource } from './index.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const latin = (text: string): Uint8Array => Uint8Array.from(text, (character) => character.charCodeAt(0));

describe('encodings', () => {
  it.each([
    ['a mark', new Uint8Array([0xef, 0xbb, 0xbf, 0x41]), undefined, 'utf-8', 'bom'],
    ['a UTF-16 mark', new Uint8Array([0xff, 0xfe, 0x41, 0]), undefined, 'utf-16le', 'bom'],
    ['the header', bytes('<meta charset=utf-8>'), 'ISO-8859-1', 'windows-1252', 'header'],
    ['a meta', bytes('<!doctype html><meta charset="UTF8">'), undefined, 'utf-8', 'meta'],
    ['a pragma', bytes('<meta http-equiv=content-type content="text/html; charset=shift_jis">'), undefined, 'shift_jis', 'meta'],
    ['a meta in a comment', bytes('<!-- <meta charset=utf-8> --><meta charset=koi8-r>'), undefined, 'koi8-r', 'meta'],
    ['a meta inside a value', bytes('<p title="<meta charset=utf-8>"><meta charset=koi8-r>'), undefined, 'koi8-r', 'meta'],
    ['a meta that claims UTF-16', bytes('<meta charset=utf-16>'), undefined, 'utf-8', 'meta'],
    ['content without pragma', bytes('<meta content="text/html; charset=koi8-r">'), undefined, 'windows-1252', 'fallback'],
    ['a meta too far down', bytes(`${' '.repeat(1024)}<meta charset=utf-8>`), undefined, 'windows-1252', 'fallback'],
    ['nothing', bytes('<p>'), undefined, 'windows-1252', 'fallback'],
  ])('are told by %s', (_, page, header, name, from) => {
    expect(sniffEncoding(page, header)).toMatchObject({ name, from });
  });
  it('reads windows-1252 as the standard has it', () => {
    expect(decodeSource(latin('\x80 \x93q\x94 \x96 \xe9')).text).toBe('€ “q” – é');
  });
});

describe('splicing', () => {
  const pieces = fc.array(
    fc.oneof(
      fc.constantFrom('<', '>', 'a', ' ', 'é', '€', '𝄞', '日'),
      fc.integer({ min: 0x80, max: 0xff }).map((code) => String.fromCharCode(code)),
    ),
    { maxLength: 40 },
  );

  it('with nothing gives the very same bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (raw) => {
        const result = spliceSource(decodeSource(raw), []);
        expect(result.ok && result.bytes).toBe(raw);
      }),
    );
  });

  it.each(['utf-8', 'windows-1252', 'shift_jis', 'gb18030', 'big5', 'euc-kr'])(
    'replaces at ASCII places in %s and leaves all other bytes alone',
    (encoding) => {
      let done = 0;
      fc.assert(
        fc.property(fc.uint8Array({ maxLength: 60 }), fc.uint8Array({ maxLength: 60 }), (before, behind) => {
          const mark = bytes('<MARK>');
          const raw = Uint8Array.from([...before, 10, ...mark, 10, ...behind]);
          const source = decodeSource(raw, encoding);
          const at = source.text.indexOf('<MARK>');
          // A lead byte may take the line end in front of the mark, never the mark itself.
          if (at < 0 || source.encoding.from === 'bom') return;
          const result = spliceSource(source, [{ start: at, end: at + 6, insert: '<new>' }]);
          const found = before.length + 1;
          if (source.text.indexOf('<MARK>', at + 1) >= 0) return;
          if (!result.ok) return void expect(encoding).not.toMatch(/utf-8|windows/);
          done++;
          expect(sameBytes(result.bytes, Uint8Array.from([...raw.subarray(0, found), ...bytes('<new>'), ...raw.subarray(found + 6)]))).toBe(true);
        }),
        { numRuns: 400 },
      );
      expect(done).toBeGreaterThan(100);
    },
  );

  it('counts UTF-8 as the decoder does, malformed or not', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 40 }), (noise) => {
        const raw = Uint8Array.from([...noise, 0x3c]);
        const source = decodeSource(raw, 'utf-8');
        if (source.encoding.from === 'bom') return;
        expect(byteOffsets(source, [source.text.length - 1, source.text.length])).toEqual([raw.length - 1, raw.length]);
      }),
      { numRuns: 2000 },
    );
  });

  it('puts several insertions at one place in their order', () => {
    fc.assert(
      fc.property(pieces, (texts) => {
        const source = decodeSource(bytes('<p></p>'), 'utf-8');
        const result = spliceSource(
          source,
          texts.map((insert) => ({ start: 3, end: 3, insert })),
        );
        expect(result.ok && new TextDecoder().decode(result.bytes)).toBe(`<p>${texts.join('')}</p>`);
      }),
    );
  });

  it('refuses what it cannot do safely', () => {
    expect(spliceSource(decodeSource(new Uint8Array([0xff, 0xfe, 0x41, 0])), [{ start: 0, end: 1, insert: 'x' }])).toEqual({ ok: false, reason: 'utf-16' });
    expect(spliceSource(decodeSource(bytes('a'), 'iso-2022-jp'), [{ start: 0, end: 1, insert: 'x' }])).toEqual({ ok: false, reason: 'stateful-encoding' });
    expect(spliceSource(decodeSource(latin('a')), [{ start: 0, end: 1, insert: 'é' }])).toEqual({ ok: false, reason: 'not-encodable' });
    expect(() =>
      spliceSource(decodeSource(bytes('abcdef')), [
        { start: 0, end: 4, insert: '' },
        { start: 2, end: 5, insert: '' },
      ]),
    ).toThrow(RangeError);
  });
});

describe('archives', () => {
  const zip = zipSync({ 'a/index.html': bytes('<p>'), '../evil.html': bytes('x'), 'big.txt': [new Uint8Array(3_000_000), { level: 9 }] });
  it('lists what may be read and refuses what climbs out or unpacks absurdly', () => {
    const listing = listArchive(zip);
    expect(listing.ok && listing.entries.map((entry) => entry.path)).toEqual(['a/index.html']);
    expect(listing.ok && listing.refused).toEqual([
      { path: '../evil.html', reason: 'climbs-out' },
      { path: 'big.txt', reason: 'absurd-ratio' },
    ]);
  });
  it('gives back every byte', () => {
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.string({ minLength: 1, unit: fc.constantFrom('a', 'b', 'é', '.') }).filter((name) => name !== '.' && name !== '..'),
          fc.uint8Array({ maxLength: 500 }),
        ),
        (files) => {
          const packed = zipSync(files);
          const listing = listArchive(packed);
          if (!listing.ok) throw new Error(listing.reason);
          const found = Object.fromEntries(listing.entries.map((entry) => [entry.path, inflateEntry(packed, entry)]));
          for (const [path, content] of Object.entries(files)) expect(found[path]).toEqual({ ok: true, bytes: content });
        },
      ),
      { numRuns: 60 },
    );
  });
  it('refuses too many, too much, and what is no ZIP', () => {
    expect(listArchive(zip, { ...ARCHIVE_LIMITS, entries: 2 })).toEqual({ ok: false, reason: 'too-many' });
    expect(listArchive(zip, { ...ARCHIVE_LIMITS, totalSize: 2 })).toEqual({ ok: false, reason: 'too-large' });
    expect(listArchive(bytes('not a zip'))).toEqual({ ok: false, reason: 'not-a-zip' });
    expect(listArchive(new Uint8Array())).toEqual({ ok: false, reason: 'not-a-zip' });
  });
  it('notices damage, and never throws on any of it', () => {
    fc.assert(
      fc.property(fc.nat({ max: zip.length - 1 }), fc.integer({ min: 1, max: 255 }), (at, flip) => {
        const broken = zip.slice();
        broken[at] = (broken[at] as number) ^ flip;
        const listing = listArchive(broken);
        if (!listing.ok) return;
        for (const entry of listing.entries) {
          const inflated = inflateEntry(broken, entry);
          if (inflated.ok && entry.path === 'a/index.html') expect(new TextDecoder().decode(inflated.bytes)).toBe('<p>');
        }
      }),
      { numRuns: 400 },
    );
  });
});
