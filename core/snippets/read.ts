import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { SnippetPlace } from '../page/index.ts';

/** One thing in a snippet. Nothing of it is ever run here. */
export interface SnippetPart {
  readonly what: 'foreign-script' | 'inline-script' | 'data' | 'noscript' | 'frame' | 'picture' | 'style' | 'link' | 'meta' | 'other';
  /** Hosts that it talks to, as far as it names them. */
  readonly hosts: readonly string[];
  /** Characters of inline code. */
  readonly length: number;
}

/** Why a snippet cannot be placed. */
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
  | { readonly ok: false; readonly reason: SnippetRefusal };

/** Longest snippet that is taken, in characters: it stands in every page, and each release remembers it for each. */
export const LONGEST_SNIPPET = 8_000;

const IN_HEAD: readonly SnippetPart['what'][] = ['foreign-script', 'inline-script', 'data', 'style', 'link', 'meta'];
const HEAD: readonly SnippetPlace[] = ['head-start', 'head-end'];
const BODY: readonly SnippetPlace[] = ['body-start', 'body-end'];

/**
 * Reads what a service gave its customer to put into all pages: which parts it has, whom they talk to, where it goes. What would swallow the page behind it
 * (an element or a comment that nothing closes) is refused, and so is what is no snippet.
 */
export function readSnippet(pasted: string): ReadSnippet {
  const code = pasted.replace(/^\ufeff/, '').trim();
  if (code === '') return { ok: false, reason: 'empty' };
  if (code.length > LONGEST_SNIPPET) return { ok: false, reason: 'too-long' };
  if (/<\/?(?:html|body|head)\b|<!doctype/i.test(code)) return { ok: false, reason: 'whole-page' };
  if (!/<[a-z!]/i.test(code)) return { ok: false, reason: /[;{}()]|=>|\bvar\b/.test(code) ? 'script-without-tag' : 'words' };
  const nodes = parseFragment(code, { sourceCodeLocationInfo: true }).childNodes;
  if (swallows(code, nodes)) return { ok: false, reason: 'unclosed' };
  const elements = nodes.filter((node): node is Tree.Element => 'tagName' in node);
  if (elements.length === 0 || nodes.some((node) => node.nodeName === '#text' && 'value' in node && node.value.trim() !== ''))
    return { ok: false, reason: 'words' };
  if (elements.some(saysOfPage)) return { ok: false, reason: 'says-of-page' };
  const parts = elements.map(partOf);
  const heads = parts.map((part, at) => headable(elements[at] as Tree.Element, part));
  const allInHead = heads.every(Boolean);
  const mixed = !allInHead && heads.some(Boolean);
  const places = allInHead ? [...HEAD, ...BODY] : BODY;
  const text = (want: boolean): string =>
    elements
      .flatMap((element, at) =>
        heads[at] === want && element.sourceCodeLocation ? [code.slice(element.sourceCodeLocation.startOffset, element.sourceCodeLocation.endOffset)] : [],
      )
      .join('\n');
  return {
    ok: true,
    parts,
    hosts: [...new Set(parts.flatMap(({ hosts }) => hosts))],
    places,
    place: allInHead ? placeInHead(parts) : !mixed && parts.every(({ what }) => what === 'noscript') ? 'body-start' : 'body-end',
    warnings: warningsFor(code, elements),
    ...(mixed ? { split: [text(true), text(false)] as const } : {}),
  };
}

/** What an attribute says; undefined where the element has none of this name. */
const attribute = ({ attrs }: Tree.Element, wanted: string): string | undefined => attrs.find(({ name }) => name === wanted)?.value;

/** What tells engines or browsers about the page itself has its own place here, and would be said behind the back of all checks in a snippet. */
function saysOfPage(element: Tree.Element): boolean {
  const { tagName } = element;
  const of = (name: string): string => attribute(element, name)?.toLowerCase() ?? '';
  if (tagName === 'title' || tagName === 'base') return true;
  if (tagName === 'link') return /(?:^|\s)canonical(?:\s|$)/.test(of('rel'));
  return tagName === 'meta' && (/^(?:robots|description|keywords)$|bot$/.test(of('name')) || of('charset') !== '' || of('http-equiv') === 'refresh');
}

/** Loaders want to be early, other things for the head at its end. */
function placeInHead(parts: readonly SnippetPart[]): SnippetPlace {
  return parts.length === 1 && parts[0]?.what === 'inline-script' ? 'head-start' : 'head-end';
}

/** Whether an element may stand in the head (HTML standard, 13.2.6.4.4): a noscript only with links, metas and styles in it. */
function headable(element: Tree.Element, { what }: SnippetPart): boolean {
  if (what !== 'noscript') return IN_HEAD.includes(what);
  const inside = parseFragment(textOf(element)).childNodes.filter((node): node is Tree.Element => 'tagName' in node);
  return inside.every(({ tagName }) => ['link', 'meta', 'style'].includes(tagName));
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

/** Whether something in it is never closed: a parser then takes what follows into it. A mark put behind it shows that. */
function swallows(code: string, nodes: readonly Tree.ChildNode[]): boolean {
  const after = parseFragment(`${code}<wbr id=mark>`).childNodes;
  const last = after.at(-1);
  const stands = last !== undefined && 'tagName' in last && last.tagName === 'wbr' && last.attrs.some(({ value }) => value === 'mark');
  return !stands || after.length !== nodes.length + 1;
}

function textOf(element: Tree.Element): string {
  return element.childNodes.map((node) => ('value' in node ? node.value : '')).join('');
}
