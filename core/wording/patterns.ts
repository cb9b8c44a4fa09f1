import type { PatternFault } from '../ledger/index.ts';

/** What is wrong with a regular expression, in plain words. */
const WORDS: Readonly<Record<PatternFault, string>> = {
  'bracket-open': 'a bracket ( is not closed',
  'bracket-closed': 'a bracket ) closes what was never opened',
  'class-open': 'a bracket [ is not closed',
  'nothing-to-repeat': 'there is nothing before it that could be repeated',
  'repeat-twice': 'one repetition stands right behind another',
  'not-known': 'this is not known here: what stands before or behind cannot be looked at',
  'backslash-last': 'a backslash stands last, with nothing behind it',
  escape: 'this means nothing behind a backslash; what a group found cannot be asked for again',
  range: 'this is no range of signs: the first must come before the last',
  count: 'so many repetitions cannot be asked for: 1,000 at most, the smaller number first',
  'group-name': 'this is no name for a group, or it is there twice',
  'no-such-group': 'the replacement names a group that the expression does not have',
  'edge-inside': '\\b is known only at the beginning and at the end',
  other: 'it cannot be read',
};

/** What is wrong with a regular expression, and where: "a bracket ( is not closed, at sign 3: (a". */
export function patternFaultWords({ fault, at, part }: { readonly fault: PatternFault; readonly at: number; readonly part: string }): string {
  return `${WORDS[fault]}, at sign ${at + 1}${part === '' ? '' : `: ${part}`}`;
}
