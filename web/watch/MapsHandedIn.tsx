import { useState, type FormEvent } from 'react';
import type { HandedInMap } from '../../core/exchange/index.ts';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import { counted, engineWords, fullDate, numberText } from '../../core/wording/index.ts';
import { PageLink } from '../components/index.ts';
import { note } from '../ui/index.ts';
import { useReport, useWorkspaceApi } from '../workspace/index.ts';
import { wholeAddress } from './addresses.ts';
import { useWatching } from './engines.tsx';
import { WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

/** The maps that an engine was given, what it read in each, and what is wrong with them. */
export function MapsHandedIn() {
  const { tools } = useWorkspaceApi();
  const { engine, host, origin, site, under, during } = useWatching();
  const own = `${origin}/${SITEMAP_FILE}`;
  const maps = site?.maps ?? [];
  const handed = maps.filter(({ named }) => named !== true);
  const [typed, setTyped] = useState<string>();
  // What is not there is not proposed: a map that answers 404 would only be a fault on the engine's list.
  const hasMap = useReport((one) => one.tools.analysis.hasMap());
  const address = typed ?? (hasMap !== true || handed.some((map) => map.address === own) ? '' : own);
  const proven = site?.verifiedAt !== undefined;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const whole = address.trim() === '' ? undefined : wholeAddress(address, origin);
    if (whole === undefined) return note('Write where the map lies.', {}, 'bad');
    void during('Handing in', () => tools.outside.handIn(host, whole, engine.id)).then((done) => done && setTyped(undefined));
  };
  return (
    <WatchPage title={wording.maps} lead={engineWords(engine.id).maps}>
      {site &&
        engine.needsProof &&
        (proven ? (
          <form onSubmit={submit} className="field mt-4 flex items-center gap-2 pl-3.5">
            <input
              className="mono !px-0"
              aria-label="Address of a map"
              placeholder={own}
              value={address}
              spellCheck={false}
              onChange={(event) => setTyped(event.target.value)}
            />
            <button type="submit" className="btn btn-primary m-1.5" disabled={under !== undefined}>
              Hand in
            </button>
          </form>
        ) : (
          <p className="notice notice-amber mt-4">
            Prove first that the site is yours.{' '}
            <PageLink to="proof" className="link-act">
              To the proof
            </PageLink>
          </p>
        ))}
      {maps.length === 0 && hasMap === false ? (
        <p className="notice mt-4">
          This site has no sitemap yet.{' '}
          <PageLink to="map" className="link-act">
            Write one
          </PageLink>
        </p>
      ) : maps.length === 0 ? (
        <p className="soft mt-4">{engine.needsProof ? 'None yet. With a map, pages are found that nothing links to.' : 'robots.txt names none.'}</p>
      ) : (
        <ul className="mt-4 flex flex-col gap-3">
          {maps.map((map) => (
            <li key={map.address} className="panel px-4 py-3" data-map={map.address}>
              <MapLine
                map={map}
                again={
                  engine.needsProof && proven ? () => void during('Reading it again', () => tools.outside.handIn(host, map.address, engine.id)) : undefined
                }
                back={map.named === true ? undefined : () => void during('Taking it back', () => tools.outside.takeMapBack(host, map.address, engine.id))}
                busy={under !== undefined}
              />
            </li>
          ))}
        </ul>
      )}
    </WatchPage>
  );
}

function MapLine({
  map,
  again,
  back,
  busy,
}: {
  readonly map: HandedInMap;
  readonly again: (() => void) | undefined;
  readonly back: (() => void) | undefined;
  readonly busy: boolean;
}) {
  const { address, named, handedInAt, readAt, count, problem, parts } = map;
  return (
    <>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <div className="min-w-0 flex-1">
          <p className="mono font-semibold break-all">{address}</p>
          <p className="soft text-note">
            {named === true ? 'named in robots.txt' : `handed in ${fullDate(handedInAt)}`}
            {readAt && `, read ${fullDate(readAt)}`}
          </p>
        </div>
        <p className="text-right">
          <span className="display text-lg font-semibold tabular-nums">{numberText(count)}</span>
          <span className="soft block text-fine">{count === 1 ? 'address' : 'addresses'}</span>
        </p>
      </div>
      {problem !== undefined && (
        <p className="notice notice-bad mt-2 text-small">
          {problem[0]?.toUpperCase()}
          {problem.slice(1)}.
        </p>
      )}
      {parts !== undefined && parts.length > 0 && (
        <details className="mt-1.5 text-small" open={parts.length <= 6}>
          <summary className="soft">An index of {counted(parts.length, 'map')}</summary>
          <ul className="mt-1">
            {parts.map((part) => (
              <li key={part.address} className="flex flex-wrap gap-x-3 border-t border-line py-1">
                <span className="mono min-w-0 flex-1 break-all text-tiny">{part.address}</span>
                <span className={part.problem === undefined ? 'soft' : 'text-error'}>{part.problem ?? counted(part.count, 'address', 'addresses')}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {(again ?? back) && (
        <p className="mt-2 flex gap-2">
          {again && (
            <button type="button" className="btn btn-sm btn-outline-ink" disabled={busy} onClick={again}>
              {named === true ? 'Hand it in' : 'Hand it in again'}
            </button>
          )}
          {back && (
            <button type="button" className="btn btn-sm btn-ghost" disabled={busy} onClick={back}>
              Take it back
            </button>
          )}
        </p>
      )}
    </>
  );
}
