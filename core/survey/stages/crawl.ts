import type { FilePath, PageId } from '../../source/index.ts';
import { dequal } from 'dequal/lite';
import { discover, Evidences, plannedDirectives, RobotsAccess, type EnteredPage } from '../../crawl/index.ts';
import { ENGINES, SKERRY } from '../../engines/index.ts';
import { wayIn, type SaidCanonical, type WayIn } from '../../indexing/index.ts';
import type { AddressBook, AddressChanges, LinkIndex, StandingPage } from '../../links/index.ts';
import { DeclaredSitemaps, EngineMaps } from '../../map/index.ts';
import { effectiveRobots } from '../../release/index.ts';
import { outgoingHeaderRules, siteOrigin, wantedInMap, type HeaderRule } from '../../site/index.ts';
import type { Touched } from '../engine.ts';
import type { SiteInputs } from '../inputs.ts';
import { always, pageStage, siteStage, type PageValues } from '../stage.ts';
import { addressBook, addressChanges, addresses, home } from './addresses.ts';
import { effectivePages, pageKinds } from './effective.ts';
import { links } from './links.ts';

/** The crawler by which states are told. */
export const STATE_CRAWLER = SKERRY.crawler;

/** robots.txt as far as paths go: whether a map is named in it changes nothing for any path. */
export const robotsText = siteStage({
  name: 'robots.txt',
  reads: ['robots'],
  make: ({ document, imported }) => effectiveRobots(document, imported.robots, false),
});

/** What robots.txt says to whom about which path. */
export const access = siteStage({
  name: 'crawl access',
  across: { robotsText },
  make: (_inputs, { robotsText }) => new RobotsAccess(robotsText),
  differs: always,
});

/** The rules that give files `X-Robots-Tag` headers. */
export const headers = siteStage({
  name: 'header rules',
  reads: ['headers', 'directives', 'siteSwitch'],
  make: ({ document }) => outgoingHeaderRules(document),
});

/** What each page will say in its robots metas. */
export const directives = pageStage({
  name: 'directives',
  reads: ['siteSwitch', 'rules', 'kinds'],
  readsOwn: ['pages.intent', 'directives'],
  needs: { effectivePages },
  make:
    ({ document }, { effectivePages }) =>
    ({ id, source }) =>
      plannedDirectives(document, source, effectivePages.of(id).site),
});

/** The main addresses that each page names, as they will be. */
export const canonicals = pageStage({
  name: 'canonicals',
  reads: ['facts.mainAddress', 'facts.cameAs'],
  readsOwn: ['pages.canonical'],
  needs: { addresses },
  across: { addressChanges },
  make:
    ({ document }, { addresses, addressChanges }) =>
    (page): readonly SaidCanonical[] =>
      document.tables.pages[page.id]?.canonical === 'self'
        ? [{ address: siteOrigin(document) + addresses.of(page.id).address, from: 'tag' }]
        : addressChanges.canonicalsOf(page),
});

/** What the gates of a page are told by, of which a change anywhere bears on all. */
export const around = { home, access, headers, directives, canonicals, addresses, addressBook, addressChanges };

interface Around {
  readonly home: string | undefined;
  readonly headers: readonly HeaderRule[];
  readonly directives: PageValues<EnteredPage['directives']>;
  readonly canonicals: PageValues<readonly SaidCanonical[]>;
  readonly addresses: PageValues<StandingPage>;
  readonly addressBook: AddressBook;
  readonly addressChanges: AddressChanges;
}

/** What is known of links and maps, once that was found out. */
interface Leading {
  readonly links: LinkIndex;
  readonly engineMaps: EngineMaps;
  readonly discovery: ReadonlyMap<string, ReadonlySet<string>>;
}

const AUDIENCES = { public: 'everyone', restricted: 'restricted', draft: 'draft' } as const;

/** Gathers evidence from the results of the stages. Without `leading` it is told as if everybody could visit, and nothing led anywhere. */
export function evidencesFrom({ document, manifest, pages, now }: SiteInputs, results: Around, leading?: Leading): Evidences {
  return new Evidences({
    document,
    audience: leading ? AUDIENCES[document.tables.visitors['']?.audience ?? 'public'] : 'everyone',
    releasedAt: leading && manifest ? (document.tables.releases[String(manifest.number)]?.at ?? undefined) : undefined,
    released: (file) => manifest?.files[file] !== undefined,
    inMap: (file, crawler) => leading?.engineMaps.isInMap(file, crawler) ?? false,
    isDiscovered: (file, crawler) => (leading?.discovery.get(crawler) ?? leading?.discovery.get(STATE_CRAWLER))?.has(file) ?? true,
    linksIn: (file) => (leading === undefined ? 0 : pages.has(file) ? leading.links.directLinksIn(file) : leading.links.linksIn(file)),
    spelledAs: (file) => leading?.links.spelledAs(file) ?? [],
    follow: (address) => results.addressChanges.follow(address),
    at: (path) => results.addressBook.at(path),
    home: results.home,
    headers: results.headers,
    page: (file) => enteredPage(file, pages, results),
    now: now(),
  });
}

function enteredPage(file: FilePath, pages: SiteInputs['pages'], results: Around): EnteredPage | undefined {
  const record = pages.get(file);
  return (
    record && {
      id: record.id,
      source: record.source,
      address: results.addresses.get(file)?.address ?? '',
      canonicals: results.canonicals.get(file) ?? [],
      directives: results.directives.get(file) ?? [],
    }
  );
}

/** Whether each page belongs in the map: what is wanted there, may be listed and fetched, and is its own main address. Whether it can be reached is not asked: the map is how. */
export const membership = pageStage({
  name: 'place in the map',
  reads: ['facts.mainAddress', 'rules', 'kinds', 'directives'],
  readsOwn: ['pages.inMap', 'pages.intent', 'pages.refresh'],
  needs: { pageKinds },
  across: around,
  make: (inputs, results) => {
    const evidences = evidencesFrom(inputs, results);
    const robots = results.access.to(STATE_CRAWLER);
    return ({ id }) => {
      const page = evidences.around.page(id);
      const kind = results.pageKinds.get(id);
      if (!page || !kind || !wantedInMap(inputs.document, { id, kind }).wanted) return false;
      // As if everything were released and the map led there.
      const evidence = evidences.of(page, STATE_CRAWLER, robots, true);
      return wayIn({ ...evidence, inSitemap: true }).gates.every((gate) => gate.outcome !== 'shut');
    };
  },
});

/** The pages that belong in the map. */
export const members = siteStage({
  name: 'members of the map',
  across: { membership },
  make: (_inputs, { membership }): ReadonlySet<string> => new Set([...membership].flatMap(([id, belongs]) => (belongs ? [id] : []))),
  differs: always,
});

/** The maps that the site came with, read once. */
export const declared = siteStage({ name: 'declared sitemaps', make: ({ imported }) => new DeclaredSitemaps(imported.maps), differs: always });

/** The maps as engines come by them, ours among them where they are written. */
export const engineMaps = siteStage({
  name: 'maps of engines',
  reads: ['sitemap', 'extras', 'robots', 'facts.mainAddress'],
  across: { declared, members, access, addressBook, pageKinds },
  make: ({ document, imported }, { pageKinds, ...results }) =>
    new EngineMaps({ document, robots: imported.robots, kind: (file) => pageKinds.get(file), ...results }),
  differs: always,
});

/** The files that each engine discovers. */
export const discovery = siteStage({
  name: 'discovery',
  reads: ['facts.mainAddress'],
  across: { ...around, links, engineMaps },
  make: (inputs, results): ReadonlyMap<string, ReadonlySet<string>> => {
    const evidences = evidencesFrom(inputs, results);
    return new Map(
      ENGINES.map(({ crawler }) => {
        const leads = results.engineMaps.leads(crawler);
        const direct = [...inputs.pages.keys()].filter((id) => id === results.home || results.engineMaps.isInMap(id, crawler));
        return [crawler, discover(evidences, { ...leads, direct }, (file) => results.links.of(file), crawler, results.access.to(crawler))];
      }),
    );
  },
  differs: (before, after, { pages }): Touched => {
    if (!before) return 'all';
    const differs = (id: PageId): boolean => ENGINES.some(({ crawler }) => before.get(crawler)?.has(id) !== after.get(crawler)?.has(id));
    return new Set([...pages.keys()].filter(differs));
  },
});

/** The way in to each page for each engine, in their order; and whether it will be listed once everything is released. */
export const ways = pageStage({
  name: 'ways in',
  reads: ['facts.mainAddress', 'visitors', 'releases', 'manifest'],
  readsOwn: ['pages.refresh'],
  needs: { links, discovery },
  across: { ...around, engineMaps },
  make: (inputs, results) => {
    const evidences = evidencesFrom(inputs, results, results);
    const told = ({ gates, reality }: WayIn): WayIn => ({ gates: notOpen(gates), reality, directives: undefined });
    return ({ id }): PageWays => {
      const page = evidences.around.page(id) as EnteredPage;
      const [first, ...others] = ENGINES.map(({ crawler }) => told(wayIn(evidences.of(page, crawler, results.access.to(crawler)))));
      const way = first as WayIn;
      const afterRelease = way.reality === 'not-live' ? wayIn(evidences.of(page, STATE_CRAWLER, results.access.to(STATE_CRAWLER), true)).reality : way.reality;
      // Mostly engines agree: one answer is kept then, not one each.
      return { way, others: others.map((other) => (dequal(other, way) ? way : other)), afterRelease };
    };
  },
});

const ALL_OPEN: WayIn['gates'] = [];
/** The gates that something is to be told of: for all pages of a large site the open ones would fill the memory. */
function notOpen(gates: WayIn['gates']): WayIn['gates'] {
  const some = gates.filter((gate) => gate.behind !== 'open');
  return some.length === 0 ? ALL_OPEN : some;
}

/** How engines come to a page; of the gates only those that are not open. */
export interface PageWays {
  /** By the crawler by which states are told. */
  readonly way: WayIn;
  /** By the others, in the order of the engines. */
  readonly others: readonly WayIn[];
  /** What becomes of it once everything that waits is released. */
  readonly afterRelease: WayIn['reality'];
}
