import { z } from 'zod';
import { TABLES, type RecordOf, type SiteDocument, type Table } from './document.ts';

type Value = string | number | boolean | null;

/** One field of one record set to a value; null takes it away. */
export interface SetField {
  readonly kind: 'set';
  readonly table: Table;
  readonly key: string;
  readonly field: string;
  readonly value: Value;
}

/** A serialisable, invertible change of the site document. */
export type Change = SetField | { readonly kind: 'all'; readonly changes: readonly Change[] };

const setSchema = z.strictObject({
  kind: z.literal('set'),
  table: z.enum(Object.keys(TABLES) as [Table, ...Table[]]),
  key: z.string().max(4096),
  field: z.string().max(64),
  value: z.union([z.string(), z.number(), z.boolean(), z.null()]),
});

/** A change as it is stored and sent. */
export const changeSchema: z.ZodType<Change> = z.union([
  setSchema,
  z.strictObject({ kind: z.literal('all'), changes: z.lazy(() => z.array(changeSchema)) }),
]) as z.ZodType<Change>;

/** Sets one field of a record. Throws where the table has no such field or the value does not fit it. */
export function set<T extends Table, F extends keyof RecordOf<T> & string>(table: T, key: string, field: F, value: Exclude<RecordOf<T>[F], undefined>): Change {
  const change: SetField = { kind: 'set', table, key, field, value: value as Value };
  check(change);
  return change;
}

/** Several changes that are one step for undo. */
export function all(changes: readonly Change[]): Change {
  return changes.length === 1 ? (changes[0] as Change) : { kind: 'all', changes };
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
    const record = { ...records[one.key] };
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
    const place = `${one.table} ${one.field} ${one.key}`;
    const before = values.get(place);
    values.set(place, one.value);
    return { ...one, value: before === undefined ? valueAt(document, one) : before };
  });
  return { kind: 'all', changes: inverses.reverse() };
}

/** Whether a change would leave the document as it is. */
export function isIdle(document: SiteDocument, change: Change): boolean {
  return change.kind === 'set' ? valueAt(document, change) === change.value : change.changes.every((one) => isIdle(document, one));
}

/** All single field settings in a change, in order. */
export function fieldsOf(change: Change): readonly SetField[] {
  return change.kind === 'set' ? [change] : change.changes.flatMap(fieldsOf);
}

/** Fields of a page that are written into it; its kind and target phrase are the owner's notes and stay. */
const WRITTEN = ['title', 'description', 'intent', 'ending', 'keywords', 'shareTitle', 'shareText', 'sharePicture', 'canonical', 'refresh'] as const;

/** The changes that take back all that waits to be written into a page; none where nothing does. */
export function takenBack(document: SiteDocument, page: string): Change[] {
  const record = document.tables.pages[page];
  const changes: Change[] = WRITTEN.flatMap((field) => (record?.[field] === undefined || record[field] === null ? [] : [set('pages', page, field, null)]));
  for (const table of ['passages', 'alts'] as const)
    for (const [key, fields] of Object.entries(document.tables[table]))
      if (key.startsWith(`${page}\n`)) for (const field of Object.keys(fields)) changes.push({ kind: 'set', table, key, field, value: null });
  for (const [key, fields] of Object.entries(document.tables.says))
    if (key.startsWith(`page:${page}\n`)) for (const field of Object.keys(fields)) changes.push({ kind: 'set', table: 'says', key, field, value: null });
  return changes;
}

function valueAt(document: SiteDocument, { table, key, field }: SetField): Value {
  const record = (document.tables[table] as Readonly<Record<string, Readonly<Record<string, Value>>>>)[key];
  return record?.[field] ?? null;
}

function check({ table, field, value }: SetField): void {
  const schema = (TABLES[table].shape as Record<string, z.ZodType>)[field];
  if (!schema || !Object.hasOwn(TABLES[table].shape, field)) throw new RangeError(`no field ${table}.${field}`);
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new RangeError(`${table}.${field}: ${z.prettifyError(parsed.error)}`);
}
