import { useState } from 'react';
import {
  isFreeName,
  mainAddressChange,
  neededRecords,
  readDomain,
  recordsDomain,
  siteHost,
  siteOrigin,
  unicodeHost,
  FREE_DOMAIN,
} from '../../core/site/index.ts';
import { messageOf, variantHost } from '../../core/source/index.ts';
import { AddressEffect } from '../components/index.ts';
import { note, Segments, useAsync, useDebounced } from '../ui/index.ts';
import { useTables, useWorkspaceApi } from '../workspace/index.ts';
import { AddressRecords } from './AddressRecords.tsx';
import { MovingSteps } from './MovingSteps.tsx';
import { addressWording as wording } from './wording.ts';

type Sort = 'own' | 'free';

/** The site's address: what leads where now, another one, the records it needs, and the way there. */
export function Address() {
  const document = useTables('facts', 'claims', 'releases', 'sitemap');
  const origin = siteOrigin(document);
  const host = siteHost(document);
  return (
    <div className="mx-auto max-w-column">
      <h1>{wording.title}</h1>
      <p className="mono mt-1.5 text-lead font-semibold break-all">
        {origin.replace(host, unicodeHost(host))}
        {unicodeHost(host) !== host && <span className="soft block text-note font-normal">{wording.asked(host)}</span>}
      </p>
      <Variants origin={origin} />
      <Another host={host} origin={origin} />
      <AddressRecords host={host} needed={neededRecords(new URL(origin).hostname)} />
      <MovingSteps />
    </div>
  );
}

/** The variants of the address, and which of them leads. */
function Variants({ origin }: { readonly origin: string }) {
  const { tools } = useWorkspaceApi();
  const { value, failure } = useAsync(() => tools.outside.live(`${origin}/`), origin, { fresh: true });
  if (failure !== undefined) return <p className="notice notice-bad mt-3">{failure}</p>;
  if (!value) return <p className="soft mt-3 text-small">{wording.asking}</p>;
  const answers = value.answer.ok && value.answer.status === 200;
  const astray = value.twins.filter(({ leadsTo }) => leadsTo === undefined || !leadsTo.startsWith(`${origin}/`));
  return (
    <section className="panel mt-3 px-4 py-3" aria-labelledby="variants">
      <h2 id="variants">{wording.variants}</h2>
      <ul className="mt-1 text-small">
        <li className="flex flex-wrap gap-x-3 py-0.5">
          <span className="mono font-semibold break-all">{origin}/</span>
          <span className={answers ? 'text-success' : 'text-error'}>{value.answer.ok ? `answers ${value.answer.status}` : wording.silent}</span>
        </li>
        {value.twins.map((twin) => (
          <li key={twin.address} className="flex flex-wrap gap-x-3 py-0.5">
            <span className="mono break-all">{twin.address}</span>
            <span className={astray.includes(twin) ? 'text-error' : 'soft'}>
              {twin.leadsTo !== undefined ? `leads to ${twin.leadsTo}` : twin.status === undefined ? wording.silent : wording.byItself}
            </span>
          </li>
        ))}
      </ul>
      <p className="soft mt-1 text-note">{answers && astray.length === 0 ? wording.oneLeads : answers ? wording.severalLead : wording.notOut}</p>
    </section>
  );
}

/** What is known of a name that no site here has. */
function nameIs(origin: string): string {
  const { hostname } = new URL(origin);
  return isFreeName(hostname) ? wording.freeName(origin) : wording.ownName(unicodeHost(recordsDomain(hostname)));
}

/** Another address: a free name or one's own domain, looked at while it is typed. */
function Another({ host, origin }: { readonly host: string; readonly origin: string }) {
  const workspace = useWorkspaceApi();
  const [sort, setSort] = useState<Sort>('own');
  const [typed, setTyped] = useState('');
  const [leads, setLeads] = useState<'plain' | 'www'>('plain');
  const whole = sort === 'free' && typed.trim() !== '' && !typed.includes('.') ? `${typed.trim()}.${FREE_DOMAIN}` : typed;
  const settled = useDebounced(whole, 250);
  const read = readDomain(whole);
  const chosen = read.ok
    ? sort === 'own' && leads === 'www'
      ? read.name.ascii.startsWith('www.')
        ? read.name.ascii
        : variantHost(read.name.ascii)
      : read.name.ascii
    : undefined;
  const wanted = chosen === undefined ? undefined : `https://${chosen}`;
  const state = useAsync(() => workspace.tools.outside.nameState(chosen ?? host), chosen !== undefined && settled === whole ? chosen : undefined, {
    fresh: true,
  });
  const taken = state.value?.state === 'taken' && chosen !== host;
  // Nothing is taken before it is known whether somebody has it.
  const known = settled === whole && state.value !== undefined && state.failure === undefined;
  const take = (): void => {
    if (wanted === undefined || taken || !known || wanted === origin) return;
    try {
      workspace.change(mainAddressChange(workspace.state.document, wanted), { label: `The main address is ${wanted}` });
      setTyped('');
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  return (
    <section className="mt-6" aria-labelledby="another">
      <h2 id="another">{wording.another}</h2>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Segments<Sort>
          label={wording.another}
          value={sort}
          onChange={setSort}
          options={[
            { value: 'own', label: wording.own },
            { value: 'free', label: wording.free },
          ]}
        />
        {sort === 'own' && (
          <Segments<'plain' | 'www'>
            label={wording.which}
            value={leads}
            onChange={setLeads}
            options={[
              { value: 'plain', label: wording.plain },
              { value: 'www', label: wording.www },
            ]}
          />
        )}
      </div>
      <div className="field mt-2 flex items-center gap-2 pl-3.5">
        <input
          className="mono !px-0"
          aria-label={wording.name}
          aria-describedby="address-told"
          placeholder={sort === 'own' ? 'your-name.example' : 'your-name'}
          value={typed}
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && take()}
        />
        {sort === 'free' && !typed.includes('.') && <span className="mono soft hidden flex-none sm:block">.{FREE_DOMAIN}</span>}
        <button type="button" className="btn btn-primary m-1.5" disabled={wanted === undefined || taken || !known || wanted === origin} onClick={take}>
          {wording.take}
        </button>
      </div>
      <div id="address-told" className="mt-1.5 text-small" aria-live="polite">
        {!read.ok && read.reason !== 'empty' && <p className="text-error">{wording.faults[read.reason]}</p>}
        {wanted !== undefined && wanted !== origin && read.ok && (
          <>
            <p className={taken || state.failure !== undefined ? 'text-error' : 'soft'}>
              {state.failure !== undefined ? wording.notAsked : !known ? wording.asking : taken ? wording.taken : nameIs(wanted)}
              {read.name.unicode !== read.name.ascii && ` ${wording.asked(chosen ?? '')}`}
            </p>
            {isFreeName(new URL(wanted).hostname) && <p className="notice notice-amber mt-2">{wording.lent}</p>}
            {!taken && <AddressEffect origin={wanted} />}
          </>
        )}
      </div>
    </section>
  );
}
