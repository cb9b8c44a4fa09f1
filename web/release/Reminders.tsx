import type { Held } from '../../core/release/index.ts';
import { readableAddress } from '../../core/source/index.ts';
import { counted } from '../../core/wording/index.ts';
import { useMemo } from 'react';
import { LookDue, PageLink, QuietLink, useRoute } from '../components/index.ts';
import { useReport, useWorkspace } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Redirects that are named one by one. */
const MOST_DEAD = 5;

/** What one would want to know before a release goes out: pages that leak still, two that would stand at one address, and proofs that it would take away. */
export function Reminders({ held }: { readonly held: Held }) {
  const leaking = useWorkspace((state) => state.rows.find((row) => row.state === 'leaking'));
  const rows = useWorkspace((state) => state.rows);
  const clash = useMemo(() => rows.find(({ findings }) => findings.some(({ code }) => code === 'address-taken')), [rows]);
  const count = useWorkspace((state) => state.numbers.states.leaking ?? 0);
  const lost = useReport((one) => one.tools.analysis.proofsLost(held), JSON.stringify(held)) ?? [];
  const { linkToView } = useRoute();
  const dead = useReport((one) => one.tools.analysis.deadRedirects()) ?? [];
  return (
    <>
      {lost.length > 0 && (
        <div className="notice notice-bad mb-3 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="proof-lost">
          <div className="min-w-0 flex-1 basis-64">
            <p className="font-semibold">{wording.proofLost}</p>
            <ul>
              {lost.map(({ kind, name, why }, at) => (
                <li key={`${kind} ${name} ${at}`}>
                  {wording.proofKinds[kind]} <span className="mono break-all">{name}</span>: {wording.proofWhys[why]}
                </li>
              ))}
            </ul>
          </div>
          <PageLink to="proof" className="link-act">
            {wording.toProof}
          </PageLink>
        </div>
      )}
      {dead.length > 0 && (
        <div className="notice notice-amber mb-3 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="dead-redirects">
          <div className="min-w-0 flex-1 basis-64">
            <p className="font-semibold">{wording.deadRedirects(counted(dead.length, 'redirect leads', 'redirects lead'))}</p>
            <ul>
              {dead.slice(0, MOST_DEAD).map(({ from, to, why }) => (
                <li key={from}>
                  <span className="mono break-all">
                    {readableAddress(from)} → {readableAddress(to)}
                  </span>
                  : {wording.deadWhys[why]}
                </li>
              ))}
            </ul>
            {dead.length > MOST_DEAD && <p className="soft">{wording.andMoreRedirects(dead.length - MOST_DEAD)}</p>}
          </div>
          <QuietLink to={linkToView('words', 'exchange', { way: 'redirects' })} className="link-act">
            {wording.toRedirects}
          </QuietLink>
        </div>
      )}
      {clash && (
        <p className="notice notice-bad mb-3 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="clash">
          <span className="min-w-0 flex-1 basis-64">
            {wording.clash} <span className="mono break-all">{readableAddress(clash.address)}</span>. {wording.clashWhy}
          </span>
          <PageLink to="words" page={clash.id} className="link-act">
            {wording.toClash}
          </PageLink>
        </p>
      )}
      <LookDue />
      {count > 0 && leaking && (
        <p className="notice notice-amber mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
          <span className="min-w-0 flex-1 basis-64">
            {counted(count, 'page')} {wording.leaks}
          </span>
          <PageLink to="doors" page={leaking.id} className="link-act">
            {wording.toLeak}
          </PageLink>
        </p>
      )}
    </>
  );
}
