import { clockOf, clockPattern, clockTime, type SaidClock } from './clock.ts';
import { DASH } from './date-patterns.ts';
import { DATE_LANGUAGES, DATE_WORDS, oneOf, type DateLanguage, type DateWords } from './date-words.ts';
import { HOURS_WORDS } from './hours-words.ts';

/** A day of the week from Monday, 0; 7 stands for public holidays. */
export type DayNumber = number;

/** A part of a text about hours. `days`: some, in one breath; `broad` where a single word named all of them, `short` where none is written out. `gap`: words that say something else. */
export type HoursToken =
  | { readonly kind: 'days'; readonly days: readonly DayNumber[]; readonly broad: boolean; readonly except: boolean; readonly short: boolean }
  | { readonly kind: 'span'; readonly span: SaidClock }
  /** `loose`: an hour that no other one belongs to. `foreign`: a day or a word for closed of another language. */
  | { readonly kind: 'closed' | 'end' | 'gap' | 'loose' | 'foreign' };

const EDGE = String.raw`(?![\p{L}\d’'])`;
const START = String.raw`(?<![\p{L}\d])`;
const HOLIDAYS = 7;

interface Scanner {
  readonly words: DateWords;
  readonly dayOf: ReadonlyMap<string, DayNumber>;
  readonly days: RegExp;
  readonly part: RegExp;
  readonly all: readonly (readonly [RegExp, readonly DayNumber[]])[];
  readonly except: RegExp;
  readonly closed: RegExp;
  readonly always: RegExp;
  readonly span: RegExp;
  readonly loose: RegExp;
  readonly foreign: RegExp;
  readonly filler: RegExp;
  readonly season: RegExp;
  readonly condition: RegExp;
}

/** Names of days that are as long as this are known for what they are in a text of another language, which is then not read by this one's words. */
const SURE_NAME = 5;
const SURE_WORD = new RegExp(`\\p{L}{${SURE_NAME}}|曜`, 'u');

function scannerOf(language: DateLanguage): Scanner {
  const words = DATE_WORDS[language];
  const said = HOURS_WORDS[language];
  const names = (of: DateWords): (readonly [string, DayNumber])[] => of.days.flatMap((forms, day) => forms.split(' ').map((form) => [form, day] as const));
  const dayOf = new Map(names(words));
  const foreign = DATE_LANGUAGES.flatMap((other) => names(DATE_WORDS[other]).flatMap(([name]) => (name.length >= SURE_NAME && !dayOf.has(name) ? [name] : [])));
  const isEast = language === 'ja';
  const day = String.raw`(?:${oneOf([...dayOf.keys()])}|${said.holidays})(?:\.(?!\s*$))?`;
  const to = String.raw`\s*(?:${DASH}|(?<=[\s.])(?:${words.to}|bis|to)(?=\s)|から)\s*(?:(?:${said.filler})\s+)?`;
  const and = isEast ? String.raw`\s*[・と、,]?\s*` : String.raw`\s*(?:[&+/]|(?<=[\s.,])(?:${words.and})(?=\s))\s*(?:(?:${said.filler})\s+){0,2}`;
  const range = `${day}(?:${to}${day})?`;
  // In Japanese a sign of a day stands beside others without a blank, and is a month or a number's where a number is before it.
  const [before, behind] = isEast ? ['(?<![\\p{Script=Han}\\d])', '(?!\\p{Script=Han})'] : [START, EDGE];
  const name = (pattern: string): string => (isEast ? pattern : `(?<!\\p{L})${pattern}(?!\\p{L})`);
  const word = (pattern: string): RegExp => new RegExp(isEast ? `(?:${pattern})` : `${START}(?:${pattern})${EDGE}`, 'iuy');
  const anywhere = (pattern: string): RegExp => new RegExp(isEast ? `(?:${pattern})` : `${START}(?:${pattern})(?![\\p{L}\\d])`, 'iu');
  const at = String.raw`(?:(?:${words.at})\s*)?`;
  const join = String.raw`\s*(?:${DASH}|(?<![\p{L}])(?:${words.to}|bis|to)(?![\p{L}])|から)\s*`;
  const months = words.months.flatMap((forms) => forms.split(' ').filter((form) => form.length > 3 && form !== 'sept'));
  return {
    words,
    dayOf,
    days: new RegExp(`${before}${range}(?:${and}${range})*${isEast ? '(?!\\p{Script=Han}(?<![定営休開]))' : behind}`, 'iuy'),
    part: new RegExp(
      `${name(`(${oneOf([...dayOf.keys()])})`)}|${name(`(${said.holidays})`)}|(${DASH}|(?<![\\p{L}])(?:${words.to}|bis|to)(?![\\p{L}])|から)`,
      'giu',
    ),
    all: [
      [word(said.daily), [0, 1, 2, 3, 4, 5, 6]],
      [word(said.weekdays), [0, 1, 2, 3, 4]],
      [word(said.weekend), [5, 6]],
    ],
    except: word(said.except),
    closed: word(said.closed),
    always: word(said.always),
    span: new RegExp(
      String.raw`${at}${clockPattern(words, 1)}${join}${at}${clockPattern(words, 2)}(?:\s?(?:hrs|uhr|uur|h|まで)(?![\p{L}]))?(?!\d|[.,:/]\d|\s?%)`,
      'iuy',
    ),
    loose: new RegExp(String.raw`(?:\d{1,2}\s?[:h時]\s?[0-5]\d|\d{1,2}\s?(?:[ap]\.?m\b|uhr\b|時|h\b|${words.hour})|\d{1,2}\s?${DASH}\s?\d{1,2}(?!\d))`, 'iuy'),
    foreign: new RegExp(
      `(?<!\\p{L})(?:${oneOf(foreign)}|${DATE_LANGUAGES.flatMap((other) => (other === language ? [] : [HOURS_WORDS[other].closed])).join('|')})(?!\\p{L})`,
      'iuy',
    ),
    filler: word(said.filler),
    season: anywhere(months.length === 0 ? `${said.season}|\\d{1,2}月` : `${said.season}|(?:${oneOf(months)})`),
    condition: anywhere(said.condition),
  };
}

const scanners = new Map<DateLanguage, Scanner>();
const scannerFor = (language: DateLanguage): Scanner => {
  const known = scanners.get(language) ?? scannerOf(language);
  scanners.set(language, known);
  return known;
};

const SEPARATOR = /[\s,:•·()[\]–—/&+、：，~〜-]+/uy;
const END = /[.;|\n。；]+/uy;
/** `0900-1730`: hours of four digits, on both sides. */
const FOUR_DIGITS = /(?<!\d)([01]\d|2[0-4])([0-5]\d)(\s?(?:hrs|h|uhr)?\s?(?:[-–—]|to|bis)\s?)([01]\d|2[0-4])([0-5]\d)(?!\d)/giu;

/** What makes days and hours of a text mean less than they say, where something does. */
export type HoursDoubt = 'season' | 'condition';

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];
const WHOLE_DAY: HoursToken = { kind: 'span', span: { from: '00:00', to: '23:59', overnight: false } };
/** Words, a number or a sign of which nothing is known. */
const UNKNOWN = /[\p{L}’']{1,60}|\d{1,60}|[^]/uy;

/** A text cut into what it says of days and hours, as a language writes them. */
export function hoursTokens(text: string, language: DateLanguage): { readonly tokens: readonly HoursToken[]; readonly doubt: HoursDoubt | undefined } {
  const scanner = scannerFor(language);
  const source = text.replace(FOUR_DIGITS, '$1:$2$3$4:$5');
  const tokens: HoursToken[] = [];
  let except = false;
  const daysToken = (days: readonly DayNumber[], broad: boolean, short: boolean): HoursToken => ({ kind: 'days', days, broad, except, short });
  /** What is looked for at each place, in this order, and the tokens that it is; undefined where it is none after all. */
  const rules: readonly (readonly [RegExp, (found: RegExpExecArray) => readonly HoursToken[] | undefined])[] = [
    [END, () => [{ kind: 'end' }]],
    [SEPARATOR, ([signs]) => (signs.includes('\n') ? [{ kind: 'end' }] : [])],
    [
      scanner.except,
      () => {
        except = true;
        return [];
      },
    ],
    [scanner.closed, () => [{ kind: 'closed' }]],
    [
      scanner.always,
      ([words]) => (words.includes('/7') ? [{ kind: 'days', days: EVERY_DAY, broad: true, except: false, short: false }, WHOLE_DAY] : [WHOLE_DAY]),
    ],
    ...scanner.all.map(([words, days]) => [words, () => [daysToken(days, true, false)]] as const),
    [scanner.days, ([list]) => (isMeant(list) ? [daysToken(daysOf(list, scanner), false, !SURE_WORD.test(list))] : undefined)],
    [scanner.span, ({ groups = {} }) => [spanToken(groups, scanner.words, tokens.at(-1))]],
    [scanner.loose, () => [{ kind: 'loose' }]],
    [scanner.foreign, () => [{ kind: 'foreign' }]],
    [scanner.filler, () => []],
    [UNKNOWN, () => (tokens.at(-1)?.kind === 'gap' ? [] : [{ kind: 'gap' }])],
  ];
  for (let at = 0; at < source.length;) {
    let length = 0;
    for (const [pattern, tokensOf] of rules) {
      pattern.lastIndex = at;
      const found = pattern.exec(source);
      const made = found && found[0] !== '' ? tokensOf(found) : undefined;
      if (!found || made === undefined) continue;
      tokens.push(...made);
      // What is left out stands right behind the word for it; words that say nothing do not part them.
      if (pattern !== SEPARATOR && made.some(({ kind }) => kind !== 'days' && kind !== 'gap')) except = false;
      length = found[0].length;
      break;
    }
    at += length || 1;
  }
  return { tokens, doubt: scanner.season.test(source) ? 'season' : scanner.condition.test(source) ? 'condition' : undefined };
}

function spanToken(groups: Readonly<Record<string, string | undefined>>, words: DateWords, before: HoursToken | undefined): HoursToken {
  const span = (isEarly(groups) ? undefined : clockOf(groups, words, true)) ?? laterOf(groups, words, before?.kind === 'span' ? before.span : undefined);
  return span === undefined ? { kind: 'loose' } : { kind: 'span', span };
}

/** Short names of one letter are days only in capitals: `L-V`. */
const isMeant = (days: string): boolean => !/(?<!\p{L})[lxvsd](?!\p{L})/u.test(days);

/** Bare hours so early that in any language they may as well be those of the afternoon: `de 5 a 8`. */
const isEarly = ({ hour1, hour2, minute1, minute2, half1, half2, front1, unit1, unit2 }: Readonly<Record<string, string | undefined>>): boolean =>
  hour1 !== undefined &&
  hour2 !== undefined &&
  /^[1-6]$/.test(hour1) &&
  Number(hour2) <= 12 &&
  [minute1, minute2, half1, half2, front1].every((part) => part === undefined) &&
  !/uhr|uur|godz|時/i.test(`${unit1} ${unit2}`);

/** Hours after others of the same day that are counted to twelve: `12–2.30, 6–9.30` goes on in the afternoon. */
function laterOf(groups: Readonly<Record<string, string | undefined>>, words: DateWords, before: SaidClock | undefined): SaidClock | undefined {
  if (!words.toTwelve || before?.to === undefined || before.overnight) return undefined;
  const [from, to] = [1, 2].map((at) => {
    const hour = Number(groups[`hour${at}`]);
    return groups[`hour${at}`] === undefined || hour > 12 ? undefined : ((hour % 12) + 12) * 60 + Number(groups[`minute${at}`] ?? 0);
  });
  if (from === undefined || to === undefined || from >= to || clockTime(from) < before.to || before.to < '12:00') return undefined;
  return { from: clockTime(from), to: clockTime(to), overnight: false };
}

function daysOf(list: string, { part, dayOf }: Scanner): DayNumber[] {
  const found = new Set<DayNumber>();
  let from: DayNumber | undefined;
  let isSpan = false;
  for (const [, name, holidays, to] of list.matchAll(part)) {
    if (to !== undefined) {
      isSpan = from !== undefined;
      continue;
    }
    const day = holidays !== undefined ? HOLIDAYS : (dayOf.get((name as string).toLowerCase()) as DayNumber);
    if (isSpan && from !== undefined && from < HOLIDAYS && day < HOLIDAYS) for (let next = (from + 1) % 7; next !== day; next = (next + 1) % 7) found.add(next);
    found.add(day);
    [from, isSpan] = [day, false];
  }
  return [...found];
}
