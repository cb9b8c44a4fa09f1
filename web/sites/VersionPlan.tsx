import { useState } from 'react';
import { Conflicts, GonePages } from './VersionDecisions.tsx';
import type { MergePlan } from '../../core/merge/index.ts';
import { KIND_TABLE } from '../../core/site/index.ts';
import { Folded, Long, OneWord, Part, PathLine, Sum } from './VersionParts.tsx';
import { FOUND_BY, newVersion as wording } from './wording.ts';

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
      {plan.conflicts.length > 0 && <Conflicts conflicts={plan.conflicts} theirs={theirs} onTheirs={setTheirs} />}
      {plan.homeless.length > 0 && (
        <Part title={wording.homelessTitle} why={wording.homelessWhy}>
          <Long of={plan.homeless}>{(one) => <OneWord key={one.key} one={one} />}</Long>
        </Part>
      )}
      {pages.gone.length > 0 && <GonePages plan={plan} redirects={redirects} bad={bad.map(([file]) => file)} onRedirects={setRedirects} />}
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
