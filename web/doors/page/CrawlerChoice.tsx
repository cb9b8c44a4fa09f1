import type { CrawlerToken } from '../../../core/source/index.ts';
import { Segments } from '../../ui/index.ts';

/** More than this many crawlers do not fit side by side. */
const SIDE_BY_SIDE = 4;

/** Whose eyes to look through. */
export function CrawlerChoice({
  label,
  crawlers,
  value,
  onChange,
}: {
  readonly label: string;
  readonly crawlers: readonly string[];
  readonly value: string;
  readonly onChange: (crawler: CrawlerToken) => void;
}) {
  if (crawlers.length <= SIDE_BY_SIDE)
    return <Segments label={label} value={value} onChange={onChange} options={crawlers.map((crawler) => ({ value: crawler, label: crawler }))} />;
  return (
    <label className="flex items-center gap-2 text-small">
      {label}
      <select className="select select-sm w-auto" value={value} onChange={(event) => onChange(event.target.value)}>
        {crawlers.map((crawler) => (
          <option key={crawler} value={crawler}>
            {crawler}
          </option>
        ))}
      </select>
    </label>
  );
}
