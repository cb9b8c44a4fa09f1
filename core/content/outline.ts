import { collapse } from '../page/index.ts';
import { attribute, isElement, isText, tokens, type Element, type PageTree } from '../markup/index.ts';

/** Where in the frame of a page something stands. */
export type Part = 'main' | 'header' | 'nav' | 'aside' | 'footer';

/** A stretch of words with its place: what one block of the page says, and what is in it. */
export interface Block {
  readonly tag: string;
  readonly text: string;
  /** The same, cut where the page breaks the line. */
  readonly lines: readonly string[];
  /** Where it begins and ends in the page's source, tags and all. */
  readonly start: number;
  readonly end: number;
  readonly part: Part;
  /** Its list (`ol`, `ul`, `dl`) or table, by the place of that; -1 for none. */
  readonly list: number;
  readonly listTag: string;
  /** Class names, ids and names of properties of the element and of the two around it, lower case. */
  readonly hints: string;
  readonly links: readonly OutlineLink[];
  readonly times: readonly OutlineTime[];
  /** Stretches of its words that are struck out, by their places in them. */
  readonly struck: readonly (readonly [start: number, end: number])[];
  readonly details: number;
}
export interface OutlineLink {
  readonly href: string;
  readonly rel: string;
  readonly text: string;
  readonly start: number;
  readonly end: number;
}
export interface OutlineTime {
  readonly datetime: string | undefined;
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** Where in the words of its block it begins. */
  readonly at: number;
}
/** A picture, film or frame that the page shows. */
export interface Medium {
  readonly tag: 'img' | 'video' | 'iframe';
  readonly src: string;
  readonly alt: string;
  readonly width: number | undefined;
  readonly height: number | undefined;
  readonly poster: string;
  readonly title: string;
  readonly part: Part;
  readonly start: number;
  readonly end: number;
}

/** A page as people see it: its words in blocks, in reading order, and what it shows. */
export interface Outline {
  readonly blocks: readonly Block[];
  readonly media: readonly Medium[];
}

/** Stands among a block's words where its line ends, until the block does: no text of a page is read as this. */
const LINE_END = '\u2028';
const BLOCKS = new Set(
  'address article aside blockquote body caption center dd details dialog div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hgroup hr li main nav ol p pre search section summary table tbody td tfoot th thead tr ul'.split(
    ' ',
  ),
);
const SILENT = new Set('script style template noscript svg math select option textarea button object canvas audio head title'.split(' '));
const PARTS: Readonly<Record<string, Part>> = { main: 'main', article: 'main', nav: 'nav', aside: 'aside', footer: 'footer', header: 'header' };
const ROLES: Readonly<Record<string, Part>> = { main: 'main', navigation: 'nav', complementary: 'aside', contentinfo: 'footer', banner: 'header' };
/** Blocks of one page that are looked at: what it is about stands near its front. */
const MOST_BLOCKS = 4000;

interface Open {
  readonly element: Element;
  readonly part: Part;
  readonly list: number;
  readonly listTag: string;
  readonly details: number;
  readonly hints: readonly string[];
}
interface Draft {
  readonly open: Open;
  readonly tag: string;
  words: string;
  start: number;
  end: number;
  readonly links: OutlineLink[];
  readonly times: OutlineTime[];
  readonly struck: (readonly [start: number, end: number])[];
}

/** Reads a page's tree into blocks. Iterative, in time proportional to the page. */
export function outlineOf(tree: PageTree): Outline {
  return new Outliner().read(tree);
}

class Outliner {
  private readonly blocks: Block[] = [];
  private readonly media: Medium[] = [];
  private draft: Draft | undefined;

  read(tree: PageTree): Outline {
    type Step = { readonly node: PageTree['childNodes'][number]; readonly around: Open | undefined; readonly closes?: () => void };
    const waiting: Step[] = [...tree.childNodes].reverse().map((node) => ({ node, around: undefined }));
    for (let step = waiting.pop(); step && this.blocks.length < MOST_BLOCKS; step = waiting.pop()) {
      if (step.closes) {
        step.closes();
        continue;
      }
      const { node, around } = step;
      if (isText(node)) this.text(node.value, node.sourceCodeLocation?.startOffset, node.sourceCodeLocation?.endOffset, around);
      if (!isElement(node)) continue;
      this.medium(node, around);
      if (SILENT.has(node.tagName) || isHidden(node)) continue;
      const open = this.opened(node, around);
      const closes = this.opens(node, open);
      if (closes) waiting.push({ node, around, closes });
      for (let at = node.childNodes.length - 1; at >= 0; at--) waiting.push({ node: node.childNodes[at] as Element, around: open });
    }
    this.flush();
    return { blocks: this.blocks, media: this.media };
  }

  private opened(element: Element, around: Open | undefined): Open {
    const tag = element.tagName;
    const place = element.sourceCodeLocation?.startOffset ?? -1;
    const isList = tag === 'ol' || tag === 'ul' || tag === 'dl' || tag === 'table';
    const role = attribute(element, 'role');
    // A header inside the text is part of it; so is a footer inside an article.
    const own = (role === undefined ? undefined : ROLES[role]) ?? PARTS[tag];
    const inside = around?.part ?? 'main';
    const deep =
      own !== undefined &&
      (own === 'header' || own === 'footer') &&
      around?.element !== undefined &&
      around.element.tagName !== 'body' &&
      inside === 'main' &&
      hasMain(around);
    const hint = ['class', 'id', 'itemprop', 'property', 'rel']
      .map((name) => attribute(element, name) ?? '')
      .join(' ')
      .toLowerCase();
    return {
      element,
      part: own === undefined || deep ? inside : own,
      list: isList ? place : (around?.list ?? -1),
      listTag: isList ? tag : (around?.listTag ?? ''),
      details: tag === 'details' ? place : (around?.details ?? -1),
      hints: [hint, ...(around?.hints ?? []).slice(0, 2)],
    };
  }

  /** Begins what an element begins; gives what is to be done at its end. */
  private opens(element: Element, open: Open): (() => void) | undefined {
    const tag = element.tagName;
    if (BLOCKS.has(tag)) {
      this.flush();
      const start = element.sourceCodeLocation?.startOffset ?? 0;
      this.draft = draftOf(open, start);
      return () => {
        if (this.draft) this.draft.end = Math.max(this.draft.end, element.sourceCodeLocation?.endOffset ?? 0);
        this.flush();
      };
    }
    if (tag === 'br') this.text(LINE_END, undefined, undefined, open);
    if (tag === 'wbr') this.text(' ', undefined, undefined, open);
    const isStruck = isStruckOut(element);
    if (tag !== 'a' && tag !== 'time' && !isStruck) return undefined;
    const { startOffset = 0, endOffset = 0 } = element.sourceCodeLocation ?? {};
    const draft = (this.draft ??= draftOf(open, startOffset));
    if (tag === 'a') {
      const from = draft.words.length;
      const href = attribute(element, 'href') ?? '';
      return () =>
        draft.links.push({
          href,
          rel: (attribute(element, 'rel') ?? '').toLowerCase(),
          text: wordsOf(draft.words.slice(from)),
          start: startOffset,
          end: endOffset,
        });
    }
    const from = draft.words.length;
    if (isStruck) return () => draft.struck.push([wordsOf(draft.words.slice(0, from)).length, wordsOf(draft.words).length]);
    return () =>
      draft.times.push({
        datetime: attribute(element, 'datetime')?.trim(),
        text: wordsOf(draft.words.slice(from)),
        start: startOffset,
        end: endOffset,
        at: wordsOf(draft.words.slice(0, from)).length,
      });
  }

  private text(words: string, start: number | undefined, end: number | undefined, around: Open | undefined): void {
    if (!around) return;
    // Words behind a block, in the element around it, are a block of their own.
    this.draft ??= draftOf(around, start ?? 0);
    this.draft.words += start === undefined ? words : words.replaceAll(LINE_END, ' ');
    if (end !== undefined && words.trim() !== '') this.draft.end = Math.max(this.draft.end, end);
  }

  private flush(): void {
    const { draft } = this;
    this.draft = undefined;
    if (!draft) return;
    const text = wordsOf(draft.words);
    if (text === '') return;
    const lines = draft.words.includes(LINE_END) ? draft.words.split(LINE_END).map(collapse).filter(Boolean) : [text];
    const { part, list, listTag, details, hints } = draft.open;
    this.blocks.push({
      tag: draft.tag,
      text,
      lines,
      start: draft.start,
      end: draft.end,
      part,
      list,
      listTag,
      hints: hints.join(' ').trim(),
      links: draft.links,
      times: draft.times,
      // What is struck out as a whole is so from its first word to its last.
      struck: isStruckOut(draft.open.element) ? [[0, text.length]] : draft.struck,
      details,
    });
  }

  private medium(element: Element, around: Open | undefined): void {
    const tag = element.tagName;
    if (tag !== 'img' && tag !== 'video' && tag !== 'iframe') return;
    const nested = tag === 'video' ? element.childNodes.find((node): node is Element => isElement(node) && node.tagName === 'source') : undefined;
    const src = attribute(element, 'src') ?? (nested && attribute(nested, 'src')) ?? '';
    if (src === '') return;
    const size = (name: string): number | undefined => {
      const number = Number.parseInt(attribute(element, name) ?? '', 10);
      return Number.isFinite(number) && number > 0 ? number : undefined;
    };
    const { startOffset = 0, endOffset = 0 } = element.sourceCodeLocation?.startTag ?? element.sourceCodeLocation ?? {};
    this.media.push({
      tag,
      src,
      alt: attribute(element, 'alt') ?? '',
      width: size('width'),
      height: size('height'),
      poster: attribute(element, 'poster') ?? '',
      title: attribute(element, 'title') ?? '',
      part: around?.part ?? 'main',
      start: startOffset,
      end: endOffset,
    });
  }
}

/** What a block says, its lines apart. */
export const textOf = (block: Block): string => block.lines.join('\n');

/** Words with a single blank for any white space and for the end of a line. */
const wordsOf = (words: string): string => collapse(words.includes(LINE_END) ? words.replaceAll(LINE_END, ' ') : words);
const draftOf = (open: Open, start: number): Draft => ({ open, tag: open.element.tagName, words: '', start, end: start, links: [], times: [], struck: [] });

/** Whether what an element holds is crossed out: by its tag, by its style, or by what shops call a price that holds no more. */
function isStruckOut(element: Element): boolean {
  if (element.tagName === 's' || element.tagName === 'del' || element.tagName === 'strike') return true;
  if (/text-decoration(?:-line)?\s*:[^;]*line-through/i.test(attribute(element, 'style') ?? '')) return true;
  return /(?:^|[\s_-])(?:line-through|strike(?:d|through)?|(?:old|was|former|regular|original|list|compare-at|before)[_-]?price|price[_-]{0,2}(?:old|was|regular|original|compare|before)|rrp|uvp)(?:$|[\s_-])/i.test(
    attribute(element, 'class') ?? '',
  );
}

const hasMain = (open: Open): boolean =>
  open.part === 'main' && (open.element.tagName === 'article' || open.element.tagName === 'main' || open.hints.length > 2);

/** What no visitor sees: nothing is taken from it. */
function isHidden(element: Element): boolean {
  if (attribute(element, 'hidden') !== undefined) return true;
  const style = attribute(element, 'style');
  return style !== undefined && /display\s*:\s*none|visibility\s*:\s*hidden/i.test(style) && tokens(attribute(element, 'class')).every((name) => name !== 'js');
}
