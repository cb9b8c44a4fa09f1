/** How the last line of a postal address is written where: what tells its country, and the order of its parts. */
export interface PostalForm {
  /** ISO 3166-1, where the form is that country's alone. */
  readonly country?: string | undefined;
  /** The whole of a line, or of a part between commas. Groups: `code`, `town`, `region`. */
  readonly line: RegExp;
  /** Whether the town may stand in a part of its own before this one: `Saltmere, SA1 2BC`. */
  readonly townBefore?: boolean | undefined;
}

/** A town: words that begin with a capital, or small ones between them; never as short as two letters. */
const WORD = String.raw`(?:[’']s-|[dDlL][’'])?\p{Lu}[\p{L}’'.]*(?:-(?:[\p{L}’']+))*`;
const SMALL = String.raw`(?:am|an|an der|auf der|bei|im|in|in der|ob|ob der|unter|unterm|vor der|upon|on|under|le|la|les|lès|en|sur|sous|aux?|du|de|des|de la|de los|del|della|dell[’']|dei|di|in|nel|da|do|dos|das|e|y|aan|aan den|op|ten|ter|nad|pod|w|a\.\s?d\.|i\. ?d\.)`;
const TOWN = String.raw`(?<town>(?=[^\d]{3})${WORD}(?:[\s/-]+(?:${SMALL}\s+)?${WORD}){0,3})`;
const REGION = String.raw`(?:\s*\((?<region>\p{L}[\p{L}\s.-]{1,30})\))?`;
const US_STATES =
  'AL|AK|AZ|AR|CA|CO|CT|DE|FL|GA|HI|ID|IL|IN|IA|KS|KY|LA|ME|MD|MA|MI|MN|MS|MO|MT|NE|NV|NH|NJ|NM|NY|NC|ND|OH|OK|OR|PA|RI|SC|SD|TN|TX|UT|VT|VA|WA|WV|WI|WY|DC|PR';
const CA_PROVINCES = 'AB|BC|MB|NB|NL|NS|NT|NU|ON|PE|QC|SK|YT';
const AU_STATES = 'ACT|NSW|NT|QLD|SA|TAS|VIC|WA';
const BRITISH = String.raw`(?<code>(?:GIR ?0AA|[A-PR-UWYZ][A-HK-Y]?\d[A-Z\d]? ?\d[A-Z]{2}))`;

/** Letters of a country in front of its code, as mail across borders has them. */
const PREFIXES: Readonly<Record<string, string>> = {
  D: 'DE',
  DE: 'DE',
  A: 'AT',
  AT: 'AT',
  CH: 'CH',
  F: 'FR',
  FR: 'FR',
  I: 'IT',
  IT: 'IT',
  E: 'ES',
  ES: 'ES',
  B: 'BE',
  BE: 'BE',
  L: 'LU',
  PL: 'PL',
  NL: 'NL',
  PT: 'PT',
  P: 'PT',
};

/** The country of the letters before a code: `D-37581`. */
export const countryOfPrefix = (letters: string): string | undefined => PREFIXES[letters.toUpperCase()];

const form = (line: string, country?: string, townBefore?: boolean): PostalForm => ({ line: new RegExp(`^${line}$`, 'u'), country, townBefore });

/** Forms in the order in which they are tried; the first that fits a line decides. */
export const POSTAL_FORMS: readonly PostalForm[] = [
  form(String.raw`(?:${TOWN}\s+)?${BRITISH}`, 'GB', true),
  form(String.raw`(?:${TOWN},?\s+)?(?<region>${US_STATES})\.?,?\s+(?<code>\d{5}(?:-\d{4})?)`, 'US', true),
  form(String.raw`(?:${TOWN},?\s+)?(?<region>${CA_PROVINCES})\.?,?\s+(?<code>[ABCEGHJ-NPRSTVXY]\d[A-Z] ?\d[A-Z]\d)`, 'CA', true),
  form(String.raw`(?:${TOWN},?\s+)?(?<region>${AU_STATES}),?\s+(?<code>\d{4})`, 'AU', true),
  form(String.raw`(?<code>[1-9]\d{3} ?[A-Z]{2})\s+${TOWN}`, 'NL'),
  form(String.raw`(?<code>\d\d-\d{3})\s+${TOWN}`, 'PL'),
  form(String.raw`(?<code>\d{4}-\d{3})\s+${TOWN}`, 'PT'),
  form(String.raw`(?:(?<prefix>[A-Z]{1,2})-\s?)?(?<code>\d{4,5})\s+${TOWN}${REGION}(?:\s+(?:CEDEX|Cedex)(?:\s\d{1,2})?)?`),
];

/** Names of roads by where the number stands: before them, or behind. In lower case. */
export const NUMBER_BEFORE =
  /^(?:(?:flat|unit|suite|apt\.?|studio|appt\.?|bât\.?|étage)\s+[\w-]+,\s*)?\d{1,5}\s?(?:[a-z]|bis|ter|quater)?(?:\s?[-–/]\s?\d{1,5}[a-z]?)?,?\s+(?:(?:rue|avenue|av\.|quai|place|pl\.|boulevard|bd|bld|chemin|impasse|all[ée]e|route|cours|square|passage|ruelle|sentier|esplanade|promenade|faubourg|hameau|lieu-dit|montée|traverse|villa)\s+\p{L}.*|[\p{L}\d’'.\s-]*\b(?:street|st\.?|road|rd\.?|lane|ln\.?|avenue|ave\.?|square|sq\.?|way|drive|dr\.?|court|ct\.?|terrace|row|quay|place|pl\.?|boulevard|blvd\.?|hill|close|gardens|parade|crescent|mews|walk|green|grove|yard|wharf|highway|hwy\.?|parkway|pkwy\.?|circle|cir\.?|trail|gate|wynd|bridge|market|broadway|common|park|rise|view)(?:\s+(?:n|s|e|w|ne|nw|se|sw|north|south|east|west)\.?)?)$/iu;
const DIGITS = String.raw`\d{1,4}(?:\s?[a-zA-Z])?(?:\s?[-–/]\s?(?:\d{1,4}[a-zA-Z]?|[a-zA-Z]))*`;
/** What stands in front of a road's name in German and is part of it; anything else may be a firm's name. */
const IN_FRONT = String.raw`(?:am|an der|an den|auf der|auf dem|im|in der|in den|zum|zur|unter den|hinter der|vor dem|bei der|alte[rsn]?|neue[rsn]?|kleine[rs]?|gro(?:ß|ss)e[rs]?|obere[rs]?|untere[rs]?|lange[rs]?|hohe[rs]?|breite[rs]?|hintere[rs]?|vordere[rs]?|sankt|st\.)\s+`;
export const NUMBER_BEHIND = new RegExp(
  String.raw`^(?:(?:${IN_FRONT})?[\p{L}-]+(?:stra[sß]e|str\.|weg|platz|gasse|allee|ufer|damm|ring|markt|hof|steig|stieg|graben|chaussee|pfad|berg|brücke|straat|laan|plein|kade|gracht|dijk|singel|steeg|dreef|pad)|(?:${IN_FRONT})?(?:[\p{L}-]+e[rsn]?\s+)?(?:straße|strasse|str\.|weg|platz|gasse|allee|ufer|damm|ring|markt|graben|chaussee)|(?:de |het |oude |nieuwe |grote |kleine |korte |lange ){0,2}(?:markt|straat|weg|laan|plein|kade|gracht|dijk)|(?:ul\.|ulica|al\.|aleja|aleje|pl\.|plac|os\.|osiedle|rynek)(?:\s+[\p{L}\d’'.-]+){0,5}|(?:via|viale|piazza|piazzale|corso|vicolo|largo|strada|lungomare|lungarno|contrada|calle|c\/|avenida|avda\.?|av\.|plaza|pza\.?|paseo|carrer|camino|ronda|travesía|rua|r\.|praça|travessa|estrada|alameda|beco|largo)\s+[\p{L}\dº’'.-]+(?:\s+[\p{L}\d’'.-]+){0,6})(?:,?\s+(?:n\.?[º°]?\s?|nº\s?|nr\.?\s?)?|,\s*)${DIGITS}(?:,?\s*(?:\d{1,2}[ºª°.].{0,12}|lok\.\s?\d+|m\.\s?\d+))?$`,
  'iu',
);
/** A road of any name with a number, where the line below it is a town's: `Am Markt 3`; in Polish those that are called by an adjective, `Krakowska 15`. */
export const ANY_ROAD = new RegExp(
  String.raw`^(?:(?:${IN_FRONT}|(?:aan de|op de|op het|achter de)\s+)\p{Lu}[\p{L}’'.-]+(?:\s+\p{Lu}[\p{L}’'.-]+)?|\p{Lu}\p{L}{3,}(?:ska|cka|dzka|owa))\s+${DIGITS}$`,
  'iu',
);
/** A part of a house, in a part of its own before the street. */
export const HOUSE_PART = /^(?:flat|unit|suite|apartment|apt\.?|studio)\s+[\w-]{1,6}$/i;
/** A box at the post office is no street. */
export const POST_BOX =
  /\b(?:p\.?\s?o\.?\s?box|post(?:fach|bus|box)|b\.?p\.?\s?\d|bo[iî]te postale|apartado|casella postale|c\.p\.\s?\d|caixa postal|skr(?:ytka|\.)\s?poczt)/i;
