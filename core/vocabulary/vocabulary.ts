import { distance } from 'fastest-levenshtein';

/** What the table holds: of a type its parents, the members of an enumeration, and what takes its place; of a property its types, the types of its values, and what takes its place. */
interface Table {
  readonly source: string;
  readonly types: Readonly<Record<string, readonly [parents: string, members: string, instead?: string]>>;
  readonly properties: Readonly<Record<string, readonly [of: string, is: string, instead?: string]>>;
}

/** One property of the vocabulary. */
export interface VocabularyProperty {
  /** Types that have it, their subtypes too. */
  readonly of: readonly string[];
  /** Types of its values, data types among them. */
  readonly is: readonly string[];
  /** What is to be used in its place: empty where nothing is named, undefined where it is not superseded. */
  readonly instead: string | undefined;
}

const words = (text: string): readonly string[] => (text === '' ? [] : text.split(' '));

/** The whole schema.org vocabulary: types, properties, enumerations. Names are those behind `https://schema.org/`. */
export class Vocabulary {
  private readonly ancestors = new Map<string, ReadonlySet<string>>();
  private readonly enumerations = new Map<string, string>();
  private readonly nearby = new Map<string, string | undefined>();

  constructor(private readonly table: Table) {
    for (const [name, [, members]] of Object.entries(table.types)) for (const member of words(members)) this.enumerations.set(member, name);
  }

  /** Where it was taken from: package, version, licences. */
  get source(): string {
    return this.table.source;
  }

  isType(name: string): boolean {
    return Object.hasOwn(this.table.types, name);
  }

  /** All types, in the order of the alphabet. */
  types(): readonly string[] {
    return Object.keys(this.table.types);
  }

  parents(type: string): readonly string[] {
    return this.isType(type) ? words(this.table.types[type]?.[0] ?? '') : [];
  }

  /** A type and all above it. Empty for what is no type. */
  lineage(type: string): ReadonlySet<string> {
    const known = this.ancestors.get(type);
    if (known) return known;
    const found = new Set<string>();
    const waiting = this.isType(type) ? [type] : [];
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      if (found.has(next)) continue;
      found.add(next);
      waiting.push(...this.parents(next));
    }
    this.ancestors.set(type, found);
    return found;
  }

  /** Whether a type is another one or lies below it. */
  isA(type: string, ancestor: string): boolean {
    return this.lineage(type).has(ancestor);
  }

  property(name: string): VocabularyProperty | undefined {
    const found = Object.hasOwn(this.table.properties, name) ? this.table.properties[name] : undefined;
    return found && { of: words(found[0]), is: words(found[1]), instead: found[2] };
  }

  /** Whether things of this type have the property. */
  has(type: string, property: string): boolean {
    return this.property(property)?.of.some((one) => this.isA(type, one)) === true;
  }

  /** The properties that things of a type have, its own before those of its parents. */
  propertiesOf(type: string): readonly string[] {
    const lineage = [...this.lineage(type)];
    const rank = new Map(lineage.map((one, at) => [one, at]));
    return Object.entries(this.table.properties)
      .flatMap(([name, [of]]) => {
        const ranks = words(of).flatMap((one) => rank.get(one) ?? []);
        return ranks.length === 0 ? [] : [{ name, at: Math.min(...ranks) }];
      })
      .sort((a, b) => a.at - b.at)
      .map(({ name }) => name);
  }

  /** The enumeration that a word is a member of, such as `ItemAvailability` for `InStock`. */
  enumerationOf(member: string): string | undefined {
    return this.enumerations.get(member);
  }

  /** The members of an enumeration and of those below it. */
  members(enumeration: string): readonly string[] {
    return Object.entries(this.table.types).flatMap(([name, [, members]]) => (members !== '' && this.isA(name, enumeration) ? words(members) : []));
  }

  isEnumeration(type: string): boolean {
    return this.isA(type, 'Enumeration');
  }

  /** What takes the place of a superseded type; undefined where it is not superseded. */
  insteadOfType(type: string): string | undefined {
    return this.isType(type) ? this.table.types[type]?.[2] : undefined;
  }

  nearestType(word: string): string | undefined {
    return this.nearest(word, 'types');
  }

  /** The property that was probably meant, one of this type before others. */
  nearestProperty(word: string, type: string | undefined): string | undefined {
    const own = type === undefined ? undefined : closest(word, this.propertiesOf(type));
    return own ?? this.nearest(word, 'properties');
  }

  private nearest(word: string, among: 'types' | 'properties'): string | undefined {
    const key = `${among} ${word}`;
    if (!this.nearby.has(key)) this.nearby.set(key, closest(word, Object.keys(this.table[among])));
    return this.nearby.get(key);
  }
}

/** Longest word for which a nearest one is looked for. */
const LONGEST_WORD = 60;

/** The word that is nearest by the letters that differ, capitals aside: none where more than a third would have to be others. */
function closest(word: string, among: readonly string[]): string | undefined {
  if (word.length > LONGEST_WORD) return undefined;
  const wanted = word.toLowerCase();
  let best: string | undefined;
  let least = Math.max(word.length > 3 ? 2 : 1, Math.floor(word.length / 3)) + 1;
  for (const one of among) {
    if (Math.abs(one.length - word.length) >= least) continue;
    const other = one.toLowerCase();
    // Of words equally far the one that begins alike: slips are seldom made at the first letter.
    const far = distance(wanted, other) + (other[0] === wanted[0] ? 0 : 0.5);
    if (far < least) [best, least] = [one, far];
  }
  return best;
}

/** Loads the vocabulary: a table of 130 kB that only who checks markup needs. */
export async function loadVocabulary(): Promise<Vocabulary> {
  // What could not be fetched is asked for again the next time.
  return (loaded ??= import('./vocabulary.json').then(
    (table) => new Vocabulary(table.default as unknown as Table),
    (error: unknown) => {
      loaded = undefined;
      throw error;
    },
  ));
}
let loaded: Promise<Vocabulary> | undefined;

/** What types and properties mean, a sentence each: for those who write markup by hand. */
export interface Meanings {
  readonly types: Readonly<Record<string, string>>;
  readonly properties: Readonly<Record<string, string>>;
}

export async function loadMeanings(): Promise<Meanings> {
  return (meanings ??= import('./meanings.json').then(
    (table) => table.default as unknown as Meanings,
    (error: unknown) => {
      meanings = undefined;
      throw error;
    },
  ));
}
let meanings: Promise<Meanings> | undefined;
