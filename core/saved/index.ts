/** A saved value whose shape is not known yet. */
export type Saved = Readonly<Record<string, unknown>>;

/** A saved format: the version that is written now, and by version, what leads a value of it on to the next. Every version has a fixture that must open. */
export interface SavedFormat {
  readonly name: string;
  readonly version: number;
  readonly migrations: Readonly<Record<number, (saved: Saved) => Saved>>;
}

/** Leads a saved value, version by version, to the one of today. What has no version, or one that nobody knows, is left for its schema to refuse. */
export function broughtUpToDate(
  { version: now, migrations }: SavedFormat,
  value: unknown,
): { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly reason: 'newer-version'; readonly detail: string } {
  let saved = value;
  while (isSaved(saved)) {
    const { version } = saved;
    if (typeof version === 'number' && version > now) return { ok: false, reason: 'newer-version', detail: `format version ${version}` };
    const migrate = typeof version === 'number' && Object.hasOwn(migrations, version) ? migrations[version] : undefined;
    if (!migrate) break;
    saved = { ...migrate(saved), version: (version as number) + 1 };
  }
  return { ok: true, value: saved };
}

/** Whether a value is a record of fields. */
export function isSaved(value: unknown): value is Saved {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A record with some of its keys called otherwise; what is no record stays as it is. */
export function renamed(value: unknown, names: Readonly<Record<string, string>>): unknown {
  if (!isSaved(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [Object.hasOwn(names, key) ? (names[key] as string) : key, one]));
}
