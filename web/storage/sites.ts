import type { Database, SiteRecord } from './database.ts';

/** Changes some of what the list says of a site, over what stands there now. Undefined where there is no such site. */
export async function updateSite(db: Database, siteId: string, patch: Partial<Omit<SiteRecord, 'id'>>): Promise<SiteRecord | undefined> {
  const transaction = db.transaction('sites', 'readwrite');
  const site = await transaction.store.get(siteId);
  const next = site && { ...site, ...patch };
  if (next) await transaction.store.put(next);
  await transaction.done;
  return next;
}

/** The lock that whoever brings a site in holds meanwhile. */
export function arrivalLock(siteId: string): string {
  return `jolly-beacon-arrival:${siteId}`;
}
