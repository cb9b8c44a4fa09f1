import { useState } from 'react';
import type { MapPart } from '../../core/map/index.ts';
import { counted } from '../../core/wording/index.ts';
import { More, SortHeading, useMore, type Sorting } from '../ui/index.ts';
import { partWords } from './wording.ts';

type Column = 'loc' | 'lastmod' | 'addresses' | 'what';
/** The maps that an index names, each with what was found in it. */
export function ReadParts({ parts, onOpen }: { readonly parts: readonly MapPart[]; readonly onOpen: (address: string) => void }) {
  const [sort, setSort] = useState<Sorting<Column>>({ by: 'loc', down: false });
  const { drawn, more } = useMore(`${sort.by} ${sort.down}`);
  const lines = [...parts].sort((a, b) => compare(a, b, sort.by) * (sort.down ? -1 : 1));
  return (
    <div className="panel overflow-x-auto">
      <table className="data-table stacked">
        <thead>
          <tr>
            <SortHeading by="loc" sort={sort} onSort={setSort}>
              Map
            </SortHeading>
            <SortHeading by="lastmod" sort={sort} onSort={setSort}>
              Last change
            </SortHeading>
            <SortHeading by="addresses" sort={sort} onSort={setSort} className="num">
              Holds
            </SortHeading>
            <SortHeading by="what" sort={sort} onSort={setSort}>
              Looked into
            </SortHeading>
          </tr>
        </thead>
        <tbody>
          {lines.slice(0, drawn).map((part, at) => (
            <tr key={`${part.loc} ${at}`} data-part={part.loc} data-what={part.what}>
              <td className="break-all">
                <button type="button" className="link-act mono text-left text-[12.5px]" onClick={() => onOpen(part.loc)}>
                  {part.loc}
                </button>
              </td>
              <td className="whitespace-nowrap tabular-nums">{part.lastmod ?? <span className="soft">not told</span>}</td>
              <td className="num whitespace-nowrap">{part.what === 'map' ? counted(part.addresses, 'address', 'addresses') : ''}</td>
              <td className={`text-[13px] ${badness(part) > 1 ? 'text-error' : badness(part) > 0 ? 'text-[color:var(--amber-ink)]' : 'soft'}`}>
                {partWords(part)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <More drawn={drawn} total={lines.length} onMore={more} />
    </div>
  );
}

/** 2: not to be used; 1: something in it is wrong; 0: right, or not looked into. */
function badness({ what, wrong, issues, again }: MapPart): number {
  if (what !== 'map' && what !== 'not-read') return 2;
  return wrong + issues + again > 0 ? 1 : 0;
}

function compare(a: MapPart, b: MapPart, by: Column): number {
  if (by === 'what') return badness(b) - badness(a);
  if (by === 'addresses') return a.addresses - b.addresses;
  const [one, other] = [a[by] ?? '', b[by] ?? ''];
  return one < other ? -1 : one > other ? 1 : 0;
}
