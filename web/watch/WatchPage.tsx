import type { ReactNode } from 'react';
import { ENGINES, type EngineId } from '../../core/engines/index.ts';
import { engineWords, shortDate } from '../../core/wording/index.ts';
import { PageLink, Rail } from '../components/index.ts';
import { Busy, Segments } from '../ui/index.ts';
import { useWatching } from './engines.tsx';
import { wording } from './wording.ts';

/** A way to watch: its headline, the engine that is looked at, and the clock beside it. */
export function WatchPage({
  title,
  lead,
  children,
  rail,
  wide = false,
  both = false,
}: {
  readonly title: string;
  readonly lead?: ReactNode;
  readonly children: ReactNode;
  readonly rail?: ReactNode;
  readonly wide?: boolean;
  /** It is about no one engine. */
  readonly both?: boolean;
}) {
  const { engine, choose, failure, under, stop } = useWatching();
  return (
    <div className={`mx-auto ${wide ? 'max-w-table' : 'max-w-sheet'}`}>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1>{title}</h1>
        {!both && (
          <Segments<EngineId> label="Which engine" value={engine.id} onChange={choose} options={ENGINES.map(({ id, name }) => ({ value: id, label: name }))} />
        )}
      </div>
      {lead && <p className="soft mt-1.5 max-w-prose">{lead}</p>}
      {failure !== undefined && <p className="notice notice-bad mt-3">{failure}</p>}
      {under && (
        <div className="mt-3">
          <Busy {...under} {...(under.of > 1 ? { onCancel: stop } : {})} />
        </div>
      )}
      {children}
      <Rail>
        <Clock />
        {rail}
        <section className="mt-6">
          <h2>{wording.differs}</h2>
          <p className="soft mt-1.5 border-t border-line pt-2 text-note">{wording.differsWhy}</p>
          <p className="soft mt-1.5 text-note">{engineWords(engine.id).visits}</p>
        </section>
      </Rail>
    </div>
  );
}

/** The stand-ins' clock, and three ways to move it on. */
function Clock() {
  const { now, under, move } = useWatching();
  const waiting = under !== undefined || now === undefined;
  return (
    <section aria-labelledby="clock">
      <h2 id="clock">{wording.clock}</h2>
      <div className="panel mt-2 px-4 py-3">
        <p className="font-semibold" data-testid="clock">
          {now ? `${shortDate(now)}, ${now.slice(11, 16)}` : '…'}
        </p>
        <div className="mt-2.5 grid grid-cols-2 gap-2">
          <button type="button" className="btn btn-outline-ink" disabled={waiting} onClick={() => void move(1)}>
            {wording.day}
          </button>
          <button type="button" className="btn btn-outline-ink" disabled={waiting} onClick={() => void move(7)}>
            {wording.week}
          </button>
        </div>
        <button
          type="button"
          className="btn btn-primary mt-2 w-full"
          disabled={waiting}
          onClick={() => void move(wording.longest, (site) => (site?.days[0]?.changes ?? []).length > 0)}
        >
          {wording.untilChange}
        </button>
      </div>
    </section>
  );
}

/** The way on from a view with nothing in it yet. */
export function ToRehearsal() {
  return (
    <PageLink to="watch" className="btn btn-primary">
      {wording.toRehearsal}
    </PageLink>
  );
}
