import { useMemo, useState } from 'react';
import { KIND_TABLE, type Kind } from '../../core/site/index.ts';
import type { EngineRow, EngineSite } from '../../core/exchange/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { pathAndQuery } from '../../core/source/index.ts';
import { counted, gateWords, shortDate } from '../../core/wording/index.ts';
import { DataTable, note, useKeptState } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { useRowOf } from './addresses.ts';
import { useWatching } from './engines.tsx';
import { ORDER, pathOf, useColumns } from './index-columns.tsx';
import { becameOf, isAskedAgain, type AskedAgain, type Became } from './asked-again.ts';
import { OUTCOMES, wording } from './wording.ts';

const found = (record: EngineRow): Record<`data-${string}`, string> => ({ 'data-record': pathOf(record), 'data-outcome': record.outcome });

type Other = 'unmapped' | 'failed' | 'otherwise';
const OTHERS: Readonly<Record<Other, string>> = { otherwise: 'Otherwise than you want', unmapped: 'Listed, in no map', failed: 'Failed' };

type Filter = EngineRow['outcome'] | Other;
const FILTERS: readonly Filter[] = [...ORDER, 'otherwise', 'unmapped', 'failed'];

/** Whether a record is one of those that a filter leaves. */
function is(record: EngineRow, what: Filter, rowOf: (address: string) => PageRow | undefined): boolean {
  switch (what) {
    case 'unmapped':
      return (
        record.outcome === 'listed' &&
        (record.maps?.length ?? 0) === 0 &&
        record.foundBy !== 'home' &&
        (record.maps !== undefined || record.foundBy !== 'sitemap')
      );
    case 'failed':
      return (record.status ?? 0) >= 400 || record.reason.code === 'no-answer';
    case 'otherwise': {
      const intent = rowOf(record.address)?.intent;
      const out = record.outcome === 'not-listed' || record.outcome === 'bare';
      return intent === 'list' ? out : intent === 'out' && (record.outcome === 'listed' || record.outcome === 'bare');
    }
    default:
      return record.outcome === what;
  }
}

/** Every address that the engine knows, with what became of it and why: to be narrowed, looked at closely, and put in line for a fresh visit. */
export function IndexTable({ site }: { readonly site: EngineSite }) {
  const { tools } = useWorkspaceApi();
  const { engine, host, now, under, during } = useWatching();
  const [only, setOnly] = useState<Filter>();
  const [kind, setKind] = useState<Kind>();
  const [why, setWhy] = useState<string>();
  const [map, setMap] = useState<string>();
  const [asked, setAsked] = useKeptState<AskedAgain | null>(`asked-again-${host}-${engine.id}`, null, (value) => value === null || isAskedAgain(value));
  const became = useMemo(() => (asked ? becameOf(asked, site.records) : undefined), [asked, site.records]);
  const rowOf = useRowOf();
  const { records } = site;
  // Thousands of records are looked through when they or the pages are others, not at each drawing.
  const { kinds, reasons, counts } = useMemo(() => {
    const reasons = new Map<string, EngineRow['reason']>();
    for (const { reason } of records) if (!reasons.has(reason.code)) reasons.set(reason.code, reason);
    return {
      kinds: [...new Set(records.flatMap(({ address }) => rowOf(address)?.kind ?? []))],
      reasons: [...reasons].sort(([a], [b]) => (a < b ? -1 : 1)),
      counts: FILTERS.map((what) => ({ what, count: records.filter((record) => is(record, what, rowOf)).length })),
    };
  }, [records, rowOf]);
  const shown = useMemo(
    () =>
      records
        .filter(
          (record) =>
            (only === undefined || is(record, only, rowOf)) &&
            (kind === undefined || rowOf(record.address)?.kind === kind) &&
            (why === undefined || record.reason.code === why) &&
            (map === undefined || record.maps?.includes(map) === true),
        )
        .sort((a, b) => ORDER.indexOf(a.outcome) - ORDER.indexOf(b.outcome)),
    [records, rowOf, only, kind, why, map],
  );
  const narrowed = only !== undefined || kind !== undefined || why !== undefined || map !== undefined;
  const again = async (): Promise<void> => {
    const addresses = shown.map(({ address }) => address).slice(0, 1_000);
    const was = Object.fromEntries(shown.slice(0, 1_000).map(({ address, outcome }) => [address, outcome]));
    if (await during('Asking', () => tools.outside.visitSoon(host, addresses, engine.id))) {
      setAsked({ at: now ?? tools.now().toISOString(), was });
      note(
        `${counted(addresses.length, 'address is', 'addresses are')} in line. ${engine.name} takes ${engine.freshVisits} such a day, first of all.`,
        {},
        'good',
      );
    }
  };
  const maps = useMemo(() => site.maps.map(({ address }) => [address, pathAndQuery(new URL(address))] as const), [site.maps]);
  const columns = useColumns(site, rowOf);
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-1.5">
        <div className="flex flex-wrap gap-1.5" role="group" aria-label="Show only">
          {counts.map(({ what, count }) =>
            count === 0 ? null : (
              <button key={what} type="button" className="chip" aria-pressed={only === what} onClick={() => setOnly(only === what ? undefined : what)}>
                {what in OTHERS ? OTHERS[what as Other] : OUTCOMES[what as EngineRow['outcome']]} <span className="tabular-nums">{count}</span>
              </button>
            ),
          )}
        </div>
        <Narrow label="Of one kind" all="every kind" value={kind} onChange={setKind} options={kinds.map((one) => [one, KIND_TABLE[one].many])} />
        <Narrow
          label="For one reason"
          all="every reason"
          value={why}
          onChange={setWhy}
          options={reasons.map(([code, reason]) => [code, gateWords(reason).evidence.slice(0, 60)])}
        />
        <Narrow label="In one map" all="every map and none" value={map} onChange={setMap} options={maps} />
        {narrowed && shown.length > 0 && (
          <button type="button" className="btn btn-sm btn-outline-ink ml-auto" disabled={under !== undefined} onClick={() => void again()}>
            {shown.length === 1 ? 'Look again at this one' : `Look again at these ${Math.min(shown.length, 1_000)}`}
          </button>
        )}
      </div>
      {became && asked && <Again asked={asked} became={became} onDone={() => setAsked(null)} />}
      <div className="mt-2.5">
        <DataTable
          rows={shown}
          list={`${only ?? ''} ${kind ?? ''} ${why ?? ''} ${map ?? ''}`}
          keyOf={({ address }) => address}
          data={found}
          columns={columns}
        />
      </div>
    </>
  );
}

/** What became of the addresses that were asked for again. */
function Again({ asked, became, onDone }: { readonly asked: AskedAgain; readonly became: Became; readonly onDone: () => void }) {
  const count = Object.keys(asked.was).length;
  return (
    <div className="notice mt-2.5 flex flex-wrap items-start gap-x-4 gap-y-1 text-small" role="status" data-testid="asked-again">
      <div className="min-w-0 flex-1 basis-64">
        <p>
          {wording.askedAgain(counted(count, 'address', 'addresses'), shortDate(asked.at))} {wording.becameVisited(became.visited, became.waiting)}
          {became.visited > 0 && became.others.length === 0 && ` ${wording.becameSame}`}
        </p>
        {became.others.length > 0 && (
          <ul className="mt-0.5">
            {became.others.slice(0, MOST_TOLD).map(({ address, from, to }) => (
              <li key={address}>
                <span className="mono break-all text-tiny">{pathAndQuery(new URL(address))}</span>: {OUTCOMES[from].toLowerCase()} →{' '}
                {OUTCOMES[to].toLowerCase()}
              </li>
            ))}
            {became.others.length > MOST_TOLD && <li className="soft">and {became.others.length - MOST_TOLD} more</li>}
          </ul>
        )}
      </div>
      <button type="button" className="link-act" onClick={onDone}>
        {wording.hideThis}
      </button>
    </div>
  );
}
/** Addresses that are named one by one. */
const MOST_TOLD = 6;

/** One of several, or all of them; nothing where there is no choice. */
function Narrow<T extends string>({
  label,
  all,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly all: string;
  readonly value: T | undefined;
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T | undefined) => void;
}) {
  if (options.length < 2 && label !== 'In one map') return null;
  return (
    <select
      className="select select-sm w-auto max-w-52"
      aria-label={label}
      value={value ?? ''}
      onChange={(event) => onChange(options.find(([one]) => one === event.target.value)?.[0])}
    >
      <option value="">{all}</option>
      {options.map(([one, name]) => (
        <option key={one} value={one}>
          {name}
        </option>
      ))}
    </select>
  );
}
