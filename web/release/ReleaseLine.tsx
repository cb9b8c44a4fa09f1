import type { RecordOf } from '../../core/site/index.ts';
import { bytesText, counted, shortDate } from '../../core/wording/index.ts';

/** One release in a line: its number, day, size, where it went, and what the owner noted; `bytes` is what keeping it takes. */
export function ReleaseLine({
  number,
  record,
  bytes,
}: {
  readonly number: string;
  readonly record: RecordOf<'releases'>;
  readonly bytes?: number | undefined;
}) {
  return (
    <span className="flex min-w-0 gap-3">
      <span className="display w-8 flex-none font-semibold">{number}</span>
      <span className="min-w-0">
        {record.at && shortDate(record.at)} · {counted(record.files ?? 0, 'file')}
        <span className="soft block text-fine">
          {record.to === 'files' ? 'put live by hand' : record.to === 'brought-in' ? 'as it was brought in' : 'to the host'}
          {record.open === false && ', closed to engines'}
          {typeof record.again === 'number' && `, release ${record.again} once more`}
          {bytes !== undefined && `, ${bytesText(bytes)} kept of it here`}
          {record.held ? `, ${counted(record.held, 'thing')} waited` : ''}
        </span>
        {record.note && (
          <span className="block text-small break-words" dir="auto">
            {record.note}
          </span>
        )}
      </span>
    </span>
  );
}
