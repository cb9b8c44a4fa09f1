import { useState } from 'react';
import type { NoticeAnswer } from '../../core/exchange/index.ts';
import { hubWords } from '../../core/wording/index.ts';
import { PageLink } from '../components/index.ts';
import { useReport, useWorkspaceApi } from '../workspace/index.ts';
import { useWatching } from './engines.tsx';
import { NoticeOutcome } from './NoticeOutcome.tsx';
import { wording } from './wording.ts';

/** Tells the hubs of the site's feeds that these have changed. Nothing where no feed names a hub. */
export function HubTelling() {
  const { outside, analysis } = useWorkspaceApi().tools;
  const { under, during } = useWatching();
  const topics = useReport(() => analysis.feedTopics());
  const [answers, setAnswers] = useState<readonly { readonly hub: string; readonly topic: string; readonly answer: NoticeAnswer }[]>([]);
  if (topics === undefined || topics.length === 0) return null;
  const hubs = [...new Set(topics.flatMap((one) => one.hubs))];
  const tell = (hub: string): Promise<boolean> =>
    during('Telling', async () => {
      const told = topics.filter((one) => one.out && one.hubs.includes(hub));
      setAnswers(await Promise.all(told.map(async ({ topic }) => ({ hub, topic, answer: await outside.tellHub({ hub, topic }) }))));
    });
  return (
    <section className="mt-7 border-t border-line pt-5" aria-labelledby="hubs">
      <h2 id="hubs">{wording.hubs}</h2>
      <p className="soft mt-1 max-w-prose">{wording.hubsLead}</p>
      {hubs.map((hub) => {
        const feeds = topics.filter((one) => one.hubs.includes(hub));
        const out = feeds.some((one) => one.out);
        return (
          <div key={hub} className="panel mt-3 p-3.5">
            <div className="flex flex-wrap items-center justify-between gap-2">
              <strong className="mono min-w-0 break-all">{hub}</strong>
              <button type="button" className="btn btn-sm btn-primary" disabled={under !== undefined || !out} onClick={() => void tell(hub)}>
                Tell this hub
              </button>
            </div>
            <ul className="mt-1.5 text-note">
              {feeds.map((feed) => (
                <li key={feed.topic} className="mono break-all">
                  {feed.topic}
                  {!feed.out && (
                    <span className="soft font-sans">
                      {' '}
                      names this hub from the next release on.{' '}
                      <PageLink to="release" className="link-act">
                        To the release
                      </PageLink>
                    </span>
                  )}
                </li>
              ))}
            </ul>
            <div aria-live="polite">
              {answers
                .filter((one) => one.hub === hub)
                .map(({ topic, answer }) => (
                  <NoticeOutcome key={topic} words={hubWords(answer)} about={feeds.length > 1 ? topic : ''} testId="hub-told" />
                ))}
            </div>
          </div>
        );
      })}
    </section>
  );
}
