import { readSource, type PageFacts } from '../../core/page/index.ts';
import { decodeSource, type PageId } from '../../core/source/index.ts';
import { loadBytes, pagesFrom } from '../storage/index.ts';
import { giveBack, timeLimit, type StoredSite } from './read-site.ts';

/** Pages fetched from the database at once. */
const AHEAD = 24;

/** A page as its file has it, read with all its text. */
export interface ReadAhead {
  readonly text: string;
  readonly facts: PageFacts;
}

/** Reads pages one after the other, in the order of their paths: those that come next are fetched along, so that thousands of pages are not thousands of requests. */
export class PagesAhead {
  private fetched = new Map<string, Uint8Array>();

  constructor(
    private readonly store: StoredSite,
    private readonly now: () => number,
  ) {}

  /** Undefined where there is no such page, or it cannot be read. */
  async next(id: PageId): Promise<ReadAhead | undefined> {
    if (!this.fetched.has(id)) this.fetched = new Map((await pagesFrom(this.store.db, this.store.siteId, id, AHEAD)).map(({ path, bytes }) => [path, bytes]));
    const bytes = this.fetched.get(id);
    this.fetched.delete(id);
    const page = bytes && this.read(bytes);
    if (bytes) giveBack(bytes);
    return page;
  }

  /** One page by itself. */
  async one(id: PageId): Promise<ReadAhead | undefined> {
    const bytes = await loadBytes(this.store.db, this.store.siteId, id);
    return bytes && this.read(bytes);
  }

  private read(bytes: Uint8Array): ReadAhead | undefined {
    const source = decodeSource(bytes);
    const reading = readSource(source, { keepText: true, outOfTime: timeLimit(this.now) });
    return reading.ok ? { text: source.text, facts: reading.facts } : undefined;
  }
}
