import type { PageId } from '../../core/source/index.ts';
import { driftOf, hostingFrom, meantFields, type DriftField, type LivePage, type WorkingCopy } from '../../core/release/index.ts';
import { effectiveAddress, headersFor, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import type { BytesOf } from './export-site.ts';

/** A page that was looked at, by its file. */
export interface LookedAt {
  readonly id: PageId;
  readonly live: LivePage;
}

/** What of pages is out there otherwise than they would go out now: for each page its fields, in the order in which they were given. */
export async function driftIn(
  pages: readonly LookedAt[],
  { copy, document, bytesOf }: { readonly copy: WorkingCopy; readonly document: SiteDocument; readonly bytesOf: BytesOf },
): Promise<readonly (readonly DriftField[])[]> {
  const { headers } = hostingFrom(copy.hosting ?? {});
  const origin = siteOrigin(document);
  return Promise.all(
    pages.map(async ({ id, live }) => {
      const file = copy.files[id];
      const bytes = file && live.kind === 'page' ? await bytesOf(id, file.hash) : undefined;
      if (!file || !bytes || live.kind !== 'page') return [];
      const path = effectiveAddress(document, id);
      const meant = meantFields(bytes, file.edits, origin + path, headersFor(headers, path));
      return meant ? driftOf(meant, live.fields) : [];
    }),
  );
}
