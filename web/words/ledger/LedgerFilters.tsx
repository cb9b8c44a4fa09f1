import { useMemo } from 'react';
import { CHECKS } from '../../../core/checks/index.ts';
import { columnName, EDITABLE, type LedgerColumn } from '../../../core/ledger/index.ts';
import { KIND_TABLE, KINDS } from '../../../core/site/index.ts';
import { aboutCheck, STATE_WORDS } from '../../../core/wording/index.ts';
import { useDebounced } from '../../ui/index.ts';
import { useWorkspace } from '../../workspace/index.ts';
import type { Filter } from './filters.ts';
import type { Sort } from './GridHead.tsx';
import { isColumn } from './layout.ts';

/** What narrows the ledger, and what it is sorted by. */
export function LedgerFilters({
  filter,
  onFilter: setFilter,
  sort,
  onSort: setSort,
  columns,
}: {
  readonly filter: Filter;
  readonly onFilter: (filter: Filter) => void;
  readonly sort: Sort | undefined;
  readonly onSort: (sort: Sort | undefined) => void;
  readonly columns: readonly LedgerColumn[];
}) {
  const settled = useDebounced(
    useWorkspace((state) => state.rows),
    400,
  );
  const codes = useMemo(() => new Set(settled.flatMap((row) => row.findings.map((finding) => finding.code))), [settled]);
  const kinds = useMemo(() => KINDS.filter((kind) => settled.some((row) => row.kind === kind)), [settled]);
  return (
    <>
      <input
        className="input input-sm w-28"
        type="search"
        placeholder="Find"
        aria-label="Find in the ledger"
        value={filter.text}
        onChange={(event) => setFilter({ ...filter, text: event.target.value })}
      />
      <Choice
        label="Kind"
        value={filter.kind}
        options={kinds.map((kind) => [kind, KIND_TABLE[kind].many])}
        onChange={(kind) => setFilter({ ...filter, kind })}
      />
      <Choice
        label="State"
        value={filter.state}
        options={Object.entries(STATE_WORDS).map(([state, words]) => [state, words.name])}
        onChange={(state) => setFilter({ ...filter, state })}
      />
      <Choice
        label="Finding"
        value={filter.finding}
        options={[
          ['mend', 'Anything that needs fixing'],
          ...CHECKS.filter((check) => codes.has(check.code)).map((check): [string, string] => [check.code, aboutCheck(check.code).name]),
        ]}
        onChange={(finding) => setFilter({ ...filter, finding })}
      />
      <Choice
        label="Empty"
        value={filter.empty}
        options={EDITABLE.map((column) => [column, columnName(column)])}
        onChange={(empty) => setFilter({ ...filter, empty })}
      />
      <Choice
        label="Sort"
        any="tree"
        value={sort ? `${sort.column} ${sort.down ? 'down' : 'up'}` : ''}
        options={columns.flatMap((column): [string, string][] => [
          [`${column} up`, `${columnName(column)} ↑`],
          [`${column} down`, `${columnName(column)} ↓`],
        ])}
        onChange={(next) => {
          const [column = '', way] = next.split(' ');
          setSort(isColumn(column) ? { column, down: way === 'down' } : undefined);
        }}
      />
    </>
  );
}

function Choice({
  label,
  any = 'any',
  value,
  options,
  onChange,
}: {
  readonly label: string;
  /** What stands there where nothing is chosen. */
  readonly any?: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <select
      className={`select select-sm w-auto max-w-37.5${value === '' ? '' : ' !border-base-content font-semibold'}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">
        {label}: {any}
      </option>
      {options.map(([id, name]) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}
