import { readableAddress } from '../../../core/source/index.ts';
import { Check, Copy, Printer } from 'lucide-react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { PASTE_FIELDS, pasteValue, type PasteField } from '../../../core/ledger/index.ts';
import { all, LONGEST_TEXT, pageKey, set, type Change, type SiteDocument } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { Empty, Segments, useRemembered } from '../../ui/index.ts';
import { PageName } from '../../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

const FIELDS: Readonly<Record<PasteField, string>> = { title: 'Title', description: 'Description', ending: 'Address ending', markup: 'Structured data' };

/** Blocks of structured data, by page. */
type Blocks = Readonly<Record<string, string>>;
const NO_BLOCKS: Blocks = {};

/** Where a field stands: to be pasted, done, or changed since it was. */
function standing(row: PageRow, field: PasteField, pasted: SiteDocument['tables']['pasted'], blocks: Blocks): 'open' | 'done' | 'again' | 'none' {
  const value = pasteValue(row, field, blocks);
  const ticked = pasted[pageKey(row.id, field)]?.value;
  if (ticked === undefined || ticked === null) return value === '' ? 'none' : 'open';
  return ticked === value.slice(0, LONGEST_TEXT) ? 'done' : 'again';
}

/** For builders that have only text boxes: each field with a copy button and a tick that lasts; what changed after it was ticked asks again. */
export function PasteSheet() {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const pasted = useWorkspace((state) => state.document.tables.pasted);
  const blocks = useReport((one) => one.tools.analysis.markupBlocks()) ?? NO_BLOCKS;
  const [which, setWhich] = useRemembered<'open' | 'all'>('paste', ['open', 'all'], 'all');
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const wanted = useMemo(() => rows.filter((row) => row.intent === 'list'), [rows]);
  const isOpen = (row: PageRow): boolean => PASTE_FIELDS.some((field) => ['open', 'again'].includes(standing(row, field, pasted, blocks)));
  const open = wanted.filter(isOpen);
  const again = wanted.reduce((sum, row) => sum + PASTE_FIELDS.filter((field) => standing(row, field, pasted, blocks) === 'again').length, 0);
  // What was just ticked stays in view until the sheet is asked for anew.
  const shown = which === 'all' ? wanted : wanted.filter((row) => isOpen(row) || held.has(row.id));
  const tick = (row: PageRow, field: PasteField, done: boolean): void => {
    setHeld(new Set([...held, row.id]));
    const key = pageKey(row.id, field);
    const changes: Change[] = [
      set('pasted', key, 'value', done ? pasteValue(row, field, blocks).slice(0, LONGEST_TEXT) : null),
      set('pasted', key, 'at', done ? workspace.tools.now().toISOString() : null),
    ];
    workspace.change(all(changes), { label: `${FIELDS[field]} of “${row.name}” ${done ? 'was pasted' : 'is to be pasted'}` });
  };
  if (wanted.length === 0) return <Empty title="Nothing to paste yet">Pages that you want found stand here, field by field.</Empty>;
  return (
    <div data-testid="paste-sheet">
      <div className="no-print mb-3 flex flex-wrap items-center gap-3">
        <p role="status">
          {open.length === 0 ? 'All is pasted.' : `${counted(open.length, 'page')} to go`}
          {again > 0 && `, ${counted(again, 'field')} changed since ${plural(again, 'it was', 'they were')} ticked`}
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
      <Sheets rows={shown} draw={(row) => <OneSheet row={row} fields={PASTE_FIELDS} pasted={pasted} blocks={blocks} onTick={tick} />} />
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
  fields,
  pasted,
  blocks,
  onTick,
}: {
  readonly row: PageRow;
  readonly fields: readonly PasteField[];
  readonly pasted: SiteDocument['tables']['pasted'];
  readonly blocks: Blocks;
  readonly onTick: (row: PageRow, field: PasteField, done: boolean) => void;
}) {
  return (
    <section className="panel mb-3 break-inside-avoid" aria-label={row.name} data-page={row.id}>
      <h2 className="flex items-baseline gap-3 border-b border-line px-4 py-2">
        <PageName row={row} /> <span className="mono soft font-normal">{readableAddress(row.address)}</span>
      </h2>
      <ul className="divide-y divide-line">
        {fields.map((field) => {
          const stands = standing(row, field, pasted, blocks);
          const value = pasteValue(row, field, blocks);
          if ((field === 'ending' || field === 'markup') && value === '') return null;
          return (
            <li key={field} className="flex items-start gap-3 px-4 py-2" data-standing={stands}>
              <label className="flex min-h-8 items-start pt-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  aria-label={`${FIELDS[field]} of ${row.name} is pasted`}
                  checked={stands === 'done'}
                  disabled={stands === 'none'}
                  onChange={(event) => onTick(row, field, event.target.checked)}
                />
              </label>
              <span className="w-28 flex-none pt-1 text-note">
                {FIELDS[field]}
                {stands === 'again' && <span className="block text-tiny font-semibold text-amber-ink">changed: paste again</span>}
              </span>
              <span className={`min-w-0 flex-1 pt-1 ${stands === 'done' ? 'soft' : ''}`} dir="auto">
                {field === 'markup' ? (
                  <code className="mono line-clamp-4 text-tiny break-all whitespace-pre-wrap">{value}</code>
                ) : (
                  value || <span className="soft italic">nothing written yet</span>
                )}
              </span>
              {value !== '' && <CopyField text={value} name={`${FIELDS[field]} of ${row.name}`} />}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

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
