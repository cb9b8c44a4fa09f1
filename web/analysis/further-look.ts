import type { TextMeasure } from '../../core/language/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { SiteDocument } from '../../core/site/index.ts';
import type { PageMeaning } from '../../core/structured-data/index.ts';
import type { Survey } from '../../core/survey/index.ts';
import { Meanings } from './meanings.ts';
import { Measures } from './measures.ts';
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
  /** Pages whose reading has not been measured yet. */
  private unmeasured: string[];
  /** Pages of which it is not known yet what they say; and on what of the document that depends. */
  private unread: string[];
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
    this.measures = new Measures(store, now);
    this.meanings = new Meanings(store);
    this.handedOver = now();
    this.unmeasured = [...pages];
    this.unread = [...pages];
    this.basis = Meanings.basis(document);
  }

  /** Takes another document in. Whether what pages say has to be found out anew for it. */
  follow(document: SiteDocument): boolean {
    this.document = document;
    const basis = Meanings.basis(document);
    if (basis === this.basis) return false;
    this.basis = basis;
    this.unread = this.survey.rows().map(({ id }) => id);
    return true;
  }

  /**
   * Looks for about so many milliseconds: near copies first, then how pages read, then what they say. Rows are handed over when there are many, or when all is done: the page
   * draws them anew each time. `left` is how much is still to come.
   */
  async look(milliseconds: number): Promise<{ readonly rows: readonly PageRow[] | undefined; readonly left: number }> {
    const until = this.now() + milliseconds;
    const compared = this.survey.compareMore(() => this.now() < until);
    this.keep(compared.rows);
    const measured = new Map<string, TextMeasure>();
    while (compared.left === 0 && this.unmeasured.length > 0 && this.now() < until) {
      const id = this.unmeasured.shift() as string;
      const measure = await this.measured(id);
      if (measure) measured.set(id, measure);
    }
    this.keep(this.survey.putMeasures(measured));
    if (compared.left === 0) this.keep(await this.readMeanings(() => this.now() < until));
    const left = compared.left + this.unmeasured.length + this.unread.length;
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
  measured(id: string): Promise<TextMeasure | undefined> {
    return this.measures.of(id, this.document.tables.facts['']?.language);
  }

  /** Waits until it is known what every page says. */
  async understandAll(): Promise<void> {
    this.keep(await this.readMeanings(() => true));
  }

  /** Finds out at once what one page says, where that is not known yet. */
  async understand(id: string): Promise<void> {
    if (this.survey.isUnderstood(id) && !this.unread.includes(id)) return;
    const meaning = await this.meanings.of(id, this.document).catch(() => undefined);
    this.unread = this.unread.filter((one) => one !== id);
    if (meaning) this.keep(this.survey.putMeanings(new Map([[id, meaning]])));
  }

  /** Looks at pages until so much time has passed, or all are looked at; gives the rows that are others then. One reading goes after the other. */
  private readMeanings(goOn: () => boolean): Promise<PageRow[]> {
    const reading = this.reading.then(async () => {
      const found = new Map<string, PageMeaning>();
      while (this.unread.length > 0 && goOn()) {
        const id = this.unread.shift() as string;
        const { basis } = this;
        const meaning = await this.meanings.of(id, this.document).catch(() => 'cannot' as const);
        if (basis !== this.basis) continue;
        // Without the vocabulary, which comes from the server, none can be: pages stay as they were released, and are asked about when somebody looks at them.
        if (meaning === 'cannot') this.unread = [];
        else if (meaning) found.set(id, meaning);
      }
      return found.size === 0 ? [] : this.survey.putMeanings(found);
    });
    this.reading = reading.then(
      () => undefined,
      () => undefined,
    );
    return reading;
  }
}
