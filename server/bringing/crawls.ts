import { zip, type Zippable } from 'fflate';
import type { CrawlLimits, CrawlTold, CrawlView } from '../../core/exchange/index.ts';
import { RequestError } from '../errors.ts';
import { SiteCrawl, type CrawlEffects } from './site-crawl.ts';

/** Crawls that are kept at a time: one more ends the oldest. */
const MOST = 3;

/** The crawls of this server, by an id each. What came in is kept until it was fetched, or three later ones were begun. */
export class Crawls {
  private readonly known = new Map<string, { readonly crawl: SiteCrawl; running: Promise<void> }>();

  constructor(
    private readonly effectsFor: (address: string) => CrawlEffects,
    private readonly id: () => string,
  ) {}

  /** Begins a crawl; it goes on by itself. */
  begin(address: string, limits: CrawlLimits): { readonly id: string } {
    for (const [oldest, { crawl }] of [...this.known].slice(0, Math.max(0, this.known.size - MOST + 1))) {
      crawl.stop();
      this.known.delete(oldest);
    }
    const id = this.id();
    const crawl = new SiteCrawl(address, limits, this.effectsFor(address));
    this.known.set(id, { crawl, running: crawl.run() });
    return { id };
  }

  view(id: string): CrawlView {
    return this.of(id).crawl.view();
  }

  async stop(id: string): Promise<CrawlView> {
    const one = this.of(id);
    one.crawl.stop();
    await one.running;
    return one.crawl.view();
  }

  /** Goes on with one that was stopped, or reached a limit of time. */
  async goOn(id: string): Promise<CrawlView> {
    const one = this.of(id);
    await one.running;
    one.running = one.crawl.run();
    return one.crawl.view();
  }

  /** What came in, as a ZIP, once nothing more is under way. */
  async zip(id: string): Promise<Uint8Array> {
    const { crawl, running } = this.of(id);
    await running;
    return new Promise((done, failed) =>
      zip(
        Object.fromEntries(
          [...crawl.files].map(([path, { bytes, modified }]) => [path, [bytes, isZipTime(modified) ? { mtime: modified } : {}] as const]),
        ) as Zippable,
        { level: 1 },
        (error, bytes) => (error ? failed(error) : done(bytes)),
      ),
    );
  }

  /** What files do not tell of what came in. */
  async told(id: string): Promise<CrawlTold> {
    const { crawl, running } = this.of(id);
    await running;
    return crawl.told();
  }

  /** Ends all of them. */
  close(): void {
    for (const { crawl } of this.known.values()) crawl.stop();
    this.known.clear();
  }

  private of(id: string): { readonly crawl: SiteCrawl; running: Promise<void> } {
    const one = this.known.get(id);
    if (!one) throw new RequestError('not-found');
    return one;
  }
}

/** Whether a ZIP can say a time: its years are 1980 to 2107; the last is left to none whose zone is ahead. */
function isZipTime(at: number | undefined): at is number {
  return at !== undefined && at > Date.UTC(1980, 0, 2) && at < Date.UTC(2099, 0, 1);
}
