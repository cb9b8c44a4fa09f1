import { ExternalLink } from 'lucide-react';
import { Link } from 'react-router';
import type { HostedSite } from '../../core/exchange/index.ts';
import { type RecordOf } from '../../core/site/index.ts';
import { counted } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { type ReleaseOutcome } from '../workspace/index.ts';
import { ReleaseLine } from './ReleaseLine.tsx';
import { LeftList } from './CannotGo.tsx';
import { Offline } from './Offline.tsx';
import { wording } from './wording.ts';

/** How many earlier releases stand beside. */
const SHOWN = 5;

/** What became of a release: that it is live, and what could not be written. */
export function Outcome({ outcome }: { readonly outcome: ReleaseOutcome }) {
  return (
    <>
      {outcome.hosted && (
        <p className="notice notice-good mb-3 flex flex-wrap items-center gap-x-3" data-testid="released">
          <span>
            Release {outcome.number} is live: {counted(outcome.hosted.files, 'file')} under {outcome.hosted.host}.
          </span>
          <a className="link-act inline-flex items-center gap-1" href={outcome.hosted.visit} target="_blank" rel="noreferrer">
            Visit it <ExternalLink size={14} aria-hidden />
          </a>
        </p>
      )}
      {outcome.left.length > 0 && (
        <div className="notice notice-amber mb-3" data-testid="not-written">
          <p className="font-semibold">{wording.leftTitle}</p>
          <LeftList left={outcome.left} />
        </div>
      )}
    </>
  );
}

/** What the stand-in host serves; null where that is nothing, undefined while it is not known. */
export function Hosted({
  host,
  hosted,
  onChange,
}: {
  readonly host: string;
  readonly hosted: HostedSite | null | undefined;
  readonly onChange: (hosted: HostedSite) => void;
}) {
  return (
    <>
      <h2>
        {wording.toHost} <span className="soft text-note font-normal">{wording.hostWhy}</span>
      </h2>
      <p className="mt-1.5">
        {hosted ? (
          <>
            <span className="mono break-all">{hosted.host}</span> serves release {hosted.number}, {counted(hosted.files, 'file')}.{' '}
            <a className="link-act" href={hosted.visit} target="_blank" rel="noreferrer">
              Visit it
            </a>
          </>
        ) : (
          <span className="soft">Nothing is hosted under {host} yet.</span>
        )}
      </p>
      {hosted && <Offline hosted={hosted} onChange={onChange} />}
    </>
  );
}

/** The latest of the earlier releases, newest first. */
export function EarlierReleases({ releases }: { readonly releases: readonly (readonly [number: string, record: RecordOf<'releases'>])[] }) {
  const { linkToView } = useRoute();
  return (
    <>
      <h2 className="mt-5">{wording.earlier}</h2>
      <ol className="mt-1.5">
        {releases.slice(0, SHOWN).map(([number, record]) => (
          <li key={number} className="border-t border-line py-2">
            <ReleaseLine number={number} record={record} />
          </li>
        ))}
        {releases.length === 0 && <li className="soft">None from here yet.</li>}
      </ol>
      {releases.length > 0 && (
        <Link className="link-act text-note" to={linkToView('release', 'earlier')}>
          {wording.earlierTitle}
        </Link>
      )}
    </>
  );
}
