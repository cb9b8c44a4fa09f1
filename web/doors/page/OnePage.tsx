import { useState } from 'react';
import { Link } from 'react-router';
import { policyFor } from '../../../core/engines/index.ts';
import { gatePlaces } from '../../../core/indexing/index.ts';
import { crawlerWays, STATE_WORDS } from '../../../core/wording/index.ts';
import { Gates, LiveLook, IntentChoice, PageHead, Rail, StateSign, useRoute } from '../../components/index.ts';
import { Empty, useRemembered } from '../../ui/index.ts';
import { hideProperly, openPage, setPageIntent, useReport, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { CrawlerChoice } from './CrawlerChoice.tsx';
import { useCrawlers } from './crawlers.ts';
import { ForOneEngine } from './ForOneEngine.tsx';
import { RobotsLines } from '../robots/RobotsLines.tsx';
import { DirectivesEditor } from '../rules/DirectivesEditor.tsx';
import { SiteSwitch } from '../site/SiteSwitch.tsx';
import { stateBanner, type BannerAction } from './banner.ts';
import { wording } from '../wording.ts';

const TROUBLED = new Set(['shut-out', 'leaking']);

/** The way in for one page: gate by gate, for any crawler, with what decided and the one action that mends it. */
export function OnePage() {
  const workspace = useWorkspaceApi();
  const { page, linkToView, go } = useRoute();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const detail = useWorkspace((state) => state.detail);
  const crawlers = useCrawlers();
  const [crawler, setCrawler] = useState(crawlers[0] ?? '');
  const [depth, setDepth] = useRemembered('doors-words', ['plain', 'expert'], 'plain');
  const states = useReport((one) => (page === undefined ? Promise.resolve(undefined) : one.tools.analysis.wayIn(page)), page);
  const way = useReport((one) => (page === undefined ? Promise.resolve(undefined) : one.tools.analysis.wayIn(page, crawler)), `${page ?? ''} ${crawler}`);
  if (!row) return <Empty title="There is no page here yet">Bring a site in, and every page’s way in is shown here.</Empty>;
  const banner = states && stateBanner(row, states);
  const act: Readonly<Record<BannerAction, () => void>> = {
    open: () => void openPage(workspace, row.id),
    hide: () => void hideProperly(workspace, [row.id]),
    'keep-out': () => setPageIntent(workspace, row.id, 'out'),
    list: () => setPageIntent(workspace, row.id, 'list'),
    release: () => go('release'),
    words: () => go('words', row.id),
  };
  return (
    <div className="mx-auto max-w-sheet">
      <PageHead row={row} />
      {banner && (
        <div
          className={`notice mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 ${TROUBLED.has(row.state) ? 'notice-bad' : row.state === 'half-hidden' ? 'notice-amber' : ''}`}
          data-testid="banner"
        >
          <StateSign state={row.state} size={20} silent />
          <div className="min-w-0 flex-1 basis-60">
            <p className="display font-semibold">{banner.headline}</p>
            <p className="text-small">{banner.why}</p>
            {depth === 'expert' && (
              <p className="soft mt-1 text-fine">
                {STATE_WORDS[row.state].expert} <span className="mono">{STATE_WORDS[row.state].section}</span>
              </p>
            )}
          </div>
          {banner.action && (
            <button type="button" className="btn btn-primary" onClick={act[banner.action]}>
              {banner.label}
            </button>
          )}
        </div>
      )}
      <ForOneEngine row={row} />
      <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
        <CrawlerChoice label={wording.forWhom} crawlers={crawlers} value={crawler} onChange={setCrawler} />
        <button type="button" className="chip" aria-pressed={depth === 'expert'} onClick={() => setDepth(depth === 'expert' ? 'plain' : 'expert')}>
          {wording.forExperts}
        </button>
      </div>
      {way && <Gates way={way} places={detail?.id === row.id ? gatePlaces(way, detail.source) : {}} expert={depth === 'expert'} />}
      <p className="soft mt-1.5 text-fine">{crawlerWays(policyFor(crawler))}</p>
      <IntentChoice row={row} />
      <DirectivesEditor scope={`page:${row.id}`} page={row} name={`“${row.name}”`} crawlers={crawlers} />
      <LiveLook address={row.address} crawler={crawler} way={way} key={`${row.id} ${crawler}`} />
      <Rail>
        <SiteSwitch />
        <section className="mt-5">
          <div className="mb-2 flex items-baseline justify-between gap-2">
            <h2>{wording.robots}</h2>
            <Link className="link-act text-note" to={linkToView('doors', 'robots')}>
              Edit it
            </Link>
          </div>
          <RobotsLines current={way?.gates.flatMap((gate) => (gate.reason.code === 'rule' ? [gate.reason.line] : []))[0]} />
          <p className="soft mt-2 text-fine">{wording.lessonRobots}</p>
        </section>
        <p className="mt-4">
          <Link className="link-act text-small" to={linkToView('doors', 'try')}>
            Try any other address
          </Link>
        </p>
      </Rail>
    </div>
  );
}
