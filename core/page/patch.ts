import { needsAscii, readOnlyReason, respell, spliceSource, type Range, type SourceText, type Splice } from '../source/index.ts';
import { asciiReferences, escapeAttribute, escapeText, scriptJson } from './escape.ts';
import type { MetaFact, PageFacts } from './facts.ts';
import { passagesHold, passageSplices, type PassageEdit } from './passages.ts';
import { readSource } from './read.ts';
import { relinkSplices, type AddressesEdit } from './relink.ts';
import { indexDirectives } from './directives.ts';
import { documentTitle, metaDescription, robotsMetas } from './views.ts';

/** One thing a page shall say. Serialisable: releases remember them. */
export type PageEdit =
  | { readonly kind: 'title'; readonly text: string }
  | { readonly kind: 'description'; readonly text: string }
  /** Whether the page may be listed, for every crawler that it addresses. */
  | { readonly kind: 'noindex'; readonly on: boolean }
  /** A `meta` that must stand in the head exactly so, such as a proof of ownership. */
  | { readonly kind: 'meta'; readonly name: string; readonly content: string }
  /** A JSON-LD graph; a block that already holds one of its nodes by `@id` is replaced. */
  /** A `meta` with a property, as the Open Graph protocol has them. */
  | { readonly kind: 'property'; readonly property: string; readonly content: string }
  /** The alternative text of the picture whose tag stands at `start`. */
  | { readonly kind: 'alt'; readonly start: number; readonly was: string | null; readonly now: string }
  | PassageEdit
  | AddressesEdit
  | { readonly kind: 'json-ld'; readonly graph: { readonly '@context': string; readonly '@graph': readonly { readonly '@id': string }[] } };

/** Why a page could not be changed. Nothing has been changed then. */
export type PatchRefusal = 'utf-16' | 'stateful-encoding' | 'not-encodable' | 'unreadable' | 'head-cannot-take-it' | 'words-not-there';

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
  const splices = [...edits.flatMap((edit) => splicesFor(source, facts, edit)), ...words].filter((splice, at, all) => isOutermost(splice, at, all));
  if (splices.length === 0) return { ok: true, bytes: source.bytes, splices };
  const reason = readOnlyReason(source.encoding);
  if (reason !== undefined) return { ok: false, reason };
  const merged = mergeInsertions(splices);
  const ascii = needsAscii(source) ? merged.map((splice) => ({ ...splice, insert: asciiReferences(splice.insert) })) : merged;
  const spliced = spliceSource(source, ascii);
  if (!spliced.ok) return spliced;
  const again = respell(source, spliced.bytes);
  const reread = readSource(again);
  if (!reread.ok) return { ok: false, reason: 'unreadable' };
  if (!edits.every((edit) => isElsewhere(edit) || holds(reread.facts, edit))) return { ok: false, reason: 'head-cannot-take-it' };
  if (passages.length > 0 && !passagesHold(source.text, again.text, passages)) return { ok: false, reason: 'words-not-there' };
  if (!altsHold(facts, reread.facts, edits)) return { ok: false, reason: 'words-not-there' };
  return { ok: true, bytes: spliced.bytes, splices: ascii };
}

/** Edits whose places move when a page is written: they are looked at by order, not by place. */
function isElsewhere(edit: PageEdit): boolean {
  return edit.kind === 'alt' || edit.kind === 'passage' || edit.kind === 'addresses';
}

/** A block that is written anew takes the replacements inside it with it. */
function isOutermost(splice: Splice, at: number, all: readonly Splice[]): boolean {
  return !all.some(
    (other, index) =>
      index !== at &&
      other.end > other.start &&
      other.start <= splice.start &&
      splice.end <= other.end &&
      (other.start < splice.start || splice.end < other.end),
  );
}

function altsHold(before: PageFacts, after: PageFacts, edits: readonly PageEdit[]): boolean {
  return edits.every((edit) => edit.kind !== 'alt' || after.images[before.images.findIndex((image) => image.tag.start === edit.start)]?.alt === edit.now);
}

/** Whether a page already says what an edit wants. */
export function holds(facts: PageFacts, edit: PageEdit): boolean {
  switch (edit.kind) {
    case 'title':
      return (documentTitle(facts)?.text ?? '') === edit.text;
    case 'description':
      return (metaDescription(facts)?.content ?? '') === edit.text;
    case 'noindex':
      // Out must hold for every crawler, so the general tag has to say it; in must hold for each that is addressed.
      return edit.on === robotsMetas(facts).some((meta) => indexDirectives(meta.content ?? '').noindex && (!edit.on || meta.name === 'robots'));
    case 'meta':
      return facts.metas.some((meta) => meta.inHead && isMeta(meta, edit));
    case 'property':
      return facts.metas.find((meta) => meta.inHead && meta.property === edit.property)?.content === edit.content;
    case 'alt':
      return facts.images.some((image) => image.tag.start === edit.start && image.alt === edit.now);
    case 'passage':
      return edit.links.length === 0 && (edit.now === null || edit.now === edit.was);
    case 'addresses':
      return false;
    case 'json-ld':
      return facts.jsonLd.some((block) => parsed(block.text) === JSON.stringify(edit.graph));
  }
}

function splicesFor(source: SourceText, facts: PageFacts, edit: PageEdit): Splice[] {
  if (holds(facts, edit)) return [];
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
      return edit.on ? [addNoindex(source, facts)] : removeNoindex(source, facts);
    case 'meta': {
      const other = facts.metas.find((meta) => meta.inHead && meta.name === edit.name.toLowerCase());
      if (other) return [setContent(source, other, edit.content)];
      return [insertInHead(source, facts, metaTag(edit.name, edit.content))];
    }
    case 'property': {
      const other = facts.metas.find((meta) => meta.inHead && meta.property === edit.property);
      if (other) return [setContent(source, other, edit.content)];
      return [insertInHead(source, facts, `<meta property="${escapeAttribute(edit.property)}" content="${escapeAttribute(edit.content)}">`)];
    }
    case 'alt': {
      const image = facts.images.find((one) => one.tag.start === edit.start);
      return image ? [altSplice(source.text, image.tag, image.altRange, edit.now)] : [];
    }
    case 'passage':
      return [];
    case 'addresses':
      return relinkSplices(source.text, facts, edit);
    case 'json-ld': {
      const ids = new Set(edit.graph['@graph'].map((node) => node['@id']));
      const own = facts.jsonLd.find((block) => graphIds(block.text).some((id) => ids.has(id)));
      const ascii = needsAscii(source);
      if (own) return [{ ...own.content, insert: `\n${scriptJson(edit.graph, ascii)}\n` }];
      return [insertInHead(source, facts, `<script type="application/ld+json">\n${scriptJson(edit.graph, ascii)}\n</script>`)];
    }
  }
}

function isMeta(meta: MetaFact, wanted: { name: string; content: string }): boolean {
  return meta.name === wanted.name.toLowerCase() && meta.content === wanted.content;
}

function metaTag(name: string, content: string): string {
  return `<meta name="${escapeAttribute(name)}" content="${escapeAttribute(content)}">`;
}

/** Replaces a meta's content, or gives it one. */
function setContent(source: SourceText, meta: MetaFact, content: string): Splice {
  const value = escapeAttribute(content);
  if (meta.contentRange) {
    const { start, end } = meta.contentRange;
    const quote = source.text[start - 1];
    if (quote === '"') return { start, end, insert: value };
    if (quote === "'") return { start, end, insert: value.replace(/'/g, '&#39;') };
    return { start, end, insert: `"${value}"` };
  }
  // `content` may stand there without a value; the first of a name wins, so ours goes in front.
  const at = meta.tag.start + '<meta'.length;
  return { start: at, end: at, insert: ` content="${value}"` };
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

function addNoindex(source: SourceText, facts: PageFacts): Splice {
  const own = robotsMetas(facts).find((meta) => meta.name === 'robots');
  if (!own) return insertInHead(source, facts, metaTag('robots', 'noindex'));
  const kept = (own.content ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '' && !/^(index|all)$/i.test(part));
  return setContent(source, own, ['noindex', ...kept].join(', '));
}

function removeNoindex(source: SourceText, facts: PageFacts): Splice[] {
  return robotsMetas(facts).flatMap((meta) => {
    if (!indexDirectives(meta.content ?? '').noindex) return [];
    const kept = (meta.content ?? '')
      .split(',')
      .map((part) => part.trim())
      .flatMap((part) => (/^none$/i.test(part) ? ['nofollow'] : /^noindex$/i.test(part) || part === '' ? [] : [part]));
    if (kept.length > 0) return [setContent(source, meta, kept.join(', '))];
    return [{ ...wholeLine(source.text, meta.tag), insert: '' }];
  });
}

/** A tag with its line, where nothing else stands on that line. */
function wholeLine(text: string, tag: Range): Range {
  let start = tag.start;
  while (start > 0 && (text[start - 1] === ' ' || text[start - 1] === '\t')) start--;
  let end = tag.end;
  while (end < text.length && (text[end] === ' ' || text[end] === '\t')) end++;
  const aloneBefore = start === 0 || text[start - 1] === '\n' || text[start - 1] === '\r';
  if (!aloneBefore || (text[end] !== '\n' && text[end] !== '\r')) return tag;
  return { start, end: text.startsWith('\r\n', end) ? end + 2 : end + 1 };
}

/** Puts a tag at the end of the head, on a line of its own where the head is written in lines. */
function insertInHead(source: SourceText, facts: PageFacts, tag: string): Splice {
  const { text } = source;
  const at = facts.headInsert;
  const newline = text.includes('\r\n') ? '\r\n' : text.includes('\n') ? '\n' : text.includes('\r') ? '\r' : '';
  const lines = tag.replace(/\n/g, newline === '' ? ' ' : newline);
  if (newline === '') return { start: at, end: at, insert: lines };
  let lineStart = at;
  while (lineStart > 0 && (text[lineStart - 1] === ' ' || text[lineStart - 1] === '\t')) lineStart--;
  const atLineStart = lineStart === 0 || text[lineStart - 1] === '\n' || text[lineStart - 1] === '\r';
  if (atLineStart) return { start: lineStart, end: lineStart, insert: `${indentation(text, facts)}${lines}${newline}` };
  return { start: at, end: at, insert: `${newline}${indentation(text, facts)}${lines}` };
}

/** How the head's own lines are indented: as the first meta or title in it. */
function indentation(text: string, facts: PageFacts): string {
  const model = [...facts.metas.filter((meta) => meta.inHead), ...facts.titles.filter((title) => title.inHead)].map((fact) => fact.tag.start);
  if (model.length === 0) return '';
  return /(?:^|[\n\r])([ \t]*)$/.exec(text.slice(0, Math.min(...model)))?.[1] ?? '';
}

/** Insertions at one place become one splice, in their order. */
function mergeInsertions(splices: readonly Splice[]): Splice[] {
  const merged: Splice[] = [];
  for (const splice of splices) {
    const same = merged.findIndex((other) => other.start === splice.start && other.end === splice.end && splice.start === splice.end);
    if (same < 0) merged.push(splice);
    else merged[same] = { ...splice, insert: (merged[same] as Splice).insert + splice.insert };
  }
  return merged;
}

function parsed(text: string): string | undefined {
  try {
    return JSON.stringify(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** The `@id`s of the nodes in a JSON-LD block; none where it is not JSON. */
export function graphIds(text: string): string[] {
  const ids: string[] = [];
  const visit = (value: unknown, depth: number): void => {
    if (depth > 4 || typeof value !== 'object' || value === null) return;
    if (Array.isArray(value)) for (const item of value) visit(item, depth + 1);
    else {
      const node = value as { '@id'?: unknown; '@graph'?: unknown };
      if (typeof node['@id'] === 'string') ids.push(node['@id']);
      visit(node['@graph'], depth + 1);
    }
  };
  try {
    visit(JSON.parse(text), 0);
  } catch {
    return [];
  }
  return ids;
}
