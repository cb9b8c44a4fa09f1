import type { PageFacts } from '../page/index.ts';
import { datesIn, isIsoDate, isIsoMoment } from '../values/index.ts';
import type { Said } from './content.ts';
import type { Block, OutlineTime } from './outline.ts';

/** Dates of a page: of the text itself, and of what it tells of. */
export interface PageDates {
  readonly published?: Said<string> | undefined;
  readonly modified?: Said<string> | undefined;
  readonly begins?: Said<string> | undefined;
  readonly ends?: Said<string> | undefined;
  readonly days: readonly string[];
}

interface Seen extends Said<string> {
  readonly block: Block;
  /** Words of the block in front of it. */
  readonly before: string;
}

const PUBLISHED = /publi|posted|written|ver[öo]ffentlicht|geschrieben|erschienen|publié|écrit|publicado|escrito|公開|投稿|掲載/i;
const MODIFIED = /updat|modif|revis|chang|edited|ge[äa]ndert|aktualisiert|bearbeitet|mis[e]? à jour|modifié|actualizado|更新|改訂/i;
const BEGINS = /\b(when|date|starts?|begins?|from|on|wann|beginn|datum|am|vom|quand|début|le|du|cuándo|inicio|fecha|el)\b|日時|開催|開始/i;
const HINTED = /\b(date|published|posted|byline|meta|entry-date|post-date|dateline|time)\b/i;

/** The dates that a page says: in `time` elements, in metas, in its words. */
export function datesOf(blocks: readonly Block[], facts: PageFacts, lang: string): PageDates {
  const seen = seenIn(blocks, lang);
  const days = [...new Set(seen.map(({ value }) => value.slice(0, 10)))];
  const own = seen.filter(({ block }) => block.part === 'main');
  const published =
    metaDate(facts, ['article:published_time'], ['date', 'dc.date', 'dcterms.date', 'publish-date']) ??
    own.find((one) => named(one, PUBLISHED, MODIFIED)) ??
    aloneOf(own);
  const modified =
    metaDate(facts, ['article:modified_time', 'og:updated_time'], ['last-modified', 'dcterms.modified']) ?? own.find((one) => named(one, MODIFIED, undefined));
  const [begins, ends] = spanOf(own);
  return { published: plain(published), modified: plain(modified), begins: plain(begins), ends: plain(ends), days };
}

function seenIn(blocks: readonly Block[], lang: string): Seen[] {
  const seen: Seen[] = [];
  for (const block of blocks) {
    if (seen.length >= MOST_SEEN) break;
    for (const time of block.times) {
      const value = dateOf(time, lang);
      if (value !== undefined)
        seen.push({ value, text: time.text, start: time.start, end: time.end, how: 'element', block, before: block.text.slice(0, time.at) });
    }
    if (block.times.length > 0 || block.text.length > LONGEST || !/\d/.test(block.text)) continue;
    for (const { iso, start, end } of datesIn(block.text, lang))
      seen.push({
        value: iso,
        text: block.text.slice(start, end),
        start: block.start,
        end: block.end,
        how: 'words',
        block,
        before: block.text.slice(0, start),
      });
  }
  return seen;
}
const MOST_SEEN = 48;
const LONGEST = 2000;

function dateOf({ datetime, text }: OutlineTime, lang: string): string | undefined {
  const said = (datetime ?? text).replace(' ', 'T');
  if (isIsoMoment(said) || (isIsoDate(said) && said.length === 10)) return said;
  return datesIn(text, lang)[0]?.iso;
}

function named(one: Seen, words: RegExp, unless: RegExp | undefined): boolean {
  const about = `${one.before.slice(-40)} ${one.block.hints}`;
  return words.test(about) && unless?.test(about) !== true;
}

/** The one day of the text: where it says several, only one that stands as a date of a text does, short and by itself or near its author. */
function aloneOf(own: readonly Seen[]): Seen | undefined {
  const days = new Set(own.map(({ value }) => value.slice(0, 10)));
  const dateline = own.find(
    ({ block, text }) => block.text.length <= text.length + 60 && (HINTED.test(block.hints) || block.times.length > 0 || block.text.length <= text.length + 12),
  );
  if (dateline) return dateline;
  return days.size === 1 && own[0]?.how === 'element' ? own[0] : undefined;
}

/** From when to when: two moments in one block, or one that is named as a beginning; a moment with its hour before a bare day. */
function spanOf(own: readonly Seen[]): readonly [Seen | undefined, Seen | undefined] {
  const first = own.find((one) => one.value.length > 10) ?? own.find((one) => BEGINS.test(`${one.before.slice(-24)} ${one.block.hints}`)) ?? own[0];
  if (!first) return [undefined, undefined];
  const last = own.find((one) => one !== first && one.block === first.block && one.value > first.value && !MODIFIED.test(one.before.slice(-24)));
  return [first, last];
}

const plain = (one: Said<string> | undefined): Said<string> | undefined =>
  one && { value: one.value, text: one.text, start: one.start, end: one.end, how: one.how };

function metaDate(facts: PageFacts, properties: readonly string[], names: readonly string[]): Said<string> | undefined {
  const meta = facts.metas.find(
    ({ property, name }) => (property !== undefined && properties.includes(property)) || (name !== undefined && names.includes(name)),
  );
  const value = meta?.content?.trim().replace(' ', 'T') ?? '';
  if (!meta || !(isIsoDate(value) || isIsoMoment(value))) return undefined;
  return { value, text: meta.content?.trim() ?? '', start: meta.tag.start, end: meta.tag.end, how: 'meta' };
}
