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

/** The shell of a map: what it is, and how its elements are prefixed. Comments are blanked out, so that places stay what they are. */
export interface MapShell {
  readonly kind: 'urlset' | 'index';
  readonly text: string;
  /** Where the root element stands, and where its start tag ends. */
  readonly root: number;
  readonly start: number;
  /** Name of the elements that hold an address each, prefix and all. */
  readonly item: string;
  readonly prefix: string;
}

const ROOT = /<(?:([\w-]+):)?(urlset|sitemapindex)[\s>]/;

/** Opens a map up to its root element. Time is linear in the text. */
export function openMap(xml: string): { readonly ok: true; readonly shell: MapShell } | { readonly ok: false; readonly reason: SitemapRefusal } {
  if (xml.length > SITEMAP_LIMITS.bytes) return { ok: false, reason: 'too-large' };
  const text = withoutComments(xml);
  const root = ROOT.exec(text.slice(0, 8192));
  if (!root) return { ok: false, reason: 'not-a-sitemap' };
  if (/<!DOCTYPE/i.test(text.slice(0, root.index))) return { ok: false, reason: 'doctype' };
  const [, prefix, name = ''] = root;
  const whole = prefix === undefined ? '' : `${prefix}:`;
  if (!new RegExp(`</${whole}${name}\\s*>\\s*$`).test(text.slice(-4096))) return { ok: false, reason: 'not-closed' };
  const kind = name === 'urlset' ? 'urlset' : 'index';
  return {
    ok: true,
    shell: { kind, text, root: root.index, start: text.indexOf('>', root.index) + 1, item: whole + (kind === 'urlset' ? 'url' : 'sitemap'), prefix: whole },
  };
}

/** Comments become spaces; a comment that does not end takes the rest with it, as it does in XML. */
function withoutComments(xml: string): string {
  let at = xml.indexOf('<!--');
  if (at < 0) return xml;
  const parts: string[] = [];
  let from = 0;
  while (at >= 0) {
    const close = xml.indexOf('-->', at + 4);
    const end = close < 0 ? xml.length : close + 3;
    parts.push(xml.slice(from, at), xml.slice(at, end).replace(/[^\r\n]/g, ' '));
    from = end;
    at = xml.indexOf('<!--', end);
  }
  return parts.join('') + xml.slice(from);
}

/** Whether a text is a map by how it begins. */
export function isMapText(text: string): boolean {
  return ROOT.test(text.slice(0, 8192)) || listedAddresses(text) !== undefined;
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

/**
 * Reads a sitemap or index. Entities other than XML's five and character numbers are not expanded, a doctype is refused outright, nesting is not
 * followed, and time is linear in the text.
 */
export function readSitemap(xml: string): { ok: true; sitemap: SitemapReading } | { ok: false; reason: SitemapRefusal } {
  const list = listedAddresses(xml);
  if (list) {
    const entries = list.slice(0, SITEMAP_LIMITS.entries).map(({ loc }) => ({ loc, lastmod: undefined }));
    return { ok: true, sitemap: { kind: 'urlset', entries, cut: entries.length < list.length } };
  }
  const opened = openMap(xml);
  if (!opened.ok) return opened;
  const { shell } = opened;
  const entries: { loc: string; lastmod: string | undefined }[] = [];
  let cut = false;
  const [loc, lastmod] = [`${shell.prefix}loc`, `${shell.prefix}lastmod`];
  for (const { start, end } of itemsOf(shell)) {
    const body = shell.text.slice(start, end);
    const address = element(body, loc);
    if (address === undefined || address === '') continue;
    if (entries.length >= SITEMAP_LIMITS.entries) {
      cut = true;
      break;
    }
    entries.push({ loc: address, lastmod: element(body, lastmod) });
  }
  return { ok: true, sitemap: { kind: shell.kind, entries, cut } };
}

/** The elements that hold an address each: from behind the start tag to the end tag. */
export function* itemsOf({ text, item, start }: MapShell): Generator<{ readonly tag: number; readonly start: number; readonly end: number }> {
  const close = `</${item}>`;
  const open = `<${item}`;
  for (let at = text.indexOf(open, start); at >= 0;) {
    const code = text.charCodeAt(at + open.length);
    if (code !== 62 && code > 32) {
      at = text.indexOf(open, at + 1);
      continue;
    }
    const from = text.indexOf('>', at) + 1;
    const end = from === 0 ? -1 : text.indexOf(close, from);
    if (end < 0) return;
    yield { tag: at, start: from, end };
    at = text.indexOf(open, end + close.length);
  }
}

/** The text of the first element of a name; undefined where there is none. */
export function element(body: string, name: string): string | undefined {
  const plain = body.indexOf(`<${name}>`);
  let start = plain < 0 ? -1 : plain + name.length + 2;
  if (start < 0) {
    // With attributes, which no map needs but some write.
    const at = body.indexOf(`<${name}`);
    if (at < 0 || !/\s/.test(body[at + name.length + 1] ?? '')) return undefined;
    start = body.indexOf('>', at) + 1;
    if (start === 0) return undefined;
  }
  const end = body.indexOf(`</${name}>`, start);
  return end < 0 ? undefined : unescapeXml(body.slice(start, end).trim());
}

/** Resolves XML's five entities and character numbers; anything else stays as it is written. */
export function unescapeXml(text: string): string {
  const plain = text.startsWith('<![CDATA[') && text.endsWith(']]>') ? text.slice(9, -3).trim() : undefined;
  if (plain !== undefined) return plain;
  if (!text.includes('&')) return text;
  return text.replace(/&(?:#x([0-9a-f]+)|#(\d+)|(amp|lt|gt|quot|apos));/gi, (whole, hex?: string, decimal?: string, name?: string) => {
    if (name !== undefined) return { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" }[name.toLowerCase()] ?? whole;
    const code = hex !== undefined ? parseInt(hex, 16) : Number(decimal);
    return code > 0 && code <= 0x10ffff && !(code >= 0xd800 && code <= 0xdfff) ? String.fromCodePoint(code) : whole;
  });
}
