/** Elements that may be open at once: a map is four deep. */
const DEEPEST = 64;

/**
 * The first tag of an XML text that is not closed, closes something else, or is not to be read at all; undefined where all are in order. Goes over the
 * text once; comments must have been blanked out.
 */
export function firstMisnesting(text: string): { readonly tag: string; readonly place: number } | undefined {
  const open: { name: string; place: number }[] = [];
  const ends = new TagEnds(text);
  for (let at = text.indexOf('<'); at >= 0;) {
    if (text.startsWith('<![CDATA[', at)) {
      const end = text.indexOf(']]>', at);
      if (end < 0) return { tag: '<![CDATA[', place: at };
      at = text.indexOf('<', end);
      continue;
    }
    const end = ends.of(at);
    if (end < 0) return { tag: text.slice(at, at + 24), place: at };
    const second = text[at + 1];
    if (second === '/') {
      const name = text.slice(at + 2, end).trim();
      const top = open.pop();
      if (top?.name !== name) return { tag: `</${name.slice(0, 40)}>`, place: at };
    } else if (second !== '?' && second !== '!') {
      const name = /^[^\s/>]+/.exec(text.slice(at + 1, Math.min(end, at + 200)))?.[0];
      if (name === undefined) return { tag: text.slice(at, Math.min(end + 1, at + 24)), place: at };
      if (text[end - 1] !== '/') open.push({ name, place: at });
      if (open.length > DEEPEST) return { tag: `<${name.slice(0, 40)}>`, place: at };
    }
    at = text.indexOf('<', end);
  }
  const left = open.pop();
  return left && { tag: `<${left.name.slice(0, 40)}>`, place: left.place };
}

/** Finds the `>` that ends a tag; one inside quotes does not. Asked from front to back, it looks for each quote only once. */
class TagEnds {
  private nextDouble = -1;
  private nextSingle = -1;

  constructor(private readonly text: string) {}

  /** -1 where there is none before the next tag begins. */
  of(from: number): number {
    const { text } = this;
    const end = text.indexOf('>', from + 1);
    if (end < 0) return -1;
    // A tag without quotes, which nearly all are.
    if (this.quoteAfter(from) > end) {
      const open = text.indexOf('<', from + 1);
      return open >= 0 && open < end ? -1 : end;
    }
    let quote = 0;
    for (let at = from + 1; at < text.length; at++) {
      const code = text.charCodeAt(at);
      if (quote !== 0) {
        if (code === quote) quote = 0;
      } else if (code === 62) return at;
      else if (code === 34 || code === 39) quote = code;
      else if (code === 60) return -1;
    }
    return -1;
  }

  private quoteAfter(from: number): number {
    if (this.nextDouble < from) this.nextDouble = this.find('"', from);
    if (this.nextSingle < from) this.nextSingle = this.find("'", from);
    return Math.min(this.nextDouble, this.nextSingle);
  }

  private find(quote: string, from: number): number {
    const at = this.text.indexOf(quote, from);
    return at < 0 ? Infinity : at;
  }
}
