import { neededFiles, reportOnRobots, robotsEffect, type RobotsEffect, type RobotsReport } from '../crawl/index.ts';
import { CRAWLERS } from '../engines/index.ts';
import { effectiveRobots } from '../release/index.ts';
import { openPaths, type LintSite } from '../robots/index.ts';
import { addressOf, siteHost, siteOrigin } from '../site/index.ts';
import type { Desk } from './map-desk.ts';
import { addresses, intents, isMapWritten, mapPlan, members } from './stages/index.ts';

/** Questions about robots.txt, as it will be or as a draft of it would be. */
export class RobotsDesk {
  constructor(private readonly desk: Desk) {}

  /** As it will be; undefined where there is none. */
  text(): string | undefined {
    const { document, imported } = this.desk.inputs();
    const { on, plan } = this.desk.stages.results({ on: members, plan: mapPlan });
    return effectiveRobots(document, imported.robots, isMapWritten(document, on, plan));
  }

  /** Held against the site. */
  report(draft?: string): RobotsReport {
    return reportOnRobots(draft ?? this.text(), this.site());
  }

  /** What a draft would change, crawler by crawler, in pages and files. */
  effect(draft: string): readonly RobotsEffect[] {
    return robotsEffect(this.text() ?? '', draft, this.site());
  }

  /** With some paths open to every crawler that is known, and all others as they are; undefined where nothing has to change. */
  openedFor(paths: readonly string[], draft?: string): string | undefined {
    const text = draft ?? this.text();
    const site = this.site();
    const asked = new Set(paths);
    const others = [...site.pages.map(({ path }) => path), ...site.files].filter((path) => !asked.has(path));
    const opened = text === undefined ? undefined : openPaths(text, paths, site.crawlers, others);
    return opened === text ? undefined : opened;
  }

  private site(): LintSite {
    const { document, pages, files, imported } = this.desk.inputs();
    const { places, wanted } = this.desk.stages.results({ places: addresses, wanted: intents });
    const others = [...files.keys()].filter((path) => !pages.has(path)).map((path) => addressOf(path));
    return {
      origin: siteOrigin(document),
      pages: [...pages.keys()].map((id) => ({ id, path: places.of(id).address, intent: wanted.of(id) })),
      files: others,
      needed: neededFiles(pages.values(), siteHost(document), new Set(others)),
      crawlers: [...new Set([...CRAWLERS, ...Object.keys(document.tables.crawlers)])],
      hasMap: document.tables.sitemap['']?.on === true || Object.keys(imported.maps).length > 0,
    };
  }
}
