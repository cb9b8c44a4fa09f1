import { readableAddress } from '../../../core/source/index.ts';
import { Check, Copy, Printer } from 'lucide-react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { tickFor } from '../../../core/ledger/index.ts';
import { all, pageKey, set, type Change } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { Empty, Segments, useRemembered } from '../../ui/index.ts';
import { PageName } from '../../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { PASTE_NAMES } from '../wording.ts';
import { linesOf, standing, type Items, type Line, type Standing } from './paste-lines.ts';

const NOTHING: Items = {};

/** A text of a page, and where it stands. */
type Placed = Line & { readonly stands: Standing };

/** For builders that have only text boxes: each field with a copy button and a tick that lasts; what changed after it was ticked asks again. */
export function PasteSheet() {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const pasted = useWorkspace((state) => state.document.tables.pasted);
  const items = useReport((one) => one.tools.analysis.pasteItems()) ?? NOTHING;
  const [which, setWhich] = useRemembered<'open' | 'all'>('paste', ['open', 'all'], 'all');
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const wanted = useMemo(() => rows.filter((row) => row.intent === 'list' || items[row.id] !== undefined), [rows, items]);
  const sheets = useMemo(
    () => new Map(wanted.map((row) => [row.id, linesOf(row, items).map((line): Placed => ({ ...line, stands: standing(row, line, pasted) }))])),
    [wanted, items, pasted],
  );
  const isOpen = (row: PageRow): boolean => sheets.get(row.id)?.some(({ stands }) => stands === 'open' || stands === 'again') === true;
  const open = wanted.filter(isOpen);
  const again = [...sheets.values()].flat().filter(({ stands }) => stands === 'again').length;
  // What was just ticked stays in view until the sheet is asked for anew.
  const shown = which === 'all' ? wanted : wanted.filter((row) => isOpen(row) || held.has(row.id));
  const tick = (row: PageRow, line: Line, done: boolean): void => {
    setHeld(new Set([...held, row.id]));
    const key = pageKey(row.id, line.key);
    const changes: Change[] = [
      set('pasted', key, 'value', done ? tickFor(line.value) : null),
      set('pasted', key, 'at', done ? workspace.tools.now().toISOString() : null),
    ];
    workspace.change(all(changes), { label: `${PASTE_NAMES[line.field]} of “${row.name}” ${done ? 'was pasted' : 'is to be pasted'}` });
  };
  if (wanted.length === 0)
    return <Empty title="Nothing to paste yet">Pages that you want found stand here, and whatever you change on others, text by text.</Empty>;
  return (
    <div data-testid="paste-sheet">
      <div className="no-print mb-3 flex flex-wrap items-center gap-3">
        <p role="status">
          {open.length === 0 ? 'All is pasted.' : `${counted(open.length, 'page')} to go`}
          {again > 0 && `, ${counted(again, 'text')} changed since ${plural(again, 'it was', 'they were')} ticked`}
        </p>
        <span className="ml-auto flex gap-2">
          <Segments
            label="Which pages"
            value={which}
            onChange={(value) => {
              setHeld(new Set());
              setWhich(value);
            }}
            options={[
              { value: 'all', label: 'All' },
              { value: 'open', label: 'To go' },
            ]}
          />
          <button type="button" className="btn btn-sm btn-outline-ink gap-1.5" onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Print
          </button>
        </span>
      </div>
      <Sheets rows={shown} draw={(row) => <OneSheet row={row} lines={sheets.get(row.id) ?? []} onTick={tick} />} />
    </div>
  );
}

/** The pages of the sheet. Long ones are drawn as they come into view, but all are there for paper. */
function Sheets({ rows, draw }: { readonly rows: readonly PageRow[]; readonly draw: (row: PageRow) => React.ReactNode }) {
  const [printing, setPrinting] = useState(false);
  const holder = useRef<HTMLDivElement>(null);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => holder.current?.closest<HTMLElement>('main') ?? null,
    estimateSize: () => 190,
    overscan: 5,
    scrollMargin: 110,
  });
  useLayoutEffect(() => {
    const before = (): void => setPrinting(true);
    const after = (): void => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  const few = printing || rows.length <= 60;
  return (
    <div ref={holder}>
      {few ? (
        rows.map((row) => <div key={row.id}>{draw(row)}</div>)
      ) : (
        <div className="relative" style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map((item) => {
            const row = rows[item.index];
            return (
              row && (
                <div key={row.id} ref={list.measureElement} data-index={item.index} className="absolute inset-x-0" style={{ top: item.start - 110 }}>
                  {draw(row)}
                </div>
              )
            );
          })}
        </div>
      )}
    </div>
  );
}

function OneSheet({
  row,
  lines,
  onTick,
}: {
  readonly row: PageRow;
  readonly lines: readonly Placed[];
  readonly onTick: (row: PageRow, line: Line, done: boolean) => void;
}) {
  return (
    <section className="panel mb-3 break-inside-avoid" aria-label={row.name} data-page={row.id}>
      <h2 className="flex items-baseline gap-3 border-b border-line px-4 py-2">
        <PageName row={row} /> <span className="mono soft font-normal">{readableAddress(row.address)}</span>
      </h2>
      <ul className="divide-y divide-line">
        {lines.map((line) => (
          <OneLine key={line.key} row={row} line={line} onTick={onTick} />
        ))}
      </ul>
    </section>
  );
}

function OneLine({ row, line, onTick }: { readonly row: PageRow; readonly line: Placed; readonly onTick: (row: PageRow, line: Line, done: boolean) => void }) {
  const { field, about, value, stands } = line;
  const name = PASTE_NAMES[field];
  const whole = `${name} of ${about === '' || ABOUT[field] === undefined ? row.name : `“${about.slice(0, 60)}”, ${row.name}`}`;
  return (
    <li className="flex items-start gap-3 px-4 py-2" data-standing={stands} data-field={field}>
      <label className="flex min-h-8 items-start pt-1">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          aria-label={`${whole} is pasted`}
          checked={stands === 'done'}
          disabled={stands === 'none'}
          onChange={(event) => onTick(row, line, event.target.checked)}
        />
      </label>
      <span className="min-w-0 flex-1 sm:flex sm:gap-3">
        <span className="block flex-none pt-1 text-note sm:w-28">
          {name}
          {stands === 'again' && <span className="block text-tiny font-semibold text-amber-ink">changed: paste again</span>}
        </span>
        <span className={`block min-w-0 flex-1 pt-1 [overflow-wrap:anywhere] ${stands === 'done' ? 'soft' : ''}`} dir="auto">
          {about !== '' && ABOUT[field] !== undefined && (
            <span className="soft line-clamp-2 text-note">
              {ABOUT[field]} “<bdi>{about}</bdi>”
            </span>
          )}
          {CODE.has(field) ? (
            <code className="mono line-clamp-4 text-tiny break-all whitespace-pre-wrap">{value}</code>
          ) : (
            value || <span className="soft italic">nothing written yet</span>
          )}
        </span>
      </span>
      {value !== '' && <CopyField text={value} name={whole} />}
    </li>
  );
}

/** How what a text belongs to is told. */
const ABOUT: Readonly<Partial<Record<Line['field'], string>>> = {
  alt: 'of the picture',
  heading: 'instead of',
  words: 'instead of',
  link: 'on the words',
  robots: 'for the crawler',
};
const CODE = new Set<Line['field']>(['markup', 'proof', 'snippet']);

function CopyField({ text, name }: { readonly text: string; readonly name: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <button
      type="button"
      className="icon-btn no-print"
      aria-label={copied ? `${name} is copied` : `Copy ${name}`}
      title="Copy"
      onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
      onBlur={() => setCopied(false)}
    >
      {copied ? <Check size={16} className="text-green" aria-hidden /> : <Copy size={16} aria-hidden />}
    </button>
  );
}
