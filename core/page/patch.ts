import { lowerBound, needsAscii, readOnlyReason, respell, sniffEncoding, spliceSource, type Range, type SourceText, type Splice } from '../source/index.ts';
import { asciiReferences, escapeAttribute, escapeText } from './escape.ts';
import type { MetaFact, PageFacts } from './facts.ts';
import { passagesHold, passageSplices, type PassageEdit } from './passages.ts';
import { readSource } from './read.ts';
import { relinkSplices, type AddressesEdit } from './relink.ts';
import { canonicalSplices, charsetSplice, insertInHead, metaTag, setContent, wholeLine } from './head-tags.ts';
import { directivesHold, robotsSplices, type DirectivesEdit, type NoindexEdit } from './robots-metas.ts';
import { hasInstruction } from './leftovers.ts';
import { snippetHolds, snippetsIn, snippetSplices, type SnippetEdit, type WrittenSnippet } from './snippet-edits.ts';
import { templateHolds, templateSplices, type TemplateEdit } from './template-edits.ts';
import { hasMarkup, withoutMarkup } from './markup-edits.ts';
import { graphSplices, saysGraph, type WrittenGraph } from './write-graph.ts';
import { changedSayings } from './sayings.ts';
import { canonicalLinks, documentTitle, metaDescription, refreshMetas } from './views.ts';

/** One thing a page shall say. Serialisable: releases remember them. */
export type PageEdit =
  | { readonly kind: 'title'; readonly text: string }
  | { readonly kind: 'description'; readonly text: string }
  | NoindexEdit
  | DirectivesEdit
  /** The one main address that the page names. */
  | { readonly kind: 'canonical'; readonly href: string }
  /** The page no longer sends its visitors on by itself (`meta http-equiv=refresh`). */
  | { readonly kind: 'no-refresh' }
  /** The page says its encoding where all look for it. */
  | { readonly kind: 'charset' }
  /** A `meta` that must stand in the head exactly so, such as a proof of ownership. */
  | {
      readonly kind: 'meta';
      readonly name: string;
      readonly content: string;
      /** Others of its name stay. */
      readonly beside?: true | undefined;
    }
  /** A `meta` with a property, as the Open Graph protocol has them. */
  | { readonly kind: 'property'; readonly property: string; readonly content: string }
  /** The alternative text of the picture whose tag stands at `start`. */
  | { readonly kind: 'alt'; readonly start: number; readonly was: string | null; readonly now: string }
  | PassageEdit
  | AddressesEdit
  | TemplateEdit
  /** The structured data that the page came with goes: blocks of JSON-LD, attributes of Microdata and RDFa. */
  | { readonly kind: 'no-markup' }
  | SnippetEdit
  /** A JSON-LD graph; nodes that the page has already, by their `@id`, take it in, and all others stay. */
  | { readonly kind: 'json-ld'; readonly graph: WrittenGraph };

/** Why a page could not be changed. Nothing has been changed then. */
export type PatchRefusal =
  | 'utf-16'
  | 'stateful-encoding'
  | 'not-encodable'
  | 'unreadable'
  | 'head-cannot-take-it'
  | 'words-not-there'
  | 'made-by-program'
  | 'snippet-twice'
  | 'snippet-says';

/** New bytes, or why not. With nothing to change the bytes are the very same object. */
export type PatchResult =
  { readonly ok: true; readonly bytes: Uint8Array; readonly splices: readonly Splice[] } | { readonly ok: false; readonly reason: PatchRefusal };

/**
 * Changes the fewest bytes that make the page say `edits`. The result is read again before it is handed out: where an edit did
 * not take (an unclosed `title` swallowing the head, say), the patch is refused and the page stays as it was.
 */
export function patchPage(source: SourceText, facts: PageFacts, edits: readonly PageEdit[]): PatchResult {
  const passages = edits.filter((edit) => edit.kind === 'passage');
  const words = passages.length === 0 ? [] : passageSplices(source.text, passages);
  if (words === undefined) return { ok: false, reason: 'words-not-there' };
  const robots = robotsSplices(
    source,
    facts,
    edits.filter((edit) => edit.kind === 'noindex' || edit.kind === 'directives'),
  );
  const bare = edits.some((edit) => edit.kind === 'no-markup');
  const snippets = snippetsIn(source, edits);
  if (snippets === undefined) return { ok: false, reason: 'snippet-twice' };
  const code = snippets.flatMap((snippet) => snippetSplices(source, facts, snippet));
  const splices = outermost([...edits.flatMap((edit) => splicesFor(source, facts, edit, bare)), ...code, ...robots, ...words]);
  // Nothing to write is right only where all is said already; words from a CDATA section, for one, are none that can be reached.
  if (splices.length === 0) return notTaken(source.text, facts, source.text, facts, edits, snippets) ?? { ok: true, bytes: source.bytes, splices };
  const reason = readOnlyReason(source.encoding);
  if (reason !== undefined) return { ok: false, reason };
  if (facts.unwritable === 'head-open') return { ok: false, reason: 'head-cannot-take-it' };
  if (facts.program !== undefined && splices.some(({ start, end }) => hasInstruction(source.text.slice(start, end))))
    return { ok: false, reason: 'made-by-program' };
  const spelled = needsAscii(source) ? splices.map((splice) => (splice.ownEncoding ? splice : { ...splice, insert: asciiReferences(splice.insert) })) : splices;
  // Nobody can say how browsers will read such letters, unless the page says its encoding from now on, or has letters that are read the same way.
  if (isUnsure(source) && !edits.some(({ kind }) => kind === 'charset') && spelled.some(({ insert }) => NOT_ASCII.test(insert)))
    return { ok: false, reason: 'not-encodable' };
  const merged = mergeInsertions(spelled);
  const spliced = spliceSource(source, merged);
  if (!spliced.ok) return spliced;
  const again = respell(source, spliced.bytes);
  const reread = readSource(again);
  if (!reread.ok) return { ok: false, reason: 'unreadable' };
  const failed = notTaken(source.text, facts, again.text, reread.facts, edits, snippets);
  if (failed) return failed;
  if (code.length > 0 && saysOtherwise(source, facts, code)) return { ok: false, reason: 'snippet-says' };
  const says = edits.some((edit) => edit.kind === 'charset');
  if ((says || source.encoding.from === 'meta') && sniffEncoding(spliced.bytes).from !== 'meta')
    // What was put in pushed the word about the encoding out of sight: it is said once more, in front.
    return says ? { ok: false, reason: 'head-cannot-take-it' } : patchPage(source, facts, [...edits, { kind: 'charset' }]);
  return { ok: true, bytes: spliced.bytes, splices: merged };
}

const NOT_ASCII = /[^\x00-\x7f]/;

/** Whether it is open how browsers read a page's letters: it does not say, and has none that would tell. */
function isUnsure({ encoding, text }: SourceText): boolean {
  return encoding.from === 'guess' || (encoding.from === 'fallback' && !NOT_ASCII.test(text));
}

/** Why edits do not stand in a page as it reads after them; undefined where all do. */
function notTaken(
  before: string,
  facts: PageFacts,
  after: string,
  now: PageFacts,
  edits: readonly PageEdit[],
  snippets: readonly WrittenSnippet[],
): Extract<PatchResult, { ok: false }> | undefined {
  if (!edits.every((edit) => isElsewhere(edit) || holds(now, edit))) return { ok: false, reason: 'head-cannot-take-it' };
  const passages = edits.filter((edit) => edit.kind === 'passage');
  if (passages.length > 0 && !passagesHold(before, after, passages)) return { ok: false, reason: 'words-not-there' };
  if (edits.some((edit) => edit.kind === 'no-markup') && hasMarkup(after, edits.some((edit) => edit.kind === 'json-ld') ? 1 : 0))
    return { ok: false, reason: 'head-cannot-take-it' };
  if (!snippets.every((snippet) => snippetHolds(after, snippet))) return { ok: false, reason: 'head-cannot-take-it' };
  return altsHold(facts, now, edits) ? undefined : { ok: false, reason: 'words-not-there' };
}

/** Whether a page would say something else for its snippets alone, which are written by these splices. */
function saysOtherwise(source: SourceText, facts: PageFacts, code: readonly Splice[]): boolean {
  const spliced = spliceSource(source, mergeInsertions(outermost(code)));
  const reading = spliced.ok && readSource(respell(source, spliced.bytes), { keepText: facts.text !== undefined });
  return !reading || !reading.ok || changedSayings(facts, reading.facts).length > 0;
}

/** Edits that are looked at by other means than the facts: places move when a page is written, and the encoding is told by the bytes. */
function isElsewhere(edit: PageEdit): boolean {
  return (
    edit.kind === 'alt' ||
    edit.kind === 'passage' ||
    edit.kind === 'addresses' ||
    edit.kind === 'charset' ||
    edit.kind === 'no-markup' ||
    edit.kind === 'snippet'
  );
}

/** Of splices that lie in one another the outermost, in their order: of two that replace the very same, the first is the owner's own word. Takes time in proportion to them. */
function outermost(splices: readonly Splice[]): Splice[] {
  const ranges = splices.map((splice, at) => ({ splice, at })).filter(({ splice }) => splice.end > splice.start);
  ranges.sort((a, b) => a.splice.start - b.splice.start || b.splice.end - a.splice.end || a.at - b.at);
  const kept: Splice[] = [];
  for (const { splice } of ranges) if (splice.end > (kept[kept.length - 1]?.end ?? -1)) kept.push(splice);
  const keeps = new Set(kept);
  return splices.filter((splice) => (splice.end > splice.start ? keeps.has(splice) : !liesWithin(splice.start, kept)));
}

/** Whether a place lies within one of some ranges in order; what is put in at an edge of a block stands beside it, not in it. */
function liesWithin(place: number, ranges: readonly Splice[]): boolean {
  const before = ranges[lowerBound(ranges, ({ start }) => start < place) - 1];
  return before !== undefined && before.end > place;
}

function altsHold(before: PageFacts, after: PageFacts, edits: readonly PageEdit[]): boolean {
  const order = new Map(before.images.map((image, at) => [image.tag.start, at]));
  return edits.every((edit) => edit.kind !== 'alt' || after.images[order.get(edit.start) ?? -1]?.alt === edit.now);
}

/** Whether a page already says what an edit wants. */
export function holds(facts: PageFacts, edit: PageEdit): boolean {
  switch (edit.kind) {
    case 'title':
      return (documentTitle(facts)?.text ?? '') === edit.text;
    case 'description':
      return (metaDescription(facts)?.content ?? '') === edit.text;
    case 'noindex':
    case 'directives':
      return directivesHold(facts, edit);
    case 'canonical': {
      const links = canonicalLinks(facts);
      return links.length === 1 && links[0]?.href?.trim() === edit.href;
    }
    case 'no-refresh':
      return refreshMetas(facts).length === 0;
    case 'meta':
      return facts.metas.some((meta) => meta.inHead && isMeta(meta, edit));
    case 'property':
      return facts.metas.find((meta) => meta.inHead && meta.property === edit.property)?.content === edit.content;
    case 'alt':
      return facts.images.some((image) => image.tag.start === edit.start && image.alt === edit.now);
    case 'passage':
      return edit.links.length === 0 && (edit.now === null || edit.now === edit.was);
    case 'addresses':
    case 'charset':
    case 'no-markup':
    case 'snippet':
      return false;
    case 'lang':
    case 'one-title':
    case 'one-heading':
      return templateHolds(facts, edit);
    case 'json-ld':
      return saysGraph(facts.jsonLd, edit.graph);
  }
}

/** `bare`: the structured data that is there goes, so that none of it takes ours in. */
function splicesFor(source: SourceText, facts: PageFacts, edit: PageEdit, bare: boolean): Splice[] {
  if (!(bare && edit.kind === 'json-ld') && holds(facts, edit)) return [];
  switch (edit.kind) {
    case 'title': {
      const title = documentTitle(facts);
      if (title) return [{ ...title.content, insert: escapeText(edit.text) }];
      return [insertInHead(source, facts, `<title>${escapeText(edit.text)}</title>`)];
    }
    case 'description': {
      const meta = metaDescription(facts);
      if (meta) return [setContent(source, meta, edit.text)];
      return [insertInHead(source, facts, metaTag('description', edit.text))];
    }
    case 'noindex':
    case 'directives':
      return [];
    case 'canonical':
      return canonicalSplices(source, facts, edit.href);
    case 'charset':
      return [charsetSplice(source, facts)];
    case 'no-refresh':
      return refreshMetas(facts).map((meta) => ({ ...wholeLine(source.text, meta.tag), insert: '' }));
    case 'meta': {
      const other = edit.beside ? undefined : facts.metas.find((meta) => meta.inHead && meta.name === edit.name.toLowerCase());
      if (other) return [setContent(source, other, edit.content)];
      return [insertInHead(source, facts, metaTag(edit.name, edit.content))];
    }
    case 'property': {
      const other = facts.metas.find((meta) => meta.inHead && meta.property === edit.property);
      if (other) return [setContent(source, other, edit.content)];
      return [insertInHead(source, facts, `<meta property="${escapeAttribute(edit.property)}" content="${escapeAttribute(edit.content)}">`)];
    }
    case 'alt': {
      const image = imageAt(facts, edit.start);
      return image ? [altSplice(source.text, image.tag, image.altRange, edit.now)] : [];
    }
    case 'passage':
    case 'snippet':
      return [];
    case 'addresses':
      return relinkSplices(source.text, facts, edit);
    case 'lang':
    case 'one-title':
    case 'one-heading':
      return templateSplices(source, facts, edit);
    case 'no-markup':
      return withoutMarkup(source.text);
    case 'json-ld':
      return graphSplices(source.text, bare ? [] : facts.jsonLd, edit.graph, needsAscii(source), (text) => insertInHead(source, facts, text));
  }
}

const imagesAt = new WeakMap<PageFacts, ReadonlyMap<number, PageFacts['images'][number]>>();

/** The picture whose tag stands at a place. */
function imageAt(facts: PageFacts, start: number): PageFacts['images'][number] | undefined {
  const known = imagesAt.get(facts) ?? new Map(facts.images.map((image) => [image.tag.start, image]));
  imagesAt.set(facts, known);
  return known.get(start);
}

function isMeta(meta: MetaFact, wanted: { name: string; content: string }): boolean {
  return meta.name === wanted.name.toLowerCase() && meta.content === wanted.content;
}

/** Sets a picture's alternative text: in place of the old one, or in front of the tag's end. */
function altSplice(text: string, tag: Range, range: Range | undefined, alt: string): Splice {
  const value = escapeAttribute(alt);
  if (range) {
    const quote = text[range.start - 1];
    if (quote === '"') return { ...range, insert: value };
    if (quote === "'") return { ...range, insert: value.replace(/'/g, '&#39;') };
    return { ...range, insert: `"${value}"` };
  }
  // `alt` may stand there without a value; the first of a name wins, so ours goes in front.
  const at = tag.start + '<img'.length;
  return { start: at, end: at, insert: ` alt="${value}"` };
}

/** Insertions at one place become one splice, in their order. */
function mergeInsertions(splices: readonly Splice[]): Splice[] {
  const merged: Splice[] = [];
  const places = new Map<number, number>();
  for (const splice of splices) {
    const same = splice.start === splice.end ? places.get(splice.start) : undefined;
    if (same !== undefined) {
      const { insert, ownEncoding = false } = merged[same] as Splice;
      merged[same] = { ...splice, insert: insert + splice.insert, ownEncoding: ownEncoding || splice.ownEncoding === true };
    } else {
      if (splice.start === splice.end) places.set(splice.start, merged.length);
      merged.push(splice);
    }
  }
  return merged;
}
