import { endOfLeading } from './leftovers.ts';
import type { Range, SourceText, Splice } from '../source/index.ts';
import { escapeAttribute } from './escape.ts';
import type { MetaFact, PageFacts } from './facts.ts';
import { canonicalLinks } from './views.ts';

/** A `meta` with a name, written out. */
export function metaTag(name: string, content: string): string {
  return `<meta name="${escapeAttribute(name)}" content="${escapeAttribute(content)}">`;
}

/** Replaces a meta's content, or gives it one. */
export function setContent(source: SourceText, meta: MetaFact, content: string): Splice {
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

/** A tag with its line, where nothing else stands on that line. */
export function wholeLine(text: string, tag: Range): Range {
  let start = tag.start;
  while (start > 0 && (text[start - 1] === ' ' || text[start - 1] === '\t')) start--;
  let end = tag.end;
  while (end < text.length && (text[end] === ' ' || text[end] === '\t')) end++;
  const aloneBefore = start === 0 || text[start - 1] === '\n' || text[start - 1] === '\r';
  if (!aloneBefore || (text[end] !== '\n' && text[end] !== '\r')) return tag;
  return { start, end: text.startsWith('\r\n', end) ? end + 2 : end + 1 };
}

/** Puts a tag at the end of the head, on a line of its own where the head is written in lines. */
export function insertInHead(source: SourceText, facts: PageFacts, tag: string): Splice {
  const { text } = source;
  const at = facts.headInsert === 0 ? endOfLeading(text) : facts.headInsert;
  const newline = text.includes('\r\n') ? '\r\n' : text.includes('\n') ? '\n' : text.includes('\r') ? '\r' : '';
  const lines = tag.replace(/\n/g, newline === '' ? ' ' : newline);
  if (newline === '') return { start: at, end: at, insert: lines };
  let lineStart = at;
  while (lineStart > 0 && (text[lineStart - 1] === ' ' || text[lineStart - 1] === '\t')) lineStart--;
  const atLineStart = lineStart === 0 || text[lineStart - 1] === '\n' || text[lineStart - 1] === '\r';
  if (atLineStart) return { start: lineStart, end: lineStart, insert: `${indentation(text, facts)}${lines}${newline}` };
  return { start: at, end: at, insert: `${newline}${indentation(text, facts)}${lines}` };
}

/** A word about the page's encoding in front of all else in the head: it is looked for in the first 1,024 bytes only. */
export function charsetSplice(source: SourceText, facts: PageFacts): Splice {
  const tag = `<meta charset="${source.encoding.name}">`;
  const starts = [...facts.metas, ...facts.titles, ...facts.linkTags].flatMap((fact) => (fact.inHead ? [fact.tag.start] : []));
  if (starts.length === 0) return insertInHead(source, facts, tag);
  const at = starts.reduce((first, start) => Math.min(first, start));
  const lineStart = /(\r\n|\n|\r)([ \t]*)$/.exec(source.text.slice(Math.max(0, at - 200), at));
  return { start: at, end: at, insert: tag + (lineStart?.[0] ?? '') };
}

/** How the head's own lines are indented: as the first meta or title in it. */
function indentation(text: string, facts: PageFacts): string {
  const model = [...facts.metas.filter((meta) => meta.inHead), ...facts.titles.filter((title) => title.inHead)].map((fact) => fact.tag.start);
  if (model.length === 0) return '';
  return /(?:^|[\n\r])([ \t]*)$/.exec(text.slice(0, Math.min(...model)))?.[1] ?? '';
}

/** Makes a page name one main address: the first link is written anew, others go. */
export function canonicalSplices(source: SourceText, facts: PageFacts, href: string): Splice[] {
  const [first, ...others] = canonicalLinks(facts);
  const tag = `<link rel="canonical" href="${escapeAttribute(href)}">`;
  if (!first) return [insertInHead(source, facts, tag)];
  const gone = others.map((link) => ({ ...wholeLine(source.text, link.tag), insert: '' }));
  if (!first.hrefRange) return [{ ...first.tag, insert: tag }, ...gone];
  const { start, end } = first.hrefRange;
  const quote = source.text[start - 1];
  const value = quote === "'" ? escapeAttribute(href).replace(/'/g, '&#39;') : escapeAttribute(href);
  return [{ start, end, insert: quote === '"' || quote === "'" ? value : `"${value}"` }, ...gone];
}
