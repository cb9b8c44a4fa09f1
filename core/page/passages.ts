import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { decodeHTML } from 'entities/decode';
import { diffWordsWithSpace } from 'diff';
import type { Range, Splice } from '../source/index.ts';
import { bitsOf, EDGE, SILENT } from './elements.ts';
import { escapeAttribute, escapeText } from './escape.ts';
import { documentNodes } from './nodes.ts';

/** A stretch of words that a page shows: a heading, a paragraph, an item of a list. Known by where its start tag stands. */
export interface Passage {
  readonly start: number;
  readonly tag: string;
  /** What a visitor reads, white space made single. */
  readonly text: string;
  /** Links in it, by where their words stand in `text`. */
  readonly links: readonly { readonly from: number; readonly to: number; readonly href: string }[];
}

/** A change of a passage: other words, links set on words, or both. */
export interface PassageEdit {
  readonly kind: 'passage';
  readonly start: number;
  readonly was: string;
  readonly now: string | null;
  readonly links: readonly { readonly words: string; readonly nth: number; readonly href: string }[];
}

/** One character that a visitor sees, and the source it comes from; white space that only a tag makes comes from nowhere. */
interface Seen {
  readonly character: string;
  readonly source: Range | undefined;
  readonly href: string | undefined;
}

const PASSAGES = new Set([
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'p',
  'li',
  'dt',
  'dd',
  'figcaption',
  'caption',
  'blockquote',
  'td',
  'th',
  'summary',
  'address',
  'div',
]);

/** All passages of a page in reading order: elements that hold words and no further block. */
export function passagesIn(text: string): Passage[] {
  return passageElements(text).flatMap(({ element, start }) => {
    const seen = seenIn(text, element);
    const words = wordsIn(seen);
    return words === '' ? [] : [{ start, tag: element.tagName, text: words, links: linksOf(seen) }];
  });
}

/** The smallest replacements that make passages say what they shall; undefined where one is not there as it was. */
export function passageSplices(text: string, edits: readonly PassageEdit[]): Splice[] | undefined {
  const byStart = new Map(passageElements(text).map(({ element, start }) => [start, element]));
  const splices: Splice[] = [];
  for (const edit of edits) {
    const element = byStart.get(edit.start);
    const seen = element && seenIn(text, element);
    if (!seen || wordsIn(seen) !== edit.was) return undefined;
    const made = spliced(seen, edit);
    if (made === undefined) return undefined;
    splices.push(...made);
  }
  return splices;
}

/** Whether a page, after its edits, says in each passage what it shall. Passages keep their order, not their places. */
export function passagesHold(before: string, after: string, edits: readonly PassageEdit[]): boolean {
  const olds = passageElements(before);
  const news = passageElements(after);
  const order = new Map(olds.map(({ start }, at) => [start, at]));
  return (
    olds.length === news.length &&
    edits.every((edit) => {
      const element = news[order.get(edit.start) ?? -1]?.element;
      if (!element) return false;
      const seen = seenIn(after, element);
      const words = wordsIn(seen);
      const links = linksOf(seen);
      return (
        words === (edit.now ?? edit.was) &&
        edit.links.every(({ words: on, nth, href }) => links.some((link) => link.href === href && link.from === nthIndex(words, on, nth)))
      );
    })
  );
}

function passageElements(text: string): { element: Tree.Element; start: number }[] {
  const found: { element: Tree.Element; start: number }[] = [];
  for (const node of documentNodes(parse(text, { sourceCodeLocationInfo: true }))) {
    if (!('tagName' in node) || !PASSAGES.has(node.tagName)) continue;
    const start = node.sourceCodeLocation?.startTag?.startOffset;
    if (start === undefined || !isLeaf(node)) continue;
    found.push({ element: node, start });
  }
  return found;
}

/** Words and inline elements only: what holds a block is not itself a passage. */
function isLeaf(element: Tree.Element): boolean {
  let words = false;
  for (const node of documentNodes(element)) {
    if ('tagName' in node) {
      if ((bitsOf(node.tagName) & EDGE) !== 0 && !/^(br|img|button|select|option|textarea)$/.test(node.tagName)) return false;
      if (node.namespaceURI === element.namespaceURI && /^(script|style|svg|math|iframe|object|video|audio|form)$/.test(node.tagName)) continue;
    } else if (node.nodeName === '#text' && (node as Tree.TextNode).value.trim() !== '') words = true;
  }
  return words;
}

/** What is read of an element, character by character, white space made single and cut off at both ends. */
function seenIn(text: string, element: Tree.Element): Seen[] {
  const seen: Seen[] = [];
  const put = (character: string, source: Range | undefined, href: string | undefined): void => {
    const space = /[\t\n\f\r ]/.test(character);
    const last = seen[seen.length - 1];
    if (space && (last === undefined || last.character === ' ')) {
      // White space that is made single is one stretch of the source, where it stands in one.
      if (last && source && (last.source === undefined || last.source.end === source.start))
        seen[seen.length - 1] = { ...last, source: { start: last.source?.start ?? source.start, end: source.end } };
      return;
    }
    seen.push({ character: space ? ' ' : character, source, href });
  };
  const visit = (node: Tree.Node, href: string | undefined): void => {
    if (node.nodeName === '#text') {
      const { value, sourceCodeLocation: at } = node as Tree.TextNode;
      if (at) for (const { character, source } of characters(text, at.startOffset, at.endOffset, value)) put(character, source, href);
      return;
    }
    if (!('childNodes' in node)) return;
    if ('tagName' in node && (SILENT.has(node.tagName) || node.tagName === 'svg')) return;
    const edge = 'tagName' in node && node !== element && (bitsOf(node.tagName) & EDGE) !== 0;
    const inner = 'tagName' in node && node.tagName === 'a' ? node.attrs.find(({ name }) => name === 'href')?.value : undefined;
    if (edge) put(' ', undefined, href);
    for (const child of node.childNodes) visit(child, inner ?? href);
    if (edge) put(' ', undefined, href);
  };
  visit(element, undefined);
  while (seen[seen.length - 1]?.character === ' ') seen.pop();
  return seen;
}

/** Tags, comments and declarations that a parser passed over in the middle of a text: they are no words, and stay where they are (HTML standard, 13.2.5.6 to 8). */
const PASSED_OVER = /<(?:\/?[a-z](?:[^>"']|"[^"]*"|'[^']*')*>|!--[^]*?-->|[!?][^>]*>|\/[^a-z>][^>]*>|\/>)/giy;

/** A text node's characters with the source of each: one for one, or a character reference for one or two. Where that cannot be told, they come from nowhere. */
function characters(text: string, start: number, end: number, value: string): { character: string; source: Range | undefined }[] {
  const found: { character: string; source: Range | undefined }[] = [];
  let from = start;
  const take = (to: number): void => void (to > from && found.push(...referencedCharacters(text, from, to)));
  for (let at = text.indexOf('<', start); at >= 0 && at < end; at = text.indexOf('<', Math.max(at + 1, from))) {
    PASSED_OVER.lastIndex = at;
    const passed = PASSED_OVER.exec(text);
    if (!passed || PASSED_OVER.lastIndex > end) continue;
    take(at);
    from = PASSED_OVER.lastIndex;
  }
  take(end);
  return found.map(({ character }) => character).join('') === value ? found : value.split('').map((character) => ({ character, source: undefined }));
}

function referencedCharacters(text: string, start: number, end: number): { character: string; source: Range }[] {
  const raw = text.slice(start, end);
  const found: { character: string; source: Range }[] = [];
  if (!/[&\r]/.test(raw)) {
    for (let at = 0; at < raw.length; at++) found.push({ character: raw[at] as string, source: { start: start + at, end: start + at + 1 } });
    return found;
  }
  for (const match of raw.matchAll(/&[#\w][^\s&<;]*;?|\r\n?|[^]/g)) {
    const piece = match[0];
    const decoded = piece[0] === '&' && piece.length > 1 ? decodeHTML(piece) : piece[0] === '\r' ? '\n' : piece;
    const from = start + match.index;
    // What decoding leaves at the end of a reference without a semicolon stands there as it was written.
    const kept = piece[0] === '&' && decoded.length > 1 ? sharedEnd(piece, decoded) : 0;
    const head = decoded.slice(0, decoded.length - kept);
    head.split('').forEach((character, index) => {
      found.push({
        character,
        source: index === 0 ? { start: from, end: from + piece.length - kept } : { start: from + piece.length - kept, end: from + piece.length - kept },
      });
    });
    for (let at = kept; at > 0; at--)
      found.push({ character: piece[piece.length - at] as string, source: { start: from + piece.length - at, end: from + piece.length - at + 1 } });
  }
  return found;
}

function sharedEnd(piece: string, decoded: string): number {
  if (piece === decoded) return piece.length;
  let shared = 0;
  while (
    shared < decoded.length - 1 &&
    shared < piece.length &&
    piece[piece.length - 1 - shared] === decoded[decoded.length - 1 - shared] &&
    piece[piece.length - 1 - shared] !== ';'
  )
    shared++;
  return shared;
}

const wordsIn = (seen: readonly Seen[]): string => seen.map(({ character }) => character).join('');

function linksOf(seen: readonly Seen[]): Passage['links'] {
  const links: { from: number; to: number; href: string }[] = [];
  seen.forEach(({ href }, at) => {
    const last = links[links.length - 1];
    if (href === undefined) return;
    if (last?.href === href && last.to === at) last.to = at + 1;
    else links.push({ from: at, to: at + 1, href });
  });
  return links;
}

/** Where the nth occurrence of some words begins; -1 where there are not so many. */
function nthIndex(text: string, words: string, nth: number): number {
  let at = text.indexOf(words);
  for (let turn = 0; turn < nth && at >= 0; turn++) at = text.indexOf(words, at + words.length);
  return at;
}

/** Pieces that the new words are made of: kept from the old ones, or put in. */
type PieceOf =
  | { readonly kept: true; readonly from: number; readonly to: number }
  | { readonly kept: false; readonly from: number; readonly to: number; readonly text: string };

function spliced(seen: readonly Seen[], edit: PassageEdit): Splice[] | undefined {
  const now = edit.now ?? edit.was;
  const pieces = difference(edit.was, now);
  const splices: Splice[] = [];
  const opening = new Map<number, string>();
  const closing = new Map<number, true>();
  for (const { words, nth, href } of edit.links) {
    const at = nthIndex(now, words, nth);
    if (at < 0) return undefined;
    opening.set(at, `<a href="${escapeAttribute(href)}">`);
    closing.set(at + words.length, true);
  }
  let place = 0;
  for (const piece of pieces) {
    if (piece.kept) {
      for (let at = piece.from; at < piece.to; at++, place++) {
        const source = seen[at]?.source;
        const open = opening.get(place);
        if (closing.has(place)) {
          const before = seen[at - 1]?.source;
          if (!before) return undefined;
          splices.push({ start: before.end, end: before.end, insert: '</a>' });
          closing.delete(place);
        }
        if (open !== undefined) {
          // A link cannot stand in a link, and its words must come from the source.
          if (!source || seen[at]?.href !== undefined) return undefined;
          splices.push({ start: source.start, end: source.start, insert: open });
          opening.delete(place);
        }
      }
      if (closing.has(place) && piece.to > piece.from) {
        const last = seen[piece.to - 1]?.source;
        if (!last) return undefined;
        splices.push({ start: last.end, end: last.end, insert: '</a>' });
        closing.delete(place);
      }
      continue;
    }
    let insert = '';
    for (let at = 0; at < piece.text.length; at++, place++) {
      if (closing.delete(place)) insert += '</a>';
      insert += opening.get(place) ?? '';
      opening.delete(place);
      insert += escapeText(piece.text[at] as string);
    }
    if (closing.delete(place)) insert += '</a>';
    splices.push(...replaced(seen, piece.from, piece.to, insert));
  }
  return opening.size === 0 && closing.size === 0 ? splices : undefined;
}

/** Takes characters out, tags between them left as they stand, and puts a text in their place. */
function replaced(seen: readonly Seen[], from: number, to: number, insert: string): Splice[] {
  const runs: { start: number; end: number }[] = [];
  for (let at = from; at < to; at++) {
    const source = seen[at]?.source;
    if (!source) continue;
    const last = runs[runs.length - 1];
    // White space that was made single goes with what stood before it.
    if (last && last.end === source.start) last.end = source.end;
    else runs.push({ ...source });
  }
  const [first, ...others] = runs;
  if (first) return [{ ...first, insert }, ...others.map((run) => ({ ...run, insert: '' }))];
  const before = seen[from - 1];
  const after = seen[to]?.source;
  const at = before?.character === ' ' && after ? after.start : (before?.source?.end ?? after?.start);
  return at === undefined || insert === '' ? [] : [{ start: at, end: at, insert }];
}

function difference(was: string, now: string): PieceOf[] {
  const pieces: PieceOf[] = [];
  let at = 0;
  for (const { value, added, removed } of was === now ? [{ value: was, added: false, removed: false }] : diffWordsWithSpace(was, now)) {
    const last = pieces[pieces.length - 1];
    if (added) {
      if (last && !last.kept) pieces[pieces.length - 1] = { ...last, text: last.text + value };
      else pieces.push({ kept: false, from: at, to: at, text: value });
    } else if (removed) {
      if (last && !last.kept) pieces[pieces.length - 1] = { ...last, to: at + value.length };
      else pieces.push({ kept: false, from: at, to: at + value.length, text: '' });
      at += value.length;
    } else {
      pieces.push({ kept: true, from: at, to: at + value.length });
      at += value.length;
    }
  }
  return pieces;
}
