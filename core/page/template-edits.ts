import { endOfLeading } from './leftovers.ts';
import { escapeAttribute, escapeText } from './escape.ts';
import type { HeadingFact, PageFacts, TitleFact } from './facts.ts';
import { insertInHead, wholeLine } from './head-tags.ts';
import type { Range, SourceText, Splice } from '../source/index.ts';

/** What a template usually says, and gets wrong on all its pages at once. */
export type TemplateEdit =
  /** The page says in which language it is (BCP 47). */
  | { readonly kind: 'lang'; readonly lang: string }
  /** One `title`, in the head, with this text; others go. */
  | { readonly kind: 'one-title'; readonly text: string }
  /** The first heading of level 1 stays one, others become level 2. */
  | { readonly kind: 'one-heading' };

/** Whether a page is already as such an edit wants it. */
export function templateHolds(facts: PageFacts, edit: TemplateEdit): boolean {
  switch (edit.kind) {
    case 'lang':
      return facts.lang === edit.lang;
    case 'one-title':
      return facts.titles.length === 1 && facts.titles[0]?.inHead === true && facts.titles[0].text === edit.text;
    case 'one-heading':
      return spareHeadings(facts).length === 0;
  }
}

/** The smallest changes that make a page so; none where that cannot be done with certainty. */
export function templateSplices(source: SourceText, facts: PageFacts, edit: TemplateEdit): Splice[] {
  switch (edit.kind) {
    case 'lang':
      return [langSplice(source.text, facts, edit.lang)];
    case 'one-title':
      return titleSplices(source, facts, edit.text);
    case 'one-heading':
      return spareHeadings(facts).flatMap((heading) => lowered(source.text, heading));
  }
}

/** Headings of level 1, with words, behind the first of them. */
export function spareHeadings(facts: Pick<PageFacts, 'headings'>): HeadingFact[] {
  return facts.headings.filter((heading) => heading.level === 1 && heading.text !== '').slice(1);
}

/** The first attribute of a name counts, so ours goes in front; a page without the tag gets one. */
function langSplice(text: string, { htmlTag }: PageFacts, lang: string): Splice {
  const at = htmlTag ? htmlTag.start + '<html'.length : endOfLeading(text);
  const says = `lang="${escapeAttribute(lang)}"`;
  return { start: at, end: at, insert: htmlTag ? ` ${says}` : `${at > 0 && !/[\n\r]$/.test(text.slice(0, at)) ? '\n' : ''}<html ${says}>` };
}

function titleSplices(source: SourceText, facts: PageFacts, text: string): Splice[] {
  const [first, ...others] = facts.titles;
  const put = (): Splice => insertInHead(source, facts, `<title>${escapeText(text)}</title>`);
  if (!first) return [put()];
  const gone = (title: TitleFact): Splice => ({ ...wholeLine(source.text, wholeTitle(source.text, title)), insert: '' });
  const changed = first.text === text ? [] : [{ ...first.content, insert: escapeText(text) }];
  return [...(first.inHead ? changed : [gone(first), put()]), ...others.map(gone)];
}

function wholeTitle(text: string, { tag, content }: TitleFact): Range {
  const close = /<\/title[^>]*>/iy;
  close.lastIndex = content.end;
  return { start: tag.start, end: content.end + (close.exec(text)?.[0].length ?? 0) };
}

/** Both tags of a heading of level 1 made level 2; none where its end tag is not the next tag of a heading. */
function lowered(text: string, { tag }: HeadingFact): Splice[] {
  const next = /<!--[^]*?-->|<\/?h[1-6](?=[\s/>])/gi;
  next.lastIndex = tag.end;
  let found = next.exec(text);
  while (found?.[0].startsWith('<!--')) found = next.exec(text);
  if (!found?.[0].startsWith('</')) return [];
  const digit = (at: number): Splice => ({ start: at, end: at + 1, insert: '2' });
  return [digit(tag.start + '<h'.length), digit(found.index + '</h'.length)];
}
