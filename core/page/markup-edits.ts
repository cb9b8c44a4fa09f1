import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Splice } from '../source/index.ts';
import { isJsonLdType } from './collector.ts';
import { wholeLine } from './head-tags.ts';
import { documentNodes } from './nodes.ts';

const MICRODATA: ReadonlySet<string> = new Set(['itemscope', 'itemtype', 'itemprop', 'itemid', 'itemref']);
const RDFA: ReadonlySet<string> = new Set(['vocab', 'typeof', 'resource', 'property']);
/** Properties of cards for shared links, and others of vocabularies of their own, which are no structured data of this sort. */
const CARD = /^(?!schema:)[\w-]+:/i;

/** What has to go so that a page tells no structured data: blocks of JSON-LD whole, elements that are there for nothing else, and attributes of all others. */
export function withoutMarkup(text: string): Splice[] {
  const splices: Splice[] = [];
  for (const node of documentNodes(parse(text, { sourceCodeLocationInfo: true }))) {
    if (!('tagName' in node)) continue;
    const place = node.sourceCodeLocation;
    if (!place) continue;
    if (isBlock(node)) {
      splices.push({ ...wholeLine(text, { start: place.startOffset, end: place.endOffset }), insert: '' });
      continue;
    }
    const ours = node.attrs.filter((attribute) => isMarkup(node, attribute.name, attribute.value));
    if (ours.length === 0) continue;
    if (isOnlyMarkup(node)) {
      splices.push({ ...wholeLine(text, { start: place.startOffset, end: place.endOffset }), insert: '' });
      continue;
    }
    const attributes = place.attrs ?? {};
    for (const { name } of ours) {
      const range = attributes[name];
      if (!range) continue;
      // The space in front of an attribute goes with it.
      let start = range.startOffset;
      while (/\s/.test(text.charAt(start - 1))) start--;
      splices.push({ start, end: range.endOffset, insert: /[\s>/]/.test(text.charAt(range.endOffset)) ? '' : ' ' });
    }
  }
  return splices;
}

/** Whether a page tells structured data besides so many blocks that are ours. */
export function hasMarkup(text: string, ours: number): boolean {
  let blocks = 0;
  for (const node of documentNodes(parse(text))) {
    if (!('tagName' in node)) continue;
    if (isBlock(node)) blocks++;
    else if (node.attrs.some(({ name, value }) => isMarkup(node, name, value))) return true;
  }
  return blocks > ours;
}

const isBlock = (node: Tree.Element): boolean => node.tagName === 'script' && isJsonLdType(node.attrs.find(({ name }) => name === 'type')?.value);

function isMarkup(node: Tree.Element, name: string, value: string): boolean {
  if (MICRODATA.has(name)) return true;
  if (!RDFA.has(name)) return false;
  return !(name === 'property' && node.tagName === 'meta' && (CARD.test(value) || !/^(?:\w+:)?\w+$/.test(value)));
}

/** Elements that show nothing and say nothing else. */
function isOnlyMarkup(node: Tree.Element): boolean {
  if (node.tagName === 'meta') return node.attrs.every(({ name }) => MICRODATA.has(name) || RDFA.has(name) || name === 'content');
  return node.tagName === 'link' && node.attrs.every(({ name }) => MICRODATA.has(name) || RDFA.has(name) || name === 'href');
}
