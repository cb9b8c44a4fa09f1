import { useState } from 'react';
import { Link } from 'react-router';
import { ENGINES } from '../../core/engines/index.ts';
import { withoutSitemaps } from '../../core/robots/index.ts';
import { isOpen, set } from '../../core/site/index.ts';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import { bytesText, counted } from '../../core/wording/index.ts';
import { Term, useRoute } from '../components/index.ts';
import { DataTable, Busy, Empty } from '../ui/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { MapAddress } from './MapAddress.tsx';
import { MapLines } from './MapLines.tsx';
import { MapRail } from './MapRail.tsx';
import { wording } from './wording.ts';

/** Our map: the files it is written as, each page in it with its date and where that is from, and what is left out and why. */
export function OurMap() {
  const workspace = useWorkspaceApi();
  const report = useReport((one) => one.tools.analysis.mapReport());
  const isEmpty = useWorkspace((state) => state.rows.length === 0);
  const closed = useWorkspace((state) => !isOpen(state.document));
  const { linkToView } = useRoute();
  const [group, setGroup] = useState<string>();
  if (!report) return <Busy what="Looking at the sitemap" done={0} of={1} />;
  if (isEmpty) return <Empty title={wording.empty}>{wording.emptyWhy}</Empty>;
  const address = `${report.origin}/${SITEMAP_FILE}`;
  const turn = (on: boolean): void =>
    workspace.change(set('sitemap', '', 'on', on ? true : null), { label: on ? 'The sitemap is written' : 'The sitemap is no longer written' });
  const files = report.files;
  const least = [...ENGINES].sort((a, b) => a.maps - b.maps)[0];
  const nameOnlyOurs = async (): Promise<void> => {
    const { text } = await workspace.tools.analysis.robots();
    // The line for ours is written by itself; where the site has no such file of its own, it must not outlive ours.
    const left = report.imported.includes(SITEMAP_FILE) ? report.alsoNamed : [...report.alsoNamed, address];
    workspace.change(set('robots', '', 'text', withoutSitemaps(text ?? '', left)), { label: 'robots.txt names this sitemap only' });
  };
  return (
    <div className="mx-auto max-w-page">
      <header className="mb-4 flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1 basis-72">
          <h1>
            {wording.title} <Term id="sitemap" />
          </h1>
          <p className="mono soft mt-1 break-all">{address}</p>
        </div>
        {report.on ? (
          <button type="button" className="btn btn-outline-ink" onClick={() => turn(false)}>
            Do not write it
          </button>
        ) : (
          <button type="button" className="btn btn-primary" onClick={() => turn(true)}>
            Write this sitemap
          </button>
        )}
      </header>
      <p className={`notice mb-3 ${report.on && files.length > 0 ? 'notice-good' : 'notice-amber'}`} data-testid="map-state">
        {files.length === 0
          ? closed
            ? wording.closed
            : report.on
              ? wording.nothingInIt
              : wording.nothingYet
          : report.on
            ? `${counted(report.lines.length, 'page')} in it, named in robots.txt.${files.length > 1 ? ` Written as ${counted(files.length - 1, 'map')} under one index.` : ''} It is written anew at each release.`
            : wording.off}
      </p>
      {report.replaces.length > 0 && report.on && (
        <p className="soft mb-3 text-note">
          Takes the place of {report.replaces.map((path) => `/${path}`).join(', ')}, which the site came with. It is kept, and comes back when this is turned
          off.
        </p>
      )}
      {report.alsoNamed.length > 0 && report.on && (
        <div className="notice notice-amber mb-3 flex flex-wrap items-center gap-3" data-testid="also-named">
          <p className="min-w-0 flex-1 basis-60 [overflow-wrap:anywhere]">
            {wording.alsoNamed} <span className="mono text-note">{report.alsoNamed.join(', ')}</span>
          </p>
          <button type="button" className="btn btn-outline-ink" onClick={nameOnlyOurs}>
            {wording.onlyOurs}
          </button>
        </div>
      )}
      {least && report.on && files.length - 1 > least.maps && (
        <p className="notice notice-amber mb-3">
          {least.name} reads {least.maps} maps of an index and no more; this one names {files.length - 1}. Put more addresses into each.
        </p>
      )}
      {report.refused.length > 0 && (
        <p className="notice notice-bad mb-3">
          {counted(report.refused.length, 'address is', 'addresses are')} too long for any map: {report.refused[0]?.slice(0, 80)}…
        </p>
      )}
      <MapAddress address={address} on={report.on} />
      {files.length > 0 && (
        <section className="mt-5" aria-labelledby="files">
          <h2 id="files" className="mb-2">
            {counted(files.length, 'file')}
          </h2>
          <DataTable
            rows={files}
            keyOf={({ path }) => path}
            data={({ path }) => ({ 'data-map': path })}
            columns={[
              {
                id: 'map',
                name: 'Map',
                className: 'mono',
                cell: ({ path, kind }) => (
                  <>
                    /{path}
                    {kind === 'index' && <span className="soft block font-sans text-fine">the index: names the maps below</span>}
                  </>
                ),
              },
              {
                id: 'holds',
                name: 'Holds',
                className: 'num',
                cell: ({ kind, count }) => (kind === 'index' ? counted(count, 'map') : counted(count, 'address', 'addresses')),
              },
              {
                id: 'latest',
                name: 'Latest change',
                className: 'whitespace-nowrap tabular-nums',
                cell: ({ latest }) => latest ?? <span className="soft">not told</span>,
              },
              { id: 'size', name: 'Size', className: 'num whitespace-nowrap', headClass: 'num', cell: ({ bytes }) => bytesText(bytes) },
              {
                id: 'inside',
                name: 'Look inside',
                silent: true,
                cell: ({ path }) => (
                  <Link className="link-act text-note" to={linkToView('map', 'read', { map: path })}>
                    Look inside
                  </Link>
                ),
              },
            ]}
          />
        </section>
      )}
      {report.lines.length > 0 && <MapLines report={report} group={group} onGroup={setGroup} />}
      <MapRail report={report} />
    </div>
  );
}
