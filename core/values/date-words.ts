/** The languages whose dates, hours and days of the week are read, by the first part of a BCP 47 tag. */
export const DATE_LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pt', 'pl', 'ja'] as const;
export type DateLanguage = (typeof DATE_LANGUAGES)[number];

/** How a language speaks of days and hours. Words are in lower case; several forms of one are parted by blanks. */
export interface DateWords {
  /** From January, forms of each. Empty where months have numbers. */
  readonly months: readonly string[];
  /** From Monday, forms of each. */
  readonly days: readonly string[];
  /** Patterns: what stands between the two ends of a span, and what between two of a list. */
  readonly to: string;
  readonly and: string;
  /** What stands between a day and its month, and a month and its year. */
  readonly of: string;
  /** What stands in front of an hour. */
  readonly at: string;
  /** What stands behind an hour and makes a number one. */
  readonly hour: string;
  readonly noon: string;
  readonly midnight: string;
  /** Whether hours are counted to twelve where nothing is said. */
  readonly toTwelve: boolean;
}

/** A new language is a row here; the compiler asks for each part of it. */
export const DATE_WORDS: Readonly<Record<DateLanguage, DateWords>> = {
  en: {
    months: [
      'january jan',
      'february feb',
      'march mar',
      'april apr',
      'may',
      'june jun',
      'july jul',
      'august aug',
      'september sept sep',
      'october oct',
      'november nov',
      'december dec',
    ],
    days: [
      'monday mondays mon mo',
      'tuesday tuesdays tues tue tu',
      'wednesday wednesdays weds wed we',
      'thursday thursdays thurs thur thu th',
      'friday fridays fri fr',
      'saturday saturdays sat sa',
      'sunday sundays sun su',
    ],
    to: 'to|through|thru|until|till|til',
    and: 'and',
    of: 'of',
    at: 'at|from|starting at|starts at|beginning at|between',
    hour: "hrs|hours|o['’]clock",
    noon: '12 noon|noon|midday|12 midday',
    midnight: '12 midnight|midnight',
    toTwelve: true,
  },
  de: {
    months: [
      'januar jänner jan',
      'februar feber feb',
      'märz maerz mär mrz',
      'april apr',
      'mai',
      'juni jun',
      'juli jul',
      'august aug',
      'september sept sep',
      'oktober okt',
      'november nov',
      'dezember dez',
    ],
    days: [
      'montag montags mo',
      'dienstag dienstags di',
      'mittwoch mittwochs mi',
      'donnerstag donnerstags do',
      'freitag freitags fr',
      'samstag samstags sonnabend sonnabends sa',
      'sonntag sonntags sonn- so',
    ],
    to: 'bis einschließlich|bis zum|bis',
    and: 'und|u\\.',
    of: '',
    at: 'um|ab|von|gegen|jeweils|beginn|beginn um',
    hour: 'uhr',
    noon: 'mittags',
    midnight: 'mitternacht',
    toTwelve: false,
  },
  fr: {
    months: [
      'janvier janv jan',
      'février fevrier févr fév',
      'mars',
      'avril avr',
      'mai',
      'juin',
      'juillet juil',
      'août aout',
      'septembre sept',
      'octobre oct',
      'novembre nov',
      'décembre decembre déc',
    ],
    days: [
      'lundi lundis lun lu',
      'mardi mardis mar ma',
      'mercredi mercredis mer me',
      'jeudi jeudis jeu je',
      'vendredi vendredis ven ve',
      'samedi samedis sam sa',
      'dimanche dimanches dim di',
    ],
    to: "jusqu[’']au|au|à|a",
    and: 'et',
    of: '',
    at: 'à partir de|à|dès|de',
    hour: 'heures|heure|h',
    noon: 'midi',
    midnight: 'minuit',
    toTwelve: false,
  },
  es: {
    months: [
      'enero ene',
      'febrero feb',
      'marzo mar',
      'abril abr',
      'mayo may',
      'junio jun',
      'julio jul',
      'agosto ago',
      'septiembre setiembre sept sep',
      'octubre oct',
      'noviembre nov',
      'diciembre dic',
    ],
    days: [
      'lunes lun lu l',
      'martes mar ma',
      'miércoles miercoles mié mie mi x',
      'jueves jue ju',
      'viernes vie vi v',
      'sábado sabado sábados sabados sáb sab sa s',
      'domingo domingos dom do d',
    ],
    to: 'hasta el|hasta|al|a',
    and: 'y|e',
    of: 'del|de',
    at: 'a partir de las|a las|a la|desde las|de|a',
    hour: 'horas|hrs|h',
    noon: 'mediodía|mediodia',
    midnight: 'medianoche',
    toTwelve: false,
  },
  it: {
    months: [
      'gennaio gen',
      'febbraio feb',
      'marzo mar',
      'aprile apr',
      'maggio mag',
      'giugno giu',
      'luglio lug',
      'agosto ago',
      'settembre sett set',
      'ottobre ott',
      'novembre nov',
      'dicembre dic',
    ],
    days: ['lunedì lunedi lun', 'martedì martedi mar', 'mercoledì mercoledi mer', 'giovedì giovedi gio', 'venerdì venerdi ven', 'sabato sab', 'domenica dom'],
    to: "fino alla|fino al|alla|al|alle ore|alle|all[’']|a",
    and: 'e|ed',
    of: 'di',
    at: "dalle ore|dalle|dalla|alle ore|alle|all[’']|ore|h",
    hour: 'ore|h',
    noon: 'mezzogiorno',
    midnight: 'mezzanotte',
    toTwelve: false,
  },
  nl: {
    months: [
      'januari jan',
      'februari feb',
      'maart mrt',
      'april apr',
      'mei',
      'juni jun',
      'juli jul',
      'augustus aug',
      'september sept sep',
      'oktober okt',
      'november nov',
      'december dec',
    ],
    days: ['maandag ma', 'dinsdag di', 'woensdag wo', 'donderdag do', 'vrijdag vr', 'zaterdag za', 'zondag zo'],
    to: 't/m|tot en met|tot',
    and: 'en',
    of: '',
    at: 'om|vanaf|van|aanvang',
    hour: 'uur|u',
    noon: '12 uur ’s middags',
    midnight: 'middernacht',
    toTwelve: false,
  },
  pt: {
    months: [
      'janeiro jan',
      'fevereiro fev',
      'março marco mar',
      'abril abr',
      'maio mai',
      'junho jun',
      'julho jul',
      'agosto ago',
      'setembro set',
      'outubro out',
      'novembro nov',
      'dezembro dez',
    ],
    days: [
      'segunda-feira segunda 2ª seg',
      'terça-feira terça 3ª ter',
      'quarta-feira quarta 4ª qua',
      'quinta-feira quinta 5ª qui',
      'sexta-feira sexta 6ª sex',
      'sábado sabado sábados sáb sab',
      'domingo domingos dom',
    ],
    to: 'até|ao|à|às|a',
    and: 'e',
    of: 'de',
    at: 'a partir das|às|as|das|pelas|a',
    hour: 'horas|hs|hrs|h',
    noon: 'meio-dia|meio dia',
    midnight: 'meia-noite|meia noite',
    toTwelve: false,
  },
  pl: {
    months: [
      'stycznia styczeń sty',
      'lutego luty lut',
      'marca marzec mar',
      'kwietnia kwiecień kwi',
      'maja maj',
      'czerwca czerwiec cze',
      'lipca lipiec lip',
      'sierpnia sierpień sie',
      'września wrzesień wrz',
      'października październik paź',
      'listopada listopad lis',
      'grudnia grudzień gru',
    ],
    days: [
      'poniedziałek poniedziałki poniedziałku pon pn',
      'wtorek wtorki wtorku wt',
      'środa środy środę śr',
      'czwartek czwartki czwartku czw cz',
      'piątek piątki piątku pt pią',
      'sobota soboty sobotę sob sb',
      'niedziela niedziele niedzielę niedz ndz nd',
    ],
    to: 'do',
    and: 'i|oraz',
    of: '',
    at: 'o godzinie|o godz\\.?|godzina|godz\\.?|od godz\\.?|od|o',
    hour: 'godz\\.?',
    noon: 'południe|w południe',
    midnight: 'północ|o północy',
    toTwelve: false,
  },
  ja: {
    months: [],
    days: ['月曜日 月曜 月', '火曜日 火曜 火', '水曜日 水曜 水', '木曜日 木曜 木', '金曜日 金曜 金', '土曜日 土曜 土', '日曜日 日曜 日'],
    to: 'から',
    and: 'と',
    of: '',
    // Nothing: what stands in front of a Japanese hour says which half of the day it is in.
    at: '(?!)',
    hour: '時',
    noon: '正午',
    midnight: '深夜0時',
    toTwelve: false,
  },
};

/** The language of a tag, where its words are known. */
export function dateLanguage(tag: string): DateLanguage | undefined {
  const language = tag.slice(0, 2).toLowerCase();
  return tag.length === 2 || /^..[-_]/.test(tag) ? DATE_LANGUAGES.find((one) => one === language) : undefined;
}

/** What text patterns are made of: the longest of some words first, so that none is cut short by another. */
export const oneOf = (words: readonly string[]): string => [...new Set(words)].sort((a, b) => b.length - a.length).join('|');
