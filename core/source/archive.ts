import type { FilePath } from './named.ts';
import { inflateSync } from 'fflate';
import { isUtf8 } from './encoding.ts';
import { readOldNames } from './old-names.ts';

/** Why an entry, or a whole archive, was refused. */
export type ArchiveRefusal =
  | 'climbs-out'
  | 'absurd-ratio'
  | 'too-large'
  | 'too-many'
  | 'encrypted'
  | 'unsupported-method'
  | 'damaged'
  | 'cut-off'
  | 'empty-file'
  | 'other-archive'
  | 'not-a-zip'
  | 'duplicate';

/** One file in a ZIP that may be unpacked. */
export interface ArchiveEntry {
  readonly path: FilePath;
  /** The very octets of its name where they are in an old code page: so it can go out again as it came in. */
  readonly oldName?: Uint8Array;
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
  | { readonly ok: true; readonly entries: readonly ArchiveEntry[]; readonly refused: readonly { path: FilePath; reason: ArchiveRefusal }[] }
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

/**
 * Reads a ZIP's central directory without unpacking anything. Nothing is thrown for bad input. Names are UTF-8 where the entry says so or they are it, else
 * of the old code page that makes words of them all.
 */
export function listArchive(zip: Uint8Array, limits: ArchiveLimits = ARCHIVE_LIMITS): ArchiveListing {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  const end = endRecord(view);
  if (end === undefined) return { ok: false, reason: whyNoZip(zip) };
  const count = view.getUint16(end + 10, true);
  const at = view.getUint32(end + 16, true);
  if (count === 0xffff || at === 0xffffffff) return { ok: false, reason: 'too-large' };
  if (count > limits.entries) return { ok: false, reason: 'too-many' };
  const records = recordsOf(zip, view, at, count);
  if (!records) return { ok: false, reason: 'damaged' };
  const paths = pathsOf(records);

  const entries: ArchiveEntry[] = [];
  const refused: { path: FilePath; reason: ArchiveRefusal }[] = [];
  const seen = new Set<string>();
  let total = 0;
  for (const [index, { encrypted, name, ...record }] of records.entries()) {
    const { path, old } = paths[index] as { path: FilePath; old: boolean };
    if (path.endsWith('/')) continue;
    const { method, modified, crc, packedSize, size, headerOffset } = record;
    const entry: ArchiveEntry = { path, ...(old ? { oldName: name.slice() } : {}), method, modified, crc, packedSize, size, headerOffset };
    const reason = encrypted ? 'encrypted' : seen.has(path) ? 'duplicate' : refusalOf(entry, limits);
    if (reason !== undefined) {
      refused.push({ path, reason });
      continue;
    }
    seen.add(path);
    total += entry.size;
    if (total > limits.totalSize) return { ok: false, reason: 'too-large' };
    entries.push(entry);
  }
  if (entries.length === 0 && refused.length > 0 && refused.every(({ reason }) => reason === 'encrypted')) return { ok: false, reason: 'encrypted' };
  return { ok: true, entries, refused };
}

/** One record of the central directory (APPNOTE, 4.3.12). */
interface CentralRecord extends Omit<ArchiveEntry, 'path' | 'oldName'> {
  readonly name: Uint8Array;
  readonly utf8: boolean;
  readonly encrypted: boolean;
  /** Made on a system whose paths may have backslashes between folders. */
  readonly backslashes: boolean;
  /** The name by the Unicode Path field (APPNOTE, 4.6.9), where it is of this very name. */
  readonly unicode: Uint8Array | undefined;
}

/** All records; undefined where one is none. */
function recordsOf(zip: Uint8Array, view: DataView, from: number, count: number): CentralRecord[] | undefined {
  const records: CentralRecord[] = [];
  for (let index = 0, at = from; index < count; index++) {
    if (at + 46 > zip.length || view.getUint32(at, true) !== CENTRAL) return undefined;
    const flags = view.getUint16(at + 8, true);
    const nameEnd = at + 46 + view.getUint16(at + 28, true);
    const extraEnd = nameEnd + view.getUint16(at + 30, true);
    const name = zip.subarray(at + 46, nameEnd);
    records.push({
      name,
      utf8: (flags & 0x800) !== 0,
      encrypted: (flags & 1) !== 0,
      backslashes: MADE_WITH_BACKSLASHES.has(zip[at + 5] as number),
      unicode: unicodePath(zip.subarray(nameEnd, extraEnd), name),
      method: view.getUint16(at + 10, true),
      modified: dosTime(view.getUint16(at + 14, true), view.getUint16(at + 12, true)),
      crc: view.getUint32(at + 16, true),
      packedSize: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      headerOffset: view.getUint32(at + 42, true),
    });
    at = extraEnd + view.getUint16(at + 32, true);
  }
  return records;
}

/** FAT, OS/2, NTFS, VFAT (APPNOTE, 4.4.2.2). */
const MADE_WITH_BACKSLASHES: ReadonlySet<number> = new Set([0, 6, 10, 11, 14]);

function unicodePath(extra: Uint8Array, name: Uint8Array): Uint8Array | undefined {
  const view = new DataView(extra.buffer, extra.byteOffset, extra.byteLength);
  for (let at = 0; at + 4 <= extra.length; at += 4 + view.getUint16(at + 2, true)) {
    const size = view.getUint16(at + 2, true);
    if (view.getUint16(at, true) !== 0x7075 || size < 6 || at + 4 + size > extra.length || extra[at + 4] !== 1) continue;
    return view.getUint32(at + 5, true) === crc32(name) ? extra.subarray(at + 9, at + 4 + size) : undefined;
  }
  return undefined;
}

/** What the entries are called, and whether that was read in an old code page. */
function pathsOf(records: readonly CentralRecord[]): { readonly path: FilePath; readonly old: boolean }[] {
  const known = records.map(({ unicode, utf8, name }) => unicode ?? (utf8 || isUtf8(name) ? name : undefined));
  const read = readOldNames(records.flatMap(({ name }, index) => (known[index] ? [] : [name]))).values();
  return records.map(({ backslashes }, index) => {
    const plain = known[index];
    // The mark of UTF-8 in front is none of the name.
    const path = plain ? new TextDecoder().decode(plain) : (read.next().value ?? '');
    return { path: backslashes && !path.includes('/') ? path.replaceAll('\\', '/') : path, old: plain === undefined };
  });
}

/** First octets of archives of other kinds. */
const OTHERS: readonly (readonly number[])[] = [
  [0x52, 0x61, 0x72, 0x21, 0x1a, 0x07],
  [0x37, 0x7a, 0xbc, 0xaf, 0x27, 0x1c],
  [0x1f, 0x8b],
  [0x42, 0x5a, 0x68],
  [0xfd, 0x37, 0x7a, 0x58, 0x5a, 0x00],
  [0x28, 0xb5, 0x2f, 0xfd],
];

/** What it is that has no end of a ZIP in it. */
function whyNoZip(bytes: Uint8Array): ArchiveRefusal {
  if (bytes.length === 0) return 'empty-file';
  const begins = (octets: readonly number[]): boolean => octets.every((octet, at) => bytes[at] === octet);
  if (begins([0x50, 0x4b, 0x03, 0x04])) return 'cut-off';
  const isTar = String.fromCharCode(...bytes.subarray(257, 262)) === 'ustar';
  return isTar || OTHERS.some(begins) ? 'other-archive' : 'not-a-zip';
}

function refusalOf(entry: ArchiveEntry, limits: ArchiveLimits): ArchiveRefusal | undefined {
  if (climbsOut(entry.path)) return 'climbs-out';
  if (entry.method !== 0 && entry.method !== 8) return 'unsupported-method';
  if (entry.size > limits.entrySize) return 'too-large';
  if (entry.size > RATIO_FROM && entry.size > entry.packedSize * limits.ratio) return 'absurd-ratio';
  return undefined;
}

/** Whether a path would leave the folder it is unpacked into, or names a drive, a root or a control character. */
export function climbsOut(path: FilePath): boolean {
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
