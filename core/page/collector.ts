import type { Encoding, Range } from '../source/index.ts';
import {
  KEPT_PARAGRAPH_LENGTH,
  KEPT_LOOSE,
  KEPT_PARAGRAPHS,
  KEPT_TIMES,
  type AnchorFact,
  type HeadingFact,
  type ImageFact,
  type JsonLdFact,
  type LinkTagFact,
  type MetaFact,
  type PageFacts,
  type TimeFact,
  type TitleFact,
} from './facts.ts';

import { itemTypesIn, markedPriceIn } from './item-types.ts';
import { endOfLeading, programIn } from './leftovers.ts';
import { whyNotWritable } from './writable.ts';
import { noindexInNoscript } from './noscript.ts';
import { collapse, seen, UNSEEN } from './white-space.ts';

/** Attributes of one start tag, by lower-case name; the first of a name wins. */
export interface Attributes {
  /** The value with references resolved and line ends made alike, or undefined where there is no such attribute. */
  get(name: string): string | undefined;
  /** Where the value stands, without quotes; undefined where the attribute is missing or has no value. */
  valueRange(name: string): Range | undefined;
}

/** Text being gathered for an open element. */
interface Capture {
  readonly parts: string[];
  readonly done: (text: string) => void;
}

/**
 * Turns what a reader reports (elements opening and closing, text) into facts. Both readers, the fast one and the one that
 * builds a whole tree, report to this, so that they can only differ in structure and never in interpretation.
 */
export class FactCollector {
  lang: string | undefined;
  htmlTag: Range | undefined;
  base: string | undefined;
  doctypeEnd: number | undefined;
  headTagEnd: number | undefined;
  headEndTag: number | undefined;
  lastHeadChildEnd: number | undefined;
  private readonly titles: TitleFact[] = [];
  private readonly metas: MetaFact[] = [];
  private readonly linkTags: LinkTagFact[] = [];
  private readonly headings: HeadingFact[] = [];
  private readonly anchors: AnchorFact[] = [];
  private readonly images: ImageFact[] = [];
  private readonly jsonLd: JsonLdFact[] = [];
  private readonly times: TimeFact[] = [];
  private readonly scripts: string[] = [];
  private readonly frames: string[] = [];
  private readonly otherAddresses: string[] = [];
  private forms = 0;
  private media = 0;
  private readonly paragraphs: string[] = [];
  private readonly paragraphStarts: number[] = [];
  /** Running text that stands in no paragraph, and what of it is being read; nothing more is taken once enough of either sort is here. */
  private readonly loose: string[] = [];
  private block = '';
  private itemscopes = 0;
  private wordCount = 0;
  private inWord = false;
  private readonly open: Capture[] = [];
  private readonly allText: string[] | undefined;

  constructor(keepText: boolean) {
    this.allText = keepText ? [] : undefined;
  }

  html(attributes: Attributes, tag: Range): void {
    this.htmlTag ??= tag;
    this.lang ??= attributes.get('lang');
  }

  title(text: string, tag: Range, content: Range, inHead: boolean): void {
    this.titles.push({ text: collapse(text), inHead, tag, content });
  }

  meta(attributes: Attributes, tag: Range, inHead: boolean): void {
    this.metas.push({
      name: attributes.get('name')?.trim().toLowerCase(),
      property: attributes.get('property')?.trim().toLowerCase(),
      httpEquiv: attributes.get('http-equiv')?.trim().toLowerCase(),
      content: attributes.get('content'),
      inHead,
      tag,
      contentRange: attributes.valueRange('content'),
    });
  }

  link(attributes: Attributes, tag: Range, inHead: boolean): void {
    this.linkTags.push({
      rel: words(attributes.get('rel')),
      href: attributes.get('href'),
      type: attributes.get('type')?.trim().toLowerCase(),
      hreflang: attributes.get('hreflang'),
      inHead,
      tag,
      hrefRange: attributes.valueRange('href'),
    });
  }

  baseTag(attributes: Attributes): void {
    this.base ??= attributes.get('href');
  }

  image(attributes: Attributes, tag: Range): void {
    this.images.push({
      src: attributes.get('src'),
      alt: attributes.get('alt'),
      altRange: attributes.valueRange('alt'),
      width: attributes.get('width'),
      height: attributes.get('height'),
      decorative: attributes.get('aria-hidden') === 'true' || /^(presentation|none)$/.test(attributes.get('role') ?? ''),
      tag,
    });
  }

  jsonLdBlock(text: string, content: Range): void {
    this.jsonLd.push({ text, content });
  }

  script(attributes: Attributes): void {
    const src = attributes.get('src');
    if (src !== undefined) this.scripts.push(src);
  }

  /** One of the elements in `SHOWN` opened. */
  shown(name: string, attributes: Attributes): void {
    const sort = SHOWN.get(name);
    if (sort === undefined) return;
    if (sort.is === 'medium') this.media++;
    if (sort.is === 'form') this.forms++;
    const address = sort.address === undefined ? undefined : attributes.get(sort.address);
    if (address !== undefined) (sort.is === 'frame' ? this.frames : this.otherAddresses).push(address);
  }

  itemscope(): void {
    this.itemscopes++;
  }

  /** A heading opened; close the returned capture when it ends. */
  heading(level: HeadingFact['level'], tag: Range): Capture {
    const at = this.headings.push({ level, text: '', tag }) - 1;
    return this.capture((text) => (this.headings[at] = { level, text: collapse(text), tag }));
  }

  /** An `a` opened; undefined where it has no `href` and so is no link. */
  anchor(attributes: Attributes, tag: Range): Capture | undefined {
    const href = attributes.get('href');
    if (href === undefined) return undefined;
    const nofollow = words(attributes.get('rel')).includes('nofollow');
    const at = this.anchors.push({ href, text: '', nofollow, tag }) - 1;
    return this.capture((text) => (this.anchors[at] = { href, text: collapse(text), nofollow, tag }));
  }

  area(attributes: Attributes, tag: Range): void {
    const href = attributes.get('href');
    if (href === undefined) return;
    this.anchors.push({ href, text: collapse(attributes.get('alt') ?? ''), nofollow: words(attributes.get('rel')).includes('nofollow'), tag });
  }

  /** A paragraph opened; `start` is where its start tag stands, undefined where the standard made it up. */
  paragraph(start: number | undefined): Capture | undefined {
    if (this.paragraphs.length >= KEPT_PARAGRAPHS) return undefined;
    return this.capture((text) => {
      const collapsed = collapse(text);
      if (seen(collapsed) === '' || this.paragraphs.length >= KEPT_PARAGRAPHS) return;
      this.paragraphs.push(collapsed.slice(0, KEPT_PARAGRAPH_LENGTH));
      this.paragraphStarts.push(start ?? -1);
    });
  }

  /** A `time` opened. */
  time(attributes: Attributes): Capture | undefined {
    if (this.times.length >= KEPT_TIMES) return undefined;
    const [datetime, itemprop] = [attributes.get('datetime')?.trim(), attributes.get('itemprop')?.trim()];
    const at = this.times.push({ value: datetime ?? '', itemprop }) - 1;
    return datetime === undefined ? this.capture((text) => (this.times[at] = { value: collapse(text), itemprop })) : undefined;
  }

  close(capture: Capture): void {
    const at = this.open.lastIndexOf(capture);
    if (at < 0) return;
    this.open.splice(at, 1);
    capture.done(capture.parts.join(''));
  }

  /** Whether anybody listens to text right now beyond counting words. */
  get capturing(): boolean {
    return this.open.length > 0 || this.allText !== undefined || this.wantsLoose;
  }

  private get wantsLoose(): boolean {
    return this.paragraphs.length < KEPT_PARAGRAPHS && this.loose.length < KEPT_LOOSE;
  }

  /** Visible text, references resolved. */
  text(text: string): void {
    this.count(text);
    if (this.block.length < KEPT_PARAGRAPH_LENGTH && this.wantsLoose) this.block += text;
    if (this.open.length > 0) for (const capture of this.open) capture.parts.push(text);
    this.allText?.push(text);
  }

  /** An edge that separates words although there may be no space: a block, a cell, a `br`. */
  edge(): void {
    this.inWord = false;
    if (this.block !== '') this.endBlock();
    for (const capture of this.open) capture.parts.push(' ');
    // No page can hold this character: it marks where one block ends and the next begins.
    this.allText?.push('\0');
  }

  private endBlock(): void {
    if (this.block.length >= LOOSE_AT_LEAST && this.wantsLoose) {
      const text = collapse(this.block);
      if (RUNNING.test(text)) this.loose.push(text.slice(0, KEPT_PARAGRAPH_LENGTH));
    }
    this.block = '';
  }

  private count(text: string): void {
    let inWord = this.inWord;
    let count = 0;
    for (let at = 0; at < text.length; at++) {
      const code = text.charCodeAt(at);
      const space = code <= 32 || code === 0xa0;
      if (space) inWord = false;
      else if (!inWord && !UNSEEN.has(code)) {
        inWord = true;
        count++;
      }
    }
    this.inWord = inWord;
    this.wordCount += count;
  }

  private capture(done: (text: string) => void): Capture {
    const capture = { parts: [], done };
    this.open.push(capture);
    return capture;
  }

  /** The facts of a page whose whole text this is. */
  finish(encoding: Encoding, text: string): PageFacts {
    while (this.open.length > 0) this.close(this.open[this.open.length - 1] as Capture);
    // A stray html tag only lends its attributes: what is put behind it would stand in the body, between two words.
    const htmlEnd = this.htmlTag && this.htmlTag.start <= endOfLeading(text) ? this.htmlTag.end : undefined;
    const headInsert = this.headEndTag ?? this.lastHeadChildEnd ?? this.headTagEnd ?? htmlEnd ?? this.doctypeEnd ?? 0;
    return {
      encoding,
      lang: this.lang,
      htmlTag: this.htmlTag,
      titles: this.titles,
      metas: this.metas,
      linkTags: this.linkTags,
      base: this.base,
      headings: this.headings,
      anchors: this.anchors,
      images: this.images,
      jsonLd: this.jsonLd,
      times: this.times,
      scripts: this.scripts,
      frames: this.frames,
      forms: this.forms,
      otherAddresses: this.otherAddresses,
      media: this.media,
      program: programIn(text),
      unwritable: whyNotWritable({ encoding, titles: this.titles }, text),
      noscriptNoindex: noindexInNoscript(text),
      itemscopes: this.itemscopes,
      itemTypes: itemTypesIn(text),
      price: markedPriceIn(text),
      paragraphs: this.paragraphs,
      paragraphStarts: this.paragraphStarts,
      loose: this.loose.filter((text) => !this.paragraphs.some((paragraph) => paragraph.includes(text))),
      wordCount: this.wordCount,
      text: this.allText === undefined ? undefined : collapse(this.allText.join('').replaceAll('\0', ' ')),
      blocks: this.allText === undefined ? undefined : this.allText.join('').split('\0').map(collapse).filter(Boolean),
      headInsert,
      headHasContent: this.lastHeadChildEnd !== undefined,
    };
  }
}

/** UTF-16 units from which text can be a sentence that says something, and what ends one in the scripts that mark it. */
const LOOSE_AT_LEAST = 25;
const RUNNING = /[.!?…。！？।॥؟۔]|\p{Script=Thai}{12}/u;

export type { Capture };

function words(value: string | undefined): string[] {
  return value === undefined
    ? []
    : value
        .toLowerCase()
        .split(/[\t\n\f\r ]+/)
        .filter(Boolean);
}

/** Where an attribute's value stands inside the attribute's own text (`name = "value"`), without quotes; undefined where it has none. */
export function valueRangeWithin(text: string, start: number, end: number): Range | undefined {
  let at = start + 1;
  while (at < end && text[at] !== '=') at++;
  if (at >= end) return undefined;
  at++;
  while (at < end && /[\t\n\f\r ]/.test(text.charAt(at))) at++;
  const quote = text[at];
  if (quote === '"' || quote === "'") return { start: at + 1, end: end - 1 };
  return { start: at, end };
}

/** Line ends as the parser sees them. */
export function normalizeNewlines(text: string): string {
  return text.includes('\r') ? text.replace(/\r\n?/g, '\n') : text;
}

/** Elements that show something without words of their own, or name an address without being a link: what they are, and the attribute of the address. */
export const SHOWN: ReadonlyMap<string, { readonly is: 'frame' | 'form' | 'medium' | 'named'; readonly address?: string }> = new Map([
  ['iframe', { is: 'frame', address: 'src' }],
  ['frame', { is: 'frame', address: 'src' }],
  ['form', { is: 'form', address: 'action' }],
  ['button', { is: 'named', address: 'formaction' }],
  ['input', { is: 'named', address: 'formaction' }],
  ['blockquote', { is: 'named', address: 'cite' }],
  ['q', { is: 'named', address: 'cite' }],
  ['ins', { is: 'named', address: 'cite' }],
  ['del', { is: 'named', address: 'cite' }],
  ['object', { is: 'medium', address: 'data' }],
  ['embed', { is: 'medium', address: 'src' }],
  ['video', { is: 'medium' }],
  ['audio', { is: 'medium' }],
  ['canvas', { is: 'medium' }],
  ['applet', { is: 'medium' }],
  ['svg', { is: 'medium' }],
]);

export const isJsonLdType = (type: string | undefined): boolean => type !== undefined && /^application\/ld\+json$/i.test(type.split(';')[0]?.trim() ?? '');
