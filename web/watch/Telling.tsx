import { useState } from 'react';
import { ENGINES, engineHost } from '../../core/engines/index.ts';
import { isNoticeKey, NOTICE_ADDRESSES, noticeKeyFile } from '../../core/ownership/index.ts';
import { addressOf, isPageFile, set } from '../../core/site/index.ts';
import { counted, noticeWords, numberText } from '../../core/wording/index.ts';
import { PageLink, StepLine } from '../components/index.ts';
import { Copyable, recall, remember, useAsync } from '../ui/index.ts';
import { useReport, useTables, useWorkspaceApi } from '../workspace/index.ts';
import { useWatching } from './engines.tsx';
import { HubTelling } from './HubTelling.tsx';
import { NoticeOutcome } from './NoticeOutcome.tsx';
import { WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

const ENDPOINTS = ENGINES.map((engine) => ({ name: engine.name, address: `https://${engineHost(engine)}/indexnow` }));
const REMEMBERED = 'jolly-beacon-notice-endpoint';

/** Tells engines what changed: the key placed and looked at, the addresses of the last release, any endpoint of the protocol. */
export function Telling() {
  const workspace = useWorkspaceApi();
  const { outside, analysis } = workspace.tools;
  const { engine, host, origin, now, under, during } = useWatching();
  const document = useTables('facts', 'releases');
  const key = document.tables.facts['']?.noticeKey ?? '';
  const good = isNoticeKey(key);
  const last = Math.max(0, ...Object.keys(document.tables.releases).map(Number));
  const changed = useReport(async () => {
    const items = last === 0 ? undefined : await analysis.compareReleases(last - 1, last).catch(() => undefined);
    return (items ?? []).flatMap(({ out, own, hosting }) => (own || hosting || !isPageFile(out) ? [] : [origin + addressOf(out)]));
  }, `${last} ${origin}`);
  const [typed, setTyped] = useState<string>();
  const [endpoint, setEndpoint] = useState<string>(() => recall(REMEMBERED) ?? `https://${engineHost(engine)}/indexnow`);
  const [answer, setAnswer] = useState<{ readonly endpoint: string; readonly count: number; readonly words: ReturnType<typeof noticeWords> }>();
  const file = good ? `${origin}/${noticeKeyFile(key)}` : undefined;
  const looked = useAsync(() => outside.live(file ?? ''), file === undefined ? undefined : `${file} ${last} ${now ?? ''} ${answer?.count ?? ''}`, {
    fresh: true,
  });
  const there = looked.value?.answer.ok === true && looked.value.answer.status === 200;
  const text = typed ?? (changed ?? []).join('\n');
  const addresses = [...new Set(text.split(/\s+/).filter((address) => URL.canParse(address)))];
  const odd = text.split(/\s+/).filter((one) => one !== '' && !URL.canParse(one)).length;
  const make = (): void => workspace.change(set('facts', '', 'noticeKey', workspace.tools.newId()), { label: 'A key for change notices was made' });
  const tell = async (): Promise<void> => {
    remember(REMEMBERED, endpoint);
    await during('Telling', async () => {
      const answered = await outside.tell({ endpoint, host, key, addresses });
      setAnswer({ endpoint, count: addresses.length, words: noticeWords(answered) });
    });
  };
  const steps = [
    {
      done: good,
      name: 'A key is made',
      action: good ? (
        <Copyable text={key} />
      ) : (
        <button type="button" className="btn btn-sm btn-primary" onClick={make}>
          Make a key
        </button>
      ),
      note: good ? <span className="mono break-all">{key}</span> : 'Any 8 to 128 letters and digits; it is no secret.',
    },
    {
      done: there,
      name: 'Its file is on the site',
      action: undefined,
      note: !good ? (
        'With the next release.'
      ) : there ? (
        <span className="mono break-all">{file}</span>
      ) : (
        <>
          {noticeKeyFile(key)} goes out with the next release.{' '}
          <PageLink to="release" className="link-act">
            To the release
          </PageLink>
        </>
      ),
    },
  ];
  return (
    <WatchPage title={wording.tell} lead={wording.tellLead} both>
      <ol className="panel mt-4">
        {steps.map(({ done, name, note, action }) => (
          <StepLine key={name} done={done} name={name} why={note}>
            {action}
          </StepLine>
        ))}
      </ol>
      <section className="mt-5" aria-labelledby="addresses">
        <div className="flex flex-wrap items-baseline justify-between gap-2">
          <h2 id="addresses">{last === 0 ? 'Addresses' : `What release ${last} changed`}</h2>
          <span className="soft text-small">
            {counted(addresses.length, 'address', 'addresses')}
            {odd > 0 && `, ${counted(odd, 'line')} that is none`}
          </span>
        </div>
        <textarea
          className="textarea mono mt-2 w-full"
          rows={7}
          aria-labelledby="addresses"
          placeholder={`${origin}/`}
          value={text}
          spellCheck={false}
          onChange={(event) => setTyped(event.target.value)}
        />
        {addresses.length > NOTICE_ADDRESSES && <p className="notice notice-bad mt-2">One notice takes {numberText(NOTICE_ADDRESSES)} addresses at most.</p>}
      </section>
      <section className="mt-5" aria-labelledby="endpoint">
        <h2 id="endpoint">To whom</h2>
        <div className="mt-2 flex flex-wrap gap-1.5">
          {ENDPOINTS.map(({ name, address }) => (
            <button key={address} type="button" className="chip" aria-pressed={endpoint === address} onClick={() => setEndpoint(address)}>
              {name}
            </button>
          ))}
        </div>
        <div className="mt-2 flex flex-wrap gap-2">
          <input
            className="input mono min-w-0 flex-1 basis-64"
            aria-label="Endpoint"
            value={endpoint}
            spellCheck={false}
            onChange={(event) => setEndpoint(event.target.value.trim())}
          />
          <button
            type="button"
            className="btn btn-primary"
            disabled={under !== undefined || !good || addresses.length === 0 || addresses.length > NOTICE_ADDRESSES || !/^https?:\/\//.test(endpoint)}
            onClick={() => void tell()}
          >
            Tell
          </button>
        </div>
        <p className="soft mt-1.5 text-note">
          {!good && 'First make a key. '}Any endpoint of the protocol will do. Engines that take part pass on to each other what they are told.
        </p>
        <div aria-live="polite">
          {answer && <NoticeOutcome words={answer.words} about={`${counted(answer.count, 'address', 'addresses')} to ${answer.endpoint}`} testId="told" />}
        </div>
      </section>
      <HubTelling />
    </WatchPage>
  );
}
