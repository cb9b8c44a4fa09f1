import { halfHidden, leaking, shutOut } from './against-intent.ts';
import { addressTaken } from './address-taken.ts';
import { descriptionCut } from './description-cut.ts';
import { descriptionMissing } from './description-missing.ts';
import { descriptionSame } from './description-same.ts';
import type { Check, CheckInput, Cost, QuickFix, Stop } from './check.ts';
import type { PageFacts } from '../page/index.ts';
import { headingMissing } from './heading-missing.ts';
import { imageAltMissing } from './image-alt-missing.ts';
import { langMissing } from './lang-missing.ts';
import { nameNumber } from './name-number.ts';
import { titleNear } from './title-near.ts';
import { descriptionNear } from './description-near.ts';
import { phraseFought } from './phrase-fought.ts';
import { phrasePlaces } from './phrase-places.ts';
import { keywordsMany } from './keywords-many.ts';
import { linksBroken } from './links-broken.ts';
import { linksNone } from './links-none.ts';
import { charsetMissing } from './charset-missing.ts';
import { templateLeft } from './template-left.ts';
import { notWritable } from './not-writable.ts';
import { canonicalSeveral } from './canonical-several.ts';
import { oneEngine } from './one-engine.ts';
import { noscriptNoindex } from './noscript-noindex.ts';
import { secondSpelling } from './second-spelling.ts';
import { headingSeveral } from './heading-several.ts';
import { headingOrder } from './heading-order.ts';
import { markupMisfit } from './markup-misfit.ts';
import { markupUnseen } from './markup-unseen.ts';
import { markupBroken, markupContradicts, markupOdd, markupWrong } from './markup-faults.ts';
import { resultMissing, resultThin } from './result-missing.ts';
import { headingWall } from './heading-wall.ts';
import { textThin } from './text-thin.ts';
import { sentenceLong } from './sentence-long.ts';
import { paragraphLong } from './paragraph-long.ts';
import { readingHard } from './reading-hard.ts';
import { wordingCare } from './wording-care.ts';
import { titleCut } from './title-cut.ts';
import { titleLeftover } from './title-leftover.ts';
import { titleMissing } from './title-missing.ts';
import { titleOutsideHead } from './title-outside-head.ts';
import { titleSame } from './title-same.ts';
import { titleSeveral } from './title-several.ts';

const ALL = [
  shutOut,
  leaking,
  halfHidden,
  oneEngine,
  addressTaken,
  canonicalSeveral,
  templateLeft,
  notWritable,
  noscriptNoindex,
  charsetMissing,
  titleMissing,
  titleLeftover,
  nameNumber,
  titleSame,
  descriptionMissing,
  descriptionSame,
  phraseFought,
  titleCut,
  descriptionCut,
  titleSeveral,
  titleOutsideHead,
  headingMissing,
  imageAltMissing,
  langMissing,
  titleNear,
  descriptionNear,
  phrasePlaces,
  keywordsMany,
  linksBroken,
  linksNone,
  secondSpelling,
  headingSeveral,
  headingOrder,
  headingWall,
  textThin,
  sentenceLong,
  paragraphLong,
  readingHard,
  wordingCare,
  markupBroken,
  markupContradicts,
  markupWrong,
  resultMissing,
  markupMisfit,
  markupOdd,
  resultThin,
  markupUnseen,
] as const;

type FoundBy<C> = C extends Check<infer F> ? F : never;
/** What any check found. */
export type Finding = FoundBy<(typeof ALL)[number]>;
export type FindingCode = Finding['code'];

/** All checks, in the order in which findings of one cost are told. */
export const CHECKS: readonly Check<Finding>[] = ALL as unknown as readonly Check<Finding>[];

/** What one press can do about a finding, or where it leads; undefined where only hands in the page's source can mend it. */
export function quickFixOf(finding: Finding, title: string): QuickFix | undefined {
  return checkOf(finding.code).fix?.(finding, title);
}

/** Where in the page's text a finding stands, as a UTF-16 offset; undefined for what is missing, or not in this page. */
export function findingPlace(finding: Finding, facts: PageFacts): number | undefined {
  return checkOf(finding.code).place?.(facts, finding);
}

const byCode = new Map<FindingCode, Check<Finding>>(CHECKS.map((check) => [check.code, check]));

/** The check behind a code. */
export function checkOf(code: FindingCode): Check<Finding> {
  const check = byCode.get(code);
  if (!check) throw new RangeError(`no check ${code}`);
  return check;
}

export const costOf = (finding: Finding): Cost => checkOf(finding.code).cost;
export const stopOf = (finding: Finding): Stop => checkOf(finding.code).stop;

const RANK: Readonly<Record<Cost, number>> = { blocks: 0, weakens: 1, polish: 2 };

/** Runs all checks on one page; findings come sorted by what they cost. */
export function checkPage(input: CheckInput): Finding[] {
  const out = input.intent.intent === 'out';
  const found: Finding[] = [];
  for (const check of CHECKS) {
    if ((out && !check.alsoWhenOut) || input.ignored.has(check.code)) continue;
    const finding = check.look(input);
    if (finding) found.push(finding);
  }
  return sorted(found);
}

/** What checks of the words look at: states and gates follow from them, so they are not asked. */
export type WordsInput = Omit<CheckInput, 'state' | 'way' | 'others'>;

/** The findings about the words of one page alone; cheap enough for each key. */
export function checkWords(input: WordsInput): Finding[] {
  const out = input.intent.intent === 'out';
  return sorted(WORDS.flatMap((check) => ((out && !check.alsoWhenOut) || input.ignored.has(check.code) ? [] : (check.look(input as CheckInput) ?? []))));
}

/** Whether words of this page, or its structured data, weaken it: what makes "findable" into "findable, to mend". */
export function weakens(input: WordsInput): boolean {
  return JUDGED.some((check) => check.cost === 'weakens' && !input.ignored.has(check.code) && check.look(input as CheckInput) !== undefined);
}

const WORDS = CHECKS.filter((check) => check.stop === 'words');
const JUDGED = CHECKS.filter((check) => check.stop === 'words' || check.stop === 'meaning');
/** What the owner may let be: words are a matter of judgement, whether a page can be found, or be there at all, is not. */
export const IGNORABLE: readonly FindingCode[] = JUDGED.filter((check) => check.cost !== 'blocks').map((check) => check.code);
const sorted = (findings: Finding[]): Finding[] => findings.sort((a, b) => RANK[costOf(a)] - RANK[costOf(b)]);

/** The same at one stop of those where pages are walked through: structured data is a matter of its own. */
export function isEnoughAt(stop: 'words' | 'meaning', findings: readonly Finding[]): boolean {
  return findings.every((finding) => costOf(finding) === 'polish' || (stopOf(finding) === 'meaning') !== (stop === 'meaning'));
}

/** The "enough" line: nothing blocks the page and nothing weakens it. Polish is for those who like it. */
export function isEnough(findings: readonly Finding[]): boolean {
  return findings.every((finding) => costOf(finding) === 'polish');
}
