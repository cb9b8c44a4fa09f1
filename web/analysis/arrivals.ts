import type { MergePlan } from '../../core/merge/index.ts';
import { withLinkTo, type ListedFile, type ListedPage } from '../../core/ledger/index.ts';
import { versionOf, type SiteDocument } from '../../core/site/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import { arrivalLock, clearSite, filesId, keepVersion, type Database, type SiteVersion } from '../storage/index.ts';
import type { Analyst } from './analyst.ts';
import type { Bringing, PickedFile } from './files-to-import.ts';
import { importSite, sha256, type Progress } from './import-site.ts';
import { planVersion } from './new-version.ts';

/** What came of bringing a new version in. Without a plan it is the one that is here. */
export type BroughtVersion =
  | { readonly ok: true; readonly plan: MergePlan | undefined; readonly version: SiteVersion | undefined }
  | { readonly ok: false; readonly reason: string; readonly inside?: readonly string[] };

const holding = new Map<string, () => void>();

/** Holds what is brought in under an id, so that nobody sweeps it. False where another tab is bringing in the same. */
function hold(id: string): Promise<boolean> {
  return new Promise((answer) => {
    void navigator.locks.request(arrivalLock(id), { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      return lock === null ? undefined : new Promise<void>((release) => holding.set(id, release));
    });
  });
}

function letGo(id: string): void {
  holding.get(id)?.();
  holding.delete(id);
}

/** What the page can ask about new versions of a site’s files. Each lies there, held by this worker, until it is kept or dropped; `cancelled` are jobs that are to stop. */
export function arrivals(db: () => Promise<Database>, site: () => Promise<Analyst>, cancelled: Set<string>) {
  const service = {
    /**
     * Brings a new version of a site's files in beside those that are here, and tells what taking it would do. It lies there, held by this worker, until it is
     * kept or dropped.
     */
    async bringVersion(job: string, siteId: string, document: SiteDocument, bringing: Bringing, progress: Progress): Promise<BroughtVersion> {
      const site = await (await db()).get('sites', siteId);
      const number = Math.max(versionOf(document), ...(site?.versions ?? []).map((version) => version.number)) + 1;
      const id = filesId(siteId, number);
      const held = await hold(id);
      if (!held) return { ok: false, reason: 'at-work' };
      const cancelling = (): boolean => cancelled.has(job);
      const drop = async (answer: BroughtVersion): Promise<BroughtVersion> => {
        cancelled.delete(job);
        await service.dropVersion(siteId, number);
        return answer;
      };
      const result = await importSite(bringing, { db: await db(), id, now: () => new Date(), hash: sha256, progress, cancelled: cancelling, beside: true });
      if (!result.ok) return drop(result);
      const plan = await planVersion({ db: await db(), siteId, document, version: number, progress, cancelled: cancelling });
      if (plan === undefined) return drop({ ok: false, reason: 'cancelled' });
      if (plan === 'same') return drop({ ok: true, plan: undefined, version: undefined });
      const { bytes = 0, unread } = result.site;
      return { ok: true, plan, version: { number, at: new Date().toISOString(), bytes, unread } };
    },

    /** A site that was typed in, with one page more. */
    async bringPage(job: string, siteId: string, document: SiteDocument, page: ListedPage, file: ListedFile): Promise<BroughtVersion> {
      const its = await site();
      const { bytesByHash, files: stored } = its;
      const files: PickedFile[] = [];
      for (const { path, hash } of stored) {
        const bytes = await bytesByHash(path, hash);
        if (!bytes) throw new Error(`The bytes of ${path} are not kept in this browser.`);
        const home = path === 'index.html' ? new TextEncoder().encode(withLinkTo(decodeBytes(bytes, 'utf-8'), file.path, page)) : bytes;
        files.push({ path, file: new File([home as Uint8Array<ArrayBuffer>], path) });
      }
      files.push({ path: file.path, file: new File([file.html], file.path) });
      return service.bringVersion(job, siteId, document, { kind: 'files', name: '', files }, () => undefined);
    },

    /** The plan once more, for a document that became another one meanwhile. */
    planAgain: async (siteId: string, document: SiteDocument, version: number): Promise<MergePlan | undefined> => {
      const plan = await planVersion({ db: await db(), siteId, document, version, progress: () => undefined, cancelled: () => false });
      return plan === 'same' ? undefined : plan;
    },

    /** Keeps a version that was brought in; the document may name it from then on. */
    async keepVersion(siteId: string, version: SiteVersion): Promise<boolean> {
      const kept = await keepVersion(await db(), siteId, version);
      letGo(filesId(siteId, version.number));
      return kept !== undefined;
    },

    /** Drops a version that was brought in and is not wanted. */
    async dropVersion(siteId: string, number: number): Promise<void> {
      const id = filesId(siteId, number);
      const site = await (await db()).get('sites', siteId);
      if (!(site?.versions ?? []).some((version) => version.number === number)) await clearSite(await db(), id);
      letGo(id);
    },
  };
  return service;
}
