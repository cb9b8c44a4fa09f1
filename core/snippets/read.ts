import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { changedBySnippet, partOfPage, readSource, SNIPPET_PLACES, type Saying, type SnippetPlace } from '../page/index.ts';
import { decodeSource } from '../source/index.ts';

/** One thing in a snippet. Nothing of it is ever run here. */
export interface SnippetPart {
  readonly what: 'foreign-script' | 'inline-script' | 'data' | 'noscript' | 'frame' | 'picture' | 'style' | 'link' | 'meta' | 'other';
  /** Hosts that it talks to, as far as it names them. */
  readonly hosts: readonly string[];
  /** Characters of inline code. */
  readonly length: number;
}

/** Why a snippet cannot be placed anywhere, whatever the page. */
export type SnippetRefusal = 'empty' | 'too-long' | 'words' | 'script-without-tag' | 'whole-page' | 'unclosed' | 'says-of-page';
/** What the owner should know before placing it. */
export type SnippetWarning = 'proof' | 'writes-page' | 'blocks' | 'insecure';

export type ReadSnippet =
  | {
      readonly ok: true;
      readonly parts: readonly SnippetPart[];
      readonly hosts: readonly string[];
      /** Where it goes best, and where it can go. */
      readonly place: SnippetPlace;
      readonly places: readonly SnippetPlace[];
      readonly warnings: readonly SnippetWarning[];
      /** The same as two, where one part belongs in the head and the other in the body. */
      readonly split?: readonly [head: string, body: string];
    }
  /** `changes`: what a page would say otherwise with it where it does least. */
  | { readonly ok: false; readonly reason: SnippetRefusal; readonly changes: readonly Saying[] };

/** Longest snippet that is taken, in characters: it stands in every page, and each release remembers it for each. */
export const LONGEST_SNIPPET = 8_000;

/** Parts of a snippet that are told apart; what has more stays one. */
const MOST_PARTS = 30;

/** A page that says a little of everything that a snippet must leave alone. */
const PAGE = decodeSource(
  new TextEncoder().encode(
    '<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>A page</title>\n<meta name="description" content="It is here.">\n<link rel="canonical" href="https://a.example/">\n</head>\n<body>\n<main>\n<h1>A page</h1>\n<p>Some words, and <a href="/b">a link</a>.</p>\n</main>\n</body>\n</html>\n',
  ),
);

/** What a plain page would say otherwise with some code at a place. */
function changesAt(place: SnippetPlace, code: string): Saying[] {
  const reading = readSource(PAGE);
  return reading.ok ? changedBySnippet(PAGE, reading.facts, { kind: 'snippet', id: '', place, code }) : ['structure'];
}

/**
 * Reads what a service gave its customer to put into all pages: which parts it has, whom they talk to, where it goes. It is judged by what it does to a plain
 * page: where the page would say something else about itself, or its own elements would lie otherwise, it does not go.
 */
export function readSnippet(pasted: string): ReadSnippet {
  const code = pasted.replace(/^\ufeff/, '').trim();
  const refused = (reason: SnippetRefusal, changes: readonly Saying[] = []): ReadSnippet => ({ ok: false, reason, changes });
  if (code === '') return refused('empty');
  if (code.length > LONGEST_SNIPPET) return refused('too-long');
  if (!/<[a-z!/]/i.test(code)) return refused(/[;{}()]|=>|\bvar\b/.test(code) ? 'script-without-tag' : 'words');
  const does = SNIPPET_PLACES.map((place) => ({ place, changes: changesAt(place, code) }));
  const places = does.filter(({ changes }) => changes.length === 0).map(({ place }) => place);
  const elements = parseFragment(code, { sourceCodeLocationInfo: true }).childNodes.filter((node): node is Tree.Element => 'tagName' in node);
  if (places.length === 0) {
    const least = does.reduce((least, one) => (one.changes.length < least.changes.length ? one : least)).changes;
    return refused(reasonFor(code, least), least);
  }
  const parts = elements.map(partOf);
  const texts = elements.map(({ sourceCodeLocation: at }) => (at ? code.slice(at.startOffset, at.endOffset) : ''));
  const inHead = places.some((place) => partOfPage(place) === 'head');
  const heads = inHead || texts.length > MOST_PARTS ? [] : texts.map((text) => text === '' || changesAt('head-end', text).length === 0);
  const mixed = heads.some(Boolean) && !heads.every(Boolean);
  const part = (want: boolean): string => texts.filter((_, at) => heads[at] === want).join('\n');
  const best = inHead ? placeInHead(parts) : !mixed && parts.every(({ what }) => what === 'noscript') ? 'body-start' : 'body-end';
  return {
    ok: true,
    parts,
    hosts: [...new Set(parts.flatMap(({ hosts }) => hosts))],
    places,
    place: places.includes(best) ? best : (places[0] as SnippetPlace),
    warnings: warningsFor(code, elements),
    ...(mixed ? { split: [part(true), part(false)] as const } : {}),
  };
}

/** Of what is wrong with a snippet that goes nowhere the one thing to say. */
function reasonFor(code: string, changes: readonly Saying[]): SnippetRefusal {
  if (/<(?:html|body|head)\b|<!doctype/i.test(code)) return 'whole-page';
  if (changes.every((saying) => saying === 'structure')) return 'unclosed';
  return changes.every((saying) => saying === 'words') ? 'words' : 'says-of-page';
}

/** What an attribute says; undefined where the element has none of this name. */
const attribute = ({ attrs }: Tree.Element, wanted: string): string | undefined => attrs.find(({ name }) => name === wanted)?.value;

/** Loaders want to be early, other things for the head at its end. */
function placeInHead(parts: readonly SnippetPart[]): SnippetPlace {
  return parts.length === 1 && parts[0]?.what === 'inline-script' ? 'head-start' : 'head-end';
}

function partOf(element: Tree.Element): SnippetPart {
  const code = element.tagName === 'script' || element.tagName === 'style' || element.tagName === 'noscript' ? textOf(element) : '';
  const hosts = [attribute(element, 'src') ?? '', attribute(element, 'href') ?? '', ...(code.match(/(?:https?:)?\/\/[a-z0-9.-]+\.[a-z]{2,}/gi) ?? [])].flatMap(
    (address) => {
      const whole = address.startsWith('//') ? `https:${address}` : address;
      return /^https?:/i.test(whole) && URL.canParse(whole) ? [new URL(whole).host] : [];
    },
  );
  return { what: whatOf(element), hosts: [...new Set(hosts)], length: code.trim().length };
}

function whatOf(element: Tree.Element): SnippetPart['what'] {
  const { tagName } = element;
  switch (tagName) {
    case 'script':
      return attribute(element, 'src') ? 'foreign-script' : /json/i.test(attribute(element, 'type') ?? '') ? 'data' : 'inline-script';
    case 'noscript':
    case 'style':
    case 'link':
    case 'meta':
      return tagName;
    case 'iframe':
      return 'frame';
    case 'img':
      return 'picture';
    default:
      return 'other';
  }
}

function warningsFor(code: string, elements: readonly Tree.Element[]): SnippetWarning[] {
  const found: SnippetWarning[] = [];
  const metas = elements.filter(({ tagName }) => tagName === 'meta');
  if (metas.some((meta) => attribute(meta, 'name') !== undefined && attribute(meta, 'content') !== undefined)) found.push('proof');
  if (/document\s*\.\s*write/.test(code)) found.push('writes-page');
  if (
    elements.some(
      (element) =>
        element.tagName === 'script' &&
        attribute(element, 'src') !== undefined &&
        attribute(element, 'async') === undefined &&
        attribute(element, 'defer') === undefined &&
        attribute(element, 'type') !== 'module',
    )
  )
    found.push('blocks');
  if (/(?:src|href)\s*=\s*["']?http:\/\//i.test(code)) found.push('insecure');
  return found;
}

function textOf(element: Tree.Element): string {
  return element.childNodes.map((node) => ('value' in node ? node.value : '')).join('');
}
