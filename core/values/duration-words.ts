import type { DateLanguage } from './date-words.ts';

/** How a language speaks of lengths of time: patterns in lower case. */
export interface DurationWords {
  readonly weeks: string;
  readonly days: string;
  readonly hours: string;
  readonly minutes: string;
  readonly seconds: string;
  /** Numbers from one on that stand written out before a unit, each with its forms; never an article that a price has too. */
  readonly numbers: readonly string[];
  /** Thirty minutes, and an hour and thirty minutes. */
  readonly halfHour: string;
  readonly hourAndHalf: string;
  /** What stands behind hours and puts half of one to them. */
  readonly andHalf: string;
  readonly and: string;
  /** What stands before a length that is only a bound, or one of two, or no length: at most, every, within. */
  readonly limit: string;
}

/** A new language is a row here; the compiler asks for each part of it. */
export const DURATION_WORDS: Readonly<Record<DateLanguage, DurationWords>> = {
  en: {
    weeks: 'weeks?|wks?',
    days: 'days?',
    hours: 'hours?|hrs?|h',
    minutes: 'minutes?|mins?|m',
    seconds: 'seconds?|secs?|s',
    numbers: ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'],
    halfHour: 'half an hour|a half hour|half[- ]hour',
    hourAndHalf: 'an hour and a half|one and a half hours|one hour and a half',
    andHalf: 'and a half',
    and: 'and',
    limit: 'up to|at most|at least|more than|less than|over|under|every|each|per|within|in|after|before|for the first|last|next|or',
  },
  de: {
    weeks: 'wochen?',
    days: 'tage?n?|tg\\.',
    hours: 'stunden?|std\\.?|h',
    minutes: 'minuten?|min\\.?',
    seconds: 'sekunden?|sek\\.?',
    numbers: ['einen?|eine[rs]?', 'zwei', 'drei', 'vier', 'fünf', 'sechs', 'sieben', 'acht', 'neun', 'zehn'],
    halfHour: '(?:eine )?halbe stunde',
    hourAndHalf: 'anderthalb stunden|eineinhalb stunden',
    andHalf: '(?!)',
    and: 'und|u\\.',
    limit: 'bis zu|bis|höchstens|maximal|max\\.|mindestens|mind\\.|mehr als|weniger als|über|unter|alle|jede|pro|je|innerhalb|in|binnen|nach|vor|oder',
  },
  fr: {
    weeks: 'semaines?|sem\\.',
    days: 'jours?|j',
    hours: 'heures?|h',
    minutes: 'minutes?|min\\.?|mn',
    seconds: 'secondes?|s',
    numbers: ['une?', 'deux', 'trois', 'quatre', 'cinq', 'six', 'sept', 'huit', 'neuf', 'dix'],
    halfHour: '(?:une )?demi[- ]heure',
    hourAndHalf: 'une heure et demie',
    andHalf: 'et demie',
    and: 'et',
    limit: "jusqu[’']à|au plus|au moins|maximum|minimum|plus de|moins de|chaque|toutes les|par|dans|en|sous|après|avant|ou|à",
  },
  es: {
    weeks: 'semanas?',
    days: 'd[ií]as?',
    hours: 'horas?|hrs?|h',
    minutes: 'minutos?|min\\.?',
    seconds: 'segundos?|seg\\.?',
    numbers: ['una?', 'dos', 'tres', 'cuatro', 'cinco', 'seis', 'siete', 'ocho', 'nueve', 'diez'],
    halfHour: 'media hora',
    hourAndHalf: '(?:una )?hora y media',
    andHalf: 'y media',
    and: 'y',
    limit: 'hasta|como máximo|al menos|mínimo|máximo|más de|menos de|cada|por|dentro de|en|tras|antes de|o',
  },
  it: {
    weeks: 'settiman[ae]',
    days: 'giorn[io]|gg\\.?',
    hours: 'or[ae]|h',
    minutes: 'minut[io]|min\\.?',
    seconds: 'second[io]|sec\\.?',
    numbers: ['un[ao]?', 'due', 'tre', 'quattro', 'cinque', 'sei', 'sette', 'otto', 'nove', 'dieci'],
    halfHour: "mezz[’']ora|mezza ora",
    hourAndHalf: "un[’']ora e mezz[ao]|un ora e mezz[ao]",
    andHalf: 'e mezz[ao]',
    and: 'e',
    limit: 'fino a|al massimo|almeno|massimo|minimo|più di|meno di|ogni|per|entro|tra|fra|in|dopo|prima di|o',
  },
  nl: {
    weeks: 'we(?:ek|ken)',
    days: 'dag(?:en)?',
    hours: 'uur|uren|u',
    minutes: 'minu(?:ut|ten)|min\\.?',
    seconds: 'seconden?|sec\\.?',
    numbers: ['één|een', 'twee', 'drie', 'vier', 'vijf', 'zes', 'zeven', 'acht', 'negen', 'tien'],
    halfHour: '(?:een )?half uur|halfuur',
    hourAndHalf: 'anderhalf uur',
    andHalf: '(?!)',
    and: 'en',
    limit: 'tot|maximaal|minstens|minimaal|meer dan|minder dan|elke|ieder|per|binnen|in|na|voor|of',
  },
  pt: {
    weeks: 'semanas?',
    days: 'dias?',
    hours: 'horas?|hrs?|h',
    minutes: 'minutos?|min\\.?',
    seconds: 'segundos?|seg\\.?',
    numbers: ['uma?', 'dois|duas', 'três', 'quatro', 'cinco', 'seis', 'sete', 'oito', 'nove', 'dez'],
    halfHour: 'meia hora',
    hourAndHalf: '(?:uma )?hora e meia',
    andHalf: 'e meia',
    and: 'e',
    limit: 'até|no máximo|pelo menos|mínimo|máximo|mais de|menos de|cada|por|dentro de|em|após|antes de|ou',
  },
  pl: {
    weeks: 'tydzień|tygodnie|tygodni|tyg\\.',
    days: 'dzień|dni',
    hours: 'godzin[aęy]?|godz\\.?|h',
    minutes: 'minut[aęy]?|min\\.?',
    seconds: 'sekund[aęy]?|sek\\.?',
    numbers: ['jedn[aąe]|jeden', 'dwie|dwa', 'trzy', 'cztery', 'pięć', 'sześć', 'siedem', 'osiem', 'dziewięć', 'dziesięć'],
    halfHour: 'pół godziny',
    hourAndHalf: 'półtorej godziny',
    andHalf: 'i pół',
    and: 'i',
    limit: 'do|maksymalnie|co najmniej|minimum|ponad|mniej niż|co|każde|za|w ciągu|po|przed|lub|albo|na',
  },
  ja: {
    weeks: '週間',
    days: '日間|日',
    hours: '時間',
    minutes: '分間?',
    seconds: '秒間?',
    numbers: [],
    halfHour: '半時間',
    hourAndHalf: '一時間半',
    andHalf: '半',
    and: 'と',
    limit: '最大|最低|以内|約?〜|ごとに|毎|から',
  },
};
