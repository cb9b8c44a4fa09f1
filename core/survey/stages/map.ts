import type { FilePath, PageId } from '../../source/index.ts';
import { mayFetch } from '../../indexing/index.ts';
import { checkExtras, entryOf, planMaps, saidDate, trustDates, type DatedEntry, type MapPlan, type PlannedPage } from '../../map/index.ts';
import type { ReleasedFile } from '../../release/index.ts';
import type { SiteDocument, SitePage } from '../../site/index.ts';
import type { SiteInputs } from '../inputs.ts';
import { lazyStage, pageStage, siteStage, type PageValues } from '../stage.ts';
import { addressBook, addresses } from './addresses.ts';
import { access, members, STATE_CRAWLER } from './crawl.ts';
import { effectivePages, intents, pageKinds, pageWords } from './effective.ts';
import { outgoing } from './outgoing.ts';

/** Whose dates can be told: found out once, from the files as they were brought in. */
export const dateTrust = siteStage({
  name: 'trust in dates',
  make: ({ pages, files, now }) =>
    trustDates([...pages.values()].map(({ id, source, guess }) => ({ file: files.get(id)?.modified, said: saidDate(source, guess, now()) }))),
});

interface EntrySources {
  readonly effectivePages: PageValues<{ readonly site: SitePage }>;
  readonly addresses: PageValues<{ readonly address: string }>;
  readonly outgoing: PageValues<ReleasedFile>;
  readonly dateTrust: ReturnType<typeof trustDates>;
}

/** Makes pages with their entries of the map. */
function planner({ document, manifest, files, now, pages }: SiteInputs, results: EntrySources): (id: PageId) => PlannedPage | undefined {
  const sources = { document, manifest, modified: (file: FilePath) => files.get(file)?.modified, hasFile: (path: string) => files.has(path), now: now() };
  return (id) => {
    const [record, effective, place, out] = [pages.get(id), results.effectivePages.get(id), results.addresses.get(id), results.outgoing.get(id)];
    if (!record || !effective || !place || !out) return undefined;
    const page = { site: effective.site, source: record.source, address: place.address, out };
    return { ...page, ...entryOf(page, sources, results.dateTrust) };
  };
}

/** Each page's place in the map, while one is written; while none is, it is made when somebody asks, and `undefined` is always another one. */
export const entries = pageStage({
  name: 'entries of the map',
  reads: ['sitemap', 'kinds', 'facts.mainAddress', 'facts.cameAs', 'manifest'],
  needs: { effectivePages, addresses, outgoing },
  across: { dateTrust, members },
  make: (inputs, results) => {
    const on = inputs.document.tables.sitemap['']?.on === true;
    const plan = planner(inputs, results);
    return ({ id }): DatedEntry | 'none' | undefined => {
      if (!on) return undefined;
      const made = results.members.has(id) ? plan(id) : undefined;
      return made ? { entry: made.entry, dateFrom: made.dateFrom } : 'none';
    };
  },
  same: (before, after) => after !== undefined && JSON.stringify(before) === JSON.stringify(after),
});

/** What feeds and the page for people show of each page, while any of them is written. */
export const shownWords = pageStage({
  name: 'words in feeds',
  reads: ['sitemap'],
  needs: { effectivePages, pageWords },
  make: ({ document }, { effectivePages, pageWords }) => {
    const { rss, atom, page } = document.tables.sitemap[''] ?? {};
    const shown = rss === true || atom === true || page === true;
    return ({ id }): readonly unknown[] => {
      const { title, description } = pageWords.of(id);
      return shown ? [title.value, description.value, effectivePages.get(id)?.site.facts] : [];
    };
  },
  same: (before, after) => before.length === after.length && before.every((one, at) => one === after[at]),
});

/** The pages in the map, with their entries, in the order of their addresses. */
export const mapped = lazyStage({
  name: 'pages in the map',
  reads: ['sitemap', 'kinds', 'facts.mainAddress', 'facts.cameAs', 'manifest'],
  across: { effectivePages, addresses, outgoing, dateTrust, members },
  make: (inputs, results): readonly PlannedPage[] => {
    const plan = planner(inputs, results);
    return [...results.members].flatMap((id) => plan(id) ?? []).sort((a, b) => (a.entry.loc < b.entry.loc ? -1 : 1));
  },
});

/** Addresses added to the map by hand, checked. */
export const extras = lazyStage({
  name: 'addresses added to the map',
  reads: ['extras', 'facts.mainAddress'],
  across: { members, addresses, addressBook, access, intents },
  make: ({ document }, { members, addresses, addressBook, access, intents }) => {
    const robots = access.to(STATE_CRAWLER);
    return checkExtras(document, {
      inMap: new Set([...members].flatMap((id) => addresses.get(id)?.address ?? [])),
      at: (path) => addressBook.at(path),
      intent: (id) => intents.get(id) ?? 'list',
      shut: (path) => !mayFetch(robots(path)),
    });
  },
});

/** All files about the site as a whole, whether or not they are written: made anew when an entry, or what feeds show, is another one. */
export const mapPlan = lazyStage({
  name: 'plan of the maps',
  reads: ['sitemap', 'facts', 'kinds'],
  across: { entries, members, pageKinds, shownWords, extras },
  // Of the pages only what stands above goes into the files, so that another title alone writes no map anew.
  uses: { mapped },
  make: ({ document, imported, now }, { mapped, extras }): MapPlan => {
    const added = extras().flatMap(({ address, fault }) => (fault === undefined || fault === 'not-there' ? [address] : []));
    return planMaps(document, mapped(), added, imported.template, now());
  },
});

/** Whether a map is written: one is wanted, and there is something to put into it. A closed site has none; an empty one would be against the protocol. */
export function isMapWritten(document: SiteDocument, members: ReadonlySet<string>, plan: () => MapPlan): boolean {
  return document.tables.sitemap['']?.on === true && (members.size > 0 || plan().maps.length > 0);
}
