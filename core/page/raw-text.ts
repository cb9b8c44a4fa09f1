import { isSpace } from './tag-scanner.ts';

/** Offset of the `</name` that ends raw text, or -1. */
export function endOfRawText(text: string, name: string, from: number): number {
  for (let at = text.indexOf('</', from); at >= 0; at = text.indexOf('</', at + 2)) {
    const nameEnd = at + 2 + name.length;
    if (text.slice(at + 2, nameEnd).toLowerCase() !== name) continue;
    const code = text.charCodeAt(nameEnd);
    if (isSpace(code) || code === 47 || code === 62) return at;
  }
  return -1;
}

/** Offset behind a comment whose content starts at `from` (13.2.5.43 to 13.2.5.51). */
export function endOfComment(text: string, from: number): number {
  if (text[from] === '>') return from + 1;
  if (text.startsWith('->', from)) return from + 2;
  for (let at = text.indexOf('--', from); at >= 0; at = text.indexOf('--', at + 1)) {
    if (text[at + 2] === '>') return at + 3;
    if (text[at + 2] === '!' && text[at + 3] === '>') return at + 4;
  }
  return text.length;
}

/** Offset behind the next `needle`, or the end of the text. */
export function behind(text: string, needle: string, from: number): number {
  const at = text.indexOf(needle, from);
  return at < 0 ? text.length : at + needle.length;
}
