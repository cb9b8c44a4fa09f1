import { note } from '../../ui/index.ts';
import { useMemo, useState } from 'react';
import {
  changesOf,
  columnName,
  DELIMITERS,
  dryRun,
  EDITABLE,
  guessMapping,
  readTable,
  type DryRun,
  type Mapping,
  type ReadTable,
} from '../../../core/ledger/index.ts';
import { counted, plural } from '../../../core/wording/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ChangeList } from './ChangeList.tsx';
import { CELL_FAULTS, rowFault } from '../wording.ts';

const ENCODINGS = ['utf-8', 'windows-1252', 'iso-8859-2', 'windows-1251', 'shift_jis', 'utf-16le'] as const;
const DELIMITER_NAMES: Readonly<Record<string, string>> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };
const REFUSALS = { 'too-large': 'It is larger than 30 MB.', empty: 'There is nothing in it.', 'no-table': 'It is no table of text.' } as const;
const SAMPLE = 4;

/** A table as it is read, what its columns mean, and what taking it in would change. */
export function TableReading({ bytes, onDone }: { readonly bytes: Uint8Array; readonly onDone: () => void }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const document = useWorkspace((state) => state.document);
  const [given, setGiven] = useState<Given>({});
  const read = useMemo(() => readTable(bytes, given), [bytes, given]);
  const table = read.ok ? read.table : undefined;
  const guessed = useMemo(() => (table ? guessMapping(table) : []), [table]);
  const [own, setOwn] = useState<Mapping>();
  const mapping = own ?? guessed;
  /** Another host that the table names, which is meant for this site. */
  const [alsoHost, setAlsoHost] = useState<string>();
  const run = useMemo(() => (table ? dryRun(table, mapping, rows, document, alsoHost) : undefined), [table, mapping, rows, document, alsoHost]);
  const elsewhere = run?.refused.find(({ host }) => host !== undefined)?.host;
  if (!read.ok || !table || !run) return <p className="notice notice-bad mt-3">{read.ok ? '' : REFUSALS[read.reason]} Nothing was changed.</p>;
  const apply = (): void => {
    const { changes } = run;
    workspace.change(changesOf(run), { label: `${counted(changes.length, 'text')} came in from a table` });
    note(`${counted(changes.length, 'text')} came in.`, { action: { label: 'Undo', onClick: () => void workspace.undo() } });
    onDone();
  };
  const pages = new Set(run.changes.map((change) => change.page)).size;
  const noAddress = !mapping.includes('address');
  return (
    <div className="mt-4">
      <HowItIsRead table={table} given={given} onGiven={setGiven} onOther={() => setOwn(undefined)} />
      <ColumnMeanings table={table} mapping={mapping} onMapping={setOwn} />
      {noAddress && <p className="notice notice-amber mt-3">Say which column holds the addresses: without it nobody knows which page a row is about.</p>}
      <div className="mt-4 flex flex-wrap items-center gap-3" role="status">
        <button type="button" className="btn btn-primary" disabled={run.changes.length === 0} onClick={apply}>
          {run.changes.length === 0 ? 'Nothing would change' : `Take in ${counted(run.changes.length, 'text')}`}
        </button>
        <span className="soft text-small">
          {counted(pages, 'page')} {plural(pages, 'changes', 'change')}; {counted(run.same, 'cell is', 'cells are')} empty or {plural(run.same, 'says', 'say')}{' '}
          the same
        </span>
      </div>
      {elsewhere !== undefined && (
        <p className="notice notice-amber mt-3">
          Addresses in it are of another site, <b>{elsewhere}</b>.{' '}
          <button type="button" className="link-act" onClick={() => setAlsoHost(elsewhere)}>
            Take them for this one’s
          </button>
        </p>
      )}
      <NotTaken run={run} />
      {run.changes.length > 0 && (
        <section className="mt-4">
          <h2 className="mb-1.5">What would change</h2>
          <ChangeList changes={run.changes.map((change) => ({ ...change, what: columnName(change.column) }))} />
        </section>
      )}
    </div>
  );
}

interface Given {
  readonly encoding?: string;
  readonly delimiter?: string;
  readonly preamble?: number;
}

/** By which encoding, delimiter and row of names a table is read; each can be said otherwise. */
function HowItIsRead({
  table,
  given,
  onGiven,
  onOther,
}: {
  readonly table: ReadTable;
  readonly given: Given;
  readonly onGiven: (given: Given) => void;
  /** The columns are others now. */
  readonly onOther: () => void;
}) {
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-small">
      <span>{counted(table.rows.length, 'row')}</span>
      <label className="flex items-center gap-1.5">
        Encoding
        <select className="select select-sm w-auto" value={table.encoding} onChange={(event) => onGiven({ ...given, encoding: event.target.value })}>
          {[...new Set([table.encoding, ...ENCODINGS])].map((encoding) => (
            <option key={encoding}>{encoding}</option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        Cells divided by
        <select
          className="select select-sm w-auto"
          value={table.delimiter}
          onChange={(event) => {
            onGiven({ ...given, delimiter: event.target.value });
            onOther();
          }}
        >
          {DELIMITERS.map((delimiter) => (
            <option key={delimiter} value={delimiter}>
              {DELIMITER_NAMES[delimiter]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-1.5">
        Names stand in row
        <input
          type="number"
          className="input input-sm w-16"
          min={1}
          max={table.preamble + table.rows.length}
          value={table.preamble + 1}
          onChange={(event) => {
            onGiven({ ...given, preamble: Math.max(0, Math.round(Number(event.target.value) || 1) - 1) });
            onOther();
          }}
        />
      </label>
    </div>
  );
}

/** What each column means here, with its first rows. */
function ColumnMeanings({
  table,
  mapping,
  onMapping,
}: {
  readonly table: ReadTable;
  readonly mapping: Mapping;
  readonly onMapping: (mapping: Mapping) => void;
}) {
  return (
    <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label="Columns of the table">
      <table className="data-table">
        <thead>
          <tr>
            <th>In the file</th>
            <th>Means here</th>
            <th>First rows</th>
          </tr>
        </thead>
        <tbody>
          {table.headers.map((header, at) => (
            <tr key={at}>
              <td className="font-medium">{header || `column ${at + 1}`}</td>
              <td>
                <select
                  className={`select select-sm w-44${mapping[at] ? ' !border-base-content font-semibold' : ''}`}
                  aria-label={`What “${header}” means`}
                  value={mapping[at] ?? ''}
                  onChange={(event) =>
                    onMapping(
                      table.headers.map((_, index) =>
                        index === at
                          ? ((event.target.value || null) as Mapping[number])
                          : mapping[index] === event.target.value
                            ? null
                            : (mapping[index] ?? null),
                      ),
                    )
                  }
                >
                  <option value="">nothing</option>
                  <option value="address">{columnName('address')}</option>
                  {EDITABLE.map((column) => (
                    <option key={column} value={column}>
                      {columnName(column)}
                    </option>
                  ))}
                </select>
              </td>
              <td className="soft max-w-95 truncate text-note">
                {table.rows
                  .slice(0, SAMPLE)
                  .map((row) => row[at] ?? '')
                  .filter(Boolean)
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Rows and cells of a table that are not taken, and why. */
function NotTaken({ run }: { readonly run: DryRun }) {
  return (
    <>
      {run.refused.length > 0 && (
        <details className="notice mt-3" data-testid="refused-rows">
          <summary className="cursor-pointer">{counted(run.refused.length, 'row')} not taken</summary>
          <ul className="mt-1 max-h-48 overflow-auto text-note">
            {run.refused.slice(0, 300).map((refused) => (
              <li key={refused.row}>
                row {refused.row}, <span className="mono break-all">{refused.address}</span>: {rowFault(refused)}
              </li>
            ))}
          </ul>
        </details>
      )}
      {run.faults.length > 0 && (
        <details className="notice notice-amber mt-3">
          <summary className="cursor-pointer">{counted(run.faults.length, 'cell')} cannot be taken</summary>
          <ul className="mt-1 max-h-48 overflow-auto text-note">
            {run.faults.slice(0, 300).map(({ row, column, text, fault }) => (
              <li key={`${row} ${column}`}>
                row {row}, {columnName(column)}, “{text}”: {CELL_FAULTS[fault]}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
