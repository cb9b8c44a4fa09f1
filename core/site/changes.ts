import { keysOf } from '../keyed/index.ts';
import { messageOf, type PageId } from '../source/index.ts';
import { z } from 'zod';
import { FORMER_TABLES, type SiteDocument } from './document.ts';
import { TABLES, type RecordOf, type Table } from './tables.ts';

type Value = string | number | boolean | null;

/** One field of one record set to a value; null takes it away. */
export interface SetField {
  readonly kind: 'set';
  readonly table: Table;
  readonly key: string;
  readonly field: string;
  readonly value: Value;
}

/** A serialisable, invertible change of the site document. Those made today are flat; journals of earlier days nest them. */
export type Change = SetField | { readonly kind: 'all'; readonly changes: readonly Change[] };

/** Longest key of a record, in UTF-16 units. Page files and addresses are keys; what is longer is refused where it is made, so that all that is kept can be read. */
export const LONGEST_KEY = 4096;
/** Most single settings in one stored change: far beyond all fields of all pages of the largest site. */
const MOST_FIELDS = 2_000_000;

/** Whether a record can have this key. Assigning to the one name would change what the table inherits from instead of setting a record. */
function isKey(key: string): boolean {
  return key.length <= LONGEST_KEY && key !== '__proto__';
}

const setSchema = z.strictObject({
  kind: z.literal('set'),
  // Journals of earlier days call some tables otherwise.
  table: z.preprocess(
    (name) => (typeof name === 'string' && Object.hasOwn(FORMER_TABLES, name) ? FORMER_TABLES[name] : name),
    z.enum(Object.keys(TABLES) as [Table, ...Table[]]),
  ),
  key: z.string().refine(isKey, 'a name that cannot be used, or is too long'),
  field: z.string().max(64),
  value: z.union([z.string(), z.number(), z.boolean(), z.null()]),
});

/** A change as it is stored and sent. Read without recursion, whatever its depth, and flat afterwards. */
export const changeSchema: z.ZodType<Change> = z.unknown().transform((value, context): Change => {
  const sets: SetField[] = [];
  const waiting: unknown[] = [value];
  while (waiting.length > 0) {
    const one = waiting.pop();
    const { kind, changes } = (one ?? {}) as { kind?: unknown; changes?: unknown };
    if (kind === 'all' && Array.isArray(changes)) {
      if (sets.length + waiting.length + changes.length > MOST_FIELDS) {
        context.addIssue({ code: 'custom', message: 'too many settings' });
        return z.NEVER;
      }
      for (let at = changes.length - 1; at >= 0; at--) waiting.push(changes[at]);
      continue;
    }
    const parsed = setSchema.safeParse(one);
    if (!parsed.success) {
      context.addIssue({ code: 'custom', message: z.prettifyError(parsed.error) });
      return z.NEVER;
    }
    sets.push(parsed.data as SetField);
  }
  const [only] = sets;
  return sets.length === 1 && only ? only : { kind: 'all', changes: sets };
}) as unknown as z.ZodType<Change>;

/** Sets one field of a record. Throws where the table has no such field or the value does not fit it. */
export function set<T extends Table, F extends keyof RecordOf<T> & string>(table: T, key: string, field: F, value: Exclude<RecordOf<T>[F], undefined>): Change {
  const change: SetField = { kind: 'set', table, key, field, value: value as Value };
  check(change);
  return change;
}

/** Several changes that are one step for undo: flat, and of several settings of one field only the last. */
export function all(changes: readonly Change[]): Change {
  const [only] = changes;
  if (changes.length === 1 && only?.kind === 'set') return only;
  const last = new Map<string, SetField>();
  for (const change of changes) for (const one of fieldsOf(change)) last.set(placeOfField(one), one);
  const [single] = last.values();
  return last.size === 1 && single ? single : { kind: 'all', changes: [...last.values()] };
}

/** The record of a key. What every object inherits, such as `constructor`, is no record. */
function recordAt(records: Records, key: string): Readonly<Record<string, Value>> | undefined {
  return Object.hasOwn(records, key) ? records[key] : undefined;
}

/** Where a setting goes, as a key: no two fields have the same. */
function placeOfField({ table, field, key }: SetField): string {
  return `${table} ${field} ${key}`;
}

type Records = Record<string, Readonly<Record<string, Value>>>;

/** The document with a change made. Unchanged parts are shared with the old one. Throws RangeError on a field that does not exist. */
export function applyChange(document: SiteDocument, change: Change): SiteDocument {
  const tables = new Map<Table, Records>();
  // A table is copied once, however many of its records change: the bulk changes of a large site set thousands.
  for (const one of fieldsOf(change)) {
    check(one);
    const records = tables.get(one.table) ?? { ...(document.tables[one.table] as Records) };
    tables.set(one.table, records);
    const record = { ...recordAt(records, one.key) };
    if (one.value === null) delete record[one.field];
    else record[one.field] = one.value;
    if (Object.keys(record).length === 0) delete records[one.key];
    else records[one.key] = record;
  }
  return { ...document, tables: { ...document.tables, ...Object.fromEntries(tables) } };
}

/** The change that takes `change` back, told from the document before it was made. */
export function invert(document: SiteDocument, change: Change): Change {
  if (change.kind === 'set') return { ...change, value: valueAt(document, change) };
  const values = new Map<string, Value>();
  const inverses = fieldsOf(change).map((one): SetField => {
    const place = placeOfField(one);
    const before = values.get(place);
    values.set(place, one.value);
    return { ...one, value: before === undefined ? valueAt(document, one) : before };
  });
  return { kind: 'all', changes: inverses.reverse() };
}

/** Whether a change would leave the document as it is. */
export function isIdle(document: SiteDocument, change: Change): boolean {
  return fieldsOf(change).every((one) => valueAt(document, one) === one.value);
}

/** All single field settings in a change, in order. */
export function fieldsOf(change: Change): readonly SetField[] {
  if (change.kind === 'set') return [change];
  if (change.changes.every((one) => one.kind === 'set')) return change.changes as readonly SetField[];
  const sets: SetField[] = [];
  const waiting: Change[] = [change];
  for (let one = waiting.pop(); one; one = waiting.pop()) {
    if (one.kind === 'set') sets.push(one);
    else for (let at = one.changes.length - 1; at >= 0; at--) waiting.push(one.changes[at] as Change);
  }
  return sets;
}

/** Why a change cannot be made, in the terms of the table; undefined where it can. What commits without a reason here can be saved and read again. */
export function whyNot(change: Change): string | undefined {
  for (const one of fieldsOf(change)) {
    try {
      check(one);
    } catch (error) {
      return messageOf(error);
    }
  }
  return undefined;
}

/** The change that leads from one document to another. */
export function differenceOf(before: SiteDocument, after: SiteDocument): Change {
  const changes: SetField[] = [];
  for (const table of keysOf(TABLES)) {
    const [old, now] = [before.tables[table] as Records, after.tables[table] as Records];
    if (old === now) continue;
    for (const key of new Set([...Object.keys(old), ...Object.keys(now)])) {
      const [was, is] = [recordAt(old, key), recordAt(now, key)];
      if (was === is) continue;
      for (const field of new Set([...Object.keys(was ?? {}), ...Object.keys(is ?? {})])) {
        const value = is?.[field] ?? null;
        if ((was?.[field] ?? null) !== value) changes.push({ kind: 'set', table, key, field, value });
      }
    }
  }
  return { kind: 'all', changes };
}

/** Fields of a page that are written into it; its kind and target phrase are the owner's notes and stay. */
const WRITTEN = [
  'title',
  'description',
  'intent',
  'ending',
  'keywords',
  'shareTitle',
  'shareText',
  'sharePicture',
  'canonical',
  'refresh',
  'lang',
  'oneTitle',
  'oneHeading',
] as const;

/** The changes that take back all that waits to be written into a page; none where nothing does. */
export function takenBack(document: SiteDocument, page: PageId): Change[] {
  const record = document.tables.pages[page];
  const changes: Change[] = WRITTEN.flatMap((field) => (record?.[field] === undefined || record[field] === null ? [] : [set('pages', page, field, null)]));
  for (const table of ['passages', 'alts'] as const)
    for (const [key, fields] of Object.entries(document.tables[table]))
      if (key.startsWith(`${page}\n`)) for (const field of Object.keys(fields)) changes.push({ kind: 'set', table, key, field, value: null });
  for (const [key, fields] of Object.entries(document.tables.directives))
    if (key.startsWith(`page:${page}\n`)) for (const field of Object.keys(fields)) changes.push({ kind: 'set', table: 'directives', key, field, value: null });
  return changes;
}

function valueAt(document: SiteDocument, { table, key, field }: SetField): Value {
  return recordAt(document.tables[table] as Records, key)?.[field] ?? null;
}

/** Settings that were found to fit: nobody changes one once it is made, and bulk changes pass thousands of them on. */
const fitting = new WeakSet<SetField>();
let latest: SetField | undefined;

function check(change: SetField): void {
  if (fitting.has(change)) return;
  const { table, field, value } = change;
  // Of many settings in a row mostly the key alone differs.
  if (latest?.table === table && latest.field === field && latest.value === value && typeof change.key === 'string' && isKey(change.key)) {
    fitting.add(change);
    return;
  }
  const schema = (TABLES[table].shape as Record<string, z.ZodType>)[field];
  if (!schema || !Object.hasOwn(TABLES[table].shape, field)) throw new RangeError(`no field ${table}.${field}`);
  const known = setSchema.safeParse(change);
  if (!known.success) throw new RangeError(`${table}.${field}: ${z.prettifyError(known.error)}`);
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new RangeError(`${table}.${field}: ${z.prettifyError(parsed.error)}`);
  fitting.add(change);
  latest = change;
}
