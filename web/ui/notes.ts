import type { ExternalToast } from 'sonner';

/** A short note at the foot of the screen. */
export interface Note {
  readonly text: string;
  readonly tone: 'plain' | 'good' | 'bad';
  readonly options: Pick<ExternalToast, 'id' | 'duration' | 'action'>;
}

const waiting: Note[] = [];
let listener: (() => void) | undefined;

/** Says something at the foot of the screen; with an action such as "Undo" where there is one. What shows notes is loaded with the first of them. */
export function note(text: string, options: Note['options'] = {}, tone: Note['tone'] = 'plain'): void {
  waiting.push({ text, tone, options });
  listener?.();
}

/** Takes the notes that wait, and hears of new ones; gives a function that stops. */
export function hearNotes(heard: () => void): () => void {
  listener = heard;
  if (waiting.length > 0) heard();
  return () => {
    listener = undefined;
  };
}

export function takeNotes(): readonly Note[] {
  return waiting.splice(0);
}
