import { useEffect, useState } from 'react';
import { faultWeight, type MapEntryLine, type MapOrder } from '../../core/map/index.ts';
import { More, SortHeading, useMore, type Sorting } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { faultWords } from './wording.ts';

/** The addresses of a map, each with what is wrong with it. The worker keeps them; as many are asked for as are drawn. */
export function ReadEntries({ ticket, entries, wrong }: { readonly ticket: number; readonly entries: number; readonly wrong: number }) {
  const { tools } = useWorkspaceApi();
  const [sort, setSort] = useState<Sorting<MapOrder['by']>>({ by: 'fault', down: false });
  const [wrongOnly, setWrongOnly] = useState(false);
  const { drawn, more } = useMore(`${sort.by} ${sort.down} ${wrongOnly}`);
  const [lines, setLines] = useState<readonly MapEntryLine[]>([]);
  useEffect(() => {
    let current = true;
    void tools.analysis.mapLines(ticket, { ...sort, wrongOnly }, drawn).then((next) => current && next && setLines(next));
    return () => {
      current = false;
    };
  }, [tools, ticket, sort, wrongOnly, drawn]);
  return (
    <>
      {wrong > 0 && (
        <label className="mb-2 flex min-h-8 items-center gap-2 text-[13.5px]">
          <input type="checkbox" className="checkbox checkbox-sm" checked={wrongOnly} onChange={(event) => setWrongOnly(event.target.checked)} />
          Only the {wrong.toLocaleString('en')} that are wrong
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
            {lines.map(({ loc, place, lastmod, images, languages, page, fault }) => (
              <tr key={`${loc} ${place}`} data-entry={loc} data-fault={fault?.code}>
                <td className="break-all">
                  <span className="mono text-[12.5px]">{loc}</span>
                  {languages.length > 0 && <span className="soft block text-[12px]">also {languages.join(', ')}</span>}
                </td>
                <td className="whitespace-nowrap tabular-nums">{lastmod ?? <span className="soft">not told</span>}</td>
                <td className="num">{images}</td>
                <td className={`text-[13px] ${FAULT_LOOKS[faultWeight(fault)]}`}>
                  {fault ? faultWords(fault) : page === undefined ? 'a file of the site' : 'as it should be'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <More drawn={drawn} total={wrongOnly ? wrong : entries} onMore={more} />
      </div>
    </>
  );
}

/** By weight: wrong, only out of date, as it should be. */
const FAULT_LOOKS = ['text-error', 'text-[color:var(--amber-ink)]', 'soft'] as const;
