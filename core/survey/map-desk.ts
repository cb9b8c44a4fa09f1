import {
  compareMap,
  humanPage,
  pathOn,
  readMapFrom,
  reportOnMaps,
  type CompareHow,
  type MapComparison,
  type MapFrom,
  type MapReport,
  type ReadMap,
} from '../map/index.ts';
import { effectiveRobots } from '../release/index.ts';
import { parseRobots } from '../robots/index.ts';
import { siteOrigin } from '../site/index.ts';
import { ATOM_FILE, feedHubs, RSS_FILE, SITEMAP_FILE } from '../sitemap/index.ts';
import type { Stages } from './engine.ts';
import type { SiteInputs } from './inputs.ts';
import { addressBook, dateTrust, effectivePages, extras, intents, isMapWritten, mapped, mapPlan, members, ways } from './stages/index.ts';

/** Where questions are answered from: the stages, and the inputs as they are now. */
export interface Desk {
  readonly stages: Stages;
  readonly inputs: () => SiteInputs;
}

/** A feed that names hubs. */
export interface FeedTopic {
  /** The feed's address, by which hubs know it. */
  readonly topic: string;
  readonly hubs: readonly string[];
  /** Whether it is out, and names them there. */
  readonly out: boolean;
}

/** Questions about the maps of the site. */
export class MapDesk {
  constructor(private readonly desk: Desk) {}

  /** The map for people as it would be written, whether it is or not. */
  pageForPeople(): string {
    const { document, imported } = this.desk.inputs();
    return humanPage(document, this.desk.stages.result(mapped)(), imported.template);
  }

  /** The maps as they are told: the files, each page's place and date, what is left out and why. */
  report(): MapReport {
    const { document, pages, files, imported } = this.desk.inputs();
    const results = this.desk.stages.results({ mapPlan, mapped, dateTrust, extras, effectivePages, ways });
    const origin = siteOrigin(document);
    const named = parseRobots(effectiveRobots(document, imported.robots, false) ?? '').sitemaps;
    return reportOnMaps({
      document,
      plan: results.mapPlan(),
      mapped: results.mapped(),
      pages: [...pages.keys()].map((id) => ({
        id,
        site: results.effectivePages.of(id).site,
        way: results.ways.of(id).way,
      })),
      trust: results.dateTrust,
      extras: results.extras(),
      imported: Object.keys(imported.maps).sort(),
      alsoNamed: named.filter((address) => {
        const path = pathOn(origin, address);
        return path !== undefined && path !== SITEMAP_FILE && path in imported.maps;
      }),
      hasFile: (path) => files.has(path),
    });
  }

  /** Feeds of the site that name a hub: those that are written, then those that it came with. */
  topics(): readonly FeedTopic[] {
    const { document, imported, manifest } = this.desk.inputs();
    const origin = siteOrigin(document);
    const results = this.desk.stages.results({ members, mapPlan });
    const ours = isMapWritten(document, results.members, results.mapPlan) ? results.mapPlan().files : {};
    const written = [RSS_FILE, ATOM_FILE].flatMap((path) => (path in ours ? { text: ours[path] as string, out: manifest?.own[path] } : []));
    const came = (imported.feeds ?? []).map((text) => ({ text, out: manifest && text }));
    const found = new Map<string, FeedTopic>();
    for (const { text, out } of [...written, ...came]) {
      const said = feedHubs(text);
      if (said && pathOn(origin, said.self) !== undefined && !found.has(said.self))
        found.set(said.self, {
          topic: said.self,
          hubs: said.hubs,
          out: out === text || (out !== undefined && feedHubs(out)?.hubs.join() === said.hubs.join()),
        });
    }
    return [...found.values()];
  }

  /** Reads any map closely and holds it against the site. */
  read(from: MapFrom): ReadMap {
    const { document, imported, now } = this.desk.inputs();
    const results = this.desk.stages.results({ members, mapPlan });
    const written = isMapWritten(document, results.members, results.mapPlan);
    return readMapFrom(from, {
      origin: siteOrigin(document),
      robots: effectiveRobots(document, imported.robots, written),
      ours: results.mapPlan().files,
      written,
      imported: imported.maps,
      now: now(),
      compare: (entries, how) => this.compare(entries, how),
    });
  }

  private compare(entries: readonly { readonly loc: string; readonly lastmod: string | undefined }[], how: CompareHow): MapComparison {
    const results = this.desk.stages.results({ addressBook, mapped, intents, ways });
    return compareMap(entries, {
      document: this.desk.inputs().document,
      at: (path) => results.addressBook.at(path),
      page: (id) => ({ intent: results.intents.of(id), way: results.ways.of(id).way }),
      ours: new Map(results.mapped().map(({ entry, site }) => [entry.loc, { page: site.id, lastmod: entry.lastmod }])),
      how,
    });
  }
}
