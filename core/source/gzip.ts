import { Gunzip } from 'fflate';
import { decodeBytes } from './encoding.ts';

/** Whether bytes are packed by gzip, whatever the name says (RFC 1952, 2.3.1). */
export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === 0x1f && bytes[1] === 0x8b;

/** How much is unpacked before it is counted again: a small file that unfolds without end is stopped early. */
const STEP = 65_536;

/**
 * Unpacks gzip, of one member or several (RFC 1952, 2.2), up to so many bytes; undefined where it is damaged, cut off, or unfolds to more. Each member's
 * checksum and size must be those of what came out of it.
 */
export function gunzipBounded(bytes: Uint8Array, most: number): Uint8Array | undefined {
  const parts: Uint8Array[] = [];
  let size = 0;
  let sum = new Checksum();
  let ended = false;
  try {
    const unpacking = new Gunzip((part, final) => {
      size += part.length;
      if (size > most) throw new RangeError('too large');
      parts.push(part);
      sum.add(part);
      ended ||= final;
    });
    unpacking.onmember = (at) => {
      if (!sum.fits(bytes, at)) throw new RangeError('damaged');
      sum = new Checksum();
    };
    for (let at = 0; at < bytes.length; at += STEP) unpacking.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
  } catch {
    return undefined;
  }
  if (!ended || !sum.fits(bytes, bytes.length)) return undefined;
  const whole = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** CRC-32 of each octet (RFC 1952, 8). */
const TABLE = Uint32Array.from({ length: 256 }, (_, octet) => {
  let crc = octet;
  for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? 0xedb88320 ^ (crc >>> 1) : crc >>> 1;
  return crc;
});

/** What a member's trailer says of it. */
class Checksum {
  private crc = 0xffffffff;
  private size = 0;

  add(part: Uint8Array): void {
    let { crc } = this;
    for (let at = 0; at < part.length; at++) crc = (TABLE[(crc ^ (part[at] as number)) & 0xff] as number) ^ (crc >>> 8);
    this.crc = crc;
    this.size += part.length;
  }

  /** Whether the eight octets before a place say the same (RFC 1952, 2.3.1). */
  fits(bytes: Uint8Array, end: number): boolean {
    if (end < 18) return false;
    const trailer = new DataView(bytes.buffer, bytes.byteOffset + end - 8, 8);
    return trailer.getUint32(0, true) === (this.crc ^ 0xffffffff) >>> 0 && trailer.getUint32(4, true) === this.size >>> 0;
  }
}

/** The text, in UTF-8, of bytes that may be packed by gzip; undefined where they are damaged or unfold to more than so many bytes. */
export function unpackedText(bytes: Uint8Array, most: number): string | undefined {
  const plain = isGzip(bytes) ? gunzipBounded(bytes, most) : bytes;
  return plain && decodeBytes(plain, 'utf-8');
}
