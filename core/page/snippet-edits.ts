import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Range, SourceText, Splice } from '../source/index.ts';
import type { PageFacts } from './facts.ts';
import { insertInHead, wholeLine } from './head-tags.ts';
import { documentNodes } from './nodes.ts';

/** Where a snippet stands in a page. */
export const SNIPPET_PLACES = ['head-start', 'head-end', 'body-start', 'body-end'] as const;
export type SnippetPlace = (typeof SNIPPET_PLACES)[number];

/** Somebody's code that stands in the page exactly once, at its place. */
export interface SnippetEdit {
  readonly kind: 'snippet';
  readonly id: string;
  readonly place: SnippetPlace;
  readonly code: string;
}

/** Where some code stands in a page's text, white space in it apart; not where a comment around it makes it nothing. */
export function snippetOccurrences(text: string, code: string): Range[] {
  const words = code.trim().split(/\s+/);
  if (words[0] === '') return [];
  const form = new RegExp(words.map((word) => word.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')).join('\\s+'), 'g');
  const found = [...text.matchAll(form)].map((match) => ({ start: match.index, end: match.index + match[0].length }));
  if (found.length === 0) return found;
  const comments = [...text.matchAll(/<!--[^]*?-->/g)].map((match) => ({ start: match.index, end: match.index + match[0].length }));
  return found.filter(({ start, end }) => !comments.some((comment) => comment.start < start && end < comment.end));
}

/** How often some code stands in the head of a page, and how often in its body. */
export function snippetStands(text: string, code: string, found = snippetOccurrences(text, code)): { readonly head: number; readonly body: number } {
  if (found.length === 0) return { head: 0, body: 0 };
  const border = bodyBegins(text);
  const head = found.filter(({ start }) => start < border).length;
  return { head, body: found.length - head };
}

/** Of the two parts of a page the one that a place is in. */
export const partOfPage = (place: SnippetPlace): 'head' | 'body' => (place.startsWith('head') ? 'head' : 'body');

/** Whether a page has a snippet exactly once, in the right part of it. */
export function snippetHolds(text: string, { code, place }: SnippetEdit, found = snippetOccurrences(text, code)): boolean {
  return found.length === 1 && snippetStands(text, code, found)[partOfPage(place)] === 1;
}

/** What makes a page so: what stands there in vain goes, with its line, and one is put in its place. */
export function snippetSplices(source: SourceText, facts: PageFacts, edit: SnippetEdit): Splice[] {
  const { text } = source;
  const found = snippetOccurrences(text, edit.code);
  if (snippetHolds(text, edit, found)) return [];
  const gone = found.map((range) => ({ ...wholeLine(text, range), insert: '' }));
  return [...gone, placed(source, facts, edit)];
}

function placed(source: SourceText, facts: PageFacts, { place, code }: SnippetEdit): Splice {
  const { text } = source;
  const newline = text.includes('\r\n') ? '\r\n' : '\n';
  const lines = code.trim().replace(/\r\n|\r|\n/g, newline);
  const at = (offset: number, before: string, after: string): Splice => ({ start: offset, end: offset, insert: `${before}${lines}${after}` });
  if (place === 'head-end') return insertInHead(source, facts, code.trim().replace(/\r\n|\r/g, '\n'));
  const { head, body, charset } = parts(text);
  if (place === 'head-start') {
    const behind = charset ?? head?.sourceCodeLocation?.startTag?.endOffset;
    return behind === undefined ? insertInHead(source, facts, code.trim().replace(/\r\n|\r/g, '\n')) : at(behind, newline, '');
  }
  const location = body?.sourceCodeLocation;
  if (place === 'body-start') return location?.startTag ? at(location.startTag.endOffset, newline, '') : at(bodyBegins(text), '', newline);
  const end = location?.endTag?.startOffset ?? lastIndex(text, /<\/html\s*>/gi) ?? text.length;
  return at(end, /[\r\n]\s*$/.test(text.slice(0, end)) ? '' : newline, newline);
}

interface Parts {
  readonly head: Tree.Element | undefined;
  readonly body: Tree.Element | undefined;
  /** Where the tag ends that tells the encoding: browsers look for it in the first 1,024 bytes, so nothing goes in front. */
  readonly charset: number | undefined;
}

function parts(text: string): Parts {
  const elements = [...documentNodes(parse(text, { sourceCodeLocationInfo: true }))].filter((node): node is Tree.Element => 'tagName' in node);
  const head = elements.find(({ tagName }) => tagName === 'head');
  const meta = head?.childNodes.find(
    (node) =>
      'tagName' in node &&
      node.tagName === 'meta' &&
      node.attrs.some(({ name, value }) => name === 'charset' || (name === 'http-equiv' && /^content-type$/i.test(value))),
  );
  return { head, body: elements.find(({ tagName }) => tagName === 'body'), charset: meta?.sourceCodeLocation?.endOffset };
}

/** Where the body begins: at its tag, else at what is first in it, else at the end. */
function bodyBegins(text: string): number {
  const { body } = parts(text);
  const tag = body?.sourceCodeLocation?.startTag;
  if (tag) return tag.startOffset;
  const first = body?.childNodes.find(({ sourceCodeLocation }) => sourceCodeLocation)?.sourceCodeLocation;
  return first?.startOffset ?? text.length;
}

function lastIndex(text: string, form: RegExp): number | undefined {
  return [...text.matchAll(form)].at(-1)?.index;
}
