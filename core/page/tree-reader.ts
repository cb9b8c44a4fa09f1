import { defaultTreeAdapter, html, parse, type DefaultTreeAdapterTypes as Tree, type Token } from 'parse5';
import { isJsonLdType, normalizeNewlines, valueRangeWithin, type Attributes, type Capture, type FactCollector } from './collector.ts';
import { bitsOf, EDGE, HEADING, SILENT } from './elements.ts';
import { PAGE_LIMITS, TAGS_BETWEEN_LOOKS, type HeadingFact } from './facts.ts';
import type { Range } from '../source/index.ts';

const TOO_DEEP = Symbol('nested too deeply');
const TOO_SLOW = Symbol('time ran out');
const TOO_MANY = Symbol('more elements than the text can mean');

/** Reads a page by building the whole tree: slower than the fast reader and right for every page. */
export function readTree(
  text: string,
  collector: FactCollector,
  {
    outOfTime,
    scripting = true,
    onTree,
  }: { readonly outOfTime?: () => boolean; readonly scripting?: boolean; readonly onTree?: (document: Tree.Document) => void } = {},
): 'done' | 'too-deep' | 'too-many-elements' | 'too-slow' {
  try {
    const document = parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: scripting, treeAdapter: boundedAdapter(text.length, outOfTime) });
    onTree?.(document);
    walk(document, new TreeWalker(text, collector, scripting));
    return 'done';
  } catch (thrown) {
    if (thrown === TOO_DEEP) return 'too-deep';
    if (thrown === TOO_MANY) return 'too-many-elements';
    if (thrown === TOO_SLOW) return 'too-slow';
    throw thrown;
  }
}

/** The tree that browsers build of a page, with places; undefined for one beyond the bounds. */
export function treeOf(text: string): Tree.Document | undefined {
  try {
    return parse(text, { sourceCodeLocationInfo: true, treeAdapter: boundedAdapter(text.length) });
  } catch (thrown) {
    if (thrown === TOO_DEEP || thrown === TOO_MANY) return undefined;
    throw thrown;
  }
}

/** The default adapter with a bound on depth and number: hostile nesting would otherwise cost minutes. */
function boundedAdapter(units: number, outOfTime?: () => boolean): typeof defaultTreeAdapter {
  const most = PAGE_LIMITS.elementsAtLeast + units * PAGE_LIMITS.elementsPerUnit;
  const depths = new WeakMap<object, number>();
  let elements = 0;
  const enter = (parent: Tree.ParentNode, child: Tree.Node): void => {
    const depth = (depths.get(parent) ?? 0) + 1;
    if (depth > PAGE_LIMITS.depth + 1) throw TOO_DEEP;
    depths.set(child, depth);
  };
  return {
    ...defaultTreeAdapter,
    createElement(name, namespace, attributes) {
      if (++elements > most) throw TOO_MANY;
      if (elements % TAGS_BETWEEN_LOOKS === 0 && outOfTime?.() === true) throw TOO_SLOW;
      return defaultTreeAdapter.createElement(name, namespace, attributes);
    },
    appendChild(parent, child) {
      enter(parent, child);
      defaultTreeAdapter.appendChild(parent, child);
    },
    insertBefore(parent, child, reference) {
      enter(parent, child);
      defaultTreeAdapter.insertBefore(parent, child, reference);
    },
  };
}

/** What the walk holds while it goes down and up. Iterative: the depth bound is ours, not the call stack's. */
function walk(document: Tree.Document, walker: TreeWalker): void {
  const open: { node: Tree.ParentNode; next: number; leave: (() => void) | undefined }[] = [{ node: document, next: 0, leave: undefined }];
  while (open.length > 0) {
    const frame = open[open.length - 1] as (typeof open)[number];
    const child = frame.node.childNodes[frame.next++];
    if (child === undefined) {
      frame.leave?.();
      open.pop();
    } else if (defaultTreeAdapter.isElementNode(child)) {
      const leave = walker.enter(child);
      if (child.tagName !== 'template' || child.namespaceURI !== html.NS.HTML) open.push({ node: child, next: 0, leave });
      else leave();
    } else walker.other(child);
  }
}

class TreeWalker {
  private silent = 0;
  private readonly seen = new Set<number>();

  constructor(
    private readonly text: string,
    private readonly collector: FactCollector,
    private readonly scripting: boolean,
  ) {}

  other(node: Tree.ChildNode): void {
    if (defaultTreeAdapter.isTextNode(node)) {
      const parent = node.parentNode;
      if (this.silent === 0 && parent !== null && inBody(parent)) this.collector.text(node.value);
    } else if (defaultTreeAdapter.isDocumentTypeNode(node)) this.collector.doctypeEnd ??= node.sourceCodeLocation?.endOffset;
  }

  enter(element: Tree.Element): () => void {
    const { collector } = this;
    const name = element.tagName;
    const location = element.sourceCodeLocation;
    if (element.namespaceURI !== html.NS.HTML) {
      const { parentNode } = element;
      if (name === 'svg' && parentNode && defaultTreeAdapter.isElementNode(parentNode) && parentNode.namespaceURI === html.NS.HTML && location)
        collector.shown(name, new TreeAttributes(this.text, element, location));
      this.silent++;
      return () => void this.silent--;
    }
    // An `html` tag that came late, after text, gives its language to the element that was made without it (HTML standard, 13.2.6.4.7).
    if (name === 'html' && !location) collector.lang ??= element.attrs.find((attribute) => attribute.name === 'lang')?.value;
    const bits = bitsOf(name);
    const inHead = element.parentNode !== null && defaultTreeAdapter.isElementNode(element.parentNode) && element.parentNode.tagName === 'head';
    if (inHead && location) collector.lastHeadChildEnd = Math.max(collector.lastHeadChildEnd ?? 0, location.endOffset);
    const silences = SILENT.has(name) && (this.scripting || name !== 'noscript');
    const edge = (bits & EDGE) !== 0 && name !== 'body';
    if (edge && this.silent === 0) collector.edge();
    if (silences) this.silent++;
    const capture = location ? this.facts(element, name, bits, location, inHead) : name === 'p' ? collector.paragraph(undefined) : undefined;
    return () => {
      if (silences) this.silent--;
      if (capture) collector.close(capture);
      if (edge && this.silent === 0) collector.edge();
    };
  }

  private facts(element: Tree.Element, name: string, bits: number, location: Token.ElementLocation, inHead: boolean): Capture | undefined {
    const { collector } = this;
    const startTag = location.startTag ?? location;
    const tag: Range = { start: startTag.startOffset, end: startTag.endOffset };
    const attributes = new TreeAttributes(this.text, element, location);
    // One start tag can stand for several elements (a link reopened after a block): it is one fact all the same.
    const fresh = !this.seen.has(tag.start);
    this.seen.add(tag.start);
    if (fresh && attributes.get('itemscope') !== undefined) collector.itemscope();
    if (name === 'p') return collector.paragraph(tag.start);
    if (!fresh) return undefined;
    if (bits & HEADING) return collector.heading(Number(name[1]) as HeadingFact['level'], tag);
    switch (name) {
      case 'html':
        collector.html(attributes, tag);
        return undefined;
      case 'head':
        collector.headTagEnd = tag.end;
        collector.headEndTag = location.endTag?.startOffset;
        return undefined;
      case 'title': {
        const content = this.content(location, tag);
        collector.title(textOf(element), { start: tag.start, end: content.end }, content, inHead);
        return undefined;
      }
      case 'meta':
        collector.meta(attributes, tag, inHead);
        return undefined;
      case 'link':
        collector.link(attributes, tag, inHead);
        return undefined;
      case 'base':
        collector.baseTag(attributes);
        return undefined;
      case 'script':
        collector.script(attributes);
        if (isJsonLdType(attributes.get('type'))) collector.jsonLdBlock(textOf(element), this.content(location, tag));
        return undefined;
      case 'img':
        collector.image(attributes, tag);
        return undefined;
      case 'area':
        collector.area(attributes, tag);
        return undefined;
      case 'a':
        return collector.anchor(attributes, tag);
      case 'time':
        return collector.time(attributes);
      default:
        collector.shown(name, attributes);
        return undefined;
    }
  }

  private content(location: Token.ElementLocation, tag: Range): Range {
    // Raw text without an end tag runs to the end of the file, whatever the parser notes as the place where it was popped.
    return { start: tag.end, end: location.endTag?.startOffset ?? this.text.length };
  }
}

class TreeAttributes implements Attributes {
  constructor(
    private readonly text: string,
    private readonly element: Tree.Element,
    private readonly location: Token.ElementLocation,
  ) {}

  get(name: string): string | undefined {
    return this.element.attrs.find((attribute) => attribute.name === name)?.value;
  }

  valueRange(name: string): Range | undefined {
    const at = this.location.attrs?.[name];
    return at === undefined ? undefined : valueRangeWithin(this.text, at.startOffset, at.endOffset);
  }
}

function textOf(element: Tree.Element): string {
  return normalizeNewlines(element.childNodes.map((child) => (defaultTreeAdapter.isTextNode(child) ? child.value : '')).join(''));
}

function inBody(parent: Tree.ParentNode): boolean {
  return !defaultTreeAdapter.isElementNode(parent) || (parent.tagName !== 'head' && parent.tagName !== 'html');
}
