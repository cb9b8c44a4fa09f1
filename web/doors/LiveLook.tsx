import { useState } from 'react';
import { siteOrigin } from '../../core/site/index.ts';
import type { LiveAnswer } from '../../core/exchange/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** Asks the address itself how it answers right now. */
export function LiveLook({ address }: { readonly address: string }) {
  const { tools } = useWorkspaceApi();
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const [answer, setAnswer] = useState<LiveAnswer | 'asking' | { readonly failed: string }>();
  const ask = (): void => {
    setAnswer('asking');
    tools.outside.live(origin + address).then(setAnswer, (error: unknown) => setAnswer({ failed: (error as Error).message }));
  };
  return (
    <p className="mb-6 mt-2 flex flex-wrap items-center gap-x-3 text-[13px]" aria-live="polite">
      <button type="button" className="link-act" onClick={ask} disabled={answer === 'asking'}>
        Ask the live address
      </button>
      <span className="soft">{answer === undefined ? '' : answer === 'asking' ? 'asking …' : 'failed' in answer ? answer.failed : told(answer)}</span>
    </p>
  );
}

function told(answer: LiveAnswer): string {
  const where = answer.world === 'stand-in' ? 'stand-in host' : 'the internet';
  if (!answer.ok)
    return `${where}: ${{ 'no-such-host': 'there is no such host', 'private-address': 'this address is not fetched from here', timeout: 'no answer in ten seconds', 'too-many-redirects': 'it redirects in circles', 'too-large': 'the answer is too large' }[answer.reason] ?? 'no answer'}`;
  const redirect = answer.redirects.length > 0 ? `, after a redirect to ${answer.redirects.at(-1) ?? ''}` : '';
  const header = answer.robotsTag.length > 0 ? `, with X-Robots-Tag: ${answer.robotsTag.join('; ')}` : '';
  return `${where}: answers ${answer.status} in ${answer.milliseconds} ms${redirect}${header}`;
}
