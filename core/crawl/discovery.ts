import { mayFetch } from '../indexing/index.ts';
import type { Links } from '../links/index.ts';
import { canonicalHrefs, indexDirectives } from '../page/index.ts';
import { addressOf } from '../site/index.ts';
import { plainAddress, type AddressPath, type CrawlerToken, type FilePath, type PageId } from '../source/index.ts';
import type { Access, EnteredPage, Evidences } from './evidence.ts';

/** Where a crawler begins: pages that it knows by their own addresses, those that a redirect led to, and by path, those known under a second spelling. */
export interface Beginnings {
  readonly direct: Iterable<FilePath>;
  readonly linked: Iterable<FilePath>;
  readonly aside: ReadonlyMap<AddressPath, FilePath>;
}

/** A page to look at: by its own address, or under a second spelling of it. */
type Waiting = FilePath | { readonly file: FilePath; readonly path: AddressPath };

/**
 * All files that a crawler discovers, from home and the maps, by links that it may follow, pages by their own addresses. What a canonical names is
 * led to as by a link (RFC 6596, 3). What is linked under a second spelling it looks at too, and goes on from there, but that is no link to the page's own address.
 */
export function discover(
  evidences: Evidences,
  from: Beginnings,
  linksOf: (page: PageId) => Links,
  crawler: CrawlerToken,
  access: Access,
): ReadonlySet<FilePath> {
  return new Walk(evidences, from, linksOf, crawler, access).run();
}

class Walk {
  private readonly linked: Set<FilePath>;
  private readonly seen: Set<FilePath>;
  private readonly asides: Set<AddressPath>;
  private readonly waiting: Waiting[];

  constructor(
    private readonly evidences: Evidences,
    from: Beginnings,
    private readonly linksOf: (page: PageId) => Links,
    private readonly crawler: CrawlerToken,
    private readonly access: Access,
  ) {
    this.linked = new Set([...from.direct, ...from.linked]);
    this.seen = new Set(this.linked);
    this.asides = new Set(from.aside.keys());
    this.waiting = [...this.linked, ...[...from.aside].map(([path, file]) => ({ file, path }))];
  }

  run(): ReadonlySet<FilePath> {
    for (const next of this.waiting) {
      const page = this.evidences.around.page(typeof next === 'string' ? next : next.file);
      if (!page) continue;
      const path = typeof next === 'string' ? page.address : next.path;
      if (!mayFetch(this.access(path))) continue;
      const canonical = this.namedAt(page, path);
      if (canonical !== undefined) this.goToNamed(canonical);
      if (this.evidences.said(page, this.crawler, path).some((said) => indexDirectives(said.content).nofollow)) continue;
      this.followLinks(page, typeof next === 'string');
    }
    return this.linked;
  }

  private followLinks(page: EnteredPage, byOwnAddress: boolean): void {
    const { followed, aside, toSelf } = this.linksOf(page.id);
    // Under a second spelling the page's link to itself is a link to another address.
    if (toSelf && !byOwnAddress) this.link(page.id);
    for (const file of followed) this.link(file);
    for (const link of aside) {
      if (!link.followed) continue;
      // A page that moves is linked by its new address everywhere; a query travels along.
      const target = this.evidences.around.page(link.file);
      const moved = target !== undefined && target.address !== addressOf(link.file);
      const query = /\?.+$/s.exec(link.path)?.[0] ?? '';
      if (!moved && !link.redirects) this.lookAside(link.file, link.path);
      else if (moved && query !== '') this.lookAside(link.file, target.address + query);
      else if (moved ? link.file !== page.id || !byOwnAddress : mayFetch(this.access(link.path))) this.link(link.file);
    }
  }

  private link(file: FilePath): void {
    this.linked.add(file);
    if (this.seen.has(file)) return;
    this.seen.add(file);
    this.waiting.push(file);
  }

  private lookAside(file: FilePath, path: AddressPath): void {
    if (this.asides.has(path)) return;
    this.asides.add(path);
    this.waiting.push({ file, path });
  }

  /** What the canonical of a page names where the page is read at some spelling of its address: one that is relative to the page itself goes with it. */
  private namedAt(page: EnteredPage, path: AddressPath): string | undefined {
    const { around, origin } = this.evidences;
    const named = page.canonicals[0]?.address;
    if (named === undefined || path === page.address || around.document.tables.pages[page.id]?.canonical === 'self') return named;
    const [href] = canonicalHrefs(page.source);
    return href !== undefined && /^(?:[?#]|$)/.test(href) && page.source.base === undefined ? plainAddress(new URL(href, origin + path).href) : named;
  }

  /** Goes where a canonical leads: to a page, by its own address or another spelling; or over a redirect, which counts as a link. */
  private goToNamed(address: string): void {
    const here = this.evidences.pathHere(address);
    const path = here ?? this.evidences.pathOfOtherScheme(address);
    if (path === undefined) return;
    const place = this.evidences.around.at(path);
    if (here !== undefined && place.kind === 'page') return place.direct ? this.link(place.page.id) : this.lookAside(place.page.id, path);
    if (!mayFetch(this.access(path)) || place.kind === 'nothing' || place.kind === 'file' || place.kind === 'moved' || !place.page) return;
    // From the other scheme one is led to the same spelling here.
    if (place.kind === 'page' && !place.direct) return this.lookAside(place.page.id, path);
    this.link(place.page.id);
  }
}
