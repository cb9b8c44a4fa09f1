import { prescanCharset } from './prescan.ts';

/** How a page's bytes were turned into text. */
export interface Encoding {
  /** Name by the Encoding Standard, lower case, such as `utf-8` or `windows-1252`. */
  readonly name: string;
  /** Length of the byte order mark that stands before the text, in bytes. */
  readonly bom: number;
  /** What decided: the mark, a `meta`, the HTTP header, or nothing at all. */
  readonly from: 'bom' | 'header' | 'meta' | 'fallback';
}

/** A page's bytes and the text they spell. Offsets into `text` are UTF-16 units; the mark is not part of it. */
export interface SourceText {
  readonly bytes: Uint8Array;
  readonly encoding: Encoding;
  readonly text: string;
}

/**
 * Finds the encoding of an HTML file: byte order mark, then the HTTP charset, then a `meta` within the first
 * 1,024 bytes, then windows-1252 (HTML standard 13.2.3.1, Encoding Standard 4.2 for the labels).
 */
export function sniffEncoding(bytes: Uint8Array, httpCharset?: string): Encoding {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return { name: 'utf-8', bom: 3, from: 'bom' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { name: 'utf-16be', bom: 2, from: 'bom' };
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { name: 'utf-16le', bom: 2, from: 'bom' };
  const header = httpCharset === undefined ? undefined : encodingName(httpCharset);
  if (header !== undefined) return { name: header, bom: 0, from: 'header' };
  const label = prescanCharset(bytes);
  const meta = label === undefined ? undefined : encodingName(label);
  if (meta !== undefined) {
    // A meta that could be read at all as ASCII cannot be UTF-16 (HTML standard, prescan, last steps).
    const name = meta.startsWith('utf-16') ? 'utf-8' : meta === 'x-user-defined' ? 'windows-1252' : meta;
    return { name, bom: 0, from: 'meta' };
  }
  return { name: 'windows-1252', bom: 0, from: 'fallback' };
}

/** The Encoding Standard's name for a label, or undefined where the standard knows no such label. */
export function encodingName(label: string): string | undefined {
  try {
    return new TextDecoder(label).encoding.toLowerCase();
  } catch {
    return undefined;
  }
}

/** Decodes a file. Never fails: what is malformed becomes U+FFFD, as browsers do it. */
export function decodeSource(bytes: Uint8Array, httpCharset?: string): SourceText {
  const encoding = sniffEncoding(bytes, httpCharset);
  return { bytes, encoding, text: decodeBytes(bytes.subarray(encoding.bom), encoding.name) };
}

/** Decodes bytes without looking for a mark. */
export function decodeBytes(bytes: Uint8Array, encoding: string): string {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  // One-shot decoding of windows-1252 is wrong in Node 20 (it takes the Latin-1 shortcut); streaming is right everywhere.
  if (encoding === 'windows-1252') return decoder.decode(bytes, { stream: true }) + decoder.decode();
  return decoder.decode(bytes);
}

/** Why text of this encoding cannot be spliced, or undefined where it can. */
export function readOnlyReason(encoding: Encoding): 'utf-16' | 'stateful-encoding' | undefined {
  if (encoding.name.startsWith('utf-16')) return 'utf-16';
  if (encoding.name === 'iso-2022-jp' || encoding.name === 'replacement') return 'stateful-encoding';
  return undefined;
}
