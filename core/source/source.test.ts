import fc from 'fast-check';
import { gzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/effort.ts';
import { ARCHIVE_LIMITS, byteOffsets, decodeSource, gunzipBounded, inflateEntry, listArchive, sameBytes, sniffEncoding, spliceSource } from './index.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const latin = (text: string): Uint8Array => Uint8Array.from(text, (character) => character.charCodeAt(0));

describe('gzip (RFC 1952)', () => {
  const one = gzipSync(bytes('<urlset>'));
  const two = gzipSync(bytes('</urlset>'));
  const joined = (...parts: Uint8Array[]): Uint8Array => Uint8Array.from(parts.flatMap((part) => [...part]));
  it.each<[string, Uint8Array, string | undefined]>([
    ['one member', one, '<urlset>'],
    ['several members', joined(one, two, one), '<urlset></urlset><urlset>'],
    ['an empty member', joined(gzipSync(new Uint8Array()), one), '<urlset>'],
    ['cut off in its trailer', one.subarray(0, one.length - 3), undefined],
    ['cut off in its data', one.subarray(0, 14), undefined],
    ['with another byte behind it', joined(one, Uint8Array.of(1)), undefined],
    ['a checksum that is not its own', one.map((byte, at) => (at === one.length - 8 ? byte ^ 1 : byte)), undefined],
    ['a size that is not its own', one.map((byte, at) => (at === one.length - 4 ? byte ^ 1 : byte)), undefined],
    [
      'a checksum of its first member that is not its own',
      joined(
        one.map((byte, at) => (at === one.length - 8 ? byte ^ 1 : byte)),
        two,
      ),
      undefined,
    ],
    ['more than is allowed', gzipSync(new Uint8Array(2000)), undefined],
  ])('%s', (_, packed, text) => {
    const unpacked = gunzipBounded(packed, 1000);
    expect(unpacked && new TextDecoder().decode(unpacked)).toBe(text);
  });
  it('gives back what was packed, in however many members', () => {
    fc.assert(
      fc.property(fc.array(fc.uint8Array({ maxLength: 300 }), { minLength: 1, maxLength: 5 }), (parts) => {
        const unpacked = gunzipBounded(joined(...parts.map((part) => gzipSync(part))), 10_000);
        expect(unpacked && [...unpacked]).toEqual(parts.flatMap((part) => [...part]));
      }),
    );
  });
});

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
    ['a meta too far down for the prescan', bytes(`${' '.repeat(1024)}<meta charset=utf-8>`), undefined, 'utf-8', 'late'],
    [
      'a late one in a script, and a later one',
      bytes(`${' '.repeat(1024)}<script>"<meta charset=utf-8>"</script><meta charset=koi8-r>`),
      undefined,
      'koi8-r',
      'late',
    ],
    ['a late one in a title alone', bytes(`${' '.repeat(1024)}<title><meta charset=utf-8></title>`), undefined, 'windows-1252', 'fallback'],
    ['a late one in the body', bytes(`${' '.repeat(1024)}<p>x<meta charset=koi8-r>`), undefined, 'koi8-r', 'late'],
    ['one cut by the limit', bytes(`${' '.repeat(1012)}<meta charset=koi8-r>`), undefined, 'koi8-r', 'late'],
    ['a label that nobody knows, and one that is known', bytes('<meta charset=unicorn><meta charset=koi8-r>'), undefined, 'koi8-r', 'meta'],
    ['a label that nobody knows', bytes('<meta charset=unicorn>'), undefined, 'windows-1252', 'fallback'],
    ['a label with spaces around it', bytes('<meta charset=" utf8 ">'), undefined, 'utf-8', 'meta'],
    ['the XML declaration', bytes('<?xml version="1.0" encoding="koi8-r"?><html>'), undefined, 'koi8-r', 'xml'],
    ['the XML declaration and a meta', bytes('<?xml version="1.0" encoding="koi8-r"?><meta charset=utf-8>'), undefined, 'utf-8', 'meta'],
    [
      'the XML declaration before a late meta',
      bytes(`<?xml version="1.0" encoding='koi8-r'?>${' '.repeat(1024)}<meta charset=utf-8>`),
      undefined,
      'koi8-r',
      'xml',
    ],
    ['an XML declaration that is not at the start', bytes(' <?xml version="1.0" encoding="koi8-r"?>'), undefined, 'windows-1252', 'fallback'],
    ['an XML declaration that claims UTF-16', bytes('<?xml version="1.0" encoding="utf-16"?>'), undefined, 'utf-8', 'xml'],
    ['an XML declaration in UTF-16', new Uint8Array([0x3c, 0, 0x3f, 0, 0x78, 0, 0x6d, 0]), undefined, 'utf-16le', 'xml'],
    ['an encoding that is replaced', bytes('<meta charset=iso-2022-kr>'), undefined, 'replacement', 'meta'],
    ['an encoding that is replaced, in the header', bytes('x'), 'HZ-GB-2312', 'replacement', 'header'],
    ['a header that nobody knows', bytes('<meta charset=koi8-r>'), 'unicorn', 'koi8-r', 'meta'],
    ['nothing, and letters in UTF-8', bytes('<p>für'), undefined, 'utf-8', 'guess'],
    ['nothing, and letters in something else', latin('<p>f\u00fcr'), undefined, 'windows-1252', 'fallback'],
    ['nothing but ASCII', bytes('<p>for'), undefined, 'windows-1252', 'fallback'],
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
        { numRuns: runs(400) },
      );
      expect(done).toBeGreaterThanOrEqual(runs(400) / 4);
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
      { numRuns: runs(2000) },
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
      { numRuns: runs(60) },
    );
  });
  it('refuses too many, too much, and what is no ZIP', () => {
    expect(listArchive(zip, { ...ARCHIVE_LIMITS, entries: 2 })).toEqual({ ok: false, reason: 'too-many' });
    expect(listArchive(zip, { ...ARCHIVE_LIMITS, totalSize: 2 })).toEqual({ ok: false, reason: 'too-large' });
    expect(listArchive(bytes('not a zip'))).toEqual({ ok: false, reason: 'not-a-zip' });
    expect(listArchive(new Uint8Array())).toEqual({ ok: false, reason: 'empty-file' });
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
      { numRuns: runs(400) },
    );
  });
});
