import { useEffect, useState } from 'react';
import { SKERRY } from '../../core/engines/index.ts';
import type { ProofOutcome } from '../../core/ownership/index.ts';
import { claimsOf, siteHost, siteOrigin } from '../../core/site/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { proofWords, shortDate } from '../../core/wording/index.ts';
import { Rail, StepLine, useRoute } from '../components/index.ts';
import { Copyable, note, Segments, useAsync } from '../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { PasteProof } from './PasteProof.tsx';
import { KNOWN } from './placing.ts';
import { Placed, waitsFor } from './Placed.tsx';
import { ProofChain } from './ProofChain.tsx';
import { wording } from './wording.ts';

const WAYS = ['tag', 'file', 'txt'] as const;
type Way = (typeof WAYS)[number];

/** Ownership: what engines gave, where it stands, and whether it holds. */
export function Proof() {
  const workspace = useWorkspaceApi();
  const { go } = useRoute();
  const document = useTables('facts', 'claims');
  const engine = useWorkspace((state) => state.engine);
  const home = useWorkspace((state) => state.rows.find((row) => row.address === '/'));
  const host = siteHost(document);
  const { value: given, failure: offline } = useAsync(() => workspace.tools.outside.proofTag(host), host, { fresh: true });
  const [pasted, setPasted] = useState('');
  const [way, setWay] = useState<Way>('tag');
  const [looking, setLooking] = useState(false);
  /** How often the owner had the chain looked at once more. */
  const [looks, setLooks] = useState(0);
  const waiting = useReport((one) => one.tools.analysis.releaseItems());
  useEffect(() => void workspace.askEngine(), [workspace, host]);
  const origin = siteOrigin(document);
  // Skerry's own, in whichever way it was placed last.
  const claim = claimsOf(document)
    .filter((one) => one.id === SKERRY.id || KNOWN[one.engine.toLowerCase()] === SKERRY.id)
    .sort((one, other) => ((one.at ?? '') < (other.at ?? '') ? 1 : -1))[0];
  const waits = claim !== undefined && waitsFor(claim, waiting, home?.id);
  const verify = async (): Promise<void> => {
    setLooking(true);
    try {
      await workspace.tools.outside.verify(host, origin, claim?.kind === 'file' ? 'file' : claim?.kind === 'txt' ? 'txt' : 'tag');
      await workspace.askEngine();
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    } finally {
      setLooking(false);
    }
  };
  const outcome = engine?.lastOutcome as ProofOutcome | undefined;
  const notReleased = outcome !== undefined && outcome.kind !== 'verified' && waits;
  const piece = given && { tag: given.tag, file: `${given.file.name}\nContent: ${given.file.content}`, txt: `@ TXT "${given.record}"` }[way];
  const isRecord = claim?.kind === 'txt' || claim?.kind === 'cname';
  return (
    <div className="mx-auto max-w-narrow">
      <h1>{wording.title}</h1>
      <p className="soft mt-1.5 max-w-prose">{wording.lead}</p>
      {offline !== undefined && <p className="notice notice-bad mt-4">{offline}</p>}
      {outcome && (
        <Outcome outcome={outcome} notReleased={notReleased} onRelease={() => go('release')} verifiedAt={engine?.verifiedAt} lostAt={engine?.lostAt} />
      )}
      <PasteProof pasted={pasted} onPasted={setPasted} />
      <Placed items={waiting} home={home?.id} watched={claim?.id} />

      <section className="mt-6" aria-labelledby="before">
        <h2 id="before">{wording.before}</h2>
        <ol className="panel mt-2">
          <StepLine
            done={claim !== undefined}
            name={
              claim
                ? `Its ${{ tag: 'tag', file: 'file', txt: 'record', cname: 'record' }[claim.kind]} is ${isRecord ? 'written down' : 'placed'}`
                : 'What it gave is placed'
            }
            why={claim ? `${claim.name}: ${claim.content}` : 'Paste it above.'}
          />
          {isRecord ? null : (
            <StepLine
              done={claim !== undefined && !waits}
              name="It is released"
              why={waits ? 'It waits for release; what is not released is not seen.' : claim ? 'It went out with the last release.' : 'After it is placed.'}
            >
              {waits && (
                <button type="button" className="link-act text-note" onClick={() => go('release')}>
                  Release
                </button>
              )}
            </StepLine>
          )}
          {claim && <ProofChain claim={claim} asked={`${engine?.lastOutcome ? 'looked' : ''} ${waiting?.length ?? 0} ${looks}`} />}
          <StepLine
            done={engine?.verifiedAt !== undefined}
            name="Skerry has found it"
            why={
              engine?.verifiedAt
                ? `since ${shortDate(engine.verifiedAt)}; it looks again at each visit`
                : 'It looks where it was told to: in the head, at the root, or in the domain’s records.'
            }
          />
        </ol>
        <div className="mt-3 flex flex-wrap gap-2">
          <button type="button" className="btn btn-primary" disabled={looking || engine === undefined} onClick={() => void verify()}>
            {looking ? 'Skerry is looking …' : wording.verify}
          </button>
          {claim && (
            <button type="button" className="btn btn-outline-ink" onClick={() => setLooks(looks + 1)}>
              {wording.lookAgain}
            </button>
          )}
        </div>
      </section>
      <Rail>
        <h2>{wording.given}</h2>
        <p className="soft mt-1 text-note">{wording.givenWhy(host)}</p>
        <div className="mt-2">
          <Segments label={wording.given} value={way} onChange={setWay} options={WAYS.map((value) => ({ value, label: wording.ways[value] }))} />
        </div>
        {piece && (
          <div className="panel mt-2">
            <pre className="code-block">{piece}</pre>
            <div className="flex justify-between border-t border-line px-1 py-1">
              <button type="button" className="btn btn-sm btn-ghost" onClick={() => setPasted(piece)}>
                Paste it for me
              </button>
              <Copyable text={piece} />
            </div>
          </div>
        )}
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
