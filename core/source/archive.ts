import { inflateSync } from 'fflate';
import { decodeBytes } from './encoding.ts';

/** Why an entry, or a whole archive, was refused. */
export type ArchiveRefusal =
  'climbs-out' | 'absurd-ratio' | 'too-large' | 'too-many' | 'encrypted' | 'unsupported-method' | 'damaged' | 'not-a-zip' | 'duplicate';

/** One file in a ZIP that may be unpacked. */
export interface ArchiveEntry {
  readonly path: string;
  readonly size: number;
  readonly packedSize: number;
  readonly method: number;
  readonly crc: number;
  readonly headerOffset: number;
  /** Milliseconds since 1970; ZIPs hold local time without a zone, it is taken as UTC. */
  readonly modified: number | undefined;
}

/** What a ZIP holds: entries that may be read, and what was refused with the reason. */
export type ArchiveListing =
  | { readonly ok: true; readonly entries: readonly ArchiveEntry[]; readonly refused: readonly { path: string; reason: ArchiveRefusal }[] }
  | { readonly ok: false; readonly reason: ArchiveRefusal };

/** Bounds on what an archive may ask of us. Sizes in bytes. */
export interface ArchiveLimits {
  readonly entries: number;
  readonly totalSize: number;
  readonly entrySize: number;
  readonly ratio: number;
}

/** The product's own bounds: 200 MB a site, 60,000 files, 64 MB a file, and 200 times its packed size. */
export const ARCHIVE_LIMITS: ArchiveLimits = { entries: 60_000, totalSize: 200_000_000, entrySize: 64_000_000, ratio: 200 };

const END = 0x06054b50;
const CENTRAL = 0x02014b50;
const LOCAL = 0x04034b50;
/** Small texts legitimately pack very well; the ratio is only asked of what unpacks to more than this. */
const RATIO_FROM = 1_000_000;

/** Reads a ZIP's central directory without unpacking anything. Nothing is thrown for bad input. */
export function listArchive(zip: Uint8Array, limits: ArchiveLimits = ARCHIVE_LIMITS): ArchiveListing {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  const end = endRecord(view);
  if (end === undefined) return { ok: false, reason: 'not-a-zip' };
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  if (count === 0xffff || at === 0xffffffff) return { ok: false, reason: 'too-large' };
  if (count > limits.entries) return { ok: false, reason: 'too-many' };

  const entries: ArchiveEntry[] = [];
  const refused: { path: string; reason: ArchiveRefusal }[] = [];
  const seen = new Set<string>();
  let total = 0;
  for (let index = 0; index < count; index++) {
    if (at + 46 > zip.length || view.getUint32(at, true) !== CENTRAL) return { ok: false, reason: 'damaged' };
    const flags = view.getUint16(at + 8, true);
    const nameLength = view.getUint16(at + 28, true);
    const next = at + 46 + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
    const path = entryName(zip.subarray(at + 46, at + 46 + nameLength), (flags & 0x800) !== 0);
    const entry: ArchiveEntry = {
      path,
      method: view.getUint16(at + 10, true),
      modified: dosTime(view.getUint16(at + 14, true), view.getUint16(at + 12, true)),
      crc: view.getUint32(at + 16, true),
      packedSize: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      headerOffset: view.getUint32(at + 42, true),
    };
    at = next;
    if (path.endsWith('/')) continue;
    const reason = (flags & 1) !== 0 ? 'encrypted' : seen.has(path) ? 'duplicate' : refusalOf(entry, limits);
    if (reason !== undefined) {
      refused.push({ path, reason });
      continue;
    }
    seen.add(path);
    total += entry.size;
    if (total > limits.totalSize) return { ok: false, reason: 'too-large' };
    entries.push(entry);
  }
  return { ok: true, entries, refused };
}

function refusalOf(entry: ArchiveEntry, limits: ArchiveLimits): ArchiveRefusal | undefined {
  if (climbsOut(entry.path)) return 'climbs-out';
  if (entry.method !== 0 && entry.method !== 8) return 'unsupported-method';
  if (entry.size > limits.entrySize) return 'too-large';
  if (entry.size > RATIO_FROM && entry.size > entry.packedSize * limits.ratio) return 'absurd-ratio';
  return undefined;
}

/** Whether a path would leave the folder it is unpacked into, or names a drive, a root or a control character. */
export function climbsOut(path: string): boolean {
  return path.startsWith('/') || /[\\\u0000-\u001f]/.test(path) || /^[a-z]:/i.test(path) || path.split('/').some((part) => part === '..' || part === '.');
}

/** Unpacks one listed entry, bounded by the size it declared. */
export function inflateEntry(zip: Uint8Array, entry: ArchiveEntry): { ok: true; bytes: Uint8Array } | { ok: false; reason: ArchiveRefusal } {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  const at = entry.headerOffset;
  if (at + 30 > zip.length || view.getUint32(at, true) !== LOCAL) return { ok: false, reason: 'damaged' };
  const start = at + 30 + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  const packed = zip.subarray(start, start + entry.packedSize);
  if (packed.length !== entry.packedSize) return { ok: false, reason: 'damaged' };
  let bytes: Uint8Array;
  if (entry.method === 0) bytes = packed.slice();
  else {
    try {
      // A buffer of the declared size bounds the output: a lying header cannot make it grow.
      bytes = inflateSync(packed, { out: new Uint8Array(entry.size) });
    } catch {
      return { ok: false, reason: 'damaged' };
    }
  }
  if (bytes.length !== entry.size || crc32(bytes) !== entry.crc) return { ok: false, reason: 'damaged' };
  return { ok: true, bytes };
}

function endRecord(view: DataView): number | undefined {
  for (let at = view.byteLength - 22; at >= Math.max(0, view.byteLength - 22 - 0xffff); at--) if (view.getUint32(at, true) === END) return at;
  return undefined;
}

function entryName(bytes: Uint8Array, utf8: boolean): string {
  // Without the UTF-8 flag the name is in some old code page; most tools write UTF-8 all the same.
  const name = decodeBytes(bytes, 'utf-8');
  return utf8 || !name.includes('\ufffd') ? name : decodeBytes(bytes, 'windows-1252');
}

function dosTime(date: number, time: number): number | undefined {
  const year = 1980 + (date >> 9);
  const month = (date >> 5) & 15;
  const day = date & 31;
  if (month < 1 || month > 12 || day < 1) return undefined;
  return Date.UTC(year, month - 1, day, time >> 11, (time >> 5) & 63, (time & 31) * 2);
}

let crcTable: Uint32Array | undefined;
function crc32(bytes: Uint8Array): number {
  crcTable ??= Uint32Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c;
  });
  let crc = 0xffffffff;
  for (const byte of bytes) crc = (crcTable[(crc ^ byte) & 255] as number) ^ (crc >>> 8);
  return (crc ^ 0xffffffff) >>> 0;
}
