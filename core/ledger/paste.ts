import { jsonLdScript, metaTag, type PageEdit, type PageFacts } from '../page/index.ts';
import type { PageRow } from '../rows/index.ts';
import { endingOf, LONGEST_TEXT } from '../site/index.ts';
import { textNumber } from '../source/index.ts';

/** What every page has that is carried over by hand into a builder with nothing but text boxes. */
export const PASTE_FIELDS = ['title', 'description', 'ending', 'markup'] as const;
export type PasteField = (typeof PASTE_FIELDS)[number];

/** What else a page may get. */
export type ChangedField =
  'shareTitle' | 'shareText' | 'sharePicture' | 'keywords' | 'language' | 'robots' | 'canonical' | 'proof' | 'alt' | 'heading' | 'words' | 'link' | 'snippet';

/** A change of a page, as somebody pastes it. */
export interface PasteItem {
  /** The same as long as what it concerns is the same: its tick is kept under it. */
  readonly key: string;
  readonly field: ChangedField | 'markup';
  /** What it concerns, where a page has several: the picture's file, the words that stand there, the crawler. */
  readonly about: string;
  readonly value: string;
}

/** What is kept of a text that was pasted: itself or, where it is longer than a field may be, its beginning and a number made of all of it. */
export function tickFor(value: string): string {
  if (value.length <= LONGEST_TEXT) return value;
  const number = `#${textNumber(value).toString(16).padStart(8, '0')}`;
  return value.slice(0, LONGEST_TEXT - number.length) + number;
}

/** What a field of a page says, as it is to be pasted; `blocks` are the pages' blocks of structured data. */
export function pasteValue(
  row: Pick<PageRow, 'id' | 'address' | 'title' | 'description'>,
  field: PasteField,
  blocks: Readonly<Record<string, string>>,
): string {
  if (field === 'markup') return blocks[row.id] ?? '';
  return field === 'ending' ? endingOf(row.address) : row[field];
}

/**
 * What a release would write into a page besides title and description, as texts to paste, in the order in which it is written. `source` are the facts of
 * the page's file. What is no text (an encoding named, a second heading made smaller) is not among them.
 */
export function pasteItems(edits: readonly PageEdit[], source: Pick<PageFacts, 'images' | 'headings'>): PasteItem[] {
  return edits.flatMap((edit): PasteItem[] => {
    const item = (field: PasteItem['field'], value: string, about = '', key: string = field): PasteItem[] => [{ key, field, about, value }];
    switch (edit.kind) {
      case 'property': {
        const field = CARD[edit.property];
        return field ? item(field, edit.content) : [];
      }
      case 'meta':
        return edit.name === 'keywords' ? item('keywords', edit.content) : item('proof', metaTag(edit.name, edit.content), edit.name, `proof:${edit.name}`);
      case 'lang':
        return item('language', edit.lang);
      case 'noindex':
        return item('robots', edit.on ? 'noindex' : 'all');
      case 'directives':
        return item('robots', Object.values(edit.wanted).filter(Boolean).join(', ') || 'all', edit.name === 'robots' ? '' : edit.name, `robots:${edit.name}`);
      case 'canonical':
        return item('canonical', edit.href);
      case 'alt':
        return item('alt', edit.now, fileName(source.images.find(({ tag }) => tag.start === edit.start)?.src ?? ''), `alt:${edit.start}`);
      case 'passage': {
        const field = source.headings.some(({ tag }) => tag.start === edit.start) ? 'heading' : 'words';
        return [
          ...(edit.now === null ? [] : item(field, edit.now, edit.was, `words:${edit.start}`)),
          ...edit.links.flatMap(({ words, nth, href }) => item('link', href, words, `link:${edit.start}:${nth}:${words}`)),
        ];
      }
      case 'snippet':
        return item('snippet', edit.code, edit.place, `snippet:${edit.id}`);
      case 'json-ld':
        return item('markup', jsonLdScript(edit.graph));
      default:
        return [];
    }
  });
}

/** The pages' blocks of structured data among such items. */
export function markupAmong(items: Readonly<Record<string, readonly PasteItem[]>>): Readonly<Record<string, string>> {
  return Object.fromEntries(Object.entries(items).flatMap(([page, some]) => some.flatMap(({ field, value }) => (field === 'markup' ? [[page, value]] : []))));
}

const CARD: Readonly<Record<string, ChangedField>> = { 'og:title': 'shareTitle', 'og:description': 'shareText', 'og:image': 'sharePicture' };

const fileName = (address: string): string => address.replace(/[?#].*$/, '').replace(/^.*\//, '');
