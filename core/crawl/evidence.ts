import { policyFor } from '../engines/index.ts';
import {
  alike,
  comparedText,
  mayFetch,
  refreshOf,
  saidByHeaders,
  softNotFound,
  wayIn,
  type CanonicalTarget,
  type Evidence,
  type GateName,
  type PageEvidence,
  type RobotsAccess,
  type SaidCanonical,
  type SaidDirectives,
  type WayIn,
} from '../indexing/index.ts';
import { plannedMetas, type PageFacts } from '../page/index.ts';
import { plainAddress, type AddressPath, type CrawlerToken, type FilePath, type PageId } from '../source/index.ts';
import { addressOf, effectiveNoindex, headersFor, robotsEdits, siteOrigin, type HeaderRule, type SiteDocument, type SitePage } from '../site/index.ts';

import type { Place } from '../links/index.ts';

/** A page as far as its way in goes. */
export interface EnteredPage {
  readonly id: PageId;
  /** As the file was brought in. */
  readonly source: PageFacts;
  /** Path at which it will answer. */
  readonly address: AddressPath;
  readonly canonicals: readonly SaidCanonical[];
  /** What it will say in robots metas, to whomever. */
  readonly directives: readonly SaidDirectives[];
}

/** What of the site bears on the way in of each of its pages. */
export interface Surroundings {
  readonly document: SiteDocument;
  /** When the last release went out, ISO. */
  readonly releasedAt: string | undefined;
  readonly released: (file: FilePath) => boolean;
  /** Who can visit the site at its host. */
  readonly audience: Evidence['audience'];
  /** Whether it stands in a map that a crawler reads. */
  readonly inMap: (file: FilePath, crawler: CrawlerToken) => boolean;
  /** Whether a crawler comes upon a file by links that it may follow, from home or from the map. */
  readonly isDiscovered: (file: FilePath, crawler: CrawlerToken) => boolean;
  /** How many pages link to a file, a page by its own address. */
  readonly linksIn: (file: FilePath) => number;
  /** Second spellings under which it is linked. */
  readonly spelledAs: (file: FilePath) => readonly string[];
  /** An address as it will be, where a page moves. */
  readonly follow: (address: string) => string;
  /** What will answer at a path of the site, with or without a query. */
  readonly at: (path: AddressPath) => Place;
  readonly home: string | undefined;
  /** The rules that give files `X-Robots-Tag` headers. */
  readonly headers: readonly HeaderRule[];
  readonly page: (file: FilePath) => EnteredPage | undefined;
  /** Milliseconds since 1970. */
  readonly now: number;
}

/** How robots.txt stands to one path, for one crawler. */
export type Access = (path: AddressPath) => RobotsAccess;

/** Gathers what bears on the way in, from files: the same evidence that HTTP answers give once it is released. */
export class Evidences {
  readonly origin: string;

  constructor(readonly around: Surroundings) {
    this.origin = siteOrigin(around.document);
  }

  /** The evidence for one page and crawler; `assumeLive` tells it as if it were released. */
  of(page: EnteredPage, crawler: CrawlerToken, access: Access, assumeLive = false): Evidence {
    const { around, origin } = this;
    const { id, address } = page;
    const [first] = page.canonicals;
    const elsewhere = first !== undefined && first.address !== plainAddress(origin + address) ? first.address : undefined;
    return {
      path: address,
      live: assumeLive || around.released(id) ? { kind: 'released', at: around.releasedAt } : { kind: 'not-released' },
      audience: around.audience,
      answer: { kind: 'file' },
      robots: access(address),
      page: {
        said: this.said(page, crawler),
        canonicals: page.canonicals,
        address: origin + address,
        ...this.ownWords(page),
        target: elsewhere === undefined ? undefined : this.target(page, elsewhere, crawler, access),
      },
      linksIn: around.linksIn(id),
      spelledAs: around.spelledAs(id)[0],
      discovered: around.isDiscovered(id, crawler),
      inSitemap: around.inMap(id, crawler),
      isHome: id === around.home,
      now: around.now,
      policy: policyFor(crawler),
    };
  }

  /** What a page's own words give away, and where it will send its visitors: its refresh follows pages that move. */
  private ownWords({ id, address, source }: EnteredPage): Pick<PageEvidence, 'softNotFound' | 'refresh'> {
    const { softNotFound: says, refresh } = lookAtOwnWords(source, this.origin + addressOf(id));
    if (!refresh || this.around.document.tables.pages[id]?.refresh === 'none') return { softNotFound: says, refresh: undefined };
    const to = this.around.follow(refresh.to);
    return { softNotFound: says, refresh: to === plainAddress(this.origin + address) ? undefined : { ...refresh, to } };
  }

  /** The way in for a file that is no page, such as a PDF, or for no file at all: only headers speak for it. */
  ofFile(file: FilePath | undefined, address: AddressPath, crawler: CrawlerToken, access: Access): Evidence {
    const { around, origin } = this;
    return {
      path: address,
      live: file !== undefined && around.released(file) ? { kind: 'released', at: around.releasedAt } : { kind: 'not-released' },
      audience: around.audience,
      answer: { kind: 'file' },
      robots: access(address),
      page: {
        said: saidByHeaders(headersFor(this.around.headers, address), crawler),
        canonicals: [],
        address: origin + address,
        softNotFound: undefined,
        refresh: undefined,
      },
      linksIn: file === undefined ? 0 : around.linksIn(file),
      inSitemap: false,
      isHome: false,
      now: around.now,
      policy: policyFor(crawler),
    };
  }

  /** The `X-Robots-Tag` values that an address path gets. */
  headersOf(address: AddressPath): readonly string[] {
    return headersFor(this.around.headers, address);
  }

  /** All that will be said about listing a page to one crawler: in its metas as they go out, and in headers. */
  said(page: EnteredPage, crawler: CrawlerToken, path = page.address): readonly SaidDirectives[] {
    const token = crawler.toLowerCase();
    const metas = page.directives;
    const here = metas.length === 0 ? metas : metas.filter(({ name }) => name === 'robots' || name === token);
    return this.around.headers.length === 0 ? here : [...here, ...saidByHeaders(headersFor(this.around.headers, path), crawler)];
  }

  /** Path and query of an address on this site; undefined for one on another. */
  pathHere(address: string): string | undefined {
    return address.startsWith(`${this.origin}/`) ? address.slice(this.origin.length).replace(/#.*$/s, '') : undefined;
  }

  /** What is known of the page that a canonical names; undefined where it is on another site. */
  private target(page: EnteredPage, address: string, crawler: CrawlerToken, access: Access): CanonicalTarget | undefined {
    const { around, origin } = this;
    const path = this.pathHere(address) ?? this.pathOfOtherScheme(address);
    if (path === undefined) return undefined;
    const place = around.at(path);
    if (place.kind === 'nothing') return { trouble: mayFetch(access(path)) ? 'gone' : 'blocked', alike: false };
    if (place.kind === 'file') return { trouble: mayFetch(access(path)) ? undefined : 'blocked', alike: false };
    const other = place.page && around.page(place.page.id);
    const alikeTo = (one: EnteredPage | undefined): boolean =>
      one !== undefined && mayFetch(access(one.address)) && alike(comparedText(page.source), comparedText(one.source));
    if (place.kind !== 'page' || other === undefined || this.pathHere(address) === undefined)
      return mayFetch(access(path)) ? { trouble: 'redirects', alike: alikeTo(other) } : { trouble: 'blocked', alike: false };
    // The other page's own canonical is asked where it leads, not how that is taken: chains end here.
    const there = other;
    const spelled = place.direct ? there.address : path;
    const way = wayIn({ ...this.of({ ...there, address: spelled, canonicals: [] }, crawler, access, true), linksIn: 1 });
    const main = plainAddress(origin + spelled);
    const elsewhere = there.canonicals.length > 0 && there.canonicals.every((canonical) => canonical.address !== main);
    const trouble = troubleOf(way) ?? (elsewhere ? 'elsewhere' : undefined);
    // What may not be fetched cannot be compared.
    return { trouble, alike: trouble !== 'blocked' && alikeTo(there) };
  }

  /** The path of an address that is this site's but for its scheme, from where the host redirects. */
  pathOfOtherScheme(address: string): string | undefined {
    const other = this.origin.startsWith('https:') ? this.origin.replace('https:', 'http:') : this.origin.replace('http:', 'https:');
    return address.startsWith(`${other}/`) ? address.slice(other.length).replace(/#.*$/s, '') : undefined;
  }
}

/** Names of metas that could be a crawler's token; what pages say under the usual names is no word to a crawler. */
const TOKEN = /^(?!(?:description|keywords|viewport|author|generator|robots|theme-color|referrer|application-name)$)[a-z_-]+$/;

/** What a page will say in robots metas, to whomever it speaks: those that the program knows as they are planned, others as they stand there. */
export function plannedDirectives(document: SiteDocument, source: PageFacts, site: SitePage): readonly SaidDirectives[] {
  const ours = effectiveNoindex(document, site).from === 'switch' ? 'switch' : 'owner';
  const planned = plannedMetas(source, robotsEdits(document, site));
  const looked = new Set(planned.map(({ meta }) => meta));
  const said = [
    ...planned.flatMap(({ name, content, meta, changed }): SaidDirectives[] =>
      content === '' ? [] : [{ from: changed ? ours : 'page', name, content, place: meta?.tag.start }],
    ),
    // A crawler that nobody here knows may still be named in the page; its token has no space, and other metas are never asked for.
    ...source.metas.flatMap((meta): SaidDirectives[] =>
      meta.inHead && meta.name !== undefined && !looked.has(meta) && TOKEN.test(meta.name)
        ? [{ from: 'page', name: meta.name, content: meta.content ?? '', place: meta.tag.start }]
        : [],
    ),
  ];
  return said.length === 0 ? NOTHING_SAID : said;
}

const NOTHING_SAID: readonly SaidDirectives[] = [];

const TROUBLES: Readonly<Partial<Record<GateName, CanonicalTarget['trouble']>>> = { answers: 'redirects', fetchable: 'blocked', listed: 'noindex' };

const looked = new WeakMap<PageFacts, { readonly address: string } & Pick<PageEvidence, 'softNotFound' | 'refresh'>>();

/** What a page's own words give away, and where it sends visitors: asked once, since neither changes. */
function lookAtOwnWords(source: PageFacts, address: string): Pick<PageEvidence, 'softNotFound' | 'refresh'> {
  const before = looked.get(source);
  const found = before?.address === address ? before : { address, softNotFound: softNotFound(source), refresh: refreshOf(source, address) };
  looked.set(source, found);
  return { softNotFound: found.softNotFound, refresh: found.refresh };
}

function troubleOf(way: WayIn): CanonicalTarget['trouble'] {
  const shut = way.gates.find((gate) => gate.outcome === 'shut');
  return shut && TROUBLES[shut.name];
}
