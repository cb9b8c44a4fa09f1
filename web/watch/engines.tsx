import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { ENGINE_IDS, engineOf, SKERRY, type Engine, type EngineId } from '../../core/engines/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import { siteHost, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { note, useRemembered } from '../ui/index.ts';
import { useTables, useWorkspace, useWorkspaceApi, type Workspace } from '../workspace/index.ts';

/** Long work that is under way, and how far it is. */
export interface Under {
  readonly what: string;
  readonly done: number;
  readonly of: number;
}

/** What the ways to watch share: which engine is looked at, what it knows, the stand-ins' clock. */
export interface Watching {
  readonly host: string;
  readonly origin: string;
  readonly engine: Engine;
  readonly choose: (id: EngineId) => void;
  /** What the chosen engine tells; undefined while it is asked, or where it cannot be. */
  readonly site: EngineSite | undefined;
  /** The stand-ins' time, ISO. */
  readonly now: string | undefined;
  readonly failure: string | undefined;
  readonly under: Under | undefined;
  /** Does something with the engines, one thing at a time, and asks them anew. Whether it was done. */
  readonly during: (what: string, run: () => Promise<unknown>) => Promise<boolean>;
  /** Moves the clock on day by day, at most so many days; `until` stops it on the evening on which it says so. */
  readonly move: (days: number, until?: (site: EngineSite | undefined) => boolean) => Promise<void>;
  readonly stop: () => void;
}

const Context = createContext<Watching | undefined>(undefined);

/** What the ways to watch share. */
export function useWatching(): Watching {
  const watching = useContext(Context);
  if (!watching) throw new Error('nobody is watching');
  return watching;
}

/** What the owner wants pages to be found for: searchers type these. */
export function wishedPhrases({ tables: { pages, worth } }: Pick<SiteDocument, 'tables'>): string[] {
  const phrases = [...Object.values(pages).flatMap(({ phrase }) => phrase ?? []), ...Object.keys(worth)];
  return [...new Set(phrases.map((phrase) => phrase.trim()).filter((phrase) => phrase !== '' && phrase.length <= 200))].slice(0, 300);
}

/** Moves the clock on by a day, after telling searchers what the site is wished to be found for. */
async function oneDay(workspace: Workspace, host: string): Promise<string> {
  await workspace.tools.outside.wishedFor(host, wishedPhrases(workspace.state.document));
  return (await workspace.tools.outside.advance(1)).now;
}

export function WatchProvider({ children }: { readonly children: ReactNode }) {
  const workspace = useWorkspaceApi();
  const document = useTables('facts');
  const [engineId, choose] = useRemembered<EngineId>('watch-engine', ENGINE_IDS, SKERRY.id);
  const skerry = useWorkspace((state) => state.engine);
  const [others, setOthers] = useState<Partial<Record<EngineId, EngineSite | undefined>>>({});
  const [now, setNow] = useState<string>();
  const [under, setUnder] = useState<Under>();
  const [failure, setFailure] = useState<string>();
  const stopped = useRef(false);
  const busy = useRef(false);
  const host = siteHost(document);
  const origin = siteOrigin(document);
  const site = engineId === SKERRY.id ? skerry : others[engineId];

  const ask = useCallback(async (): Promise<void> => {
    const known = await Promise.all([
      workspace.askEngine(),
      ...ENGINE_IDS.filter((id) => id !== SKERRY.id).map(
        async (id) => [id, await workspace.tools.outside.engineSite(host, id).catch(() => undefined)] as const,
      ),
    ]);
    setOthers(Object.fromEntries(known.slice(1) as [EngineId, EngineSite | undefined][]));
  }, [workspace, host]);

  useEffect(() => {
    workspace.tools.outside.clock().then(
      (clock) => {
        setNow(clock.now);
        setFailure(undefined);
      },
      (error: unknown) => setFailure(messageOf(error)),
    );
    void ask();
  }, [workspace, ask]);

  const during = useCallback(
    async (what: string, run: () => Promise<unknown>): Promise<boolean> => {
      if (busy.current) return false;
      busy.current = true;
      stopped.current = false;
      setUnder({ what, done: 0, of: 1 });
      try {
        await run();
        return true;
      } catch (error) {
        note(messageOf(error), {}, 'bad');
        return false;
      } finally {
        await ask();
        busy.current = false;
        setUnder(undefined);
      }
    },
    [ask],
  );

  const move = useCallback(
    async (days: number, until?: (site: EngineSite | undefined) => boolean): Promise<void> => {
      await during('The engines are on their way', async () => {
        for (let day = 0; day < days && !stopped.current; day++) {
          setUnder({ what: 'The engines are on their way', done: day, of: days });
          setNow(await oneDay(workspace, host));
          if (until?.(await workspace.tools.outside.engineSite(host, engineId))) break;
        }
      });
    },
    [during, workspace, host, engineId],
  );

  const stop = useCallback(() => void (stopped.current = true), []);
  const watching = useMemo(
    () => ({ host, origin, engine: engineOf(engineId), choose, site, now, failure, under, during, move, stop }),
    // `choose` is made anew at each drawing and does the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [host, origin, engineId, site, now, failure, under, during, move, stop],
  );
  return <Context value={watching}>{children}</Context>;
}
