import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Splice } from '../source/index.ts';
import { isJsonLdType } from './collector.ts';
import { wholeLine } from './head-tags.ts';
import { documentNodes } from './nodes.ts';
import { collapse } from './white-space.ts';

const MICRODATA: ReadonlySet<string> = new Set(['itemscope', 'itemtype', 'itemprop', 'itemid', 'itemref']);
const RDFA: ReadonlySet<string> = new Set(['vocab', 'typeof', 'resource', 'property']);
/** Properties of cards for shared links, and others of vocabularies of their own, which are no structured data of this sort. */
const CARD = /^(?!schema:)[\w-]+:/i;

/**
 * What has to go so that a page tells no structured data: blocks of JSON-LD whole, elements that are there for nothing else, and attributes of all others.
 * Where words would no longer be read without such an element (a `meta` ends a drawing that nobody closed), it stays, and says nothing.
 */
export function withoutMarkup(text: string): Splice[] {
  const tree = parse(text, { sourceCodeLocationInfo: true });
  const splices = markupSplices(text, tree, true);
  if (splices.length === 0 || !splices.some(({ whole }) => whole)) return splices;
  const without = splices.reduceRight((before, { start, end, insert }) => before.slice(0, start) + insert + before.slice(end), text);
  return shape(parse(without)) === shape(tree) ? splices : markupSplices(text, tree, false);
}

/** `whole`: elements that are there for nothing else go altogether. */
function markupSplices(text: string, tree: Tree.Document, whole: boolean): (Splice & { readonly whole?: true })[] {
  const splices: (Splice & { readonly whole?: true })[] = [];
  for (const node of documentNodes(tree)) {
    if (!('tagName' in node)) continue;
    const place = node.sourceCodeLocation;
    if (!place) continue;
    if (isBlock(node)) {
      splices.push({ ...wholeLine(text, { start: place.startOffset, end: place.endOffset }), insert: '' });
      continue;
    }
    const ours = node.attrs.filter((attribute) => isMarkup(node, attribute.name, attribute.value));
    if (ours.length === 0) continue;
    if (whole && isOnlyMarkup(node)) {
      splices.push({ ...wholeLine(text, { start: place.startOffset, end: place.endOffset }), insert: '', whole });
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

/** What of a page is left to see: its elements, and its words with what they stand in, but for elements that are only markup, and for space. */
function shape(tree: Tree.Document): string {
  const parts: string[] = [];
  let within: Tree.ParentNode | null = null;
  for (const node of documentNodes(tree)) {
    if ('value' in node) {
      const parent = node.parentNode;
      if (parent === null || node.value.trim() === '' || ('tagName' in parent && isBlock(parent))) continue;
      // Words in one element are one text, whatever parted them.
      if (parent !== within) parts.push(` <in ${'tagName' in parent ? parent.tagName : ''}> `);
      within = parent;
      parts.push(node.value);
    } else if ('tagName' in node && !isBlock(node) && node.tagName !== 'meta' && node.tagName !== 'link') {
      within = null;
      parts.push(` <${node.namespaceURI} ${node.tagName}> `);
    }
  }
  return collapse(parts.join(''));
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
