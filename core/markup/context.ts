import type { Node } from 'jsonc-parser';
import { entriesOf, listOf, textIn } from './json.ts';

/** What a term of a JSON-LD context means (JSON-LD 1.1, 9.15). */
export interface Term {
  /** An address or a keyword; undefined for a term that was taken out (`null`). */
  readonly id: string | undefined;
  readonly type?: string | undefined;
  readonly containers: readonly string[];
  readonly language?: string | undefined;
  readonly reverse: boolean;
  readonly scoped: Node | undefined;
}

/** Where words of a block are looked up. Contexts hang on one another, so that a nested one costs only its own length. */
export interface Context {
  readonly parent: Context | undefined;
  readonly own: ReadonlyMap<string, Node | string>;
  readonly made: Map<string, Term | undefined>;
  readonly vocab: string | undefined;
  readonly base: string;
  readonly language: string | undefined;
}

export const SCHEMA_VOCAB = 'https://schema.org/';
const SCHEMA_CONTEXT = /^https?:\/\/(?:www\.)?schema\.org(?:\/?|\/docs\/jsonldcontext\.jsonld|\/docs\/jsonldcontext\.json)(?:#.*)?$/i;
/** What the context of schema.org defines besides its own words. */
const SCHEMA_TERMS = new Map<string, string>([
  ['type', '@type'],
  ['id', '@id'],
  ['schema', SCHEMA_VOCAB],
  ['rdf', 'http://www.w3.org/1999/02/22-rdf-syntax-ns#'],
  ['rdfs', 'http://www.w3.org/2000/01/rdf-schema#'],
  ['xsd', 'http://www.w3.org/2001/XMLSchema#'],
]);

export const emptyContext = (base: string): Context => ({ parent: undefined, own: new Map(), made: new Map(), vocab: undefined, base, language: undefined });

export interface ContextTrouble {
  readonly code: 'context-unknown';
  readonly node: Node;
  readonly detail: string;
}

/** A context with what a node's `@context` says on top: an address, an object, a list of both, or null (JSON-LD 1.1, 4.1.2). */
export function withContext(context: Context, said: Node, tell: (trouble: ContextTrouble) => void): Context {
  let now = context;
  for (const one of listOf(said)) {
    if (one.type === 'null') now = emptyContext(context.base);
    else if (one.type === 'string') {
      const address = textIn(one) ?? '';
      if (SCHEMA_CONTEXT.test(address.trim())) now = { ...now, parent: now, own: SCHEMA_TERMS, made: new Map(), vocab: SCHEMA_VOCAB };
      else tell({ code: 'context-unknown', node: one, detail: address });
    } else if (one.type === 'object') now = withDefinitions(now, one);
  }
  return now;
}

function withDefinitions(context: Context, object: Node): Context {
  const own = new Map<string, Node>();
  let { vocab, base, language } = context;
  const raw = (node: Node): string | undefined => (node.type === 'null' ? undefined : textIn(node));
  for (const { name, value } of entriesOf(object)) {
    if (name === '@vocab') vocab = value.type === 'null' ? undefined : vocabOf(raw(value) ?? '', context);
    else if (name === '@base') {
      const said = raw(value);
      if (said !== undefined && URL.canParse(said, base)) base = new URL(said, base).href;
    } else if (name === '@language') language = raw(value);
    else if (!name.startsWith('@')) own.set(name, value);
  }
  return { parent: context, own, made: new Map(), vocab: vocab === undefined ? undefined : schemaAlike(vocab), base, language };
}

function vocabOf(said: string, context: Context): string {
  if (said === '' || !said.includes(':')) return (context.vocab ?? context.base) + said;
  return expandWord(context, said) ?? said;
}

/** One spelling for the vocabulary, however it is written. */
export const schemaAlike = (address: string): string => address.replace(/^https?:\/\/(?:www\.)?schema\.org\//i, SCHEMA_VOCAB);

/** What a term means here; undefined where nothing is said of it. */
export function termOf(context: Context, name: string): Term | undefined {
  for (let at: Context | undefined = context; at; at = at.parent) {
    const said = at.own.get(name);
    if (said === undefined) continue;
    if (!at.made.has(name)) {
      // While a term is being made it means nothing, so that a circle of terms ends.
      at.made.set(name, undefined);
      at.made.set(name, typeof said === 'string' ? plainTerm(said) : termFrom(at, name, said));
    }
    return at.made.get(name);
  }
  return undefined;
}

const plainTerm = (id: string): Term => ({ id, containers: [], reverse: false, scoped: undefined });

function termFrom(context: Context, name: string, said: Node): Term {
  if (said.type === 'null') return { id: undefined, containers: [], reverse: false, scoped: undefined };
  const string = textIn(said);
  if (string !== undefined) return plainTerm(expandOther(context, name, string));
  const entries = new Map(entriesOf(said).map((entry) => [entry.name, entry.value]));
  const word = (key: string): string | undefined => {
    const node = entries.get(key);
    return node && textIn(node);
  };
  const reverse = word('@reverse');
  const id = entries.get('@id')?.type === 'null' ? undefined : expandOther(context, name, reverse ?? word('@id') ?? name);
  const type = word('@type');
  const container = entries.get('@container');
  return {
    id,
    type: type === undefined ? undefined : type.startsWith('@') ? type : (expandWord(context, type) ?? type),
    containers: container ? listOf(container).flatMap((one) => textIn(one) ?? []) : [],
    language: entries.has('@language') ? (word('@language') ?? '') : undefined,
    reverse: reverse !== undefined,
    scoped: entries.get('@context'),
  };
}

/** Expands the address in a definition; a term that stands for itself is looked up in what was there before. */
function expandOther(context: Context, name: string, said: string): string {
  if (said.startsWith('@')) return said;
  if (said === name) {
    const before = context.parent && termOf(context.parent, name)?.id;
    if (before !== undefined) return before;
    if (!said.includes(':')) return (context.vocab ?? '') + said;
  }
  return expandWord(context, said) ?? said;
}

/** Expands a word in the place of a type or property (JSON-LD 1.1 API, 5.2, with `vocab`). Undefined where the context maps it to nothing. */
export function expandWord(context: Context, word: string): string | undefined {
  if (/^@[a-z]+$/i.test(word)) return word;
  const term = termOf(context, word);
  if (term) return term.id;
  const compact = expandCompact(context, word);
  if (compact !== undefined) return compact;
  return context.vocab === undefined ? undefined : schemaAlike(context.vocab + word);
}

/** Expands the id of a thing: prefixes, else relative to the page (the same, with `document relative`). */
export function expandId(context: Context, id: string): string {
  const compact = expandCompact(context, id);
  if (compact !== undefined) return compact;
  return URL.canParse(id, context.base) ? new URL(id, context.base).href : id;
}

function expandCompact(context: Context, word: string): string | undefined {
  const colon = word.indexOf(':');
  if (colon < 1) return undefined;
  const [prefix, suffix] = [word.slice(0, colon), word.slice(colon + 1)];
  if (prefix === '_' || suffix.startsWith('//')) return schemaAlike(word);
  const term = termOf(context, prefix);
  if (term?.id !== undefined && !term.id.startsWith('@')) return schemaAlike(term.id + suffix);
  return schemaAlike(word);
}
