import { useMemo, useState } from 'react';
import type { ExaminedEntry, ExaminedMap } from '../../core/sitemap/index.ts';
import type { ComparedEntry, MapFault } from '../../core/survey/index.ts';
import { More, SortHeading, useMore, type Sorting } from '../ui/index.ts';
import { faultWords } from './wording.ts';

type Column = 'loc' | 'lastmod' | 'images' | 'fault';
interface Line {
  readonly entry: ExaminedEntry;
  readonly compared: ComparedEntry | undefined;
}

/** The addresses of a map, each with what is wrong with it. */
export function ReadEntries({ map, compared }: { readonly map: ExaminedMap; readonly compared: readonly ComparedEntry[] }) {
  const [sort, setSort] = useState<Sorting<Column>>({ by: 'fault', down: false });
  const [wrongOnly, setWrongOnly] = useState(false);
  const { drawn, more } = useMore(`${sort.by} ${sort.down} ${wrongOnly}`);
  const all = useMemo(() => map.entries.map((entry, index): Line => ({ entry, compared: compared[index] })), [map, compared]);
  const wrong = all.filter((line) => line.compared?.fault !== undefined).length;
  const shown = useMemo(
    () => all.filter((line) => !wrongOnly || line.compared?.fault !== undefined).sort((a, b) => compare(a, b, sort.by) * (sort.down ? -1 : 1)),
    [all, wrongOnly, sort],
  );
  return (
    <>
      {wrong > 0 && (
        <label className="mb-2 flex min-h-8 items-center gap-2 text-[13.5px]">
          <input type="checkbox" className="checkbox checkbox-sm" checked={wrongOnly} onChange={(event) => setWrongOnly(event.target.checked)} />
          Only the {wrong} that are wrong
        </label>
      )}
      <div className="panel overflow-x-auto">
        <table className="data-table stacked">
          <thead>
            <tr>
              <SortHeading by="loc" sort={sort} onSort={setSort}>
                Address
              </SortHeading>
              <SortHeading by="lastmod" sort={sort} onSort={setSort}>
                Last change
              </SortHeading>
              <SortHeading by="images" sort={sort} onSort={setSort} className="num">
                Pictures
              </SortHeading>
              <SortHeading by="fault" sort={sort} onSort={setSort}>
                Against the site
              </SortHeading>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, drawn).map(({ entry, compared }) => (
              <tr key={`${entry.loc} ${entry.place}`} data-entry={entry.loc} data-fault={compared?.fault?.code}>
                <td className="break-all">
                  <span className="mono text-[12.5px]">{entry.loc}</span>
                  {entry.alternates.length > 0 && (
                    <span className="soft block text-[12px]">also {entry.alternates.map((alternate) => alternate.lang).join(', ')}</span>
                  )}
                </td>
                <td className="whitespace-nowrap tabular-nums">{entry.lastmod ?? <span className="soft">not told</span>}</td>
                <td className="num">{entry.images.length}</td>
                <td className={`text-[13px] ${FAULT_LOOKS[weight(compared?.fault)] as string}`}>
                  {compared?.fault ? faultWords(compared.fault) : compared?.page === undefined ? 'a file of the site' : 'as it should be'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <More drawn={drawn} total={shown.length} onMore={more} />
      </div>
    </>
  );
}

/** By weight: wrong, only out of date, as it should be. */
const FAULT_LOOKS = ['text-error', 'text-[color:var(--amber-ink)]', 'soft'] as const;
const weight = (fault: MapFault | undefined): number => (fault === undefined ? 2 : fault.code === 'stale' || fault.code === 'too-new' ? 1 : 0);

function compare(a: Line, b: Line, by: Column): number {
  if (by === 'images') return a.entry.images.length - b.entry.images.length;
  if (by === 'fault') return weight(a.compared?.fault) - weight(b.compared?.fault) || a.entry.place - b.entry.place;
  const [one, other] = [a.entry[by] ?? '', b.entry[by] ?? ''];
  return one < other ? -1 : one > other ? 1 : 0;
}
