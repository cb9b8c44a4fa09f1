import { decodeHTMLAttribute } from 'entities/decode';
import type { Range } from '../source/index.ts';
import { normalizeNewlines, type Attributes } from './collector.ts';

const TAB = 9;
const LF = 10;
const FF = 12;
const CR = 13;
const SPACE = 32;
const QUOTE = 34;
const APOSTROPHE = 39;
const SLASH = 47;
const EQUALS = 61;
const GREATER = 62;

/** ASCII white space as the HTML tokenizer knows it. */
export function isSpace(code: number): boolean {
  return code === SPACE || code === LF || code === TAB || code === CR || code === FF;
}

export function isAsciiLetter(code: number): boolean {
  return (code >= 97 && code <= 122) || (code >= 65 && code <= 90);
}

/**
 * Splits one tag into its name and attributes by the tokenizer's rules (HTML standard 13.2.5.8 to 13.2.5.40). Keeps offsets only;
 * names and values are cut out when somebody asks. One scanner serves a whole page: what it tells holds until the next `scan`.
 */
export class TagScanner implements Attributes {
  name = '';
  start = 0;
  /** Offset behind the `>`. */
  end = 0;
  selfClosing = false;
  private count = 0;
  /** Four numbers an attribute: name start, name end, value start, value end (equal and -1 where there is no value). */
  private readonly slots: number[] = [];

  constructor(private readonly text: string) {}

  /** Reads the tag whose name starts at `nameAt`. False where the text ends inside it: then there is no tag at all. */
  scan(start: number, nameAt: number): boolean {
    const { text, slots } = this;
    const length = text.length;
    let at = nameAt;
    let code = text.charCodeAt(at);
    let upper = false;
    while (at < length && code !== GREATER && code !== SLASH && !isSpace(code)) {
      if (code >= 65 && code <= 90) upper = true;
      code = text.charCodeAt(++at);
    }
    if (at >= length) return false;
    const name = text.slice(nameAt, at);
    this.name = upper ? lower(name) : name;
    this.start = start;
    this.count = 0;
    this.selfClosing = false;
    let used = 0;
    for (;;) {
      while (at < length && (isSpace(code) || code === SLASH)) {
        if (code === SLASH && text.charCodeAt(at + 1) === GREATER) this.selfClosing = true;
        code = text.charCodeAt(++at);
      }
      if (at >= length) return false;
      if (code === GREATER) break;
      const attributeStart = at;
      code = text.charCodeAt(++at); // a leading `=` belongs to the name
      while (at < length && code !== EQUALS && code !== GREATER && code !== SLASH && !isSpace(code)) code = text.charCodeAt(++at);
      const attributeNameEnd = at;
      while (at < length && isSpace(code)) code = text.charCodeAt(++at);
      let valueStart = -1;
      let valueEnd = -1;
      if (code === EQUALS && at < length) {
        code = text.charCodeAt(++at);
        while (at < length && isSpace(code)) code = text.charCodeAt(++at);
        if (at >= length) return false;
        if (code === QUOTE || code === APOSTROPHE) {
          valueStart = at + 1;
          valueEnd = text.indexOf(code === QUOTE ? '"' : "'", valueStart);
          if (valueEnd < 0) return false;
          at = valueEnd + 1;
          code = text.charCodeAt(at);
        } else if (code !== GREATER) {
          valueStart = at;
          while (at < length && code !== GREATER && !isSpace(code)) code = text.charCodeAt(++at);
          valueEnd = at;
        }
      }
      slots[used++] = attributeStart;
      slots[used++] = attributeNameEnd;
      slots[used++] = valueStart;
      slots[used++] = valueEnd;
      this.count++;
    }
    this.end = at + 1;
    return true;
  }

  /** Where the whole tag stands. */
  range(): Range {
    return { start: this.start, end: this.end };
  }

  get(name: string): string | undefined {
    const slot = this.find(name);
    if (slot < 0) return undefined;
    const value = this.text.slice(this.slots[slot + 2], this.slots[slot + 3]);
    if (this.slots[slot + 2] === -1) return '';
    return value.includes('&') ? decodeHTMLAttribute(normalizeNewlines(value)) : normalizeNewlines(value);
  }

  valueRange(name: string): Range | undefined {
    const slot = this.find(name);
    if (slot < 0 || this.slots[slot + 2] === -1) return undefined;
    return { start: this.slots[slot + 2] as number, end: this.slots[slot + 3] as number };
  }

  private find(name: string): number {
    const { slots, text } = this;
    for (let slot = 0; slot < this.count * 4; slot += 4) {
      const start = slots[slot] as number;
      if ((slots[slot + 1] as number) - start !== name.length) continue;
      let same = true;
      for (let i = 0; same && i < name.length; i++) {
        const code = text.charCodeAt(start + i);
        same = (code >= 65 && code <= 90 ? code + 32 : code) === name.charCodeAt(i);
      }
      if (same) return slot;
    }
    return -1;
  }
}

/** Lower case for ASCII letters only: the tokenizer leaves others alone. */
function lower(name: string): string {
  return name.replace(/[A-Z]/g, (letter) => letter.toLowerCase());
}
