import type { PageFacts } from '../page/index.ts';
import { isIsoDate, isIsoMoment, isSpanSign, spansIn } from '../values/index.ts';
import type { Said } from './content.ts';
import type { Block, OutlineTime } from './outline.ts';

/** Dates of a page: of the text itself, and of what it tells of. */
export interface PageDates {
  readonly published?: Said<string> | undefined;
  readonly modified?: Said<string> | undefined;
  readonly begins?: Said<string> | undefined;
  readonly ends?: Said<string> | undefined;
  /** By when something has to be done, such as to apply. */
  readonly until?: Said<string> | undefined;
  readonly days: readonly string[];
}

/** How dates are read: the page's language, and the country by ISO 3166-1 where it is known. */
export interface DateReading {
  readonly lang: string;
  readonly country?: string | undefined;
}

interface Seen extends Said<string> {
  readonly to?: string | undefined;
  readonly isOneOfSeveral: boolean;
  readonly block: Block;
  /** The words in front of it, in its block or in the short one before. */
  readonly before: string;
}

const WORDS = {
  published:
    /(?<!\p{L})(?:publi|posted|written|ver[öo]ffentlicht|geschrieben|erschienen|écrit|escrito|scritto|pubblicato|geplaatst|gepubliceerd|geschreven|opublikowan|dodan)|公開|投稿|掲載/iu,
  modified:
    /(?<!\p{L})(?:updat|modif|revis|chang|edited|ge[äa]ndert|aktualisiert|bearbeitet|zuletzt|stand:|mise? à jour|actualizad|última|aggiornat|bijgewerkt|gewijzigd|atualizad|zaktualizowan|zmienion)|更新|改訂/iu,
  until:
    /(?<!\p{L})(?:until|by|before|deadline|closes?|closing date|no later than|bis(?: zum)?|spätestens|anmeldeschluss|einsendeschluss|bewerbungsfrist|jusqu['’]au|avant le|date limite|hasta(?: el)?|antes del?|plazo|fecha límite|fino al|entro(?: il)?|scadenza|tot(?: en met)?|t\/m|uiterlijk|até|prazo|do|termin)[:：]?\s*(?:(?:the|am|am|den|le|el|il|o|dia|op)\s+)?(?:\p{L}+\.?,?\s+)?$|(?:締切|まで)[:：]?\s*$/iu,
  since:
    /(?<!\p{L})(?:since|founded|established|est\.|born|seit|gegründet|geboren|depuis|fondée?|fundad[ao]|fondat[ao]|sinds|opgericht|założon\w+|©|copyright)\s*(?:(?:in|on|am|im|dem|le|el|il|op|w)\s+)?(?:\p{L}+,?\s+)?$|創業|設立/iu,
  former:
    /(?<!\p{L})(?:originally|instead of|previously|not on|statt(?: am)?|ursprünglich|anstatt|initialement|au lieu du|originalmente|en lugar del?|inizialmente|invece del|oorspronkelijk|in plaats van|pierwotnie|zamiast)(?:\s+\p{L}+\.?,?){0,3}\s*$|当初/iu,
  moved:
    /(?<!\p{L})(?:postponed|rescheduled|moved|verschoben|verlegt|reportée?|déplacée?|aplazad[ao]|pospuest[ao]|rinviat[ao]|spostat[ao]|uitgesteld|verplaatst|adiad[ao]|przełożon\w*|przeniesion\w*)(?!\p{L})|延期/iu,
  begins:
    /(?<!\p{L})(?:when|date|dates|starts?|begins?|opens|wann|beginn|datum|termin|quand|dates?|début|cuándo|inicio|fecha|quando|data|inizio|wanneer|aanvang|kiedy|początek)(?!\p{L})|日時|開催|開始|日程/iu,
} as const;
const DATELINE = /\b(published|posted|byline|entry-date|post-date|dateline|article-date|datepublished)\b/i;
const EVENT = /\b(event-?(?:date|time)|dtstart|startdate|when)\b/i;
const HINTED = /\b(date|published|posted|byline|meta|entry-date|post-date|dateline|time)\b/i;

/** The dates that a page says: in `time` elements, in metas, in its words. `own` are the blocks that are about its own thing. */
export function datesOf(blocks: readonly Block[], own: ReadonlySet<Block>, facts: PageFacts, reading: DateReading): PageDates {
  const seen = seenIn(blocks, reading);
  const days = [...new Set(seen.flatMap(({ value, to }) => [value.slice(0, 10), ...(to === undefined ? [] : [to.slice(0, 10)])]))];
  const ours = seen.filter(({ block }) => own.has(block));
  const plainly = ours.filter(
    (one) => !is(one, 'modified') && !WORDS.until.test(one.before) && !WORDS.since.test(one.before) && !WORDS.former.test(one.before),
  );
  const published =
    metaDate(facts, ['article:published_time'], ['date', 'dc.date', 'dcterms.date', 'publish-date']) ??
    plainly.find((one) => is(one, 'published')) ??
    aloneOf(plainly, ours);
  const modified =
    metaDate(facts, ['article:modified_time', 'og:updated_time'], ['last-modified', 'dcterms.modified']) ?? ours.find((one) => is(one, 'modified'));
  const [begins, ends] = spanOf(plainly);
  const untils = ours.filter((one) => WORDS.until.test(one.before) && one.to === undefined);
  const isOneDay = new Set(untils.map(({ value }) => value.slice(0, 10))).size === 1;
  return {
    published: plain(published),
    modified: plain(modified),
    begins: plain(begins),
    ends: plain(ends),
    until: isOneDay ? plain(untils[0]) : undefined,
    days,
  };
}

const MOST_SEEN = 48;
const LONGEST = 2000;
/** A block that may be the label of the next. */
const LABEL = 40;

function seenIn(blocks: readonly Block[], { lang, country }: DateReading): Seen[] {
  const seen: Seen[] = [];
  let label = '';
  for (const block of blocks) {
    if (seen.length >= MOST_SEEN) break;
    const front = label;
    label = block.text.length <= LABEL && !/\d/.test(block.text) ? block.text : '';
    if (block.times.length === 0 && (block.text.length > LONGEST || !/\d/.test(block.text))) continue;
    const spans = spansIn(block.text.slice(0, LONGEST), lang, country);
    const before = (at: number): string => `${front} ${block.text.slice(0, at)}`.slice(-LABEL * 2).trimStart();
    if (block.times.length === 0)
      for (const { from, to, start, end, isOneOfSeveral } of spans)
        seen.push({
          value: from,
          to,
          isOneOfSeveral,
          text: block.text.slice(start, end),
          start: block.start,
          end: block.end,
          how: 'words',
          block,
          before: before(start),
        });
    else seen.push(...joinedTimes(block, lang, timesOf(block, spans, { lang, country }, before)));
  }
  return seen;
}

/** What the `time` elements of a block say; where the words around one say its hour or its end too, those. */
function timesOf(block: Block, spans: ReturnType<typeof spansIn>, { lang, country }: DateReading, before: (at: number) => string): Seen[] {
  return block.times.flatMap((time): Seen[] => {
    const worded = spans.find(({ start, end }) => start < time.at + time.text.length && end > time.at);
    const said = dateOf(time, lang, country) ?? worded?.from;
    if (said === undefined) return [];
    const isSame = worded && worded.from.slice(0, 10) === said.slice(0, 10);
    const value = isSame && said.length === 10 ? worded.from : said;
    const to = isSame ? worded.to : undefined;
    const isOneOfSeveral = worded?.isOneOfSeveral ?? false;
    return [{ value, to, isOneOfSeveral, text: time.text, start: time.start, end: time.end, how: 'element', block, before: before(time.at) }];
  });
}

/** Two `time` elements with a sign of a span between them are its ends. */
function joinedTimes(block: Block, lang: string, seen: readonly Seen[]): readonly Seen[] {
  const [first, second] = seen;
  const [one, two] = block.times;
  if (!first || !second || !one || !two || seen.length > 2 || !(second.value > first.value) || (first.to !== undefined && first.to !== second.value))
    return seen;
  return isSpanSign(block.text.slice(one.at + one.text.length, two.at), lang) ? [{ ...first, to: second.to ?? second.value, isOneOfSeveral: false }] : seen;
}

function dateOf({ datetime, text }: OutlineTime, lang: string, country: string | undefined): string | undefined {
  const said = (datetime ?? text).replace(' ', 'T');
  if (isIsoMoment(said) || (isIsoDate(said) && said.length === 10)) return said;
  return spansIn(text, lang, country)[0]?.from;
}

/** Whether what stands right in front of a date, or what its elements are called, makes it one of the sort. */
const is = ({ before, block }: Seen, sort: 'published' | 'modified'): boolean => {
  const near = before.slice(-LABEL);
  const mine = lastOf(EACH[sort], near);
  const other = lastOf(EACH[sort === 'published' ? 'modified' : 'published'], near);
  return mine === other ? mine === -1 && WORDS[sort].test(block.hints) : mine > other;
};

const EACH = { published: new RegExp(WORDS.published, 'giu'), modified: new RegExp(WORDS.modified, 'giu') };

/** Where a pattern is found last; -1 where it is not. */
const lastOf = (each: RegExp, text: string): number => [...text.matchAll(each)].at(-1)?.index ?? -1;

/** The one day of the text: where it says several, only one that stands as a date of a text does, short and by itself or near its author. `all` with those that are none. */
function aloneOf(own: readonly Seen[], all: readonly Seen[]): Seen | undefined {
  const single = own.filter(({ to, isOneOfSeveral }) => to === undefined && !isOneOfSeveral);
  const dateline = single.find(
    ({ block, text, before, value }) =>
      value.length === 10 &&
      !WORDS.begins.test(before) &&
      block.text.length <= text.length + 60 &&
      (HINTED.test(block.hints) || block.times.length > 0 || block.text.length <= text.length + 12),
  );
  if (dateline) return dateline;
  return new Set(all.map(({ value }) => value.slice(0, 10))).size === 1 && single[0]?.how === 'element' ? single[0] : undefined;
}

/** From when to when what the page tells of is: the days that are named so, else those with an hour, else the only ones. Where several could be meant, none. */
function spanOf(own: readonly Seen[]): readonly [Seen | undefined, Seen | undefined] {
  const ours = own.filter((one) => !is(one, 'published') && !DATELINE.test(one.block.hints) && !one.isOneOfSeveral).map(afterMove);
  const named = ours.filter(({ before, block }) => WORDS.begins.test(before.slice(-LABEL)) || EVENT.test(block.hints) || WORDS.moved.test(block.text));
  const some = [named, ours.filter(({ to }) => to !== undefined), ours.filter(({ value }) => value.length > 10), ours].find((list) => list.length > 0) ?? [];
  if (own.some(({ isOneOfSeveral }) => isOneOfSeveral) || new Set(some.map(({ value }) => value.slice(0, 10))).size !== 1) return [undefined, undefined];
  const begins = some.find(({ value }) => value.length > 10) ?? some[0];
  const last = new Set(some.map(({ to }) => to));
  last.delete(undefined);
  const end = last.size === 1 ? some.find(({ to }) => to !== undefined) : undefined;
  // Two hours for one day: the earlier may be when the doors open.
  const hours = new Set(some.map(({ value }) => value.slice(10)).filter((hour) => hour !== ''));
  if (hours.size > 1) return [begins && { ...begins, value: begins.value.slice(0, 10) }, undefined];
  return [begins, end?.to === undefined ? undefined : { ...end, value: end.to }];
}

/** Of what was moved from one day to another, the other. */
function afterMove(one: Seen): Seen {
  return one.to !== undefined && WORDS.moved.test(one.before) ? { ...one, value: one.to, to: undefined } : one;
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
