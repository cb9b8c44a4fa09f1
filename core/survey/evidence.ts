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
import { indexDirectives, plannedMetas, type PageFacts } from '../page/index.ts';
import {
  effectiveNoindex,
  filesFor,
  headersFor,
  outgoingHeaderRules,
  robotsEdits,
  siteOrigin,
  type HeaderRule,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';

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
  readonly linksIn: (file: string) => number;
  readonly pageAt: (path: string) => EnteredPage | undefined;
  readonly hasFile: (path: string) => boolean;
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
    const { id, address, source } = page;
    const [first] = page.canonicals;
    const elsewhere = first !== undefined && first.address !== origin + address ? first.address : undefined;
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
        ...lookAtOwnWords(source, origin + address),
        ...(around.document.tables.pages[id]?.refresh === 'none' ? { refresh: undefined } : {}),
        target: elsewhere === undefined ? undefined : this.target(page, elsewhere, crawler, access),
      },
      linksIn: around.linksIn(id),
      comeUpon: around.comesUpon(id, crawler),
      inSitemap: around.inMap(id, crawler),
      isHome: id === around.home,
      now: around.now,
      policy: policyFor(crawler),
    };
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
   * All files that a crawler comes upon from some of them by links that it may follow. What a canonical names it looks at too, and goes on from there, but
   * being named is no link.
   */
  discovered(
    from: Iterable<string>,
    pageOf: (file: string) => EnteredPage | undefined,
    followed: (file: string) => readonly string[],
    crawler: string,
    access: Access,
  ): ReadonlySet<string> {
    const linked = new Set(from);
    const visited = new Set(linked);
    for (const file of visited) {
      const page = pageOf(file);
      const robots = page && access(page.address);
      if (!page || !robots || !mayFetch(robots)) continue;
      const [canonical] = page.canonicals;
      const path = canonical && this.pathHere(canonical.address);
      const named = path === undefined ? undefined : this.around.pageAt(path);
      if (named) visited.add(named.id);
      if (this.said(page, crawler).some((said) => indexDirectives(said.content).nofollow)) continue;
      for (const next of followed(file)) {
        linked.add(next);
        visited.add(next);
      }
    }
    return linked;
  }

  /** The `X-Robots-Tag` values that an address path gets. */
  headersOf(address: string): readonly string[] {
    return headersFor(this.rules, address);
  }

  /** All that will be said about listing a page to one crawler: in its metas as they go out, and in headers. */
  private said(page: EnteredPage, crawler: string): readonly SaidDirectives[] {
    const token = crawler.toLowerCase();
    const metas = this.metasOf(page);
    const here = metas.length === 0 ? metas : metas.filter(({ name }) => name === 'robots' || name === token);
    return this.rules.length === 0 ? here : [...here, ...saidByHeaders(headersFor(this.rules, page.address), crawler)];
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

  /** The path of an address on this site; undefined for one on another. */
  private pathHere(address: string): string | undefined {
    return address.startsWith(`${this.origin}/`) ? address.slice(this.origin.length).replace(/[?#].*$/s, '') : undefined;
  }

  /** What is known of the page that a canonical names; undefined where it is on another site. */
  private target(page: EnteredPage, address: string, crawler: string, access: Access): CanonicalTarget | undefined {
    const { around, origin } = this;
    const path = this.pathHere(address);
    if (path === undefined) return undefined;
    const other = around.pageAt(path);
    if (!other) return { trouble: filesFor(path).some(around.hasFile) ? undefined : 'gone', alike: false };
    // The other page's own canonical is asked where it leads, not how that is taken: chains end here.
    const way = wayIn({ ...this.of({ ...other, canonicals: [] }, crawler, access, true), linksIn: 1 });
    const elsewhere = other.canonicals.length > 0 && other.canonicals.every((canonical) => canonical.address !== origin + other.address);
    const trouble = troubleOf(way) ?? (elsewhere ? 'elsewhere' : undefined);
    // What may not be fetched cannot be compared.
    return { trouble, alike: trouble !== 'blocked' && alike(comparedText(page.source), comparedText(other.source)) };
  }
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
