import type { Range } from '../source/index.ts';
import { addressAttribute, attribute, elementsIn, isElement, tagRange, textContent, tokens, type Element, type PageTree } from './dom.ts';
import { MARKUP_LIMITS, resolved, schemaName, type MarkupItem, type MarkupReading, type MarkupTrouble, type MarkupValue } from './item.ts';

/** Reads the Microdata of a page as the HTML standard has it (5.2: items, properties by `itemref`, values by element). */
export function readMicrodata(tree: PageTree, base: string): MarkupReading {
  return new Microdata(tree, base).read();
}

interface Draft {
  readonly properties: Map<string, MarkupValue[]>;
  readonly places: Map<string, Range>;
}

class Microdata {
  private readonly troubles: MarkupTrouble[] = [];
  private readonly items = new Map<Element, MarkupItem>();
  private readonly order = new Map<Element, number>();
  private readonly byId = new Map<string, Element>();
  /** Elements looked at: by `itemref` one may be looked at often, and all pages have to end. */
  private steps = 0;
  private readonly most: number;

  constructor(
    tree: PageTree,
    private readonly base: string,
  ) {
    for (const element of elementsIn(tree)) {
      this.order.set(element, this.order.size);
      const id = attribute(element, 'id');
      if (id !== undefined && !this.byId.has(id)) this.byId.set(id, element);
    }
    this.most = 4 * this.order.size + 10_000;
  }

  read(): MarkupReading {
    const items: MarkupItem[] = [];
    for (const element of this.order.keys()) {
      if (attribute(element, 'itemscope') === undefined || attribute(element, 'itemprop') !== undefined) continue;
      items.push(this.item(element, new Set(), 0));
    }
    return { items, troubles: this.troubles };
  }

  private item(element: Element, around: ReadonlySet<Element>, depth: number): MarkupItem {
    const known = this.items.get(element);
    if (known) return known;
    const range = tagRange(element);
    const types = tokens(attribute(element, 'itemtype')).map(schemaName);
    if (types.length === 0) this.tell('type-missing', element, '');
    const id = types.length > 0 ? attribute(element, 'itemid') : undefined;
    const draft: Draft = { properties: new Map(), places: new Map() };
    const item: MarkupItem = { syntax: 'microdata', ...range, id: id === undefined ? undefined : resolved(id, this.base), types, reverse: new Map(), ...draft };
    this.items.set(element, item);
    if (depth >= MARKUP_LIMITS.depth) this.tell('too-deep', element, String(depth));
    else {
      const inside = new Set([...around, element]);
      for (const found of this.propertiesOf(element)) this.add(draft, found, types, inside, depth);
    }
    return item;
  }

  private add(draft: Draft, element: Element, types: readonly string[], around: ReadonlySet<Element>, depth: number): void {
    for (const said of new Set(tokens(attribute(element, 'itemprop')))) {
      const name = propertyName(said, types);
      let value: MarkupValue;
      if (attribute(element, 'itemscope') === undefined) value = this.value(element);
      else if (around.has(element)) {
        this.tell('itemref-circular', element, said);
        continue;
      } else value = { ...tagRange(element), kind: 'item', item: this.item(element, around, depth + 1) };
      if (!draft.places.has(name)) draft.places.set(name, tagRange(element));
      const list = draft.properties.get(name);
      if (list) list.push(value);
      else draft.properties.set(name, [value]);
    }
  }

  /** The elements that hold an item's properties, in the order of the tree (HTML, 5.2.5). */
  private propertiesOf(root: Element): Element[] {
    const found = new Set<Element>();
    const visited = new Set<Element>([root]);
    const waiting: Element[] = root.childNodes.filter(isElement).reverse();
    for (const id of new Set(tokens(attribute(root, 'itemref')))) {
      const named = this.byId.get(id);
      if (named) waiting.unshift(named);
      else this.tell('itemref-missing', root, id);
    }
    for (let element = waiting.pop(); element; element = waiting.pop()) {
      if (visited.has(element)) continue;
      visited.add(element);
      if (++this.steps > this.most) {
        this.tell('too-much', root, '');
        break;
      }
      if (attribute(element, 'itemprop') !== undefined) found.add(element);
      if (attribute(element, 'itemscope') !== undefined) continue;
      for (let at = element.childNodes.length - 1; at >= 0; at--) {
        const child = element.childNodes[at];
        if (child && isElement(child)) waiting.push(child);
      }
    }
    return [...found].sort((a, b) => (this.order.get(a) ?? 0) - (this.order.get(b) ?? 0));
  }

  /** The value of an element that is no item (HTML, 5.2.4). */
  private value(element: Element): MarkupValue {
    const range = tagRange(element);
    const text = (said: string): MarkupValue => ({ ...range, kind: 'text', text: said });
    const source = addressAttribute(element);
    if (source !== undefined) {
      const address = attribute(element, source);
      return address === undefined ? text('') : { ...range, kind: 'address', address: resolved(address, this.base) };
    }
    switch (element.tagName) {
      case 'meta':
        return text(attribute(element, 'content') ?? '');
      case 'data':
      case 'meter':
        return text(attribute(element, 'value') ?? '');
      case 'time':
        return text(attribute(element, 'datetime') ?? textContent(element));
      default:
        // Browsers do not, but all known readers take a machine's value where a page gives one with `content`.
        return text(attribute(element, 'content') ?? textContent(element));
    }
  }

  private tell(code: MarkupTrouble['code'], element: Element, detail: string): void {
    if (this.troubles.length < 200) this.troubles.push({ code, detail, ...tagRange(element) });
  }
}

/** A property's name: whole addresses stand for themselves; with a type of another vocabulary a bare name is that one's. */
function propertyName(said: string, types: readonly string[]): string {
  if (said.includes(':')) return schemaName(said);
  const foreign = types.find((type) => type.includes('/'));
  return foreign === undefined ? said : `${foreign.replace(/[^/#]*$/, '')}${said}`;
}
