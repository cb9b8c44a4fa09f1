import { z } from 'zod';
import { all, applyChange, changeSchema, invert, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';

/** One line of a site's journal. The journal in its order is the whole story: document, undo and redo all follow from it. */
export interface JournalEntry {
  readonly seq: number;
  readonly role: 'do' | 'undo' | 'redo';
  readonly change: Change;
  readonly inverse: Change;
  /** ISO time. */
  readonly at: string;
  /** What was done, for people. */
  readonly label: string;
  /** Entries of the same thread in a row are one step, within bounds: the keys of one text. */
  readonly thread: string | null;
  /** Whether it goes on with the step before it, told when it was made. Journals from before there were bounds do not say: there all of a thread in a row is one step. */
  readonly joins?: boolean | undefined;
  /** The screen on which it was done, as the program names it; entries of earlier days do not say. */
  readonly place?: string | undefined;
  /** Changes about the outside world, such as a release, are not taken back by undo. */
  readonly lasting: boolean;
}

/** A journal entry as it is stored. */
export const journalEntrySchema: z.ZodType<JournalEntry> = z.strictObject({
  seq: z.number().int().nonnegative(),
  role: z.enum(['do', 'undo', 'redo']),
  change: changeSchema,
  inverse: changeSchema,
  at: z.string(),
  label: z.string(),
  thread: z.string().nullable(),
  joins: z.boolean().optional(),
  place: z.string().optional(),
  lasting: z.boolean(),
});

/** What one undo takes back: an entry, or several that are one step. Its change and inverse are flat, however many entries it holds. */
export interface UndoStep {
  readonly change: Change;
  readonly inverse: Change;
  readonly label: string;
  readonly thread: string | null;
  readonly place: string | undefined;
  /** ISO times of its first and its last entry. */
  readonly since: string;
  readonly at: string;
  readonly entries: number;
}

/** What undo and redo would do now. */
export interface UndoState {
  readonly undo: readonly UndoStep[];
  readonly redo: readonly UndoStep[];
}

/** Where a step ends although its text goes on: after a pause, after a while, after so many keys. Milliseconds and entries. */
const STEP = { pause: 2_000, long: 20_000, entries: 200 } as const;
/** Most steps that can be taken back. */
const MOST_STEPS = 1_000;

/** The undo state after one more entry. An `undo` names no target: it always takes back the top of the stack, all of its entries. */
export function fold(state: UndoState, entry: JournalEntry): UndoState {
  if (entry.lasting) return state;
  const top = state.undo[state.undo.length - 1];
  if (entry.role === 'undo') return top ? { undo: state.undo.slice(0, -1), redo: [...state.redo, top] } : state;
  if (entry.role === 'redo') {
    const again = state.redo[state.redo.length - 1];
    return again ? { undo: [...state.undo, again], redo: state.redo.slice(0, -1) } : state;
  }
  const { change, inverse, label, thread, at, place } = entry;
  if (top && entry.joins !== false && isSameText(state, entry)) {
    const merged: UndoStep = {
      ...{ label, thread, at, place, since: top.since, entries: top.entries + 1 },
      // Of one field the last value holds; taken back, the first one does.
      change: all([top.change, change]),
      inverse: all([inverse, top.inverse]),
    };
    return { undo: [...state.undo.slice(0, -1), merged], redo: [] };
  }
  return { undo: [...state.undo.slice(1 - MOST_STEPS), { change, inverse, label, thread, at, place, since: at, entries: 1 }], redo: [] };
}

/** Whether an entry is of the text that the latest step is of, with nothing in between. */
function isSameText({ undo, redo }: UndoState, { thread }: Pick<JournalEntry, 'thread'>): boolean {
  return thread !== null && undo[undo.length - 1]?.thread === thread && redo.length === 0;
}

export const NOTHING_TO_UNDO: UndoState = { undo: [], redo: [] };

/** Makes the entry that does a change; `seq` and time come from outside. `undo` is the state it comes upon: by it the entry says whether it goes on with a step. */
export function doEntry(
  document: SiteDocument,
  change: Change,
  { undo, ...about }: { seq: number; at: string; label: string; thread?: string | null; place?: string; lasting?: boolean; undo?: UndoState },
): JournalEntry {
  const entry = { role: 'do' as const, change, inverse: invert(document, change), thread: null, lasting: false, ...about };
  if (!undo) return entry;
  const top = undo.undo[undo.undo.length - 1];
  if (!top || !isSameText(undo, entry)) return { ...entry, joins: false };
  const [now, last, since] = [entry.at, top.at, top.since].map((at) => Date.parse(at)) as [number, number, number];
  return { ...entry, joins: now - last <= STEP.pause && now - since <= STEP.long && top.entries < STEP.entries };
}

/** Makes the entry that undoes the latest step, or undefined where there is none. */
export function undoEntry(state: UndoState, about: { seq: number; at: string }): JournalEntry | undefined {
  const top = state.undo[state.undo.length - 1];
  return top && { role: 'undo', change: top.inverse, inverse: top.change, label: top.label, thread: null, lasting: false, ...about };
}

/** Makes the entry that does again what was undone last, or undefined. */
export function redoEntry(state: UndoState, about: { seq: number; at: string }): JournalEntry | undefined {
  const top = state.redo[state.redo.length - 1];
  return top && { role: 'redo', change: top.change, inverse: top.inverse, label: top.label, thread: null, lasting: false, ...about };
}

/** Document and undo state after a run of entries. */
export function replay(document: SiteDocument, state: UndoState, entries: readonly JournalEntry[]): { document: SiteDocument; undo: UndoState } {
  // All at once: each table is copied once, however long the journal.
  const whole: Change = { kind: 'all', changes: entries.map((entry) => entry.change) };
  return { document: entries.length === 0 ? document : applyChange(document, whole), undo: entries.reduce(fold, state) };
}
