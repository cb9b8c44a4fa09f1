import { decodeHTML } from 'entities/decode';
import { isJsonLdType, normalizeNewlines, SHOWN, type Capture, type FactCollector } from './collector.ts';
import { bitsOf, BREAKOUT, CLOSES_P, EDGE, FORMATTING, HARD, HEAD_CONTENT, HEADING, RAW_TEXT, SCOPED_END, SPECIAL, TABLE_PART, VOID } from './elements.ts';
import { TAGS_BETWEEN_LOOKS, type HeadingFact } from './facts.ts';
import { BAIL, OpenElements, SECTIONS, TOO_DEEP } from './open-elements.ts';
import { behind, endOfComment, endOfRawText } from './raw-text.ts';
import { isAsciiLetter, isSpace, TagScanner } from './tag-scanner.ts';

type Mode = 'before-head' | 'in-head' | 'after-head' | 'in-body';

/**
 * Reads a page in one pass, without building a tree, by the rules of the HTML standard's tree construction as far as facts depend on
 * them: what is in the head, what is closed by what. Where the outcome would need the list of active formatting elements to be rebuilt,
 * foster parenting, templates or frames, it gives up and says `hard`; the tree reader then reads the page. What it does tell is what the
 * tree would tell: a differential test holds it to that.
 */
export function readFast(text: string, collector: FactCollector, outOfTime?: () => boolean): 'done' | 'hard' | 'too-deep' | 'too-slow' {
  if (text.includes('\0')) return 'hard';
  try {
    return new FastReader(text, collector).run(outOfTime) ? 'done' : 'too-slow';
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
  private readonly open: OpenElements;
  private formOpen = false;
  private readonly tag: TagScanner;
  private readonly lookForItemscope: boolean;
  private nextAmpersand = -1;

  constructor(
    private readonly text: string,
    private readonly collector: FactCollector,
  ) {
    this.tag = new TagScanner(text);
    this.open = new OpenElements(collector);
    this.lookForItemscope = /itemscope/i.test(text);
  }

  /** Reads all; false where time ran out. */
  run(outOfTime?: () => boolean): boolean {
    const { text } = this;
    let tags = 0;
    let runStart = 0;
    let at = text.indexOf('<');
    while (at >= 0) {
      if (++tags % TAGS_BETWEEN_LOOKS === 0 && outOfTime?.() === true) return false;
      const code = text.charCodeAt(at + 1);
      let end: number;
      if (isAsciiLetter(code)) {
        if (at > runStart) this.characters(runStart, at);
        if (!this.tag.scan(at, at + 1)) return true;
        end = this.startTag();
      } else if (code === 47 /* / */) {
        const next = text.charCodeAt(at + 2);
        if (isAsciiLetter(next)) {
          if (at > runStart) this.characters(runStart, at);
          if (!this.tag.scan(at, at + 2)) return true;
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
    this.open.popAll();
    return true;
  }

  // ——— tokens ———

  /** Comment, doctype, CDATA section or bogus comment at `at`; gives the offset behind it. */
  private markup(at: number): number {
    const { text } = this;
    if (text.startsWith('<!--', at)) return endOfComment(text, at + 4);
    if (this.open.foreign > 0 && text.startsWith('<![CDATA[', at)) throw BAIL;
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
    const top = this.open.names[this.open.names.length - 1] as string;
    if (top === 'table' || top === 'tr' || top === 'colgroup' || SECTIONS.has(top)) {
      for (let at = start; at < end; at++) if (!isSpace(text.charCodeAt(at))) throw BAIL;
      return;
    }
    if (this.open.silent > 0 || this.open.foreign > 0) return;
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
    if (this.open.foreign > 0) return this.foreignStartTag(tag.name, bits);
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
    this.open.push('body', SPECIAL, undefined);
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
      collector.script(tag);
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
      if ((name === 'option' || name === 'optgroup') && this.open.has('select')) return this.optionTag(name);
      throw BAIL;
    }
    if (name === 'body' || name === 'head') {
      if (this.open.inTableStructure() || this.open.has('select') || this.lookForItemscope) throw BAIL;
      return tag.end;
    }
    if (this.open.silent > 0 && this.open.has('select')) {
      if (name === 'script') return this.headContent(name, false);
      throw BAIL;
    }
    if (bits & TABLE_PART) return this.tablePart(name);
    const structural = this.open.inTableStructure();
    if (bits & HEAD_CONTENT) {
      if (structural && name !== 'script' && name !== 'style') throw BAIL;
      return this.headContent(name, false);
    }
    if (structural) throw BAIL;
    if (name === 'table') return this.openTable();
    if (bits & CLOSES_P) this.open.closeParagraph();
    if (bits & HEADING) {
      if ((this.open.bits[this.open.bits.length - 1] as number) & HEADING) this.open.pop();
    } else if (name === 'li') this.open.closeItem('li', 'li');
    else if (name === 'dd' || name === 'dt') this.open.closeItem('dd', 'dt');
    else if (name === 'form') {
      if (this.formOpen) return tag.end;
      this.formOpen = true;
    } else if (name === 'button' && this.open.inScope('button')) throw BAIL;
    else if (name === 'a' && this.open.anchorsOpen > 0) throw BAIL;
    else if ((name === 'rp' || name === 'rt') && this.open.inScope('ruby')) this.open.impliedEnds('rtc');

    if (name !== 'svg') this.countItemscope();
    if (bits & EDGE && this.open.silent === 0) collector.edge();
    if (SHOWN.has(name)) collector.shown(name, tag);
    if (bits & RAW_TEXT) return this.rawContent(name).after;
    if (bits & VOID) {
      if (name === 'img') collector.image(tag, tag.range());
      else if (name === 'area') collector.area(tag, tag.range());
      return tag.end;
    }
    if (name === 'svg') {
      if (!tag.selfClosing) {
        this.open.push(name, bits, undefined);
        this.open.foreign++;
      }
      return tag.end;
    }
    let capture: Capture | undefined;
    if (name === 'a') {
      capture = collector.anchor(tag, tag.range());
      this.open.anchorsOpen++;
    } else if (name === 'time') capture = collector.time(tag);
    else if (name === 'p') capture = collector.paragraph(tag.range().start);
    else if (bits & HEADING) capture = collector.heading(Number(name[1]) as HeadingFact['level'], tag.range());
    if (name === 'select') this.open.silent++;
    this.open.push(name, bits, capture);
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
    if (this.open.foreign > 0) return this.foreignEndTag(name);
    if (name === 'body' || name === 'html') return;
    if (name === 'template') throw BAIL;
    if (this.open.has('select')) return this.selectEndTag(name);
    if (bits & TABLE_PART || name === 'table') return this.tableEndTag(name);
    if (this.open.inTableStructure()) throw BAIL;
    if (name === 'p') {
      if (this.open.inButtonScope('p')) this.open.closeParagraph();
      else this.collector.edge();
    } else if (name === 'br') this.collector.edge();
    else if (name === 'li') {
      if (this.open.inListScope('li')) this.open.closeImplied('li');
    } else if (name === 'dd' || name === 'dt') {
      if (this.open.inScope(name)) this.open.closeImplied(name);
    } else if (bits & HEADING) {
      const found = this.open.headingInScope();
      if (found) {
        this.open.impliedEnds();
        this.open.popDownTo((index) => ((this.open.bits[index] as number) & HEADING) !== 0);
      }
    } else if (name === 'form') {
      if (!this.formOpen) return;
      this.formOpen = false;
      if (!this.open.inScope('form')) return;
      this.open.impliedEnds();
      if (this.open.top() !== 'form') throw BAIL;
      this.open.pop();
    } else if (bits & FORMATTING) {
      if (this.open.top() === name) this.open.pop();
      else if (this.open.has(name)) throw BAIL;
    } else if (bits & SCOPED_END) {
      if (!this.open.inScope(name)) return;
      this.open.impliedEnds();
      this.open.popDownTo((index) => this.open.names[index] === name);
    } else this.anyOtherEndTag(name);
  }

  /** "Any other end tag" of the "in body" rules. */
  private anyOtherEndTag(name: string): void {
    for (let index = this.open.names.length - 1; index > 0; index--) {
      if (this.open.names[index] === name) {
        this.open.impliedEnds(name);
        this.open.popDownTo((at) => at <= index);
        return;
      }
      if ((this.open.bits[index] as number) & SPECIAL) return;
    }
  }

  // ——— foreign content, select, tables ———

  private foreignStartTag(name: string, bits: number): number {
    const { tag } = this;
    const top = this.open.top();
    // Inside an integration point the HTML rules apply again: the tree reader knows how.
    if (bits & BREAKOUT || top === 'foreignobject' || top === 'desc' || top === 'title' || name === 'math') throw BAIL;
    if (!tag.selfClosing) {
      this.open.push(name, 0, undefined);
      this.open.foreign++;
    }
    return tag.end;
  }

  private foreignEndTag(name: string): void {
    if (this.open.top() !== name) throw BAIL;
    this.open.foreign--;
    this.open.pop();
  }

  private optionTag(name: string): number {
    if (this.open.top() === 'option') this.open.pop();
    if (name === 'optgroup' && this.open.top() === 'optgroup') this.open.pop();
    if (this.open.top() !== 'select' && this.open.top() !== 'optgroup') throw BAIL;
    this.countItemscope();
    this.open.push(name, 0, undefined);
    return this.tag.end;
  }

  private selectEndTag(name: string): void {
    const top = this.open.top();
    if (name === 'option' && top === 'option') this.open.pop();
    else if (name === 'optgroup' && (top === 'optgroup' || top === 'option')) {
      if (top === 'option') this.open.pop();
      if (this.open.top() !== 'optgroup') throw BAIL;
      this.open.pop();
    } else if (name === 'select') {
      while (this.open.top() === 'option' || this.open.top() === 'optgroup') this.open.pop();
      if (this.open.top() !== 'select') throw BAIL;
      this.open.pop();
      this.collector.edge();
    } else throw BAIL;
  }

  private openTable(): number {
    if (this.open.inButtonScope('p')) {
      // In quirks mode a table may stand inside a paragraph; only the plain doctype is surely not quirky.
      if (!this.standardsDoctype) throw BAIL;
      this.open.closeParagraph();
    }
    this.countItemscope();
    this.collector.edge();
    this.open.push('table', bitsOf('table'), undefined);
    return this.tag.end;
  }

  /** Start tag of a caption, column, section, row or cell. */
  private tablePart(name: string): number {
    if (!this.open.inTableStructure()) this.open.closeCell();
    if (this.open.top() === 'colgroup' && name !== 'col') this.open.pop();
    this.collector.edge();
    if (name === 'td' || name === 'th') {
      if (this.open.top() === 'table') this.open.push('tbody', bitsOf('tbody'), undefined);
      if (SECTIONS.has(this.open.top())) this.open.push('tr', bitsOf('tr'), undefined);
      if (this.open.top() !== 'tr') throw BAIL;
    } else if (name === 'tr') {
      if (this.open.top() === 'tr') this.open.pop();
      if (this.open.top() === 'table') this.open.push('tbody', bitsOf('tbody'), undefined);
      if (!SECTIONS.has(this.open.top())) throw BAIL;
    } else {
      if (this.open.top() === 'tr') this.open.pop();
      if (SECTIONS.has(this.open.top())) this.open.pop();
      if (name === 'col') {
        if (this.open.top() === 'table') this.open.push('colgroup', bitsOf('colgroup'), undefined);
        if (this.open.top() !== 'colgroup') throw BAIL;
        this.countItemscope();
        return this.tag.end;
      }
      if (this.open.top() !== 'table') throw BAIL;
    }
    this.countItemscope();
    this.open.push(name, bitsOf(name), undefined);
    return this.tag.end;
  }

  private tableEndTag(name: string): void {
    if (name === 'col') return;
    const cell = name === 'td' || name === 'th' || name === 'caption';
    if (!this.open.inTableStructure()) {
      const open = this.open.openCell();
      if (open === undefined) {
        if (this.open.has('table')) throw BAIL;
        return;
      }
      if (cell) {
        if (open !== name) return;
        this.open.closeCell();
        return;
      }
      if (name === 'colgroup' || !this.open.has(name)) return;
      if (open === 'caption' && name !== 'table') return;
      this.open.closeCell();
    } else if (cell) return;
    this.collector.edge();
    if (this.open.top() === 'colgroup') {
      this.open.pop();
      if (name === 'colgroup') return;
    }
    if (name === 'colgroup') return;
    while (this.open.top() !== name) {
      if (name === 'tr' || this.open.top() === 'table') throw BAIL;
      this.open.pop();
    }
    this.open.pop();
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
      // Looked for in the script alone: thousands of scripts must not each look through the whole page.
      const content = text.slice(start, end);
      const escape = content.indexOf('<!--');
      // Inside `<!-- <script` an end tag does not end the script (13.2.5.27): rare enough for the tree reader.
      if (escape >= 0 && /<script[\t\n\f\r />]/i.test(content.slice(escape))) throw BAIL;
    }
    if (end < 0) return { start, end: text.length, after: text.length };
    return { start, end, after: this.tag.scan(end, end + 2) ? this.tag.end : text.length };
  }
}
