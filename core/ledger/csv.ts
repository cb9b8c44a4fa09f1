import { collapse } from '../page/index.ts';
import { TakenPlaces } from './taken-places.ts';
import Papa from 'papaparse';
import { decodeBytes, isAddressVariant, percentDecoded, plainPercent, type PageId } from '../source/index.ts';
import { addressOf, all, siteHost, withoutPageEnding, type Change, type SiteDocument } from '../site/index.ts';
import type { PageRow } from '../rows/index.ts';
import { cellChange, cellText, columnName, type CellFault, type EditableColumn, type LedgerColumn } from './columns.ts';

/** A table out of a file. */
export interface ReadTable {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** How the file was read: told, so that a wrong guess can be seen and mended. */
  readonly encoding: string;
  readonly delimiter: string;
  /** Rows of the file before the one that holds the names. */
  readonly preamble: number;
}

export const DELIMITERS = [',', ';', '\t', '|'] as const;
/** Rows that are read; a small site has a few thousand pages. */
const MOST_ROWS = 60_000;
const LARGEST = 30_000_000;

/**
 * Reads a table in any encoding and with any delimiter; both are guessed unless they are given, and so is the row that holds the columns' names (`preamble`
 * rows before it are notes). A line `sep=;` in front, as spreadsheets write it, names the delimiter. Quotes may stand behind blanks.
 */
export function readTable(
  bytes: Uint8Array,
  given: { readonly encoding?: string; readonly delimiter?: string; readonly preamble?: number } = {},
): { ok: true; table: ReadTable } | { ok: false; reason: 'too-large' | 'empty' | 'no-table' } {
  if (bytes.length > LARGEST) return { ok: false, reason: 'too-large' };
  const encoding = given.encoding ?? guessEncoding(bytes);
  const decoded = decodeBytes(bytes, encoding).replace(/^\uFEFF/, '');
  const named = /^"?sep=(.)"?(?:\r\n|\r|\n)/i.exec(decoded);
  const whole = named ? decoded.slice(named[0].length) : decoded;
  if (whole.trim() === '') return { ok: false, reason: 'empty' };
  if (whole.includes('\0')) return { ok: false, reason: 'no-table' };
  const delimiter = given.delimiter ?? named?.[1] ?? guessDelimiter(whole);
  const { data } = Papa.parse<string[]>(withoutBlanks(whole, delimiter), { delimiter, skipEmptyLines: 'greedy', preview: MOST_ROWS });
  const preamble = Math.min(given.preamble ?? guessHeader(data), Math.max(0, data.length - 1));
  const [headers = [], ...rows] = data.slice(preamble);
  return { ok: true, table: { headers: headers.map((header) => header.trim()), rows, encoding, delimiter, preamble } };
}

/** Quotes that stand behind blanks, brought to the front of their cell, where readers of tables look for them. */
function withoutBlanks(text: string, delimiter: string): string {
  if (delimiter === '\t' || !new RegExp(`(?:^|[\n${delimiter === '|' ? '\\|' : delimiter}])[ ]+"`).test(text)) return text;
  let out = '';
  let quoted = false;
  let from = 0;
  for (let at = 0; at < text.length; at++) {
    const sign = text[at];
    if (sign === '"') quoted = !quoted;
    else if (!quoted && (sign === delimiter || sign === '\n')) {
      let next = at + 1;
      while (text[next] === ' ') next++;
      if (next > at + 1 && text[next] === '"') {
        out += text.slice(from, at + 1);
        from = next;
        at = next - 1;
      }
    }
  }
  return out + text.slice(from);
}

/** Rows among which the one with the names is sought. */
const HEADER_WITHIN = 12;

/** How many rows stand before the one with the names: the first that has two known names or more, in a table whose rows go on as wide; else none. */
function guessHeader(rows: readonly (readonly string[])[]): number {
  const known = (row: readonly string[]): number => row.filter((cell) => cell.length <= 40 && KNOWN.some(([, pattern]) => pattern.test(asName(cell)))).length;
  const at = rows.slice(0, HEADER_WITHIN).findIndex((row) => row.length > 1 && known(row) >= 2);
  return at > 0 && (rows[0] as readonly string[]).filter((cell) => cell.trim() !== '').length < (rows[at] as readonly string[]).length ? at : 0;
}

const asName = (header: string): string => header.toLowerCase().replace(/[_-]+/g, ' ').trim();

/** UTF-8 where it says so or is nothing else, UTF-16 by its mark, else what spreadsheets of the western world write. */
export function guessEncoding(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  // Without a mark it is told by its zeros: half of its octets, in texts of the western world.
  const sample = bytes.length % 2 === 0 && bytes.length >= 8 ? bytes.subarray(0, 2_000) : new Uint8Array();
  const zeros = [0, 0];
  sample.forEach((octet, at) => {
    if (octet === 0) zeros[at % 2] = (zeros[at % 2] as number) + 1;
  });
  if ((zeros[1] as number) > sample.length / 6 && zeros[0] === 0) return 'utf-16le';
  if ((zeros[0] as number) > sample.length / 6 && zeros[1] === 0) return 'utf-16be';
  return decodeBytes(bytes, 'utf-8').includes('\uFFFD') ? 'windows-1252' : 'utf-8';
}

/** The delimiter that cuts most of the first lines into the same number of cells, and the most of them. */
function guessDelimiter(text: string): string {
  const head = text.slice(0, 20_000);
  let best: { delimiter: string; score: number } = { delimiter: ',', score: 0 };
  for (const delimiter of DELIMITERS) {
    const { data } = Papa.parse<string[]>(head, { delimiter, preview: 20, skipEmptyLines: 'greedy' });
    const width = data[0]?.length ?? 0;
    const even = data.filter((row) => row.length === width).length / Math.max(1, data.length);
    const score = width > 1 ? even * Math.min(width, 8) : 0;
    if (score > best.score) best = { delimiter, score };
  }
  return best.delimiter;
}

/** What a column of a table means here; null: nothing. */
export type Mapping = readonly ('address' | EditableColumn | null)[];

/** Words by which columns are known, the most telling first. */
const KNOWN: readonly [EditableColumn | 'address', RegExp][] = [
  ['shareText', /(share|social|og|card).*(text|desc|beschreibung)|og:description/],
  ['shareTitle', /(share|social|og|card).*(title|titel|titre)|og:title/],
  ['snippet', /^(max )?snippet( length)?$/],
  ['description', /desc|beschreibung|descripci[oó]n|snippet|summary|auszug/],
  ['phrase', /focus|fokus|target|ziel|key ?phrase|phrase/],
  ['keywords', /key ?words?|tags?$|schl(ü|u)sselw|mots?-cl/],
  ['ending', /slug|ending|endung|permalink-?name/],
  ['inMap', /(in (the )?)?(site ?)?map$/],
  ['follow', /follow/],
  ['intent', /^(robots|index(ed|able)?|list(ed)?|noindex|visibility|sichtbar)/],
  ['title', /title|titel|titre|t[ií]tulo|headline/],
  [
    'address',
    /^(url|uri|address|adresse|link|permalink|page|path|seite|webseite|loc|lien|direcci[oó]n|p[aá]gina)\b|\b(url|address|adresse|permalink|path|pfad)\b/,
  ],
  ['kind', /kind|^type$|typ$|post ?type|art$/],
];

/** Which of several titles or descriptions is to go out, the surest first; and names of what stood there before. */
const RANKS = [
  /\b(?:new|neue?r?|nouveau|nouvelle|nuev[oa]|final|proposed|vorschlag|propos[ée]e?|propuest[oa]|optimi[sz]ed|optimiert)\b/,
  /\b(?:seo|serp)\b/,
  /\bmeta\b/,
  /\b(?:title tag|page title|seitentitel|balise title)\b/,
];
const FORMER =
  /\b(?:old|current|existing|previous|alte?r?|bisherige?r?|aktuelle?r?|ancien(?:ne)?|actuel(?:le)?|actual|anterior|viej[oa]|h1|heading|product|post)\b/;

/** Guesses what each column means, from its name and, for the address, from what stands in it. Each meaning is given once. */
export function guessMapping(table: Pick<ReadTable, 'headers' | 'rows'>): Mapping {
  const taken = new Set<string>();
  // Of two titles the one that was written for engines is meant, wherever it stands; the other is what it was, or the page's heading.
  const chosen = (['title', 'description'] as const).flatMap((meaning) => {
    const pattern = KNOWN.find(([one]) => one === meaning)?.[1] as RegExp;
    const others = KNOWN.slice(
      0,
      KNOWN.findIndex(([one]) => one === meaning),
    );
    const names = table.headers.map(asName);
    const fits = (name: string): boolean => pattern.test(name) && (meaning === 'description' || !others.some(([, other]) => other.test(name)));
    const ranked = RANKS.map((rank) => names.findIndex((name) => fits(name) && rank.test(name))).filter((at) => at >= 0);
    const former = names.findIndex((name) => fits(name) && !FORMER.test(name));
    const at = ranked[0] ?? (names.filter(fits).length > 1 ? former : -1);
    return at >= 0 ? [[at, meaning] as const] : [];
  });
  const first = new Map<number, EditableColumn>(chosen);
  for (const [, meaning] of chosen) taken.add(meaning);
  const mapping: (EditableColumn | 'address' | null)[] = table.headers.map((header, at) => {
    const low = asName(header);
    const own = first.get(at);
    if (own) return own;
    const found = KNOWN.find(([meaning, pattern]) => !taken.has(meaning) && pattern.test(low))?.[0];
    if (found) taken.add(found);
    return found ?? null;
  });
  if (!taken.has('address')) {
    const at = table.headers.findIndex((_, column) => {
      const cells = table.rows.slice(0, 50).map((row) => (row[column] ?? '').trim());
      return cells.length > 0 && cells.filter((cell) => /^(https?:\/\/|\/)\S*$/i.test(cell)).length > cells.length / 2;
    });
    if (at >= 0) mapping[at] = 'address';
  }
  return mapping;
}

/** An address as it is compared: path and query, without index file, ending and closing slash, case kept. */
export function addressKey(address: string): string {
  const trimmed = address.trim();
  const whole = /^https?:\/\//i.test(trimmed) && URL.canParse(trimmed) ? new URL(trimmed) : undefined;
  const path = whole ? whole.pathname : trimmed.replace(/[?#].*$/s, '');
  const query = (whole ? whole.search : (/\?[^#]*/.exec(trimmed)?.[0] ?? '')).replace(/^\?$/, '');
  const bare = withoutPageEnding(`/${percentDecoded(path).replace(/^\/+/, '')}`.replace(/\/index\.x?html?$/i, '/')).replace(/\/+$/, '') || '/';
  return query === '' ? bare : bare + plainPercent(query);
}

/** A row that is not taken, and why; `first` is the row that said something of the same page before. */
export interface RefusedRow {
  readonly row: number;
  readonly address: string;
  readonly why: 'unknown' | 'other-site' | 'query' | 'twice';
  readonly first?: number;
  readonly host?: string;
}

/** What taking a table in would do. */
export interface DryRun {
  readonly changes: readonly {
    readonly page: PageId;
    readonly column: EditableColumn;
    readonly before: string;
    readonly after: string;
    readonly change: Change;
  }[];
  /** Rows that are about no page of this site, or about one that an earlier row is about; with the row in the file (from 1, the names being row 1). */
  readonly refused: readonly RefusedRow[];
  readonly faults: readonly { readonly row: number; readonly column: EditableColumn; readonly text: string; readonly fault: CellFault }[];
  /** Cells that say what stands here already, and empty ones, which change nothing. */
  readonly same: number;
}

/**
 * Tells what a table would change; `all` of its changes is the taking in. Empty cells change nothing: a table with gaps must not
 * take words away. `alsoHost` is another host whose addresses are meant for this site's.
 */
export function dryRun(table: ReadTable, mapping: Mapping, rows: readonly PageRow[], document: SiteDocument, alsoHost?: string): DryRun {
  const pages = new Map<string, PageRow>();
  for (const row of rows) {
    pages.set(addressKey(row.address), row);
    // A table may have been made before an address got its new ending.
    const before = addressKey(addressOf(row.id));
    if (!pages.has(before)) pages.set(before, row);
  }
  const cameAs = document.tables.facts['']?.cameAs;
  const hosts = [siteHost(document), ...(cameAs ? [new URL(cameAs).host] : []), ...(alsoHost === undefined ? [] : [alsoHost])];
  const addressAt = mapping.indexOf('address');
  const changes: DryRun['changes'][number][] = [];
  const refused: RefusedRow[] = [];
  const taken = new TakenPlaces(rows);
  const taking = new Map<string, number>();
  const faults: DryRun['faults'][number][] = [];
  let same = 0;
  table.rows.forEach((cells, index) => {
    const address = (cells[addressAt] ?? '').trim();
    const inFile = index + table.preamble + 2;
    if (address === '') return;
    const other = otherHost(address, hosts);
    const row = other === undefined ? pages.get(addressKey(address)) : undefined;
    if (!row)
      return void refused.push({
        row: inFile,
        address,
        ...(other === undefined ? { why: address.includes('?') ? 'query' : 'unknown' } : { why: 'other-site', host: other }),
      });
    const first = taking.get(row.id);
    if (first !== undefined) return void refused.push({ row: inFile, address, why: 'twice', first });
    taking.set(row.id, inFile);
    mapping.forEach((column, at) => {
      // An apostrophe that keeps spreadsheets from taking a text for a formula is not part of it.
      const text = (cells[at] ?? '').trim().replace(/^'(?=[=+@-])/, '');
      if (column === null || column === 'address') return;
      if (text === '') return void same++;
      const result = cellChange(row, document, column, text, taken);
      if ('fault' in result) faults.push({ row: inFile, column, text, fault: result.fault });
      else if (result.change === undefined) same++;
      else changes.push({ page: row.id, column, before: cellText(row, document, column), after: collapse(text), change: result.change });
    });
  });
  return { changes, refused, faults, same };
}

/** The host of an address that is of another site; undefined for one of this, or of none. */
function otherHost(address: string, own: readonly string[]): string | undefined {
  if (!/^(https?:)?\/\//i.test(address) || !URL.canParse(address, 'https://x/')) return undefined;
  const { host } = new URL(address, 'https://x/');
  return own.some((one) => isAddressVariant(host, one)) ? undefined : host;
}

/** A dry run's changes as one step. */
export function changesOf(run: Pick<DryRun, 'changes'>): Change {
  return all(run.changes.map(({ change }) => change));
}

/** The ledger as CSV (RFC 4180), with whole addresses. A text that a spreadsheet would take for a formula gets an apostrophe in front. */
export function writeCsv(rows: readonly PageRow[], document: SiteDocument, columns: readonly LedgerColumn[], origin: string): string {
  const cell = (row: PageRow, column: LedgerColumn): string => {
    const text = column === 'address' ? origin + row.address : cellText(row, document, column);
    return /^[=+@\t\r]/.test(text) || /^-[^\d\s]/.test(text) ? `'${text}` : text;
  };
  return `${Papa.unparse([columns.map(columnName), ...rows.map((row) => columns.map((column) => cell(row, column)))], { newline: '\r\n' })}\r\n`;
}
