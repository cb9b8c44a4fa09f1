import type { Alternate } from './write.ts';

/** Why something is not a map. `malformed`: it is no XML as the standard has it, so nothing in it is taken to be right. */
export type SitemapRefusal = 'too-large' | 'not-a-sitemap' | 'doctype' | 'malformed' | 'utf-16';

/** One address of a map with all that is said of it. */
export interface ExaminedEntry {
  readonly loc: string;
  readonly lastmod: string | undefined;
  readonly changefreq: string | undefined;
  readonly priority: string | undefined;
  readonly images: readonly string[];
  readonly alternates: readonly Alternate[];
  /** Offset of its start tag in the text, in UTF-16 units. */
  readonly place: number;
}

/** Where XML is broken, and how. Line and column count from 1. */
export interface XmlFault {
  readonly what: 'bare-ampersand' | 'unknown-entity' | 'misnested' | 'prefix' | 'character' | 'cut-off' | 'outside' | 'other';
  /** In the parser's own words. */
  readonly message: string;
  readonly line: number;
  readonly column: number;
  readonly place: number;
}

/** Something about the elements of a map that its protocol does not have. */
export type ElementFault = { readonly place: number; readonly name: string } & {
  readonly code: 'unknown-element' | 'misplaced-element' | 'element-twice' | 'element-namespace';
};

/** What a walk over a map comes upon, in its order. */
export interface MapVisitor {
  entry?(entry: ExaminedEntry): void;
  /** An entry without an address. */
  without?(place: number): void;
  element?(fault: ElementFault): void;
  /** An address with characters that the protocol wants escaped, beyond what XML does. */
  unescaped?(loc: string, place: number): void;
}

/** A map walked to its end, or to where its XML breaks. */
export interface WalkedMap {
  readonly kind: 'urlset' | 'index';
  /** Namespace of the root element. */
  readonly namespace: string;
  /** Offset of the root element. */
  readonly root: number;
  /** The encoding that the XML declaration names. */
  readonly encoding: string | undefined;
  readonly fault: XmlFault | undefined;
}
