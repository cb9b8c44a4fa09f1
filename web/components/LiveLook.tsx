import { messageOf, type CrawlerToken } from '../../core/source/index.ts';
import { useState } from 'react';
import type { LiveAnswer } from '../../core/exchange/index.ts';
import type { WayIn } from '../../core/indexing/index.ts';
import { siteOrigin } from '../../core/site/index.ts';
import { GATE_QUESTIONS, gateWords, NO_ANSWER } from '../../core/wording/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Gates } from './Gates.tsx';
import { Term } from './Term.tsx';

const wording = {
  live: 'As it is out there now',
  liveWhy: 'asks the address itself, as any visitor would',
  liveDiffers: 'What is live differs from what is planned here. Nothing counts before it is released.',
  twins: 'The same page under its other names',
};

/** Asks the address itself how it answers right now, and leads the crawler through the gates by what came back. */
export function LiveLook({ address, crawler, way }: { readonly address: string; readonly crawler: CrawlerToken; readonly way: WayIn | undefined }) {
  const { tools } = useWorkspaceApi();
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const [answer, setAnswer] = useState<LiveAnswer | 'asking' | { readonly failed: string }>();
  const whole = /^https?:\/\//i.test(address) ? address : origin + address;
  const ask = (): void => {
    setAnswer('asking');
    tools.outside.live(whole, crawler).then(setAnswer, (error: unknown) => setAnswer({ failed: messageOf(error) }));
  };
  return (
    <section className="mt-6" aria-label={wording.live}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2>{wording.live}</h2>
        <span className="soft text-small">{wording.liveWhy}</span>
        <button type="button" className="btn btn-sm btn-outline-ink ml-auto" onClick={ask} disabled={answer === 'asking'}>
          {answer === 'asking' ? 'Asking …' : 'Ask the live address'}
        </button>
      </div>
      <div aria-live="polite">
        {answer !== undefined &&
          answer !== 'asking' &&
          ('failed' in answer ? <p className="notice notice-bad mt-2">{answer.failed}</p> : <Told answer={answer} way={way} />)}
      </div>
    </section>
  );
}

function Told({ answer, way }: { readonly answer: LiveAnswer; readonly way: WayIn | undefined }) {
  const { answer: got, robots, twins } = answer;
  const differ = way ? differences(answer.way, way) : [];
  return (
    <div className="mt-2" data-testid="live">
      <p className="text-small">
        {answer.world === 'stand-in' ? 'The stand-in host' : 'The internet'}:{' '}
        {got.ok
          ? `answers ${got.status} in ${got.milliseconds} ms, ${got.bytes.toLocaleString('en')} bytes of ${got.type || 'no type'}`
          : (NO_ANSWER[got.reason] ?? 'no answer')}
        . robots.txt {robots.status === undefined ? 'does not answer' : `answers ${robots.status}`}
        {robots.redirects.length > 0 && `, after ${robots.redirects.length} redirects`}.
      </p>
      {got.hops.length > 1 && (
        <ol className="mono mt-1.5 text-tiny" aria-label="Redirects followed">
          {got.hops.map((hop) => (
            <li key={hop.address} className="break-all">
              {hop.status} {hop.address}
            </li>
          ))}
        </ol>
      )}
      <div className="mt-2">
        <Gates way={answer.way} places={answer.places} />
      </div>
      {differ.length > 0 && (
        <div className="notice notice-amber mt-2 text-small">
          <p className="font-semibold">{wording.liveDiffers}</p>
          <ul>
            {differ.map(({ name, live, here }) => (
              <li key={name}>
                {GATE_QUESTIONS[name]} Live: {live}. Here: {here}.
              </li>
            ))}
          </ul>
        </div>
      )}
      <h3 className="mt-3 text-plain font-semibold">
        {wording.twins} <Term id="twins" />
      </h3>
      <ul className="text-note">
        {twins.map((variant) => (
          <li key={variant.address} className="mt-1 flex flex-wrap gap-x-2">
            <span className="mono break-all">{variant.address}</span>
            <span className={variant.leadsTo === undefined && variant.failed === undefined ? 'text-error' : 'soft'}>
              {variant.failed !== undefined
                ? (NO_ANSWER[variant.failed] ?? 'no answer')
                : variant.leadsTo !== undefined
                  ? `leads to ${variant.leadsTo}`
                  : variant.status !== undefined && variant.status < 300
                    ? 'answers by itself: engines take it for another page'
                    : `answers ${variant.status ?? 'nothing'}`}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Gates at which what is live and what is planned here do not agree; whether it is out yet is the difference itself, so it is not told. */
function differences(live: WayIn, here: WayIn) {
  return live.gates.flatMap((gate) => {
    const planned = here.gates.find((one) => one.name === gate.name);
    if (!planned || gate.name === 'live' || gate.name === 'reachable' || planned.behind === gate.behind) return [];
    return [{ name: gate.name, live: gateWords(gate.reason).evidence, here: gateWords(planned.reason).evidence }];
  });
}
