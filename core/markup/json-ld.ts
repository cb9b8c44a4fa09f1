import type { Node } from 'jsonc-parser';
import type { Range } from '../source/index.ts';
import { emptyContext, expandId, expandWord, schemaAlike, termOf, withContext, type Context, type ContextTrouble, type Term } from './context.ts';
import { schemaName, type MarkupItem, type MarkupReading, type MarkupTrouble, type MarkupValue } from './item.ts';
import { entriesOf, listOf, readJson, textIn, type JsonEntry } from './json.ts';

/** Where a block stands in the page's text. */
export interface JsonLdBlock extends Range {
  readonly text: string;
}

/** Reads a JSON-LD block as JSON-LD 1.1 has it (expansion). `base` is the address of the page. */
export function readJsonLd(block: JsonLdBlock, base: string): MarkupReading {
  return new Expansion(block, base).read();
}

/** The words of one node while it is read. */
interface Draft {
  id: string | undefined;
  readonly types: string[];
  readonly properties: Map<string, MarkupValue[]>;
  readonly reverse: Map<string, MarkupValue[]>;
  readonly places: Map<string, Range>;
}

class Expansion {
  private readonly troubles: MarkupTrouble[] = [];
  private readonly told = new Set<string>();

  constructor(
    private readonly block: JsonLdBlock,
    private readonly base: string,
  ) {}

  read(): MarkupReading {
    const { root, problem } = readJson(this.block.text);
    if (problem) {
      const at = this.block.start + problem.at;
      this.troubles.push({ code: problem.code, detail: problem.detail, start: at, end: at + Math.max(1, problem.detail.length) });
    }
    if (!root || (root.type !== 'object' && root.type !== 'array')) {
      if (!problem) this.tell('nothing-in-it', root ?? { offset: 0, length: 0 }, '');
      return { items: [], troubles: this.troubles };
    }
    const context = emptyContext(this.base);
    const items = listOf(root).flatMap((node) => (node.type === 'object' ? this.top(context, node) : []));
    return { items, troubles: this.troubles };
  }

  private top(context: Context, node: Node): MarkupItem[] {
    const entries = entriesOf(node);
    if (!entries.some(({ name }) => name === '@context')) this.tell('context-missing', node, '');
    const inside = this.contextFor(context, entries);
    const graph = entries.find(({ name }) => expandWord(inside, name) === '@graph');
    // Where there is a graph and nothing else is said, what is at the top is no thing of its own.
    const others = entries.some(({ name }) => name !== '@context' && (expandWord(inside, name) ?? '') !== '@graph');
    const whole = others ? [this.node(context, node)] : [];
    const within = graph ? listOf(graph.value).flatMap((one) => (one.type === 'object' ? [this.node(inside, one)] : [])) : [];
    return [...whole, ...within].filter((item) => item.types.length > 0 || item.properties.size > 0 || item.reverse.size > 0);
  }

  private contextFor(context: Context, entries: readonly JsonEntry[]): Context {
    let now = context;
    for (const { name, value } of entries) if (name === '@context') now = withContext(now, value, (trouble) => this.contextTrouble(trouble));
    // A type may bring a context of its own (JSON-LD 1.1, 4.1.9).
    const before = now;
    for (const { name, value } of entries) {
      if (expandWord(before, name) !== '@type') continue;
      for (const type of listOf(value)
        .flatMap((one) => textIn(one) ?? [])
        .sort()) {
        const scoped = termOf(before, type)?.scoped;
        if (scoped) now = withContext(now, scoped, (trouble) => this.contextTrouble(trouble));
      }
    }
    return now;
  }

  private node(context: Context, node: Node): MarkupItem {
    const entries = entriesOf(node);
    const inside = this.contextFor(context, entries);
    const draft: Draft = { id: undefined, types: [], properties: new Map(), reverse: new Map(), places: new Map() };
    this.fill(draft, inside, entries);
    return { syntax: 'json-ld', ...this.range(node), ...draft };
  }

  private fill(draft: Draft, context: Context, entries: readonly JsonEntry[]): void {
    for (const { name, key, value } of entries) {
      const word = expandWord(context, name);
      if (word === undefined || word === '') {
        if (value.type !== 'null' && termOf(context, name) === undefined) this.tell('word-unmapped', key, name);
        continue;
      }
      if (word.startsWith('@')) this.keyword(draft, context, word, value);
      else this.property(draft, context, word, { name, key, value });
    }
  }

  private keyword(draft: Draft, context: Context, word: string, value: Node): void {
    if (word === '@id') {
      const id = textIn(value);
      if (id !== undefined) draft.id = expandId(context, id);
    } else if (word === '@type') {
      for (const one of listOf(value)) {
        const type = textIn(one);
        if (type !== undefined) draft.types.push(schemaName(expandWord(context, type) ?? expandId(context, type)));
      }
    } else if (word === '@nest') {
      for (const one of listOf(value)) if (one.type === 'object') this.fill(draft, context, entriesOf(one));
    } else if (word === '@reverse' && value.type === 'object') {
      for (const entry of entriesOf(value)) {
        const property = expandWord(context, entry.name);
        if (property !== undefined && !property.startsWith('@'))
          this.add(draft.reverse, draft, property, entry.key, this.values(context, undefined, entry.value));
      }
    }
  }

  private property(draft: Draft, context: Context, word: string, { name, key, value }: JsonEntry): void {
    if (!word.includes(':')) {
      this.tell('word-unmapped', key, name);
      return;
    }
    const term = termOf(context, name);
    const inside = term?.scoped ? withContext(context, term.scoped, (trouble) => this.contextTrouble(trouble)) : context;
    const values = this.contained(inside, term, value);
    this.add(term?.reverse === true ? draft.reverse : draft.properties, draft, word, key, values);
  }

  private add(into: Map<string, MarkupValue[]>, draft: Draft, word: string, key: Node, values: readonly MarkupValue[]): void {
    const name = schemaName(word);
    if (!draft.places.has(name)) draft.places.set(name, this.range(key));
    if (values.length === 0) return;
    const list = into.get(name);
    if (list) list.push(...values);
    else into.set(name, [...values]);
  }

  /** Values by language, by index, by id: what a term's `@container` says its object's keys are. */
  private contained(context: Context, term: Term | undefined, value: Node): MarkupValue[] {
    const containers = term?.containers ?? [];
    if (value.type === 'object' && containers.includes('@language'))
      return entriesOf(value).flatMap(({ name, value: said }) =>
        listOf(said).flatMap((one): MarkupValue[] => {
          const text = textIn(one);
          return text === undefined ? [] : [{ ...this.range(one), kind: 'text', text, lang: name === '@none' ? undefined : name }];
        }),
      );
    if (value.type === 'object' && (containers.includes('@index') || containers.includes('@id') || containers.includes('@type')))
      return entriesOf(value).flatMap(({ value: said }) => this.values(context, term, said));
    return this.values(context, term, value);
  }

  private values(context: Context, term: Term | undefined, value: Node): MarkupValue[] {
    return listOf(value).flatMap((one) => (one.type === 'array' ? this.values(context, term, one) : this.value(context, term, one)));
  }

  private value(context: Context, term: Term | undefined, node: Node): MarkupValue[] {
    const range = this.range(node);
    switch (node.type) {
      case 'string': {
        const text = String(node.value);
        if (term?.type === '@id') return [{ ...range, kind: 'address', address: expandId(context, text) }];
        if (term?.type === '@vocab') return [{ ...range, kind: 'address', address: expandWord(context, text) ?? text }];
        const typed = term?.type !== undefined && !term.type.startsWith('@') ? term.type : undefined;
        const lang = typed === undefined ? (term?.language ?? context.language) : undefined;
        return [{ ...range, kind: 'text', text, ...(lang ? { lang } : {}), ...(typed === undefined ? {} : { datatype: schemaAlike(typed) }) }];
      }
      case 'number':
        return [{ ...range, kind: 'number', number: Number(node.value), text: this.block.text.slice(node.offset, node.offset + node.length) }];
      case 'boolean':
        return [{ ...range, kind: 'boolean', truth: node.value === true }];
      case 'object':
        return this.object(context, term, node);
      default:
        return [];
    }
  }

  private object(context: Context, term: Term | undefined, node: Node): MarkupValue[] {
    const entries = entriesOf(node);
    const inside = this.contextFor(context, entries);
    const words = new Map(entries.map((entry) => [expandWord(inside, entry.name) ?? entry.name, entry.value]));
    const literal = words.get('@value');
    if (literal) return this.literal(inside, literal, words, node);
    const list = words.get('@list') ?? words.get('@set');
    if (list) return this.values(inside, term, list);
    // An object may hold a graph of its own: the things in it are what is meant.
    const graph = words.get('@graph');
    if (graph && !words.has('@type')) return listOf(graph).flatMap((one) => (one.type === 'object' ? this.object(inside, term, one) : []));
    const id = words.get('@id');
    const alone = [...words.keys()].every((word) => word === '@id' || word === '@context' || word === '@index');
    if (id && alone) {
      const said = textIn(id);
      return said === undefined ? [] : [{ ...this.range(node), kind: 'address', address: expandId(inside, said) }];
    }
    return [{ ...this.range(node), kind: 'item', item: this.node(context, node) }];
  }

  /** A typed or language-tagged value (JSON-LD 1.1, 4.2). */
  private literal(context: Context, literal: Node, words: ReadonlyMap<string, Node>, node: Node): MarkupValue[] {
    const range = this.range(node);
    const type = words.get('@type');
    const datatype = type && textIn(type) !== undefined ? expandWord(context, textIn(type) as string) : undefined;
    const language = words.get('@language');
    const lang = language && textIn(language);
    if (literal.type === 'boolean' && datatype === undefined) return [{ ...range, kind: 'boolean', truth: literal.value === true }];
    if (literal.type === 'number' && datatype === undefined)
      return [{ ...range, kind: 'number', number: Number(literal.value), text: this.block.text.slice(literal.offset, literal.offset + literal.length) }];
    if (literal.type === 'null' || literal.type === 'object' || literal.type === 'array') return [];
    return [{ ...range, kind: 'text', text: String(literal.value), ...(lang ? { lang } : {}), ...(datatype === undefined ? {} : { datatype }) }];
  }

  private range({ offset, length }: { readonly offset: number; readonly length: number }): Range {
    return { start: this.block.start + offset, end: this.block.start + offset + length };
  }

  private contextTrouble({ code, node, detail }: ContextTrouble): void {
    this.tell(code, node, detail);
  }

  /** Each trouble once for each word: a block may repeat its mistake a thousand times. */
  private tell(code: MarkupTrouble['code'], node: { readonly offset: number; readonly length: number }, detail: string): void {
    const key = `${code} ${detail}`;
    if (this.told.has(key) || this.told.size > 200) return;
    this.told.add(key);
    this.troubles.push({ code, detail, ...this.range(node) });
  }
}
