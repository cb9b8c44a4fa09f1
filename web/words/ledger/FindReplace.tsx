import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { cellText, columnName, readySearch, type LedgerColumn, type Search } from '../../../core/ledger/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, patternFaultWords } from '../../../core/wording/index.ts';
import { useWorkspaceApi } from '../../workspace/index.ts';
import { ColumnChips } from './ColumnChips.tsx';
import type { Wanted } from './blocks.ts';

const IN: readonly LedgerColumn[] = ['title', 'description', 'phrase', 'keywords', 'shareTitle', 'shareText'];
const SHOWN = 100;
/** Milliseconds of searching before the page is let breathe. */
const SLICE = 12;
const NO_PATTERN = 'This is no regular expression that can be used';

interface Hit extends Wanted {
  readonly before: string;
}

const NONE: ReadonlySet<string> = new Set();
const key = (hit: Hit): string => `${hit.row.id}\n${hit.column}`;

/** What is found in these rows, a while of searching at a time. */
function useHits(
  search: Search,
  columns: readonly LedgerColumn[],
  among: readonly PageRow[],
): { readonly hits: readonly Hit[]; readonly fault: string; readonly busy: boolean } {
  const workspace = useWorkspaceApi();
  const [found, setFound] = useState<ReturnType<typeof useHits>>({ hits: [], fault: '', busy: false });
  useEffect(() => {
    const ready = readySearch(search);
    if (!ready.ok) {
      setFound({ hits: [], fault: ready.reason === 'pattern' ? `${NO_PATTERN}: ${patternFaultWords(ready)}.` : '', busy: false });
      return;
    }
    let current = true;
    setFound((before) => ({ ...before, fault: '', busy: true }));
    void (async () => {
      const hits: Hit[] = [];
      let until = performance.now() + SLICE;
      for (const row of among) {
        if (performance.now() > until) {
          await new Promise((resolve) => setTimeout(resolve));
          if (!current) return;
          until = performance.now() + SLICE;
        }
        for (const column of columns) {
          const before = cellText(row, workspace.state.document, column);
          const text = before === '' ? undefined : ready.apply(before);
          if (text !== undefined) hits.push({ row, column, before, text });
        }
      }
      if (current) setFound({ hits, fault: '', busy: false });
    })();
    return () => {
      current = false;
    };
  }, [search, columns, among, workspace]);
  return found;
}

/** Finds and replaces in the rows shown, or in those selected; every change is seen before it is made, and all are one step. */
export function FindReplace({
  rows,
  selected,
  onClose,
  onWrite,
}: {
  readonly rows: readonly PageRow[];
  readonly selected: readonly PageRow[];
  readonly onClose: () => void;
  readonly onWrite: (cells: readonly Wanted[]) => void;
}) {
  const [search, setSearch] = useState<Search>({ find: '', replace: '', regular: false, matchCase: false, wholeWords: false });
  const [columns, setColumns] = useState<readonly LedgerColumn[]>(['title', 'description']);
  const [onlySelected, setOnlySelected] = useState(false);
  /** What is left out of the hits that it was said of: of other hits, nothing is. */
  const [leftOut, setLeftOut] = useState<{ readonly of: readonly Hit[]; readonly keys: ReadonlySet<string> }>();
  const among = onlySelected && selected.length > 1 ? selected : rows;
  const found = useHits(search, columns, among);
  const left = leftOut?.of === found.hits ? leftOut.keys : NONE;
  const taken = found.hits.filter((hit) => !left.has(key(hit)));
  const option = (name: 'regular' | 'matchCase' | 'wholeWords', label: string) => (
    <label className="flex min-h-8 items-center gap-1.5">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={search[name]}
        onChange={(event) => setSearch({ ...search, [name]: event.target.checked })}
      />
      {label}
    </label>
  );
  return (
    <form
      className="panel mb-2.5 p-3 text-small"
      aria-label="Find and replace"
      onSubmit={(event) => {
        event.preventDefault();
        if (taken.length === 0) return;
        onWrite(taken);
        setSearch({ ...search, find: '' });
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <div className="flex flex-wrap items-end gap-2">
        <label className="min-w-40 flex-1">
          Find
          <input
            className="input input-sm w-full"
            autoFocus
            value={search.find}
            onChange={(event) => setSearch({ ...search, find: event.target.value })}
            aria-invalid={found.fault !== ''}
            aria-describedby="find-fault"
          />
        </label>
        <label className="min-w-40 flex-1">
          Put in its place
          <input className="input input-sm w-full" value={search.replace} onChange={(event) => setSearch({ ...search, replace: event.target.value })} />
        </label>
        <button type="submit" className="btn btn-sm btn-primary" disabled={taken.length === 0}>
          Replace {taken.length > 0 ? counted(taken.length, 'text') : ''}
        </button>
        <button type="button" className="icon-btn" aria-label="Close" onClick={onClose}>
          <X size={16} aria-hidden />
        </button>
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-4 gap-y-1">
        {option('matchCase', 'Capitals matter')}
        {option('wholeWords', 'Whole words')}
        {option('regular', 'Regular expression')}
        {selected.length > 1 && (
          <label className="flex min-h-8 items-center gap-1.5">
            <input type="checkbox" className="checkbox checkbox-sm" checked={onlySelected} onChange={(event) => setOnlySelected(event.target.checked)} />
            Only in the {selected.length} selected rows
          </label>
        )}
        <span className="flex flex-wrap gap-1" role="group" aria-label="In">
          <ColumnChips columns={IN} chosen={columns} onChange={setColumns} />
        </span>
      </div>
      {search.regular && (
        <p className="soft mt-1 text-fine">
          $1 puts the first group in its place. Patterns are matched without running away, so lookaround and back-references are not known.
        </p>
      )}
      {found.fault !== '' && (
        <p id="find-fault" className="mt-1.5 text-brick">
          {found.fault}
        </p>
      )}
      {search.find !== '' && found.fault === '' && (
        <div className="mt-2 max-h-56 overflow-auto border-t border-line" aria-live="polite" tabIndex={0} role="region" aria-label="What would change">
          {found.hits.length === 0 && <p className="soft py-2">{found.busy ? 'Searching …' : 'Nothing found.'}</p>}
          <HitList hits={found.hits} left={left} onLeft={(keys) => setLeftOut({ of: found.hits, keys })} />
          {found.hits.length > SHOWN && <p className="soft py-1.5">and {found.hits.length - SHOWN} more</p>}
        </div>
      )}
    </form>
  );
}

/** What would change, each with a mark that can be taken off. */
function HitList({
  hits,
  left,
  onLeft,
}: {
  readonly hits: readonly Hit[];
  readonly left: ReadonlySet<string>;
  readonly onLeft: (left: ReadonlySet<string>) => void;
}) {
  return (
    <ul>
      {hits.slice(0, SHOWN).map((hit) => (
        <li key={key(hit)} className="flex items-start gap-2 border-b border-line py-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-sm mt-0.5"
            aria-label={`Change the ${columnName(hit.column).toLowerCase()} of ${hit.row.name}`}
            checked={!left.has(key(hit))}
            onChange={(event) => {
              const next = new Set(left);
              if (event.target.checked) next.delete(key(hit));
              else next.add(key(hit));
              onLeft(next);
            }}
          />
          <span className="min-w-0">
            <span className="soft text-fine">
              {hit.row.name} · {columnName(hit.column)}
            </span>
            <del className="block text-faint">{hit.before}</del>
            <ins className="block no-underline">{hit.text}</ins>
          </span>
        </li>
      ))}
    </ul>
  );
}
