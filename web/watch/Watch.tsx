import { messageOf } from '../../core/source/index.ts';
import { useEffect, useState } from 'react';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import { ENGINE_IDS, engineOf, ENGINES, SKERRY, type EngineId } from '../../core/engines/index.ts';
import { siteHost, siteOrigin } from '../../core/site/index.ts';
import { counted, engineWords, shortDate } from '../../core/wording/index.ts';
import { Rail, PageLink } from '../components/index.ts';
import { Busy, Empty, note, Segments, useRemembered } from '../ui/index.ts';
import { useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { IndexTable } from './IndexTable.tsx';
import { SearchBox } from './SearchBox.tsx';
import { wording } from './wording.ts';

/** What the engine sees: the map handed in, the state of each address, and a search. */
export function Watch() {
  const workspace = useWorkspaceApi();
  const document = useTables('facts');
  const [engineId, setEngineId] = useRemembered<EngineId>('watch-engine', ENGINE_IDS, SKERRY.id);
  const first = useWorkspace((state) => state.engine);
  const [others, setOthers] = useState<Partial<Record<EngineId, EngineSite | undefined>>>({});
  const engine = engineId === SKERRY.id ? first : others[engineId];
  const policy = engineOf(engineId);
  const words = engineWords(engineId);
  const [now, setNow] = useState<string>();
  const [busy, setBusy] = useState<string>();
  const [failure, setFailure] = useState<string>();
  const host = siteHost(document);
  const map = `${siteOrigin(document)}/${SITEMAP_FILE}`;
  useEffect(() => {
    workspace.tools.outside.clock().then(
      (clock) => setNow(clock.now),
      (error: unknown) => setFailure(messageOf(error)),
    );
    void askEngines();
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [workspace, host]);
  const askOthers = async (): Promise<void> => {
    const known = await Promise.all(
      ENGINE_IDS.filter((id) => id !== SKERRY.id).map(async (id) => [id, await workspace.tools.outside.engineSite(host, id).catch(() => undefined)] as const),
    );
    setOthers(Object.fromEntries(known));
  };
  const askEngines = (): Promise<unknown> => Promise.all([workspace.askEngine(), askOthers()]);
  const during = async (what: string, run: () => Promise<unknown>): Promise<void> => {
    setBusy(what);
    try {
      await run();
      await askEngines();
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    } finally {
      setBusy(undefined);
    }
  };
  const advance = (): Promise<void> => during('The engines are on their way', async () => setNow((await workspace.tools.outside.advance(1)).now));
  const handIn = (): Promise<void> => during('Handing in', async () => void (await workspace.tools.outside.handIn(host, map, engineId)));
  const verified = engine?.verifiedAt !== undefined;
  const records = engine?.records ?? [];
  const handed = (engine?.maps ?? []).filter((one) => one.named !== true).length;
  const visited = records.some((record) => record.visitedAt !== undefined);
  return (
    <div className="mx-auto max-w-sheet">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1>{wording.title(policy.name)}</h1>
        <Segments<EngineId>
          label="Which engine"
          value={engineId}
          onChange={setEngineId}
          options={ENGINES.map(({ id, name }) => ({ value: id, label: name }))}
        />
      </div>
      <p className="soft mt-1.5 max-w-prose">{words.visits}</p>
      {failure !== undefined && <p className="notice notice-bad mt-3">{failure}</p>}
      {busy && (
        <div className="mt-3">
          <Busy what={busy} done={0} of={1} />
        </div>
      )}
      <SearchBox host={host} engine={policy} key={`${host} ${engineId}`} refreshed={engine?.days[0]?.at} />
      <section className="mt-6" aria-labelledby="states">
        <h2 id="states">{wording.states}</h2>
        {records.length === 0 ? (
          <Empty title={wording.notYet(policy.name)}>{policy.needsProof && !verified ? words.maps : words.notYet}</Empty>
        ) : (
          <>
            {!visited && (
              <p className="notice notice-amber mt-2">
                {counted(records.length, 'address is', 'addresses are')} known from the sitemap and wait for a visit. Move the clock on by a day.
              </p>
            )}
            {engine?.limits?.map((limit) => (
              <p key={`${limit.code} ${limit.address}`} className="notice notice-amber mt-2" data-testid="crawl-limit">
                {wording.limit(policy.name, limit)}
              </p>
            ))}
            <IndexTable records={records} />
          </>
        )}
      </section>
      <Rail>
        <section className="notice">
          <h2>{wording.clock}</h2>
          <p className="mt-0.5">{now ? `${shortDate(now)}, ${now.slice(11, 16)} UTC` : '…'}</p>
          <button type="button" className="btn btn-primary mt-2.5 w-full" disabled={busy !== undefined || now === undefined} onClick={() => void advance()}>
            {wording.nextDay}
          </button>
        </section>
        <h2 className="mt-5">{wording.map}</h2>
        {engine?.maps.map((one) => (
          <div key={one.address} className="mt-1.5">
            <p className="mono break-all">{one.address}</p>
            <p className={`text-note ${one.problem ? 'text-error' : 'soft'}`}>
              {one.named === true ? 'named in robots.txt' : `handed in ${shortDate(one.handedInAt)}`}
              {one.readAt && `, read ${shortDate(one.readAt)}: ${counted(one.count, 'address', 'addresses')}`}
              {one.problem && `; ${one.problem}`}
            </p>
          </div>
        ))}
        {!policy.needsProof ? (
          <p className="soft mt-1 text-note">{words.maps}</p>
        ) : verified ? (
          <button
            type="button"
            className={`btn mt-2 w-full ${handed === 0 ? 'btn-primary' : 'btn-outline-ink'}`}
            disabled={busy !== undefined}
            onClick={() => void handIn()}
          >
            {handed === 0 ? wording.handIn : 'Hand it in again'}
          </button>
        ) : (
          <p className="soft mt-1">
            {words.maps}{' '}
            <PageLink to="proof" className="link-act">
              To the proof
            </PageLink>
          </p>
        )}
        {engine && engine.days.length > 0 && (
          <section className="mt-5">
            <h2>Visits</h2>
            <ol className="mt-1.5">
              {engine.days.slice(0, 8).map((day) => (
                <li key={day.at} className="border-t border-line py-1.5 text-small">
                  <span className="font-semibold">{shortDate(day.at)}</span> {counted(day.visited, 'address', 'addresses')} visited, {day.listed} listed
                </li>
              ))}
            </ol>
            {engine.robots && <p className="soft mt-1 text-note">robots.txt answered {engine.robots.status ?? 'nothing'}.</p>}
          </section>
        )}
      </Rail>
    </div>
  );
}
