import { useState } from 'react';
import { recordName } from '../../core/ownership/index.ts';
import { claimsOf, recordsDomain, siteHost, withoutClaim, type Claim } from '../../core/site/index.ts';
import type { ZoneRecord } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { SKERRY } from '../../core/engines/index.ts';
import type { ReleaseItem } from '../../core/release/index.ts';
import { Copyable, note, useAsync } from '../ui/index.ts';
import { useTables, useWorkspaceApi } from '../workspace/index.ts';
import { ProofChain } from './ProofChain.tsx';
import { wording } from './wording.ts';

/** Whether a proof that goes out with a release waits for the next one. */
export function waitsFor({ kind, name, content }: Claim, items: readonly ReleaseItem[] | undefined, home: string | undefined): boolean {
  if (kind === 'file') return items?.some((item) => item.own && item.path === name) === true;
  const says = (edits: ReleaseItem['edits']): boolean => edits.some((edit) => edit.kind === 'meta' && edit.name === name && edit.content === content);
  return kind === 'tag' && items?.some((item) => item.path === home && says(item.edits) && !says(item.before)) === true;
}

/** All proofs that are placed, for whichever engine, with how each stands; records with the lines to copy. */
export function Placed({
  items,
  home,
  watched,
}: {
  readonly items: readonly ReleaseItem[] | undefined;
  readonly home: string | undefined;
  /** The proof that is looked at by itself below. */
  readonly watched: string | undefined;
}) {
  const workspace = useWorkspaceApi();
  const document = useTables('facts', 'claims');
  const claims = claimsOf(document);
  const domain = recordsDomain(siteHost(document));
  const [asked, setAsked] = useState(0);
  /** Claims that are looked at, with how often. */
  const [looked, setLooked] = useState<Readonly<Record<string, number>>>({});
  const zone = useAsync(() => workspace.tools.outside.zone(domain), `${domain} ${asked}`, { fresh: true });
  if (claims.length === 0) return null;
  const takeAway = (claim: Claim): void => {
    const inZone = isIn(zone.value, claim);
    workspace.change(withoutClaim(claim.id), { label: `The proof for ${engineOf(claim)} was taken away` });
    if (inZone) note(wording.stillInZone, { duration: 20_000, action: { label: wording.outOfZone, onClick: () => void takeOutOfZone(claim) } });
  };
  const takeOutOfZone = async (claim: Claim): Promise<void> => {
    try {
      const now = await workspace.tools.outside.zone(domain);
      await workspace.tools.outside.zone(
        domain,
        now.filter((record) => !isIn([record], claim)),
      );
      setAsked((count) => count + 1);
      note(wording.isOutOfZone, {}, 'good');
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  const setInZone = async ({ kind, name, content }: Claim): Promise<void> => {
    try {
      const type = kind === 'cname' ? ('CNAME' as const) : ('TXT' as const);
      const now = await workspace.tools.outside.zone(domain);
      // A name has one CNAME, and as many texts as one likes.
      const others = now.filter((record) => record.name !== name || record.type !== type || (type === 'TXT' && record.value !== content));
      await workspace.tools.outside.zone(domain, [...others, { name, type, value: content, ttl: 3600 }]);
      setAsked((count) => count + 1);
      note('Set. The name server that ships with the program answers with it from now on.', {}, 'good');
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  return (
    <section className="mt-6" aria-labelledby="placed">
      <h2 id="placed">{wording.placed}</h2>
      <ul className="panel mt-2">
        {claims.map((claim) => {
          const record = claim.kind === 'txt' || claim.kind === 'cname';
          const inZone = isIn(zone.value, claim);
          const state = record ? (inZone ? wording.inZone : wording.notInZone) : waitsFor(claim, items, home) ? wording.waits : wording.released;
          return (
            <li key={claim.id} className="border-t border-line px-3.5 py-2.5 first:border-t-0" data-claim={claim.id}>
              <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
                <div className="min-w-0 flex-1 basis-60">
                  <p>
                    <span className="font-semibold">{engineOf(claim)}</span> <span className="soft text-note">{wording.kinds[claim.kind]}</span>
                  </p>
                  <p className="soft mono text-tiny break-all">
                    {claim.kind === 'file' ? `/${claim.name}` : claim.name}: {claim.content.slice(0, 200)}
                  </p>
                </div>
                <span className={`text-note ${state === wording.released || inZone ? 'text-green' : 'text-amber-ink'}`}>{state}</span>
                {claim.id !== watched && (
                  <button
                    type="button"
                    className="link-act text-note"
                    onClick={() => setLooked({ ...looked, [claim.id]: (looked[claim.id] ?? 0) + 1 })}
                    aria-label={`${wording.check}: ${engineOf(claim)}, ${wording.kinds[claim.kind]}`}
                  >
                    {looked[claim.id] ? wording.lookAgain : wording.check}
                  </button>
                )}
                <button
                  type="button"
                  className="link-act text-note"
                  onClick={() => takeAway(claim)}
                  aria-label={`${wording.takeAway}: ${engineOf(claim)}, ${wording.kinds[claim.kind]}`}
                >
                  {wording.takeAway}
                </button>
              </div>
              {record && !inZone && (
                <div className="mt-2">
                  <button type="button" className="btn btn-sm btn-primary" onClick={() => void setInZone(claim)}>
                    {wording.setInZone}
                  </button>
                </div>
              )}
              {record && <Lines claim={claim} domain={domain} />}
              {looked[claim.id] !== undefined && (
                <ol className="panel mt-2" data-testid="proof-chain">
                  <ProofChain claim={claim} asked={String(looked[claim.id])} />
                </ol>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Whether a claim is among the records of a zone. */
const isIn = (zone: readonly ZoneRecord[] | undefined, { kind, name, content }: Claim): boolean =>
  (kind === 'txt' || kind === 'cname') &&
  zone?.some((record) => record.type.toLowerCase() === kind && record.name === name && record.value === content) === true;

const engineOf = ({ id, engine }: Claim): string => engine || (id === SKERRY.id ? SKERRY.name : id);

/** A record as it is set elsewhere, in the forms that panels want. */
function Lines({ claim, domain }: { readonly claim: Claim; readonly domain: string }) {
  const { name, content, kind } = claim;
  const whole = name === '@' ? domain : `${name}.${domain}`;
  const forms = [...new Set([name, whole, `${whole}.`])].filter((form) => recordName(form, domain) === name);
  return (
    <details className="mt-2 text-small">
      <summary className="cursor-pointer">{wording.elsewhere}</summary>
      <dl className="mt-1 grid gap-1.5">
        <div>
          <dt className="soft inline">
            {wording.nameForms} <span className="text-note">({wording.nameFormsWhy})</span>:
          </dt>{' '}
          <dd className="mono inline break-all">{forms.join(' · ')}</dd>
        </div>
        <div>
          <dt className="soft inline">{wording.type}:</dt> <dd className="mono inline">{kind.toUpperCase()}</dd>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <dt className="soft">{wording.value}:</dt> <dd className="mono break-all">{content}</dd> <Copyable text={content} />
        </div>
        <div>
          <dt className="soft inline">
            {wording.ttl} <span className="text-note">({wording.ttlWhy})</span>:
          </dt>{' '}
          <dd className="mono inline">3600</dd>
        </div>
      </dl>
    </details>
  );
}
