import type { PageId } from '../../../core/source/index.ts';
import type { RobotsEffect, Some } from '../../../core/crawl/index.ts';
import { counted, numberText } from '../../../core/wording/index.ts';
import { wording } from '../wording.ts';

const NAMED = 12;

/** What a draft would change, as pages that open or shut, crawler by crawler. */
export function RobotsEffects({ effects, nameOf }: { readonly effects: readonly RobotsEffect[] | undefined; readonly nameOf: (page: PageId) => string }) {
  if (!effects) return <p className="soft mt-1 text-small">Looking what it would change …</p>;
  if (effects.length === 0) return <p className="mt-1 text-small">{wording.draftChangesNothing}</p>;
  return (
    <ul className="mt-1 grid gap-1.5 text-small">
      {effects.map((effect) => (
        <li key={effect.crawlers.join()}>
          <span className="font-semibold">{effect.crawlers.map((crawler) => crawler ?? wording.everyOther).join(', ')}</span>
          <Line what="opens" pages={effect.opened} nameOf={nameOf} files={effect.filesOpened} good />
          <Line what="shuts" pages={effect.shut} nameOf={nameOf} files={effect.filesShut} />
        </li>
      ))}
    </ul>
  );
}

function Line({
  what,
  pages,
  nameOf,
  files,
  good = false,
}: {
  readonly what: 'opens' | 'shuts';
  readonly pages: Some;
  readonly nameOf: (page: PageId) => string;
  readonly files: Some;
  readonly good?: boolean;
}) {
  const all = pages.count + files.count;
  if (all === 0) return null;
  const counts = [pages.count > 0 ? counted(pages.count, 'page') : '', files.count > 0 ? counted(files.count, 'other file') : ''].filter(Boolean).join(', ');
  const named = [...pages.first.map(nameOf), ...files.first].slice(0, NAMED);
  return (
    <p className={good ? 'text-success' : 'text-error'} data-effect={what}>
      {what === 'opens' ? 'opens' : 'blocks'} {counts}: {named.join(', ')}
      {all > named.length && ` and ${numberText(all - named.length)} more`}
    </p>
  );
}
