import { fieldsOf, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';

/** The version of the site's files that a document is about: 0 as it was first brought in. */
export function versionOf({ tables }: Pick<SiteDocument, 'tables'>): number {
  return tables.source['']?.version ?? 0;
}

/** Whether a change leads to another version of the site's files: whoever has read them reads them anew. */
export function changesVersion(change: Change): boolean {
  return fieldsOf(change).some(({ table, key }) => table === 'source' && key === '');
}
