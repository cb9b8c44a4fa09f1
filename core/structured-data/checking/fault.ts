import type { MarkupTrouble } from '../../markup/index.ts';

/** What can be wrong with structured data. */
export type FaultCode =
  | MarkupTrouble['code']
  | 'type-unknown'
  | 'type-superseded'
  | 'property-unknown'
  | 'property-elsewhere'
  | 'property-superseded'
  | 'value-empty'
  | 'value-thing'
  | 'value-text'
  | 'value-number'
  | 'value-boolean'
  | 'member-unknown'
  | 'id-nowhere'
  | 'date-form'
  | 'duration-form'
  | 'time-form'
  | 'price-form'
  | 'currency-form'
  | 'language-form'
  | 'country-form'
  | 'telephone-form'
  | 'address-form'
  | 'not-shown'
  | 'picture-missing'
  | 'trail-differs'
  | 'not-canonical';

/** One fault, with its place in the page's source. Plain data. */
export interface MarkupFault {
  readonly code: FaultCode;
  /** The thing and the property that it is about, by their names. */
  readonly type: string;
  readonly property: string;
  /** What stands there. */
  readonly word: string;
  /** What was probably meant, or is asked for. */
  readonly meant?: string | undefined;
  readonly start: number;
  readonly end: number;
}

/** Longest word that is kept of a page's own. */
export const LONGEST_WORD = 120;
/** Faults of one page that are kept. */
export const MOST_FAULTS = 60;

/** Faults that engines lose a result by, or take for deceit; all others are polish. */
const GRAVE: ReadonlySet<FaultCode> = new Set([
  'json-broken',
  'too-deep',
  'too-much',
  'not-shown',
  'picture-missing',
  'price-form',
  'date-form',
  'currency-form',
]);
/** Faults that make a whole block unreadable. */
const UNREADABLE: ReadonlySet<FaultCode> = new Set(['json-broken', 'json-repaired', 'too-deep', 'too-much', 'nothing-in-it']);
/** Faults by which markup says what no visitor sees. */
const UNSEEN: ReadonlySet<FaultCode> = new Set(['not-shown', 'picture-missing']);

/** What a fault is a matter of: each is of one sort, and each sort has its check. */
export type FaultSort = 'unreadable' | 'contradicts' | 'wrong' | 'odd';
export const faultSort = (fault: Pick<MarkupFault, 'code'>): FaultSort =>
  UNREADABLE.has(fault.code) ? 'unreadable' : UNSEEN.has(fault.code) ? 'contradicts' : isGrave(fault) ? 'wrong' : 'odd';

export const isGrave = ({ code }: Pick<MarkupFault, 'code'>): boolean => GRAVE.has(code);
