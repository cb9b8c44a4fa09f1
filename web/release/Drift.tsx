import { useMemo, useRef, useState } from 'react';
import { markupAmong } from '../../core/ledger/index.ts';
import type { LiveField, LivePage } from '../../core/release/index.ts';
import { all, nextLook, set, siteHost, siteOrigin } from '../../core/site/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { counted, fullDate, NO_ANSWER, numberText } from '../../core/wording/index.ts';
import { PageLink, PageName } from '../components/index.ts';
import { Busy, Copyable, Empty, More, note, useMore } from '../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { lookAtLive, standingOf, ticksBy, type Look, type LookedPage, type Standing } from './look.ts';
import { driftWording as wording } from './wording.ts';

/** The last look at each site, as long as this tab is open. */
const LOOKS = new Map<string, Look>();
const ORDER: readonly Standing[] = ['not-there', 'drifted', 'unseen', 'as-meant'];
const TONES: Readonly<Record<Standing, string>> = { 'as-meant': 'text-success', drifted: 'text-error', 'not-there': 'text-error', unseen: 'soft' };
const NOTHING = {};

/** The live site held against what is meant, page by page and field by field. */
export function Drift() {
  const workspace = useWorkspaceApi();
  const { tools } = workspace;
  const document = useTables('facts', 'looks', 'pasted');
  const siteId = useWorkspace((state) => state.site?.id ?? '');
  const rows = useWorkspace((state) => state.rows);
  const byId = useWorkspace((state) => state.byId);
  const pasteItems = useReport((one) => one.tools.analysis.pasteItems()) ?? NOTHING;
  const blocks = useMemo(() => markupAmong(pasteItems), [pasteItems]);
  const [look, setLook] = useState(() => LOOKS.get(siteId));
  const [done, setDone] = useState<number>();
  const [failure, setFailure] = useState<string>();
  const [only, setOnly] = useState<Standing>();
  const stopped = useRef(false);
  const origin = siteOrigin(document);
  const last = document.tables.looks[''];
  const due = nextLook(document.tables.looks);

  const start = async (): Promise<void> => {
    stopped.current = false;
    setFailure(undefined);
    setDone(0);
    try {
      await workspace.whenIdle();
      const found = await lookAtLive({
        rows,
        origin,
        at: tools.now().toISOString(),
        ask: async (addresses) => (await tools.outside.livePages(addresses)).pages,
        compare: (pages) => tools.analysis.drift(pages),
        progress: setDone,
        stopped: () => stopped.current,
      });
      LOOKS.set(siteId, found);
      setLook(found);
      setOnly(undefined);
      if (found.whole)
        workspace.change(
          all([
            set('looks', '', 'at', found.at),
            set('looks', '', 'pages', found.pages.length),
            set('looks', '', 'drifted', found.pages.filter((page) => standingOf(page) !== 'as-meant').length),
          ]),
          { label: 'The live site was looked at', notUndoable: true },
        );
    } catch (error) {
      setFailure(messageOf(error));
    } finally {
      setDone(undefined);
    }
  };
  const counts = useMemo(() => {
    const sums: Record<Standing, number> = { 'as-meant': 0, drifted: 0, 'not-there': 0, unseen: 0 };
    for (const page of look?.pages ?? []) sums[standingOf(page)]++;
    return sums;
  }, [look]);
  const ticks = useMemo(() => look && ticksBy(look, byId, document.tables.pasted, blocks), [look, byId, document, blocks]);
  const takeTicks = (): void => {
    if (!ticks) return;
    workspace.change(ticks.change, { label: 'The paste sheet’s ticks follow the live site' });
    note(`${counted(ticks.set, 'field')} ticked, ${numberText(ticks.taken)} unticked.`, {}, 'good');
  };
  const shown = (look?.pages ?? [])
    .filter((page) => (only === undefined ? standingOf(page) !== 'as-meant' : standingOf(page) === only))
    .sort((a, b) => ORDER.indexOf(standingOf(a)) - ORDER.indexOf(standingOf(b)));
  const { drawn, more } = useMore(`${only ?? ''} ${look?.at ?? ''}`);
  return (
    <div className="mx-auto max-w-column">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1>{wording.title}</h1>
        <button type="button" className="btn btn-primary" disabled={done !== undefined || rows.length === 0} onClick={() => void start()}>
          {look ? wording.again : wording.look}
        </button>
      </div>
      <p className="soft mt-1.5 max-w-prose">{wording.lead(siteHost(document))}</p>
      {done !== undefined && (
        <div className="mt-3">
          <Busy what={wording.looking} done={done} of={rows.length} onCancel={() => (stopped.current = true)} />
        </div>
      )}
      {failure !== undefined && (
        <p className="notice notice-bad mt-3" role="alert">
          {wording.failed} {failure}
        </p>
      )}
      {look === undefined ? (
        <>
          {last?.at && (
            <p className="notice mt-4">
              Last looked at {fullDate(last.at)}: {counted(last.drifted ?? 0, 'page')} of {numberText(last.pages ?? 0)}{' '}
              {(last.drifted ?? 0) === 1 ? 'was' : 'were'} otherwise than meant. {due && `Worth another look from ${fullDate(due)}.`}
            </p>
          )}
          {done === undefined && <Empty title={wording.empty}>{wording.emptyWhy}</Empty>}
        </>
      ) : (
        <>
          <p className="mt-4 font-semibold" data-testid="drift-told" role="status">
            {wording.told(counts['as-meant'], look.pages.length)} {!look.whole && wording.stopped}
          </p>
          <div className="mt-2 flex flex-wrap items-center gap-1.5">
            <div className="flex flex-wrap gap-1.5" role="group" aria-label="Show only">
              {ORDER.map((standing) =>
                counts[standing] === 0 ? null : (
                  <button
                    key={standing}
                    type="button"
                    className="chip"
                    aria-pressed={only === standing}
                    onClick={() => setOnly(only === standing ? undefined : standing)}
                  >
                    {wording.standings[standing]} <span className="tabular-nums">{counts[standing]}</span>
                  </button>
                ),
              )}
            </div>
            {ticks && (
              <button type="button" className="btn btn-sm btn-outline-ink ml-auto" title={wording.ticksWhy} onClick={takeTicks}>
                {wording.ticks}
              </button>
            )}
          </div>
          <ul className="mt-3 flex flex-col gap-3">
            {shown.slice(0, drawn).map((page) => {
              const row = byId.get(page.id);
              return row ? (
                <li key={page.id} className="panel" data-drift={row.address}>
                  <p className="flex flex-wrap items-baseline gap-x-3 px-4 py-2.5">
                    <PageLink to="words" page={row.id} className="link-act">
                      <PageName row={row} />
                    </PageLink>
                    <span className="mono soft break-all text-tiny">{row.address}</span>
                    <span className={`ml-auto text-small font-semibold ${TONES[standingOf(page)]}`}>
                      {answered(page.live) ?? wording.standings[standingOf(page)]}
                    </span>
                  </p>
                  {page.drift.length > 0 && <Fields page={page} pending={row.pending} />}
                </li>
              ) : null;
            })}
          </ul>
          <More drawn={drawn} total={shown.length} onMore={more} />
        </>
      )}
    </div>
  );
}

/** How a page answered that is not simply there. */
function answered(live: LivePage): string | undefined {
  switch (live.kind) {
    case 'page':
      return undefined;
    case 'moved':
      return `leads to ${live.to}`;
    case 'status':
      return `answers ${live.status}`;
    case 'forbidden':
      return wording.forbidden;
    case 'no-page':
      return 'is no page out there';
    case 'no-answer':
      return NO_ANSWER[live.reason] ?? 'no answer';
  }
}

function Fields({ page, pending }: { readonly page: LookedPage; readonly pending: boolean }) {
  return (
    <>
      {pending && <p className="soft border-t border-line px-4 pt-2 text-note">{wording.pending}</p>}
      <dl className="px-4 pb-2">
        {page.drift.map(({ field, meant, found }) => (
          <div key={field} className="grid gap-x-4 gap-y-0.5 border-t border-line py-2 first:border-t-0 sm:grid-cols-[120px_1fr_auto]" data-field={field}>
            <dt className="text-small font-semibold">{wording.fields[field as LiveField]}</dt>
            <dd className="min-w-0 text-small [overflow-wrap:anywhere]">
              <p className="line-clamp-6 whitespace-pre-line">
                <span className="soft">meant: </span>
                {meant || <em className="soft">nothing</em>}
              </p>
              <p className="mt-0.5 line-clamp-6 whitespace-pre-line text-error">
                <span className="soft">out there: </span>
                {found || <em>nothing</em>}
              </p>
            </dd>
            {meant !== '' && field !== 'words' && (
              <dd>
                <Copyable text={meant} />
              </dd>
            )}
          </div>
        ))}
      </dl>
    </>
  );
}
