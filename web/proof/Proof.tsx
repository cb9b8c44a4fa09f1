import { messageOf } from '../../core/source/index.ts';
import { SKERRY } from '../../core/engines/index.ts';
import { Check, Circle } from 'lucide-react';
import { useEffect, useId, useState } from 'react';
import { readPastedProof, type ProofOutcome } from '../../core/ownership/index.ts';
import { all, set, siteHost, siteOrigin } from '../../core/site/index.ts';
import { pastedWords, proofWords, shortDate } from '../../core/wording/index.ts';
import { Rail, useRoute } from '../components/index.ts';
import { Copyable, note, useAsync } from '../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

const ENGINE = SKERRY.id;

/** Ownership: the tag, where it stands, and whether it holds. */
export function Proof() {
  const workspace = useWorkspaceApi();
  const id = useId();
  const { go } = useRoute();
  const document = useTables('facts', 'claims');
  const engine = useWorkspace((state) => state.engine);
  const home = useWorkspace((state) => state.rows.find((row) => row.address === '/'));
  const host = siteHost(document);
  const claim = document.tables.claims[ENGINE];
  const { value: tag, failure: offline } = useAsync(() => workspace.tools.outside.proofTag(host), host, { fresh: true });
  const [pasted, setPasted] = useState('');
  const [looking, setLooking] = useState(false);
  const waiting = useReport((one) => one.tools.analysis.releaseItems());
  useEffect(() => void workspace.askEngine(), [workspace, host]);

  const name = tag?.name ?? 'skerry-proof';
  const read = readPastedProof(pasted, name);
  const waits = home !== undefined && waiting?.some((item) => item.path === home.id && item.edits.some((edit) => edit.kind === 'meta')) === true;
  const hosted = engine !== undefined;
  const place = (): void => {
    if (!read.ok) return;
    workspace.change(
      all([
        set('claims', ENGINE, 'name', read.name),
        set('claims', ENGINE, 'content', read.content),
        set('claims', ENGINE, 'at', workspace.tools.now().toISOString()),
      ]),
      { label: 'Skerry’s tag was placed' },
    );
    setPasted('');
    note('Placed in the head of the home page. It counts once it is released.', {}, 'good');
  };
  const remove = (): void =>
    workspace.change(all([set('claims', ENGINE, 'name', null), set('claims', ENGINE, 'content', null), set('claims', ENGINE, 'at', null)]), {
      label: 'Skerry’s tag was taken away',
    });
  const verify = async (): Promise<void> => {
    setLooking(true);
    try {
      await workspace.tools.outside.verify(host, siteOrigin(document));
      await workspace.askEngine();
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    } finally {
      setLooking(false);
    }
  };
  const outcome = engine?.lastOutcome as ProofOutcome | undefined;
  const notReleased = outcome !== undefined && outcome.kind !== 'verified' && waits;
  return (
    <div className="mx-auto max-w-narrow">
      <h1>{wording.title}</h1>
      <p className="soft mt-1.5 max-w-prose">{wording.lead}</p>
      {offline !== undefined && <p className="notice notice-bad mt-4">{offline}</p>}
      {outcome && (
        <Outcome outcome={outcome} notReleased={notReleased} onRelease={() => go('release')} verifiedAt={engine?.verifiedAt} lostAt={engine?.lostAt} />
      )}

      <section className="mt-5">
        <label htmlFor={id} className="display mb-1 block text-lead font-semibold">
          {wording.paste}
        </label>
        <div className="field">
          <textarea
            id={id}
            className="mono"
            rows={3}
            spellCheck={false}
            placeholder={wording.placeholder}
            value={pasted}
            onChange={(event) => setPasted(event.target.value)}
            aria-describedby={`${id}-read`}
          />
        </div>
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <p id={`${id}-read`} className="soft min-w-0 flex-1 text-small" aria-live="polite">
            {read.ok ? (
              <>
                Understood as {{ tag: 'the whole tag', code: 'the code alone', text: 'a tag with text around it' }[read.from]}. Code:{' '}
                <code className="break-all">{read.content}</code>
              </>
            ) : pasted === '' ? (
              claim?.content ? (
                ''
              ) : (
                pastedWords(read)
              )
            ) : (
              <span className="text-error">{pastedWords(read)}</span>
            )}
          </p>
          <button type="button" className="btn btn-primary" disabled={!read.ok} onClick={place}>
            {wording.place}
          </button>
        </div>
      </section>

      <section className="mt-6" aria-labelledby="before">
        <h2 id="before">{wording.before}</h2>
        <ol className="panel mt-2">
          <Line
            done={claim?.content !== undefined && claim.content !== null}
            text="The tag is placed"
            note={claim?.content ? `${claim.name}: ${claim.content}` : 'Paste it above.'}
            action={claim?.content ? { label: 'Take it away', run: remove } : undefined}
          />
          <Line
            done={claim?.content !== undefined && claim.content !== null && !waits}
            text="It is released"
            note={
              waits
                ? 'It waits for release; what is not released is not seen.'
                : claim?.content
                  ? 'It stands in the head of the home page.'
                  : 'After it is placed.'
            }
            action={waits ? { label: 'Release', run: () => go('release') } : undefined}
          />
          <Line
            done={engine?.verifiedAt !== undefined}
            text="Skerry has found it"
            note={engine?.verifiedAt ? `since ${shortDate(engine.verifiedAt)}` : 'It fetches the home page and looks in its head.'}
          />
        </ol>
        <div className="mt-3">
          <button type="button" className="btn btn-primary" disabled={looking || !hosted} onClick={() => void verify()}>
            {looking ? 'Skerry is looking …' : wording.verify}
          </button>
        </div>
      </section>
      <Rail>
        <h2>{wording.given}</h2>
        <p className="soft mt-1 text-note">
          Skerry ships with the program and behaves like a search engine out there. This is what it would show you for {host}:
        </p>
        {tag && (
          <div className="panel mt-2">
            <pre className="code-block">{tag.tag}</pre>
            <div className="flex justify-between border-t border-line px-1 py-1">
              <button type="button" className="btn btn-sm btn-ghost" onClick={() => setPasted(tag.tag)}>
                Paste it for me
              </button>
              <Copyable text={tag.tag} />
            </div>
          </div>
        )}
        <p className="soft mt-4 text-fine">{wording.scope}</p>
      </Rail>
    </div>
  );
}

function Outcome({
  outcome,
  notReleased,
  onRelease,
  verifiedAt,
  lostAt,
}: {
  readonly outcome: ProofOutcome;
  readonly notReleased: boolean;
  readonly onRelease: () => void;
  readonly verifiedAt: string | undefined;
  readonly lostAt: string | undefined;
}) {
  const words = proofWords(outcome);
  const good = outcome.kind === 'verified';
  return (
    <div className={`notice mt-4 flex flex-wrap items-center gap-4 ${good ? 'notice-good' : 'notice-bad'}`} role="status" data-testid="proof-outcome">
      <div className="min-w-0 flex-1 basis-60">
        <p className="display font-semibold">{notReleased ? 'Not released yet' : words.headline}</p>
        <p className="text-small">
          {notReleased ? 'The tag is placed here, but the home page that Skerry sees is the released one.' : words.mend}
          {good && verifiedAt && ` Proven since ${shortDate(verifiedAt)}.`}
          {!good && lostAt && ` The proof was lost on ${shortDate(lostAt)}.`}
        </p>
      </div>
      {notReleased && (
        <button type="button" className="btn btn-primary" onClick={onRelease}>
          Release first
        </button>
      )}
    </div>
  );
}

function Line({
  done,
  text,
  note,
  action,
}: {
  readonly done: boolean;
  readonly text: string;
  readonly note: string;
  readonly action?: { readonly label: string; readonly run: () => void } | undefined;
}) {
  return (
    <li className="flex items-start gap-3 border-t border-line px-3.5 py-2.5 first:border-t-0">
      <span className={`cost ${done ? 'cost-fine' : 'cost-polish'}`}>
        {done ? <Check size={16} strokeWidth={2.5} role="img" aria-label="done" /> : <Circle size={14} role="img" aria-label="open" />}
      </span>
      <div className="min-w-0 flex-1">
        <p className="font-semibold">{text}</p>
        <p className="soft break-all text-note">{note}</p>
      </div>
      {action && (
        <button type="button" className="link-act text-note" onClick={action.run}>
          {action.label}
        </button>
      )}
    </li>
  );
}
