/** One address in a map. */
export interface SitemapEntry {
  /** Absolute address. */
  readonly loc: string;
  /** W3C datetime, or undefined where no true date is known. */
  readonly lastmod: string | undefined;
}

/** Bounds of the protocol on one map. */
export const SITEMAP_LIMITS = { entries: 50_000, bytes: 52_428_800, address: 2047 } as const;

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n';
const TAIL = '</urlset>\n';

/** Writes a sitemap (protocol 0.9). Entries past the protocol's bounds are handed back, not dropped in silence. */
export function writeSitemap(entries: readonly SitemapEntry[]): { xml: string; left: readonly SitemapEntry[] } {
  const parts: string[] = [HEAD];
  const left: SitemapEntry[] = [];
  let bytes = HEAD.length + TAIL.length;
  let count = 0;
  for (const entry of entries) {
    const loc = escapeXml(entry.loc);
    const line = entry.lastmod === undefined ? `<url><loc>${loc}</loc></url>\n` : `<url><loc>${loc}</loc><lastmod>${entry.lastmod}</lastmod></url>\n`;
    // Addresses are percent-encoded, so a unit is an octet.
    if (count >= SITEMAP_LIMITS.entries || bytes + line.length > SITEMAP_LIMITS.bytes || entry.loc.length > SITEMAP_LIMITS.address) {
      left.push(entry);
      continue;
    }
    parts.push(line);
    bytes += line.length;
    count++;
  }
  parts.push(TAIL);
  return { xml: parts.join(''), left };
}

const SPECIAL = /[&<>"']/;
const ENTITIES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

function escapeXml(text: string): string {
  return SPECIAL.test(text) ? text.replace(/[&<>"']/g, (character) => ENTITIES[character] as string) : text;
}

/** A date as sitemaps hold it: the day alone, in UTC, since a page's hour tells an engine nothing. */
export function w3cDate(time: number): string {
  return new Date(time).toISOString().slice(0, 10);
}

/**
 * Whether a site's file dates can be true. Where nearly all pages carry the same day, it is the day of a build or of a copy, and telling it to
 * engines teaches them to ignore the dates.
 */
export function datesAreTrue(times: readonly (number | undefined)[]): boolean {
  const days = new Map<string, number>();
  for (const time of times) if (time !== undefined) days.set(w3cDate(time), (days.get(w3cDate(time)) ?? 0) + 1);
  const most = Math.max(0, ...days.values());
  return times.length < 3 || most <= times.length * 0.8;
}
