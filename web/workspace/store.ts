import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  applyChange,
  doEntry,
  emptyDocument,
  fieldsOf,
  fold,
  isIdle,
  siteHost,
  NOTHING_TO_UNDO,
  redoEntry,
  undoEntry,
  all,
  type Change,
  type JournalEntry,
  type SiteDocument,
  type UndoState,
} from '../../core/site/index.ts';
import type { PageRow, SiteNumbers } from '../../core/survey/index.ts';
import { onProgress, type Analysis, type PageDetail, type SurveyNews } from '../analysis/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import type { Outside } from '../outside/index.ts';
import { appendEntries, loadDocument, loadManifest, notYetWritten, shortenJournal, type Database, type SiteRecord } from '../storage/index.ts';

/** Effects the workspace needs, handed over once at start-up. */
export interface WorkspaceTools {
  readonly db: Database;
  readonly analysis: Analysis;
  readonly outside: Outside;
  readonly now: () => Date;
  /** Names this tab among others: two tabs never type on one thread. */
  readonly tab: string;
  /** Tells other tabs of the same browser; `listen` gives a function that stops. */
  readonly announce: (siteId: string) => void;
  readonly listen: (heard: (siteId: string) => void) => () => void;
  /** Keeps, at once, what is on its way to the database: a tab that goes away in the middle finds it again. */
  readonly underWay: { keep(siteId: string, entries: readonly Unnumbered[]): void; find(siteId: string): readonly Unnumbered[] };
}

type Unnumbered = Omit<JournalEntry, 'seq'>;

export interface WorkspaceState {
  readonly phase: 'closed' | 'opening' | 'ready' | 'failed';
  readonly failure: string | undefined;
  readonly opening: { readonly done: number; readonly of: number };
  readonly site: SiteRecord | undefined;
  readonly document: SiteDocument;
  readonly undo: UndoState;
  readonly save: 'saved' | 'saving' | 'failed';
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
  /** Changes of one thread in a row are one step for undo. */
  readonly thread?: string;
  readonly lasting?: boolean;
}

const NO_NUMBERS: SiteNumbers = { pages: 0, wanted: 0, found: 0, foundAfterRelease: 0, pending: 0, waiting: 0, states: {}, brokenLinks: 0 };

/** Milliseconds before the worker looks further, in which it looks before it listens again, and in which it rests. */
const BEFORE_LOOKING = 300;
const LOOKED_AT_ONCE = 50;
const PAUSE = 30;
/** Fields that a change may set to be kept in the tab at once, until it is written. */
const KEPT_AT_ONCE = 400;

/** The opened site as the screens see it. All changes of it go through here. */
export class Workspace {
  readonly store: StoreApi<WorkspaceState>;
  private seq = 0;
  private writes: Promise<unknown> = Promise.resolve();
  private unwritten: Unnumbered[] = [];
  private writing = false;
  private queued: Change[] = [];
  private updating = false;
  private opened = 0;

  constructor(readonly tools: WorkspaceTools) {
    this.store = createStore<WorkspaceState>(() => ({
      phase: 'closed',
      failure: undefined,
      opening: { done: 0, of: 0 },
      site: undefined,
      document: emptyDocument(),
      undo: NOTHING_TO_UNDO,
      save: 'saved',
      rows: [],
      byId: new Map(),
      numbers: NO_NUMBERS,
      surveyed: 0,
      detail: undefined,
      skipped: new Set(),
      engine: undefined,
    }));
    tools.listen((siteId) => {
      if (siteId === this.state.site?.id && this.state.phase === 'ready') void this.catchUp();
    });
  }

  get state(): WorkspaceState {
    return this.store.getState();
  }

  /** Opens a site: its document, then its pages through the worker. */
  async open(siteId: string): Promise<void> {
    const turn = ++this.opened;
    const { db, analysis } = this.tools;
    this.store.setState({
      phase: 'opening',
      failure: undefined,
      site: undefined,
      detail: undefined,
      skipped: new Set(),
      engine: undefined,
      rows: [],
      byId: new Map(),
      numbers: NO_NUMBERS,
      opening: { done: 0, of: 0 },
    });
    try {
      const site = await db.get('sites', siteId);
      if (!site || site.deletedAt !== null) throw new Error('There is no such site in this browser.');
      const lost = await notYetWritten(db, siteId, this.tools.underWay.find(siteId));
      if (lost.length > 0) await appendEntries(db, siteId, lost);
      this.tools.underWay.keep(siteId, []);
      await shortenJournal(db, siteId);
      const state = await loadDocument(db, siteId);
      this.seq = state.seq;
      const news = await analysis.open(
        `open-${turn}`,
        siteId,
        state.document,
        onProgress((done, of) => turn === this.opened && this.store.setState({ opening: { done, of } })),
      );
      if (turn !== this.opened || !news) return;
      const whole = await this.allOf(news);
      if (turn !== this.opened) return;
      // All at once: what is drawn twice holds the page up twice.
      this.store.setState({ site, document: state.document, undo: state.undo, save: 'saved', phase: 'ready', ...this.withNews(whole, true) });
      void this.askEngine();
      void this.lookFurther(turn);
      await db.put('sites', { ...site, openedAt: this.tools.now().toISOString() });
      if (site.from !== 'empty' && (await loadManifest(db, siteId)) === undefined)
        this.takeNews(await this.allOf(await analysis.startFrom(0, state.document, [])));
    } catch (error) {
      if (turn === this.opened) this.store.setState({ phase: 'failed', failure: (error as Error).message });
    }
  }

  /** Lets the worker find out what takes longer, a little at a time: what the owner does goes first. */
  private async lookFurther(turn: number): Promise<void> {
    await new Promise((resolve) => setTimeout(resolve, BEFORE_LOOKING));
    for (let left = 1; left > 0 && turn === this.opened;) {
      const some = await this.tools.analysis.lookFurther(LOOKED_AT_ONCE);
      if (turn !== this.opened) return;
      left = some.left;
      if (some.news && some.news.rows.length > 0) this.takeNews(some.news);
      await new Promise((resolve) => setTimeout(resolve, PAUSE));
    }
  }

  /** Stops opening a site, where one is being opened. */
  stopOpening(): void {
    if (this.state.phase !== 'opening') return;
    void this.tools.analysis.cancel(`open-${this.opened}`);
    this.opened++;
    this.store.setState({ phase: 'closed' });
  }

  /** Makes a change: at once on the screen, then in the browser's database, in the worker and in other tabs. */
  change(change: Change, about: About): void {
    const { document, site } = this.state;
    if (!site || isIdle(document, change)) return;
    this.commit(
      doEntry(document, change, {
        seq: 0,
        at: this.tools.now().toISOString(),
        ...about,
        thread: about.thread === undefined ? null : `${this.tools.tab} ${about.thread}`,
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

  /** Renames the site in the list; what searchers see of its name is a fact and changes elsewhere. */
  async rename(name: string): Promise<void> {
    const { site } = this.state;
    if (!site) return;
    const renamed = { ...site, name };
    await this.tools.db.put('sites', renamed);
    this.store.setState({ site: renamed });
  }

  /** Asks Skerry anew what it knows of the site. Without a server there is nothing to know. */
  async askEngine(): Promise<void> {
    const engine = await this.tools.outside.engineSite(siteHost(this.state.document)).catch(() => undefined);
    this.store.setState({ engine });
  }

  /** News with all its rows, fetched message by message where there are many. */
  async allOf(news: SurveyNews): Promise<SurveyNews> {
    if (news.ticket === undefined) return news;
    const rows = [...news.rows];
    for (let more = await this.tools.analysis.moreRows(news.ticket); more.length > 0; more = await this.tools.analysis.moreRows(news.ticket))
      rows.push(...more);
    return { rows, numbers: news.numbers };
  }

  takeNews(news: SurveyNews): void {
    this.store.setState(this.withNews(news, false));
  }

  private withNews(news: SurveyNews, whole: boolean): Pick<WorkspaceState, 'rows' | 'byId' | 'numbers' | 'surveyed'> {
    const { rows, byId, surveyed } = this.state;
    const next = new Map(whole ? [] : byId);
    for (const row of news.rows) next.set(row.id, row);
    const ordered = whole ? [...news.rows] : news.rows.length === 0 ? rows : rows.map((row) => next.get(row.id) ?? row);
    return { rows: ordered, byId: next, numbers: news.numbers, surveyed: surveyed + 1 };
  }

  /** Resolves when everything is written and surveyed. */
  async settled(): Promise<void> {
    await this.writes;
    while (this.updating || this.queued.length > 0) await new Promise((resolve) => setTimeout(resolve, 5));
  }

  private commit(entry: JournalEntry): void {
    const { document, undo, site } = this.state;
    if (!site) return;
    this.store.setState({ document: applyChange(document, entry.change), undo: fold(undo, entry), save: 'saving' });
    this.write(site.id, entry);
    this.queued.push(entry.change);
    // After the key that made the change has been drawn: what is sent is copied, and a large document takes a while.
    setTimeout(() => void this.pump());
  }

  private write(siteId: string, { seq: _seq, ...entry }: JournalEntry): void {
    this.unwritten.push(entry);
    // A change of thousands of pages is kept only when the page goes away: to spell it out takes longer than to write it.
    if (fieldsOf(entry.change).length <= KEPT_AT_ONCE) this.tools.underWay.keep(siteId, this.unwritten);
    if (!this.writing) this.writes = this.writeAll(siteId);
  }

  /** Writes until nothing is left; what comes meanwhile goes in the next transaction. */
  private async writeAll(siteId: string): Promise<void> {
    this.writing = true;
    let inStep = true;
    // Opening a transaction can wait until the key is drawn; what a reload would lose is kept in the tab already.
    await new Promise((resolve) => setTimeout(resolve));
    while (this.unwritten.length > 0) {
      const batch = [...this.unwritten];
      try {
        const first = await appendEntries(this.tools.db, siteId, batch);
        inStep &&= first === this.seq + 1;
        this.seq = first + batch.length - 1;
        this.tools.announce(siteId);
      } catch {
        // What could not be written is kept, and tried again with the next change.
        this.store.setState({ save: 'failed' });
        this.keepUnwritten();
        this.writing = false;
        return;
      }
      this.unwritten = this.unwritten.slice(batch.length);
      this.tools.underWay.keep(siteId, this.unwritten);
    }
    this.writing = false;
    this.store.setState({ save: 'saved' });
    // Another tab wrote in between: what this tab shows is not what was saved.
    if (!inStep) void this.catchUp();
  }

  /** Keeps what is not written yet where a reload finds it: for when the page goes away. */
  keepUnwritten(): void {
    const { site } = this.state;
    if (site && this.unwritten.length > 0) this.tools.underWay.keep(site.id, this.unwritten);
  }

  /** Sends what has changed to the worker; what changes meanwhile goes together, next time. */
  private async pump(): Promise<void> {
    if (this.updating) return;
    this.updating = true;
    try {
      while (this.queued.length > 0) {
        const change = all(this.queued);
        this.queued = [];
        this.takeNews(await this.allOf(await this.tools.analysis.update(this.state.document, change)));
      }
    } finally {
      this.updating = false;
    }
  }

  /** Reads the document anew: another tab has changed it. */
  private async catchUp(): Promise<void> {
    await this.writes;
    const { site } = this.state;
    if (!site) return;
    const state = await loadDocument(this.tools.db, site.id);
    if (this.unwritten.length > 0) return;
    this.seq = state.seq;
    this.store.setState({ document: state.document, undo: state.undo });
    this.takeNews(
      await this.allOf(
        await this.tools.analysis.update(state.document, {
          kind: 'set',
          table: 'facts',
          key: '',
          field: 'siteName',
          value: state.document.tables.facts['']?.siteName ?? null,
        }),
      ),
    );
  }
}
