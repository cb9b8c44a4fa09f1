import { Gunzip } from 'fflate';
import { decodeBytes } from './encoding.ts';

/** Whether bytes are packed by gzip, whatever the name says (RFC 1952, 2.3.1). */
export const isGzip = (bytes: Uint8Array): boolean => bytes[0] === 0x1f && bytes[1] === 0x8b;

/** How much is unpacked before it is counted again: a small file that unfolds without end is stopped early. */
const STEP = 65_536;

/** Unpacks gzip up to so many bytes; undefined where it is damaged, cut off, or unfolds to more. */
export function gunzipBounded(bytes: Uint8Array, most: number): Uint8Array | undefined {
  const parts: Uint8Array[] = [];
  let size = 0;
  let ended = false;
  try {
    const unpacking = new Gunzip((part, final) => {
      size += part.length;
      if (size > most) throw new RangeError('too large');
      parts.push(part);
      ended ||= final;
    });
    for (let at = 0; at < bytes.length; at += STEP) unpacking.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
  } catch {
    return undefined;
  }
  // The trailer says how much there should be (RFC 1952, 2.3.1); a file that was cut off says something else.
  if (!ended || bytes.length < 18 || new DataView(bytes.buffer, bytes.byteOffset).getUint32(bytes.length - 4, true) !== size) return undefined;
  const whole = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

/** The text, in UTF-8, of bytes that may be packed by gzip; undefined where they are damaged or unfold to more than so many bytes. */
export function unpackedText(bytes: Uint8Array, most: number): string | undefined {
  const plain = isGzip(bytes) ? gunzipBounded(bytes, most) : bytes;
  return plain && decodeBytes(plain, 'utf-8');
}
