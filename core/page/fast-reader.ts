import { decodeHTML } from 'entities/decode';
import { isJsonLdType, normalizeNewlines, type Capture, type FactCollector } from './collector.ts';
import {
  bitsOf,
  BREAKOUT,
  CLOSES_P,
  EDGE,
  FORMATTING,
  HARD,
  HEAD_CONTENT,
  HEADING,
  IMPLIED_END,
  RAW_TEXT,
  SCOPE_EDGE,
  SCOPED_END,
  SPECIAL,
  TABLE_PART,
  VOID,
} from './elements.ts';
import { PAGE_LIMITS, type HeadingFact } from './facts.ts';
import { isAsciiLetter, isSpace, TagScanner } from './tag-scanner.ts';

/** Thrown to leave a page to the tree reader: its tree cannot be told without building it. */
const BAIL = Symbol('left to the tree reader');
const TOO_DEEP = Symbol('nested too deeply');

type Mode = 'before-head' | 'in-head' | 'after-head' | 'in-body';
const SECTIONS = new Set(['tbody', 'thead', 'tfoot']);

/**
 * Reads a page in one pass, without building a tree, by the rules of the HTML standard's tree construction as far as facts depend on
 * them: what is in the head, what is closed by what. Where the outcome would need the list of active formatting elements to be rebuilt,
 * foster parenting, templates or frames, it gives up and says `hard`; the tree reader then reads the page. What it does tell is what the
 * tree would tell: a differential test holds it to that.
 */
export function readFast(text: string, collector: FactCollector): 'done' | 'hard' | 'too-deep' {
  if (text.includes('\0')) return 'hard';
  try {
    new FastReader(text, collector).run();
    return 'done';
  } catch (thrown) {
    if (thrown === BAIL) return 'hard';
    if (thrown === TOO_DEEP) return 'too-deep';
    throw thrown;
  }
}

class FastReader {
  private mode: Mode = 'before-head';
  private standardsDoctype = false;
  private sawHtml = false;
  private readonly names: string[] = ['html'];
  private readonly bits: number[] = [0];
  private readonly captures: (Capture | undefined)[] = [undefined];
  private foreign = 0;
  private silent = 0;
  private formOpen = false;
  private anchorsOpen = 0;
  private readonly tag: TagScanner;
  private readonly lookForItemscope: boolean;
  private nextAmpersand = -1;

  constructor(
    private readonly text: string,
    private readonly collector: FactCollector,
  ) {
    this.tag = new TagScanner(text);
    this.lookForItemscope = /itemscope/i.test(text);
  }

  run(): void {
    const { text } = this;
    let runStart = 0;
    let at = text.indexOf('<');
    while (at >= 0) {
      const code = text.charCodeAt(at + 1);
      let end: number;
      if (isAsciiLetter(code)) {
        if (at > runStart) this.characters(runStart, at);
        if (!this.tag.scan(at, at + 1)) return;
        end = this.startTag();
      } else if (code === 47 /* / */) {
        const next = text.charCodeAt(at + 2);
        if (isAsciiLetter(next)) {
          if (at > runStart) this.characters(runStart, at);
          if (!this.tag.scan(at, at + 2)) return;
          this.endTag(this.tag.name, at);
          end = this.tag.end;
        } else if (at + 2 >= text.length) break;
        else {
          if (at > runStart) this.characters(runStart, at);
          end = behind(text, '>', at + 2);
        }
      } else if (code === 33 /* ! */ || code === 63 /* ? */) {
        if (at > runStart) this.characters(runStart, at);
        end = this.markup(at);
      } else {
        at = text.indexOf('<', at + 1);
        continue;
      }
      runStart = end;
      at = end >= text.length ? -1 : text.indexOf('<', end);
    }
    if (runStart < text.length) this.characters(runStart, text.length);
    while (this.names.length > 1) this.pop();
  }

  // ——— tokens ———

  /** Comment, doctype, CDATA section or bogus comment at `at`; gives the offset behind it. */
  private markup(at: number): number {
    const { text } = this;
    if (text.startsWith('<!--', at)) return endOfComment(text, at + 4);
    if (this.foreign > 0 && text.startsWith('<![CDATA[', at)) throw BAIL;
    const end = behind(text, '>', at + 2);
    if (/^<!doctype/i.test(text.slice(at, at + 9))) {
      if (this.mode === 'before-head' && !this.sawHtml && this.collector.doctypeEnd === undefined) {
        const doctype = text.slice(at, end);
        // A quoted identifier may hold a `>` only in nonsense; leave that to the tree reader.
        if (/["']/.test(doctype) && !/^<!doctype[^"'>]*(?:"[^">]*"[^"'>]*|'[^'>]*'[^"'>]*)*>$/i.test(doctype)) throw BAIL;
        this.collector.doctypeEnd = end;
        this.standardsDoctype = /^<!doctype\s+html\s*>$/i.test(doctype);
      }
    }
    return end;
  }

  private characters(start: number, end: number): void {
    const { text } = this;
    if (this.mode !== 'in-body') {
      let at = start;
      while (at < end && isSpace(text.charCodeAt(at))) at++;
      if (at === end) return;
      this.leaveHead();
      this.characters(at, end);
      return;
    }
    const top = this.names[this.names.length - 1] as string;
    if (top === 'table' || top === 'tr' || top === 'colgroup' || SECTIONS.has(top)) {
      for (let at = start; at < end; at++) if (!isSpace(text.charCodeAt(at))) throw BAIL;
      return;
    }
    if (this.silent > 0 || this.foreign > 0) return;
    const raw = text.slice(start, end);
    if (this.nextAmpersand < start && this.nextAmpersand !== Infinity) {
      const found = text.indexOf('&', start);
      this.nextAmpersand = found < 0 ? Infinity : found;
    }
    this.collector.text(this.nextAmpersand < end ? decodeHTML(raw) : raw);
  }

  /** Handles the start tag just scanned; gives the offset to go on from (behind raw text too). */
  private startTag(): number {
    const { tag } = this;
    const bits = bitsOf(tag.name);
    if (this.mode !== 'in-body') {
      const handled = this.startTagBeforeBody(tag.name, bits);
      if (handled !== undefined) return handled;
    }
    if (this.foreign > 0) return this.foreignStartTag(tag.name, bits);
    return this.bodyStartTag(tag.name, bits);
  }

  private startTagBeforeBody(name: string, bits: number): number | undefined {
    const { tag, collector } = this;
    if (name === 'html') {
      if (this.sawHtml || this.mode !== 'before-head') throw BAIL;
      this.sawHtml = true;
      collector.html(tag, tag.range());
      this.countItemscope();
      return tag.end;
    }
    if (bits & HARD) throw BAIL;
    if (name === 'head') {
      if (this.mode === 'before-head') {
        this.mode = 'in-head';
        collector.headTagEnd = tag.end;
        this.countItemscope();
      }
      return tag.end;
    }
    if (this.mode === 'before-head') this.mode = 'in-head';
    if (bits & HEAD_CONTENT || (name === 'noscript' && this.mode === 'in-head')) return this.headContent(name, true);
    if (name === 'body') {
      this.leaveHead();
      this.countItemscope();
      return tag.end;
    }
    this.leaveHead();
    return undefined;
  }

  private leaveHead(): void {
    this.mode = 'in-body';
    this.names.push('body');
    this.bits.push(SPECIAL);
    this.captures.push(undefined);
  }

  /** An element that the "in head" rules insert. */
  private headContent(name: string, inHead: boolean): number {
    const { tag, collector } = this;
    this.countItemscope();
    let end = tag.end;
    if (name === 'meta') collector.meta(tag, tag.range(), inHead);
    else if (name === 'link') collector.link(tag, tag.range(), inHead);
    else if (name === 'base') collector.baseTag(tag);
    else if (name === 'title') {
      const range = tag.range();
      const { start, end: contentEnd, after } = this.rawContent('title');
      const text = decodeHTML(normalizeNewlines(this.text.slice(start, contentEnd)));
      collector.title(text, { start: range.start, end: contentEnd }, { start, end: contentEnd }, inHead);
      end = after;
    } else if (name === 'script') {
      const jsonLd = isJsonLdType(tag.get('type'));
      const content = this.rawContent('script');
      if (jsonLd) collector.jsonLdBlock(normalizeNewlines(this.text.slice(content.start, content.end)), { start: content.start, end: content.end });
      end = content.after;
    } else if (name !== 'basefont' && name !== 'bgsound') end = this.rawContent(name).after;
    if (inHead) collector.lastHeadChildEnd = end;
    return end;
  }

  private bodyStartTag(name: string, bits: number): number {
    const { tag, collector } = this;
    if (bits & HARD || name === 'html') {
      if ((name === 'option' || name === 'optgroup') && this.has('select')) return this.optionTag(name);
      throw BAIL;
    }
    if (name === 'body' || name === 'head') {
      if (this.inTableStructure() || this.has('select') || this.lookForItemscope) throw BAIL;
      return tag.end;
    }
    if (this.silent > 0 && this.has('select')) {
      if (name === 'script') return this.headContent(name, false);
      throw BAIL;
    }
    if (bits & TABLE_PART) return this.tablePart(name);
    const structural = this.inTableStructure();
    if (bits & HEAD_CONTENT) {
      if (structural && name !== 'script' && name !== 'style') throw BAIL;
      return this.headContent(name, false);
    }
    if (structural) throw BAIL;
    if (name === 'table') return this.openTable();
    if (bits & CLOSES_P) this.closeParagraph();
    if (bits & HEADING) {
      if ((this.bits[this.bits.length - 1] as number) & HEADING) this.pop();
    } else if (name === 'li') this.closeItem('li', 'li');
    else if (name === 'dd' || name === 'dt') this.closeItem('dd', 'dt');
    else if (name === 'form') {
      if (this.formOpen) return tag.end;
      this.formOpen = true;
    } else if (name === 'button' && this.inScope('button')) throw BAIL;
    else if (name === 'a' && this.anchorsOpen > 0) throw BAIL;
    else if ((name === 'rp' || name === 'rt') && this.inScope('ruby')) this.impliedEnds('rtc');

    if (name !== 'svg') this.countItemscope();
    if (bits & EDGE && this.silent === 0) collector.edge();
    if (bits & RAW_TEXT) return this.rawContent(name).after;
    if (bits & VOID) {
      if (name === 'img') collector.image(tag, tag.range());
      else if (name === 'area') collector.area(tag, tag.range());
      return tag.end;
    }
    if (name === 'svg') {
      if (!tag.selfClosing) {
        this.push(name, bits, undefined);
        this.foreign++;
      }
      return tag.end;
    }
    let capture: Capture | undefined;
    if (name === 'a') {
      capture = collector.anchor(tag, tag.range());
      this.anchorsOpen++;
    } else if (name === 'p') capture = collector.paragraph();
    else if (bits & HEADING) capture = collector.heading(Number(name[1]) as HeadingFact['level'], tag.range());
    if (name === 'select') this.silent++;
    this.push(name, bits, capture);
    return tag.end;
  }

  private endTag(name: string, at: number): void {
    const bits = bitsOf(name);
    if (this.mode !== 'in-body') {
      if (name === 'head' && this.mode !== 'after-head') {
        this.mode = 'after-head';
        this.collector.headEndTag = at;
        return;
      }
      if (name === 'template') throw BAIL;
      if (name !== 'body' && name !== 'html' && name !== 'br') return;
      if (this.mode === 'before-head') this.mode = 'in-head';
      this.leaveHead();
    }
    if (this.foreign > 0) return this.foreignEndTag(name);
    if (name === 'body' || name === 'html') return;
    if (name === 'template') throw BAIL;
    if (this.has('select')) return this.selectEndTag(name);
    if (bits & TABLE_PART || name === 'table') return this.tableEndTag(name);
    if (this.inTableStructure()) throw BAIL;
    if (name === 'p') {
      if (this.inButtonScope('p')) this.closeParagraph();
      else this.collector.edge();
    } else if (name === 'br') this.collector.edge();
    else if (name === 'li') {
      if (this.inListScope('li')) this.closeImplied('li');
    } else if (name === 'dd' || name === 'dt') {
      if (this.inScope(name)) this.closeImplied(name);
    } else if (bits & HEADING) {
      const found = this.headingInScope();
      if (found) {
        this.impliedEnds();
        this.popDownTo((index) => ((this.bits[index] as number) & HEADING) !== 0);
      }
    } else if (name === 'form') {
      if (!this.formOpen) return;
      this.formOpen = false;
      if (!this.inScope('form')) return;
      this.impliedEnds();
      if (this.top() !== 'form') throw BAIL;
      this.pop();
    } else if (bits & FORMATTING) {
      if (this.top() === name) this.pop();
      else if (this.has(name)) throw BAIL;
    } else if (bits & SCOPED_END) {
      if (!this.inScope(name)) return;
      this.impliedEnds();
      this.popDownTo((index) => this.names[index] === name);
    } else this.anyOtherEndTag(name);
  }

  /** "Any other end tag" of the "in body" rules. */
  private anyOtherEndTag(name: string): void {
    for (let index = this.names.length - 1; index > 0; index--) {
      if (this.names[index] === name) {
        this.impliedEnds(name);
        this.popDownTo((at) => at <= index);
        return;
      }
      if ((this.bits[index] as number) & SPECIAL) return;
    }
  }

  // ——— foreign content, select, tables ———

  private foreignStartTag(name: string, bits: number): number {
    const { tag } = this;
    const top = this.top();
    // Inside an integration point the HTML rules apply again: the tree reader knows how.
    if (bits & BREAKOUT || top === 'foreignobject' || top === 'desc' || top === 'title' || name === 'math') throw BAIL;
    if (!tag.selfClosing) {
      this.push(name, 0, undefined);
      this.foreign++;
    }
    return tag.end;
  }

  private foreignEndTag(name: string): void {
    if (this.top() !== name) throw BAIL;
    this.foreign--;
    this.pop();
  }

  private optionTag(name: string): number {
    if (this.top() === 'option') this.pop();
    if (name === 'optgroup' && this.top() === 'optgroup') this.pop();
    if (this.top() !== 'select' && this.top() !== 'optgroup') throw BAIL;
    this.push(name, 0, undefined);
    return this.tag.end;
  }

  private selectEndTag(name: string): void {
    const top = this.top();
    if (name === 'option' && top === 'option') this.pop();
    else if (name === 'optgroup' && (top === 'optgroup' || top === 'option')) {
      if (top === 'option') this.pop();
      if (this.top() !== 'optgroup') throw BAIL;
      this.pop();
    } else if (name === 'select') {
      while (this.top() === 'option' || this.top() === 'optgroup') this.pop();
      if (this.top() !== 'select') throw BAIL;
      this.pop();
      this.collector.edge();
    } else throw BAIL;
  }

  private openTable(): number {
    if (this.inButtonScope('p')) {
      // In quirks mode a table may stand inside a paragraph; only the plain doctype is surely not quirky.
      if (!this.standardsDoctype) throw BAIL;
      this.closeParagraph();
    }
    this.countItemscope();
    this.collector.edge();
    this.push('table', bitsOf('table'), undefined);
    return this.tag.end;
  }

  private inTableStructure(): boolean {
    const top = this.top();
    return top === 'table' || top === 'tr' || top === 'colgroup' || SECTIONS.has(top);
  }

  /** Start tag of a caption, column, section, row or cell. */
  private tablePart(name: string): number {
    if (!this.inTableStructure()) this.closeCell();
    if (this.top() === 'colgroup' && name !== 'col') this.pop();
    this.collector.edge();
    if (name === 'td' || name === 'th') {
      if (this.top() === 'table') this.push('tbody', bitsOf('tbody'), undefined);
      if (SECTIONS.has(this.top())) this.push('tr', bitsOf('tr'), undefined);
      if (this.top() !== 'tr') throw BAIL;
    } else if (name === 'tr') {
      if (this.top() === 'tr') this.pop();
      if (this.top() === 'table') this.push('tbody', bitsOf('tbody'), undefined);
      if (!SECTIONS.has(this.top())) throw BAIL;
    } else {
      if (this.top() === 'tr') this.pop();
      if (SECTIONS.has(this.top())) this.pop();
      if (name === 'col') {
        if (this.top() === 'table') this.push('colgroup', bitsOf('colgroup'), undefined);
        if (this.top() !== 'colgroup') throw BAIL;
        this.countItemscope();
        return this.tag.end;
      }
      if (this.top() !== 'table') throw BAIL;
    }
    this.countItemscope();
    this.push(name, bitsOf(name), undefined);
    return this.tag.end;
  }

  private tableEndTag(name: string): void {
    if (name === 'col') return;
    const cell = name === 'td' || name === 'th' || name === 'caption';
    if (!this.inTableStructure()) {
      const open = this.openCell();
      if (open === undefined) {
        if (this.has('table')) throw BAIL;
        return;
      }
      if (cell) {
        if (open !== name) return;
        this.closeCell();
        return;
      }
      if (name === 'colgroup' || !this.has(name)) return;
      if (open === 'caption' && name !== 'table') return;
      this.closeCell();
    } else if (cell) return;
    this.collector.edge();
    if (this.top() === 'colgroup') {
      this.pop();
      if (name === 'colgroup') return;
    }
    if (name === 'colgroup') return;
    while (this.top() !== name) {
      if (name === 'tr' || this.top() === 'table') throw BAIL;
      this.pop();
    }
    this.pop();
  }

  /** The innermost open cell or caption with no table between it and the current node. */
  private openCell(): string | undefined {
    for (let index = this.names.length - 1; index > 0; index--) {
      const name = this.names[index] as string;
      if (name === 'td' || name === 'th' || name === 'caption') return name;
      if (name === 'table') return undefined;
    }
    return undefined;
  }

  private closeCell(): void {
    const open = this.openCell();
    if (open === undefined) throw BAIL;
    // The cell's marker is cleared with it, so formatting left open inside needs no rebuilding.
    while (this.top() !== open) this.pop();
    this.pop();
    this.collector.edge();
  }

  // ——— the stack of open elements ———

  private top(): string {
    return this.names[this.names.length - 1] as string;
  }

  private has(name: string): boolean {
    return this.names.lastIndexOf(name) > 0;
  }

  private push(name: string, bits: number, capture: Capture | undefined): void {
    if (this.names.length >= PAGE_LIMITS.depth) throw TOO_DEEP;
    this.names.push(name);
    this.bits.push(bits);
    this.captures.push(capture);
  }

  private pop(): void {
    const name = this.names.pop() as string;
    const bits = this.bits.pop() as number;
    const capture = this.captures.pop();
    if (name === 'a' && this.foreign === 0) this.anchorsOpen--;
    if (name === 'select' && this.foreign === 0) this.silent--;
    if (capture !== undefined) this.collector.close(capture);
    if (bits & EDGE && this.silent === 0) this.collector.edge();
  }

  /** Pops down to and with the nearest element the test accepts. Formatting popped on the way would have to be rebuilt: left to the tree. */
  private popDownTo(test: (index: number) => boolean): void {
    for (;;) {
      const index = this.names.length - 1;
      const found = test(index);
      if (!found && (this.bits[index] as number) & FORMATTING) throw BAIL;
      if (index <= 1) throw BAIL;
      this.pop();
      if (found) return;
    }
  }

  private impliedEnds(except?: string): void {
    while (bitsOf(this.top()) & IMPLIED_END && this.top() !== except) this.pop();
  }

  private closeImplied(name: string): void {
    this.impliedEnds(name);
    this.popDownTo((index) => this.names[index] === name);
  }

  private closeParagraph(): void {
    if (this.inButtonScope('p')) this.closeImplied('p');
  }

  /** Start tags of `li`, `dd` and `dt` close their like, unless a special element stands between. */
  private closeItem(one: string, other: string): void {
    for (let index = this.names.length - 1; index > 0; index--) {
      const name = this.names[index] as string;
      if (name === one || name === other) {
        this.closeImplied(name);
        return;
      }
      if ((this.bits[index] as number) & SPECIAL && name !== 'address' && name !== 'div' && name !== 'p') return;
    }
  }

  private inScope(name: string, extra: (name: string) => boolean = () => false): boolean {
    for (let index = this.names.length - 1; index > 0; index--) {
      if (this.names[index] === name) return true;
      if ((this.bits[index] as number) & SCOPE_EDGE || extra(this.names[index] as string)) return false;
    }
    return false;
  }

  private inButtonScope(name: string): boolean {
    return this.inScope(name, (other) => other === 'button');
  }

  private inListScope(name: string): boolean {
    return this.inScope(name, (other) => other === 'ol' || other === 'ul');
  }

  private headingInScope(): boolean {
    for (let index = this.names.length - 1; index > 0; index--) {
      const bits = this.bits[index] as number;
      if (bits & HEADING) return true;
      if (bits & SCOPE_EDGE) return false;
    }
    return false;
  }

  private countItemscope(): void {
    if (this.lookForItemscope && this.tag.get('itemscope') !== undefined) this.collector.itemscope();
  }

  /** Content of a raw text element whose start tag was just scanned, and the offset behind its end tag. */
  private rawContent(name: string): { start: number; end: number; after: number } {
    const { text } = this;
    const start = this.tag.end;
    const end = endOfRawText(text, name, start);
    if (name === 'script' && end > start) {
      const escape = text.indexOf('<!--', start);
      // Inside `<!-- <script` an end tag does not end the script (13.2.5.27): rare enough for the tree reader.
      if (escape >= 0 && escape < end && /<script[\t\n\f\r />]/i.test(text.slice(escape, end))) throw BAIL;
    }
    if (end < 0) return { start, end: text.length, after: text.length };
    return { start, end, after: this.tag.scan(end, end + 2) ? this.tag.end : text.length };
  }
}

/** Offset of the `</name` that ends raw text, or -1. */
function endOfRawText(text: string, name: string, from: number): number {
  for (let at = text.indexOf('</', from); at >= 0; at = text.indexOf('</', at + 2)) {
    const nameEnd = at + 2 + name.length;
    if (text.slice(at + 2, nameEnd).toLowerCase() !== name) continue;
    const code = text.charCodeAt(nameEnd);
    if (isSpace(code) || code === 47 || code === 62) return at;
  }
  return -1;
}

/** Offset behind a comment whose content starts at `from` (13.2.5.43 to 13.2.5.51). */
function endOfComment(text: string, from: number): number {
  if (text[from] === '>') return from + 1;
  if (text.startsWith('->', from)) return from + 2;
  for (let at = text.indexOf('--', from); at >= 0; at = text.indexOf('--', at + 1)) {
    if (text[at + 2] === '>') return at + 3;
    if (text[at + 2] === '!' && text[at + 3] === '>') return at + 4;
  }
  return text.length;
}

function behind(text: string, needle: string, from: number): number {
  const at = text.indexOf(needle, from);
  return at < 0 ? text.length : at + needle.length;
}

