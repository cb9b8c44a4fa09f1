import type { DefaultTreeAdapterTypes as Tree } from 'parse5';
import type { Range, SourceText, Splice } from '../source/index.ts';
import type { PageFacts } from './facts.ts';
import { documentNodes } from './nodes.ts';
import { readSourceByTree } from './read.ts';
import { changedSayings, SAYINGS, type Saying } from './sayings.ts';
import { partOfPage, snippetsIn, snippetSplices, type SnippetEdit } from './snippet-edits.ts';
import { seen } from './white-space.ts';

/** What stands where the snippet ends: it has to lie where it would without the snippet. */
const MARK = { head: '<meta name="mark">', body: '<wbr>' } as const;

/**
 * What a page would say otherwise with a snippet at its place: nothing where the snippet may go there. The page is read as browsers read it, with scripts and
 * without, before and after; so the snippet is judged by what it does. A page beyond the bounds of the readers is told as `structure`.
 */
export function changedBySnippet(source: SourceText, facts: PageFacts, edit: SnippetEdit): Saying[] {
  const [snippet] = snippetsIn(source, [edit]) ?? [];
  const splices = snippet ? snippetSplices(source, facts, snippet) : [];
  const put = splices.find(({ insert }) => insert !== '');
  if (!put) return [];
  const mark = MARK[partOfPage(edit.place)];
  // What stands there already, in vain, is the snippet too: only the rest is the page.
  const gone = splices.filter(({ insert }) => insert === '');
  const bare = source.text.slice(0, put.start) + mark + source.text.slice(put.start);
  const before = gone.map(({ start, end }) => (start < put.start ? { start, end } : { start: start + mark.length, end: end + mark.length }));
  const { text: whole, at } = spliced(source.text, splices, put, put.insert + mark);
  const changed = new Set<Saying>();
  for (const scripting of [true, false]) {
    const [one, other] = [known(source, bare, scripting), readTogether(source, whole, scripting)];
    if (!one || !other) return ['structure'];
    const own = shapeOf(one.document, before);
    const { shape, says } = shapeOf(other.document, [{ start: at, end: at + put.insert.length }]);
    for (const saying of [...changedSayings(one.facts, other.facts), ...says]) changed.add(saying);
    // Where what it says differs, it is that which the owner wants to know.
    if (changed.size === 0 && own.shape !== shape) changed.add('structure');
  }
  return SAYINGS.filter((saying) => changed.has(saying));
}

/** A page read by its tree, and the tree. */
interface Together {
  readonly facts: PageFacts;
  readonly document: Tree.Document;
}
function readTogether(source: SourceText, text: string, scripting: boolean): Together | undefined {
  let document: Tree.Document | undefined;
  const reading = readSourceByTree({ ...source, text }, { keepText: true, scripting, onTree: (tree) => (document = tree) });
  return reading.ok && document ? { facts: reading.facts, document } : undefined;
}

/** Pages without the snippet as they were read last: while it is typed, and for each of its places, they are the same. */
const read = new Map<string, Together | undefined>();
const MOST_READ = 12;
function known(source: SourceText, text: string, scripting: boolean): Together | undefined {
  const key = `${scripting} ${text}`;
  if (!read.has(key)) {
    for (const oldest of [...read.keys()].slice(0, Math.max(0, read.size + 1 - MOST_READ))) read.delete(oldest);
    read.set(key, readTogether(source, text, scripting));
  }
  return read.get(key);
}

/** A text with splices made, but something else put in for one of them, and where that stands. */
function spliced(text: string, splices: readonly Splice[], put: Splice, insert: string): { readonly text: string; readonly at: number } {
  let made = '';
  let from = 0;
  let at = 0;
  for (const splice of [...splices].sort((a, b) => a.start - b.start || a.end - b.end)) {
    made += text.slice(from, splice.start);
    if (splice === put) at = made.length;
    made += splice === put ? insert : splice.insert;
    from = splice.end;
  }
  return { text: made + text.slice(from), at };
}

/** A page's own elements and words as they lie in one another, those that stand in some stretches of its text left out, and what these say that the facts do not tell. */
function shapeOf(document: Tree.Document, left: readonly Range[]): { readonly shape: string; readonly says: readonly Saying[] } {
  const isLeft = (node: Tree.Node): boolean => {
    // A tag of the frame only lends its attributes: the element is the page's.
    if ('tagName' in node && /^(?:html|head|body)$/.test(node.tagName)) return false;
    const place = node.sourceCodeLocation;
    return !!place && left.some(({ start, end }) => place.startOffset >= start && place.startOffset < end);
  };
  const says = [...documentNodes(document)].flatMap((node): Saying[] => {
    if (!isLeft(node) || !('attrs' in node)) return [];
    if (node.tagName === 'base') return ['base'];
    return node.tagName === 'meta' && node.attrs.some(({ name }) => name === 'charset') ? ['charset'] : [];
  });
  return { shape: `${document.mode}${shapes(document, isLeft)}`, says };
}

/** Iterative: a hostile page nests deeper than the call stack. */
function shapes(document: Tree.Document, isLeft: (node: Tree.Node) => boolean): string {
  interface Open {
    readonly node: Tree.ParentNode;
    readonly children: readonly Tree.ChildNode[];
    readonly parts: string[];
    readonly outside: boolean;
    next: number;
  }
  const enter = (node: Tree.ParentNode, outside: boolean): Open => ({
    node,
    children: 'content' in node ? [...node.childNodes, ...node.content.childNodes] : node.childNodes,
    parts: [],
    outside,
    next: 0,
  });
  const root = enter(document, false);
  const open = [root];
  for (let top = open.at(-1); top; top = open.at(-1)) {
    const child = top.children[top.next++];
    if (child === undefined) {
      open.pop();
      open.at(-1)?.parts.push(closed(top));
    } else if ('tagName' in child) open.push(enter(child, isLeft(child) || (top.outside && !child.sourceCodeLocation)));
    else if (child.nodeName === '#text' && 'value' in child && !isLeft(child) && !top.outside) top.parts.push(seen(child.value));
    else if (child.nodeName === '#text' && 'value' in child && !isLeft(child) && seen(child.value) !== '') top.parts.push('\0');
    else if (child.nodeName === '#documentType') top.parts.push('<!>');
  }
  return root.parts.join('');

  function closed({ node, parts, outside }: Open): string {
    const inside = parts.join('');
    if (!('tagName' in node)) return inside;
    // What is the page's own and lies in something of the snippet shows itself.
    if (outside) return inside === '' ? '' : `\0${inside}`;
    // What the parser made up says nothing by itself.
    if (!node.sourceCodeLocation && inside === '' && node.attrs.length === 0) return '';
    return `<${node.tagName} ${node.attrs.map(({ name, value }) => `${name}=${JSON.stringify(value)}`).join(' ')}>${inside}</>`;
  }
}
