const LIMIT = 1024;

/**
 * The charset label that a `meta` in the first 1,024 bytes declares (HTML standard 13.2.3.2, "prescan a byte
 * stream to determine its encoding"), or undefined. Comments and other tags are skipped as the standard says.
 */
export function prescanCharset(bytes: Uint8Array): string | undefined {
  const head = bytes.subarray(0, LIMIT);
  let text = '';
  for (const byte of head) text += String.fromCharCode(byte);
  const scan = new AttributeScanner(text);
  while (scan.at < text.length) {
    if (text.startsWith('<!--', scan.at)) {
      const end = text.indexOf('-->', scan.at + 2);
      if (end < 0) return undefined;
      scan.at = end + 3;
    } else if (/^<meta[\t\n\f\r /]/i.test(text.slice(scan.at, scan.at + 6))) {
      scan.at += 5;
      const label = charsetOfMeta(scan);
      if (label !== undefined) return label;
    } else if (/^<\/?[a-z]/i.test(text.slice(scan.at, scan.at + 3))) {
      while (scan.at < text.length && !/[\t\n\f\r >]/.test(text[scan.at] as string)) scan.at++;
      while (scan.next() !== undefined);
    } else if (/^<[!/?]/.test(text.slice(scan.at, scan.at + 2))) {
      const end = text.indexOf('>', scan.at);
      if (end < 0) return undefined;
      scan.at = end + 1;
    } else {
      scan.at++;
    }
  }
  return undefined;
}

function charsetOfMeta(scan: AttributeScanner): string | undefined {
  const seen = new Set<string>();
  let gotPragma = false;
  let needPragma: boolean | undefined;
  let charset: string | undefined;
  for (let attribute = scan.next(); attribute !== undefined; attribute = scan.next()) {
    const [name, value] = attribute;
    if (seen.has(name)) continue;
    seen.add(name);
    if (name === 'http-equiv') gotPragma ||= value.toLowerCase() === 'content-type';
    else if (name === 'content' && charset === undefined) {
      charset = charsetFromContent(value);
      if (charset !== undefined) needPragma = true;
    } else if (name === 'charset') {
      charset = value;
      needPragma = false;
    }
  }
  if (needPragma === undefined || (needPragma && !gotPragma)) return undefined;
  return charset;
}

/** The charset named in the content of a `meta http-equiv=content-type` (HTML standard, "extracting a character encoding from a meta element"). */
export function charsetFromContent(content: string): string | undefined {
  const found = /charset[\t\n\f\r ]*=[\t\n\f\r ]*(?:"([^"]*)"|'([^']*)'|([^"'\t\n\f\r ;][^\t\n\f\r ;]*))/i.exec(content);
  return found ? (found[1] ?? found[2] ?? found[3]) : undefined;
}

/** The prescan's own "get an attribute" algorithm: simpler than the tokenizer's, and meant to be. */
class AttributeScanner {
  at = 0;
  constructor(private readonly text: string) {}

  /** The next attribute as [name, value], or undefined at the end of the tag or of the bytes. */
  next(): readonly [string, string] | undefined {
    const { text } = this;
    while (this.at < text.length && /[\t\n\f\r /]/.test(text[this.at] as string)) this.at++;
    if (this.at >= text.length) return undefined;
    if (text[this.at] === '>') {
      this.at++;
      return undefined;
    }
    const nameStart = this.at;
    while (this.at < text.length && !(text[this.at] === '=' && this.at > nameStart) && !/[\t\n\f\r />]/.test(text[this.at] as string)) this.at++;
    const name = text.slice(nameStart, this.at).toLowerCase();
    while (this.at < text.length && /[\t\n\f\r ]/.test(text[this.at] as string)) this.at++;
    if (text[this.at] !== '=') return [name, ''];
    this.at++;
    while (this.at < text.length && /[\t\n\f\r ]/.test(text[this.at] as string)) this.at++;
    const quote = text[this.at];
    if (quote === '"' || quote === "'") {
      const end = text.indexOf(quote, this.at + 1);
      const value = end < 0 ? undefined : text.slice(this.at + 1, end);
      this.at = end < 0 ? text.length : end + 1;
      return value === undefined ? undefined : [name, value];
    }
    const valueStart = this.at;
    while (this.at < text.length && !/[\t\n\f\r >]/.test(text[this.at] as string)) this.at++;
    return [name, text.slice(valueStart, this.at)];
  }
}
