import type { Language, LanguageCode } from '../language/index.ts';
import { count } from './standing.ts';

/** Where a sentence may end that is too long: what follows is a second statement, or tells more of what was said. */
interface Joints {
  /** A second statement, wherever it stands. */
  readonly second: string;
  /** More about the last thing said; only where nothing else follows it. */
  readonly more: string;
}

const JOINTS: Readonly<Partial<Record<LanguageCode, Joints>>> = {
  en: {
    second: 'but|while|whereas|because|so that|although|though|and thus|and therefore',
    more: 'which|who|whose|where|including|such as|for example|e\\.g\\.|like|allowing|making|giving|using|providing|especially|in particular|as well as|rather than|instead of|without|unless|even|similar to|based on|known as|called|depending on|used',
  },
  de: {
    second: 'aber|während|weil|obwohl|so dass|sodass|wobei|sondern',
    more: 'der|die|das|den|dem|deren|dessen|welche[rsnm]?|wie|einschließlich|beispielsweise|insbesondere|damit|indem|um|ohne|z\\. ?B\\.',
  },
  fr: {
    second: 'mais|car|tandis que|alors que|bien que|parce que|afin',
    more: 'qui|que|dont|où|y compris|notamment|comme|par exemple|tel(?:le)?s? que|en particulier|ce qui|sans',
  },
  es: { second: 'pero|porque|mientras que|aunque|sino', more: 'que|cuy[oa]s?|donde|incluyendo|como|por ejemplo|especialmente|lo que|sin' },
  it: { second: 'ma|perché|mentre|sebbene|anche se', more: 'che|cui|dove|inclus[oaie]|come|ad esempio|in particolare|senza' },
  nl: { second: 'maar|omdat|terwijl|hoewel|zodat', more: 'die|dat|waar|waaronder|zoals|bijvoorbeeld|met name|zonder' },
  pt: { second: 'mas|porque|enquanto|embora', more: 'que|cuj[oa]s?|onde|incluindo|como|por exemplo|especialmente|sem' },
};

const behindComma = (words: string): RegExp => new RegExp(`,\\s(?:${words})\\s`, 'giu');
const PATTERNS = new Map(Object.entries(JOINTS).map(([code, { second, more }]) => [code, { second: behindComma(second), more: behindComma(more) }]));

/** Notes in brackets: numbers, dates, "see …", or more than a few words. What is short is mostly another name, and stays. */
const NOTE = /\s*[([](?:[^()[\]]*(?:\d|\b(?:see|siehe|voir|véase|vedi|zie|e\.g\.|i\.e\.)\b)[^()[\]]*|[^()[\]]{25,})[)\]]|\s*（[^（）]*）/giu;

/** A sentence without the notes that it holds in brackets. */
export function withoutNotes(sentence: string): string {
  const bare = sentence.replace(NOTE, '');
  return /[\p{L}\p{N}]/u.test(bare) ? bare : sentence;
}

/**
 * Ways in which a sentence can end earlier and still be one, longest first: before a semicolon or a dash, before a second statement, before what only tells
 * more of the last thing said. The words are its own, and none is cut inside; only the full stop is new.
 */
export function earlierEnds(sentence: string, language: Language): string[] {
  const found: number[] = [];
  const add = (at: number): void => void found.push(at);
  for (const { index } of sentence.matchAll(/;\s|；/g)) add(index);
  // One dash sets a second statement apart; two set a note in.
  const dashes = [...sentence.matchAll(/\s[\u2013\u2014-]\s/g)];
  if (dashes.length === 1) add((dashes[0] as RegExpExecArray).index);
  if (language.tag === 'zh') for (const { index } of sentence.matchAll(/，(?=[并但而以使]|从而|例如|包括|因此|所以)/g)) add(index);
  const joints = PATTERNS.get(language.code);
  if (joints) {
    for (const { index } of sentence.matchAll(joints.second)) add(index);
    for (const { index } of sentence.matchAll(joints.more)) if (!sentence.slice(index + 2).includes(', ')) add(index);
  }
  return found
    .sort((a, b) => b - a)
    .map((at) => sentence.slice(0, at))
    .filter((head) => isWhole(head))
    .map((head) => `${head}${stopFor(head)}`);
}

/** The full stop of the script that a text ends in. */
export function stopFor(text: string): string {
  return /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}][」』”）]?$/u.test(text) ? '。' : '.';
}

/** Whether quotes and brackets that a text opens are closed in it, and it does not end with what needs more. */
function isWhole(head: string): boolean {
  return (
    count(head, /[([（]/g) === count(head, /[)\]）]/g) &&
    count(head, /["]/g) % 2 === 0 &&
    count(head, /[“„]/g) <= count(head, /[”“]/g) &&
    !/(?:^|\s)(?:and|or|of|the|a|an|to|with|for|in|und|oder|der|die|das|et|ou|de|y|o|e)$|[,:(]$/i.test(head)
  );
}
