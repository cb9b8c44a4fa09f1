import type { SitemapRefusal, XmlFault } from './walked.ts';
import { beginsAsMap, walkMap } from './walk.ts';
import { SITEMAP_LIMITS } from './write.ts';

/** A map or an index, read. */
export interface SitemapReading {
  readonly kind: 'urlset' | 'index';
  readonly entries: readonly { readonly loc: string; readonly lastmod: string | undefined }[];
  /** More entries than the protocol allows were left out. */
  readonly cut: boolean;
}

/** Whether a text is a map by how it begins. */
export function isMapText(text: string): boolean {
  return beginsAsMap(text) || listedAddresses(text) !== undefined;
}

/** A line that begins as an address does. */
const ADDRESS_LINE = /^\s*https?:\/\//i;

/**
 * The addresses of a map that is a plain list, which the protocol allows too: one a line and nothing else. `place` is an offset in the text. Undefined where
 * the text is no such list.
 */
export function listedAddresses(text: string): { readonly loc: string; readonly place: number }[] | undefined {
  if (text.length > SITEMAP_LIMITS.bytes || !ADDRESS_LINE.test(text.slice(0, 4096).replace(/^\ufeff/, ''))) return undefined;
  const found: { loc: string; place: number }[] = [];
  for (let at = text.startsWith('\ufeff') ? 1 : 0; at < text.length;) {
    const end = text.indexOf('\n', at);
    const loc = text.slice(at, end < 0 ? text.length : end).trim();
    if (loc !== '') found.push({ loc, place: at });
    if (end < 0) break;
    at = end + 1;
  }
  return found;
}

/** Reads a sitemap or index. One that is no well-formed XML is refused as a whole: what is broken is never taken to be right. Time and memory are linear in the text. */
export function readSitemap(xml: string): { ok: true; sitemap: SitemapReading } | { ok: false; reason: SitemapRefusal; fault?: XmlFault | undefined } {
  const list = listedAddresses(xml);
  if (list) {
    const entries = list.slice(0, SITEMAP_LIMITS.entries).map(({ loc }) => ({ loc, lastmod: undefined }));
    return { ok: true, sitemap: { kind: 'urlset', entries, cut: entries.length < list.length } };
  }
  const entries: { loc: string; lastmod: string | undefined }[] = [];
  let cut = false;
  const walked = walkMap(xml, {
    entry: ({ loc, lastmod }) => {
      if (entries.length >= SITEMAP_LIMITS.entries) cut = true;
      else entries.push({ loc, lastmod });
    },
  });
  if (!walked.ok) return walked;
  return walked.map.fault ? { ok: false, reason: 'malformed', fault: walked.map.fault } : { ok: true, sitemap: { kind: walked.map.kind, entries, cut } };
}
