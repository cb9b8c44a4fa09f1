import { countries } from './codes.ts';
import { ANY_ROAD, countryOfPrefix, HOUSE_PART, NUMBER_BEFORE, NUMBER_BEHIND, POST_BOX, POSTAL_FORMS } from './postal-forms.ts';

/** A postal address that a text says: its parts as they are written. `country` by ISO 3166-1, only where the text tells it. */
export interface FoundAddress {
  readonly street: string;
  /** Missing where only street and town stand there: see `isPlain`. */
  readonly postalCode?: string | undefined;
  readonly locality: string;
  readonly region?: string | undefined;
  readonly country?: string | undefined;
  /** The lines that it stands in, from which to which. */
  readonly first: number;
  readonly last: number;
}

interface Part {
  readonly text: string;
  readonly line: number;
  /** Whether a comma parts it from the one before, on the same line. */
  readonly isJoined: boolean;
}
type Place = Omit<FoundAddress, 'street' | 'first' | 'last'>;

const LABEL = /^(?:[\p{L}\s.-]{2,24})[:：]\s*/u;
/** Parts before a town's line that may be its street's: number, floor and door stand in parts of their own in some countries. */
const MOST_BEFORE = 3;
const LONGEST_PART = 80;

/**
 * The postal addresses of a text, cut into its lines: a street with its number, and below or behind it a line of post code and town in the order of a country that writes it so. What
 * has no such line, or a post box for a street, is none. `isPlain`: the text is where addresses are looked for, and a street with a single town behind its comma is one too.
 */
export function addressesIn(lines: readonly string[], isPlain = false): readonly FoundAddress[] {
  const parts = lines.flatMap((text, line) =>
    // Blanks and a dot in the middle, bars and dashes part one thing from the next on one line as commas do.
    text
      .split(/(\s*[,·|•;]\s*|\s+[–—-]\s+)/)
      .flatMap((part, at, all) => (at % 2 === 1 ? [] : [{ text: part.trim().replace(/[.]$/, ''), line, isJoined: (all[at - 1] ?? '').trim() === ',' }]))
      .filter(({ text: part }) => part !== ''),
  );
  const found: FoundAddress[] = [];
  parts.forEach((part, at) => {
    const east = eastern(part.text);
    if (east) found.push({ ...east, first: part.line, last: part.line });
    const place = placeAt(parts, at);
    const street = place && streetBefore(parts, at - (place.isBehindTown ? 2 : 1));
    if (!place && isPlain) {
      const plain = townBehind(parts, at);
      if (plain) found.push(plain);
    }
    if (!place || !street) return;
    const { isBehindTown: _, ...where } = place;
    const country = where.country ?? countryNamed(parts[at + 1]?.text ?? '');
    found.push({ street: street.text, ...where, ...(country === undefined ? {} : { country }), first: street.line, last: part.line });
  });
  return found;
}

/** Post code and town in a part, or in it and the one before. */
function placeAt(parts: readonly Part[], at: number): (Place & { readonly isBehindTown: boolean }) | undefined {
  const part = (parts[at] as Part).text.replace(LABEL, '');
  if (part.length > LONGEST_PART || !/\d/.test(part)) return undefined;
  for (const { line, country, townBefore } of POSTAL_FORMS) {
    const groups = line.exec(part)?.groups;
    if (!groups) continue;
    const { code = '', town, region, prefix } = groups;
    const before = town === undefined && townBefore === true ? townIn(parts[at - 1]?.text ?? '') : undefined;
    const locality = town ?? before;
    if (locality === undefined) return undefined;
    const told = country ?? (prefix === undefined ? undefined : countryOfPrefix(prefix));
    if (prefix !== undefined && told === undefined) return undefined;
    return {
      postalCode: code,
      locality: locality.trim(),
      ...(region === undefined ? {} : { region: region.trim() }),
      ...(told === undefined ? {} : { country: told }),
      isBehindTown: before !== undefined,
    };
  }
  return undefined;
}

/** Street and town alone, with a comma between: of two names behind a street nobody knows which one is the town. */
function townBehind(parts: readonly Part[], at: number): FoundAddress | undefined {
  const [town, next] = [parts[at] as Part, parts[at + 1]];
  const street = town.isJoined ? streetBefore(parts, at - 1) : undefined;
  const locality = street && townIn(town.text);
  if (!street || locality === undefined) return undefined;
  const country = next?.isJoined === true ? countryNamed(next.text) : undefined;
  if (next?.isJoined === true && country === undefined) return undefined;
  return { street: street.text, locality, ...(country === undefined ? {} : { country }), first: street.line, last: town.line };
}

const townIn = (text: string): string | undefined => (/^\p{Lu}[\p{L}’' .-]{2,40}$/u.test(text) && !/\d/.test(text) ? text : undefined);

/** The street that ends in a part, with what stands before it in parts of its own: `Via dei Platani, 23`. */
function streetBefore(parts: readonly Part[], last: number): Pick<Part, 'text' | 'line'> | undefined {
  for (let from = last; from >= 0 && from > last - MOST_BEFORE; from--) {
    const first = parts[from] as Part;
    const text = parts
      .slice(from, last + 1)
      .map((part, at) => (at === 0 ? part.text.replace(LABEL, '') : part.text))
      .join(', ');
    if (text.length > LONGEST_PART || POST_BOX.test(text)) return undefined;
    const isRoad = NUMBER_BEFORE.test(text) || NUMBER_BEHIND.test(text) || (from === last && ANY_ROAD.test(text));
    const before = parts[from - 1];
    if (isRoad) return before && HOUSE_PART.test(before.text) ? { text: `${before.text}, ${text}`, line: before.line } : { text, line: first.line };
    // Only a number, a floor or a county goes on to what is before it.
    if (from === last && /\p{L}{4}/u.test(text) && !townIn(text) && !/^\d{1,4}(?:\s?(?:bis|ter))?$/.test(before?.text ?? '')) return undefined;
  }
  return undefined;
}

/** A Japanese address: post code, prefecture, town, and the rest. */
function eastern(text: string): Omit<FoundAddress, 'first' | 'last'> | undefined {
  // Few texts are in Japanese, and the pattern is a long one.
  if (!/[都道府県]/.test(text)) return undefined;
  const [, postalCode, region, locality, street] =
    /〒?\s?(\d{3}[-－]\d{4})\s*(東京都|北海道|京都府|大阪府|[\p{Script=Han}]{2,3}県)(\p{Script=Han}{1,6}?(?:市|区|町|村)(?:\p{Script=Han}{1,4}区)?)([\p{Script=Han}\p{Script=Katakana}\p{Script=Hiragana}ー々\d０-９－-]*[\d０-９](?:番地?|号|丁目)?[\d－-]*(?:番地?|号)?)/u.exec(
      text,
    ) ?? [];
  return postalCode !== undefined && region !== undefined && locality !== undefined && street !== undefined
    ? { street, postalCode: postalCode.replace('－', '-'), locality, region, country: 'JP' }
    : undefined;
}

/** Languages in which pages write the name of their own country below an address. */
const NAMED_IN = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pt', 'pl'];
let named: ReadonlyMap<string, string> | undefined;

/** The country whose name a text is, in one of some languages. */
function countryNamed(text: string): string | undefined {
  if (!/^\p{Lu}[\p{L}\s.’'-]{3,40}$/u.test(text)) return undefined;
  named ??= new Map(
    NAMED_IN.flatMap((language) => {
      const names = new Intl.DisplayNames([language], { type: 'region' });
      return countries().map((code) => [(names.of(code) ?? code).toLowerCase(), code] as const);
    }),
  );
  return named.get(text.toLowerCase());
}
