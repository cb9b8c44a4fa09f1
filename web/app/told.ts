import type { Told } from '../workspace/index.ts';

/** What is told beside what the owner does. */
export const TOLD: Readonly<Record<Told | 'stumbled', { readonly text: string; readonly tone: 'plain' | 'good' | 'bad' }>> = {
  refused: { text: 'Not changed: that is longer than can be kept. What was there before is still there.', tone: 'bad' },
  'saved-again': { text: 'Everything is saved again.', tone: 'good' },
  'reader-back': { text: 'The part that reads the pages had stopped and was started again. Nothing you wrote is lost.', tone: 'plain' },
  stumbled: { text: 'Something did not work as it should. Everything you wrote is kept. If a screen looks wrong, reload the program.', tone: 'bad' },
};
