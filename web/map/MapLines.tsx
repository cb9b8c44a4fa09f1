import { KIND_TABLE } from '../../core/site/index.ts';
import { useMemo, useState } from 'react';
import type { MapLine, MapReport } from '../../core/map/index.ts';
import { counted } from '../../core/wording/index.ts';
import { StateSign, PageLink, PageName } from '../components/index.ts';
import { More, SortHeading, useMore, type Sorting } from '../ui/index.ts';
import { setInMap, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { DATE_FROM, wording } from './wording.ts';

type Column = 'loc' | 'lastmod' | 'images';

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
  const rows = useWorkspace((state) => state.byId);
  const [sort, setSort] = useState<Sorting<Column>>({ by: 'loc', down: false });
  const { drawn, more } = useMore(`${group ?? ''} ${sort.by} ${sort.down}`);
  const kinds = useMemo(() => [...new Set(report.lines.map((line) => line.kind))], [report]);
  const shown = useMemo(
    () => report.lines.filter((line) => group === undefined || line.kind === group).sort((a, b) => compare(a, b, sort.by) * (sort.down ? -1 : 1)),
    [report, group, sort],
  );
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
      <div className="panel overflow-x-auto">
        <table className="data-table stacked">
          <thead>
            <tr>
              <SortHeading by="loc" sort={sort} onSort={setSort}>
                Page
              </SortHeading>
              <SortHeading by="lastmod" sort={sort} onSort={setSort}>
                Last changed
              </SortHeading>
              <SortHeading by="images" sort={sort} onSort={setSort} className="num">
                Pictures
              </SortHeading>
              <th>
                <span className="sr-only">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, drawn).map((line) => {
              const row = rows.get(line.id);
              return (
                <tr key={line.loc} data-line={line.loc}>
                  <td className="min-w-48">
                    {row && (
                      <PageLink to="doors" page={row.id} className="inline-flex min-h-7 cursor-pointer items-center gap-2 text-left">
                        <StateSign state={row.state} /> <PageName row={row} />
                      </PageLink>
                    )}
                    <span className="mono soft block break-all text-[12px]">{line.loc.slice(report.origin.length)}</span>
                  </td>
                  <td className="whitespace-nowrap tabular-nums">
                    {line.dateFrom === 'next-release' ? (
                      <span className="text-[color:var(--amber-ink)]">at the next release</span>
                    ) : (
                      <>
                        {line.lastmod ?? <span className="soft">not told</span>}
                        {line.lastmod !== undefined && <span className="soft block text-[12px]">{DATE_FROM[line.dateFrom]}</span>}
                      </>
                    )}
                  </td>
                  <td className="num">
                    {line.images}
                    {line.alternates > 0 && <span className="soft block text-[12px]">{counted(line.alternates, 'language')}</span>}
                  </td>
                  <td>
                    <button
                      type="button"
                      className="link-act whitespace-nowrap text-[12.5px]"
                      aria-label={`Leave ${row?.name ?? line.loc} out`}
                      onClick={() => setInMap(workspace, [line.id], false)}
                    >
                      {wording.leave}
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <More drawn={drawn} total={shown.length} onMore={more} />
      </div>
    </section>
  );
}

function compare(a: MapLine, b: MapLine, by: Column): number {
  if (by === 'images') return a.images - b.images;
  const [one, other] = [a[by] ?? '', b[by] ?? ''];
  return one < other ? -1 : one > other ? 1 : 0;
}
