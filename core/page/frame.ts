import type { DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Range } from '../source/index.ts';
import { treeOf } from './tree-reader.ts';

/** Elements that hold parts of a page, rather than being its words. */
const CONTAINERS = new Set('body div section main article center form table tbody tr td font span'.split(' '));
/** Parts of the frame, by what they are for. */
const BEFORE = new Set(['header', 'nav']);
/** Levels that are gone down: each reads what is below it again. */
const DEEPEST = 40;
/** A page longer than this, in UTF-16 units, is no frame for anything. */
const LONGEST = 2_000_000;
/** Of what differs between two pages, the part that holds so much of it is gone into. */
const MOST = 0.7;

/**
 * The part of a page that is its own, as offsets into its text; all around it is the site's frame. It is the inside of `main`, or of the only `article`;
 * else the largest block in which the page differs from another page of the site; else what stands between header and footer. Undefined where a page
 * has no frame. Told by the tree that browsers build, so that no comment, script or attribute fools it.
 */
export function ownPart(text: string, other?: string): Range | undefined {
  const body = text.length > LONGEST ? undefined : bodyOf(text);
  if (!body) return undefined;
  const mains = all(body, (element) => element.tagName === 'main' || attribute(element, 'role') === 'main');
  const articles = all(body, (element) => element.tagName === 'article');
  const marked = [...mains, ...(articles.length === 1 ? articles : [])].map(inside).find((range) => range !== undefined);
  return marked ?? (other === undefined ? undefined : differing(body, other)) ?? between(body);
}

function bodyOf(text: string): Tree.Element | undefined {
  const tree = treeOf(text);
  const root = tree?.childNodes.find((node): node is Tree.Element => isElement(node) && node.tagName === 'html');
  return root && elementsIn(root).find((element) => element.tagName === 'body');
}

const isElement = (node: Tree.Node): node is Tree.Element => 'tagName' in node;
const elementsIn = (parent: Tree.ParentNode): Tree.Element[] => parent.childNodes.filter(isElement);
const attribute = (element: Tree.Element, name: string): string | undefined => element.attrs.find((one) => one.name === name)?.value;

/** All elements below one that fit, in order; the depth is bounded where the tree was built. */
function all(from: Tree.Element, fits: (element: Tree.Element) => boolean): Tree.Element[] {
  const found: Tree.Element[] = [];
  const waiting: Tree.Element[] = [from];
  for (let element = waiting.pop(); element; element = waiting.pop()) {
    if (element !== from && fits(element)) found.push(element);
    waiting.push(...elementsIn(element).reverse());
  }
  return found;
}

/** What stands between the tags of an element; undefined where one of them is not in the text. */
function inside({ sourceCodeLocation: place }: Tree.Element): Range | undefined {
  return place?.startTag && place.endTag ? { start: place.startTag.endOffset, end: place.endTag.startOffset } : undefined;
}

const SILENT = new Set(['script', 'style', 'template', 'noscript']);

/** What people see of an element, as one text: it tells elements of two pages apart, addresses left aside. */
function seen(element: Tree.Element): string {
  let text = '';
  const waiting: Tree.Node[] = [element];
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if ('value' in node && node.nodeName === '#text') text += node.value;
    else if (isElement(node) && !SILENT.has(node.tagName)) {
      text += `<${node.tagName}>`;
      waiting.push(...[...node.childNodes].reverse());
    }
  }
  return text.replace(/\s+/g, ' ');
}

/** The largest block in which a page differs from another one. */
function differing(body: Tree.Element, other: string): Range | undefined {
  const theirs = other.length > LONGEST ? undefined : bodyOf(other);
  if (!theirs) return undefined;
  let [here, there] = [body, theirs];
  let block: Range | undefined;
  for (let depth = 0; depth < DEEPEST; depth++) {
    // Words that stand beside the elements are the page's own too: then all of this is one block.
    if (ownWords(here) !== ownWords(there)) return block;
    const [ours, its] = [elementsIn(here).map(part), elementsIn(there).map(part)];
    let first = 0;
    while (first < ours.length && first < its.length && ours[first]?.text === its[first]?.text) first++;
    let last = 0;
    while (last < ours.length - first && last < its.length - first && ours.at(-1 - last)?.text === its.at(-1 - last)?.text) last++;
    const [mine, yours] = [ours.slice(first, ours.length - last), its.slice(first, its.length - last)];
    const range = covering(mine.map(({ element }) => element));
    // Where all of it differs there is no frame at this depth.
    if (!range || (here === body && first + last === 0 && mine.length > 1 && yours.length > 1)) return block;
    block = range;
    const size = mine.reduce((sum, { text }) => sum + text.length, 0);
    const largest = mine.reduce((most, one) => (one.text.length > most.text.length ? one : most));
    const variant = yours.length === 0 ? undefined : yours.reduce((most, one) => (one.text.length > most.text.length ? one : most));
    if (largest.text.length < size * MOST || !CONTAINERS.has(largest.element.tagName) || variant?.element.tagName !== largest.element.tagName) return block;
    block = inside(largest.element) ?? within(largest.element) ?? block;
    [here, there] = [largest.element, variant.element];
  }
  return block;
}

/** Text that stands directly in an element. */
const ownWords = (element: Tree.Element): string =>
  element.childNodes
    .map((node) => (node.nodeName === '#text' && 'value' in node ? node.value : ''))
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();

/** What stands in an element whose end tag is left out. */
function within({ sourceCodeLocation: place, childNodes }: Tree.Element): Range | undefined {
  const end = childNodes.at(-1)?.sourceCodeLocation?.endOffset;
  return place?.startTag && end !== undefined ? { start: place.startTag.endOffset, end } : undefined;
}

const part = (element: Tree.Element): { readonly element: Tree.Element; readonly text: string } => ({ element, text: seen(element) });

/** From the beginning of the first of some elements to the end of the last. */
function covering(elements: readonly Tree.Element[]): Range | undefined {
  const [first, last] = [rangeOf(elements[0]), rangeOf(elements.at(-1))];
  return first && last ? { start: first.start, end: last.end } : undefined;
}

/** Where an element stands; of one whose tags are both left out, where its children do. */
function rangeOf(element: Tree.Element | undefined): Range | undefined {
  if (!element) return undefined;
  const { sourceCodeLocation: place } = element;
  return place ? { start: place.startOffset, end: place.endOffset } : covering(elementsIn(element));
}

/** What stands between the last header or navigation and the footer, where they lie side by side. */
function between(body: Tree.Element): Range | undefined {
  for (const element of [body, ...all(body, ({ tagName }) => CONTAINERS.has(tagName))]) {
    const children = elementsIn(element);
    const footer = children.findIndex(({ tagName }) => tagName === 'footer');
    const header = children.findLastIndex(({ tagName }, at) => BEFORE.has(tagName) && at < footer);
    const [from, to] = [children[header]?.sourceCodeLocation, children[footer]?.sourceCodeLocation];
    if (header >= 0 && from?.endTag && to) return { start: from.endOffset, end: to.startOffset };
  }
  return undefined;
}
