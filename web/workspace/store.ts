import { createStore, type StoreApi } from 'zustand/vanilla';
import {
  applyChange,
  differenceOf,
  doEntry,
  fieldsOf,
  fold,
  isIdle,
  redoEntry,
  replay,
  siteHost,
  undoEntry,
  versionOf,
  whyNot,
  type Change,
  type JournalEntry,
} from '../../core/site/index.ts';
import { messageOf, type PageId } from '../../core/source/index.ts';
import { WorkerLost, type SurveyNews, type WorkerNews } from '../analysis/index.ts';
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
  type SiteSummary,
} from '../storage/index.ts';
import { latestOf } from '../ui/index.ts';
import { JournalWriter } from './journal-writer.ts';
import { START, type About, type WorkspaceState, type WorkspaceTools } from './state.ts';
import { SurveyFeed } from './survey-feed.ts';
import { troubleOf } from './trouble.ts';

/** Milliseconds until a server that was away is asked again. */
const ASK_AGAIN = 4_000;

/** The opened site as the screens see it. All changes of it go through here. */
export class Workspace {
  readonly store: StoreApi<WorkspaceState>;
  /** The screen that changes are made on from now on, as undo names it. */
  place = '';
  private readonly journal: JournalWriter;
  private readonly feed: SurveyFeed;
  private catching: Promise<void> = Promise.resolve();

  constructor(readonly tools: WorkspaceTools) {
    this.store = createStore<WorkspaceState>(() => START);
    this.journal = new JournalWriter(tools, this.store, () => void this.catchUp());
    this.feed = new SurveyFeed(tools, this.store, () => this.keepSummary());
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
    if (this.journal.waiting > 0) await this.journal.leaveFor(siteId);
    const turn = this.feed.beginAnew();
    this.journal.beginAnew();
    const { db } = this.tools;
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
      if (turn !== this.feed.turn) return;
      this.journal.seq = loaded.seq;
      // What could neither be written before nor now is still the owner's: it goes on in memory, and is written when there is room.
      if (failed !== undefined) this.journal.takeOver(siteId, lost);
      const entries = lost.map((entry) => ({ ...entry, seq: 0 }));
      const state = failed === undefined ? loaded : { ...loaded, ...replay(loaded.document, loaded.undo, entries) };
      const facts = { site, document: state.document, undo: state.undo, aside };
      const saving: Partial<WorkspaceState> = failed === undefined ? {} : { save: 'failed', trouble: failed, unsaved: lost.length };
      if (kept) this.store.setState({ ...facts, ...saving, phase: 'ready', agreeing: true, ...this.feed.withNews(kept, true) });
      const whole = await this.feed.readSite(turn, siteId, state.document).then((news) => (kept && news ? this.feed.asKept(news) : news));
      if (turn !== this.feed.turn || !whole) return;
      // What the files were brought in from is taken to be live, before anything is said about them: the first answer is the one that stays.
      const starts = site.from !== 'empty' && !(await db.get('manifests', siteId));
      if (turn !== this.feed.turn) return;
      // All at once: what is drawn twice holds the page up twice.
      this.store.setState({
        ...(kept ? {} : { ...facts, ...saving }),
        ...(starts ? {} : { phase: 'ready' }),
        agreeing: false,
        worker: 'there',
        ...this.feed.withNews(whole, true),
      });
      if (starts) await this.feed.takeIn(() => this.tools.analysis.startFrom(0, this.state.document, []));
      if (turn !== this.feed.turn) return;
      if (starts) this.store.setState({ phase: 'ready' });
      void this.feed.pump();
      void this.askEngine();
      void this.feed.lookFurther(turn);
      await updateSite(db, siteId, { openedAt: this.tools.now().toISOString(), summary: this.summary() }).catch(() => undefined);
    } catch (error) {
      if (turn !== this.feed.turn) return;
      // A worker that died is started again, and then reads the site anew: see below.
      if (error instanceof WorkerLost) return void this.store.setState({ failure: error.message });
      this.store.setState({ phase: 'failed', failure: messageOf(error) });
    }
  }

  /** The worker died and is started again: the site is read anew, with all that was said meanwhile. */
  private async hearOfWorker(news: WorkerNews): Promise<void> {
    if (news === 'unloadable') return void this.store.setState({ worker: 'gone' });
    if (news === 'lost') return void this.store.setState({ worker: 'restarting' });
    const { site, phase, worker } = this.state;
    if (worker === 'there') return;
    this.store.setState({ worker: 'there' });
    if (!site) return phase === 'opening' ? this.reopen?.() : undefined;
    const turn = this.feed.turn;
    this.feed.forgetQueued();
    try {
      await this.feed.takeIn(() => this.feed.readSite(turn, site.id, this.state.document), true);
      if (turn !== this.feed.turn) return;
      this.store.setState({ agreeing: false, detail: undefined });
      this.tools.tell('reader-back');
      void this.feed.pump();
      void this.feed.lookFurther(turn);
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

  /** Stops opening a site, where one is being opened. */
  stopOpening(): void {
    this.feed.keepNothing();
    if (this.state.phase !== 'opening' && !this.state.agreeing) return;
    void this.tools.analysis.cancel(`open-${this.feed.turn}`).catch(() => undefined);
    this.feed.end();
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
  async select(id: PageId): Promise<void> {
    if (this.state.detail?.id === id) return;
    const detail = await this.tools.analysis.page(id);
    this.store.setState({ detail });
  }

  /** Passes a page over in this walk, or comes back to all that were. */
  skip(id: PageId | undefined): void {
    this.store.setState({ skipped: id === undefined ? new Set() : new Set([...this.state.skipped, id]) });
  }

  /** Asks Skerry anew what it knows of the site. Without a server there is nothing to know. */
  async askEngine(): Promise<void> {
    const asked = this.tools.outside.engineSite(siteHost(this.state.document)).catch(() => undefined);
    // An answer that was overtaken by a later one tells of a time that is over.
    this.latestEngine(asked, (engine) => this.store.setState({ engine }));
    await asked;
  }
  private readonly latestEngine = latestOf();

  /** Resolves when everything is written, or could not be, and surveyed, where there is a worker. */
  async whenIdle(): Promise<void> {
    await this.journal.done();
    await this.catching;
    await this.feed.done();
  }

  /** Asks for what brings rows, and shows them, in its turn. */
  takeIn(ask: () => Promise<SurveyNews | undefined>): Promise<void> {
    return this.feed.takeIn(ask);
  }

  /** Tries to write what could not be written. */
  writeAgain(): Promise<void> {
    return this.journal.writeAgain();
  }

  /** Keeps what is not written yet where a reload finds it: for when the page goes away. */
  keepUnwritten(): void {
    this.journal.keepUnwritten();
  }

  private commit(entry: JournalEntry): void {
    const { document, undo, site } = this.state;
    if (!site) return;
    const failed = this.state.save === 'failed';
    const next = applyChange(document, entry.change);
    this.store.setState({ document: next, undo: fold(undo, entry), save: failed ? 'failed' : 'saving', unsaved: this.journal.waiting + 1 });
    this.journal.write(site.id, entry);
    this.feed.queue(entry.change);
    const name = next.tables.facts['']?.siteName;
    if (name && name !== document.tables.facts['']?.siteName) this.callSite(site.id, name);
    // After the key that made the change has been drawn: what is sent is copied, and a large document takes a while.
    setTimeout(() => void this.feed.pump());
  }

  /** The site's name in the list is the name the owner gave it. */
  private callSite(siteId: string, name: string): void {
    const { site } = this.state;
    if (site?.id === siteId) this.store.setState({ site: { ...site, name } });
    void updateSite(this.tools.db, siteId, { name }).catch(() => undefined);
  }

  /** Takes in what another tab wrote, one time after the other. */
  private catchUp(): Promise<void> {
    return (this.catching = this.catching.then(() => this.catchUpOnce()));
  }

  /** The rest of the journal or, where this tab's own changes came in between, all of it. */
  private async catchUpOnce(): Promise<void> {
    await this.journal.done();
    const { site } = this.state;
    // What is typed meanwhile is written in a moment, finds itself out of step, and comes back here.
    if (!site || this.journal.waiting > 0) return;
    const turn = this.feed.turn;
    const { db } = this.tools;
    try {
      const now = await db.get('sites', site.id);
      const gone = goneHow(now);
      if (!now || gone) return void this.store.setState({ save: 'failed', trouble: gone, unsaved: 0 });
      if (this.state.trouble === 'deleted') this.store.setState({ save: 'saved', trouble: undefined });
      if (now.name !== site.name) this.store.setState({ site: now });
      const before = this.state.document;
      const entries = this.journal.behind ? undefined : await entriesAfter(db, site.id, this.journal.seq);
      const state = entries ? { ...replay(before, this.state.undo, entries), seq: entries.at(-1)?.seq ?? this.journal.seq } : await loadDocument(db, site.id);
      if (turn !== this.feed.turn || this.journal.waiting > 0 || before !== this.state.document) return;
      this.journal.seq = state.seq;
      this.journal.behind = false;
      this.store.setState({ document: state.document, undo: state.undo });
      const change = differenceOf(before, state.document);
      if (!isIdle(before, change)) this.feed.queue(change);
      await this.feed.pump();
      if (fieldsOf(change).some(({ table }) => table === 'releases')) await this.feed.takeIn(() => this.tools.analysis.manifestAgain(this.state.document));
    } catch (error) {
      if (error instanceof WorkerLost) return;
      // What cannot be read now is read with the next word from there.
      if (troubleOf(error) === 'other') throw error;
    }
  }
}
