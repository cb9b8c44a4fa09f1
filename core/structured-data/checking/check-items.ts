import { isSchemaName, itemsWithin, schemaName, textOf, type MarkupItem, type MarkupReading, type MarkupValue } from '../../markup/index.ts';
import type { Vocabulary } from '../../vocabulary/index.ts';
import { valueFault } from './check-values.ts';
import { LONGEST_WORD, MOST_FAULTS, type FaultCode, type MarkupFault } from './fault.ts';

/** Holds all structured data of a page against the vocabulary. Each fault once for each word of a type. */
export function checkMarkup({ items, troubles }: MarkupReading, vocabulary: Vocabulary, address: string): MarkupFault[] {
  const faults = new Faults();
  for (const { code, detail, start, end } of troubles) faults.add({ code, type: '', property: '', word: detail, start, end });
  const known = new Set<string>();
  for (const item of itemsWithin(items)) if (item.id !== undefined) known.add(item.id);
  for (const item of itemsWithin(items)) checkItem(item, vocabulary, known, address, faults);
  return faults.all();
}

class Faults {
  private readonly found = new Map<string, MarkupFault>();

  add(fault: MarkupFault): void {
    const word = fault.word.slice(0, LONGEST_WORD);
    const key = `${fault.code} ${fault.type} ${fault.property} ${word}`;
    if (this.found.size < MOST_FAULTS && !this.found.has(key)) this.found.set(key, { ...fault, word });
  }

  all(): MarkupFault[] {
    return [...this.found.values()];
  }
}

function checkItem(item: MarkupItem, vocabulary: Vocabulary, known: ReadonlySet<string>, address: string, faults: Faults): void {
  const told = (code: FaultCode, property: string, word: string, meant: string | undefined, place: { readonly start: number; readonly end: number }): void =>
    faults.add({
      code,
      type: item.types[0] ?? '',
      property,
      word,
      ...(meant === undefined || meant === '' ? {} : { meant }),
      start: place.start,
      end: place.end,
    });
  const types: string[] = [];
  for (const type of item.types) {
    if (!isSchemaName(type)) continue;
    if (!vocabulary.isType(type)) told('type-unknown', '', type, vocabulary.nearestType(type), item);
    else {
      types.push(type);
      const instead = vocabulary.insteadOfType(type);
      if (instead !== undefined) told('type-superseded', '', type, instead, item);
    }
  }
  for (const [name, values] of item.properties) {
    if (!isSchemaName(name)) continue;
    const place = item.places.get(name) ?? item;
    const property = vocabulary.property(name);
    if (!property) {
      told('property-unknown', name, name, vocabulary.nearestProperty(name, types[0]), place);
      continue;
    }
    if (property.instead !== undefined) told('property-superseded', name, name, property.instead, place);
    if (types.length > 0 && !types.some((type) => vocabulary.has(type, name)))
      told('property-elsewhere', name, name, property.of.length === 1 ? property.of[0] : undefined, place);
    for (const value of values) {
      const fault = valueFault(vocabulary, name, property, value);
      if (fault) told(fault.code, name, wordOf(value), fault.meant, value);
      else if (value.kind === 'address' && leadsNowhere(value.address, known, address)) told('id-nowhere', name, value.address, undefined, value);
    }
  }
}

const wordOf = (value: MarkupValue): string => (value.kind === 'item' ? schemaName(value.item.types[0] ?? '') : textOf(value));

/** Whether an id is one of this page, and nothing on the page has it. */
function leadsNowhere(id: string, known: ReadonlySet<string>, address: string): boolean {
  if (known.has(id)) return false;
  if (id.startsWith('_:')) return true;
  const page = address.split('#')[0] ?? address;
  return id.startsWith(`${page}#`);
}
