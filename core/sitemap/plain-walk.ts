import { NAMESPACES, type Alternate } from './write.ts';
import type { ExaminedEntry, WalkedMap } from './walked.ts';

/** A map that is as plain as programs write them, read. */
export interface PlainMap {
  readonly map: WalkedMap;
  readonly entries: readonly ExaminedEntry[];
  /** Addresses with quotes that the protocol wants escaped. */
  readonly unescaped: readonly ExaminedEntry[];
}

const SPACE = '[\\t\\n\\r ]';
/** Text and attribute values without anything that XML gives a meaning, but for its five entities; `>` is left to the strict reader, for it may end what nobody began. */
const TEXT = '(?:[\\t\\n\\x20-\\x25\\x27-\\x3b\\x3d\\x3f-\\ud7ff\\ue000-\\ufffd]|&(?:amp|lt|gt|quot|apos);)*';
const VALUE = '(?:[\\x20\\x21\\x23-\\x25\\x27-\\x3b\\x3d-\\ud7ff\\ue000-\\ufffd]|&(?:amp|lt|gt|quot|apos);)*';

const HEAD = new RegExp(
  `^\\ufeff?(?:<\\?xml version="1\\.0"(?: encoding="([A-Za-z][\\w.-]*)")?${SPACE}*\\?>)?${SPACE}*(?:<\\?xml-stylesheet [\\x20-\\x3b\\x3d\\x40-\\x7e]*\\?>${SPACE}*)*<(urlset|sitemapindex)((?:${SPACE}+[\\w:]+="[\\x20\\x21\\x23-\\x25\\x27-\\x3b\\x3d-\\x7e]*")*)${SPACE}*>`,
);
const ATTRIBUTE = /([\w:]+)="([^"]*)"/g;
const FIELD = new RegExp(`${SPACE}*<(loc|lastmod|changefreq|priority)>(${TEXT})</\\1>`, 'y');
const IMAGE = new RegExp(`${SPACE}*<image:image>${SPACE}*<image:loc>(${TEXT})</image:loc>${SPACE}*</image:image>`, 'y');
const LINK = new RegExp(`${SPACE}*<xhtml:link rel="alternate" hreflang="(${VALUE})" href="(${VALUE})"${SPACE}*/>`, 'y');
const OPEN = { urlset: new RegExp(`${SPACE}*<url>`, 'y'), index: new RegExp(`${SPACE}*<sitemap>`, 'y') } as const;
const CLOSE = { urlset: new RegExp(`${SPACE}*</url>`, 'y'), index: new RegExp(`${SPACE}*</sitemap>`, 'y') } as const;
const END = { urlset: new RegExp(`${SPACE}*</urlset>${SPACE}*$`, 'y'), index: new RegExp(`${SPACE}*</sitemapindex>${SPACE}*$`, 'y') } as const;

const ENTITIES: Readonly<Record<string, string>> = { '&amp;': '&', '&lt;': '<', '&gt;': '>', '&quot;': '"', '&apos;': "'" };
const plain = (text: string): string => (text.includes('&') ? text.replace(/&\w+;/g, (entity) => ENTITIES[entity] as string) : text);
/** Ends of a text are taken off as they are written: a space that an entity stands for would stay, but there is none. */
const trimmed = (text: string): string => plain(text.replace(/^[\t\n\r ]+|[\t\n\r ]+$/g, ''));

/**
 * Reads a map that consists of nothing but what programs write: whatever it takes is well formed by construction, and says the same as the strict reader
 * does. Undefined for everything else, which is for that reader. A fifth of its time.
 */
export function readPlainMap(xml: string): PlainMap | undefined {
  const head = HEAD.exec(xml.slice(0, 8192));
  if (!head) return undefined;
  const [whole, encoding, root, attributes = ''] = head;
  const kind = root === 'urlset' ? 'urlset' : 'index';
  const names = new Map<string, string>();
  for (const [, name = '', value = ''] of attributes.matchAll(ATTRIBUTE)) {
    if (names.has(name)) return undefined;
    names.set(name, value);
  }
  for (const [name, value] of names) if (!(name in PREFIXES) || (PREFIXES[name] !== undefined && PREFIXES[name] !== value)) return undefined;
  if (names.has('xsi:schemaLocation') && !names.has('xmlns:xsi')) return undefined;
  const entries: ExaminedEntry[] = [];
  const unescaped: ExaminedEntry[] = [];
  let at = whole.length;
  const take = (form: RegExp): RegExpExecArray | null => {
    form.lastIndex = at;
    const found = form.exec(xml);
    if (found) at = form.lastIndex;
    return found;
  };
  while (take(OPEN[kind])) {
    const place = at - OPEN_LENGTH[kind];
    const fields: Record<string, string> = {};
    const images: string[] = [];
    const alternates: Alternate[] = [];
    while (!take(CLOSE[kind])) {
      const field = take(FIELD);
      if (field) {
        const [, name = '', value = ''] = field;
        if (Object.hasOwn(fields, name) || (kind === 'index' && name !== 'loc' && name !== 'lastmod')) return undefined;
        fields[name] = value;
        continue;
      }
      const image = kind === 'urlset' && names.has('xmlns:image') ? take(IMAGE) : null;
      if (image) images.push(trimmed(image[1] as string));
      else {
        const link = kind === 'urlset' && names.has('xmlns:xhtml') ? take(LINK) : null;
        if (!link) return undefined;
        alternates.push({ lang: plain(link[1] as string), href: plain(link[2] as string) });
      }
    }
    const text = (name: string): string | undefined => (fields[name] === undefined ? undefined : trimmed(fields[name]));
    const loc = text('loc');
    if (loc === undefined || loc === '') return undefined;
    const entry = { loc, lastmod: text('lastmod'), changefreq: text('changefreq'), priority: text('priority'), images, alternates, place };
    entries.push(entry);
    if (/["']/.test(fields['loc'] as string)) unescaped.push(entry);
  }
  if (!take(END[kind])) return undefined;
  return {
    map: { kind, namespace: names.get('xmlns') ?? '', root: whole.lastIndexOf('<'), encoding, fault: undefined },
    entries,
    unescaped,
  };
}

const OPEN_LENGTH = { urlset: '<url>'.length, index: '<sitemap>'.length } as const;
/** Names that the root may declare here, with what they have to say. */
const PREFIXES: Readonly<Record<string, string | undefined>> = {
  xmlns: NAMESPACES.map,
  'xmlns:image': NAMESPACES.image,
  'xmlns:xhtml': NAMESPACES.xhtml,
  'xmlns:xsi': 'http://www.w3.org/2001/XMLSchema-instance',
  'xsi:schemaLocation': undefined,
};
