import type { StoreApi } from 'zustand/vanilla';
import { fieldsOf, type JournalEntry } from '../../core/site/index.ts';
import { appendEntries, shortenJournal } from '../storage/index.ts';
import type { Unnumbered, WorkspaceState, WorkspaceTools } from './state.ts';
import { RETRY, troubleOf } from './trouble.ts';

/** Fields that a change may set to be kept in the tab at once, until it is written. */
const KEPT_AT_ONCE = 400;
/** Entries written after which the journal is looked at for shortening. */
const SHORTEN_AFTER = 500;

/** Writes the open site's journal: one batch after the other, tried again while the browser refuses, kept in the tab meanwhile. */
export class JournalWriter {
  /** Number of the last entry that this tab has read or written. */
  seq = 0;
  /** Entries of another tab stand among this tab's own: the whole journal is to be read. */
  behind = false;
  private writes: Promise<unknown> = Promise.resolve();
  private unwritten: Unnumbered[] = [];
  private writing = false;
  private tries = 0;
  private retry: ReturnType<typeof setTimeout> | undefined;
  private written = 0;

  /** `catchUp` is called when this tab is found to be behind. */
  constructor(
    private readonly tools: WorkspaceTools,
    private readonly store: StoreApi<WorkspaceState>,
    private readonly catchUp: () => void,
  ) {}

  private get state(): WorkspaceState {
    return this.store.getState();
  }

  /** Entries that are not written yet. */
  get waiting(): number {
    return this.unwritten.length;
  }

  /** Resolves when what was begun is written, or could not be. */
  async done(): Promise<void> {
    await this.writes;
  }

  /** Another site is about to be opened: what waits of this one is written, or kept by the tab. */
  async leaveFor(siteId: string): Promise<void> {
    if (this.state.site?.id !== siteId) await this.writes;
    if (this.unwritten.length > 0) this.keepUnwritten();
  }

  /** Begins with nothing to write. */
  beginAnew(): void {
    clearTimeout(this.retry);
    this.unwritten = [];
    this.behind = false;
  }

  /** Entries that could not be written before go on in memory, and are written when there is room. */
  takeOver(siteId: string, entries: readonly Unnumbered[]): void {
    this.unwritten = [...entries];
    this.tryAgainLater(siteId);
  }

  /** Writes an entry as soon as the one before is written. */
  write(siteId: string, { seq: _seq, ...entry }: JournalEntry): void {
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
    if (this.behind) this.catchUp();
  }

  /** Keeps what is not written yet where a reload finds it: for when the page goes away. */
  keepUnwritten(): void {
    const { site } = this.state;
    if (site && this.unwritten.length > 0) this.tools.unsavedEntries.keep(site.id, this.unwritten);
  }
}
