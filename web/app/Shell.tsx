import { PanelLeft, PanelRight } from 'lucide-react';
import { lazy, Suspense, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Link, Outlet, useLocation, useParams } from 'react-router';
import { Busy, Empty, useHotkey, note } from '../ui/index.ts';
import { PAGE_STOPS, RailContext, useNextToMend, usePlace } from '../pieces/index.ts';
import { rememberSite, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Foot } from './Foot.tsx';
import { PageTree } from './PageTree.tsx';
import { PathBar } from './PathBar.tsx';
import { loadScreen } from './screens.tsx';
import { ShutStrip } from './ShutStrip.tsx';

const loadPalette = () => import('./Palette.tsx').then((module) => ({ default: module.Palette }));
const Palette = lazy(loadPalette);

/** Milliseconds within which a page that the walk was sent to is still on its way to the screen. */
const ON_THE_WAY = 1500;

/** Everything around a screen: path, tree, rail, foot, palette and the keys that work everywhere. */
export function Shell() {
  const { siteId = '' } = useParams();
  const workspace = useWorkspaceApi();
  const phase = useWorkspace((state) => state.phase);
  const openId = useWorkspace((state) => state.site?.id);
  useEffect(() => {
    rememberSite(siteId);
    void workspace.open(siteId);
    return () => workspace.stopOpening();
  }, [workspace, siteId]);
  if (phase === 'failed') return <Failed />;
  if (phase !== 'ready' || openId !== siteId) return <Opening />;
  return <OpenShell />;
}

function OpenShell() {
  const workspace = useWorkspaceApi();
  const place = usePlace();
  const { pathname, search } = useLocation();
  const [railHost, setRailHost] = useState<HTMLElement | null>(null);
  const [drawer, setDrawer] = useState<'tree' | 'rail'>();
  const [palette, setPalette] = useState(false);
  const nextToMend = useNextToMend();
  const stop = pathname.split('/')[3] ?? '';

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
    sheet.current?.scrollTo(0, 0);
  }, [pathname]);
  useEffect(() => {
    if (place.page !== undefined) void workspace.select(place.page);
  }, [workspace, place.page]);

  const step = (direction: 1 | -1): void => {
    const sent = walked.current && performance.now() - walked.current.at < ON_THE_WAY ? walked.current.id : undefined;
    const id = nextToMend(direction, sent ?? place.page);
    walked.current = id === undefined ? undefined : { id, at: performance.now() };
    if (id === undefined) note('No other page needs mending.');
    else place.go(PAGE_STOPS.includes(stop) ? (stop as 'words') : 'words', id, true);
  };
  const undo = (): void => {
    const label = workspace.undo();
    note(label === undefined ? 'Nothing to undo.' : `Undone: ${label}`, { id: 'undo' });
  };
  const redo = (): void => {
    const label = workspace.redo();
    note(label === undefined ? 'Nothing to do again.' : `Done again: ${label}`, { id: 'undo' });
  };
  useHotkey('mod+k', () => setPalette((open) => !open));
  useHotkey('alt+ArrowDown', () => step(1));
  useHotkey('alt+ArrowUp', () => step(-1));
  useHotkey('mod+z', undo);
  useHotkey('mod+shift+z', redo);
  useHotkey('mod+y', redo);
  useHotkey('Escape', () => setDrawer(undefined));

  const withTree = stop !== '';
  return (
    <div className={`shell${withTree ? '' : ' no-tree'}`}>
      <a className="sr-only focus:not-sr-only focus:fixed focus:left-3 focus:top-3 focus:z-50 focus:bg-base-100 focus:p-3" href="#sheet">
        Skip to the work
      </a>
      <PathBar />
      <ShutStrip />
      {withTree && (
        <nav className={`tree${drawer === 'tree' ? ' is-open' : ''}`} aria-label="Pages of the site">
          <PageTree onPalette={() => setPalette(true)} />
        </nav>
      )}
      <main id="sheet" ref={sheet} className="sheet" tabIndex={0} aria-label="The work">
        <div className="drawer-buttons">
          {withTree && (
            <button type="button" className="drawer-button for-tree btn btn-sm btn-outline-ink gap-1.5" onClick={() => setDrawer('tree')}>
              <PanelLeft size={16} aria-hidden /> Pages
            </button>
          )}
          <button type="button" className="drawer-button for-rail btn btn-sm btn-outline-ink ml-auto gap-1.5" onClick={() => setDrawer('rail')}>
            <PanelRight size={16} aria-hidden /> Looks and mends
          </button>
        </div>
        <RailContext value={railHost}>
          <Suspense fallback={<p className="soft">Loading …</p>}>
            <Outlet />
          </Suspense>
        </RailContext>
      </main>
      <aside className={`rail${drawer === 'rail' ? ' is-open' : ''}`} ref={setRailHost} tabIndex={0} aria-label="How it looks, and what is left" />
      <div className={`scrim${drawer ? ' is-open' : ''}`} onClick={() => setDrawer(undefined)} aria-hidden />
      <Foot onUndo={undo} onNext={() => step(1)} />
      {palette && (
        <Suspense>
          <Palette onClose={() => setPalette(false)} onUndo={undo} onRedo={redo} onNext={() => step(1)} />
        </Suspense>
      )}
    </div>
  );
}

function Opening() {
  const { done, of } = useWorkspace((state) => state.opening);
  const stop = useLocation().pathname.split('/')[3] ?? '';
  useEffect(() => {
    loadScreen(stop);
    // Not part of the first screen, but there before the first Ctrl K: whoever presses it types on at once.
    void loadPalette();
  }, [stop]);
  return (
    <main className="mx-auto grid h-full max-w-md place-items-center p-6">
      <div className="w-full">
        <Busy what="Reading the site" done={done} of={of} />
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
  return (
    <main>
      <Empty
        title="This site could not be opened"
        action={
          <Link className="btn btn-primary" to="/sites">
            Your sites
          </Link>
        }
      >
        {failure} What is kept of it in this browser was left as it is.
      </Empty>
    </main>
  );
}
