import { messageOf } from '../../core/source/index.ts';
import { useState } from 'react';
import type { LiveAnswer } from '../../core/exchange/index.ts';
import { NO_ANSWER } from '../../core/wording/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';

/** Whether the map's own address answers as it should, out there and now. */
export function MapAddress({ address, on }: { readonly address: string; readonly on: boolean }) {
  const { tools } = useWorkspaceApi();
  const [answer, setAnswer] = useState<LiveAnswer | 'asking' | { readonly failed: string }>();
  const ask = (): void => {
    setAnswer('asking');
    tools.outside.live(address).then(setAnswer, (error: unknown) => setAnswer({ failed: messageOf(error) }));
  };
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-small" aria-live="polite">
      <button type="button" className="link-act" disabled={answer === 'asking'} onClick={ask}>
        Does its address answer?
      </button>
      <span data-testid="map-answer">
        {answer === undefined ? '' : answer === 'asking' ? 'asking …' : 'failed' in answer ? answer.failed : told(answer, on)}
      </span>
    </p>
  );
}

function told({ answer, way, world }: LiveAnswer, on: boolean): string {
  const where = world === 'stand-in' ? 'At the stand-in host' : 'Out there';
  if (!answer.ok) return `${where}: ${NO_ANSWER[answer.reason] ?? 'no answer'}.`;
  const shut = way.gates.find((gate) => gate.name === 'fetchable' && gate.outcome === 'shut');
  if (shut) return `${where} it answers ${answer.status}, but robots.txt forbids engines to fetch it.`;
  if (answer.hops.length > 1) return `${where} it redirects to ${answer.hops.at(-1)?.address ?? ''}. Hand in that address, or make it answer by itself.`;
  if (answer.status === 200)
    return /xml|text\/plain/.test(answer.type) ? `${where} it answers 200, as it should.` : `${where} it answers 200, but as ${answer.type}: that is no map.`;
  if (answer.status === 404) return `${where} it answers 404: there is none${on ? ' yet. It goes out with the next release' : ', since none is written'}.`;
  if (answer.status === 401) return `${where} it answers 401: the host asks for a password, which engines have not.`;
  if (answer.status === 403) return `${where} it answers 403: the host refuses whoever asks, or turns programs away.`;
  return `${where} it answers ${answer.status}.`;
}
