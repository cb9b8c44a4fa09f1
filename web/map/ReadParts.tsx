import { useState } from 'react';
import type { MapPart, ReadMap } from '../../core/survey/index.ts';
import { counted } from '../../core/wording/index.ts';
import { More, SortHeading, useMore, type Sorting } from '../ui/index.ts';
import { partWords } from './wording.ts';

type Column = 'loc' | 'lastmod' | 'addresses' | 'what';
interface Line {
  readonly part: MapPart;
  readonly lastmod: string | undefined;
}

/** The maps that an index names, each with what was found in it. */
export function ReadParts({ reading, onOpen }: { readonly reading: Extract<ReadMap, { ok: true }>; readonly onOpen: (address: string) => void }) {
  const { map, parts } = reading;
  const [sort, setSort] = useState<Sorting<Column>>({ by: 'loc', down: false });
  const { drawn, more } = useMore(`${sort.by} ${sort.down}`);
  const lines = parts.map((part, at): Line => ({ part, lastmod: map.entries[at]?.lastmod })).sort((a, b) => compare(a, b, sort.by) * (sort.down ? -1 : 1));
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
          {lines.slice(0, drawn).map(({ part, lastmod }, at) => (
            <tr key={`${part.loc} ${at}`} data-part={part.loc} data-what={part.what}>
              <td className="break-all">
                <button type="button" className="link-act mono text-left text-[12.5px]" onClick={() => onOpen(part.loc)}>
                  {part.loc}
                </button>
              </td>
              <td className="whitespace-nowrap tabular-nums">{lastmod ?? <span className="soft">not told</span>}</td>
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

function compare(a: Line, b: Line, by: Column): number {
  if (by === 'what') return badness(b.part) - badness(a.part);
  if (by === 'addresses') return a.part.addresses - b.part.addresses;
  const [one, other] = by === 'loc' ? [a.part.loc, b.part.loc] : [a.lastmod ?? '', b.lastmod ?? ''];
  return one < other ? -1 : one > other ? 1 : 0;
}
