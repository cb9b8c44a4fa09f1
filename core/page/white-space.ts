/** Strips and collapses ASCII white space, as the standard does for `document.title`. */
export function collapse(text: string): string {
  // Most texts need nothing done to them, and a look costs less than a copy.
  const single = /[\t\n\f\r]|  /.test(text) ? text.replace(/[\t\n\f\r ]+/g, ' ') : text;
  const [start, end] = [single.charCodeAt(0) === 32 ? 1 : 0, single.length > 1 && single.charCodeAt(single.length - 1) === 32 ? 1 : 0];
  return start + end === 0 ? single : single.slice(start, single.length - end);
}

/** What people see of some text: spaces of all sorts are one, and marks that show nothing are nothing. */
export function seen(text: string): string {
  return text.replace(/[\s\u00ad\u200b-\u200f\u2060\ufeff]+/g, ' ').trim();
}
