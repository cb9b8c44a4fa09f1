/** Strips and collapses ASCII white space, as the standard does for `document.title`. */
export function collapse(text: string): string {
  return text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '');
}

/** What people see of some text: spaces of all sorts are one, and marks that show nothing are nothing. */
export function seen(text: string): string {
  return text.replace(/[\s\u00ad\u200b-\u200f\u2060\ufeff]+/g, ' ').trim();
}
