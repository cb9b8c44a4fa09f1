/** Hours of some days of the week, as markup has them. */
export interface OpeningHours {
  /** Names of the vocabulary: `Monday` and so on. */
  readonly days: readonly string[];
  /** `09:00`; both `00:00` where it is closed all day. */
  readonly opens: string;
  readonly closes: string;
}

export const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** Names of the days from Monday, whole and short, by language. */
const NAMES: readonly (readonly string[])[] = [
  ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'],
  ['mondays', 'tuesdays', 'wednesdays', 'thursdays', 'fridays', 'saturdays', 'sundays'],
  ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
  ['mo', 'tu', 'we', 'th', 'fr', 'sa', 'su'],
  ['mon', 'tues', 'weds', 'thurs', 'fri', 'sat', 'sun'],
  ['montag', 'dienstag', 'mittwoch', 'donnerstag', 'freitag', 'samstag', 'sonntag'],
  ['montags', 'dienstags', 'mittwochs', 'donnerstags', 'freitags', 'sonnabend', 'sonntags'],
  ['mo', 'di', 'mi', 'do', 'fr', 'sa', 'so'],
  ['lundi', 'mardi', 'mercredi', 'jeudi', 'vendredi', 'samedi', 'dimanche'],
  ['lun', 'mar', 'mer', 'jeu', 'ven', 'sam', 'dim'],
  ['lunes', 'martes', 'miércoles', 'jueves', 'viernes', 'sábado', 'domingo'],
  ['lun', 'mar', 'mié', 'jue', 'vie', 'sáb', 'dom'],
  ['月', '火', '水', '木', '金', '土', '日'],
  ['月曜', '火曜', '水曜', '木曜', '金曜', '土曜', '日曜'],
  ['月曜日', '火曜日', '水曜日', '木曜日', '金曜日', '土曜日', '日曜日'],
];
const DAY_OF = new Map<string, number>(NAMES.flatMap((names) => names.map((name, at) => [name, at] as const)));
const DAY_WORD = [...DAY_OF.keys()].sort((a, b) => b.length - a.length).join('|');
const TO = String.raw`\s*(?:-|–|—|~|〜|to|through|till|until|bis|à|au|a|al|から)\s*`;
const AND = String.raw`\s*(?:,|;|&|\+|/|and|und|et|y|・|、)\s*`;
const DAY_LIST = new RegExp(String.raw`(?<![\p{L}])((?:${DAY_WORD})\.?(?:(?:${TO}|${AND})(?:${DAY_WORD})\.?)*)(?![\p{L}])`, 'giu');
const DAY_NAMES = new RegExp(DAY_WORD, 'gu');
const BETWEEN = new RegExp(`^${TO}$`, 'iu');
const CLOCK = String.raw`(\d{1,2})(?:\s?[:.h時]\s?(\d{2})?分?)?\s*(am|pm|a\.m\.|p\.m\.|uhr|h)?`;
const SPAN = new RegExp(String.raw`(?<!\d)${CLOCK}${TO}${CLOCK}(?!\d)`, 'giu');
const ANY_SPAN = new RegExp(SPAN.source, 'iu');
const CLOSED = /\b(closed|geschlossen|ferm[ée]|cerrado)\b|定休|休み/iu;

/** The opening hours that a text says: days, then hours, as `Mon–Fri 9am–5pm, Sat 10–14 Uhr` or `Mo-Fr 09:00-17:00`. Days of which no hours are said, and hours that make no sense, are left out. */
export function hoursIn(text: string): OpeningHours[] {
  // Most texts say no hours: told by what is cheap to look for.
  if (!ANY_SPAN.test(text) && !CLOSED.test(text)) return [];
  const lists = [...text.slice(0, 2000).matchAll(DAY_LIST)];
  return lists.flatMap(({ 0: whole, index }, at): OpeningHours[] => {
    const rest = text.slice(index + whole.length, Math.min(lists[at + 1]?.index ?? Infinity, index + whole.length + 80));
    const days = daysOf(whole).map((day) => DAYS[day] as string);
    const spans = [...rest.matchAll(SPAN)].flatMap((span) => spanOf(span) ?? []);
    if (spans.length > 0) return spans.map((span) => ({ days, ...span }));
    return CLOSED.test(rest) ? [{ days, opens: '00:00', closes: '00:00' }] : [];
  });
}

function daysOf(list: string): number[] {
  const found: number[] = [];
  let from: number | undefined;
  let end = 0;
  for (const { 0: word, index } of list.toLowerCase().matchAll(DAY_NAMES)) {
    const day = DAY_OF.get(word) as number;
    if (from !== undefined && BETWEEN.test(list.slice(end, index).replace(/^\./, '')))
      for (let next = (from + 1) % 7; next !== day; next = (next + 1) % 7) found.push(next);
    found.push(day);
    [from, end] = [day, index + word.length];
  }
  return [...new Set(found)].sort((a, b) => a - b);
}

function spanOf(span: RegExpMatchArray): { readonly opens: string; readonly closes: string } | undefined {
  const [, hour = '', minute, half, hour2 = '', minute2, half2] = span;
  const later = /^p/i.test(half2 ?? '');
  const opens = clock(hour, minute, half ?? (later && Number(hour) < Number(hour2) && Number(hour2) < 12 ? half2 : undefined));
  const closes = clock(hour2, minute2, half2);
  return opens === undefined || closes === undefined || opens === closes ? undefined : { opens, closes };
}

function clock(hour: string, minute: string | undefined, half: string | undefined): string | undefined {
  const minutes = Number(minute ?? 0);
  let hours = Number(hour);
  if (/^p/i.test(half ?? '') && hours < 12) hours += 12;
  if (/^a/i.test(half ?? '') && hours === 12) hours = 0;
  if (hours === 24 && minutes === 0) return '23:59';
  return hours > 23 || minutes > 59 ? undefined : `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`;
}
