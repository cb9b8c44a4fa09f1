import { counted, engineWords } from '../../core/wording/index.ts';
import { Empty } from '../ui/index.ts';
import { useWatching } from './engines.tsx';
import { IndexTable } from './IndexTable.tsx';
import { ToRehearsal, WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

/** Every address that an engine knows, with its state, why, and when it was and will be visited. */
export function AllPages() {
  const { engine, site } = useWatching();
  const words = engineWords(engine.id);
  const records = site?.records ?? [];
  return (
    <WatchPage title={wording.pages(engine.name)} lead={wording.pagesLead} wide>
      {site === undefined ? null : records.length === 0 ? (
        <Empty title={wording.notYet(engine.name)} action={<ToRehearsal />}>
          {engine.needsProof && site.verifiedAt === undefined ? words.maps : words.notYet}
        </Empty>
      ) : (
        <>
          {!records.some(({ visitedAt }) => visitedAt !== undefined) && (
            <p className="notice notice-amber mt-3">
              {counted(records.length, 'address is', 'addresses are')} known from the sitemap and wait for a visit. Move the clock on by a day.
            </p>
          )}
          {site.limits?.map((limit) => (
            <p key={`${limit.code} ${limit.address}`} className="notice notice-amber mt-3" data-testid="crawl-limit">
              {wording.limit(engine.name, limit)}
            </p>
          ))}
          <IndexTable site={site} />
        </>
      )}
    </WatchPage>
  );
}
