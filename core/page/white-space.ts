/** Strips and collapses ASCII white space, as the standard does for `document.title`. */
export function collapse(text: string): string {
  // Most texts need nothing done to them, and a look costs less than a copy.
  const single = /[\t\n\f\r]|  /.test(text) ? text.replace(/[\t\n\f\r ]+/g, ' ') : text;
  const [start, end] = [single.charCodeAt(0) === 32 ? 1 : 0, single.length > 1 && single.charCodeAt(single.length - 1) === 32 ? 1 : 0];
  return start + end === 0 ? single : single.slice(start, single.length - end);
}

/** Marks that show nothing, by their code units: a word does not begin with one. */
export const UNSEEN: ReadonlySet<number> = new Set([0xad, 0x200b, 0x200c, 0x200d, 0x200e, 0x200f, 0x2060, 0xfeff]);
const BETWEEN_WORDS = new RegExp(`[\\s${String.fromCharCode(...UNSEEN)}]+`, 'g');

/** What people see of some text: spaces of all sorts are one, and marks that show nothing are nothing. */
export function seen(text: string): string {
  return text.replace(BETWEEN_WORDS, ' ').trim();
}
