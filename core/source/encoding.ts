import { declaredCharset } from './prescan.ts';

/** How a page's bytes were turned into text. */
export interface Encoding {
  /** Name by the Encoding Standard, lower case, such as `utf-8` or `windows-1252`. */
  readonly name: string;
  /** Length of the byte order mark that stands before the text, in bytes. */
  readonly bom: number;
  /**
   * What decided: the mark, the HTTP header, a `meta` where all look for it, the XML declaration, a `meta` further down, the bytes themselves (`guess`: they
   * say nothing and are UTF-8), or nothing at all.
   */
  readonly from: 'bom' | 'header' | 'meta' | 'xml' | 'late' | 'guess' | 'fallback';
}

/** A page's bytes and the text they spell. Offsets into `text` are UTF-16 units; the mark is not part of it. */
export interface SourceText {
  readonly bytes: Uint8Array;
  readonly encoding: Encoding;
  readonly text: string;
}

/**
 * Finds the encoding of an HTML file (HTML standard, 13.2.3, Encoding Standard, 4.2 for the labels): byte order mark, the HTTP charset, what the page
 * declares, then whether its bytes are UTF-8 (13.2.3.2, step 8 lets readers look), then windows-1252.
 */
export function sniffEncoding(bytes: Uint8Array, httpCharset?: string): Encoding {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return { name: 'utf-8', bom: 3, from: 'bom' };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { name: 'utf-16be', bom: 2, from: 'bom' };
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { name: 'utf-16le', bom: 2, from: 'bom' };
  const header = httpCharset === undefined ? undefined : encodingName(httpCharset);
  if (header !== undefined) return { name: header, bom: 0, from: 'header' };
  const declared = declaredCharset(bytes, (label) => encodingName(label) !== undefined);
  if (declared !== undefined) {
    const { label, from } = declared;
    const meant = encodingName(label) as string;
    // What could be read at all as ASCII cannot be UTF-16 (HTML standard, prescan, last steps).
    const name = meant.startsWith('utf-16') && bytes[0] !== 0 && bytes[1] !== 0 ? 'utf-8' : meant === 'x-user-defined' ? 'windows-1252' : meant;
    return { name, bom: 0, from };
  }
  return !isAscii(bytes) && isUtf8(bytes) ? { name: 'utf-8', bom: 0, from: 'guess' } : { name: 'windows-1252', bom: 0, from: 'fallback' };
}

/** Whether bytes are ASCII alone, which says nothing about their encoding. */
const isAscii = (bytes: Uint8Array): boolean => bytes.every((byte) => byte < 0x80);

/** Whether bytes are UTF-8; where they are more than ASCII, no other encoding looks like that by chance. */
export function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

/** Labels of encodings that no reader decodes, for they have been used to smuggle scripts (Encoding Standard, 14.1, "replacement"). */
const REPLACED = new Set(['csiso2022kr', 'hz-gb-2312', 'iso-2022-cn', 'iso-2022-cn-ext', 'iso-2022-kr', 'replacement']);

/** The Encoding Standard's name for a label, or undefined where the standard knows no such label. */
export function encodingName(label: string): string | undefined {
  const plain = label.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '').toLowerCase();
  if (REPLACED.has(plain)) return 'replacement';
  if (plain === 'x-user-defined') return plain;
  try {
    return new TextDecoder(plain).encoding.toLowerCase();
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
  if (encoding === 'replacement') return bytes.length === 0 ? '' : '\ufffd';
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
