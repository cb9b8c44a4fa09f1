import type { FilePath } from '../../core/source/index.ts';
import { changesVersion, type SiteDocument } from '../../core/site/index.ts';
import { listAside, loadHistory, type Database } from '../storage/index.ts';
import type { Analyst } from './analyst.ts';
import { outFiles, packProject, packZip, type LeftInFile } from './export-site.ts';
import type { Progress } from './import-site.ts';

/** What the page can ask for as files: what goes out, a release that is kept, the whole project. */
export function downloads(db: () => Promise<Database>, site: () => Promise<Analyst>) {
  return {
    /** A release that is kept, as a ZIP of its files. */
    async releaseZip(number: number, progress: Progress): Promise<Blob> {
      const its = await site();
      const kept = await its.releases.manifest(number);
      if (!kept) throw new Error(`Release ${number} is not kept in this browser.`);
      const of = Object.keys(kept.manifest.files).length;
      const out = outFiles(its.bytesByHash, kept.manifest, its.files);
      return (await packZip(out, new Date(), (count) => count % 20 === 0 && progress(count, of))).zip;
    },
    /** The changed files, or all, as a ZIP. */
    async zip(what: 'changed' | 'all', progress: Progress): Promise<{ zip: Blob; count: number; left: readonly LeftInFile[] }> {
      const its = await site();
      await its.allUnderstood();
      const paths = what === 'all' ? undefined : its.changedPaths();
      const of = paths?.size ?? its.files.length;
      return packZip(outFiles(its.bytesByHash, its.survey.workingCopy(), its.files, paths), new Date(), (count) => count % 20 === 0 && progress(count, of));
    },

    /** The changed files one by one, for writing into a folder. */
    async changedFiles(): Promise<{ path: FilePath; bytes: Uint8Array }[]> {
      const its = await site();
      await its.allUnderstood();
      const paths = its.changedPaths();
      const found: { path: FilePath; bytes: Uint8Array }[] = [];
      for await (const { path, bytes } of outFiles(its.bytesByHash, its.survey.workingCopy(), its.files, paths)) found.push({ path, bytes });
      return found;
    },

    /** The whole project as one file, with its history and what could not be read of it. */
    async project(name: string, document: SiteDocument): Promise<Blob> {
      const its = await site();
      const [{ start, entries }, aside] = await Promise.all([loadHistory(await db(), its.siteId), listAside(await db(), its.siteId)]);
      // A project holds one version of the files: what was undone to another could not be shown.
      const whole = !entries.some(({ change }) => changesVersion(change));
      return packProject(
        await db(),
        its.filesId,
        {
          name,
          savedAt: new Date().toISOString(),
          document,
          history: whole ? { start, entries: [...entries] } : { start: document, entries: [] },
          aside: aside.map(({ table, key, value, problem }) => ({ table, key, value, problem })),
          manifest: its.manifest ?? null,
        },
        its.files,
        new Date(),
      );
    },
  };
}
