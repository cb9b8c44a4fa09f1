import type { StoreApi } from 'zustand/vanilla';
import { all, changesVersion, type Change, type SiteDocument } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { onProgress, WorkerLost, type SurveyNews } from '../analysis/index.ts';
import { PageRows } from './page-rows.ts';
import { SharedTexts } from './shared-texts.ts';
import type { WorkspaceState, WorkspaceTools } from './state.ts';

/** Milliseconds before the worker looks further, in which it looks before it listens again, and in which it rests. */
const BEFORE_LOOKING = 300;
const LOOKED_AT_ONCE = 50;
const PAUSE = 30;
/** Milliseconds after a change in which it looks no further: whoever types goes on typing. */
const AFTER_A_CHANGE = 400;
/** Milliseconds of quiet after which rows are kept for the next opening. */
const QUIET = 4_000;
/** Rows compared with those of last time in one go. */
const COMPARED_AT_ONCE = 200;

/** What the worker says of the open site, brought onto the screen in the order in which it was asked. */
export class SurveyFeed {
  private queued: Change[] = [];
  private asking: Promise<void> = Promise.resolve();
  private updating = false;
  private quiet: ReturnType<typeof setTimeout> | undefined;
  /** The opening for which the worker is finding out more. */
  private looking = 0;
  /** Runs for a while after each change. */
  private changing: ReturnType<typeof setTimeout> | undefined;
  private readonly texts = new SharedTexts();
  /** Counts openings: what was asked in an earlier one is not shown in a later one. */
  turn = 0;

  /** `keepSummary` sets down what the list of sites tells of this one. */
  constructor(
    private readonly tools: WorkspaceTools,
    private readonly store: StoreApi<WorkspaceState>,
    private readonly keepSummary: () => Promise<void>,
  ) {}

  private get state(): WorkspaceState {
    return this.store.getState();
  }

  /** Begins anew: another opening, with nothing asked yet. Gives its number. */
  beginAnew(): number {
    clearTimeout(this.quiet);
    this.queued = [];
    this.asking = Promise.resolve();
    return ++this.turn;
  }

  /** Ends the opening that is under way: nothing of it is shown any more. */
  end(): void {
    this.turn++;
  }

  /** Rows that were to be kept once it is quiet are not. */
  keepNothing(): void {
    clearTimeout(this.quiet);
  }

  /** A change that the worker is to hear of. */
  queue(change: Change): void {
    this.queued.push(change);
    clearTimeout(this.changing);
    this.changing = setTimeout(() => (this.changing = undefined), AFTER_A_CHANGE);
  }

  /** What the worker has not heard of needs not be told: it reads the whole document. */
  forgetQueued(): void {
    this.queued = [];
  }

  /** Resolves when all that was asked is shown. */
  async done(): Promise<void> {
    await this.asking;
    while (this.state.worker === 'there' && (this.updating || this.queued.length > 0 || this.state.agreeing))
      await new Promise((resolve) => setTimeout(resolve, 5));
  }

  /** All rows of a site, read by the worker. Undefined where it was stopped. */
  async readSite(turn: number, siteId: string, document: SiteDocument): Promise<SurveyNews | undefined> {
    const news = await this.tools.analysis.open(
      `open-${turn}`,
      siteId,
      document,
      onProgress((done, of) => turn === this.turn && this.store.setState({ loadProgress: { done, of } })),
    );
    return news && this.allOf(news);
  }

  /**
   * News with the very rows that stand on the screen where they say the same: what was right last time need not be drawn again. Compared a slice at a time,
   * so that it holds nothing up.
   */
  async asKept(news: SurveyNews): Promise<SurveyNews> {
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

  /** Lets the worker find out what takes longer, a little at a time: what the owner does goes first. */
  async lookFurther(turn: number): Promise<void> {
    if (this.looking === turn) return;
    this.looking = turn;
    await new Promise((resolve) => setTimeout(resolve, BEFORE_LOOKING));
    try {
      for (let left = 1; left > 0 && turn === this.turn;) {
        await this.takeIn(async () => {
          const some = await this.tools.analysis.lookFurther(LOOKED_AT_ONCE);
          left = some.left;
          return some.news && some.news.rows.length > 0 ? some.news : undefined;
        });
        await new Promise((resolve) => setTimeout(resolve, PAUSE));
        while (turn === this.turn && this.changing !== undefined) await new Promise((resolve) => setTimeout(resolve, PAUSE));
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
    const turn = this.turn;
    this.quiet = setTimeout(() => {
      const { site, agreeing } = this.state;
      if (turn !== this.turn || !site || agreeing || this.updating) return;
      // Only a help: without room for it the next opening takes longer.
      void this.tools.analysis.keepRows(site.id, this.tools.build).catch(() => undefined);
      void this.keepSummary();
    }, QUIET);
  }

  /** News with all its rows, fetched message by message where there are many. */
  private async allOf(news: SurveyNews): Promise<SurveyNews> {
    const rows = [...this.texts.share(news.rows, this.state.byId)];
    if (news.ticket === undefined) return { ...news, rows };
    for (let more = await this.tools.analysis.moreRows(news.ticket); more.length > 0; more = await this.tools.analysis.moreRows(news.ticket))
      rows.push(...this.texts.share(more, this.state.byId));
    return { rows, numbers: news.numbers };
  }

  /**
   * Asks for what brings rows, and shows them. One is asked after the other, each with the document of its own moment: what was asked earlier never stands
   * over what was asked later. Resolves when they are shown; rejects as the asking does.
   */
  takeIn(ask: () => Promise<SurveyNews | undefined>, whole = false): Promise<void> {
    const turn = this.turn;
    const shown = this.asking.then(async () => {
      if (turn !== this.turn) return;
      const some = await ask();
      const news = some && (await this.allOf(some));
      if (news && turn === this.turn) this.store.setState(this.withNews(news, whole));
    });
    this.asking = shown.catch(() => undefined);
    return shown;
  }

  /** The screen's state once news is in; `whole` where it tells of all pages. */
  withNews(news: SurveyNews, whole: boolean): Pick<WorkspaceState, 'rows' | 'byId' | 'numbers' | 'surveyed'> {
    const { rows, byId, surveyed } = this.state;
    if (whole && news.rows === rows) return { rows, byId, numbers: news.numbers, surveyed: surveyed + 1 };
    if (whole) return { rows: [...news.rows], byId: PageRows.of(news.rows), numbers: news.numbers, surveyed: surveyed + 1 };
    if (news.rows.length === 0) return { rows, byId, numbers: news.numbers, surveyed: surveyed + 1 };
    const others = new Map(news.rows.map((row) => [row.id, row]));
    return { rows: rows.map((row) => others.get(row.id) ?? row), byId: byId.with(news.rows), numbers: news.numbers, surveyed: surveyed + 1 };
  }

  /** Sends what has changed to the worker; what changes meanwhile goes together, next time. */
  async pump(): Promise<void> {
    if (this.updating || this.state.agreeing || this.state.phase !== 'ready') return;
    this.updating = true;
    const turn = this.turn;
    try {
      while (this.queued.length > 0 && turn === this.turn) {
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
}
