import type { RemainingStep, SiteNumbers } from '../../core/rows/index.ts';
import { counted, numberText, plural } from '../../core/wording/index.ts';

export const wording = {
  steps: 'What is left, in order',
  open: 'The whole site is open to engines',
  nothingLeft: 'Nothing stands between this site and being found',
  comeBack: 'Good enough, stop here. Come back when you have written something new.',
  sky: 'The sky over the site',
  closedState: 'Closed with the site',
  lately: 'Lately',
  nothingLately: 'Nothing yet. What you change shows here.',
  another: 'Another site',
  called: 'What is this site called?',
  calledGuess: 'guessed from its pages; it stands in titles and above every result',
  calledNoGuess: 'its pages do not say; it will stand in titles and above every result',
  calledRight: 'That is its name',
  importSite: 'Open a folder, a ZIP or a new site',
};

/** The one question, answered in one sentence of three parts; the middle one is set apart. */
export function answer(numbers: SiteNumbers, open: boolean): readonly [string, string, string] {
  if (numbers.pages === 0) return ['There are ', 'no pages', ' here yet.'];
  if (!open) return ['The site is ', 'closed to engines', '.'];
  if (numbers.states.unseen === numbers.pages)
    return ['Whether people can find ', numbers.pages === 1 ? 'the page' : `these ${numberText(numbers.pages)} pages`, ' isn’t known yet.'];
  if (numbers.wanted === 0) return ['You want ', 'no page', ' of this site found.'];
  if (numbers.found === 0 && numbers.wanted === 1) return ['People cannot find ', 'the one page', ' you want found.'];
  if (numbers.found === 0) return ['People can find ', `none of the ${counted(numbers.wanted, 'page')}`, ' you want found.'];
  if (numbers.found === numbers.wanted)
    return ['People can find ', numbers.wanted === 1 ? 'the one page' : `all ${numberText(numbers.wanted)} pages`, ' you want found.'];
  return ['People can find ', `${numberText(numbers.found)} of the ${numberText(numbers.wanted)} pages`, ' you want found.'];
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const spelled = (count: number): string => NUMBERS[count] ?? String(count);

/** What is wrong, in a line. */
export function subline(numbers: SiteNumbers, steps: readonly RemainingStep[]): string {
  const { states } = numbers;
  const parts: string[] = [];
  const tell = (count: number | undefined, one: string, many: string): void => {
    if (count) parts.push(`${spelled(count)} ${count === 1 ? one : many}`);
  };
  if (!numbers.closed) tell(states['shut-out'], 'is blocked by accident', 'are blocked by accident');
  tell(states.leaking, 'is leaking', 'are leaking');
  tell(states['half-hidden'], 'is half hidden', 'are half hidden');
  tell(states['not-live'], 'is not released yet', 'are not released yet');
  const closed =
    numbers.closed && numbers.wanted > 0 ? `${counted(numbers.wanted, 'page')} you want found ${plural(numbers.wanted, 'waits', 'wait')} for it to open. ` : '';
  const first = parts.length === 0 ? '' : `${(parts[0] ?? '').charAt(0).toUpperCase()}${parts.join(', ').slice(1)}. `;
  const blocking = steps.filter((step) => step.cost === 'blocks').length;
  const left =
    steps.length === 0
      ? 'No step is left.'
      : `${capital(spelled(steps.length))} ${plural(steps.length, 'step is', 'steps are')} left${blocking > 0 && blocking < steps.length ? `; the first ${blocking === 1 ? 'matters' : `${spelled(blocking)} matter`} most` : ''}.`;
  if (states.unseen) return `${left} What counts is what is out there: have the live site looked at.`;
  return `${closed}${first}${left}${afterRelease(numbers)}`;
}

/** What a release of all that waits makes of the number of pages that are found, be it more or fewer. */
function afterRelease({ found, foundAfterRelease: after }: SiteNumbers): string {
  if (after === found) return '';
  const number = after > found ? numberText(after) : after === 0 ? 'none' : `only ${numberText(after)}`;
  return ` Once what waits is released, it will be ${number}.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
