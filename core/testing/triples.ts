import { itemsWithin, schemaName, type MarkupItem, type MarkupValue } from '../markup/index.ts';

/** A quad as RDF parsers give it, as far as it matters here. */
export interface QuadLike {
  readonly subject: { readonly termType: string; readonly value: string };
  readonly predicate: { readonly value: string };
  readonly object: { readonly termType: string; readonly value: string; readonly language?: string; readonly datatype?: { readonly value: string } };
}

const RDF_TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';
const XSD = 'http://www.w3.org/2001/XMLSchema#';
const PLAIN = new Set([`${XSD}string`, 'http://www.w3.org/1999/02/22-rdf-syntax-ns#langString']);

type Told = Map<string, { types: Set<string>; values: Map<string, Set<string>> }>;
const at = (told: Told, key: string): { types: Set<string>; values: Map<string, Set<string>> } => {
  const known = told.get(key) ?? { types: new Set<string>(), values: new Map<string, Set<string>>() };
  told.set(key, known);
  return known;
};
const put = (told: Told, key: string, name: string, value: string): void => {
  const { values } = at(told, key);
  values.set(name, (values.get(name) ?? new Set()).add(value));
};

const number = (text: string): string => String(Number(text));
const literal = (text: string, language: string | undefined, datatype: string | undefined): string => {
  if (datatype === `${XSD}boolean`) return `boolean ${text === '1' ? 'true' : text}`;
  if (datatype === `${XSD}integer` || datatype === `${XSD}double` || datatype === `${XSD}decimal`) return `number ${number(text)}`;
  return `text ${text}${language ? `@${language.toLowerCase()}` : ''}${datatype === undefined || PLAIN.has(datatype) ? '' : `^^${datatype}`}`;
};

/** What things are told of, as texts that can be compared: blank nodes are told by what they say. */
function signatures(told: Told): string[] {
  const sign = (key: string, depth: number, path: readonly string[]): string => {
    const thing = told.get(key);
    const name = key.startsWith('_:') ? '_' : key;
    if (!thing || depth > 6 || path.includes(key)) return name;
    const values = [...thing.values].map(
      ([property, each]) =>
        `${property}=[${[...each]
          .map((one) => (one.startsWith('node ') ? sign(one.slice(5), depth + 1, [...path, key]) : one))
          .sort()
          .join('|')}]`,
    );
    return `${name}{${[...thing.types].sort().join(' ')};${values.sort().join(';')}}`;
  };
  return [...told.keys()].map((key) => sign(key, 0, [])).sort();
}

/** Signatures of the things in quads. */
export function quadSignatures(quads: Iterable<QuadLike>): string[] {
  const told: Told = new Map();
  const node = ({ termType, value }: { readonly termType: string; readonly value: string }): string => (termType === 'BlankNode' ? `_:${value}` : value);
  for (const { subject, predicate, object } of quads) {
    const key = node(subject);
    if (predicate.value === RDF_TYPE) at(told, key).types.add(schemaName(object.value));
    else if (object.termType === 'Literal') put(told, key, schemaName(predicate.value), literal(object.value, object.language, object.datatype?.value));
    else put(told, key, schemaName(predicate.value), `node ${node(object)}`);
  }
  return signatures(told);
}

/** Signatures of the things that our readers found. */
export function itemSignatures(items: Iterable<MarkupItem>): string[] {
  const told: Told = new Map();
  const names = new Map<MarkupItem, string>();
  const nameOf = (item: MarkupItem): string => {
    const known = names.get(item) ?? item.id ?? `_:${names.size}`;
    names.set(item, known);
    return known;
  };
  const valueOf = (value: MarkupValue): string => {
    switch (value.kind) {
      case 'item':
        return `node ${nameOf(value.item)}`;
      case 'address':
        return `node ${value.address}`;
      case 'number':
        return `number ${String(value.number)}`;
      case 'boolean':
        return `boolean ${String(value.truth)}`;
      case 'text':
        return literal(value.text, value.lang, value.datatype);
    }
  };
  for (const item of itemsWithin(items)) {
    const key = nameOf(item);
    for (const type of item.types) at(told, key).types.add(type);
    for (const [name, values] of item.properties) for (const value of values) put(told, key, name, valueOf(value));
    for (const [name, values] of item.reverse)
      for (const value of values)
        if (value.kind === 'item' || value.kind === 'address') put(told, value.kind === 'item' ? nameOf(value.item) : value.address, name, `node ${key}`);
  }
  return signatures(told);
}
