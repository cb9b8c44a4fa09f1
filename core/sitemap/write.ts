/** A page in another language. */
export interface Alternate {
  /** BCP 47, or `x-default`. */
  readonly lang: string;
  /** Absolute address. */
  readonly href: string;
}

/** One address in a map. */
export interface SitemapEntry {
  /** Absolute address. */
  readonly loc: string;
  /** W3C datetime, or undefined where no true date is known. */
  readonly lastmod: string | undefined;
  /** Absolute addresses of the pictures on it. */
  readonly images?: readonly string[] | undefined;
  readonly alternates?: readonly Alternate[] | undefined;
  readonly changefreq?: string | undefined;
  readonly priority?: number | undefined;
}

/** Bounds of the protocol on one map, and of the picture extension on one page. */
export const SITEMAP_LIMITS = { entries: 50_000, bytes: 52_428_800, address: 2047, images: 1000 } as const;

/** Namespaces: constants of the formats, written exactly so. */
export const NAMESPACES = {
  map: 'http://www.sitemaps.org/schemas/sitemap/0.9',
  image: 'http://www.google.com/schemas/sitemap-image/1.1',
  xhtml: 'http://www.w3.org/1999/xhtml',
} as const;

/** How a map is written. */
export interface WriteOptions {
  /** Most links in it; never more than the protocol's. */
  readonly links?: number | undefined;
  /** Addresses of style sheets for people who open it; a browser takes the first that it knows how to use. */
  readonly styles?: readonly string[] | undefined;
}

/** Characters that neither need escaping nor take more than an octet. */
const PLAIN = /^[\x20-\x25\x28-\x3b\x3d\x3f-\x7e]*$/;
const ASCII = /^[\x00-\x7f]*$/;
const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' };

const escaped = (text: string): string => (PLAIN.test(text) ? text : escapeXml(text));

/** Text for inside an element or an attribute of XML. */
export function escapeXml(text: string): string {
  return text.replace(/[&<>"']/g, (character) => ESCAPES[character] as string);
}

/** Octets of a text in UTF-8. */
export function octets(text: string): number {
  let count = text.length;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    // A surrogate pair is two units and four octets, a lone unit past U+07FF three.
    if (code > 0x7f) count += code > 0x7ff && (code < 0xd800 || code > 0xdfff) ? 2 : 1;
  }
  return count;
}

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n';
const styleLines = (styles: readonly string[] = []): string =>
  styles.map((style) => `<?xml-stylesheet type="text/${style.endsWith('.css') ? 'css' : 'xsl'}" href="${escaped(style)}"?>\n`).join('');

function entryText({ loc, lastmod, images, alternates, changefreq, priority }: SitemapEntry): string {
  let text = lastmod === undefined ? `<url><loc>${escaped(loc)}</loc>` : `<url><loc>${escaped(loc)}</loc><lastmod>${lastmod}</lastmod>`;
  if (changefreq !== undefined) text += `<changefreq>${changefreq}</changefreq>`;
  if (priority !== undefined) text += `<priority>${priority.toFixed(1)}</priority>`;
  if (alternates !== undefined)
    for (const { lang, href } of alternates) text += `<xhtml:link rel="alternate" hreflang="${escaped(lang)}" href="${escaped(href)}"/>`;
  if (images !== undefined) {
    const most = Math.min(images.length, SITEMAP_LIMITS.images);
    for (let at = 0; at < most; at++) text += `<image:image><image:loc>${escaped(images[at] as string)}</image:loc></image:image>`;
  }
  return `${text}</url>\n`;
}

/** Writes a sitemap (protocol 0.9). Entries past the bounds are handed back, not dropped in silence: those with too long an address as well. */
export function writeSitemap(entries: readonly SitemapEntry[], options: WriteOptions = {}): { xml: string; left: readonly SitemapEntry[] } {
  const most = Math.min(options.links ?? SITEMAP_LIMITS.entries, SITEMAP_LIMITS.entries);
  const withImages = entries.some((entry) => entry.images !== undefined && entry.images.length > 0);
  const withAlternates = entries.some((entry) => entry.alternates !== undefined && entry.alternates.length > 0);
  const head = `${HEAD}${styleLines(options.styles)}<urlset xmlns="${NAMESPACES.map}"${withImages ? ` xmlns:image="${NAMESPACES.image}"` : ''}${withAlternates ? ` xmlns:xhtml="${NAMESPACES.xhtml}"` : ''}>\n`;
  const tail = '</urlset>\n';
  const left: SitemapEntry[] = [];
  let xml = head;
  let count = 0;
  // Octets so far; counted only once they could matter, since no unit takes more than three of them.
  let bytes: number | undefined;
  for (const entry of entries) {
    if (entry.loc.length > SITEMAP_LIMITS.address || count >= most) {
      left.push(entry);
      continue;
    }
    const text = entryText(entry);
    if (bytes === undefined && (xml.length + text.length + tail.length) * 3 > SITEMAP_LIMITS.bytes) bytes = octets(xml) + tail.length;
    if (bytes !== undefined) {
      const size = ASCII.test(text) ? text.length : octets(text);
      if (bytes + size > SITEMAP_LIMITS.bytes) {
        left.push(entry);
        continue;
      }
      bytes += size;
    }
    xml += text;
    count++;
  }
  return { xml: xml + tail, left };
}

/** Writes an index of maps. */
export function writeIndex(maps: readonly { readonly loc: string; readonly lastmod: string | undefined }[], options: WriteOptions = {}): string {
  let xml = `${HEAD}${styleLines(options.styles)}<sitemapindex xmlns="${NAMESPACES.map}">\n`;
  for (const { loc, lastmod } of maps) xml += `<sitemap><loc>${escaped(loc)}</loc>${lastmod === undefined ? '' : `<lastmod>${lastmod}</lastmod>`}</sitemap>\n`;
  return `${xml}</sitemapindex>\n`;
}
