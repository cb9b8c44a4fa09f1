import type { PageId } from '../source/index.ts';
import type { PageEdit } from '../page/index.ts';
import { all, passageKey, set, writeLinks, type Change, type SiteDocument } from '../site/index.ts';
import type { FieldChange } from './partial.ts';

/** Fields of a page's record that edits write, by the edit's key. */
const TEXTS: Readonly<Record<string, 'title' | 'description' | 'keywords' | 'shareTitle' | 'shareText' | 'sharePicture' | 'lang'>> = {
  title: 'title',
  description: 'description',
  'meta keywords': 'keywords',
  'property og:title': 'shareTitle',
  'property og:description': 'shareText',
  'property og:image': 'sharePicture',
  lang: 'lang',
};
const SWITCHES: Readonly<Record<string, 'canonical' | 'refresh' | 'oneTitle' | 'oneHeading' | 'foreignMarkup'>> = {
  canonical: 'canonical',
  'no-refresh': 'refresh',
  'one-title': 'oneTitle',
  'one-heading': 'oneHeading',
  'no-markup': 'foreignMarkup',
};

/**
 * The change that makes one thing of a page as it is out: the owner's word of then, or none. Undefined where it is not the page's own word that made it
 * other, such as a pattern, a kind or the site as a whole; and where what was out cannot be said again from here.
 */
export function takeFieldBack(document: SiteDocument, page: PageId, { key, now, before }: FieldChange): Change | undefined {
  const own = document.tables.pages[page];
  const text = TEXTS[key];
  if (text) {
    if (!before) return typeof own?.[text] === 'string' ? set('pages', page, text, null) : undefined;
    return set('pages', page, text, wordsOf(before));
  }
  const flag = SWITCHES[key];
  if (flag) return !before && own?.[flag] !== undefined && own[flag] !== null ? set('pages', page, flag, null) : undefined;
  const placed = now ?? before;
  if (placed?.kind === 'passage' || placed?.kind === 'alt') return placeBack(document, page, placed.start, placed.kind, before);
  if (key === 'noindex') return own?.intent ? set('pages', page, 'intent', null) : undefined;
  return undefined;
}

const wordsOf = (edit: PageEdit): string => ('text' in edit ? edit.text : 'content' in edit ? edit.content : 'lang' in edit ? edit.lang : '');

function placeBack(document: SiteDocument, page: PageId, start: number, kind: 'passage' | 'alt', before: PageEdit | undefined): Change | undefined {
  const key = passageKey(page, start);
  if (kind === 'alt') {
    if (before?.kind === 'alt') return all([set('alts', key, 'was', before.was), set('alts', key, 'now', before.now)]);
    return document.tables.alts[key] ? all([set('alts', key, 'was', null), set('alts', key, 'now', null)]) : undefined;
  }
  if (before?.kind === 'passage')
    return all([set('passages', key, 'was', before.was), set('passages', key, 'now', before.now), set('passages', key, 'links', writeLinks(before.links))]);
  return document.tables.passages[key]
    ? all([set('passages', key, 'was', null), set('passages', key, 'now', null), set('passages', key, 'links', null)])
    : undefined;
}
