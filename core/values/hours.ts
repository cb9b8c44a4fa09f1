import { DATE_LANGUAGES, DATE_WORDS, dateLanguage, type DateLanguage } from './date-words.ts';
import { hoursTokens, type DayNumber, type HoursDoubt, type HoursToken } from './hours-tokens.ts';

/** Hours of some days of the week, as markup has them. */
export interface OpeningHours {
  /** Names of the vocabulary: `Monday` and so on, `PublicHolidays`. */
  readonly days: readonly string[];
  /** `09:00`; both `00:00` where it is closed all day. What closes earlier than it opens does so on the day after. */
  readonly opens: string;
  readonly closes: string;
}

/** What a text says of opening hours: all of it, or nothing and why. */
export interface SaidHours {
  readonly hours: readonly OpeningHours[];
  /** Why nothing is read where days and hours stand there: they differ by the season, something else limits them, or they can be meant in two ways. */
  readonly doubt?: HoursDoubt | 'unclear' | undefined;
}

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday', 'PublicHolidays'] as const;
const NOTHING: SaidHours = { hours: [] };
/** A text that is not in the language by whose words it was read. */
const FOREIGN: SaidHours = { hours: [], doubt: 'unclear' };

interface Reading {
  readonly said: SaidHours;
  /** What limits hours in these words, whether any were read or not. */
  readonly limit: HoursDoubt | undefined;
  /** Whether other words stand there too, and days only in short: these may be words of another language. */
  readonly isGuess: boolean;
}
const LONGEST = 1_200;

/** Two numbers near each other, or how words for closed, noon and the whole day begin: cheap to look for, and most texts have none. */
const MAY_SAY_HOURS =
  /\d[^\d]{1,18}\d|24|clos|shut|not open|geschl|ruhetag|schlie|ferm|cerr|chius|riposo|turno|geslot|dicht|fech|encerr|niecz|zamkn|\d ?(?:[ap]\.?m|uhr|h)|noon|mi[dn]|medi[ao]|mezz|mei[ao]|półn|połud|around|round|jour et|dag en|cało|całą|[定休閉正二]/i;
const DAY_NAMES: ReadonlySet<string> = new Set(Object.values(DATE_WORDS).flatMap(({ days }) => days.flatMap((forms) => forms.split(/[ -]/))));
/** How words for all days, or some, begin. */
const ALL_DAYS =
  /[月火水木金土日祝週毎無全ª]|24.?7|\b(?:7 ?[dj]|dail|every ?day|each day|seven days|all week|all days|weekday|weekend|week-end|week end|wochen|jede[nr]? tag|alle tage|allen tagen|ganze woche|feiertag|tous les|chaque jour|toute la|quotid|todos os|todos los|cada d|diari|a diario|fi[nm](?:es|s)?[ -]de[ -]semana|festiv|feriad|tutti i|tutta la|ogni giorno|fine sett|elke dag|iedere dag|alle dagen|hele week|dagelijks|werkdag|feestdag|toda l?a|dias [uú]teis|codziennie|ca[łl]y tydz|holidays?|workin|workday)|tägli|férié|każdego|święt/i;

/** Names as short as this are words of many languages: days only before a span, an hour or another day. */
const SHORT_NAME = 2;
const WORDS = /([\p{L}ª]+)(\.?\s*(?:[-–—−~〜～:/&+\d|(]|ge[sö]|zu$))?/gu;

/** Whether a text may name a day of the week in any of the languages. */
export function maySayDays(text: string): boolean {
  if (ALL_DAYS.test(text)) return true;
  for (const [, word = '', mark] of text.toLowerCase().matchAll(WORDS))
    if ((word.length > SHORT_NAME || mark !== undefined) && DAY_NAMES.has(word)) return true;
  return false;
}

const maySayHours = (text: string): boolean => MAY_SAY_HOURS.test(text) && maySayDays(text);

const OPENING =
  /opening|\bopen\b|\bhours\b|(?:öffnungs|sprech|büro|geschäfts|ordinations|praxis|laden|empfangs)zeiten|sprechstunden?|geöffnet|horaires|heures d[’']ouverture|\bouverte?s?\b|horario|abierto|abrimos|\borari(?:o)?\b|\bapert[oaie]\b|openings(?:tijden|uren)|geopend|horário|funcionamento|\babert[oa]s?\b|godziny (?:otwarcia|pracy)|czynn[eyai]|otwarte|営業時間|営業|開館|診療時間|定休/iu;

/** Whether a text has a word, in any of the languages, by which people say when something is open. */
export const speaksOfOpening = (text: string): boolean => OPENING.test(text);

/** The opening hours that a text says, whole: see `saidHours`. Empty where it says none, or what could be meant in two ways. */
export const hoursIn = (text: string, lang = ''): readonly OpeningHours[] => saidHours(text, lang).hours;

/**
 * The opening hours that a text says: days before hours (`Mon–Fri 9am–5pm, Sat 10–14 Uhr`) or hours before days, breaks, days that are closed or left out. `lang` is a BCP 47 tag,
 * empty where nobody says; a text in another language is read where only one reading of it is possible. A part that is not understood makes the whole unknown.
 */
export function saidHours(text: string, lang = ''): SaidHours {
  // Most texts say no hours: told by what is cheap to look for.
  if (text.length > LONGEST || !maySayHours(text)) return NOTHING;
  const own = dateLanguage(lang);
  const first = own && readIn(text, own);
  // Where the page's own language speaks of days, it says what they are: `ma` is another day in the next one.
  if (first && first.said !== NOTHING && first.said !== FOREIGN) return first.said;
  const readings = DATE_LANGUAGES.flatMap((language) => (language === own ? [] : [readIn(text, language)]));
  const others = readings.filter(({ said, isGuess }) => said !== NOTHING && said !== FOREIGN && !(isGuess && own !== undefined));
  const [only, ...different] = new Map(others.map(({ said }) => [JSON.stringify(said.hours), said])).values();
  if (only && first?.limit !== undefined) return { hours: [], doubt: first.limit };
  if (only && different.length === 0) return only;
  return only || readings.some(({ said }) => said === FOREIGN) ? { hours: [], doubt: 'unclear' } : NOTHING;
}

function readIn(text: string, language: DateLanguage): Reading {
  const { tokens, doubt: limit } = hoursTokens(text, language);
  const days = tokens.flatMap((token) => (token.kind === 'days' ? [token] : []));
  const isGuess = days.every(({ short }) => short) && tokens.some(({ kind }) => kind === 'gap');
  return { said: tokens.some(({ kind }) => kind === 'foreign') ? FOREIGN : saidBy(tokens, limit), limit, isGuess };
}

function saidBy(tokens: readonly HoursToken[], limit: HoursDoubt | undefined): SaidHours {
  const segment = segmentOf(tokens);
  if (segment === undefined) return NOTHING;
  if (limit !== undefined || segment === 'unclear') return { hours: [], doubt: limit ?? 'unclear' };
  const readings = new Map([...statementsOf(segment, 'days first'), ...statementsOf(segment, 'hours first')].map((one) => [JSON.stringify(one), one]));
  const [only] = readings.values();
  const hours = only && readings.size === 1 ? hoursOf(only) : undefined;
  return hours === undefined ? { hours: [], doubt: 'unclear' } : { hours };
}

/** The one run of days and hours of a text; undefined where there is none, `unclear` where there are several or hours belong to none of them. */
function segmentOf(tokens: readonly HoursToken[]): readonly HoursToken[] | 'unclear' | undefined {
  const runs: HoursToken[][] = [[]];
  for (const token of tokens)
    if (token.kind === 'gap') runs.push([]);
    else runs.at(-1)?.push(token);
  const says = (run: readonly HoursToken[], ...kinds: HoursToken['kind'][]): boolean => run.some(({ kind }) => kinds.includes(kind));
  const whole = runs.filter((run) => says(run, 'days') && says(run, 'span', 'closed', 'loose'));
  const [run] = whole;
  if (run === undefined) return runs.some((one) => says(one, 'days')) && runs.some((one) => says(one, 'span', 'closed')) ? 'unclear' : undefined;
  if (whole.length > 1 || says(run, 'loose')) return 'unclear';
  // Days or hours that stand elsewhere in the text may belong to it.
  return runs.some((one) => one !== run && says(one, 'days', 'span', 'closed', 'loose')) ? 'unclear' : run;
}

interface Statement {
  readonly days: readonly DayNumber[];
  readonly broad: boolean;
  /** From when to when; none where it is closed. */
  readonly spans: readonly { readonly opens: string; readonly closes: string }[];
}

type Order = 'days first' | 'hours first';
const MOST_READINGS = 2;

/** Every way in which days and hours can be put together to statements; two are enough to know that it is not clear. */
function statementsOf(tokens: readonly HoursToken[], order: Order): readonly (readonly Statement[])[] {
  const known = new Map<number, readonly (readonly Statement[])[]>();
  const from = (start: number): readonly (readonly Statement[])[] => {
    const at = skipEnds(tokens, start);
    if (at >= tokens.length) return [[]];
    const found = known.get(at) ?? distinct(statementsAt(tokens, at, order).flatMap(([statement, next]) => from(next).map((rest) => [statement, ...rest])));
    known.set(at, found);
    return found;
  };
  return from(0);
}

const distinct = (readings: readonly (readonly Statement[])[]): readonly (readonly Statement[])[] =>
  [...new Map(readings.map((reading) => [JSON.stringify(reading), reading])).values()].slice(0, MOST_READINGS);

function skipEnds(tokens: readonly HoursToken[], start: number): number {
  let at = start;
  while (tokens[at]?.kind === 'end') at++;
  return at;
}

/** Statements that begin here, each with where it ends. */
function statementsAt(tokens: readonly HoursToken[], start: number, order: Order): (readonly [Statement, number])[] {
  const found: (readonly [Statement, number])[] = [];
  if (tokens[start]?.kind === 'days')
    for (const [days, next] of daysFrom(tokens, start)) {
      const at = skipEnds(tokens, next);
      if (tokens[at]?.kind === 'closed') found.push([{ ...days, spans: [] }, at + 1]);
      if (order === 'days first') for (const [spans, end] of spansFrom(tokens, at)) found.push(withException({ ...days, spans }, tokens, end));
    }
  if (tokens[start]?.kind === 'closed') for (const [days, next] of daysFrom(tokens, skipEnds(tokens, start + 1))) found.push([{ ...days, spans: [] }, next]);
  if (order === 'hours first' && tokens[start]?.kind === 'span')
    for (const [spans, at] of spansFrom(tokens, start))
      for (const [days, next] of daysFrom(tokens, skipEnds(tokens, at))) found.push([{ ...days, spans }, next]);
  return found;
}

/** A statement behind whose hours days stand that are left out of it: `daily 10–5 except Tuesdays`. */
function withException(statement: Statement, tokens: readonly HoursToken[], at: number): readonly [Statement, number] {
  const token = tokens[at];
  if (token?.kind !== 'days' || !token.except) return [statement, at];
  return [{ ...statement, days: statement.days.filter((day) => !token.days.includes(day)) }, at + 1];
}

type Days = Pick<Statement, 'days' | 'broad'>;

/** One or more mentions of days from here, those that are left out taken off; nothing goes on over the end of a sentence or line. */
function daysFrom(tokens: readonly HoursToken[], start: number): (readonly [Days, number])[] {
  const found: (readonly [Days, number])[] = [];
  let days: readonly DayNumber[] = [];
  let broad = false;
  for (let at = start; ; at++) {
    const token = tokens[at];
    if (token?.kind !== 'days' || (token.except && at === start)) return found;
    days = token.except ? days.filter((day) => !token.days.includes(day)) : [...days, ...token.days];
    broad ||= token.broad && !token.except;
    const next = tokens[at + 1];
    // What is left out belongs to what it is left out of.
    if (!(next?.kind === 'days' && next.except)) found.push([{ days: [...new Set(days)].sort((a, b) => a - b), broad }, at + 1]);
  }
}

function spansFrom(tokens: readonly HoursToken[], start: number): (readonly [Statement['spans'], number])[] {
  const found: (readonly [Statement['spans'], number])[] = [];
  const spans: Statement['spans'][number][] = [];
  for (let at = start; ; at = skipEnds(tokens, at + 1)) {
    const token = tokens[at];
    if (token?.kind !== 'span' || token.span.to === undefined) return found;
    spans.push({ opens: token.span.from, closes: token.span.to });
    found.push([[...spans], at + 1]);
  }
}

/** The hours of all statements; undefined where two of them contradict each other. A day that is named stands over a word for all days. */
function hoursOf(statements: readonly Statement[]): readonly OpeningHours[] | undefined {
  const named = new Set(statements.flatMap(({ days, broad }) => (broad ? [] : days)));
  const hours: OpeningHours[] = [];
  const taken = new Map<DayNumber, (readonly [number, number])[]>();
  for (const { days, broad, spans } of statements) {
    const own = broad && statements.length > 1 ? days.filter((day) => !named.has(day)) : days;
    if (own.length === 0) return undefined;
    const said = spans.length === 0 ? [{ opens: '00:00', closes: '00:00' }] : spans;
    for (const { opens, closes } of said)
      for (const day of own) {
        const [from, to] = spans.length === 0 ? [0, 1440] : [minutes(opens), minutes(closes) <= minutes(opens) ? 1440 : minutes(closes)];
        const others = taken.get(day) ?? [];
        if (others.some(([start, end]) => from < end && start < to)) return undefined;
        taken.set(day, [...others, [from, to]]);
      }
    hours.push(...said.map((span) => ({ days: own.map((day) => DAYS[day] as string), ...span })));
  }
  return hours;
}

const minutes = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
