import { noindexPlace } from '../../core/checks/index.ts';
import { Empty } from '../ui/index.ts';
import { lineOf, PageHead, Rail, StateSign, usePlace } from '../pieces/index.ts';
import { hideProperly, openPage, setPageIntent, useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Gates } from './Gates.tsx';
import { KindTable } from './KindTable.tsx';
import { LiveLook } from './LiveLook.tsx';
import { RobotsFile } from './RobotsFile.tsx';
import { SiteSwitch } from './SiteSwitch.tsx';
import { TryAddress } from './TryAddress.tsx';
import { stateBanner } from './wording.ts';
import './doors.css';

const TROUBLED = new Set(['shut-out', 'leaking']);

/** Who may come in: the way in for the current page, what each kind is for, the switch and robots.txt. */
export function Doors() {
  const workspace = useWorkspaceApi();
  const { page } = usePlace();
  const row = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const detail = useWorkspace((state) => state.detail);
  const way = useReport((one) => (page === undefined ? Promise.resolve(undefined) : one.tools.analysis.wayIn(page)), page);
  if (!row) return <Empty title="There is no page here yet">Bring a site in, and every page’s way in is shown here.</Empty>;
  const places =
    detail?.id === row.id
      ? {
          listed: lineOf(detail.source, noindexPlace(detail.facts)),
          'main-address': lineOf(detail.source, detail.facts.linkTags.find((link) => link.inHead && link.rel.includes('canonical'))?.tag.start),
        }
      : {};
  const banner = way && stateBanner(row.state, way);
  const act = {
    open: () => void openPage(workspace, row.id),
    hide: () => void hideProperly(workspace, [row.id]),
    'keep-out': () => setPageIntent(workspace, row.id, 'out'),
  };
  return (
    <div className="mx-auto max-w-[820px]">
      <PageHead row={row} />
      {banner && (
        <div
          className={`notice mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 ${TROUBLED.has(row.state) ? 'notice-bad' : row.state === 'half-hidden' ? 'notice-amber' : ''}`}
          data-testid="banner"
        >
          <StateSign state={row.state} size={20} silent />
          <div className="min-w-0 flex-1 basis-60">
            <p className="display font-semibold">{banner.headline}</p>
            <p className="text-[13.5px]">{banner.why}</p>
          </div>
          {banner.action && (
            <button type="button" className="btn btn-primary" onClick={act[banner.action]}>
              {banner.label}
            </button>
          )}
        </div>
      )}
      {way && <Gates way={way} places={places} />}
      <LiveLook address={row.address} key={row.id} />
      <KindTable />
      <Rail>
        <SiteSwitch />
        <RobotsFile current={way?.gates.flatMap((gate) => (gate.reason.code === 'rule' ? [gate.reason.line] : []))[0]} />
        <TryAddress start={row.address} key={row.id} />
      </Rail>
    </div>
  );
}
