import type { Range } from '../source/index.ts';

/** The ways in which a page can hold structured data. */
export type Syntax = 'json-ld' | 'microdata' | 'rdfa';

/** One value of a property, with its place in the page's text. */
export type MarkupValue = Range &
  (
    | { readonly kind: 'text'; readonly text: string; readonly lang?: string | undefined; readonly datatype?: string | undefined }
    | { readonly kind: 'number'; readonly number: number; readonly text: string }
    | { readonly kind: 'boolean'; readonly truth: boolean }
    /** An address or the id of another thing, resolved where it could be. */
    | { readonly kind: 'address'; readonly address: string }
    | { readonly kind: 'item'; readonly item: MarkupItem }
  );

/** A thing that markup tells of. An item may be a value of several others (`itemref`, shared subjects): who walks them keeps count of where it was. */
export interface MarkupItem extends Range {
  readonly syntax: Syntax;
  /** Its id, resolved; undefined where it has none. */
  readonly id: string | undefined;
  /** Names of the vocabulary for its types; whole addresses for types of others. */
  readonly types: readonly string[];
  /** By name of the vocabulary, or whole address. In the order of the page. */
  readonly properties: ReadonlyMap<string, readonly MarkupValue[]>;
  /** Properties that other things have of this one (`@reverse`). */
  readonly reverse: ReadonlyMap<string, readonly MarkupValue[]>;
  /** Where each property's name stands first. */
  readonly places: ReadonlyMap<string, Range>;
}

/** What could not be read, with its place. `detail` is a word or name of the page's own. */
export interface MarkupTrouble extends Range {
  readonly code:
    | 'json-broken'
    | 'json-repaired'
    | 'nothing-in-it'
    | 'too-deep'
    | 'too-much'
    | 'context-missing'
    | 'context-unknown'
    | 'word-unmapped'
    | 'itemref-missing'
    | 'itemref-circular'
    | 'type-missing';
  readonly detail: string;
}

/** Things at the top, and what could not be read. */
export interface MarkupReading {
  readonly items: readonly MarkupItem[];
  readonly troubles: readonly MarkupTrouble[];
}

/** Bounds on markup: levels of nesting; values of one page; characters of one block. */
export const MARKUP_LIMITS = { depth: 64, values: 100_000, block: 4_000_000 } as const;

const SCHEMA = /^https?:\/\/(?:www\.)?schema\.org\//i;

/** The name of the vocabulary behind an address: `Event` for `http://schema.org/Event`. All other addresses as they are. */
export function schemaName(address: string): string {
  const found = SCHEMA.exec(address);
  return found ? address.slice(found[0].length) : address;
}

/** Whether this is a name of the vocabulary, and no address of another one's. */
export const isSchemaName = (name: string): boolean => !name.includes(':') && !name.includes('/');

/** Things at any depth, each once, those around before those within. */
export function* itemsWithin(items: Iterable<MarkupItem>): Generator<MarkupItem> {
  const seen = new Set<MarkupItem>();
  const waiting = [...items].reverse();
  for (let item = waiting.pop(); item !== undefined; item = waiting.pop()) {
    if (seen.has(item)) continue;
    seen.add(item);
    yield item;
    const within = [...item.properties.values(), ...item.reverse.values()].flat();
    for (let at = within.length - 1; at >= 0; at--) {
      const value = within[at] as MarkupValue;
      if (value.kind === 'item') waiting.push(value.item);
    }
  }
}

/** The text of a value, as it stands: an address for an address, nothing for a thing. */
export function textOf(value: MarkupValue): string {
  switch (value.kind) {
    case 'text':
    case 'number':
      return value.text;
    case 'boolean':
      return String(value.truth);
    case 'address':
      return value.address;
    case 'item':
      return '';
  }
}

/** Resolves an address against a base; what is no address stays as it is. */
export function resolved(address: string, base: string): string {
  const trimmed = address.trim();
  return URL.canParse(trimmed, base) ? new URL(trimmed, base).href : trimmed;
}
