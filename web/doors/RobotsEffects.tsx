import type { RobotsEffect } from '../../core/survey/index.ts';
import { counted } from '../../core/wording/index.ts';
import { W } from './wording.ts';

const NAMED = 12;

/** What a draft would change, as pages that open or shut, crawler by crawler. */
export function RobotsEffects({ effects, nameOf }: { readonly effects: readonly RobotsEffect[] | undefined; readonly nameOf: (page: string) => string }) {
  if (!effects) return <p className="soft mt-1 text-[13.5px]">Looking what it would change …</p>;
  if (effects.length === 0) return <p className="mt-1 text-[13.5px]">{W.draftChangesNothing}</p>;
  // Crawlers for whom the same happens are told together.
  const groups = new Map<string, { readonly crawlers: string[]; readonly effect: RobotsEffect }>();
  for (const effect of effects) {
    const key = JSON.stringify([effect.opened, effect.shut, effect.filesOpened, effect.filesShut]);
    const group = groups.get(key);
    if (group) group.crawlers.push(effect.crawler);
    else groups.set(key, { crawlers: [effect.crawler], effect });
  }
  return (
    <ul className="mt-1 grid gap-1.5 text-[13.5px]">
      {[...groups.values()].map(({ crawlers, effect }) => (
        <li key={crawlers.join()}>
          <span className="font-semibold">{crawlers.join(', ')}</span>
          <Line what="opens" names={effect.opened.map(nameOf)} files={effect.filesOpened} good />
          <Line what="shuts" names={effect.shut.map(nameOf)} files={effect.filesShut} />
        </li>
      ))}
    </ul>
  );
}

function Line({
  what,
  names,
  files,
  good = false,
}: {
  readonly what: 'opens' | 'shuts';
  readonly names: readonly string[];
  readonly files: readonly string[];
  readonly good?: boolean;
}) {
  if (names.length + files.length === 0) return null;
  const counts = [names.length > 0 ? counted(names.length, 'page') : '', files.length > 0 ? counted(files.length, 'other file') : '']
    .filter(Boolean)
    .join(', ');
  const all = [...names, ...files];
  return (
    <p className={good ? 'text-success' : 'text-error'} data-effect={what}>
      {what === 'opens' ? 'opens' : 'blocks'} {counts}: {all.slice(0, NAMED).join(', ')}
      {all.length > NAMED && ` and ${all.length - NAMED} more`}
    </p>
  );
}
