import { SITEMAP_LIMITS } from './write.ts';

/** A map or an index, read. */
export interface SitemapReading {
  readonly kind: 'urlset' | 'index';
  readonly entries: readonly { readonly loc: string; readonly lastmod: string | undefined }[];
  /** More entries than the protocol allows were left out. */
  readonly cut: boolean;
}

/** Why something is not a map. */
export type SitemapRefusal = 'too-large' | 'not-a-sitemap' | 'doctype' | 'not-closed';

/**
 * Reads a sitemap or index. Entities other than XML's five and character numbers are not expanded, a doctype is refused outright, nesting is not
 * followed, and time is linear in the text.
 */
export function readSitemap(xml: string): { ok: true; sitemap: SitemapReading } | { ok: false; reason: SitemapRefusal } {
  if (xml.length > SITEMAP_LIMITS.bytes) return { ok: false, reason: 'too-large' };
  const root = /<(?:[\w-]+:)?(urlset|sitemapindex)[\s>]/.exec(xml.slice(0, 4096));
  if (!root) return { ok: false, reason: 'not-a-sitemap' };
  if (/<!DOCTYPE/i.test(xml.slice(0, root.index))) return { ok: false, reason: 'doctype' };
  const kind = root[1] === 'urlset' ? 'urlset' : 'index';
  if (!new RegExp(`</(?:[\\w-]+:)?${root[1] as string}\\s*>\\s*(?:<!--[^]*-->\\s*)?$`).test(xml.slice(-2048))) return { ok: false, reason: 'not-closed' };
  const item = kind === 'urlset' ? 'url' : 'sitemap';
  const entries: { loc: string; lastmod: string | undefined }[] = [];
  let cut = false;
  const close = `</${item}>`;
  for (let at = nextItem(xml, item, root.index + 1); at >= 0;) {
    const end = xml.indexOf(close, at);
    if (end < 0) break;
    const body = xml.slice(at, end);
    const loc = element(body, 'loc');
    if (loc !== undefined && loc !== '') {
      if (entries.length >= SITEMAP_LIMITS.entries) {
        cut = true;
        break;
      }
      entries.push({ loc, lastmod: element(body, 'lastmod') });
    }
    at = nextItem(xml, item, end + close.length);
  }
  return { ok: true, sitemap: { kind, entries, cut } };
}

function nextItem(xml: string, item: string, from: number): number {
  for (let at = xml.indexOf(`<${item}`, from); at >= 0; at = xml.indexOf(`<${item}`, at + 1)) {
    const code = xml.charCodeAt(at + 1 + item.length);
    if (code === 62 || code <= 32) return xml.indexOf('>', at) + 1;
  }
  return -1;
}

function element(body: string, name: string): string | undefined {
  const start = body.indexOf(`<${name}>`);
  if (start < 0) return undefined;
  const end = body.indexOf(`</${name}>`, start);
  return end < 0 ? undefined : unescapeXml(body.slice(start + name.length + 2, end).trim());
}

function unescapeXml(text: string): string {
  const plain = text.startsWith('<![CDATA[') && text.endsWith(']]>') ? text.slice(9, -3).trim() : undefined;
  if (plain !== undefined) return plain;
  if (!text.includes('&')) return text;
  return text.replace(/&(?:#x([0-9a-f]+)|#(\d+)|(amp|lt|gt|quot|apos));/gi, (whole, hex?: string, decimal?: string, name?: string) => {
    if (name !== undefined) return { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" }[name.toLowerCase()] ?? whole;
    const code = hex !== undefined ? parseInt(hex, 16) : Number(decimal);
    return code > 0 && code <= 0x10ffff && !(code >= 0xd800 && code <= 0xdfff) ? String.fromCodePoint(code) : whole;
  });
}
