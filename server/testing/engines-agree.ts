import { createHash } from 'node:crypto';
import { expect } from 'vitest';
import { ENGINES, type EnginePolicy } from '../../core/engines/index.ts';
import type { Reality } from '../../core/indexing/index.ts';
import { readSource } from '../../core/page/index.ts';
import { driftOf, meantFields, ownBytes, shipments, written, type Manifest, type WorkingCopy } from '../../core/release/index.ts';
import { headersFor, isPageFile, outgoingHeaderRules, resolvePath, type SiteDocument } from '../../core/site/index.ts';
import { decodeBytes, decodeSource, pathAndQuery } from '../../core/source/index.ts';
import { forSurvey, type SiteFile } from '../../core/rows/index.ts';
import { Survey } from '../../core/survey/index.ts';
import type { Fetch } from '../fetching/index.ts';
import { livePages } from '../live-pages.ts';
import { crawlSite, type CrawledSite } from '../stand-ins/crawl.ts';

/** The main address of the sites that are tried. */
export const ORIGIN = 'https://quillfeather.example';
/** When they are tried, in milliseconds since 1970. */
export const NOW = Date.UTC(2026, 10, 25);
const DAY = 86_400_000;
/** Files by path. */
export type Site = ReadonlyMap<string, Uint8Array>;

/** A survey of files, as the browser's worker makes it; `manifest` is the last release. */
export function survey(site: Site, document: SiteDocument, manifest?: Manifest): Survey {
  const files: SiteFile[] = [...site].map(([path, bytes]) => ({
    path,
    hash: createHash('sha256').update(bytes).digest('hex'),
    size: bytes.length,
    modified: NOW - 40 * DAY,
  }));
  const pages = [...site].flatMap(([id, bytes]) => {
    if (!isPageFile(id)) return [];
    const reading = readSource(decodeSource(bytes));
    if (!reading.ok) throw new Error(`${id}: ${reading.reason}`);
    return [{ id, read: forSurvey(reading.facts) }];
  });
  const text = (path: string): string | undefined => site.get(path) && decodeBytes(site.get(path) as Uint8Array, 'utf-8');
  const maps = Object.fromEntries([...site].flatMap(([path, bytes]) => (path.endsWith('.xml') ? [[path, decodeBytes(bytes, 'utf-8')]] : [])));
  return new Survey(document, files, pages, { robots: text('robots.txt'), maps }, manifest, () => NOW);
}

/** What a release puts out, byte by byte, served as a plain host does. */
export function released(site: Site, one: Survey, document: SiteDocument): Fetch {
  return hosted(site, one.workingCopy(), document);
}

/** The same of what went out in a release, or would. `origin` is the main address. */
export function hosted(site: Site, copy: WorkingCopy, document: SiteDocument, origin = ORIGIN): Fetch {
  const out = new Map<string, Uint8Array>();
  for (const shipment of shipments(copy)) {
    if ('text' in shipment) {
      out.set(shipment.path, ownBytes(shipment.path, shipment.text));
      continue;
    }
    const { bytes, left } = written(site.get(shipment.from) as Uint8Array, shipment.edits);
    if (left.length > 0) throw new Error(`${shipment.path} was not written: ${left[0]?.reason}`);
    out.set(shipment.path, bytes);
  }
  const rules = outgoingHeaderRules(document);
  const audience = document.tables.visitors['']?.audience ?? 'public';
  return async (address) => {
    const url = new URL(address);
    const asked = pathAndQuery(url);
    const found = resolvePath(asked, (path) => out.has(path));
    const file = found.kind === 'nothing' ? undefined : found.file;
    const code = audience === 'draft' ? 404 : audience === 'restricted' ? 401 : file === undefined ? 404 : 200;
    const tags = headersFor(rules, url.pathname);
    const type = file === undefined || isPageFile(file) ? 'text/html' : file.endsWith('.pdf') ? 'application/pdf' : 'text/plain';
    return {
      ok: true,
      status: code,
      headers: { 'content-type': [type], ...(tags.length > 0 ? { 'x-robots-tag': tags } : {}) },
      bytes: (code === 200 && file !== undefined ? out.get(file) : undefined) ?? new Uint8Array(),
      redirects: code !== 200 ? [] : found.kind === 'redirect' ? [origin + found.to] : url.origin === origin ? [] : [origin + asked],
      hops: [],
      milliseconds: 1,
    };
  };
}

/** What an engine knows of the site that nobody told it of yet. */
export const UNKNOWN: CrawledSite = { host: 'quillfeather.example', origin: ORIGIN, maps: [], records: [], robots: undefined, days: [] };

/** What an engine knows after some days, so that whatever depends on other pages has settled. */
export async function crawled(fetch: Fetch, policy: EnginePolicy, from: CrawledSite = UNKNOWN, days = 3): Promise<CrawledSite> {
  let site = from;
  for (let day = 0; day < days; day++) site = await crawlSite(site, { fetch, policy, now: NOW + (from.days.length + day) * DAY });
  return site;
}

/** An engine's index, by path: what it lists, lists as a bare address, or leaves out. */
export function indexOf(site: CrawledSite): ReadonlyMap<string, Reality> {
  return new Map(
    // By the other scheme or the twin host it is another address.
    site.records
      .filter(({ address }) => address.startsWith(`${ORIGIN}/`))
      .map((record) => [pathAndQuery(new URL(record.address)), record.outcome === 'listed' ? 'listed' : record.outcome === 'bare' ? 'bare' : 'out']),
  );
}

/** Holds every page as it answers against the page as it was to go out: what was released has not drifted. */
export async function expectNoDrift(site: Site, one: Survey, document: SiteDocument, fetch: Fetch): Promise<void> {
  const { files } = one.workingCopy();
  const rules = outgoingHeaderRules(document);
  const rows = one.rows();
  const live = await livePages({ fetch, addresses: rows.map(({ address }) => ORIGIN + address), wait: async () => undefined });
  const drifted = rows.flatMap((row, at) => {
    const found = live[at];
    const bytes = site.get(row.id);
    if (found?.kind !== 'page' || !bytes) return [];
    const meant = meantFields(bytes, files[row.id]?.edits ?? [], ORIGIN + row.address, headersFor(rules, row.address));
    const drift = meant ? driftOf(meant, found.fields) : [];
    return drift.length === 0 ? [] : [{ page: row.id, drift }];
  });
  expect(drifted).toEqual([]);
}

/** Holds what every page's screen promises against what each engine's index has. */
export async function expectPromiseKept(site: Site, document: SiteDocument): Promise<void> {
  const one = survey(site, document);
  // As if all that waits were released: nothing is "not live" then.
  one.released(one.manifestFor(1, NOW), document);
  const fetch = released(site, one, document);
  await expectNoDrift(site, one, document, fetch);
  await expectEnginesAgree(one, fetch);
}

/** The same of a site that is served by `fetch`, all of which is out. */
export async function expectEnginesAgree(one: Survey, fetch: Fetch): Promise<void> {
  for (const engine of ENGINES) {
    const seen = indexOf(await crawled(fetch, engine));
    const promised = Object.fromEntries(one.rows().map((row) => [row.address, row.realities[engine.id]]));
    // A page that an engine never came upon is not listed; where a bare address is promised, that is what may be, by a link from elsewhere.
    const found = Object.fromEntries(one.rows().map((row) => [row.address, seen.get(row.address) ?? (row.realities[engine.id] === 'bare' ? 'bare' : 'out')]));
    expect({ engine: engine.name, ...found }).toEqual({ engine: engine.name, ...promised });
  }
}
