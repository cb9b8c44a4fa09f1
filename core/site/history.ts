import { z } from 'zod';
import { renamed } from '../saved/index.ts';
import { all, applyChange, changeSchema, invert, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';

/**
 * A journal entry as it is stored: one line of a site's journal. The journal in its order is the whole story: document, undo and redo all follow from it.
 * Entries have no version of their own; what was called otherwise before is read by its former name.
 */
export const journalEntrySchema = z.preprocess(
  upToDateEntry,
  z.strictObject({
    seq: z.number().int().nonnegative(),
    role: z.enum(['do', 'undo', 'redo']),
    change: changeSchema,
    inverse: changeSchema,
    /** ISO time. */
    at: z.string(),
    /** What was done, for people. */
    label: z.string(),
    /** Entries of the same key in a row are one step, within bounds: the keys of one text. */
    coalesceKey: z.string().nullable(),
    /** Whether it goes on with the step before it, told when it was made. Journals from before there were bounds do not say: there all of a key in a row is one step. */
    joins: z.boolean().optional(),
    /** The screen on which it was done, as the program names it; entries of earlier days do not say. */
    place: z.string().optional(),
    /** Changes about the outside world, such as a release, are not taken back by undo. */
    notUndoable: z.boolean(),
  }),
);
export type JournalEntry = Readonly<z.infer<typeof journalEntrySchema>>;

/** A stored entry with today's names; those of tables are seen to where changes are read. */
function upToDateEntry(saved: unknown): unknown {
  return renamed(saved, { thread: 'coalesceKey', lasting: 'notUndoable' });
}

/** What one undo takes back: an entry, or several that are one step. Its change and inverse are flat, however many entries it holds. */
export interface UndoStep {
  readonly change: Change;
  readonly inverse: Change;
  readonly label: string;
  readonly coalesceKey: string | null;
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
  if (entry.notUndoable) return state;
  const top = state.undo[state.undo.length - 1];
  if (entry.role === 'undo') return top ? { undo: state.undo.slice(0, -1), redo: [...state.redo, top] } : state;
  if (entry.role === 'redo') {
    const again = state.redo[state.redo.length - 1];
    return again ? { undo: [...state.undo, again], redo: state.redo.slice(0, -1) } : state;
  }
  const { change, inverse, label, coalesceKey, at, place } = entry;
  if (top && entry.joins !== false && isSameText(state, entry)) {
    const merged: UndoStep = {
      ...{ label, coalesceKey, at, place, since: top.since, entries: top.entries + 1 },
      // Of one field the last value holds; taken back, the first one does.
      change: all([top.change, change]),
      inverse: all([inverse, top.inverse]),
    };
    return { undo: [...state.undo.slice(0, -1), merged], redo: [] };
  }
  return { undo: [...state.undo.slice(1 - MOST_STEPS), { change, inverse, label, coalesceKey, at, place, since: at, entries: 1 }], redo: [] };
}

/** Whether an entry is of the text that the latest step is of, with nothing in between. */
function isSameText({ undo, redo }: UndoState, { coalesceKey }: Pick<JournalEntry, 'coalesceKey'>): boolean {
  return coalesceKey !== null && undo[undo.length - 1]?.coalesceKey === coalesceKey && redo.length === 0;
}

export const NOTHING_TO_UNDO: UndoState = { undo: [], redo: [] };

/** Makes the entry that does a change; `seq` and time come from outside. `undo` is the state it comes upon: by it the entry says whether it goes on with a step. */
export function doEntry(
  document: SiteDocument,
  change: Change,
  { undo, ...about }: { seq: number; at: string; label: string; coalesceKey?: string | null; place?: string; notUndoable?: boolean; undo?: UndoState },
): JournalEntry {
  const entry = { role: 'do' as const, change, inverse: invert(document, change), coalesceKey: null, notUndoable: false, ...about };
  if (!undo) return entry;
  const top = undo.undo[undo.undo.length - 1];
  if (!top || !isSameText(undo, entry)) return { ...entry, joins: false };
  const [now, last, since] = [entry.at, top.at, top.since].map((at) => Date.parse(at)) as [number, number, number];
  return { ...entry, joins: now - last <= STEP.pause && now - since <= STEP.long && top.entries < STEP.entries };
}

/** Makes the entry that undoes the latest step, or undefined where there is none. */
export function undoEntry(state: UndoState, about: { seq: number; at: string }): JournalEntry | undefined {
  const top = state.undo[state.undo.length - 1];
  return top && { role: 'undo', change: top.inverse, inverse: top.change, label: top.label, coalesceKey: null, notUndoable: false, ...about };
}

/** Makes the entry that does again what was undone last, or undefined. */
export function redoEntry(state: UndoState, about: { seq: number; at: string }): JournalEntry | undefined {
  const top = state.redo[state.redo.length - 1];
  return top && { role: 'redo', change: top.change, inverse: top.inverse, label: top.label, coalesceKey: null, notUndoable: false, ...about };
}

/** Document and undo state after a run of entries. */
export function replay(document: SiteDocument, state: UndoState, entries: readonly JournalEntry[]): { document: SiteDocument; undo: UndoState } {
  // All at once: each table is copied once, however long the journal.
  const whole: Change = { kind: 'all', changes: entries.map((entry) => entry.change) };
  return { document: entries.length === 0 ? document : applyChange(document, whole), undo: entries.reduce(fold, state) };
}
