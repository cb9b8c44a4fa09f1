import {
  compareWithRelease,
  editsFor,
  formerAddresses,
  hostingOf,
  ownFiles,
  type Manifest,
  type ReleasedFile,
  type ReleaseItem,
  type WorkingCopy,
} from '../release/index.ts';
import type { PageState, Reality } from '../indexing/index.ts';
import { effectiveFile, isClosed } from '../site/index.ts';
import type { Entrances } from './entrances.ts';
import type { SiteInView, Surveyed } from './in-view.ts';
import { contentChanged } from './map-entries.ts';
import type { SiteNumbers } from './rows.ts';
import type { SiteMaps } from './site-maps.ts';

/** What would go out now, held against the last release. */
export class GoingOut {
  constructor(
    private readonly site: SiteInView,
    private readonly maps: SiteMaps,
    private readonly entrances: Entrances,
  ) {}

  /** What would go out now. */
  workingCopy(): WorkingCopy {
    const files: Record<string, ReleasedFile> = {};
    for (const { path, hash } of this.site.files.values()) files[path] = this.site.pages.get(path)?.out ?? { hash, edits: [] };
    return { files, own: this.own(), hosting: hostingOf(this.site.document) };
  }

  /** What differs from the last release. */
  items(): ReleaseItem[] {
    return compareWithRelease(this.workingCopy(), this.site.manifest);
  }

  /** The manifest of a release made now. */
  manifestFor(number: number, at: number): Manifest {
    const copy = this.workingCopy();
    const changedAt: Record<string, number> = { ...this.site.manifest?.changedAt };
    for (const item of compareWithRelease(copy, this.site.manifest)) {
      if (item.what === 'gone') delete changedAt[item.path];
      // Release 0 only says what is there already: nothing changed by it. And only what people read makes a page newer.
      else if (number > 0 && this.site.pages.has(item.path) && contentChanged(copy.files[item.path] as ReleasedFile, this.site.manifest?.files[item.path]))
        changedAt[item.path] = at;
    }
    const listed = [...this.site.pages.values()].filter((page) => this.realityIfReleased(page) === 'listed').map((page) => page.id);
    return { version: 3, number, ...copy, listed, changedAt };
  }

  /** The site in numbers, for the foot and the first screen. */
  numbers(): SiteNumbers {
    const states = new Map<PageState, number>();
    let wanted = 0;
    let found = 0;
    let pending = 0;
    let foundAfterRelease = 0;
    const listed = new Set(this.site.manifest?.listed);
    for (const page of this.site.pages.values()) {
      const { row } = page;
      states.set(row.state, (states.get(row.state) ?? 0) + 1);
      if (row.pending) pending++;
      if (row.intent !== 'list') continue;
      wanted++;
      if (listed.has(page.id)) found++;
      if (this.realityIfReleased(page) === 'listed') foundAfterRelease++;
    }
    return {
      pages: this.site.pages.size,
      wanted,
      found,
      foundAfterRelease,
      pending,
      waiting: this.items().length,
      states: Object.fromEntries(states),
      brokenLinks: this.site.links.broken().length,
      closed: isClosed(this.site.document),
    };
  }

  /** A page's file as it would go out. */
  fileOf(page: Surveyed): ReleasedFile {
    const { id } = page;
    const to = effectiveFile(this.site.document, id);
    const edits = editsFor(this.site.document, page.site, page.source, this.site.moving.addressesFor(page));
    return { hash: this.site.files.get(id)?.hash ?? '', edits, ...(to === id ? {} : { to }) };
  }

  private own(): Record<string, string> {
    const own = ownFiles(this.site.document, this.site.brought, this.maps.isWritten(this.entrances) ? this.maps.files(this.entrances).files : {});
    return this.site.manifest ? { ...formerAddresses(this.site.document, this.site.manifest, (path) => this.site.files.has(path)), ...own } : own;
  }

  private realityIfReleased(page: Surveyed): Reality {
    return page.way.reality === 'not-live' ? this.entrances.wayInOnceReleased(page).reality : page.way.reality;
  }
}
