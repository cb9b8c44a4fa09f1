import type { DefaultTreeAdapterTypes as Tree } from 'parse5';
import { decodeSource, type SourceText } from '../source/index.ts';
import { FactCollector } from './collector.ts';
import { readFast } from './fast-reader.ts';
import { PAGE_LIMITS, type PageReading } from './facts.ts';
import { readTree } from './tree-reader.ts';

/** What else a reader may be asked for. */
export interface ReadOptions {
  /** Keep the visible text (engines need it; the survey of a large site does not). */
  readonly keepText?: boolean;
  /** Asked now and then; true ends the reading with `too-slow`. */
  readonly outOfTime?: () => boolean;
  /** Whether scripts run where the page is read; unless told otherwise they do. Only the tree tells the two apart. */
  readonly scripting?: boolean;
  /** Is given the tree, where one is built. */
  readonly onTree?: (document: Tree.Document) => void;
}

/** Reads a page's bytes into facts. Nothing in the page is executed or fetched. */
export function readPage(bytes: Uint8Array, options: ReadOptions & { readonly httpCharset?: string | undefined } = {}): PageReading {
  if (bytes.length > PAGE_LIMITS.size) return { ok: false, reason: 'too-large' };
  return readSource(decodeSource(bytes, options.httpCharset), options);
}

/** Reads a page that is decoded already. */
export function readSource(source: SourceText, options: ReadOptions = {}): PageReading {
  const collector = new FactCollector(options.keepText === true);
  const outcome = readFast(source.text, collector, options.outOfTime);
  if (outcome === 'done') return { ok: true, facts: collector.finish(source.encoding, source.text) };
  if (outcome !== 'hard') return { ok: false, reason: outcome };
  return readSourceByTree(source, options);
}

/** The same by building a tree: the oracle of the fast reader, and its stand-in on pages it leaves alone. */
export function readSourceByTree(source: SourceText, options: ReadOptions = {}): PageReading {
  const collector = new FactCollector(options.keepText === true);
  const outcome = readTree(source.text, collector, options);
  return outcome === 'done' ? { ok: true, facts: collector.finish(source.encoding, source.text) } : { ok: false, reason: outcome };
}
