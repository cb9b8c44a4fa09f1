import { z } from 'zod';
import { applyChange, changeSchema, invert, type Change } from './changes.ts';
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
  /** Entries of the same thread in a row are one step: the keys of one text. */
  readonly thread: string | null;
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
  lasting: z.boolean(),
});

/** What undo and redo would do now. */
export interface UndoState {
  readonly undo: readonly JournalEntry[];
  readonly redo: readonly JournalEntry[];
}

/** The undo state after one more entry. An `undo` names no target: it always takes back the top of the stack, thread and all. */
export function fold(state: UndoState, entry: JournalEntry): UndoState {
  if (entry.lasting) return state;
  if (entry.role === 'undo') {
    const top = state.undo[state.undo.length - 1];
    return top ? { undo: state.undo.slice(0, -1), redo: [...state.redo, top] } : state;
  }
  if (entry.role === 'redo') {
    const top = state.redo[state.redo.length - 1];
    return top ? { undo: [...state.undo, top], redo: state.redo.slice(0, -1) } : state;
  }
  const top = state.undo[state.undo.length - 1];
  if (top && entry.thread !== null && top.thread === entry.thread && state.redo.length === 0) {
    const merged: JournalEntry = {
      ...entry,
      inverse: { kind: 'all', changes: [entry.inverse, top.inverse] },
      change: { kind: 'all', changes: [top.change, entry.change] },
    };
    return { undo: [...state.undo.slice(0, -1), merged], redo: [] };
  }
  return { undo: [...state.undo, entry], redo: [] };
}

export const NOTHING_TO_UNDO: UndoState = { undo: [], redo: [] };

/** Makes the entry that does a change; `seq` and time come from outside. */
export function doEntry(
  document: SiteDocument,
  change: Change,
  about: { seq: number; at: string; label: string; thread?: string | null; lasting?: boolean },
): JournalEntry {
  return { role: 'do', change, inverse: invert(document, change), thread: null, lasting: false, ...about };
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
  return entries.reduce((sum, entry) => ({ document: applyChange(sum.document, entry.change), undo: fold(sum.undo, entry) }), { document, undo: state });
}
