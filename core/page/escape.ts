/** Text for inside `title` (RCDATA): only `&` and `<` mean anything there. */
export function escapeText(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
}

/** Text for a double-quoted attribute value. */
export function escapeAttribute(text: string): string {
  return text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
}

/** Writes what is not ASCII as character references, for pages that are not UTF-8. */
export function asciiReferences(html: string): string {
  return html.replace(/[^\x00-\x7f]/gu, (character) => `&#x${(character.codePointAt(0) as number).toString(16).toUpperCase()};`);
}

/** JSON for inside a `script`: `<` cannot end the element, and in ASCII pages nothing else is left to the encoding. */
export function scriptJson(value: unknown, ascii: boolean, indent = ''): string {
  let json = JSON.stringify(value, null, 2).replace(/</g, '\\u003c');
  if (indent !== '') json = json.replace(/\n/g, `\n${indent}`);
  return ascii ? json.replace(/[^\x00-\x7f]/g, (unit) => `\\u${unit.charCodeAt(0).toString(16).padStart(4, '0')}`) : json;
}

/** A block of structured data as it stands in a page: its element, with the JSON on lines of its own. */
export function jsonLdScript(value: unknown, ascii = false): string {
  return `<script type="application/ld+json">\n${scriptJson(value, ascii)}\n</script>`;
}
