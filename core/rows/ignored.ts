import type { PageId } from '../source/index.ts';
import { IGNORABLE, type FindingCode } from '../checks/index.ts';
import { pageKey, type SiteDocument } from '../site/index.ts';

const NOTHING_IGNORED: ReadonlySet<FindingCode> = new Set();

/** The findings that the owner lets be on a page. */
export function ignoredCodes(document: SiteDocument, page: PageId): ReadonlySet<FindingCode> {
  const { ignored } = document.tables;
  if (Object.keys(ignored).length === 0) return NOTHING_IGNORED;
  return new Set(IGNORABLE.filter((code) => ignored[pageKey(page, code)] !== undefined));
}
