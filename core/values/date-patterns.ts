import { clockPattern } from './clock.ts';
import { DATE_WORDS, oneOf, type DateLanguage, type DateWords } from './date-words.ts';

/** What dates of a language look like. Groups: `d1` `m1` `y1` of a span's beginning, `d2` `m2` `y2` of the only day or of its end, `to` or `and` between them. */
export interface DatePatterns {
  readonly words: DateWords;
  /** Number of the month, from 1, by its word. */
  readonly months: ReadonlyMap<string, number>;
  /** Each finds dates anywhere. */
  readonly days: readonly RegExp[];
  /** An hour right behind a date, and one right in front of it. */
  readonly behind: RegExp;
  readonly before: RegExp;
  /** What stands between two dates that are the ends of a span, and nothing else. */
  readonly between: RegExp;
}

/** Signs between the two ends of a span. */
export const DASH = '[-–—−~〜～]';
const YEAR = String.raw`(?:19|20)\d\d`;
const YEAR_END = String.raw`(?!\d|[.,]\d)`;
const DAY = String.raw`[0-3]?\d`;
/** Marks behind the number of a day. */
const MARK = String.raw`(?:st|nd|rd|th|ers?|ère|[.º°ª])?`;
const ARTICLE = String.raw`(?:(?:the|den|dem|le|el|il|i|dia|dias|am|vom|de|da|du|del|dal|od|op)\s+)?`;

/** Each form of each of some words, in one alternation; where there are no words, nothing fits. */
const anyForm = (words: readonly string[]): string => oneOf(words.flatMap((forms) => forms.split(' '))) || '(?!)';
const weekday = ({ days }: DateWords): string => String.raw`(?:(?:${anyForm(days)})\.?,?\s+)?`;

/** What joins the ends of a span, with what may stand in front of its second day. */
const joined = (words: DateWords): string =>
  String.raw`(?:(?<to>\s*${DASH}\s*|\s+(?:${words.to})\s+)|(?<and>\s*[&+/]\s*|\s+(?:${words.and})\s+))${ARTICLE}${weekday(words)}${ARTICLE}`;

function worded(words: DateWords): readonly string[] {
  if (words.months.length === 0) return [];
  const month = anyForm(words.months);
  const of = words.of === '' ? '' : String.raw`(?:(?:${words.of})\s+)?`;
  const name = (at: 1 | 2): string => String.raw`(?<m${at}>${month})\.?(?!\p{L})`;
  const year = (at: 1 | 2): string => String.raw`(?:,\s*|\s+)${of}(?<y${at}>${YEAR})`;
  const join = joined(words);
  return [
    // 4 May 2026; 4–6 May 2026; 30 May to 2 June 2026
    String.raw`(?<![\d.,:/])(?:(?<d1>${DAY})${MARK}(?:\s*${of}${name(1)}(?:${year(1)})?)?${join})?(?<![\d.:])(?<d2>${DAY})${MARK}\s*${of}${name(2)}${year(2)}${YEAR_END}`,
    // May 4, 2026; May 4–6, 2026; May 30 to June 2, 2026
    String.raw`(?<!\p{L})(?:(?<m1>${month})\.?\s+(?<d1>${DAY})(?!\d)${MARK}(?:,?\s*(?<y1>${YEAR}))?${join}(?:(?<m2>${month})\.?\s+)?|(?<m3>${month})\.?\s+)(?<d2>${DAY})(?!\d)${MARK}(?:,\s*|\s+)(?<y2>${YEAR})${YEAR_END}`,
  ];
}

/** Dates in digits, the day or the month first: `03.05.–05.05.2026`. */
const numbers = (words: DateWords): string =>
  String.raw`(?<![\d.,:/-])(?:(?<d1>\d{1,2})(?:[./](?:(?<m1>\d{1,2})(?:[./](?<y1>${YEAR})?)?)?)?${joined(words)})?(?<d2>\d{1,2})(?<mark>[./-])(?<m2>\d{1,2})\k<mark>(?<y2>${YEAR})(?!\d|[.,/-]\d)`;
/** The year first, in digits. */
const YEAR_FIRST = String.raw`(?<![\d.,:/-])(?<y2>${YEAR})(?<sign>[./-])(?<m2>\d{1,2})\k<sign>(?<d2>\d{1,2})(?!\d|[./-]\d)`;
const EAST = (at: 1 | 2, isWhole: boolean): string => {
  const year = String.raw`(?:(?<era${at}>令和|平成|昭和|大正)(?<count${at}>元|\d{1,2})|(?<y${at}>${YEAR}))年\s*`;
  const month = String.raw`(?<m${at}>\d{1,2})月\s*`;
  return isWhole ? `${year}${month}(?<d${at}>\\d{1,2})日` : `(?:(?:${year})?${month})?(?<d${at}>\\d{1,2})日`;
};
const WEEKDAY = String.raw`(?:\s*(?:[(（][^)）\d]{1,8}[)）]|[月火水木金土日]曜日?))?`;
const JAPANESE = [
  String.raw`(?<!\d)${EAST(1, true)}${WEEKDAY}(?:(?<to>\s*(?:${DASH}|から)\s*)|(?<and>\s*[・、と]\s*))${EAST(2, false)}`,
  String.raw`(?<!\d)${EAST(2, true)}`,
];

const clocks = (words: DateWords): string =>
  String.raw`(?:(?<named>${words.at})\s*)?${clockPattern(words, 1)}(?:\s*(?:${DASH}|\s(?:${words.to})\s|から)\s*(?:(?:${words.at})\s+)?${clockPattern(words, 2)})?(?!\d|[.,:/]\d|\s?(?:%|km\b|€|£|\$|月)|${MARK}\s+(?:(?:${words.of || 'of'})\s+)?(?:${anyForm(words.months)})(?!\p{L}))`;
const ZONE = String.raw`(?:\s?[(]?(?<zone>UTC(?:[+-]\d{1,2})?|GMT|CES?T|MES?Z|JST|[+-]\d\d:\d\d)(?![\p{L}\d])[)]?)?`;

const made = new Map<string, DatePatterns>();

/** The patterns of a language, made when they are asked for first. */
export function datePatterns(language: DateLanguage): DatePatterns {
  const known = made.get(language);
  if (known) return known;
  const words = DATE_WORDS[language];
  const patterns: DatePatterns = {
    words,
    months: new Map(words.months.flatMap((forms, at) => forms.split(' ').map((form) => [form, at + 1] as const))),
    days: [...worded(words), ...(language === 'ja' ? JAPANESE : []), numbers(words), YEAR_FIRST].map((pattern) => new RegExp(pattern, 'giu')),
    behind: new RegExp(
      String.raw`^(?:\s?r\.)?${WEEKDAY}\s*(?:[,·|;(]\s*)?(?:${DASH}\s+)?(?:@\s*)?${clocks(words)}${ZONE}(?!\s?(?:of|de|d['’]|di|von|places?|people)(?!\p{L}))`,
      'iu',
    ),
    before: new RegExp(String.raw`${clocks(words)}\s*(?:,\s*)?(?:(?:on|am|le|el|il|op|no dia|w|dnia)\s+)?${weekday(words)}${ARTICLE}$`, 'iu'),
    between: new RegExp(String.raw`^${WEEKDAY}\)?\s*${joined(words)}$`, 'iu'),
  };
  made.set(language, patterns);
  return patterns;
}
