import { bytesText, counted, shortDate } from '../../core/wording/index.ts';
import type { SiteRecord } from '../storage/index.ts';
import { BIN_DAYS, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

const DAY = 86_400_000;

/** Sites that were deleted: kept for a month, to be had back, or cleared at once. */
export function Bin({
  sites,
  onRestore,
  onClear,
}: {
  readonly sites: readonly SiteRecord[];
  readonly onRestore: (site: SiteRecord) => void;
  readonly onClear: (site: SiteRecord) => void;
}) {
  const workspace = useWorkspaceApi();
  if (sites.length === 0) return null;
  const bytes = sites.reduce((sum, site) => sum + (site.bytes ?? 0), 0);
  const left = (site: SiteRecord): number => Math.max(1, Math.ceil(BIN_DAYS - (workspace.tools.now().getTime() - Date.parse(site.deletedAt ?? '')) / DAY));
  return (
    <details className="mt-4" data-testid="bin">
      <summary className="cursor-pointer font-semibold">
        {wording.bin}: {counted(sites.length, 'site')}, {bytesText(bytes)}
      </summary>
      <p className="soft mt-1 text-note">{wording.binWhy}</p>
      <ul className="panel mt-2" aria-label={wording.bin}>
        {sites.map((site) => (
          <li key={site.id} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-t border-line px-4 py-2.5 first:border-t-0">
            <div className="min-w-0 flex-1 basis-56">
              <p className="font-semibold [overflow-wrap:anywhere]" dir="auto">
                {site.name}
              </p>
              <p className="soft text-note">
                {[
                  site.summary?.host,
                  site.bytes === undefined ? '' : bytesText(site.bytes),
                  `deleted ${shortDate(site.deletedAt ?? '')}`,
                  `kept for ${counted(left(site), 'more day')}`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            </div>
            <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => onRestore(site)} aria-label={`Have ${site.name} back`}>
              Have it back
            </button>
            <button type="button" className="btn btn-sm btn-ghost" onClick={() => onClear(site)} aria-label={`Clear ${site.name} for good`}>
              Clear for good
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
