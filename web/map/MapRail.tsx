import { KIND_TABLE } from '../../core/site/index.ts';
import { Link } from 'react-router';
import type { MapReport } from '../../core/map/index.ts';
import { gateWords } from '../../core/wording/index.ts';
import { Rail, StateSign, Term, useRoute, PageLink, PageName } from '../components/index.ts';
import { setInMap, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { dateStory, LEFT_OUT, wording } from './wording.ts';

const LEFT_SHOWN = 40;

/** Beside the map: what is left out and why, where the dates are from, and what the site came with. */
export function MapRail({ report }: { readonly report: MapReport }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.byId);
  const { linkToView } = useRoute();
  return (
    <Rail>
      <h2>{wording.leftOut}</h2>
      {report.leftOut.length === 0 && <p className="soft mt-1">{wording.nothingLeftOut}</p>}
      <ul className="mt-1.5">
        {report.leftOut.slice(0, LEFT_SHOWN).map(({ id, because }) => {
          const row = rows.get(id);
          if (!row) return null;
          const why = whyLeft(because);
          return (
            <li key={id} className="flex items-start gap-2">
              <PageLink to="doors" page={id} className="flex min-h-8 min-w-0 flex-1 cursor-pointer items-start gap-2.5 py-1 text-left">
                <StateSign state={row.state} />
                <span className="min-w-0">
                  <span className="block truncate">
                    <PageName row={row} />
                  </span>
                  <span className="soft block text-fine [overflow-wrap:anywhere]">{why}</span>
                </span>
              </PageLink>
              {'choice' in because && because.choice !== 'intent' && (
                <button type="button" className="link-act flex-none pt-1 text-fine" onClick={() => setInMap(workspace, [id], true)}>
                  Put it in
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {report.leftOut.length > LEFT_SHOWN && <p className="soft text-note">and {report.leftOut.length - LEFT_SHOWN} more</p>}
      {report.lines.length > 0 && (
        <section className="mt-5">
          <h2>
            {wording.dates} <Term id="lastmod" />
          </h2>
          <p className="soft mt-1 text-note">{dateStory(report)}</p>
        </section>
      )}
      {report.imported.length > 0 && (
        <section className="mt-5">
          <h2>{wording.imported}</h2>
          <ul className="mt-1">
            {report.imported.map((path) => (
              <li key={path}>
                <Link className="link-act mono text-fine" to={linkToView('map', 'read', { imported: path })}>
                  /{path}
                </Link>
              </li>
            ))}
          </ul>
          <p className="soft mt-1 text-fine">{wording.importedWhy}</p>
        </section>
      )}
      {report.lines.some((line) => line.kind === 'post') && !report.companions.includes('rss.xml') && (
        <p className="soft mt-5 text-note">
          {wording.feedHint}{' '}
          <Link className="link-act" to={linkToView('map', 'also')}>
            {KIND_TABLE.post.many} as a feed
          </Link>
        </p>
      )}
    </Rail>
  );
}

function whyLeft(because: MapReport['leftOut'][number]['because']): string {
  if ('choice' in because) return because.choice === 'intent' ? 'you keep it out' : LEFT_OUT[because.choice];
  const { reason } = because;
  const { means, evidence } = gateWords(reason);
  return reason.code === 'noindex' && reason.from === 'switch' ? means : evidence;
}
