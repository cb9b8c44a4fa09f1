import {
  alike,
  comparedText,
  mayFetch,
  policyFor,
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
import { canonicalHrefs, indexDirectives, plannedMetas, type PageFacts } from '../page/index.ts';
import { plainAddress } from '../source/index.ts';
import {
  addressOf,
  effectiveNoindex,
  headersFor,
  outgoingHeaderRules,
  robotsEdits,
  siteOrigin,
  type HeaderRule,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';

import type { AsideLink } from './links.ts';
import type { Place } from './whereabouts.ts';

/** A page as far as its way in goes. */
export interface EnteredPage {
  readonly id: string;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly site: SitePage;
  /** Path at which it will answer. */
  readonly address: string;
  readonly canonicals: readonly SaidCanonical[];
}

/** What of the site bears on the way in of each of its pages. */
export interface Surroundings {
  readonly document: SiteDocument;
  /** When the last release went out, ISO. */
  readonly releasedAt: string | undefined;
  readonly released: (file: string) => boolean;
  /** Whether it stands in a map that a crawler reads. */
  readonly inMap: (file: string, crawler: string) => boolean;
  /** Whether a crawler comes upon a file by links that it may follow, from home or from the map. */
  readonly comesUpon: (file: string, crawler: string) => boolean;
  /** How many pages link to a file, a page by its own address. */
  readonly linksIn: (file: string) => number;
  /** Second spellings under which it is linked. */
  readonly spelledAs: (file: string) => readonly string[];
  /** An address as it will be, where a page moves. */
  readonly follow: (address: string) => string;
  /** What will answer at a path of the site, with or without a query. */
  readonly at: (path: string) => Place<EnteredPage>;
  readonly home: string | undefined;
  readonly now: number;
}

/** How robots.txt stands to one path, for one crawler. */
export type Access = (path: string) => RobotsAccess;

/** Gathers what bears on the way in, from files: the same evidence that HTTP answers give once it is released. */
export class Evidences {
  private readonly rules: readonly HeaderRule[];
  /** What each page will say in its metas, found out once for all crawlers. */
  private readonly planned = new Map<EnteredPage, readonly SaidDirectives[]>();
  private readonly origin: string;

  constructor(private readonly around: Surroundings) {
    this.rules = outgoingHeaderRules(around.document);
    this.origin = siteOrigin(around.document);
  }

  /** The evidence for one page and crawler; `assumeLive` tells it as if it were released. */
  of(page: EnteredPage, crawler: string, access: Access, assumeLive = false): Evidence {
    const { around, origin } = this;
    const { id, address } = page;
    const [first] = page.canonicals;
    const elsewhere = first !== undefined && first.address !== plainAddress(origin + address) ? first.address : undefined;
    return {
      path: address,
      live: assumeLive || around.released(id) ? { kind: 'released', at: around.releasedAt } : { kind: 'not-released' },
      audience: AUDIENCES[around.document.tables.visitors['']?.audience ?? 'public'],
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
      comeUpon: around.comesUpon(id, crawler),
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

  /** The way in for a file that is no page, such as a PDF: only headers speak for it. */
  ofFile(path: string, address: string, crawler: string, access: Access): Evidence {
    const { around, origin } = this;
    return {
      path: address,
      live: around.released(path) ? { kind: 'released', at: around.releasedAt } : { kind: 'not-released' },
      audience: AUDIENCES[around.document.tables.visitors['']?.audience ?? 'public'],
      answer: { kind: 'file' },
      robots: access(address),
      page: {
        said: saidByHeaders(headersFor(this.rules, address), crawler),
        canonicals: [],
        address: origin + address,
        softNotFound: undefined,
        refresh: undefined,
      },
      linksIn: around.linksIn(path),
      inSitemap: false,
      isHome: false,
      now: around.now,
      policy: policyFor(crawler),
    };
  }

  /**
   * All files that a crawler comes upon, from home and the maps, by links that it may follow, pages by their own addresses. What a canonical names is
   * led to as by a link (RFC 6596, 3). What is linked under a second spelling it looks at too, and goes on from there, but that is no link to the page's own address.
   */
  discovered(
    from: Beginnings,
    pageOf: (file: string) => EnteredPage | undefined,
    linksOf: (file: string) => Leads,
    crawler: string,
    access: Access,
  ): ReadonlySet<string> {
    const linked = new Set([...from.direct, ...from.linked]);
    const seen = new Set(linked);
    const asides = new Set(from.aside.keys());
    const waiting: (string | { readonly file: string; readonly path: string })[] = [...linked, ...[...from.aside].map(([path, file]) => ({ file, path }))];
    const visit = (file: string): void => {
      if (seen.has(file)) return;
      seen.add(file);
      waiting.push(file);
    };
    const visitAside = (file: string, path: string): void => {
      if (asides.has(path)) return;
      asides.add(path);
      waiting.push({ file, path });
    };
    for (const next of waiting) {
      const page = pageOf(typeof next === 'string' ? next : next.file);
      if (!page) continue;
      const path = typeof next === 'string' ? page.address : next.path;
      if (!mayFetch(access(path))) continue;
      const canonical = this.namedAt(page, path);
      if (canonical !== undefined) this.goToNamed(canonical, access, visit, visitAside, (file) => linked.add(file));
      if (this.said(page, crawler, path).some((said) => indexDirectives(said.content).nofollow)) continue;
      const { followed, aside, toSelf } = linksOf(page.id);
      // Under a second spelling the page's link to itself is a link to another address.
      if (toSelf && typeof next !== 'string') {
        linked.add(page.id);
        visit(page.id);
      }
      for (const file of followed) {
        linked.add(file);
        visit(file);
      }
      for (const link of aside) {
        if (!link.followed) continue;
        // A page that moves is linked by its new address everywhere; a query travels along.
        const target = pageOf(link.file);
        const moved = target !== undefined && target.address !== addressOf(link.file);
        const query = /\?.+$/s.exec(link.path)?.[0] ?? '';
        if (!moved && !link.redirects) visitAside(link.file, link.path);
        else if (moved && query !== '') visitAside(link.file, target.address + query);
        else if (moved ? link.file !== page.id || typeof next !== 'string' : mayFetch(access(link.path))) {
          linked.add(link.file);
          visit(link.file);
        }
      }
    }
    return linked;
  }

  /** What the canonical of a page names where the page is read at some spelling of its address: one that is relative to the page itself goes with it. */
  private namedAt(page: EnteredPage, path: string): string | undefined {
    const named = page.canonicals[0]?.address;
    if (named === undefined || path === page.address || this.around.document.tables.pages[page.id]?.canonical === 'self') return named;
    const [href] = canonicalHrefs(page.source);
    return href !== undefined && /^(?:[?#]|$)/.test(href) && page.source.base === undefined ? plainAddress(new URL(href, this.origin + path).href) : named;
  }

  /** Goes where a canonical leads: to a page, by its own address or another spelling; or over a redirect, which counts as a link. */
  private goToNamed(
    address: string,
    access: Access,
    visit: (file: string) => void,
    visitAside: (file: string, path: string) => void,
    link: (file: string) => void,
  ): void {
    const here = this.pathHere(address);
    const path = here ?? this.pathOfOtherScheme(address);
    if (path === undefined) return;
    const place = this.around.at(path);
    if (here !== undefined && place.kind === 'page') {
      if (!place.direct) return visitAside(place.page.id, path);
      link(place.page.id);
      return visit(place.page.id);
    }
    if (!mayFetch(access(path)) || place.kind === 'nothing' || place.kind === 'file' || place.kind === 'moved' || !place.page) return;
    // From the other scheme one is led to the same spelling here.
    if (place.kind === 'page' && !place.direct) return visitAside(place.page.id, path);
    link(place.page.id);
    visit(place.page.id);
  }

  /** The `X-Robots-Tag` values that an address path gets. */
  headersOf(address: string): readonly string[] {
    return headersFor(this.rules, address);
  }

  /** All that will be said about listing a page to one crawler: in its metas as they go out, and in headers. */
  private said(page: EnteredPage, crawler: string, path = page.address): readonly SaidDirectives[] {
    const token = crawler.toLowerCase();
    const metas = this.metasOf(page);
    const here = metas.length === 0 ? metas : metas.filter(({ name }) => name === 'robots' || name === token);
    return this.rules.length === 0 ? here : [...here, ...saidByHeaders(headersFor(this.rules, path), crawler)];
  }

  /** What a page will say in robots metas, to whomever it speaks: those that the program knows as they are planned, others as they stand there. */
  private metasOf(page: EnteredPage): readonly SaidDirectives[] {
    const known = this.planned.get(page);
    if (known) return known;
    const { source, site } = page;
    const { document } = this.around;
    const ours = effectiveNoindex(document, site).from === 'doors' ? 'doors' : 'owner';
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
    this.planned.set(page, said);
    return said;
  }

  /** Path and query of an address on this site; undefined for one on another. */
  private pathHere(address: string): string | undefined {
    return address.startsWith(`${this.origin}/`) ? address.slice(this.origin.length).replace(/#.*$/s, '') : undefined;
  }

  /** What is known of the page that a canonical names; undefined where it is on another site. */
  private target(page: EnteredPage, address: string, crawler: string, access: Access): CanonicalTarget | undefined {
    const { around, origin } = this;
    const path = this.pathHere(address) ?? this.pathOfOtherScheme(address);
    if (path === undefined) return undefined;
    const place = around.at(path);
    if (place.kind === 'nothing') return { trouble: mayFetch(access(path)) ? 'gone' : 'blocked', alike: false };
    if (place.kind === 'file') return { trouble: mayFetch(access(path)) ? undefined : 'blocked', alike: false };
    const other = place.page;
    const alikeTo = (one: EnteredPage | undefined): boolean =>
      one !== undefined && mayFetch(access(one.address)) && alike(comparedText(page.source), comparedText(one.source));
    if (place.kind !== 'page' || this.pathHere(address) === undefined)
      return mayFetch(access(path)) ? { trouble: 'redirects', alike: alikeTo(other) } : { trouble: 'blocked', alike: false };
    // The other page's own canonical is asked where it leads, not how that is taken: chains end here.
    const there = place.page;
    const spelled = place.direct ? there.address : path;
    const way = wayIn({ ...this.of({ ...there, address: spelled, canonicals: [] }, crawler, access, true), linksIn: 1 });
    const main = plainAddress(origin + spelled);
    const elsewhere = there.canonicals.length > 0 && there.canonicals.every((canonical) => canonical.address !== main);
    const trouble = troubleOf(way) ?? (elsewhere ? 'elsewhere' : undefined);
    // What may not be fetched cannot be compared.
    return { trouble, alike: trouble !== 'blocked' && alikeTo(there) };
  }

  /** The path of an address that is this site's but for its scheme, from where the host redirects. */
  private pathOfOtherScheme(address: string): string | undefined {
    const other = this.origin.startsWith('https:') ? this.origin.replace('https:', 'http:') : this.origin.replace('http:', 'https:');
    return address.startsWith(`${other}/`) ? address.slice(other.length).replace(/#.*$/s, '') : undefined;
  }
}

/** Where a crawler begins: pages that it knows by their own addresses, those that a redirect led to, and by path, those known under a second spelling. */
interface Beginnings {
  readonly direct: readonly string[];
  readonly linked: ReadonlySet<string>;
  readonly aside: ReadonlyMap<string, string>;
}

/** Where a page's links lead a crawler. */
interface Leads {
  readonly followed: readonly string[];
  readonly aside: readonly AsideLink[];
  readonly toSelf: boolean;
}

/** Names of metas that could be a crawler's token; what pages say under the usual names is no word to a crawler. */
const TOKEN = /^(?!(?:description|keywords|viewport|author|generator|robots|theme-color|referrer|application-name)$)[a-z_-]+$/;

const AUDIENCES = { public: 'everyone', restricted: 'restricted', draft: 'draft' } as const;
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
