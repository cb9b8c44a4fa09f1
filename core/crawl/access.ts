import type { CrawlerToken } from '../source/index.ts';
import { parseRobots, robotsMatcher } from '../robots/index.ts';
import type { Access } from './evidence.ts';

/** What a robots.txt says to any crawler about any path; a crawler's groups are looked up once. */
export class RobotsAccess {
  private readonly known = new Map<string, Access>();
  private readonly file: ReturnType<typeof parseRobots> | undefined;

  /** `text` is undefined where there is none. */
  constructor(text: string | undefined) {
    this.file = text === undefined ? undefined : parseRobots(text);
  }

  /** The answers for one crawler. */
  to(crawler: CrawlerToken): Access {
    const made = this.known.get(crawler) ?? this.make(crawler);
    this.known.set(crawler, made);
    return made;
  }

  private make(crawler: CrawlerToken): Access {
    if (!this.file) return () => ({ kind: 'missing' });
    const matcher = robotsMatcher(this.file, crawler);
    return (path) => ({ kind: 'read', verdict: matcher.match(path) });
  }
}
