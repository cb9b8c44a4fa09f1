import { emptyDocument, NOTHING_TO_UNDO, type JournalEntry, type SiteDocument, type UndoState } from '../../core/site/index.ts';
import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import type { Analysis, PageDetail, WorkerNews } from '../analysis/index.ts';
import type { Outside } from '../outside/index.ts';
import type { Database, SiteRecord } from '../storage/index.ts';
import { NO_ROWS, type PageRows } from './page-rows.ts';
import type { SaveTrouble } from './trouble.ts';

/** Effects the workspace needs, handed over once at start-up. */
export interface WorkspaceTools {
  readonly db: Database;
  readonly analysis: Analysis;
  /** Tells when the worker is gone, there again, or cannot be started. */
  readonly watchAnalysis: (hear: (news: WorkerNews) => void) => () => void;
  /** Tries to start a worker that could not be had. */
  readonly startAnalysisAgain: () => void;
  /** Names this very build of the program: rows kept by another one are not read. */
  readonly build: string;
  /** Tells the owner of something that happened beside what they do. */
  readonly tell: (what: Told) => void;
  readonly outside: Outside;
  readonly now: () => Date;
  /** A name that nobody else has: a UUID. */
  readonly newId: () => string;
  /** Names this tab among others: keys of two tabs are never one step. */
  readonly tab: string;
  /** Tells other tabs of the same browser; `listen` gives a function that stops. */
  readonly announce: (siteId: string) => void;
  readonly listen: (heard: (siteId: string) => void) => () => void;
  /** Keeps, at once, what is on its way to the database: a tab that goes away in the middle finds it again. */
  readonly unsavedEntries: {
    /** One more. */
    add(siteId: string, entry: Unnumbered): void;
    /** These, and no others. */
    keep(siteId: string, entries: readonly Unnumbered[]): void;
    find(siteId: string): readonly Unnumbered[];
  };
}

/** A change was beyond what can be kept; what could not be saved is saved now; the worker is there again. */
export type Told = 'refused' | 'saved-again' | 'reader-back';

/** An entry of the journal before it has its number. */
export type Unnumbered = Omit<JournalEntry, 'seq'>;

export interface WorkspaceState {
  readonly phase: 'closed' | 'opening' | 'ready' | 'failed';
  readonly failure: string | undefined;
  readonly loadProgress: { readonly done: number; readonly of: number };
  readonly site: SiteRecord | undefined;
  readonly document: SiteDocument;
  readonly undo: UndoState;
  readonly save: 'saved' | 'saving' | 'failed';
  /** Why, where it failed. */
  readonly trouble: SaveTrouble | undefined;
  /** Changes that only this tab's memory holds. */
  readonly unsaved: number;
  /** The worker that reads the pages: there, being started again, or not to be had. */
  readonly worker: 'there' | 'restarting' | 'gone';
  /** Whether the server answered when it was asked last. */
  readonly server: 'there' | 'away';
  /** The rows are those of last time, until the files were looked at again. */
  readonly agreeing: boolean;
  /** Things of this site that could not be read, and were set aside. */
  readonly aside: number;
  readonly rows: readonly PageRow[];
  readonly byId: PageRows;
  readonly numbers: SiteNumbers;
  /** Goes up whenever the survey has looked again: reports are fetched anew then. */
  readonly surveyed: number;
  readonly detail: PageDetail | undefined;
  /** Pages that the owner passed over in this walk. */
  readonly skipped: ReadonlySet<string>;
  /** What Skerry says of the site; undefined until it was asked. */
  readonly engine: EngineSite | undefined;
}

/** How a change is to be remembered. */
export interface About {
  readonly label: string;
  /** Changes of one key in a row are one step for undo, within bounds. */
  readonly coalesceKey?: string;
  readonly notUndoable?: boolean;
}

const NO_NUMBERS: SiteNumbers = { pages: 0, wanted: 0, found: 0, foundAfterRelease: 0, pending: 0, waiting: 0, states: {}, brokenLinks: 0, closed: false };

/** Before anything is open. */
export const START: WorkspaceState = {
  phase: 'closed',
  failure: undefined,
  loadProgress: { done: 0, of: 0 },
  site: undefined,
  document: emptyDocument(),
  undo: NOTHING_TO_UNDO,
  save: 'saved',
  trouble: undefined,
  unsaved: 0,
  worker: 'there',
  server: 'there',
  agreeing: false,
  aside: 0,
  rows: [],
  byId: NO_ROWS,
  numbers: NO_NUMBERS,
  surveyed: 0,
  detail: undefined,
  skipped: new Set(),
  engine: undefined,
};
