import { formerAddresses, generatedFiles, hostingOf, itemOf, otherItems, type ReleasedFile } from '../../release/index.ts';
import { pageStage, siteStage } from '../stage.ts';
import { addresses } from './addresses.ts';
import { members } from './crawl.ts';
import { isMapWritten, mapPlan } from './map.ts';
import { NO_EDITS, outgoing } from './outgoing.ts';

/** The maps and what goes with them, where they are written. */
export const writtenMaps = siteStage({
  name: 'maps as they are written',
  reads: ['sitemap.on'],
  across: { members, mapPlan },
  make: ({ document }, { members, mapPlan }): Readonly<Record<string, string>> => (isMapWritten(document, members, mapPlan) ? mapPlan().files : {}),
});

/** The files that the program writes itself, with their text, as they would go out now. */
export const generated = siteStage({
  name: 'generated files',
  reads: ['robots', 'facts', 'manifest', 'pages.ending', 'pages.address', 'redirects', 'claims', 'headers', 'directives', 'siteSwitch'],
  across: { writtenMaps },
  make: ({ document, imported, manifest, files }, { writtenMaps }): Readonly<Record<string, string>> => {
    const own = generatedFiles(document, imported, writtenMaps, (path) => files.has(path));
    return manifest ? { ...formerAddresses(document, manifest, (path) => files.has(path)), ...own } : own;
  },
});

/** What is no page and differs from the last release. */
export const otherChanges = siteStage({
  name: 'other changes',
  reads: ['manifest', 'visitors', 'headers', 'directives', 'siteSwitch', 'redirects'],
  across: { generated, addresses },
  make: ({ document, files, manifest, pages }, { generated, addresses }) => {
    const now: Record<string, ReleasedFile> = {};
    for (const { path, hash } of files.values()) {
      const to = addresses.get(path)?.file;
      now[path] = { hash, edits: NO_EDITS, ...(to === undefined || to === path ? {} : { to }) };
    }
    const { gone, ours } = otherItems({ files: now, own: generated, hosting: hostingOf(document) }, manifest);
    const others = [...files.keys()].flatMap((path) =>
      pages.has(path) ? [] : (itemOf(path, now[path] as ReleasedFile, manifest, (out) => out in generated) ?? []),
    );
    return { files: [...others, ...gone], ours };
  },
});

/** What differs from the last release, page by page. */
export const changes = pageStage({
  name: 'changes since the release',
  reads: ['manifest'],
  needs: { outgoing },
  across: { generated },
  make:
    ({ manifest }, { outgoing, generated }) =>
    ({ id }) =>
      itemOf(id, outgoing.of(id), manifest, (out) => out in generated),
});
