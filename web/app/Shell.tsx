import { PanelLeft, PanelRight } from 'lucide-react';
import { Suspense, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import { Boundary, Busy, Empty, fetchPart, note, part, useHotkey } from '../ui/index.ts';
import { PAGE_STOPS, RailContext, useNextToMend, useRoute } from '../components/index.ts';
import { rememberSite, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Drawer, useNarrow } from './Drawer.tsx';
import { Foot } from './Foot.tsx';
import { NotOpened } from './NotOpened.tsx';
import { PathBar } from './PathBar.tsx';
import { fetchScreen } from './screens.tsx';
import { PlaceTitle } from './PlaceTitle.tsx';
import { ShutStrip } from './ShutStrip.tsx';
import { TroubleStrip } from './TroubleStrip.tsx';
import { useUndo } from './undo.ts';

const loadPalette = () => import('./Palette.tsx');
const Palette = part(loadPalette, 'Palette');
// Not on the first screen, but there before the second.
const PageTree = part(() => import('./PageTree.tsx'), 'PageTree');
// Part of no first screen: what it tells comes after one.
const Announcer = part(() => import('./Announcer.tsx'), 'Announcer');

/** What the rail holds at stops where it is no preview. */
const RAIL_NAMES: Readonly<Record<string, string>> = { watch: 'The clock' };

/** Milliseconds within which a page that the walk was sent to is still on its way to the screen. */
const ON_THE_WAY = 1500;

/** Everything around a screen: path, tree, rail, foot, palette and the keys that work everywhere. */
export function Shell() {
  const { siteId = '' } = useParams();
  const workspace = useWorkspaceApi();
  const phase = useWorkspace((state) => state.phase);
  const openId = useWorkspace((state) => state.site?.id);
  useEffect(() => {
    const open = (): void => void workspace.open(siteId);
    rememberSite(siteId);
    workspace.reopen = open;
    open();
    return () => workspace.stopOpening();
  }, [workspace, siteId]);
  if (phase === 'failed') return <Failed />;
  if (phase !== 'ready' || openId !== siteId) return <Opening />;
  return <OpenShell />;
}

function OpenShell() {
  const workspace = useWorkspaceApi();
  const place = useRoute();
  const { pathname, search } = useLocation();
  const [railHost, setRailHost] = useState<HTMLElement | null>(null);
  const [drawer, setDrawer] = useState<'tree' | 'rail'>();
  const [palette, setPalette] = useState(false);
  const nextToMend = useNextToMend();
  const { undo, redo } = useUndo(pathname, place.page);
  const stop = pathname.split('/')[3] ?? '';
  const phone = useNarrow('(max-width: 760px)');
  const narrow = useNarrow('(max-width: 1020px)');

  // Keys can be faster than the screens: the walk goes on from where it was sent, not from what is drawn yet.
  const walked = useRef<{ readonly id: string; readonly at: number }>(undefined);
  useEffect(() => {
    // A screen drawn late must not make the walk forget where it was sent since.
    if (walked.current?.id === place.page) walked.current = undefined;
  }, [place.page]);
  useEffect(() => setDrawer(undefined), [pathname, search]);
  // Another screen begins at its top; another page on the same screen stays where the eyes are.
  const sheet = useRef<HTMLElement>(null);
  useLayoutEffect(() => {
    // With the frame that draws it: here it would have the new screen laid out twice.
    const frame = requestAnimationFrame(() => sheet.current?.scrollTo(0, 0));
    return () => cancelAnimationFrame(frame);
  }, [pathname]);
  const detail = useWorkspace((state) => state.detail?.id);
  const worker = useWorkspace((state) => state.worker);
  useEffect(() => {
    if (place.page !== undefined && worker === 'there') void workspace.select(place.page);
  }, [workspace, place.page, detail, worker]);

  const step = (direction: 1 | -1): void => {
    const sent = walked.current && performance.now() - walked.current.at < ON_THE_WAY ? walked.current.id : undefined;
    const id = nextToMend(direction, sent ?? place.page);
    walked.current = id === undefined ? undefined : { id, at: performance.now() };
    if (id === undefined) note('No other page needs fixing.');
    else place.goToPage(id, { walking: true });
  };
  // What opened the palette gets the focus back from the keeper of the focus.
  const openPalette = (): void => setPalette(true);
  const closePalette = (): void => setPalette(false);
  useHotkey('mod+k', () => (palette ? closePalette() : openPalette()));
  useHotkey('alt+ArrowDown', () => step(1));
  useHotkey('alt+ArrowUp', () => step(-1));
  useHotkey('mod+z', undo);
  useHotkey('mod+shift+z', redo);
  useHotkey('mod+y', redo);
  useHotkey('Escape', () => {
    setDrawer(undefined);
    // Pressed before it was drawn, it is meant all the same.
    if (palette) closePalette();
  });

  const withTree = stop !== '';
  const behind = drawer !== undefined && narrow ? { inert: true } : {};
  return (
    <div className={`shell${withTree ? '' : ' no-tree'}`}>
      <PlaceTitle />
      <Boundary instead={() => null}>
        <Suspense>
          <Announcer />
        </Suspense>
      </Boundary>
      <a className="sr-only focus:not-sr-only focus:fixed focus:left-3 focus:top-3 focus:z-50 focus:bg-base-100 focus:p-3" href="#sheet" {...behind}>
        Skip to the work
      </a>
      <div className="bar-area" {...behind}>
        <Boundary>
          <PathBar />
        </Boundary>
      </div>
      <div className="strips" {...behind}>
        <TroubleStrip />
        <ShutStrip />
      </div>
      {withTree && (
        <Drawer as="nav" className="tree" label="Pages of the site" drawer={phone} open={drawer === 'tree'} onClose={() => setDrawer(undefined)}>
          <Boundary>
            <Suspense>
              <PageTree onPalette={openPalette} />
            </Suspense>
          </Boundary>
        </Drawer>
      )}
      <main id="sheet" ref={sheet} className="sheet" tabIndex={0} aria-label="The work" {...behind}>
        <div className="drawer-buttons">
          {withTree && (
            <button
              type="button"
              className="drawer-button for-tree btn btn-sm btn-outline-ink gap-1.5"
              aria-expanded={drawer === 'tree'}
              aria-haspopup="dialog"
              onClick={() => setDrawer('tree')}
            >
              <PanelLeft size={16} aria-hidden /> Pages
            </button>
          )}
          <button
            type="button"
            className="drawer-button for-rail btn btn-sm btn-outline-ink ml-auto gap-1.5"
            aria-expanded={drawer === 'rail'}
            aria-haspopup="dialog"
            onClick={() => setDrawer('rail')}
          >
            <PanelRight size={16} aria-hidden /> {RAIL_NAMES[stop] ?? 'Preview and fixes'}
          </button>
        </div>
        {place.unknown !== undefined && PAGE_STOPS.includes(stop) && (
          <p className="notice notice-amber mb-4" role="status" data-testid="unknown-page">
            There is no page <span className="mono break-all">{place.unknown}</span> on this site, or not any more. This is another one.
          </p>
        )}
        <RailContext value={railHost}>
          <Boundary place={pathname}>
            <Suspense fallback={<p className="soft">Loading …</p>}>
              <Outlet />
            </Suspense>
          </Boundary>
        </RailContext>
      </main>
      <Drawer
        as="aside"
        className="rail"
        label="Preview, and what is left to fix"
        drawer={narrow}
        open={drawer === 'rail'}
        onClose={() => setDrawer(undefined)}
        host={setRailHost}
      />
      <div className={`scrim${behind.inert ? ' is-open' : ''}`} onClick={() => setDrawer(undefined)} aria-hidden />
      <Foot onUndo={undo} onNext={() => step(1)} behind={behind} />
      {palette && (
        <Boundary instead={(error) => <NoPalette error={error} onClose={closePalette} />}>
          <Suspense>
            <Palette onClose={closePalette} onUndo={undo} onRedo={redo} onNext={() => step(1)} />
          </Suspense>
        </Boundary>
      )}
    </div>
  );
}

/** The palette could not be fetched: said, and shut again. */
function NoPalette({ error, onClose }: { readonly error: Error; readonly onClose: () => void }) {
  useEffect(() => {
    note(`The list of pages and actions could not be loaded: the program’s server does not answer. (${error.message})`, { id: 'palette' }, 'bad');
    onClose();
  }, [error, onClose]);
  return null;
}

function Opening() {
  const { done, of } = useWorkspace((state) => state.loadProgress);
  const worker = useWorkspace((state) => state.worker);
  const workspace = useWorkspaceApi();
  const stop = useLocation().pathname.split('/')[3] ?? '';
  useEffect(() => {
    fetchScreen(stop);
    // Not part of the first screen, but there before the first Ctrl K: whoever presses it types on at once.
    loadPalette().catch(() => undefined);
    fetchPart(PageTree);
  }, [stop]);
  return (
    <main className="mx-auto grid h-full max-w-md place-items-center p-6">
      <div className="w-full">
        {worker === 'gone' ? (
          <Empty
            title="The pages cannot be read"
            action={
              <button type="button" className="btn btn-primary" onClick={workspace.tools.startAnalysisAgain}>
                Try again
              </button>
            }
          >
            The part of the program that reads them could not be loaded: its server is not running. Start it again with npm start. Nothing is lost.
          </Empty>
        ) : (
          <Busy what="Reading the site" done={done} of={of} />
        )}
        <p className="mt-3 text-center">
          <Link className="link-act" to="/sites">
            Stop, and see all sites
          </Link>
        </p>
      </div>
    </main>
  );
}

function Failed() {
  const failure = useWorkspace((state) => state.failure);
  const workspace = useWorkspaceApi();
  return (
    <main>
      <title>Not opened · Jolly Beacon</title>
      <NotOpened title="This site could not be opened" again={() => workspace.reopen?.()}>
        {failure} What is kept of it in this browser was left as it is.
      </NotOpened>
    </main>
  );
}
