import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { needsAscii, type Range, type SourceText, type Splice } from '../source/index.ts';
import { asciiReferences } from './escape.ts';
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

/** A snippet as it is written into a page: its code spelled for the page's encoding, and the codes of others in which it stands as a part. */
export interface WrittenSnippet extends SnippetEdit {
  readonly within: readonly string[];
}

/** Stretches in which a reference is no reference: what stands there is written in the page's own encoding. */
const RAW = /(<(script|style)\b[^>]*>[^]*?<\/\2\s*>|<!--[^]*?-->)/i;

/** Code as a page of another encoding than UTF-8 can hold it: references for what is not ASCII, but for scripts, styles and comments. */
function spelledFor(source: SourceText, code: string): string {
  if (!needsAscii(source) || !/[^\x00-\x7f]/.test(code)) return code;
  // The pattern has two groups: of three pieces the second is raw, the third its name.
  return code
    .split(RAW)
    .map((piece, at) => (at % 3 === 0 ? asciiReferences(piece) : at % 3 === 1 ? piece : ''))
    .join('');
}

const plainCode = (code: string): string => code.trim().split(/\s+/).join(' ');

/**
 * The snippets among edits, as they are written into a page. The same code wanted twice in one part of the page stands there once; wanted in both parts it
 * cannot be once in each, and undefined says so.
 */
export function snippetsIn(source: SourceText, edits: readonly { readonly kind: string }[]): readonly WrittenSnippet[] | undefined {
  const snippets = edits
    .filter((edit): edit is SnippetEdit => edit.kind === 'snippet')
    .map((edit) => ({ ...edit, code: spelledFor(source, edit.code.trim()) }));
  const first = new Map<string, SnippetEdit>();
  for (const snippet of snippets) {
    const plain = plainCode(snippet.code);
    const other = first.get(plain);
    if (!other) first.set(plain, snippet);
    else if (partOfPage(other.place) !== partOfPage(snippet.place)) return undefined;
  }
  return [...first].map(([plain, snippet]) => ({
    ...snippet,
    within: [...first].flatMap(([other, { code }]) => (other !== plain && other.includes(plain) ? [code] : [])),
  }));
}

/** A character as a page may spell it: itself or a reference. */
const spellings = (character: string): string => {
  const code = character.codePointAt(0) as number;
  return `(?:${character}|&#0*${code};|&#[xX]0*${code.toString(16).replace(/[a-f]/g, (digit) => `[${digit}${digit.toUpperCase()}]`)};)`;
};

/** Where some code stands in a page's text, white space and the spelling of letters in it apart; not where a comment around it makes it nothing. */
export function snippetOccurrences(text: string, code: string): Range[] {
  const words = code.trim().split(/\s+/);
  if (words[0] === '') return [];
  const form = new RegExp(words.map((word) => word.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&').replace(/[^\x00-\x7f]/gu, spellings)).join('\\s+'), 'gu');
  const found = [...text.matchAll(form)].map((match) => ({ start: match.index, end: match.index + match[0].length }));
  if (found.length === 0) return found;
  const comments = [...text.matchAll(/<!--[^]*?-->/g)].map((match) => ({ start: match.index, end: match.index + match[0].length }));
  return found.filter(({ start, end }) => !comments.some((comment) => comment.start < start && end < comment.end));
}

/** Where a snippet stands by itself: not as a part of another one that is wanted too. */
function standsAlone(text: string, { code, within }: WrittenSnippet): Range[] {
  const found = snippetOccurrences(text, code);
  if (found.length === 0 || within.length === 0) return found;
  const others = within.flatMap((other) => snippetOccurrences(text, other));
  return found.filter(({ start, end }) => !others.some((other) => other.start <= start && end <= other.end));
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
export function snippetHolds(text: string, snippet: WrittenSnippet, found = standsAlone(text, snippet)): boolean {
  return found.length === 1 && snippetStands(text, snippet.code, found)[partOfPage(snippet.place)] === 1;
}

/** What makes a page so: what stands there in vain goes, with its line, and one is put in its place. */
export function snippetSplices(source: SourceText, facts: PageFacts, snippet: WrittenSnippet): Splice[] {
  const { text } = source;
  const found = standsAlone(text, snippet);
  if (snippetHolds(text, snippet, found)) return [];
  const gone = found.map((range) => ({ ...wholeLine(text, range), insert: '' }));
  return [...gone, { ...placed(source, facts, snippet), ownEncoding: true }];
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
  // Where the body has no tag, a script put in front of its first words would stand in the head: the tag is written out then.
  if (place === 'body-start') return location?.startTag ? at(location.startTag.endOffset, newline, '') : at(bodyBegins(text), `<body>${newline}`, newline);
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
