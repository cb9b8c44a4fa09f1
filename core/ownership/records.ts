import { recordsDomain } from '../site/index.ts';
import { isMailRecord, soundPiece, type PieceOptions, type ReadPiece } from './piece.ts';

/** What a record is likely to say, likeliest first: a name and a code with an equals sign between, something in quotes, the same with a colon. */
const RECORD_VALUES = [
  /(?<![\w.])([\w.-]{3,80}\s?=\s?[A-Za-z0-9_+/=-]{6,1000})/,
  /["']([^"']{8,1000})["']/,
  /(?<![\w.])([\w.-]{3,80}:[A-Za-z0-9_+/=-]{6,1000})/,
];
const HOST_NAME = /^(?=.{1,253}\.?$)(?:[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?\.)*[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?\.?$/i;

/** Words by which panels and mails label the parts of a record, in some languages. */
const LABELS: Readonly<Record<'name' | 'value' | 'type', RegExp>> = {
  name: /^(?:record\s+)?(?:host(?:\s*name)?|name|subdomain|alias|hostname|label|domain name|nom|nombre)\s*(?:\([^)]*\))?\s*[:=\t]\s*(.*)$/i,
  value:
    /^(?:record\s+)?(?:value|content|data|points? to|target|answer|txt(?: value)?|text|canonical name|wert|inhalt|ziel|valeur|valor|destination)\s*(?:\([^)]*\))?\s*[:=\t]\s*(.*)$/i,
  type: /^(?:record\s+)?(?:type|typ|tipo)\s*[:=\t]\s*(txt|cname)\b/i,
};
/** A line of a zone file (RFC 1035, 5.1): name, time to live, class, type, data. */
const ZONE_LINE = /^(\S+)?\s*(?:\d+[smhdw]?\s+)?(?:IN\s+)?(?:\d+[smhdw]?\s+)?\b(TXT|CNAME)\b\s+(.+)$/i;
/** What else stands in a row of a panel: class, time to live, and how it is called there. */
const OTHER_CELL =
  /^(?:in|auto(?:matic)?|default|\d+|(?:\d+|an?|½)\s*(?:s|sec|seconds?|m|min|minutes?|h|hours?|d|days?|std|stunden?|minuten)\.?|dns only|edit|active|on|off|-|–)$/i;

/** A line that has several labelled parts, cut before each of them. */
const LABEL_WITHIN = /\s+(?=(?:(?:record\s+)?(?:host(?:\s*name)?|name|type|typ|tipo|value|content|ttl|nom|nombre|wert|valeur|valor))\s*:\s)/gi;
/** Data without quotes: one string that a code could be, with its name before it or not. Anything else is a sentence about a record. */
const BARE_DATA = /^(?:[\w.-]+\s?[:=]\s?)?(?=\S*[\d=]|\S{16})\S*[^\s:]$/;
/** A record as a sentence draws it: its name, an arrow, what it points to. */
const ARROW = /^(\S+)\s*(?:->|=>|→|⇒|points to)\s*(\S+)$/i;
/** A record's data alone on its line. */
const DATA_LINE = /^"?([\w.-]{3,80}=[\w+/=-]{6,1000})"?$/;

/** Records of one paste that are read; nobody places more. */
const MOST = 100;

/** All records that stand in a text in so many words: as lines of a zone, as rows of a panel, or part by part under their labels. */
export function recordsIn(text: string, { host }: PieceOptions): readonly ReadPiece[] {
  // Data in parentheses may go over several lines.
  const joined = text.replace(
    /\b(TXT)\s*\(([^()]*)\)/gi,
    (_, type: string, data: string) => `${type} ${data.replace(/;[^"\n]*$/gm, '').replace(/\s*\n\s*/g, ' ')}`,
  );
  const lines = joined
    .split('\n')
    .flatMap((line) => ((line.match(LABEL_WITHIN)?.length ?? 0) > 1 ? line.split(LABEL_WITHIN) : [line]))
    .map((line) => line.trim());
  const alone = lines.filter(Boolean).length <= 1;
  const said = { TXT: /(?<![.\w])TXT\b/i.test(text), CNAME: /(?<![.\w])CNAME\b/i.test(text) };
  const found: ReadPiece[] = [];
  for (const line of lines) {
    const record = found.length < MOST ? (lineOf(line) ?? spokenOf(line, said)) : undefined;
    if (record) found.push(soundPiece(recordOf(record.name, record.type, record.content, host, !alone)));
  }
  if (found.length > 0) return found;
  const labelled = labelsIn(lines);
  const type = labelled.type || typeIn(text);
  const value = type === '' || labelled.value === '' ? undefined : dataOf(labelled.value, type);
  return value === undefined ? [] : [soundPiece(recordOf(labelled.name || '@', type, value, host, true))];
}

/** A record that a sentence speaks of; undefined where none does. */
export function recordInWords(text: string, { host }: PieceOptions): ReadPiece | undefined {
  const { type: said, name } = labelsIn(text.split('\n').map((line) => line.trim()));
  const type = said || typeIn(text);
  if (type === '') return undefined;
  if (/^cname$/i.test(type)) return { ok: false, reason: 'no-content', found: 'CNAME' };
  const sentence = RECORD_VALUES.map((value) => value.exec(text)?.[1]).find((found) => found !== undefined);
  return sentence === undefined ? undefined : soundPiece(recordOf(name || '@', 'TXT', sentence.replace(/\s?=\s?/, '='), host, true));
}

const typeIn = (text: string): string => (/(?<![.\w])CNAME\b/i.test(text) ? 'CNAME' : /(?<![.\w])(?:TXT|DNS)\b/i.test(text) ? 'TXT' : '');

interface Line {
  readonly name: string;
  readonly type: string;
  readonly content: string;
}

function lineOf(line: string): Line | undefined {
  const cells = line
    .split(/\t+|\s*\|\s*|\s{2,}/)
    .map((cell) => cell.trim())
    .filter(Boolean);
  const zone = ZONE_LINE.exec(line);
  if (zone && (zone[1] === undefined || isRecordName(zone[1])) && (cells.length < 3 || line.includes('"'))) {
    const [, , type = '', rest = ''] = zone;
    // Some write the name behind the type.
    const named = zone[1] === undefined ? /^(@|[\w-]+(?:\.[\w-]+)*\.?)\s+(\S.*)$/.exec(rest) : null;
    const isNamed = named !== null && (named[1] === '@' || /[._]/.test(named[1] as string) || named[2]?.startsWith('"') === true);
    const [name, data] = isNamed ? [named[1] as string, named[2] as string] : [zone[1] ?? '@', rest];
    const content = dataOf(data, type);
    return content === undefined ? undefined : { name, type, content };
  }
  const at = cells.findIndex((cell) => /^(?:TXT|CNAME)(?:\s+record)?$/i.test(cell));
  if (cells.length < 3 || at < 0) return undefined;
  const type = (cells[at] as string).replace(/\s+record$/i, '');
  const rest = cells.filter((cell, index) => index !== at && !OTHER_CELL.test(cell));
  const [name, ...data] = rest.length === 1 ? ['@', ...rest] : rest;
  if (name === undefined || !isRecordName(name)) return undefined;
  const content = dataOf(data[0] ?? '', type);
  return content === undefined ? undefined : { name, type, content };
}

/** A line of a text that speaks of records of its sort: data, or a name and what it points to. */
function spokenOf(line: string, said: Readonly<Record<'TXT' | 'CNAME', boolean>>): Line | undefined {
  const data = said.TXT ? DATA_LINE.exec(line)?.[1] : undefined;
  if (data !== undefined) return { name: '@', type: 'TXT', content: data };
  const [, name = '', target = ''] = (said.CNAME ? ARROW.exec(line) : null) ?? [];
  const content = isRecordName(name) ? dataOf(target, 'CNAME') : undefined;
  return content === undefined ? undefined : { name, type: 'CNAME', content };
}

function labelsIn(lines: readonly string[]): Record<'name' | 'value' | 'type', string> {
  const labelled = { name: '', value: '', type: '' };
  for (const [at, line] of lines.entries())
    for (const label of ['type', 'name', 'value'] as const) {
      const found = LABELS[label].exec(line);
      // Some put what is meant on the next line.
      if (found && labelled[label] === '') labelled[label] = (found[1] ?? '').trim() || (lines[at + 1] ?? '');
    }
  return labelled;
}

const isRecordName = (name: string): boolean => name === '@' || HOST_NAME.test(name);

/** What a record says: several quoted strings are one (RFC 7208, 3.3); a name for a CNAME. Undefined where it is neither. */
function dataOf(data: string, type: string): string | undefined {
  if (/^cname$/i.test(type)) {
    const name = data.split(/\s/)[0] ?? '';
    return HOST_NAME.test(name) && name.includes('.') ? name.replace(/\.$/, '').toLowerCase() : undefined;
  }
  const quoted = [...data.matchAll(/"((?:[^"\\]|\\.)*)"/g)].map(([, inner = '']) => unescaped(inner));
  const bare = data.replace(/\s;.*$/, '').trim();
  if (quoted.length === 0 && !BARE_DATA.test(bare) && !isMailRecord(bare)) return undefined;
  const content = (quoted.length > 0 ? quoted.join('') : unescaped(bare)).trim();
  return content === '' ? undefined : content;
}

/** Escapes of zone files undone (RFC 1035, 5.1): three digits are an octet, anything else is itself. */
const unescaped = (text: string): string =>
  text.replace(/\\(\d{3}|.)/g, (_, what: string) => (what.length === 3 && Number(what) < 256 ? String.fromCharCode(Number(what)) : what));

function recordOf(written: string, type: string, content: string, host: string, around: boolean): ReadPiece {
  const name = recordName(written, host);
  if (name === undefined) return { ok: false, reason: 'other-domain', found: written };
  return { ok: true, piece: { kind: /^cname$/i.test(type) ? 'cname' : 'txt', name, content }, around };
}

/**
 * A record's name relative to the registrable domain of a host, from any of its usual forms: `@`, nothing, the domain itself or a name below it with or without a dot behind, the
 * domain put behind it twice; undefined for a name of another domain.
 */
export function recordName(written: string, host: string): string | undefined {
  const domain = recordsDomain(host.toLowerCase());
  const name = written
    .trim()
    .replace(/^["']|["']$/g, '')
    .toLowerCase();
  let bare = name.replace(/\.$/, '');
  const whole = bare === domain || bare.endsWith(`.${domain}`);
  while (bare.endsWith(`.${domain}`)) bare = bare.slice(0, -domain.length - 1);
  if (bare === '' || bare === '@' || bare === domain) return '@';
  if (whole) return HOST_NAME.test(bare) ? bare : undefined;
  // A name with a dot behind is whole; one of several parts that ends in what looks like a domain is another's.
  if (name.endsWith('.') || /\.[a-z]{2,}$/.test(bare)) return undefined;
  return HOST_NAME.test(bare) ? bare : undefined;
}
