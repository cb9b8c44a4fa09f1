import { createHash } from 'node:crypto';
import { differingPages, excerptOf, planMerge, templateBlocks, type MergePlan } from '../merge/index.ts';
import { readSource, type PageFacts } from '../page/index.ts';
import { isPageFile, type SiteDocument } from '../site/index.ts';
import { sourceOf } from './html.ts';

/** Texts of a site's files by path. */
export type Files = Readonly<Record<string, string>>;
/** A hash of a text. */
export const hashOf = (text = ''): string => createHash('sha1').update(text).digest('hex');

/** A page of a site as it is read for a plan. */
export function reading(files: Files, id: string): { readonly text: string; readonly facts: PageFacts } {
  const source = sourceOf(files[id] ?? '');
  const read = readSource(source, { keepText: true });
  if (!read.ok) throw new Error(read.reason);
  return { text: source.text, facts: read.facts };
}

/** A plan for two versions of a site, by their files. */
export function planned(before: Files, after: Files, document: SiteDocument, version = 1): MergePlan {
  const hashes = (files: Files): Map<string, string> => new Map(Object.entries(files).map(([path, text]) => [path, hashOf(text)]));
  const versions = { before: hashes(before), after: hashes(after), isPage: isPageFile };
  const differing = differingPages(versions);
  const blocks = (files: Files) =>
    templateBlocks(
      Object.keys(files)
        .filter(isPageFile)
        .map((id) => reading(files, id).facts.blocks ?? []),
    );
  const template = new Set([...blocks(before), ...blocks(after)]);
  const excerpts = (files: Files, hashes: ReadonlyMap<string, string>, ids: readonly string[]) =>
    new Map(ids.map((id) => [id, excerptOf(id, hashOf(files[id]), reading(files, id), template, true, hashes)]));
  return planMerge({
    document,
    version,
    ...versions,
    excerptsBefore: excerpts(before, versions.before, differing.before),
    excerptsAfter: excerpts(after, versions.after, differing.after),
    robots: { before: before['robots.txt'] ?? '', after: after['robots.txt'] ?? '' },
  });
}
