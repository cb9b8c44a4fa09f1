import type { FindingCode } from '../checks/index.ts';
import { engineOf } from '../engines/index.ts';
import type { ResultGap } from '../results/index.ts';
import type { WordsOf } from './finding-words.ts';
import { listed } from './lists.ts';
import { faultSentence, pathWords, RESULT_WORDS } from './markup-faults.ts';

const more = (others: number): string => (others === 0 ? '' : ` And ${others} more.`);
const show = (): string => 'Show';
const take = (): string => 'Take it over';
const lacking = (gap: ResultGap, paths: readonly string[]): string => listed(paths.map(pathWords));

/** Of structured data. */
export const ABOUT_MARKUP = {
  'markup-broken': {
    name: 'Structured data that cannot be read',
    reason: 'Engines pass it over.',
    button: take,
    say: ({ fault }) => ({
      headline: 'Its structured data cannot be read',
      why: faultSentence(fault),
      mend: 'Fix it in the page’s source, or let this program replace it under Meaning.',
    }),
  },
  'markup-contradicts': {
    name: 'Structured data that the page contradicts',
    reason: 'Engines take it for deceit.',
    button: take,
    say: ({ fault, others }) => ({
      headline: 'Its structured data says what nobody sees',
      why: `${faultSentence(fault)}${more(others)} Engines take that for deceit, and show no such result.`,
      mend: 'Take it over: the page’s own values go first.',
    }),
  },
  'markup-wrong': {
    name: 'Structured data in a wrong form',
    reason: 'Engines cannot use it.',
    button: take,
    say: ({ fault, others }) => ({
      headline: 'A value of its structured data cannot be used',
      why: `${faultSentence(fault)}${more(others)}`,
      mend: 'Fix it in the page’s source, or let this program replace it under Meaning.',
    }),
  },
  'markup-odd': {
    name: 'Structured data with odd words',
    reason: 'Engines pass those words over.',
    button: take,
    say: ({ fault, others }) => ({
      headline: 'Its structured data has words that engines pass over',
      why: `${faultSentence(fault)}${more(others)}`,
      mend: 'Nothing is lost by it but those words.',
    }),
  },
  'result-missing': {
    name: 'Something is missing for a result',
    reason: 'Engines show it plain.',
    button: show,
    say: ({ gap }) => ({
      headline: `${engineOf(gap.engine).name} does not show ${RESULT_WORDS[gap.sort]}`,
      why: `It needs ${lacking(gap, gap.missing)}, and the page does not say that.`,
      mend: 'Write it on the page, or say it at Meaning.',
    }),
  },
  'result-thin': {
    name: 'A result could show more',
    reason: 'A fuller result is pressed more often.',
    button: show,
    say: ({ gap }) => ({
      headline: 'The result could show more',
      why: `${engineOf(gap.engine).name} would also take ${lacking(gap, gap.better)}.`,
      mend: 'Write it on the page, or say it at Meaning.',
    }),
  },
  'markup-unseen': {
    name: 'Structured data on a page that is kept out',
    reason: 'Nobody makes a result of it.',
    button: show,
    say: () => ({
      headline: 'Structured data on a page that is kept out',
      why: 'Engines make no result of it while the page stays out.',
      mend: 'Nothing has to be done.',
    }),
  },
  'markup-misfit': {
    name: 'A value that cannot be written',
    reason: 'It is kept, and not released.',
    button: show,
    say: ({ path, others }) => ({
      headline: `What you wrote for ${pathWords(path)} is kept, but not written`,
      why: `It is not in the form that engines read.${more(others)} What the page says goes out meanwhile.`,
      mend: 'Write it as the field asks for it.',
    }),
  },
} as const satisfies Partial<WordsOf<FindingCode>>;
