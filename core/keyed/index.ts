/** The keys of a record whose keys are all known. TypeScript gives `string[]`, since a value may have more than its type says: for tables that are written down here it has not. */
export const keysOf = <R extends object>(record: R): (keyof R & string)[] => Object.keys(record) as (keyof R & string)[];

/** A record with a value for each of these keys. */
export const keyed = <K extends string, V>(keys: readonly K[], make: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, make(key)])) as Record<K, V>;

/** Whether a text is one of these. */
export const isOneOf = <K extends string>(list: readonly K[], text: string): text is K => (list as readonly string[]).includes(text);

/** The fields of a record that are to stay, in their order. What must be there has to stay. */
export const onlyFields = <R extends object>(record: R, stays: (value: unknown, key: string) => boolean): R =>
  Object.fromEntries(Object.entries(record).filter(([key, value]) => stays(value, key))) as R;
