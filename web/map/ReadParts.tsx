import type { MapPart } from '../../core/map/index.ts';
import { counted } from '../../core/wording/index.ts';
import { byText, DataTable } from '../ui/index.ts';
import { partWords } from './wording.ts';

/** By badness: right or not looked into, something in it is wrong, not to be used. */
const LOOKS = ['soft', 'text-amber-ink', 'text-error'] as const;

/** The maps that an index names, each with what was found in it. */
export function ReadParts({ parts, onOpen }: { readonly parts: readonly MapPart[]; readonly onOpen: (address: string) => void }) {
  return (
    <DataTable
      rows={parts}
      start="loc"
      keyOf={({ loc }, at) => `${loc} ${at}`}
      data={({ loc, what }) => ({ 'data-part': loc, 'data-what': what })}
      columns={[
        {
          id: 'loc',
          name: 'Map',
          className: 'break-all',
          compare: byText(({ loc }) => loc),
          cell: ({ loc }) => (
            <button type="button" className="link-act mono text-left text-fine" onClick={() => onOpen(loc)}>
              {loc}
            </button>
          ),
        },
        {
          id: 'lastmod',
          name: 'Last change',
          className: 'whitespace-nowrap tabular-nums',
          compare: byText(({ lastmod }) => lastmod),
          cell: ({ lastmod }) => lastmod ?? <span className="soft">not told</span>,
        },
        {
          id: 'addresses',
          name: 'Holds',
          className: 'num whitespace-nowrap',
          headClass: 'num',
          compare: (a, b) => a.addresses - b.addresses,
          cell: ({ what, addresses }) => (what === 'map' ? counted(addresses, 'address', 'addresses') : ''),
        },
        {
          id: 'what',
          name: 'Looked into',
          className: (part) => `text-note ${LOOKS[badness(part)]}`,
          compare: (a, b) => badness(b) - badness(a),
          cell: partWords,
        },
      ]}
    />
  );
}

function badness({ what, wrong, issues, again }: MapPart): 0 | 1 | 2 {
  if (what !== 'map' && what !== 'not-read') return 2;
  return wrong + issues + again > 0 ? 1 : 0;
}
