import type { Capture, FactCollector } from './collector.ts';
import { bitsOf, EDGE, FORMATTING, HEADING, IMPLIED_END, SCOPE_EDGE, SPECIAL } from './elements.ts';
import { PAGE_LIMITS } from './facts.ts';

/** Thrown to leave a page to the tree reader: its tree cannot be told without building it. */
export const BAIL = Symbol('left to the tree reader');
export const TOO_DEEP = Symbol('nested too deeply');

export const SECTIONS = new Set(['tbody', 'thead', 'tfoot']);

/**
 * The stack of open elements (HTML standard 13.2.4.2) as the fast reader keeps it: names, how each is treated, and the text being gathered for it.
 * What would need the list of active formatting elements to be rebuilt is not popped but given up on.
 */
export class OpenElements {
  readonly names: string[] = ['html'];
  readonly bits: number[] = [0];
  private readonly captures: (Capture | undefined)[] = [undefined];
  /** How many open elements are not HTML. */
  foreign = 0;
  /** How many open elements keep their text from visitors. */
  silent = 0;
  anchorsOpen = 0;

  constructor(private readonly collector: FactCollector) {}

  popAll(): void {
    while (this.names.length > 1) this.pop();
  }

  top(): string {
    return this.names[this.names.length - 1] as string;
  }

  has(name: string): boolean {
    return this.names.lastIndexOf(name) > 0;
  }

  push(name: string, bits: number, capture: Capture | undefined): void {
    if (this.names.length >= PAGE_LIMITS.depth) throw TOO_DEEP;
    this.names.push(name);
    this.bits.push(bits);
    this.captures.push(capture);
  }

  pop(): void {
    const name = this.names.pop() as string;
    const bits = this.bits.pop() as number;
    const capture = this.captures.pop();
    if (name === 'a' && this.foreign === 0) this.anchorsOpen--;
    if (name === 'select' && this.foreign === 0) this.silent--;
    if (capture !== undefined) this.collector.close(capture);
    if (bits & EDGE && this.silent === 0) this.collector.edge();
  }

  /** Pops down to and with the nearest element the test accepts. Formatting popped on the way would have to be rebuilt: left to the tree. */
  popDownTo(test: (index: number) => boolean): void {
    for (;;) {
      const index = this.names.length - 1;
      const found = test(index);
      if (!found && (this.bits[index] as number) & FORMATTING) throw BAIL;
      if (index <= 1) throw BAIL;
      this.pop();
      if (found) return;
    }
  }

  impliedEnds(except?: string): void {
    while (bitsOf(this.top()) & IMPLIED_END && this.top() !== except) this.pop();
  }

  closeImplied(name: string): void {
    this.impliedEnds(name);
    this.popDownTo((index) => this.names[index] === name);
  }

  closeParagraph(): void {
    if (this.inButtonScope('p')) this.closeImplied('p');
  }

  /** Start tags of `li`, `dd` and `dt` close their like, unless a special element stands between. */
  closeItem(one: string, other: string): void {
    for (let index = this.names.length - 1; index > 0; index--) {
      const name = this.names[index] as string;
      if (name === one || name === other) {
        this.closeImplied(name);
        return;
      }
      if ((this.bits[index] as number) & SPECIAL && name !== 'address' && name !== 'div' && name !== 'p') return;
    }
  }

  inScope(name: string, extra: (name: string) => boolean = () => false): boolean {
    for (let index = this.names.length - 1; index > 0; index--) {
      if (this.names[index] === name) return true;
      if ((this.bits[index] as number) & SCOPE_EDGE || extra(this.names[index] ?? '')) return false;
    }
    return false;
  }

  inButtonScope(name: string): boolean {
    return this.inScope(name, (other) => other === 'button');
  }

  inListScope(name: string): boolean {
    return this.inScope(name, (other) => other === 'ol' || other === 'ul');
  }

  headingInScope(): boolean {
    for (let index = this.names.length - 1; index > 0; index--) {
      const bits = this.bits[index] as number;
      if (bits & HEADING) return true;
      if (bits & SCOPE_EDGE) return false;
    }
    return false;
  }

  inTableStructure(): boolean {
    const top = this.top();
    return top === 'table' || top === 'tr' || top === 'colgroup' || SECTIONS.has(top);
  }

  /** The innermost open cell or caption with no table between it and the current node. */
  openCell(): string | undefined {
    for (let index = this.names.length - 1; index > 0; index--) {
      const name = this.names[index] as string;
      if (name === 'td' || name === 'th' || name === 'caption') return name;
      if (name === 'table') return undefined;
    }
    return undefined;
  }

  closeCell(): void {
    const open = this.openCell();
    if (open === undefined) throw BAIL;
    // The cell's marker is cleared with it, so formatting left open inside needs no rebuilding.
    while (this.top() !== open) this.pop();
    this.pop();
    this.collector.edge();
  }
}
