import { CircleDashed, CircleMinus, Link2, ListChecks } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { expectedVisits, visitsAllowed } from '../../core/engine/index.ts';
import type { EngineRow, EngineSite } from '../../core/exchange/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { pathAndQuery } from '../../core/source/index.ts';
import { gateWords, shortDate } from '../../core/wording/index.ts';
import { PageLink, PageName, useRoute } from '../components/index.ts';
import { byText, type Column } from '../ui/index.ts';
import { useWatching } from './engines.tsx';
import { OUTCOMES } from './wording.ts';

const ICONS = { listed: ListChecks, bare: Link2, 'not-listed': CircleMinus, waiting: CircleDashed } as const;
const COLOURS = { listed: 'text-success', bare: 'sign-half-hidden', 'not-listed': 'text-error', waiting: 'soft' } as const;
/** Outcomes in the order in which they are worth a look. */
export const ORDER: readonly EngineRow['outcome'][] = ['bare', 'not-listed', 'waiting', 'listed'];
const DAY = 86_400_000;

export const pathOf = ({ address }: EngineRow): string => pathAndQuery(new URL(address));

/** What is told of each address that an engine knows. */
export function useColumns(site: EngineSite, rowOf: (address: string) => PageRow | undefined): readonly Column<EngineRow>[] {
  const { engine } = useWatching();
  const { linkToView } = useRoute();
  const { records, queue } = site;
  const expected = useMemo(
    () => expectedVisits(records, queue, { perDay: visitsAllowed(engine, undefined), allowance: engine.freshVisits }),
    [records, queue, engine],
  );
  const begun = Date.parse(site.days[0]?.at ?? '');
  const waiting = useMemo(() => new Map(queue.map(({ address }, at) => [address, at + 1])), [queue]);
  return [
    {
      id: 'address',
      name: 'Address',
      className: 'min-w-40',
      compare: byText((record) => record.address),
      cell: (record) => {
        const row = rowOf(record.address);
        return (
          <>
            {row && (
              <PageLink to="doors" page={row.id} className="link-act text-left">
                <PageName row={row} />
              </PageLink>
            )}
            <Link
              className="mono soft block break-all text-tiny hover:underline"
              to={linkToView('watch', 'address', { address: record.address })}
              aria-label={`Look closely at ${pathOf(record)}`}
            >
              {pathOf(record)}
            </Link>
          </>
        );
      },
    },
    {
      id: 'state',
      name: 'State',
      className: 'whitespace-nowrap',
      compare: byText(({ outcome }) => String(ORDER.indexOf(outcome))),
      cell: ({ outcome }) => {
        const Icon = ICONS[outcome];
        return (
          <span className={`inline-flex items-center gap-2 font-semibold ${COLOURS[outcome]}`}>
            <Icon size={16} aria-hidden /> {OUTCOMES[outcome]}
          </span>
        );
      },
    },
    {
      id: 'why',
      name: 'Why',
      className: 'text-note',
      compare: byText(({ reason }) => reason.code),
      cell: ({ reason }) => {
        const { evidence, means } = gateWords(reason);
        return (
          <>
            {evidence}
            <span className="soft block">{means}</span>
          </>
        );
      },
    },
    {
      id: 'visit',
      name: 'Last visit',
      className: 'whitespace-nowrap',
      compare: byText(({ visitedAt }) => visitedAt),
      cell: ({ visitedAt }) => (visitedAt ? shortDate(visitedAt) : <span className="soft">never</span>),
    },
    {
      id: 'next',
      name: 'Next',
      className: 'whitespace-nowrap text-note',
      compare: (a, b) => (expected.get(a.address) ?? 0) - (expected.get(b.address) ?? 0),
      cell: ({ address }) => {
        const place = waiting.get(address);
        const day = expected.get(address) ?? 1;
        return (
          <>
            {Number.isNaN(begun) ? `day ${day}` : `about ${shortDate(new Date(begun + day * DAY).toISOString())}`}
            {place !== undefined && <span className="soft block">place {place} in line</span>}
          </>
        );
      },
    },
  ];
}
