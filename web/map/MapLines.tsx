import { KIND_TABLE } from '../../core/site/index.ts';
import { useMemo } from 'react';
import type { MapReport } from '../../core/map/index.ts';
import { counted } from '../../core/wording/index.ts';
import { StateSign, PageLink, PageName } from '../components/index.ts';
import { byText, DataTable } from '../ui/index.ts';
import { setInMap, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { DATE_FROM, wording } from './wording.ts';

/** Each page in the map. */
export function MapLines({
  report,
  group,
  onGroup,
}: {
  readonly report: MapReport;
  readonly group: string | undefined;
  readonly onGroup: (group: string | undefined) => void;
}) {
  const workspace = useWorkspaceApi();
  const kinds = useMemo(() => [...new Set(report.lines.map((line) => line.kind))], [report]);
  const shown = useMemo(() => report.lines.filter((line) => group === undefined || line.kind === group), [report, group]);
  return (
    <section className="mt-6" aria-labelledby="lines">
      <div className="mb-2 flex flex-wrap items-center gap-1.5">
        <h2 id="lines" className="mr-1">
          {counted(shown.length, 'page')}
        </h2>
        {kinds.length > 1 &&
          kinds.map((kind) => (
            <button key={kind} type="button" className="chip" aria-pressed={group === kind} onClick={() => onGroup(group === kind ? undefined : kind)}>
              {KIND_TABLE[kind].many} <span className="tabular-nums">{report.lines.filter((line) => line.kind === kind).length}</span>
            </button>
          ))}
      </div>
      <DataTable
        rows={shown}
        list={group ?? ''}
        start="loc"
        keyOf={({ loc }) => loc}
        data={({ loc }) => ({ 'data-line': loc })}
        columns={[
          {
            id: 'loc',
            name: 'Page',
            className: 'min-w-48',
            compare: byText(({ loc }) => loc),
            cell: ({ id, loc }) => (
              <>
                <MappedPage id={id} />
                <span className="mono soft block break-all text-tiny">{loc.slice(report.origin.length)}</span>
              </>
            ),
          },
          {
            id: 'lastmod',
            name: 'Last changed',
            className: 'whitespace-nowrap tabular-nums',
            compare: byText(({ lastmod }) => lastmod),
            cell: ({ dateFrom, lastmod }) =>
              dateFrom === 'next-release' ? (
                <span className="text-amber-ink">at the next release</span>
              ) : (
                <>
                  {lastmod ?? <span className="soft">not told</span>}
                  {lastmod !== undefined && <span className="soft block text-tiny">{DATE_FROM[dateFrom]}</span>}
                </>
              ),
          },
          {
            id: 'images',
            name: 'Pictures',
            className: 'num',
            compare: (a, b) => a.images - b.images,
            cell: ({ images, alternates }) => (
              <>
                {images}
                {alternates > 0 && <span className="soft block text-tiny">{counted(alternates, 'language')}</span>}
              </>
            ),
          },
          {
            id: 'out',
            name: 'Take out',
            silent: true,
            cell: ({ id, loc }) => (
              <button
                type="button"
                className="link-act whitespace-nowrap text-fine"
                aria-label={`Leave ${workspace.state.byId.get(id)?.name ?? loc} out`}
                onClick={() => setInMap(workspace, [id], false)}
              >
                {wording.leave}
              </button>
            ),
          },
        ]}
      />
    </section>
  );
}

/** The page of a line, as it stands. */
function MappedPage({ id }: { readonly id: string }) {
  const row = useWorkspace((state) => state.byId.get(id));
  if (!row) return null;
  return (
    <PageLink to="doors" page={id} className="inline-flex min-h-7 cursor-pointer items-center gap-2 text-left">
      <StateSign state={row.state} /> <PageName row={row} />
    </PageLink>
  );
}
