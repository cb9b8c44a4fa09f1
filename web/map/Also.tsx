import { SITEMAP_PAGE } from '../../core/release/index.ts';
import { siteOrigin } from '../../core/site/index.ts';
import { ATOM_FILE, RSS_FILE, STYLE_FILE } from '../../core/sitemap/index.ts';
import { counted } from '../../core/wording/index.ts';
import { useState } from 'react';
import { Busy, Copyable } from '../ui/index.ts';
import { useReport, useWorkspace } from '../workspace/index.ts';
import { FeedHub } from './FeedHub.tsx';
import { FlagChoice } from './FlagChoice.tsx';
import { wording } from './wording.ts';

/** The page for people as it would be written. It is somebody's page: drawn by its own styles, and nothing in it runs. */
function Preview() {
  const html = useReport((one) => one.tools.analysis.pageForPeople());
  if (html === undefined) return <Busy what={wording.makingPage} done={0} of={1} />;
  return (
    <>
      <iframe className="mt-3 h-120 w-full rounded-field border border-line bg-white" title={wording.seenPage} sandbox="" srcDoc={html} />
      <p className="soft mt-1 text-fine">{wording.previewNote}</p>
    </>
  );
}

/** What goes with the maps: a page for people, a style sheet for those who open a map, and feeds of the posts. */
export function Also() {
  const [seen, setSeen] = useState(false);
  const origin = useWorkspace((state) => siteOrigin(state.document));
  const settings = useWorkspace((state) => state.document.tables.sitemap['']);
  const report = useReport((one) => one.tools.analysis.mapReport());
  const feeds = [
    ...(settings?.rss === true ? [{ type: 'application/rss+xml', path: RSS_FILE }] : []),
    ...(settings?.atom === true ? [{ type: 'application/atom+xml', path: ATOM_FILE }] : []),
  ];
  const tags = feeds.map(({ type, path }) => `<link rel="alternate" type="${type}" href="${origin}/${path}">`).join('\n');
  return (
    <div className="mx-auto max-w-column">
      <h1 className="mb-1">For people & feeds</h1>
      <p className="soft mb-5">{wording.alsoLead}</p>
      {settings?.on !== true && <p className="notice notice-amber mb-4">{wording.alsoOff}</p>}
      <div className="grid grid-cols-1 gap-6">
        <section className="panel min-w-0 p-4 [overflow-wrap:anywhere]" aria-label="A page for people">
          <FlagChoice field="page" label="A page that lists all pages" why={wording.pageWhy} />
          <p className="mono soft mt-2 text-fine">
            {origin}/{SITEMAP_PAGE}
          </p>
          {settings?.page === true && <p className="soft mt-1 text-fine">{wording.pageLink}</p>}
          <button type="button" className="btn btn-sm btn-outline-ink mt-3" aria-expanded={seen} onClick={() => setSeen(!seen)}>
            {seen ? wording.hidePage : wording.seePage}
          </button>
          {seen && <Preview />}
        </section>
        <section className="panel min-w-0 p-4 [overflow-wrap:anywhere]" aria-label="A style sheet">
          <FlagChoice field="style" standard label="A style sheet for the maps" why={wording.styleWhy} />
          <p className="mono soft mt-2 text-fine">
            {origin}/{STYLE_FILE}
          </p>
        </section>
        <section className="panel grid min-w-0 grid-cols-1 gap-3 p-4" aria-label="Feeds">
          <FlagChoice field="rss" label="A feed of the posts, RSS 2.0" why={wording.rssWhy} />
          <FlagChoice field="atom" label="The same as Atom" why={wording.atomWhy} />
          {feeds.length > 0 && <FeedHub />}
          {report?.feed && (
            <p className="text-small" data-testid="feed">
              {report.feed.entries === 0 ? wording.noPosts : `The latest ${counted(report.feed.entries, 'post')} in it.`}
              {report.feed.undated > 0 && (
                <span className="text-amber-ink"> {counted(report.feed.undated, 'post has', 'posts have')} no date that can be told, and stay out.</span>
              )}
            </p>
          )}
          {feeds.length > 0 && (
            <div>
              <p className="soft text-fine">{wording.feedTag}</p>
              <div className="mt-1 flex items-start gap-2">
                <pre className="min-w-0 flex-1 overflow-x-auto rounded-lg border border-line p-2.5 text-tiny">{tags}</pre>
                <Copyable text={tags} />
              </div>
            </div>
          )}
        </section>
      </div>
      {report && report.replaces.length > 0 && settings?.on === true && (
        <p className="soft mt-4 text-note">These take the place of files that the site came with: {report.replaces.map((path) => `/${path}`).join(', ')}.</p>
      )}
    </div>
  );
}
