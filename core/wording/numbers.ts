const NUMBERS = new Intl.NumberFormat('en');
const PLURALS = new Intl.PluralRules('en');

/** `12,345`. */
export function numberText(number: number): string {
  return NUMBERS.format(number);
}

/** The form of a word that goes with a number: every plural on the screen is told here. */
export function plural<T>(count: number, one: T, many: T): T {
  return PLURALS.select(count) === 'one' ? one : many;
}

/** `1 page`, `3 pages`. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${numberText(count)} ${plural(count, one, many)}`;
}

/** `1 byte`, `820 kB`, `4.2 MB`, `1.3 GB`: the one form of sizes, in powers of a thousand. */
export function bytesText(bytes: number): string {
  if (bytes < 1_000) return counted(bytes, 'byte');
  const [size, unit] = bytes < 999_500 ? [bytes / 1e3, 'kB'] : bytes < 999_500_000 ? [bytes / 1e6, 'MB'] : [bytes / 1e9, 'GB'];
  return `${numberText(unit === 'kB' ? Math.round(size) : Math.round(size * 10) / 10)} ${unit}`;
}
