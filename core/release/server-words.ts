/**
 * Words of a web server's configuration that mean themselves, whatever is in them: one odd file name must not make a whole file of rules unreadable, for the
 * server then answers nothing but errors.
 */

const PLAIN = /[A-Za-z0-9/_-]/;
const ENCODER = new TextEncoder();

/** Text as a regular expression of the server's that fits it octet by octet, in letters that neither quotes nor delimiters nor variables can touch. */
export function octetsPattern(text: string): string {
  return Array.from(text, (character) =>
    PLAIN.test(character)
      ? character
      : character === '.'
        ? '\\.'
        : [...ENCODER.encode(character)].map((octet) => `\\x${octet.toString(16).padStart(2, '0')}`).join(''),
  ).join('');
}

/** A path, decoded, that can stand in quotes as the target of a rule: the server escapes it itself, and takes none of its letters for something else. */
export const isPlainTarget = (decoded: string): boolean => !/[\x00-\x1f\x7f?#$\\"%]/.test(decoded);

/** A header's value in quotes; a percent sign would begin a variable. */
export const headerValue = (value: string): string => `"${value.replace(/[\\"]/g, '\\$&').replaceAll('%', '%%')}"`;
