import { messageOf } from '../../core/source/index.ts';
import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  applyChange,
  changesVersion,
  differenceOf,
  doEntry,
  emptyDocument,
  fieldsOf,
  fold,
  isIdle,
  replay,
  siteHost,
  NOTHING_TO_UNDO,
  redoEntry,
  undoEntry,
  versionOf,
  whyNot,
  all,
  type Change,
  type JournalEntry,
  type SiteDocument,
  type UndoState,
} from '../../core/site/index.ts';
import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';
import { onProgress, WorkerLost, type Analysis, type PageDetail, type SurveyNews, type WorkerNews } from '../analysis/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import type { Outside } from '../outside/index.ts';
import {
  appendEntries,
  entriesAfter,
  goneHow,
  listAside,
  loadDocument,
  loadRows,
  notYetWritten,
  putAside,
  shortenJournal,
  updateSite,
  type Database,
  type SiteRecord,
  type SiteSummary,
} from '../storage/index.ts';
import { RETRY, troubleOf, type SaveTrouble } from './trouble.ts';

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

type Unnumbered = Omit<JournalEntry, 'seq'>;

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
  readonly byId: ReadonlyMap<string, PageRow>;
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

/** Milliseconds before the worker looks further, in which it looks before it listens again, and in which it rests. */
const BEFORE_LOOKING = 300;
const LOOKED_AT_ONCE = 50;
const PAUSE = 30;
/** Fields that a change may set to be kept in the tab at once, until it is written. */
const KEPT_AT_ONCE = 400;
/** Entries written after which the journal is looked at for shortening. */
const SHORTEN_AFTER = 500;
/** Milliseconds of quiet after which rows are kept for the next opening. */
const QUIET = 4_000;
/** Rows compared with those of last time in one go. */
const COMPARED_AT_ONCE = 200;
/** Milliseconds until a server that was away is asked again. */
const ASK_AGAIN = 4_000;

const START: WorkspaceState = {
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
  byId: new Map(),
  numbers: NO_NUMBERS,
  surveyed: 0,
  detail: undefined,
  skipped: new Set(),
  engine: undefined,
};

/** The opened site as the screens see it. All changes of it go through here. */
export class Workspace {
  readonly store: StoreApi<WorkspaceState>;
  /** The screen that changes are made on from now on, as undo names it. */
  place = '';
  private seq = 0;
  private writes: Promise<unknown> = Promise.resolve();
  private unwritten: Unnumbered[] = [];
  private writing = false;
  private tries = 0;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private written = 0;
  /** Entries of another tab stand among this tab's own: the whole journal is to be read. */
  private behind = false;
  private catching: Promise<void> = Promise.resolve();
  private queued: Change[] = [];
  private asking: Promise<void> = Promise.resolve();
  private updating = false;
  private opened = 0;
  private quiet: ReturnType<typeof setTimeout> | undefined;

  constructor(readonly tools: WorkspaceTools) {
    this.store = createStore<WorkspaceState>(() => START);
    tools.listen((siteId) => {
      if (siteId === this.state.site?.id && this.state.phase === 'ready') void this.catchUp();
    });
    tools.watchAnalysis((news) => void this.hearOfWorker(news));
  }

  get state(): WorkspaceState {
    return this.store.getState();
  }

  /** Opens a site: its document, the rows it had last, then its pages through the worker. */
  async open(siteId: string): Promise<void> {
    // What waits of another site is written before this one takes its place; where that fails, the tab keeps it.
    if (this.unwritten.length > 0 && this.state.site?.id !== siteId) await this.writes;
    if (this.unwritten.length > 0) this.keepUnwritten();
    const turn = ++this.opened;
    clearTimeout(this.retry);
    clearTimeout(this.quiet);
    const { db } = this.tools;
    this.unwritten = [];
    this.queued = [];
    this.asking = Promise.resolve();
    this.behind = false;
    this.store.setState({ ...START, phase: 'opening', worker: this.state.worker, server: this.state.server, surveyed: this.state.surveyed });
    try {
      const site = await db.get('sites', siteId);
      if (!site || site.arriving) throw new Error('There is no such site in this browser.');
      if (site.deletedAt !== null) throw new Error('This site is in the bin. You can have it back from the list of your sites.');
      // Fetched while the document is read: the two meet on the screen.
      const keptComing = loadRows(db, siteId, this.tools.build).catch(() => undefined);
      const lost = await notYetWritten(db, siteId, this.tools.unsavedEntries.find(siteId));
      const failed = lost.length === 0 ? undefined : await appendEntries(db, siteId, lost).then(() => undefined, troubleOf);
      if (failed === undefined) this.tools.unsavedEntries.keep(siteId, []);
      // Where there is no room to shorten it, a long journal is read as it is.
      await shortenJournal(db, siteId).catch(() => undefined);
      const loaded = await loadDocument(db, siteId);
      if (loaded.aside.length > 0) await putAside(db, siteId, loaded.aside, this.tools.now().toISOString()).catch(() => undefined);
      const aside = (await listAside(db, siteId)).length;
      const rows = await keptComing;
      // Of another version of the files they are about other pages.
      const kept = rows?.version === versionOf(loaded.document) ? rows : undefined;
      if (turn !== this.opened) return;
      this.seq = loaded.seq;
      // What could neither be written before nor now is still the owner's: it goes on in memory, and is written when there is room.
      if (failed !== undefined) this.unwritten = [...lost];
      const entries = lost.map((entry) => ({ ...entry, seq: 0 }));
      const state = failed === undefined ? loaded : { ...loaded, ...replay(loaded.document, loaded.undo, entries) };
      const facts = { site, document: state.document, undo: state.undo, aside };
      const saving: Partial<WorkspaceState> = failed === undefined ? {} : { save: 'failed', trouble: failed, unsaved: lost.length };
      if (kept) this.store.setState({ ...facts, ...saving, phase: 'ready', agreeing: true, ...this.withNews(kept, true) });
      if (failed !== undefined) this.tryAgainLater(siteId);
      const whole = await this.readSite(turn, siteId, state.document).then((news) => (kept && news ? this.asKept(news) : news));
      if (turn !== this.opened || !whole) return;
      // All at once: what is drawn twice holds the page up twice.
      this.store.setState({
        ...(kept ? {} : { ...facts, ...saving }),
        phase: 'ready',
        agreeing: false,
        worker: 'there',
        ...this.withNews(whole, true),
      });
      void this.pump();
      void this.askEngine();
      void this.lookFurther(turn);
      await updateSite(db, siteId, { openedAt: this.tools.now().toISOString(), summary: this.summary() }).catch(() => undefined);
      if (site.from !== 'empty' && !(await db.get('manifests', siteId))) await this.takeIn(() => this.tools.analysis.startFrom(0, this.state.document, []));
    } catch (error) {
      if (turn !== this.opened) return;
      // A worker that died is started again, and then reads the site anew: see below.
      if (error instanceof WorkerLost) return void this.store.setState({ failure: error.message });
      this.store.setState({ phase: 'failed', failure: messageOf(error) });
    }
  }

  /** All rows of a site, read by the worker. Undefined where it was stopped. */
  private async readSite(turn: number, siteId: string, document: SiteDocument): Promise<SurveyNews | undefined> {
    const news = await this.tools.analysis.open(
      `open-${turn}`,
      siteId,
      document,
      onProgress((done, of) => turn === this.opened && this.store.setState({ loadProgress: { done, of } })),
    );
    return news && this.allOf(news);
  }

  /**
   * News with the very rows that stand on the screen where they say the same: what was right last time need not be drawn again. Compared a slice at a time,
   * so that it holds nothing up.
   */
  private async asKept(news: SurveyNews): Promise<SurveyNews> {
    const rows: PageRow[] = [];
    for (let from = 0; from < news.rows.length; from += COMPARED_AT_ONCE) {
      const { byId } = this.state;
      for (const row of news.rows.slice(from, from + COMPARED_AT_ONCE)) {
        const known = byId.get(row.id);
        rows.push(known && JSON.stringify(known) === JSON.stringify(row) ? known : row);
      }
      await new Promise((resolve) => setTimeout(resolve));
    }
    const { rows: shown } = this.state;
    const same = shown.length === rows.length && shown.every((row, at) => row === rows[at]);
    return { ...news, rows: same ? shown : rows };
  }

  /** The worker died and is started again: the site is read anew, with all that was said meanwhile. */
  private async hearOfWorker(news: WorkerNews): Promise<void> {
    if (news === 'unloadable') return void this.store.setState({ worker: 'gone' });
    if (news === 'lost') return void this.store.setState({ worker: 'restarting' });
    const { site, phase, worker } = this.state;
    if (worker === 'there') return;
    this.store.setState({ worker: 'there' });
    if (!site) return phase === 'opening' ? this.reopen?.() : undefined;
    const turn = this.opened;
    this.queued = [];
    try {
      await this.takeIn(() => this.readSite(turn, site.id, this.state.document), true);
      if (turn !== this.opened) return;
      this.store.setState({ agreeing: false, detail: undefined });
      this.tools.tell('reader-back');
      void this.pump();
      void this.lookFurther(turn);
    } catch {
      // It died again: it is heard of again.
    }
  }

  /** The server answered, or did not. While it is away it is asked now and then. */
  heardServer(there: boolean): void {
    const server = there ? 'there' : 'away';
    if (server === this.state.server) return;
    this.store.setState({ server });
    if (there) return void this.askEngine();
    const ask = (): void =>
      void this.tools.outside.clock().catch(() => {
        if (this.state.server === 'away') setTimeout(ask, ASK_AGAIN);
      });
    setTimeout(ask, ASK_AGAIN);
  }

  /** The opening for which the worker is finding out more. */
  private looking = 0;

  /** Opens anew what was being opened when the worker died. Set by whoever asked for it. */
  reopen: (() => void) | undefined;

  /** Sets down what the list tells of this site. */
  async keepSummary(): Promise<void> {
    const { site } = this.state;
    if (site) await updateSite(this.tools.db, site.id, { summary: this.summary() }).catch(() => undefined);
  }

  /** What tells this site from others in the list. */
  private summary(): SiteSummary {
    const { document, numbers } = this.state;
    const [last] = Object.entries(document.tables.releases).sort(([a], [b]) => Number(b) - Number(a));
    const release = last && last[0] !== '0' && last[1].at ? { number: Number(last[0]), at: last[1].at } : null;
    return { host: siteHost(document), pages: numbers.pages, wanted: numbers.wanted, found: numbers.found, open: !numbers.closed, release };
  }

  /** Lets the worker find out what takes longer, a little at a time: what the owner does goes first. */
  private async lookFurther(turn: number): Promise<void> {
    if (this.looking === turn) return;
    this.looking = turn;
    await new Promise((resolve) => setTimeout(resolve, BEFORE_LOOKING));
    try {
      for (let left = 1; left > 0 && turn === this.opened;) {
        await this.takeIn(async () => {
          const some = await this.tools.analysis.lookFurther(LOOKED_AT_ONCE);
          left = some.left;
          return some.news && some.news.rows.length > 0 ? some.news : undefined;
        });
        await new Promise((resolve) => setTimeout(resolve, PAUSE));
      }
      this.keepSoon();
    } catch {
      // Without a worker there is nothing to find out; it looks again when it is back.
    } finally {
      if (this.looking === turn) this.looking = 0;
    }
  }

  /** Keeps what the site looks like for the next opening, once it is quiet. */
  private keepSoon(): void {
    clearTimeout(this.quiet);
    const turn = this.opened;
    this.quiet = setTimeout(() => {
      const { site, agreeing } = this.state;
      if (turn !== this.opened || !site || agreeing || this.updating) return;
      // Only a help: without room for it the next opening takes longer.
      void this.tools.analysis.keepRows(site.id, this.tools.build).catch(() => undefined);
      void this.keepSummary();
    }, QUIET);
  }

  /** Stops opening a site, where one is being opened. */
  stopOpening(): void {
    clearTimeout(this.quiet);
    if (this.state.phase !== 'opening' && !this.state.agreeing) return;
    void this.tools.analysis.cancel(`open-${this.opened}`).catch(() => undefined);
    this.opened++;
    this.store.setState({ phase: 'closed', agreeing: false });
  }

  /**
   * Makes a change: at once on the screen, then in the browser's database, in the worker and in other tabs. One that is beyond what can be kept is refused
   * and told; nothing is changed then.
   */
  change(change: Change, about: About): void {
    const { document, site, undo } = this.state;
    if (!site) return;
    if (whyNot(change) !== undefined) return this.tools.tell('refused');
    if (isIdle(document, change)) return;
    this.commit(
      doEntry(document, change, {
        seq: 0,
        undo,
        at: this.tools.now().toISOString(),
        ...about,
        ...(this.place === '' ? {} : { place: this.place }),
        coalesceKey: about.coalesceKey === undefined ? null : `${this.tools.tab} ${about.coalesceKey}`,
      }),
    );
  }

  undo(): string | undefined {
    const entry = undoEntry(this.state.undo, { seq: 0, at: this.tools.now().toISOString() });
    if (entry) this.commit(entry);
    return entry?.label;
  }

  redo(): string | undefined {
    const entry = redoEntry(this.state.undo, { seq: 0, at: this.tools.now().toISOString() });
    if (entry) this.commit(entry);
    return entry?.label;
  }

  /** Fetches all there is of a page for its screens. */
  async select(id: string): Promise<void> {
    if (this.state.detail?.id === id) return;
    const detail = await this.tools.analysis.page(id);
    this.store.setState({ detail });
  }

  /** Passes a page over in this walk, or comes back to all that were. */
  skip(id: string | undefined): void {
    this.store.setState({ skipped: id === undefined ? new Set() : new Set([...this.state.skipped, id]) });
  }

  /** Asks Skerry anew what it knows of the site. Without a server there is nothing to know. */
  async askEngine(): Promise<void> {
    const engine = await this.tools.outside.engineSite(siteHost(this.state.document)).catch(() => undefined);
    this.store.setState({ engine });
  }

  /** News with all its rows, fetched message by message where there are many. */
  private async allOf(news: SurveyNews): Promise<SurveyNews> {
    if (news.ticket === undefined) return news;
    const rows = [...news.rows];
    for (let more = await this.tools.analysis.moreRows(news.ticket); more.length > 0; more = await this.tools.analysis.moreRows(news.ticket))
      rows.push(...more);
    return { rows, numbers: news.numbers };
  }

  /**
   * Asks for what brings rows, and shows them. One is asked after the other, each with the document of its own moment: what was asked earlier never stands
   * over what was asked later. Resolves when they are shown; rejects as the asking does.
   */
  takeIn(ask: () => Promise<SurveyNews | undefined>, whole = false): Promise<void> {
    const turn = this.opened;
    const shown = this.asking.then(async () => {
      if (turn !== this.opened) return;
      const some = await ask();
      const news = some && (await this.allOf(some));
      if (news && turn === this.opened) this.store.setState(this.withNews(news, whole));
    });
    this.asking = shown.catch(() => undefined);
    return shown;
  }

  private withNews(news: SurveyNews, whole: boolean): Pick<WorkspaceState, 'rows' | 'byId' | 'numbers' | 'surveyed'> {
    const { rows, byId, surveyed } = this.state;
    if (whole && news.rows === rows) return { rows, byId, numbers: news.numbers, surveyed: surveyed + 1 };
    const next = new Map(whole ? [] : byId);
    for (const row of news.rows) next.set(row.id, row);
    const ordered = whole ? [...news.rows] : news.rows.length === 0 ? rows : rows.map((row) => next.get(row.id) ?? row);
    return { rows: ordered, byId: next, numbers: news.numbers, surveyed: surveyed + 1 };
  }

  /** Resolves when everything is written, or could not be, and surveyed, where there is a worker. */
  async whenIdle(): Promise<void> {
    await this.writes;
    await this.catching;
    await this.asking;
    while (this.state.worker === 'there' && (this.updating || this.queued.length > 0 || this.state.agreeing))
      await new Promise((resolve) => setTimeout(resolve, 5));
  }

  private commit(entry: JournalEntry): void {
    const { document, undo, site } = this.state;
    if (!site) return;
    const failed = this.state.save === 'failed';
    const next = applyChange(document, entry.change);
    this.store.setState({ document: next, undo: fold(undo, entry), save: failed ? 'failed' : 'saving', unsaved: this.unwritten.length + 1 });
    this.write(site.id, entry);
    this.queued.push(entry.change);
    const name = next.tables.facts['']?.siteName;
    if (name && name !== document.tables.facts['']?.siteName) this.callSite(site.id, name);
    // After the key that made the change has been drawn: what is sent is copied, and a large document takes a while.
    setTimeout(() => void this.pump());
  }

  /** The site's name in the list is the name the owner gave it. */
  private callSite(siteId: string, name: string): void {
    const { site } = this.state;
    if (site?.id === siteId) this.store.setState({ site: { ...site, name } });
    void updateSite(this.tools.db, siteId, { name }).catch(() => undefined);
  }

  private write(siteId: string, { seq: _seq, ...entry }: JournalEntry): void {
    this.unwritten.push(entry);
    // A change of thousands of pages is kept only when the page goes away: to spell it out takes longer than to write it.
    if (fieldsOf(entry.change).length <= KEPT_AT_ONCE) this.tools.unsavedEntries.add(siteId, entry);
    // While the browser refuses, the next try has its time; a key does not hasten it.
    if (!this.writing && this.state.save !== 'failed') this.writes = this.writeAll(siteId);
  }

  /** Tries to write what could not be written. */
  writeAgain(): Promise<void> {
    const { site } = this.state;
    clearTimeout(this.retry);
    if (!site || this.writing || this.unwritten.length === 0) return Promise.resolve();
    const turn = this.writeAll(site.id);
    this.writes = turn;
    return turn;
  }

  private tryAgainLater(siteId: string): void {
    clearTimeout(this.retry);
    const wait = RETRY[Math.min(this.tries++, RETRY.length - 1)] as number;
    this.retry = setTimeout(() => void (this.state.site?.id === siteId && this.writeAgain()), wait);
  }

  /** Writes until nothing is left; what comes meanwhile goes in the next transaction. */
  private async writeAll(siteId: string): Promise<void> {
    this.writing = true;
    // Opening a transaction can wait until the key is drawn; what a reload would lose is kept in the tab already.
    await new Promise((resolve) => setTimeout(resolve));
    while (this.unwritten.length > 0 && this.state.site?.id === siteId) {
      const batch = [...this.unwritten];
      try {
        const first = await appendEntries(this.tools.db, siteId, batch);
        // Another tab wrote in between: what this tab shows is not what was saved.
        this.behind ||= first !== this.seq + 1;
        this.seq = first + batch.length - 1;
        this.written += batch.length;
        this.tools.announce(siteId);
      } catch (error) {
        // What could not be written is kept in memory, and where there is room in the tab, and is tried again.
        const trouble = troubleOf(error);
        this.store.setState({ save: 'failed', trouble, unsaved: this.unwritten.length });
        this.keepUnwritten();
        this.writing = false;
        // A site that is gone does not come back by itself.
        if (trouble !== 'missing' && trouble !== 'deleted') this.tryAgainLater(siteId);
        return;
      }
      this.unwritten = this.unwritten.slice(batch.length);
      if (this.unwritten.length === 0) this.tools.unsavedEntries.keep(siteId, []);
    }
    this.writing = false;
    this.tries = 0;
    if (this.state.save === 'failed') this.tools.tell('saved-again');
    this.store.setState({ save: 'saved', trouble: undefined, unsaved: 0 });
    if (this.written >= SHORTEN_AFTER) {
      this.written = 0;
      void shortenJournal(this.tools.db, siteId).catch(() => undefined);
    }
    if (this.behind) void this.catchUp();
  }

  /** Keeps what is not written yet where a reload finds it: for when the page goes away. */
  keepUnwritten(): void {
    const { site } = this.state;
    if (site && this.unwritten.length > 0) this.tools.unsavedEntries.keep(site.id, this.unwritten);
  }

  /** Sends what has changed to the worker; what changes meanwhile goes together, next time. */
  private async pump(): Promise<void> {
    if (this.updating || this.state.agreeing || this.state.phase !== 'ready') return;
    this.updating = true;
    const turn = this.opened;
    try {
      while (this.queued.length > 0 && turn === this.opened) {
        const { site } = this.state;
        // Another version of the files: the site is read anew.
        if (site && this.queued.some(changesVersion)) {
          this.queued = [];
          this.store.setState({ detail: undefined });
          await this.takeIn(() => this.readSite(turn, site.id, this.state.document), true);
          void this.lookFurther(turn);
          continue;
        }
        await this.takeIn(async () => {
          const changes = this.queued;
          this.queued = [];
          const news = await this.tools.analysis.update(this.state.document, all(changes));
          // Something has to be found out anew: the worker goes on with it when there is nothing else to do.
          if (news.again === true) void this.lookFurther(turn);
          return news;
        });
      }
      this.keepSoon();
    } catch (error) {
      // A worker that died reads everything anew when it is back. One that stumbled over this change is told of by whoever looks at the page.
      if (!(error instanceof WorkerLost)) throw error;
    } finally {
      this.updating = false;
    }
  }

  /** Takes in what another tab wrote, one time after the other. */
  private catchUp(): Promise<void> {
    return (this.catching = this.catching.then(() => this.catchUpOnce()));
  }

  /** The rest of the journal or, where this tab's own changes came in between, all of it. */
  private async catchUpOnce(): Promise<void> {
    await this.writes;
    const { site } = this.state;
    // What is typed meanwhile is written in a moment, finds itself out of step, and comes back here.
    if (!site || this.unwritten.length > 0) return;
    const turn = this.opened;
    const { db } = this.tools;
    try {
      const now = await db.get('sites', site.id);
      const gone = goneHow(now);
      if (!now || gone) return void this.store.setState({ save: 'failed', trouble: gone, unsaved: 0 });
      if (this.state.trouble === 'deleted') this.store.setState({ save: 'saved', trouble: undefined });
      if (now.name !== site.name) this.store.setState({ site: now });
      const before = this.state.document;
      const entries = this.behind ? undefined : await entriesAfter(db, site.id, this.seq);
      const state = entries ? { ...replay(before, this.state.undo, entries), seq: entries.at(-1)?.seq ?? this.seq } : await loadDocument(db, site.id);
      if (turn !== this.opened || this.unwritten.length > 0 || before !== this.state.document) return;
      this.seq = state.seq;
      this.behind = false;
      this.store.setState({ document: state.document, undo: state.undo });
      const change = differenceOf(before, state.document);
      if (!isIdle(before, change)) this.queued.push(change);
      await this.pump();
      if (fieldsOf(change).some(({ table }) => table === 'releases')) await this.takeIn(() => this.tools.analysis.manifestAgain(this.state.document));
    } catch (error) {
      if (error instanceof WorkerLost) return;
      // What cannot be read now is read with the next word from there.
      if (troubleOf(error) === 'other') throw error;
    }
  }
}
