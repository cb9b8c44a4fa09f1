import type { PageId } from '../../core/source/index.ts';
import type { TextMeasure } from '../../core/language/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { SiteDocument } from '../../core/site/index.ts';
import type { PageMeaning } from '../../core/structured-data/index.ts';
import type { Survey } from '../../core/survey/index.ts';
import { Meanings } from './meanings.ts';
import { Measures } from './measures.ts';
import { PagesAhead, type ReadAhead } from './pages-ahead.ts';
import type { StoredSite } from './read-site.ts';

/** Milliseconds after which the page is told of what was found out meanwhile. */
const BETWEEN_NEWS = 4000;
/** Rows handed over in one go. */
const ROWS_AT_ONCE = 600;

/** What is found out of a site once it is open, a while at a time: which texts are near copies, how pages read, and what they say. */
export class FurtherLook {
  private readonly measures: Measures;
  private readonly meanings: Meanings;
  /** Rows found out about since the page was told. */
  private readonly found = new Map<string, PageRow>();
  private handedOver: number;
  private readonly pages: PagesAhead;
  /** Pages whose reading has not been measured yet. */
  private readonly unmeasured: Set<string>;
  /** Pages of which it is not known yet what they say; and on what of the document that depends. */
  private readonly unread: Set<string>;
  private basis: string;
  private reading: Promise<void> = Promise.resolve();

  /** `pages` are those that could be read. */
  constructor(
    store: StoredSite,
    pages: readonly string[],
    private document: SiteDocument,
    private readonly survey: Survey,
    private readonly now: () => number,
  ) {
    this.measures = new Measures(store);
    this.meanings = new Meanings(store);
    this.pages = new PagesAhead(store, now);
    this.handedOver = now();
    this.unmeasured = new Set(pages);
    this.unread = new Set(pages);
    this.basis = Meanings.basis(document);
  }

  /** Takes another document in. Whether what pages say has to be found out anew for it. */
  follow(document: SiteDocument): boolean {
    this.document = document;
    const basis = Meanings.basis(document);
    if (basis === this.basis) return false;
    this.basis = basis;
    for (const { id } of this.survey.rows()) this.unread.add(id);
    return true;
  }

  /**
   * Looks for about so many milliseconds: near copies first, then how pages read and what they say. Rows are handed over when there are many, or when all is done: the page
   * draws them anew each time. `left` is how much is still to come.
   */
  async look(milliseconds: number): Promise<{ readonly rows: readonly PageRow[] | undefined; readonly left: number }> {
    const until = this.now() + milliseconds;
    const compared = this.survey.compareMore(() => this.now() < until);
    this.keep(compared.rows);
    if (compared.left === 0) this.keep(await this.readOn(() => this.now() < until));
    const left = compared.left + this.unmeasured.size + this.unread.size;
    if (left > 0 && this.now() - this.handedOver < BETWEEN_NEWS) return { rows: undefined, left };
    // A row may have become another one since it was put aside; many go over in several parts, so that none holds the page up.
    const ids = [...this.found.keys()].slice(0, ROWS_AT_ONCE);
    for (const id of ids) this.found.delete(id);
    if (this.found.size === 0) this.handedOver = this.now();
    return { rows: ids.map((id) => this.survey.row(id)), left: left + this.found.size };
  }

  private keep(rows: readonly PageRow[]): void {
    for (const row of rows) this.found.set(row.id, row);
  }

  /** How a page reads, in its own language or the site's. Undefined where it cannot be read. */
  measured(id: PageId, read = () => this.pages.one(id)): Promise<TextMeasure | undefined> {
    return this.measures.of(id, this.document.tables.facts['']?.language, read);
  }

  /** Waits until it is known what every page says. */
  async understandAll(): Promise<void> {
    while (this.unread.size > 0) this.keep(await this.readOn(() => this.unread.size > 0));
  }

  /** Finds out at once what one page says, where that is not known yet. */
  async understand(id: PageId): Promise<void> {
    if (this.survey.isUnderstood(id) && !this.unread.has(id)) return;
    const meaning = await this.meanings.of(id, this.document, () => this.pages.one(id)).catch(() => undefined);
    this.unread.delete(id);
    if (meaning) this.keep(this.survey.putMeanings(new Map([[id, meaning]])));
  }

  /** Reads pages as long as it may, each once for all that is still to be known of it; gives the rows that are others then. One reading goes after the other. */
  private readOn(goOn: () => boolean): Promise<readonly PageRow[]> {
    const reading = this.reading.then(async () => {
      const measures = new Map<string, TextMeasure>();
      const meanings = new Map<string, PageMeaning>();
      while (this.unmeasured.size + this.unread.size > 0 && goOn()) {
        const [id = ''] = this.unread.size > 0 ? this.unread : this.unmeasured;
        const { basis } = this;
        let page: Promise<ReadAhead | undefined> | undefined;
        const read = (): Promise<ReadAhead | undefined> => (page ??= this.pages.next(id));
        const measure = this.unmeasured.has(id) ? await this.measured(id, read) : undefined;
        this.unmeasured.delete(id);
        if (measure) measures.set(id, measure);
        if (!this.unread.has(id)) continue;
        const meaning = await this.meanings.of(id, this.document, read).catch(() => 'cannot' as const);
        // Another basis came meanwhile: it is asked about anew.
        if (basis !== this.basis) continue;
        this.unread.delete(id);
        // Without the vocabulary, which comes from the server, none can be: pages stay as they were released, and are asked about when somebody looks at them.
        if (meaning === 'cannot') this.unread.clear();
        else if (meaning) meanings.set(id, meaning);
      }
      return [...this.survey.putMeasures(measures), ...(meanings.size === 0 ? [] : this.survey.putMeanings(meanings))];
    });
    this.reading = reading.then(
      () => undefined,
      () => undefined,
    );
    return reading;
  }
}
