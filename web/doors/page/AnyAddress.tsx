import { useState } from 'react';
import { siteOrigin } from '../../../core/site/index.ts';
import { Gates, LiveLook, useRoute } from '../../components/index.ts';
import { DataTable, useDebounced } from '../../ui/index.ts';
import { useReport, useWorkspace } from '../../workspace/index.ts';
import { CrawlerChoice } from './CrawlerChoice.tsx';
import { useCrawlers } from './crawlers.ts';
import { decidedBy, REALITY_NAMES, wording } from '../wording.ts';

/** Any address of the site, of a page or not, against each crawler, with the line that decides; and the whole way in for one of them. */
export function AnyAddress() {
  const { page } = useRoute();
  const start = useWorkspace((state) => (page === undefined ? '/' : (state.byId.get(page)?.address ?? '/')));
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const crawlers = useCrawlers();
  const [address, setAddress] = useState(start);
  const [crawler, setCrawler] = useState(crawlers[0] ?? '');
  const asked = useDebounced(address, 120);
  const tried = useReport((one) => one.tools.analysis.tryAddress(asked, crawlers), `${asked} ${crawlers.join()}`);
  const chosen = tried?.find((one) => one.crawler === crawler);
  return (
    <div className="mx-auto max-w-page">
      <h1 className="mb-1">Any address</h1>
      <p className="soft mb-4">{wording.tryLead}</p>
      <label className="field flex items-center pl-3.5">
        <span className="mono soft flex-none max-sm:hidden">{origin}</span>
        <input
          className="mono !pl-1"
          aria-label="An address on this site"
          value={address}
          spellCheck={false}
          autoComplete="off"
          onChange={(event) => setAddress(event.target.value)}
        />
      </label>
      {!tried ? (
        <p className="soft mt-2 text-small">{wording.notHere}</p>
      ) : (
        <>
          <p className="soft mt-2 text-small" data-testid="what">
            {wording.whatAnswers[chosen?.spelledOwn === false ? 'spelled' : (chosen?.what ?? 'nothing')]}
          </p>
          <div className="mt-3">
            <DataTable
              rows={tried}
              keyOf={({ crawler: name }) => name}
              data={({ crawler: name, verdict }) => ({ 'data-crawler': name, 'data-allowed': verdict.allowed })}
              columns={[
                { id: 'crawler', name: 'Crawler', className: 'mono font-semibold', cell: ({ crawler: name }) => name },
                {
                  id: 'robots',
                  name: 'robots.txt',
                  className: ({ verdict }) => `whitespace-nowrap font-semibold ${verdict.allowed ? 'text-success' : 'text-error'}`,
                  cell: ({ verdict }) => (verdict.allowed ? 'may fetch it' : 'may not fetch it'),
                },
                { id: 'because', name: 'Because', className: 'text-note', cell: ({ verdict }) => decidedBy(verdict) },
                { id: 'end', name: 'In the end', className: 'whitespace-nowrap', cell: ({ way }) => REALITY_NAMES[way.reality] },
              ]}
            />
          </div>
          <div className="mt-5 mb-2">
            <CrawlerChoice label={wording.forWhom} crawlers={crawlers} value={crawler} onChange={setCrawler} />
          </div>
          {chosen && <Gates way={chosen.way} places={chosen.places} />}
        </>
      )}
      <LiveLook address={asked} crawler={crawler} way={chosen?.way} key={`${asked} ${crawler}`} />
    </div>
  );
}
