import { decodeBytes, readOnlyReason, type SourceText } from './encoding.ts';
import { encodeIn } from './encode.ts';

/** A half-open stretch of a page's text, in UTF-16 units. */
export interface Range {
  readonly start: number;
  readonly end: number;
}

/** One replacement in a page's text. `insert` must be ASCII unless the page is UTF-8, or it is to be spelled in the page's own encoding. */
export interface Splice extends Range {
  readonly insert: string;
  /** What is not ASCII in it is written in the page's own encoding: for scripts and comments, in which references are none. */
  readonly ownEncoding?: boolean;
}

const ENCODER = new TextEncoder();
const ASCII = /^[\x00-\x7f]*$/;

/** What splicing gives: the new bytes, or why the file cannot be changed. */
export type SpliceResult =
  { readonly ok: true; readonly bytes: Uint8Array } | { readonly ok: false; readonly reason: 'utf-16' | 'stateful-encoding' | 'not-encodable' };

/**
 * Replaces stretches of text in a file's bytes. Bytes outside the stretches stay identical, malformed ones too.
 * Splices may come in any order and must not overlap; several insertions at one place keep their order.
 * With nothing to replace the very same bytes come back. Throws RangeError on overlapping splices.
 */
export function spliceSource(source: SourceText, splices: readonly Splice[]): SpliceResult {
  if (splices.length === 0) return { ok: true, bytes: source.bytes };
  const reason = readOnlyReason(source.encoding);
  if (reason !== undefined) return { ok: false, reason };
  const utf8 = source.encoding.name === 'utf-8';
  const encoded = splices.map(({ insert, ownEncoding }) =>
    utf8 || ASCII.test(insert) ? ENCODER.encode(insert) : ownEncoding && encodeIn(source.encoding.name, insert),
  );
  if (!encoded.every((bytes) => bytes instanceof Uint8Array)) return { ok: false, reason: 'not-encodable' };

  const ordered = splices.map((splice, order) => ({ ...splice, order })).sort((a, b) => a.start - b.start || a.end - b.end || a.order - b.order);
  const offsets = byteOffsets(
    source,
    ordered.flatMap((splice) => [splice.start, splice.end]),
  );
  if (offsets === undefined) return { ok: false, reason: 'stateful-encoding' };
  const parts: Uint8Array[] = [];
  let from = 0;
  ordered.forEach((splice, index) => {
    const start = offsets[index * 2] as number;
    const end = offsets[index * 2 + 1] as number;
    if (start < from || end < start) throw new RangeError('splices overlap');
    parts.push(source.bytes.subarray(from, start), encoded[splice.order] as Uint8Array);
    from = end;
  });
  parts.push(source.bytes.subarray(from));
  return { ok: true, bytes: joinBytes(parts) };
}

/** Byte offsets (from the file's first byte, mark included) of text offsets; undefined where one falls inside what cannot be taken apart. */
export function byteOffsets(source: SourceText, textOffsets: readonly number[]): number[] | undefined {
  const { bytes, encoding, text } = source;
  const body = bytes.subarray(encoding.bom);
  if (body.length === text.length && encoding.name !== 'utf-8') return textOffsets.map((offset) => offset + encoding.bom);
  if (encoding.name === 'utf-8') return utf8Offsets(body, textOffsets).map((offset) => offset + encoding.bom);
  return decodedOffsets(body, encoding.name, text, textOffsets)?.map((offset) => offset + encoding.bom);
}

/** Walks UTF-8 as the Encoding Standard's decoder does: each maximal malformed part is one U+FFFD. */
function utf8Offsets(bytes: Uint8Array, wanted: readonly number[]): number[] {
  const found: number[] = [];
  const order = wanted.map((_, index) => index).sort((a, b) => (wanted[a] as number) - (wanted[b] as number));
  let units = 0;
  let at = 0;
  for (const index of order) {
    const target = wanted[index] as number;
    while (units < target && at < bytes.length) {
      const first = bytes[at] as number;
      if (first < 0x80) {
        at++;
        units++;
        continue;
      }
      const { length, valid } = utf8Sequence(bytes, at);
      at += length;
      units += valid && length === 4 ? 2 : 1;
    }
    found[index] = at;
  }
  return found;
}

/** Length of the sequence (or of its maximal malformed part) at `at`, and whether it is well formed (Encoding Standard 8.1.1). */
function utf8Sequence(bytes: Uint8Array, at: number): { length: number; valid: boolean } {
  const first = bytes[at] as number;
  let needed = 0;
  let lower = 0x80;
  let upper = 0xbf;
  if (first >= 0xc2 && first <= 0xdf) needed = 1;
  else if (first >= 0xe0 && first <= 0xef) {
    needed = 2;
    if (first === 0xe0) lower = 0xa0;
    if (first === 0xed) upper = 0x9f;
  } else if (first >= 0xf0 && first <= 0xf4) {
    needed = 3;
    if (first === 0xf0) lower = 0x90;
    if (first === 0xf4) upper = 0x8f;
  } else return { length: 1, valid: false };
  for (let seen = 1; seen <= needed; seen++) {
    const byte = bytes[at + seen];
    if (byte === undefined || byte < lower || byte > upper) return { length: seen, valid: false };
    lower = 0x80;
    upper = 0xbf;
  }
  return { length: needed + 1, valid: true };
}

/** Bytes decoded at once where nobody asks for a place among them. */
const CHUNK = 512;
/** Places that are looked for one by one where a walk cannot find them: each costs the whole text. */
const MOST_SEARCHED = 64;

/** Offsets in a legacy multi-byte encoding; undefined where one falls where nothing may be torn apart. */
function decodedOffsets(bytes: Uint8Array, encoding: string, text: string, wanted: readonly number[]): number[] | undefined {
  const walked = walkedOffsets(bytes, encoding, text, wanted);
  if (walked !== 'no walk') return walked;
  const asked = new Set(wanted);
  if (asked.size > MOST_SEARCHED) return undefined;
  const found = new Map([...asked].map((offset) => [offset, searchedOffset(bytes, encoding, text, offset)]));
  const places = wanted.map((offset) => found.get(offset));
  return places.every((place) => place !== undefined) ? places : undefined;
}

/**
 * The same in one walk. A place is where the decoder has given exactly the text before it; where it gives several units at once, there is none between them.
 * Some decoders stumble over damaged text when they are given it in pieces: then there is no walk.
 */
function walkedOffsets(bytes: Uint8Array, encoding: string, text: string, wanted: readonly number[]): number[] | undefined | 'no walk' {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  const found = new Map<number, number>([[0, 0]]);
  const sorted = [...new Set(wanted)].sort((a, b) => a - b);
  let units = 0;
  let next = 0;
  const step = (at: number, end: number): boolean => {
    const decoded = end > at ? decoder.decode(bytes.subarray(at, end), { stream: true }) : decoder.decode();
    if (!text.startsWith(decoded, units)) return false;
    units += decoded.length;
    if (!found.has(units)) found.set(units, end);
    return true;
  };
  try {
    for (let at = 0; at < bytes.length; at += CHUNK) {
      const end = Math.min(at + CHUNK, bytes.length);
      while (next < sorted.length && (sorted[next] as number) <= units) next++;
      // A chunk holds at most as many units as bytes, and what was left over from the one before.
      const closely = next < sorted.length && (sorted[next] as number) <= units + CHUNK + 4;
      for (let from = at; from < end; from = closely ? from + 1 : end) if (!step(from, closely ? from + 1 : end)) return 'no walk';
    }
    if (!step(bytes.length, bytes.length) || units !== text.length) return 'no walk';
  } catch {
    return 'no walk';
  }
  const places = wanted.map((offset) => found.get(offset));
  return places.every((place) => place !== undefined) ? places : undefined;
}

/** Where the bytes before a place spell exactly the text before it and the bytes behind it the text behind it. */
function searchedOffset(bytes: Uint8Array, encoding: string, text: string, offset: number): number | undefined {
  let low = 0;
  let high = bytes.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (decodeBytes(bytes.subarray(0, middle), encoding).length < offset) low = middle + 1;
    else high = middle;
  }
  // Decoding a torn sequence gives a stray character or two, so the search can be off by as much as a sequence is long.
  return [0, -1, 1, -2, 2, -3, 3, -4, 4]
    .map((step) => low + step)
    .find(
      (place) =>
        place >= 0 &&
        place <= bytes.length &&
        decodeBytes(bytes.subarray(0, place), encoding) === text.slice(0, offset) &&
        decodeBytes(bytes.subarray(place), encoding) === text.slice(offset),
    );
}

/** Text as bytes that a page of this encoding can hold: UTF-8 as it is, others need `escape` for what is not ASCII. */
export function needsAscii(source: SourceText): boolean {
  return source.encoding.name !== 'utf-8' || source.encoding.from === 'guess';
}

/** Joins pieces into one array. */
export function joinBytes(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

/** Whether two arrays hold the same bytes. */
export function sameBytes(a: Uint8Array, b: Uint8Array): boolean {
  return a.length === b.length && a.every((byte, index) => byte === b[index]);
}

/** Re-reads spliced bytes in the encoding they were in before, so that offsets can be compared. */
export function respell(source: SourceText, bytes: Uint8Array): SourceText {
  return { bytes, encoding: source.encoding, text: decodeBytes(bytes.subarray(source.encoding.bom), source.encoding.name) };
}

/** Line and column, both counted from 1, of an offset in a text. */
export function positionOf(text: string, offset: number): { line: number; column: number } {
  let line = 1;
  let lineStart = 0;
  for (let at = text.indexOf('\n'); at >= 0 && at < offset; at = text.indexOf('\n', at + 1)) {
    line++;
    lineStart = at + 1;
  }
  return { line, column: offset - lineStart + 1 };
}
