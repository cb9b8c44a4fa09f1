/** Strips and collapses ASCII white space, as the standard does for `document.title`. */
export function collapse(text: string): string {
  return text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '');
}
