const LIMIT = 1024;

/** What a byte stream says of its encoding by itself. */
export interface DeclaredCharset {
  readonly label: string;
  /** `late`: behind the first 1,024 bytes, where a parser that has begun changes its mind (HTML standard, 13.2.3.5). */
  readonly from: 'meta' | 'xml' | 'late';
}

/**
 * The charset that a page declares (HTML standard, 13.2.3.2, "prescan a byte stream to determine its encoding"): a `meta` in the first 1,024 bytes, else the
 * XML declaration, else a `meta` behind them. Labels that `isLabel` does not know are passed over, as the standard has it. Undefined where there is none.
 */
export function declaredCharset(bytes: Uint8Array, isLabel: (label: string) => boolean): DeclaredCharset | undefined {
  const utf16 = utf16Declaration(bytes);
  if (utf16 !== undefined) return { label: utf16, from: 'xml' };
  const head = latin1(bytes.subarray(0, LIMIT));
  const meta = scanForMeta(head, isLabel, false);
  if (meta !== undefined) return { label: meta, from: 'meta' };
  const xml = xmlEncoding(head, isLabel);
  if (xml !== undefined) return { label: xml, from: 'xml' };
  if (bytes.length <= LIMIT || !includesCharset(bytes)) return undefined;
  const late = scanForMeta(latin1(bytes), isLabel, true);
  return late === undefined ? undefined : { label: late, from: 'late' };
}

const ONE_EACH = new TextDecoder('windows-1252', { ignoreBOM: true });

function latin1(bytes: Uint8Array): string {
  // One letter for each byte; what is not ASCII is part of no name that is looked for.
  return ONE_EACH.decode(bytes);
}

/** Whether "charset" stands anywhere, in any case: without it there is nothing to look for. */
function includesCharset(bytes: Uint8Array): boolean {
  const word = 'charset';
  for (let at = bytes.indexOf(0x72); at >= 0; at = bytes.indexOf(0x72, at + 1)) if (isWordAt(bytes, at - 3, word)) return true;
  for (let at = bytes.indexOf(0x52); at >= 0; at = bytes.indexOf(0x52, at + 1)) if (isWordAt(bytes, at - 3, word)) return true;
  return false;
}

function isWordAt(bytes: Uint8Array, at: number, word: string): boolean {
  for (let index = 0; index < word.length; index++) if (((bytes[at + index] ?? 0) | 0x20) !== word.charCodeAt(index)) return false;
  return true;
}

/** `<?x` in units of two bytes: the declaration of a page in UTF-16 without a mark. */
function utf16Declaration(bytes: Uint8Array): string | undefined {
  const [a, b, c, d, e, f] = bytes;
  if (a === 0x3c && b === 0 && c === 0x3f && d === 0 && e === 0x78 && f === 0) return 'utf-16le';
  return a === 0 && b === 0x3c && c === 0 && d === 0x3f && e === 0 && f === 0x78 ? 'utf-16be' : undefined;
}

/** HTML standard, 13.2.3.2, "get an XML encoding". */
function xmlEncoding(head: string, isLabel: (label: string) => boolean): string | undefined {
  const end = head.startsWith('<?xml') ? head.indexOf('>') : -1;
  const found = end < 0 ? null : /encoding[\0-\x20]*=[\0-\x20]*(?:"([^"]*)"|'([^']*)')/.exec(head.slice(0, end));
  const label = found?.[1] ?? found?.[2];
  return label !== undefined && !/[\0-\x20]/.test(label) && isLabel(label) ? label : undefined;
}

/** Elements whose content a parser takes for text, so that no `meta` is in there. */
const TEXTS = /^<(title|textarea|style|script|xmp|iframe|noembed|noframes|noscript|plaintext)(?=[\t\n\f\r />])/i;

/** The first label that a `meta` declares. `parsed` looks as a parser does, which knows elements that hold mere text. Comments are skipped as the standard says. */
function scanForMeta(text: string, isLabel: (label: string) => boolean, parsed: boolean): string | undefined {
  const scan = new AttributeScanner(text);
  while (scan.at < text.length) {
    const next = text.indexOf('<', scan.at);
    if (next < 0) return undefined;
    scan.at = next;
    const raw = parsed ? TEXTS.exec(text.slice(next, next + 12)) : null;
    if (text.startsWith('<!--', scan.at)) {
      const end = text.indexOf('-->', scan.at + 2);
      if (end < 0) return undefined;
      scan.at = end + 3;
    } else if (/^<meta[\t\n\f\r /]/i.test(text.slice(scan.at, scan.at + 6))) {
      scan.at += 5;
      const label = charsetOfMeta(scan);
      if (label !== undefined && isLabel(label)) return label;
    } else if (/^<\/?[a-z]/i.test(text.slice(scan.at, scan.at + 3))) {
      while (scan.at < text.length && !/[\t\n\f\r >]/.test(text.charAt(scan.at))) scan.at++;
      while (scan.next() !== undefined);
      if (raw) scan.at = endOf(text, raw[1] as string, scan.at);
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

/** Where the text in an element ends; the whole page where it does not. */
function endOf(text: string, name: string, from: number): number {
  const end = new RegExp(`</${name}(?=[\\t\\n\\f\\r />])`, 'gi');
  end.lastIndex = from;
  return end.exec(text)?.index ?? text.length;
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
    while (this.at < text.length && /[\t\n\f\r /]/.test(text.charAt(this.at))) this.at++;
    if (this.at >= text.length) return undefined;
    if (text[this.at] === '>') {
      this.at++;
      return undefined;
    }
    const nameStart = this.at;
    while (this.at < text.length && !(text[this.at] === '=' && this.at > nameStart) && !/[\t\n\f\r />]/.test(text.charAt(this.at))) this.at++;
    const name = text.slice(nameStart, this.at).toLowerCase();
    while (this.at < text.length && /[\t\n\f\r ]/.test(text.charAt(this.at))) this.at++;
    if (text[this.at] !== '=') return [name, ''];
    this.at++;
    while (this.at < text.length && /[\t\n\f\r ]/.test(text.charAt(this.at))) this.at++;
    const quote = text[this.at];
    if (quote === '"' || quote === "'") {
      const end = text.indexOf(quote, this.at + 1);
      const value = end < 0 ? undefined : text.slice(this.at + 1, end);
      this.at = end < 0 ? text.length : end + 1;
      return value === undefined ? undefined : [name, value];
    }
    const valueStart = this.at;
    while (this.at < text.length && !/[\t\n\f\r >]/.test(text.charAt(this.at))) this.at++;
    return [name, text.slice(valueStart, this.at)];
  }
}
