import { KIND_TABLE } from '../../../core/site/index.ts';
import { readableAddress } from '../../../core/source/index.ts';
import { Moon, Sun } from 'lucide-react';
import type { PageRow } from '../../../core/rows/index.ts';
import { pathWords } from '../../../core/wording/index.ts';
import { StateSign, PageLink, siteText } from '../../components/index.ts';
import { setPageIntent, useWorkspaceApi } from '../../workspace/index.ts';
import { INTENT_FROM, REALITY_NAMES } from '../wording.ts';

export const ROW = 'inset-x-0 top-0 flex min-w-197.5 items-center gap-2.5 border-line px-3 md:min-w-215';
/** How wide each cell is. On a phone what is wanted stands beside the name; the rest is a swipe away. */
export const CELLS = {
  mark: 'w-5.5 flex-none',
  name: 'min-w-0 flex-none max-md:w-42 md:flex-1',
  kind: 'w-23 flex-none max-md:order-1',
  intent: 'w-24 flex-none',
  reality: 'w-24 flex-none',
  is: 'w-35 flex-none',
  number: 'w-16 flex-none pr-2 text-right tabular-nums',
  map: 'w-16.5 flex-none',
};

/** A page in the table of all pages. */
export function PageLine({
  row,
  index,
  top,
  depth,
  engine,
  mapOn,
  marked,
  onMark,
}: {
  readonly row: PageRow;
  readonly index: number;
  /** px */
  readonly top: number;
  /** Clicks from home; undefined where no link leads there. */
  readonly depth: number | undefined;
  readonly engine: string;
  readonly mapOn: boolean;
  readonly marked: boolean;
  /** `reaching` where all from the one marked last are meant. */
  readonly onMark: (on: boolean, reaching: boolean) => void;
}) {
  const workspace = useWorkspaceApi();
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      className={`${ROW} absolute h-11 border-t text-small`}
      data-row={row.id}
      style={{ transform: `translateY(${top}px)` }}
    >
      <span role="cell" className={CELLS.mark}>
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          aria-label={`Mark ${row.name}`}
          checked={marked}
          onChange={(event) => onMark(event.target.checked, (event.nativeEvent as MouseEvent).shiftKey)}
        />
      </span>
      <span role="rowheader" className={CELLS.name}>
        <PageLink to="doors" page={row.id} className="flex min-h-8 w-full min-w-0 cursor-pointer items-center gap-2 text-left max-md:min-h-11">
          <StateSign state={row.state} />
          <span className="min-w-0">
            <span className="block truncate font-semibold" {...siteText(row.lang)}>
              {row.name}
            </span>
            <span className="mono soft block truncate text-tiny">{readableAddress(row.address)}</span>
          </span>
        </PageLink>
      </span>
      <span role="cell" className={`${CELLS.kind} truncate`}>
        {KIND_TABLE[row.kind].one}
      </span>
      <span role="cell" className={CELLS.intent}>
        <button
          type="button"
          className="chip"
          role="switch"
          aria-checked={row.intent === 'list'}
          aria-label={`List ${row.name}`}
          title={INTENT_FROM[row.intentFrom]}
          onClick={() => setPageIntent(workspace, row.id, row.intent === 'list' ? 'out' : 'list')}
        >
          {row.intent === 'list' ? <Sun size={13} className="sign-findable" aria-hidden /> : <Moon size={13} className="sign-kept-out" aria-hidden />}
          {row.intent === 'list' ? 'list' : 'keep out'}
        </button>
      </span>
      <span role="cell" className={CELLS.reality}>
        {REALITY_NAMES[row.realities[engine] ?? 'out']}
      </span>
      <span role="cell" className={CELLS.number}>
        {depth ?? <span className="text-error">none</span>}
      </span>
      <span role="cell" className={CELLS.number}>
        {row.linksIn}
      </span>
      <span role="cell" className={`${CELLS.map} soft`}>
        {row.inMap ? (mapOn ? 'in it' : 'would be') : 'no'}
      </span>
      <span role="cell" className={`${CELLS.is} min-w-0`}>
        <span className="block truncate">{thingsOf(row)}</span>
        {row.lacks && (
          <span className="block truncate text-tiny text-amber-ink">lacks {row.lacks.map((path) => pathWords(path.split('|')[0] ?? path)).join(', ')}</span>
        )}
      </span>
    </div>
  );
}

/** What a page's markup says it is: the thing it tells of, else what it is itself; what it came with where nothing is written. */
export function thingsOf({ is = [], brought = [] }: PageRow): string {
  const things = is.filter((type) => type !== 'BreadcrumbList' && (type !== 'WebPage' || is.length === 1));
  return [...new Set(things.length > 0 ? things : is.length > 0 ? is : brought)].join(', ') || '–';
}
