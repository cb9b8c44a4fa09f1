import { isPartial, MISSED, type CrawlView } from '../../core/exchange/index.ts';
import { bytesText, counted } from '../../core/wording/index.ts';
import { crawling as wording } from './crawl-wording.ts';

function headOf(view: CrawlView): string {
  if (view.reason) return wording.reasons[view.reason];
  if (view.state === 'done' && view.pages === 0) return wording.nothing;
  return view.state === 'done' && isPartial(view) ? wording.mostly : wording.state[view.state];
}

/** How far it has come, and what was left out and why. */
export function CrawlProgress({ view }: { readonly view: CrawlView }) {
  const told = [
    ...(view.unchanged > 0 ? [wording.unchanged(view.unchanged)] : []),
    ...(view.forbidden > 0 ? [wording.forbidden(view.forbidden)] : []),
    ...(view.scripted > 0 ? [wording.scripted(view.scripted)] : []),
    ...(view.respelled > 0 ? [wording.respelled(view.respelled)] : []),
    ...MISSED.flatMap((why) => (view.missing[why] > 0 ? [wording.missing[why](view.missing[why])] : [])),
  ];
  const good = view.state === 'running' || (view.pages > 0 && !isPartial(view));
  return (
    <div className={`notice mt-3 ${view.state === 'failed' ? 'notice-bad' : good ? '' : 'notice-amber'}`} role="status" data-testid="crawl">
      <p className="font-semibold">{headOf(view)}</p>
      {view.state !== 'failed' && (
        <p className="tabular-nums">
          {counted(view.pages, 'page')}, {counted(view.files, 'file')}, {bytesText(view.bytes)}
          {view.waiting > 0 && ` · ${view.waiting} waiting`}
        </p>
      )}
      {view.state === 'running' && view.latest[0] && <p className="mono soft truncate text-tiny">{view.latest[0]}</p>}
      {told.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-small">
          {told.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      {view.examples.length > 0 && (
        <details className="mt-1 text-small">
          <summary className="cursor-pointer">{wording.troubles(view.troubles)}</summary>
          <ul className="mt-1">
            {view.examples.map(({ address, what }) => (
              <li key={address} className="mono text-tiny break-all">
                {what} {address}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
