import { ArrowDown, ArrowUp } from 'lucide-react';

/** How a table is sorted: by which column, and whether the largest stands first. */
export interface Sorting<C extends string> {
  readonly by: C;
  readonly down: boolean;
}

/** The head of a column that sorts the table; pressed again it turns the order round. */
export function SortHeading<C extends string>({
  by,
  sort,
  onSort,
  className = '',
  children,
}: {
  readonly by: C;
  readonly sort: Sorting<C>;
  readonly onSort: (sort: Sorting<C>) => void;
  readonly className?: string;
  readonly children: string;
}) {
  const here = sort.by === by;
  return (
    <th className={className} aria-sort={here ? (sort.down ? 'descending' : 'ascending') : 'none'}>
      <button
        type="button"
        className="inline-flex min-h-7 cursor-pointer items-center gap-1 font-semibold"
        onClick={() => onSort({ by, down: here && !sort.down })}
      >
        {children}
        {here && (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
      </button>
    </th>
  );
}
