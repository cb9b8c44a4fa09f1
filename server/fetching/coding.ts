import { promisify } from 'node:util';
import { brotliDecompress, gunzip, inflate, inflateRaw } from 'node:zlib';

type Undo = (bytes: Uint8Array, options: { readonly maxOutputLength: number }) => Promise<Buffer>;
const undoInflate = promisify(inflate) as Undo;
/** How each content coding is undone (RFC 9110, 8.4.1). Some hosts send deflate without its frame. */
const UNDO: Readonly<Record<string, Undo>> = {
  gzip: promisify(gunzip) as Undo,
  'x-gzip': promisify(gunzip) as Undo,
  br: promisify(brotliDecompress) as Undo,
  deflate: (bytes, options) =>
    undoInflate(bytes, options).catch((error: unknown) => (isTooLarge(error) ? Promise.reject(error) : (promisify(inflateRaw) as Undo)(bytes, options))),
};

/** Codings that are undone here, as they are asked for. */
export const CODINGS = 'gzip, br, deflate';
/** Codings of one answer that are undone at most: more of them are made to cost time. */
const MOST_CODINGS = 3;

const isTooLarge = (error: unknown): boolean => (error as { code?: string }).code === 'ERR_BUFFER_TOO_LARGE';

/** Bytes as they were before a host coded them for the way, asked or not. `most`: bytes they may be then. */
export async function undoCodings(
  bytes: Uint8Array,
  header: string | undefined,
  most: number,
): Promise<{ readonly ok: true; readonly bytes: Uint8Array } | { readonly ok: false; readonly reason: 'too-large' | 'broken-coding' }> {
  const codings = (header ?? '')
    .toLowerCase()
    .split(',')
    .map((coding) => coding.trim())
    .filter((coding) => coding !== '' && coding !== 'identity');
  if (codings.length > MOST_CODINGS) return { ok: false, reason: 'broken-coding' };
  let plain = bytes;
  // The last one was put on last.
  for (const coding of codings.reverse()) {
    const undo = UNDO[coding];
    if (!undo) return { ok: false, reason: 'broken-coding' };
    // An answer without a body has nothing to undo, whatever its header says.
    if (plain.length === 0) continue;
    try {
      plain = await undo(plain, { maxOutputLength: most });
    } catch (error) {
      return { ok: false, reason: isTooLarge(error) ? 'too-large' : 'broken-coding' };
    }
  }
  return { ok: true, bytes: plain };
}
