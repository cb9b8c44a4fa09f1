import type { Range } from '../source/index.ts';
import { attribute, isElement, tagRange, textContent, tokens, type Element, type PageTree } from './dom.ts';
import { MARKUP_LIMITS, resolved, schemaName, type MarkupItem, type MarkupReading, type MarkupTrouble, type MarkupValue } from './item.ts';

/** Prefixes that RDFa readers know without being told (the initial context of RDFa Core 1.1), as far as pages use them. */
const PREFIXES: ReadonlyMap<string, string> = new Map([
  ['schema', 'https://schema.org/'],
  ['og', 'http://ogp.me/ns#'],
  ['dc', 'http://purl.org/dc/terms/'],
  ['dcterms', 'http://purl.org/dc/terms/'],
  ['foaf', 'http://xmlns.com/foaf/0.1/'],
  ['rdf', 'http://www.w3.org/1999/02/22-rdf-syntax-ns#'],
  ['rdfs', 'http://www.w3.org/2000/01/rdf-schema#'],
  ['xsd', 'http://www.w3.org/2001/XMLSchema#'],
  ['skos', 'http://www.w3.org/2004/02/skos/core#'],
  ['gr', 'http://purl.org/goodrelations/v1#'],
  ['v', 'http://rdf.data-vocabulary.org/#'],
  ['vcard', 'http://www.w3.org/2006/vcard/ns#'],
  ['sioc', 'http://rdfs.org/sioc/ns#'],
  ['cc', 'http://creativecommons.org/ns#'],
]);

/** Reads the RDFa of a page (RDFa Core 1.1, 7.5, with the rules of HTML+RDFa 1.1), as things with properties. */
export function readRdfa(tree: PageTree, base: string): MarkupReading {
  return new Rdfa(base).read(tree);
}

interface Thing extends Range {
  readonly key: string;
  readonly id: string | undefined;
  readonly types: string[];
  readonly properties: Map<string, (MarkupValue | Link)[]>;
  readonly places: Map<string, Range>;
}
/** A value that is another thing of the page. */
interface Link extends Range {
  readonly kind: 'link';
  readonly key: string;
}

/** A property that waits for the thing it leads to. */
interface Hanging {
  readonly name: string;
  readonly back: boolean;
  readonly place: Range;
}

/** What holds below an element (RDFa Core 1.1, 7.5, evaluation context). */
interface Around {
  readonly subject: string;
  readonly object: string;
  readonly hanging: readonly Hanging[];
  readonly vocab: string | undefined;
  readonly prefixes: ReadonlyMap<string, string>;
  readonly lang: string | undefined;
  readonly depth: number;
}

class Rdfa {
  private readonly things = new Map<string, Thing>();
  private readonly troubles: MarkupTrouble[] = [];
  private blanks = 0;

  constructor(private readonly base: string) {}

  read(tree: PageTree): MarkupReading {
    const root: Around = { subject: this.base, object: this.base, hanging: [], vocab: undefined, prefixes: PREFIXES, lang: undefined, depth: 0 };
    const waiting: { element: Element; around: Around }[] = tree.childNodes.filter(isElement).map((element) => ({ element, around: root }));
    for (let next = waiting.pop(); next; next = waiting.pop()) {
      const inside = this.element(next.element, next.around);
      if (!inside) continue;
      for (let at = next.element.childNodes.length - 1; at >= 0; at--) {
        const child = next.element.childNodes[at];
        if (child && isElement(child)) waiting.push({ element: child, around: inside });
      }
    }
    return { items: this.items(), troubles: this.troubles };
  }

  /** One element by the steps of 7.5; gives what holds below it. */
  private element(element: Element, around: Around): Around | undefined {
    const get = (name: string): string | undefined => attribute(element, name);
    const place = tagRange(element);
    const said = get('vocab');
    const vocab = said === undefined ? around.vocab : said === '' ? undefined : resolved(said, this.base);
    const prefixes = withPrefixes(around.prefixes, get('prefix'), element);
    const lang = get('lang') ?? around.lang;
    const expand = (word: string): string | undefined => expandTerm(word, vocab, prefixes);
    const isHead = element.tagName === 'head' || element.tagName === 'body' || element.tagName === 'html';

    const [rel, rev, property, typeOf] = [get('rel'), get('rev'), get('property'), get('typeof')];
    // In HTML a plain word in `rel` is a link type, no property, where the element says one with `property` as well (HTML+RDFa 1.1, 3.1, rule 7).
    const named = (value: string | undefined): readonly string[] =>
      tokens(value).flatMap((word) => (word.includes(':') || (vocab !== undefined && property === undefined) ? (expand(word) ?? []) : []));
    const rels = named(rel);
    const revs = named(rev);
    const leads = rels.length > 0 || revs.length > 0;
    const about = this.resource(get('about'), prefixes);
    const resource = this.resource(get('resource'), prefixes) ?? this.address(get('href') ?? get('src'));
    const object = resource;

    let subject: string;
    let current: string | undefined;
    let typed: string | undefined;
    let skip = false;
    if (!leads) {
      if (property !== undefined && get('content') === undefined && get('datatype') === undefined) {
        subject = about ?? (isHead && around.subject === this.base && about === undefined && element.tagName === 'html' ? this.base : around.object);
        if (typeOf !== undefined) {
          typed = about ?? object ?? this.blank();
          current = typed;
        }
      } else {
        const own = about ?? object;
        subject = own ?? (isHead ? around.object : typeOf !== undefined ? this.blank() : around.object);
        skip = own === undefined && typeOf === undefined && property === undefined;
        if (typeOf !== undefined) typed = subject;
      }
    } else {
      subject = about ?? (isHead ? around.object : around.object);
      if (typeOf !== undefined && about !== undefined) typed = about;
      current = object ?? (typeOf !== undefined && about === undefined ? this.blank() : undefined);
      if (typeOf !== undefined && about === undefined) typed = current;
    }
    if (typed !== undefined) {
      const thing = this.thing(typed, place);
      for (const type of tokens(typeOf)) {
        const whole = expand(type);
        if (whole !== undefined && !thing.types.includes(schemaName(whole))) thing.types.push(schemaName(whole));
      }
      if (thing.start === 0 && thing.end === 0) Object.assign(thing, place);
    }
    const hanging: Hanging[] = [];
    const join = (from: string, name: string, to: string, at: Range): void => this.put(from, name, { ...at, kind: 'link', key: to }, at);
    if (leads) {
      for (const name of rels) if (current !== undefined) join(subject, name, current, place);
      for (const name of revs) if (current !== undefined) join(current, name, subject, place);
      if (current === undefined) {
        hanging.push(...rels.map((name) => ({ name, back: false, place })), ...revs.map((name) => ({ name, back: true, place })));
        current = this.blank();
      }
    }
    if (property !== undefined) {
      const value = this.valueOf(element, { place, lang, leads, typed, expand });
      for (const word of tokens(property)) {
        const name = expand(word);
        if (name !== undefined) this.put(subject, name, value, place);
      }
    }
    // What hung in the air is joined to the first thing found below (step 12).
    if (!skip)
      for (const { name, back, place: at } of around.hanging) {
        if (back) join(subject, name, around.subject, at);
        else join(around.subject, name, subject, at);
      }
    if (around.depth > MARKUP_LIMITS.depth * 8) {
      this.troubles.push({ code: 'too-deep', detail: String(around.depth), ...place });
      return undefined;
    }
    const depth = around.depth + 1;
    if (skip) return { ...around, vocab, prefixes, lang, depth };
    const below = current ?? subject;
    return { subject, object: below, hanging, vocab, prefixes, lang, depth };
  }

  /** The value of `property` (step 11). */
  private valueOf(
    element: Element,
    {
      place,
      lang,
      leads,
      typed,
      expand,
    }: {
      readonly place: Range;
      readonly lang: string | undefined;
      readonly leads: boolean;
      readonly typed: string | undefined;
      readonly expand: (word: string) => string | undefined;
    },
  ): MarkupValue | Link {
    const get = (name: string): string | undefined => attribute(element, name);
    const datatype = get('datatype');
    const whole = datatype === undefined || datatype === '' ? undefined : expand(datatype);
    const text = (said: string): MarkupValue => ({
      ...place,
      kind: 'text',
      text: said,
      ...(whole === undefined ? (lang ? { lang } : {}) : { datatype: whole }),
    });
    const content = get('content');
    if (datatype !== undefined) return text(content ?? get('datetime') ?? textContent(element));
    if (content !== undefined) return text(content);
    const address = this.resource(get('resource'), PREFIXES) ?? this.address(get('href') ?? get('src'));
    if (!leads && get('about') === undefined && typed !== undefined) return { ...place, kind: 'link', key: typed };
    if (!leads && address !== undefined) return { ...place, kind: 'link', key: address };
    if (get('datetime') !== undefined) return text(get('datetime') as string);
    return text(textContent(element));
  }

  private put(subject: string, name: string, value: MarkupValue | Link, place: Range): void {
    const thing = this.thing(subject, place);
    const short = schemaName(name);
    if (!thing.places.has(short)) thing.places.set(short, place);
    const list = thing.properties.get(short);
    if (list) list.push(value);
    else thing.properties.set(short, [value]);
  }

  private thing(key: string, place: Range): Thing {
    const known = this.things.get(key);
    if (known) return known;
    const made: Thing = { key, id: key.startsWith('_:') ? undefined : key, types: [], properties: new Map(), places: new Map(), ...place };
    this.things.set(key, made);
    return made;
  }

  private blank(): string {
    return `_:${++this.blanks}`;
  }

  private address(said: string | undefined): string | undefined {
    return said === undefined ? undefined : resolved(said, this.base);
  }

  /** A safe compact address or an address (`about`, `resource`). */
  private resource(said: string | undefined, prefixes: ReadonlyMap<string, string>): string | undefined {
    if (said === undefined) return undefined;
    const safe = /^\[(.*)\]$/.exec(said.trim());
    const word = safe ? (safe[1] as string) : said.trim();
    if (word.startsWith('_:')) return `_:named ${word.slice(2)}`;
    return compact(word, prefixes) ?? (safe ? undefined : resolved(word, this.base));
  }

  /** Things at the top: those of the vocabulary with a type that no other one holds; what is joined to them hangs below. */
  private items(): MarkupItem[] {
    const made = new Map<string, MarkupItem>();
    const shells = new Map<string, Map<string, MarkupValue[]>>();
    for (const thing of this.things.values()) {
      const properties = new Map<string, MarkupValue[]>();
      shells.set(thing.key, properties);
      const { start, end, id, types, places } = thing;
      made.set(thing.key, { syntax: 'rdfa', start, end, id, types, places, properties, reverse: new Map() });
    }
    const held = new Set<string>();
    for (const thing of this.things.values()) {
      for (const [name, values] of thing.properties) {
        const told = values.map((value): MarkupValue => {
          if (value.kind !== 'link') return value;
          const { start, end, key } = value;
          const item = made.get(key);
          if (!item || item.types.length === 0) return { start, end, kind: 'address', address: key.startsWith('_:') ? '' : key };
          held.add(key);
          return { start, end, kind: 'item', item };
        });
        shells.get(thing.key)?.set(name, told);
      }
    }
    const top = [...made].filter(([key, item]) => item.types.length > 0 && !held.has(key));
    // Things that only hold one another have no top: the first of each circle is taken for one.
    const reached = new Set<MarkupItem>();
    const items = top.map(([, item]) => item);
    const walk = (from: MarkupItem): void => {
      const waiting = [from];
      for (let item = waiting.pop(); item; item = waiting.pop()) {
        if (reached.has(item)) continue;
        reached.add(item);
        for (const values of item.properties.values()) for (const value of values) if (value.kind === 'item') waiting.push(value.item);
      }
    };
    items.forEach(walk);
    for (const item of made.values())
      if (item.types.length > 0 && !reached.has(item)) {
        items.push(item);
        walk(item);
      }
    return items;
  }
}

/** Prefixes named by `prefix="a: https://… b: https://…"` and, as old pages have them, by `xmlns:a`. */
function withPrefixes(around: ReadonlyMap<string, string>, said: string | undefined, element: Element): ReadonlyMap<string, string> {
  const named = element.attrs.filter(({ name }) => name.startsWith('xmlns:'));
  if (said === undefined && named.length === 0) return around;
  const all = new Map(around);
  for (const { name, value } of named) all.set(name.slice(6).toLowerCase(), value);
  const words = tokens(said);
  for (let at = 0; at + 1 < words.length; at += 2) {
    const prefix = (words[at] as string).toLowerCase();
    if (prefix.endsWith(':') && prefix !== '_:') all.set(prefix.slice(0, -1), words[at + 1] as string);
  }
  return all;
}

function compact(word: string, prefixes: ReadonlyMap<string, string>): string | undefined {
  const colon = word.indexOf(':');
  if (colon < 0 || word.startsWith('//', colon + 1)) return undefined;
  const prefix = prefixes.get(word.slice(0, colon).toLowerCase());
  return prefix === undefined ? undefined : prefix + word.slice(colon + 1);
}

/** A term, compact address or address (7.4): a word without a colon is the vocabulary's. */
function expandTerm(word: string, vocab: string | undefined, prefixes: ReadonlyMap<string, string>): string | undefined {
  if (!word.includes(':')) return vocab === undefined ? undefined : vocab + word;
  return compact(word, prefixes) ?? word;
}
