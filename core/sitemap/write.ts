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
  const lines: string[] = [];
  const left: SitemapEntry[] = [];
  let bytes = HEAD.length + TAIL.length;
  const escaped = escapeAll(entries.map((entry) => entry.loc));
  for (let index = 0; index < entries.length; index++) {
    const { loc, lastmod } = entries[index] as SitemapEntry;
    const line = lastmod === undefined ? `<url><loc>${escaped[index]}</loc></url>\n` : `<url><loc>${escaped[index]}</loc><lastmod>${lastmod}</lastmod></url>\n`;
    // Addresses are percent-encoded, so a unit is an octet.
    if (lines.length >= SITEMAP_LIMITS.entries || bytes + line.length > SITEMAP_LIMITS.bytes || loc.length > SITEMAP_LIMITS.address)
      left.push({ loc, lastmod });
    else {
      lines.push(line);
      bytes += line.length;
    }
  }
  return { xml: HEAD + lines.join('') + TAIL, left };
}

/** Escapes many texts in one pass over all of them together, which is much faster than one by one. */
function escapeAll(texts: readonly string[]): readonly string[] {
  const joined = texts.join('\n');
  if (!/[&<>"']/.test(joined)) return texts;
  const escaped = escapeXml(joined).split('\n');
  return escaped.length === texts.length ? escaped : texts.map(escapeXml);
}

function escapeXml(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;').replaceAll("'", '&apos;');
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
