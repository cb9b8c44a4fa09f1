import type { MergePlan, ThreeWays } from '../../core/merge/index.ts';
import { addressOf } from '../../core/site/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { Segments } from '../ui/index.ts';
import { Addresses, Long, Part, pathOf, Said, saidWhat } from './VersionParts.tsx';
import { newVersion as wording } from './wording.ts';

/** Words that the owner and the new source say otherwise: which of the two it is to be, one by one or all at once. */
export function Conflicts({
  conflicts,
  theirs,
  onTheirs,
}: {
  readonly conflicts: readonly ThreeWays[];
  readonly theirs: ReadonlySet<string>;
  readonly onTheirs: (theirs: ReadonlySet<string>) => void;
}) {
  const choose = (ones: readonly ThreeWays[], side: 'mine' | 'theirs'): void => {
    const next = new Set(theirs);
    for (const { key } of ones) {
      if (side === 'theirs') next.add(key);
      else next.delete(key);
    }
    onTheirs(next);
  };
  return (
    <Part
      title={wording.conflicts}
      why={wording.conflictsWhy}
      act={
        <>
          {(['mine', 'theirs'] as const).map((side) => (
            <button key={side} type="button" className="btn btn-sm btn-outline-ink" onClick={() => choose(conflicts, side)}>
              {side === 'mine' ? wording.allMine : wording.allTheirs}
            </button>
          ))}
        </>
      }
    >
      <Long of={conflicts}>
        {(one) => (
          <li key={one.key} className="border-t border-line px-4 py-3" data-conflict={one.key}>
            <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
              <span className="font-semibold">{saidWhat(one)}</span>
              <span className="mono soft min-w-0 flex-1 truncate text-tiny">{pathOf(one)}</span>
              <Segments
                label={`${saidWhat(one)} of ${pathOf(one)}`}
                value={theirs.has(one.key) ? 'theirs' : 'mine'}
                onChange={(side) => choose([one], side)}
                options={[
                  { value: 'mine', label: wording.mine },
                  { value: 'theirs', label: wording.theirs },
                ]}
              />
            </div>
            <dl className="mt-2 grid gap-x-4 gap-y-1 text-small sm:grid-cols-3">
              <Said title={wording.was} chosen={false}>
                {one.base}
              </Said>
              <Said title={wording.mine} chosen={!theirs.has(one.key)}>
                {one.mine}
              </Said>
              <Said title={wording.theirs} chosen={theirs.has(one.key)}>
                {one.theirs}
              </Said>
            </dl>
          </li>
        )}
      </Long>
    </Part>
  );
}

/** Pages that are no more, and where their addresses lead. */
export function GonePages({
  plan,
  redirects,
  bad,
  onRedirects,
}: {
  readonly plan: MergePlan;
  readonly redirects: Readonly<Record<string, string>>;
  /** Of which pages what was typed is no address. */
  readonly bad: readonly string[];
  readonly onRedirects: (redirects: Readonly<Record<string, string>>) => void;
}) {
  return (
    <Part title={wording.goneTitle} why={wording.goneWhy}>
      <Long of={plan.pages.gone}>
        {({ id, words }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border-t border-line px-4 py-2.5">
            <span className="mono min-w-0 flex-1 basis-56 break-all text-small">
              {readableAddress(addressOf(id))}
              {words > 0 && <span className="soft ml-2 font-sans text-note">{wording.withWords(words)}</span>}
            </span>
            <label className="flex min-w-0 flex-1 basis-60 items-center gap-2 text-small">
              {wording.leadsTo}
              <input
                className="input input-sm mono min-w-0 flex-1"
                placeholder="/"
                list="addresses-there"
                aria-label={wording.leadsFrom(addressOf(id))}
                aria-invalid={bad.includes(id)}
                value={redirects[id] ?? ''}
                onChange={(event) => onRedirects({ ...redirects, [id]: event.target.value })}
              />
            </label>
          </li>
        )}
      </Long>
      <Addresses plan={plan} />
    </Part>
  );
}
