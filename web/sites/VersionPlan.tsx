import { useState } from 'react';
import type { MergePlan, ThreeWays } from '../../core/merge/index.ts';
import { addressOf, KIND_TABLE } from '../../core/site/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { Segments } from '../ui/index.ts';
import { Addresses, Folded, Long, OneWord, Part, PathLine, pathOf, Said, Sum } from './VersionParts.tsx';
import { FOUND_BY, newVersion as wording, SAID } from './wording.ts';

/** What taking a new version in would do, and what is to be decided about it. */
export function VersionPlan({
  plan,
  onTake,
  onLeave,
}: {
  readonly plan: MergePlan;
  readonly onTake: (theirs: ReadonlySet<string>, redirects: Readonly<Record<string, string>>) => Promise<void>;
  readonly onLeave: () => void;
}) {
  const [theirs, setTheirs] = useState<ReadonlySet<string>>(new Set());
  const [redirects, setRedirects] = useState<Readonly<Record<string, string>>>({});
  const bad = Object.entries(redirects).filter(([, to]) => to.trim() !== '' && !/^\/(?!\/)\S*$/.test(to.trim()));
  const { pages } = plan;
  const choose = (ones: readonly ThreeWays[], side: 'mine' | 'theirs'): void => {
    const next = new Set(theirs);
    for (const { key } of ones) {
      if (side === 'theirs') next.add(key);
      else next.delete(key);
    }
    setTheirs(next);
  };
  const led = Object.fromEntries(Object.entries(redirects).flatMap(([file, to]) => (to.trim() === '' ? [] : [[file, to.trim()]])));
  return (
    <section className="mt-5" aria-label={wording.plan} data-testid="version-plan">
      <dl className="panel grid gap-px overflow-hidden bg-line sm:grid-cols-2">
        <Sum title={wording.pages}>
          {[
            [pages.same, wording.same1],
            [pages.changed.length, wording.changed],
            [pages.added.length, wording.added],
            [pages.moved.length, wording.moved],
            [pages.gone.length, wording.gone],
          ]}
        </Sum>
        <Sum title={wording.yours}>
          {[
            [plan.kept, wording.stay],
            [plan.settled.length, wording.settled],
            [plan.conflicts.length, wording.toDecide],
            [plan.homeless.length, wording.homeless],
          ]}
        </Sum>
      </dl>
      <div className="sticky -top-4 z-10 mt-3 flex flex-wrap items-center gap-x-3 gap-y-1.5 bg-base-200 py-2.5">
        <button type="button" className="btn btn-primary" disabled={bad.length > 0} onClick={() => void onTake(theirs, led)}>
          {wording.take}
        </button>
        <button type="button" className="btn btn-outline-ink" onClick={onLeave}>
          {wording.leave}
        </button>
        {bad.length > 0 ? (
          <span className="text-note text-error" role="alert">
            {wording.badAddress}
          </span>
        ) : (
          <span className="soft text-note">{wording.takeWhy}</span>
        )}
      </div>
      {plan.conflicts.length > 0 && (
        <Part
          title={wording.conflicts}
          why={wording.conflictsWhy}
          act={
            <>
              {(['mine', 'theirs'] as const).map((side) => (
                <button key={side} type="button" className="btn btn-sm btn-outline-ink" onClick={() => choose(plan.conflicts, side)}>
                  {side === 'mine' ? wording.allMine : wording.allTheirs}
                </button>
              ))}
            </>
          }
        >
          <Long of={plan.conflicts}>
            {(one) => (
              <li key={one.key} className="border-t border-line px-4 py-3" data-conflict={one.key}>
                <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  <span className="font-semibold">{SAID[one.what]}</span>
                  <span className="mono soft min-w-0 flex-1 truncate text-tiny">{pathOf(one)}</span>
                  <Segments
                    label={`${SAID[one.what]} of ${pathOf(one)}`}
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
      )}
      {plan.homeless.length > 0 && (
        <Part title={wording.homelessTitle} why={wording.homelessWhy}>
          <Long of={plan.homeless}>{(one) => <OneWord key={one.key} one={one} />}</Long>
        </Part>
      )}
      {pages.gone.length > 0 && (
        <Part title={wording.goneTitle} why={wording.goneWhy}>
          <Long of={pages.gone}>
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
                    aria-invalid={bad.some(([file]) => file === id)}
                    value={redirects[id] ?? ''}
                    onChange={(event) => setRedirects({ ...redirects, [id]: event.target.value })}
                  />
                </label>
              </li>
            )}
          </Long>
          <Addresses plan={plan} />
        </Part>
      )}
      {pages.moved.length > 0 && (
        <Part title={wording.movedTitle} why={wording.movedWhy}>
          <Long of={pages.moved}>
            {({ from, to, by }) => (
              <PathLine key={from} paths={[from, to]}>
                {FOUND_BY[by]}
              </PathLine>
            )}
          </Long>
        </Part>
      )}
      {plan.settled.length > 0 && (
        <Folded title={wording.settledTitle(plan.settled.length)}>
          <Long of={plan.settled}>{(one) => <OneWord key={one.key} one={one} />}</Long>
        </Folded>
      )}
      {plan.kinds.length > 0 && (
        <Folded title={wording.kindsTitle(plan.kinds.length)}>
          <Long of={plan.kinds}>
            {({ page, from, to }) => (
              <PathLine key={page} paths={[page]}>
                {KIND_TABLE[from].one} → {KIND_TABLE[to].one}
              </PathLine>
            )}
          </Long>
        </Folded>
      )}
      {pages.added.length > 0 && (
        <Folded title={wording.addedTitle(pages.added.length)}>
          <Long of={pages.added}>{(id) => <PathLine key={id} paths={[id]} />}</Long>
        </Folded>
      )}
    </section>
  );
}
