import { Fragment, useMemo, useState, type ReactNode } from 'react';
import { More, useMore } from './More.tsx';
import { SortHeading, type Sorting } from './SortHeading.tsx';

/** One column: its name, what stands in it, and by what it sorts the table, where it does. */
export interface Column<R> {
  readonly id: string;
  readonly name: string;
  /** Its name is only for those who listen. */
  readonly silent?: boolean;
  readonly className?: string | ((row: R) => string);
  readonly headClass?: string;
  readonly cell: (row: R) => ReactNode;
  readonly compare?: (a: R, b: R) => number;
}

/** Who sorts and counts rows where they are somewhere else: only those to be drawn are here. */
export interface SortedElsewhere {
  readonly sort: Sorting<string>;
  readonly onSort: (sort: Sorting<string>) => void;
  readonly drawn: number;
  readonly more: () => void;
  readonly total: number;
}

/** A table of rows: heads that sort, as many rows as fit a screen and more on demand, one above the other on a phone. */
export function DataTable<R>({
  columns,
  rows,
  keyOf,
  list = '',
  start,
  elsewhere,
  data,
  below,
  stacked = true,
  label,
}: {
  readonly columns: readonly Column<R>[];
  readonly rows: readonly R[];
  readonly keyOf: (row: R, at: number) => string;
  /** Which list this is: another one begins at its top. */
  readonly list?: string;
  /** The column by which it is sorted at first; in the order of the rows, where none is said. */
  readonly start?: string;
  readonly elsewhere?: SortedElsewhere;
  /** Attributes of a row, by which it is found. */
  readonly data?: (row: R) => Readonly<Record<`data-${string}`, string | boolean | undefined>>;
  /** What stands below a row, over all its columns. */
  readonly below?: (row: R) => ReactNode;
  readonly stacked?: boolean;
  readonly label?: string;
}) {
  const [own, setOwn] = useState<Sorting<string>>({ by: start ?? '', down: false });
  const { sort, onSort } = elsewhere ?? { sort: own, onSort: setOwn };
  const here = useMore(`${list} ${sort.by} ${sort.down}`);
  const { drawn, more } = elsewhere ?? here;
  const compare = elsewhere ? undefined : columns.find(({ id }) => id === sort.by)?.compare;
  // A column sorts alike as long as it is the same column, however often it is made anew: thousands of rows are not sorted at each drawing.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const sorted = useMemo(() => (compare ? [...rows].sort((a, b) => compare(a, b) * (sort.down ? -1 : 1)) : rows), [rows, sort.by, sort.down]);
  return (
    <div className="panel overflow-x-auto">
      <table className={`data-table${stacked ? ' stacked' : ''}`} aria-label={label}>
        <thead>
          <tr>
            {columns.map(({ id, name, silent, compare: sorts, headClass, className }) => {
              const looks = headClass ?? (className === 'num' ? 'num' : '');
              return sorts ? (
                <SortHeading key={id} by={id} sort={sort} onSort={onSort} className={looks}>
                  {name}
                </SortHeading>
              ) : (
                <th key={id} className={looks}>
                  {silent ? <span className="sr-only">{name}</span> : name}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {sorted.slice(0, drawn).map((row, at) => {
            const more = below?.(row);
            return (
              <Fragment key={keyOf(row, at)}>
                <tr {...data?.(row)}>
                  {columns.map(({ id, name, silent, className = '', cell }, column) => (
                    // One above the other each cell needs its name, but for the first, which is what the row is about.
                    <td
                      key={id}
                      className={typeof className === 'string' ? className : className(row)}
                      {...(column > 0 && !silent ? { 'data-name': name } : {})}
                    >
                      {cell(row)}
                    </td>
                  ))}
                </tr>
                {more && (
                  <tr>
                    <td colSpan={columns.length} className="!bg-base-200 !px-3.5 !pt-0 !pb-3.5">
                      {more}
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </table>
      <More drawn={drawn} total={elsewhere?.total ?? rows.length} onMore={more} />
    </div>
  );
}

/** Orders texts as they are written; what has none comes first. */
export function byText<R>(textOf: (row: R) => string | undefined): (a: R, b: R) => number {
  return (a, b) => {
    const [one, other] = [textOf(a) ?? '', textOf(b) ?? ''];
    return one < other ? -1 : one > other ? 1 : 0;
  };
}
