import { SaxesParser, type SaxesTagNS } from 'saxes';
import { readPlainMap } from './plain-walk.ts';
import type { ElementFault, ExaminedEntry, MapVisitor, SitemapRefusal, WalkedMap, XmlFault } from './walked.ts';
import { NAMESPACES, octets, SITEMAP_LIMITS, type Alternate } from './write.ts';

const ROOTS: Readonly<Record<string, 'urlset' | 'index'>> = { urlset: 'urlset', sitemapindex: 'index' };
const ITEMS = { urlset: 'url', index: 'sitemap' } as const;
const FIELDS: Readonly<Record<'urlset' | 'index', ReadonlySet<string>>> = {
  urlset: new Set(['loc', 'lastmod', 'changefreq', 'priority']),
  index: new Set(['loc', 'lastmod']),
};
/** Units handed to the parser at once: it keeps no more of the text than that. */
const STEP = 1 << 16;
/** Elements that may be open at once: a map is four deep. */
const DEEPEST = 64;

/** Ends the walk early, on purpose. */
class Stop extends Error {
  constructor(readonly reason: SitemapRefusal | XmlFault) {
    super();
  }
}

/**
 * Walks over a map or an index with a strict parser of XML and its namespaces. No entity but XML's five is known and a doctype is refused, so nothing
 * unfolds; time and memory are linear. Elements count in the namespace of their root: that some maps name no namespace is told, but does not hide their
 * addresses.
 */
export function walkMap(
  xml: string,
  visitor: MapVisitor,
): { readonly ok: true; readonly map: WalkedMap } | { readonly ok: false; readonly reason: SitemapRefusal } {
  const { bytes } = SITEMAP_LIMITS;
  // Each unit is at most three octets: only a long text has to be counted.
  if (xml.length > bytes || (xml.length * 3 > bytes && octets(xml) > bytes)) return { ok: false, reason: 'too-large' };
  if (looksLikeUtf16(xml)) return { ok: false, reason: 'utf-16' };
  const plain = readPlainMap(xml);
  if (plain) {
    for (const entry of plain.entries) visitor.entry?.(entry);
    for (const { loc, place } of plain.unescaped) visitor.unescaped?.(loc, place);
    return { ok: true, map: plain.map };
  }
  return walkStrictly(xml, visitor);
}

/** The same by the strict parser alone, to which the plain way is held. */
export function walkStrictly(xml: string, visitor: MapVisitor): ReturnType<typeof walkMap> {
  const walk = new Walk(xml, visitor);
  const fault = walk.run();
  if (typeof fault === 'string') return { ok: false, reason: fault };
  // What breaks before its first element is a map only where one is in sight.
  if (walk.kind === undefined) return { ok: false, reason: ROOT.test(xml.slice(0, 8192)) ? 'malformed' : 'not-a-sitemap' };
  return { ok: true, map: { kind: walk.kind, namespace: walk.namespace, root: walk.root, encoding: walk.encoding, fault } };
}

/** Whether a text was read as UTF-8 from bytes of UTF-16: every other one of its units is nothing. */
const looksLikeUtf16 = (text: string): boolean => /^(?:\ufffd\ufffd)?(?:[<h]\0|\0[<h])/.test(text.slice(0, 4));

/** The start tag of a map, in whatever namespace. */
const ROOT = /<(?:[\w-]+:)?(?:urlset|sitemapindex)[\s/>]/;

/** Whether a text is a map in XML, by how it begins. */
export const beginsAsMap = (text: string): boolean => ROOT.test(text.slice(0, 8192));

type Draft = { -readonly [K in keyof ExaminedEntry]: ExaminedEntry[K] } & { images: string[]; alternates: Alternate[]; seen: Set<string>; raw: string };

class Walk {
  kind: 'urlset' | 'index' | undefined;
  namespace = '';
  root = 0;
  encoding: string | undefined;
  private readonly parser = new SaxesParser({ xmlns: true });
  /** Names of the open elements, `{namespace}local` where it is not the map's own. */
  private readonly open: string[] = [];
  private item: Draft | undefined;
  private text: string[] | undefined;
  private from = 0;
  private plain = true;

  constructor(
    private readonly xml: string,
    private readonly visitor: MapVisitor,
  ) {}

  /** Undefined where it came to the end. */
  run(): SitemapRefusal | XmlFault | undefined {
    const { parser, xml } = this;
    parser.on('error', (error) => {
      throw new Stop(this.faultOf(error.message));
    });
    parser.on('doctype', () => {
      throw new Stop('doctype');
    });
    parser.on('xmldecl', ({ encoding }) => (this.encoding = encoding));
    parser.on('opentag', (tag) => this.opened(tag));
    parser.on('closetag', () => this.closed());
    parser.on('text', (text) => this.text?.push(text));
    parser.on('cdata', (text) => {
      this.text?.push(text);
      this.plain = false;
    });
    try {
      for (let at = 0; at < xml.length; at += STEP) parser.write(xml.slice(at, at + STEP));
      parser.close();
    } catch (error) {
      if (error instanceof Stop) return error.reason;
      throw error;
    }
    return undefined;
  }

  /** The name as the map's own elements have it; others with their namespace. */
  private nameOf({ local, uri }: SaxesTagNS): string {
    return uri === this.namespace ? local : `{${uri}}${local}`;
  }

  /** Where the tag that was just read begins: no tag holds another `<`. */
  private tagStart(): number {
    return this.xml.lastIndexOf('<', this.parser.position - 1);
  }

  private opened(tag: SaxesTagNS): void {
    const depth = this.open.length;
    if (depth === 0) {
      this.kind = Object.hasOwn(ROOTS, tag.local) ? ROOTS[tag.local] : undefined;
      if (this.kind === undefined) throw new Stop('not-a-sitemap');
      this.namespace = tag.uri;
      this.root = this.tagStart();
    }
    const name = this.nameOf(tag);
    this.open.push(name);
    if (this.open.length > DEEPEST) throw new Stop(this.faultOf('elements are nested too deeply'));
    if (depth === 0) return;
    const kind = this.kind as 'urlset' | 'index';
    const foreign = name.startsWith('{');
    if (depth === 1) {
      if (name === ITEMS[kind])
        this.item = {
          loc: '',
          lastmod: undefined,
          changefreq: undefined,
          priority: undefined,
          images: [],
          alternates: [],
          place: this.tagStart(),
          seen: new Set(),
          raw: '',
        };
      // Others' elements may stand anywhere; one of the map's own may not.
      else if (!foreign || Object.values(ITEMS).includes(tag.local as 'url'))
        this.tell(foreign ? 'element-namespace' : isKnown(name) ? 'misplaced-element' : 'unknown-element', tag.name);
      return;
    }
    if (!this.item) return;
    if (depth === 2 && !foreign) {
      if (!FIELDS[kind].has(name)) this.tell(isKnown(name) ? 'misplaced-element' : 'unknown-element', tag.name);
      else if (this.item.seen.has(name)) this.tell('element-twice', tag.name);
      else this.begin();
      this.item.seen.add(name);
    } else if (depth === 2) {
      if (tag.uri === '' || (isKnown(tag.local) && tag.uri !== NAMESPACES.image)) this.tell('element-namespace', tag.name);
      if (tag.uri === NAMESPACES.xhtml && tag.local === 'link') this.link(tag);
    } else if (depth === 3 && name === `{${NAMESPACES.image}}loc`) this.begin();
    else if (!foreign && (FIELDS[kind].has(this.open[2] as string) || this.open[2]?.startsWith('{'))) this.tell('misplaced-element', tag.name);
  }

  private begin(): void {
    this.text = [];
    this.from = this.parser.position;
    this.plain = true;
  }

  private link({ attributes }: SaxesTagNS): void {
    const value = (name: string): string | undefined => attributes[name]?.value;
    const [lang, href] = [value('hreflang'), value('href')];
    if (value('rel') === 'alternate' && lang !== undefined && href !== undefined) this.item?.alternates.push({ lang, href });
  }

  private closed(): void {
    const name = this.open.pop() as string;
    const depth = this.open.length;
    const { item, text } = this;
    if (!item) return;
    if (text && (depth === 2 || depth === 3)) {
      const value = text.join('').replace(/^[\t\n\r ]+|[\t\n\r ]+$/g, '');
      this.text = undefined;
      if (depth === 3) item.images.push(value);
      else if (name === 'loc') {
        item.loc = value;
        item.raw = this.plain ? this.xml.slice(this.from, this.tagStart()) : '';
      } else if (name === 'lastmod' || name === 'changefreq' || name === 'priority') item[name] = value;
    }
    if (depth !== 1) return;
    this.item = undefined;
    const { seen: _seen, raw, ...entry } = item;
    if (entry.loc === '') return this.visitor.without?.(item.place);
    this.visitor.entry?.(entry);
    if (/["'>]/.test(raw)) this.visitor.unescaped?.(entry.loc, item.place);
  }

  private tell(code: ElementFault['code'], name: string): void {
    this.visitor.element?.({ code, name: name.slice(0, 60), place: this.tagStart() });
  }

  private faultOf(message: string): XmlFault {
    const { line, columnIndex, position } = this.parser;
    const bare = message.replace(/^\d+:\d+: /, '');
    const what = FAULTS.find(([form]) => form.test(bare))?.[1] ?? 'other';
    const place = Math.max(0, Math.min(position, this.xml.length) - 1);
    // An ampersand that begins nothing is noticed only where the next reference ends, or the text does.
    const ampersand = what === 'bare-ampersand' || what === 'cut-off' ? bareAmpersand(this.xml, position) : undefined;
    if (ampersand === undefined) return { what, message: bare, line, column: columnIndex + 1, place };
    const before = this.xml.slice(0, ampersand).split(/\r\n|\r|\n/);
    return { what: 'bare-ampersand', message: bare, line: before.length, column: (before[before.length - 1] as string).length + 1, place: ampersand };
  }
}

/** The first ampersand before a place that begins no reference. */
function bareAmpersand(xml: string, before: number): number | undefined {
  for (const { 0: found, index } of xml.slice(0, before).matchAll(/<!--[^]*?-->|<!\[CDATA\[[^]*?\]\]>|&(?!(?:#x[\da-f]+|#\d+|[\w:][\w.:-]*);)/gi))
    if (found === '&') return index;
  return undefined;
}

const isKnown = (name: string): boolean => Object.hasOwn(ROOTS, name) || FIELDS.urlset.has(name) || name === 'url' || name === 'sitemap';

/** What the parser says, by what it means. */
const FAULTS: readonly (readonly [RegExp, XmlFault['what']])[] = [
  [/undefined entity/i, 'unknown-entity'],
  [/entity/i, 'bare-ampersand'],
  [/prefix|namespace/i, 'prefix'],
  [/unclosed tag|unexpected end/i, 'cut-off'],
  [/unmatched closing tag|unexpected close|nested too deeply/i, 'misnested'],
  [/only one root|outside of root/i, 'outside'],
  [/^disallowed character\.|\]\]>/i, 'character'],
];
