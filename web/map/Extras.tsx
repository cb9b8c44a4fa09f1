import { messageOf } from '../../core/source/index.ts';
import { X } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { all, set, siteOrigin, type Change } from '../../core/site/index.ts';
import type { CheckedExtra } from '../../core/map/index.ts';
import { counted, NO_ANSWER } from '../../core/wording/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { EXTRA_FAULTS, wording } from './wording.ts';

/** Addresses added by hand, each with what is wrong with it; several can be pasted at once. */
export function Extras({ extras }: { readonly extras: readonly CheckedExtra[] }) {
  const workspace = useWorkspaceApi();
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const [typed, setTyped] = useState('');
  const add = (event: FormEvent): void => {
    event.preventDefault();
    const at = workspace.tools.now().toISOString();
    const addresses = [...new Set(typed.split(/\s+/).filter(Boolean))].map((text) => (text.startsWith('/') ? origin + text : text));
    if (addresses.length === 0) return;
    const changes: Change[] = addresses.map((address) => set('extras', address.slice(0, 4000), 'at', at));
    workspace.change(all(changes), { label: `${counted(addresses.length, 'address', 'addresses')} added to the sitemap` });
    setTyped('');
  };
  return (
    <section className="mt-7" aria-labelledby="extras">
      <h2 id="extras">{wording.extras}</h2>
      <p className="soft mb-2 text-small">{wording.extrasWhy}</p>
      <ul className="panel divide-y divide-line">
        {extras.map((extra) => (
          <Extra key={extra.address} extra={extra} />
        ))}
        <li className="p-3">
          <form className="flex flex-wrap items-start gap-2" onSubmit={add}>
            <textarea
              className="textarea mono min-h-9 min-w-56 flex-1"
              rows={1}
              aria-label="Addresses to add, one a line"
              placeholder={`${origin}/booking/`}
              value={typed}
              spellCheck={false}
              onChange={(event) => setTyped(event.target.value)}
            />
            <button type="submit" className="btn btn-outline-ink" disabled={typed.trim() === ''}>
              Add
            </button>
          </form>
        </li>
      </ul>
    </section>
  );
}

function Extra({ extra: { address, fault } }: { readonly extra: CheckedExtra }) {
  const workspace = useWorkspaceApi();
  const [answer, setAnswer] = useState<string>();
  const ask = (): void => {
    setAnswer('asking …');
    workspace.tools.outside.live(address).then(
      ({ answer: got, way }) => {
        if (!got.ok) return setAnswer(NO_ANSWER[got.reason] ?? 'no answer');
        const shut = way.gates.find((gate) => gate.outcome === 'shut');
        return setAnswer(
          shut && got.status === 200 ? `answers 200, but is not to be listed` : `answers ${got.status}${got.hops.length > 1 ? ' after a redirect' : ''}`,
        );
      },
      (error: unknown) => setAnswer(messageOf(error)),
    );
  };
  const soft = fault === undefined || fault === 'not-there';
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 px-3.5 py-2" data-extra={address}>
      <span className="min-w-0 flex-1 basis-64">
        <span className="mono block break-all">{address}</span>
        <span className={`block text-fine ${soft ? 'soft' : 'text-error'}`}>
          {fault === undefined ? 'in the sitemap' : EXTRA_FAULTS[fault]}
          {answer !== undefined && <span aria-live="polite"> · live: {answer}</span>}
        </span>
      </span>
      <button type="button" className="link-act text-note" onClick={ask}>
        Ask it
      </button>
      <button
        type="button"
        className="btn btn-sm btn-ghost"
        aria-label={`Take ${address} out`}
        onClick={() => workspace.change(set('extras', address, 'at', null), { label: `${address} is out of the sitemap` })}
      >
        <X size={15} aria-hidden />
      </button>
    </li>
  );
}
