import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Range } from '../source/index.ts';

export type Element = Tree.Element;
export type PageTree = Tree.Document;

/** A page as a tree with places. */
export const pageTree = (text: string): PageTree => parse(text, { sourceCodeLocationInfo: true });

export const isElement = (node: Tree.Node): node is Element => 'tagName' in node;
export const isText = (node: Tree.Node): node is Tree.TextNode => node.nodeName === '#text';

/** The value of an attribute; undefined where there is none. */
export function attribute(element: Element, name: string): string | undefined {
  for (const one of element.attrs) if (one.name === name && !one.prefix) return one.value;
  return undefined;
}

/** Words of an attribute, parted by white space. */
export const tokens = (value: string | undefined): readonly string[] => (value ?? '').split(/[\t\n\f\r ]+/).filter(Boolean);

/** Where an element's start tag stands; an element that the standard made up stands nowhere. */
export function tagRange(element: Element): Range {
  const place = element.sourceCodeLocation?.startTag ?? element.sourceCodeLocation;
  return place ? { start: place.startOffset, end: place.endOffset } : { start: 0, end: 0 };
}

/** The text content of an element (DOM, 4.4), in one pass without recursion. */
export function textContent(element: Element): string {
  const parts: string[] = [];
  const waiting: Tree.ChildNode[] = [...element.childNodes].reverse();
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (isText(node)) parts.push(node.value);
    else if (isElement(node)) for (let at = node.childNodes.length - 1; at >= 0; at--) waiting.push(node.childNodes[at] as Tree.ChildNode);
  }
  return parts.join('');
}

/** All elements below a node in document order. What a `template` holds is not part of the document. */
export function* elementsIn(root: Tree.ParentNode): Generator<Element> {
  const waiting: Tree.ChildNode[] = [...root.childNodes].reverse();
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (!isElement(node)) continue;
    yield node;
    for (let at = node.childNodes.length - 1; at >= 0; at--) waiting.push(node.childNodes[at] as Tree.ChildNode);
  }
}

/** The address that the page's links are resolved against. */
export function baseOf(tree: PageTree, address: string): string {
  for (const element of elementsIn(tree)) {
    if (element.tagName === 'body') break;
    const href = element.tagName === 'base' ? attribute(element, 'href') : undefined;
    if (href !== undefined) return URL.canParse(href, address) ? new URL(href, address).href : address;
  }
  return address;
}

const FROM_ATTRIBUTE: Readonly<Record<string, string>> = {
  audio: 'src',
  embed: 'src',
  iframe: 'src',
  img: 'src',
  source: 'src',
  track: 'src',
  video: 'src',
  a: 'href',
  area: 'href',
  link: 'href',
  object: 'data',
};

/** The attribute whose address is the value of an element (HTML, 5.2.4); undefined where its value is no address. */
export const addressAttribute = (element: Element): string | undefined => FROM_ATTRIBUTE[element.tagName];
