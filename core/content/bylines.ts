import type { DateLanguage } from '../values/index.ts';

/** How a language says who wrote a page: patterns in lower case. */
interface BylineWords {
  /** What was done to the words, which may stand before the word for who did it, with a date between. */
  readonly wrote: string;
  readonly by: string;
  /** Labels in front of a name. */
  readonly author: string;
  /** What ends a name: a day, a place, a part of the site. */
  readonly behind: string;
}

/** A new language is a row here; the compiler asks for each part of it. */
const WORDS: Readonly<Record<DateLanguage, BylineWords>> = {
  en: { wrote: 'written|posted|published|words|text|story|article|reported|submitted', by: 'by', author: 'author|writer|words', behind: 'on|in|at|under|for' },
  de: {
    wrote: 'geschrieben|verfasst|veröffentlicht|text|ein beitrag|beitrag|erstellt',
    by: 'von',
    author: 'autor(?:in)?|verfasser(?:in)?|text',
    behind: 'am|in|unter|für|um',
  },
  fr: { wrote: 'écrit|rédigé|publié|posté|texte|article', by: 'par', author: 'auteure?|autrice|texte', behind: 'le|dans|à|pour|en' },
  es: { wrote: 'escrito|publicado|redactado|texto|artículo', by: 'por', author: 'autora?|texto', behind: 'el|en|para' },
  it: { wrote: 'scritto|pubblicato|testo|articolo|redatto', by: 'da|di', author: 'autore|autrice|testo', behind: 'il|in|per|alle' },
  nl: { wrote: 'geschreven|geplaatst|gepubliceerd|tekst|artikel', by: 'door', author: 'auteur|tekst|schrijver', behind: 'op|in|om|voor' },
  pt: { wrote: 'escrito|publicado|postado|texto|artigo', by: 'por', author: 'autora?|texto', behind: 'em|no|na|às|para' },
  pl: { wrote: 'napisan[eya]|opublikowan[eya]|dodan[eya]', by: 'przez', author: 'autor(?:ka)?|tekst|napisała?', behind: 'w|dnia|o' },
  ja: { wrote: '(?!)', by: '(?!)', author: '文|著者|執筆者?|筆者|投稿者|ライター', behind: '(?!)' },
};

const every = (part: keyof BylineWords): string =>
  Object.values(WORDS)
    .map((words) => words[part])
    .join('|');
const NAME = String.raw`(?<name>\S.{1,59}?)`;
const ENDS = String.raw`(?=\s*(?:[,·|•;(/\n]|[–—]|\s-\s|$)|\s+(?:${every('behind')})\s|\s+\d)`;
const DONE = new RegExp(`^(?:${every('wrote')})\\s*(?::|[^:]{0,40}?)\\s*(?<!\\p{L})(?:${every('by')}):?\\s+${NAME}${ENDS}`, 'iu');
const AFTER_DATE = new RegExp(`^[^\\p{L}]{0,4}\\d[^:]{3,30}?\\s(?:[·|,–-]\\s*)?(?:${every('by')})\\s+${NAME}${ENDS}`, 'iu');
const PLAIN = new RegExp(`^(?:${every('by')}):?\\s+${NAME}${ENDS}`, 'iu');
const LABELLED = new RegExp(`^(?:${every('author')})\\s*[:：]\\s*${NAME}(?=\\s*(?:[,·|•;(/]|[–—]|$)|\\s+(?:${every('behind')})\\s|\\s+\\d)`, 'iu');

const SMALL = '(?:van|von|de|der|den|del|della|la|le|di|da|do|dos|ter|zu|al|bin|y|e)';
const PART = String.raw`(?:\p{Lu}[\p{L}’'-]*\.?|(?:O|D|d|l|L)['’]\p{Lu}\p{L}+)`;
const PERSON = new RegExp(String.raw`^${PART}(?:\s+(?:${SMALL}\s+){0,2}${PART}){0,4}$`, 'u');
const EASTERN = /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]{2,12}$/u;
/** What stands behind "by" in capitals too and is nobody. */
const NOBODY =
  /^(?:appointment|hand|default|law|train|car|bus|bike|boat|air|sea|post|mail|phone|email|request|design|nature|day|night|the|our|a|monday|tuesday|wednesday|thursday|friday|saturday|sunday|admin|administrator|editor|staff|team|redaktion|guest|anonymous|montag|dienstag|mittwoch|donnerstag|freitag|samstag|sonntag|hand|hier|heute|telefon|amour|hasard|avion|téléphone|teléfono|favor|ejemplo|noi|oggi|telefono|redazione|ons|exemplo|redação|redakcja)(?![\p{L}])/iu;

/** Words that are no part of a name, though a heading has them in capitals, and what bodies call themselves: who writes for one is not told by it. */
const NO_NAME =
  /(?:^|\s)(?:an|auf|mit|bei|und|oder|et|y|lo|the|of|to|and|or|para|con|per|en|sur|our|your|council|society|club|association|committee|department|university|museum|trust|team|group|company|ltd|inc|llc|gmbh|verein|e\.v|redaktion|agentur|agency|studio|press|media|news|magazine|verlag)(?:[\s.]|$)/iu;

/** The name of whoever a text says wrote the page; undefined where it says nobody's, or only a first name without a word for writing. */
export function bylineIn(text: string): string | undefined {
  if (text.length > 200) return undefined;
  const told = DONE.exec(text) ?? LABELLED.exec(text) ?? AFTER_DATE.exec(text);
  const name = (told ?? PLAIN.exec(text))?.groups?.['name']?.trim();
  // French names have their small words small: in capitals they are those of a heading.
  if (name === undefined || !isPerson(name) || (!told && /^par\s/i.test(text) && /\sD(?:e|u|es)\s/.test(name))) return undefined;
  return told || EASTERN.test(name) || /\s/.test(name) ? name : undefined;
}

/** Whether a text is somebody's name and nothing else. */
export const isPerson = (text: string): boolean => (PERSON.test(text) || EASTERN.test(text)) && !NOBODY.test(text) && !NO_NAME.test(text);
