import { mayFetch } from '../../core/indexing/index.ts';
import { readSitemap, SITEMAP_LIMITS } from '../../core/sitemap/index.ts';
import { unpackedText } from '../../core/source/index.ts';
import type { Fetch } from '../fetching/index.ts';
import { accessFor, type Rules } from './rules.ts';

/** The addresses that a map names, and what was wrong with it. */
export interface MapReading {
  readonly addresses: string[];
  readonly problem: string | undefined;
  /** The maps of an index, each with what was found in it. */
  readonly parts?: readonly { readonly address: string; readonly count: number; readonly problem: string | undefined }[];
}

interface Reader {
  readonly fetch: Fetch;
  readonly rules: Rules;
  readonly host: string;
  /** Maps of an index that are read. */
  readonly most: number;
}

/** Why what is there cannot be read as a map, with the line where that is known. */
function refusalWords(reading: Extract<ReturnType<typeof readSitemap>, { ok: false }> | undefined): string {
  if (reading?.fault) return `the map breaks off in line ${reading.fault.line}, column ${reading.fault.column}: it is no well-formed XML from there on`;
  if (reading?.reason === 'too-large') return 'the map is larger than the protocol allows';
  if (reading?.reason === 'utf-16') return 'the map is written in UTF-16; maps are in UTF-8';
  return 'what is there is not a sitemap';
}

/** Reads a map of a host as an engine does; an index is followed one level down. */
export async function readMap(reader: Reader, address: string, depth = 0): Promise<MapReading> {
  const access = accessFor(reader.rules, new URL(address).pathname);
  const nothing = (problem: string): MapReading => ({ addresses: [], problem });
  if (!mayFetch(access)) return nothing('robots.txt forbids fetching the map');
  const outcome = await reader.fetch(address);
  if (!outcome.ok) return nothing(outcome.reason === 'no-such-host' ? 'there is no such host' : 'the host did not answer');
  if (outcome.status !== 200) return nothing(`the map answers ${outcome.status}`);
  const text = unpackedText(outcome.bytes, SITEMAP_LIMITS.bytes);
  const reading = text === undefined ? undefined : readSitemap(text);
  if (!reading?.ok) return nothing(refusalWords(reading));
  const { sitemap } = reading;
  const own = sitemap.entries.map((entry) => entry.loc).filter((loc) => URL.canParse(loc) && new URL(loc).host === reader.host);
  if (sitemap.kind === 'urlset')
    return { addresses: own, problem: own.length < sitemap.entries.length ? 'some addresses are on another host and were left out' : undefined };
  if (depth > 0) return nothing('an index of indexes is not allowed');
  const parts: MapReading[] = [];
  for (const map of own.slice(0, reader.most)) parts.push(await readMap(reader, map, depth + 1));
  return {
    addresses: parts.flatMap((part) => part.addresses),
    problem: own.length > reader.most ? `only the first ${reader.most} maps of this index are read` : parts.find((part) => part.problem !== undefined)?.problem,
    parts: parts.map(({ addresses, problem }, at) => ({ address: own[at] as string, count: addresses.length, problem })),
  };
}
