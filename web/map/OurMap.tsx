import { useState } from 'react';
import { Link } from 'react-router';
import { ENGINES } from '../../core/indexing/index.ts';
import { withoutSitemaps } from '../../core/robots/index.ts';
import { set } from '../../core/site/index.ts';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import { counted, gateWords, KIND_WORDS } from '../../core/wording/index.ts';
import { Rail, StateSign, Term, usePlace } from '../pieces/index.ts';
import { Busy, Empty } from '../ui/index.ts';
import { setInMap, useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { MapAddress } from './MapAddress.tsx';
import { MapLines } from './MapLines.tsx';
import { dateStory, kilobytes, LEFT_OUT, W } from './wording.ts';

const LEFT_SHOWN = 40;

/** Our map: the files it is written as, each page in it with its date and where that is from, and what is left out and why. */
export function OurMap() {
  const workspace = useWorkspaceApi();
  const report = useReport((one) => one.tools.analysis.mapReport());
  const rows = useWorkspace((state) => state.byId);
  const { go, linkTo } = usePlace();
  const [group, setGroup] = useState<string>();
  if (!report) return <Busy what="Looking at the map" done={0} of={1} />;
  if (rows.size === 0) return <Empty title={W.empty}>{W.emptyWhy}</Empty>;
  const address = `${report.origin}/${SITEMAP_FILE}`;
  const turn = (on: boolean): void =>
    workspace.change(set('sitemap', '', 'on', on ? true : null), { label: on ? 'The sitemap is written' : 'The sitemap is no longer written' });
  const files = report.files;
  const least = [...ENGINES].sort((a, b) => a.maps - b.maps)[0];
  const nameOnlyOurs = async (): Promise<void> => {
    const { text } = await workspace.tools.analysis.robots();
    // The line for ours is written by itself; where the site has no such file of its own, it must not outlive ours.
    const left = report.brought.includes(SITEMAP_FILE) ? report.alsoNamed : [...report.alsoNamed, address];
    workspace.change(set('robots', '', 'text', withoutSitemaps(text ?? '', left)), { label: 'robots.txt names this map only' });
  };
  return (
    <div className="mx-auto max-w-[900px]">
      <header className="mb-4 flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1 basis-72">
          <h1>
            {W.title} <Term id="sitemap" />
          </h1>
          <p className="mono soft mt-1 break-all">{address}</p>
        </div>
        {report.on ? (
          <button type="button" className="btn btn-outline-ink" onClick={() => turn(false)}>
            Do not write it
          </button>
        ) : (
          <button type="button" className="btn btn-primary" onClick={() => turn(true)}>
            Write this map
          </button>
        )}
      </header>
      <p className={`notice mb-3 ${report.on && files.length > 0 ? 'notice-good' : 'notice-amber'}`}>
        {report.on && files.length === 0
          ? W.nothingInIt
          : report.on
            ? `${counted(report.lines.length, 'page')} in it, named in robots.txt.${files.length > 1 ? ` Written as ${counted(files.length - 1, 'map')} under one index.` : ''} It is written anew at each release.`
            : W.off}
      </p>
      {report.replaces.length > 0 && report.on && (
        <p className="soft mb-3 text-[13px]">
          Takes the place of {report.replaces.map((path) => `/${path}`).join(', ')}, which the site came with. It is kept, and comes back when this is turned
          off.
        </p>
      )}
      {report.alsoNamed.length > 0 && report.on && (
        <div className="notice notice-amber mb-3 flex flex-wrap items-center gap-3" data-testid="also-named">
          <p className="min-w-0 flex-1 basis-60 [overflow-wrap:anywhere]">
            {W.alsoNamed} <span className="mono text-[13px]">{report.alsoNamed.join(', ')}</span>
          </p>
          <button type="button" className="btn btn-outline-ink" onClick={nameOnlyOurs}>
            {W.onlyOurs}
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
      <section className="mt-5" aria-labelledby="files">
        <h2 id="files" className="mb-2">
          {counted(files.length, 'file')}
        </h2>
        <div className="panel overflow-x-auto">
          <table className="data-table stacked">
            <thead>
              <tr>
                <th>Map</th>
                <th className="num">Holds</th>
                <th>Latest change</th>
                <th className="num">Size</th>
                <th>
                  <span className="sr-only">Look inside</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {files.map((file) => (
                <tr key={file.path} data-map={file.path}>
                  <td className="mono">
                    /{file.path}
                    {file.kind === 'index' && <span className="soft block font-sans text-[12.5px]">the index: names the maps below</span>}
                  </td>
                  <td className="num">{file.kind === 'index' ? counted(file.count, 'map') : counted(file.count, 'address', 'addresses')}</td>
                  <td className="whitespace-nowrap tabular-nums">{file.latest ?? <span className="soft">not told</span>}</td>
                  <td className="num whitespace-nowrap">{kilobytes(file.bytes)}</td>
                  <td>
                    <Link
                      className="link-act text-[13px]"
                      to={`${linkTo('map').replace('/map', '/map/read')}${linkTo('map').includes('?') ? '&' : '?'}map=${encodeURIComponent(file.path)}`}
                    >
                      Look inside
                    </Link>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <MapLines report={report} group={group} onGroup={setGroup} />
      <Rail>
        <h2>{W.leftOut}</h2>
        {report.leftOut.length === 0 && <p className="soft mt-1">{W.nothingLeftOut}</p>}
        <ul className="mt-1.5">
          {report.leftOut.slice(0, LEFT_SHOWN).map(({ id, because }) => {
            const row = rows.get(id);
            if (!row) return null;
            const why = 'reason' in because ? gateWords(because.reason).evidence : because.choice === 'intent' ? 'you keep it out' : LEFT_OUT[because.choice];
            return (
              <li key={id} className="flex items-start gap-2">
                <button type="button" className="flex min-h-8 min-w-0 flex-1 cursor-pointer items-start gap-2.5 py-1 text-left" onClick={() => go('doors', id)}>
                  <StateSign state={row.state} />
                  <span className="min-w-0">
                    <span className="block truncate">{row.name}</span>
                    <span className="soft block text-[12.5px] [overflow-wrap:anywhere]">{why}</span>
                  </span>
                </button>
                {'choice' in because && because.choice !== 'intent' && (
                  <button type="button" className="link-act flex-none pt-1 text-[12.5px]" onClick={() => setInMap(workspace, [id], true)}>
                    Put it in
                  </button>
                )}
              </li>
            );
          })}
        </ul>
        {report.leftOut.length > LEFT_SHOWN && <p className="soft text-[13px]">and {report.leftOut.length - LEFT_SHOWN} more</p>}
        <section className="mt-5">
          <h2>
            {W.dates} <Term id="lastmod" />
          </h2>
          <p className="soft mt-1 text-[13px]">{dateStory(report)}</p>
        </section>
        {report.brought.length > 0 && (
          <section className="mt-5">
            <h2>{W.brought}</h2>
            <ul className="mt-1">
              {report.brought.map((path) => (
                <li key={path}>
                  <Link
                    className="link-act mono text-[12.5px]"
                    to={`${linkTo('map').replace('/map', '/map/read')}${linkTo('map').includes('?') ? '&' : '?'}brought=${encodeURIComponent(path)}`}
                  >
                    /{path}
                  </Link>
                </li>
              ))}
            </ul>
            <p className="soft mt-1 text-[12.5px]">{W.broughtWhy}</p>
          </section>
        )}
        {report.lines.some((line) => line.kind === 'post') && !report.companions.includes('rss.xml') && (
          <p className="soft mt-5 text-[13px]">
            {W.feedHint}{' '}
            <Link className="link-act" to={linkTo('map').replace('/map', '/map/also')}>
              {KIND_WORDS.post.many} as a feed
            </Link>
          </p>
        )}
      </Rail>
    </div>
  );
}
