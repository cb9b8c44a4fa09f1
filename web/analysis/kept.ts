import { fieldsOf, versionOf, type SiteDocument } from '../../core/site/index.ts';
import { dropFiles, filesId, keptReleases, listFiles, loadHistory, loadManifest, loadRelease, type Database } from '../storage/index.ts';

/** A release that is kept; `bytes` is what its list of files and its own texts take. */
export interface KeptRelease {
  readonly number: number;
  readonly bytes: number;
}

/** A version of the site's files that is kept, and what holds it: the document, a step of undo or redo, releases that could not go out again without it. */
export interface KeptVersion {
  readonly number: number;
  /** ISO time. */
  readonly at: string;
  readonly bytes: number;
  readonly isCurrent: boolean;
  readonly inUndo: boolean;
  readonly releases: readonly number[];
}

export interface Kept {
  readonly releases: readonly KeptRelease[];
  readonly versions: readonly KeptVersion[];
}

/** Whether nothing holds a version: it can be dropped without anything else being lost. */
export const canDrop = ({ isCurrent, inUndo, releases }: KeptVersion): boolean => !isCurrent && !inUndo && releases.length === 0;

/** What is kept of a site besides what is open, and what it takes. */
export async function keptOf(db: Database, siteId: string, document: SiteDocument): Promise<Kept> {
  const site = await db.get('sites', siteId);
  const numbers = await keptReleases(db, siteId);
  const later = (site?.versions ?? []).map(({ number, at, bytes }) => ({ number, at, bytes }));
  const listed = [...(site && !site.firstDropped ? [{ number: 0, at: site.createdAt, bytes: site.bytes ?? 0 }] : []), ...later];
  const files = new Map(
    await Promise.all(
      listed.map(async ({ number }) => [number, new Map((await listFiles(db, filesId(siteId, number))).map(({ path, hash }) => [path, hash]))] as const),
    ),
  );
  const holding = new Map<number, number[]>();
  const releases: KeptRelease[] = [];
  const live = await loadManifest(db, siteId);
  for (const number of live && !numbers.includes(live.number) ? [...numbers, live.number] : numbers) {
    const kept = (await loadRelease(db, siteId, number))?.manifest;
    if (kept) releases.push({ number, bytes: JSON.stringify(kept).length });
    // What is live holds what it is made of, however it is kept.
    const manifest = kept ?? (number === live?.number ? live : undefined);
    if (!manifest) continue;
    for (const [version, its] of files) {
      const only = Object.entries(manifest.files).some(
        ([path, { hash }]) => its.get(path) === hash && ![...files].some(([other, theirs]) => other !== version && theirs.get(path) === hash),
      );
      if (only) holding.set(version, [...(holding.get(version) ?? []), number]);
    }
  }
  const current = versionOf(document);
  const inUndo = await versionsInUndo(db, siteId);
  return {
    releases,
    versions: listed.map((version) => ({
      ...version,
      isCurrent: version.number === current,
      inUndo: inUndo.has(version.number),
      releases: holding.get(version.number) ?? [],
    })),
  };
}

/** The versions that undo or redo can lead to. */
async function versionsInUndo(db: Database, siteId: string): Promise<ReadonlySet<number>> {
  const { entries } = await loadHistory(db, siteId);
  return new Set(
    entries
      .flatMap(({ change, inverse }) => [...fieldsOf(change), ...fieldsOf(inverse)])
      .flatMap(({ table, key, field, value }) => (table === 'source' && key === '' && field === 'version' ? [Number(value ?? 0)] : [])),
  );
}

/** Drops a version of the site's files. False where something holds it, and it stays. */
export async function forgetVersion(db: Database, siteId: string, document: SiteDocument, number: number): Promise<boolean> {
  const version = (await keptOf(db, siteId, document)).versions.find((one) => one.number === number);
  if (!version || !canDrop(version)) return false;
  await dropFiles(db, siteId, number);
  return true;
}
