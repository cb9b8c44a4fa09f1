import { messageOf } from '../../core/source/index.ts';
import { Suspense, useEffect, useState } from 'react';
import { BrowserRouter, Link, Navigate, useLocation, useRoutes } from 'react-router';
import { QuietNavigation, useQuietNavigate } from '../components/index.ts';
import { Boundary, fetchAhead, hearNotes, part, takeNotes, Trouble } from '../ui/index.ts';
import { firstSite, rememberSite, sweepLeftovers, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { arrivalLock } from '../storage/index.ts';
import { FocusKeeper } from './FocusKeeper.tsx';
import { NotOpened } from './NotOpened.tsx';
import { NoSuchPlace, screenRoutes } from './screens.tsx';
import { Shell } from './Shell.tsx';

const Notes = part(() => import('./Notes.tsx'), 'Notes');
const Sites = part(() => import('../sites/Sites.tsx'), 'Sites');

const ROUTES = [
  { path: '/', element: <First /> },
  {
    path: '/sites',
    element: (
      <Boundary instead={(error, again) => <AloneTrouble error={error} again={again} />}>
        <Suspense>
          <Sites />
        </Suspense>
      </Boundary>
    ),
  },
  { path: '/s/:siteId', element: <Shell />, children: [...screenRoutes, { path: '*', element: <NoSuchPlace /> }] },
  { path: '*', element: <Navigate to="/" replace /> },
];

/** What stands at the place where we are. One that fails as a whole says so, and another place begins anew. */
function Places() {
  const routes = useRoutes(ROUTES);
  const { pathname } = useLocation();
  return (
    <Boundary place={pathname} instead={(error, again) => <AloneTrouble error={error} again={again} />}>
      {routes}
    </Boundary>
  );
}

export function App() {
  const [noted, setNoted] = useState(false);
  useEffect(() => (noted ? undefined : hearNotes(() => setNoted(true))), [noted]);
  useErrands();
  return (
    <>
      <BrowserRouter>
        <QuietNavigation>
          <Places />
        </QuietNavigation>
      </BrowserRouter>
      <FocusKeeper />
      {noted && (
        <Boundary instead={() => <PlainNotes />}>
          <Suspense>
            <Notes />
          </Suspense>
        </Boundary>
      )}
    </>
  );
}

/** Milliseconds after the first site is open before parts are fetched ahead. */
const BEFORE_FETCHING = 2_500;

/** What is done beside everything else: all parts of the program are fetched while the server is there, and what killed imports left is swept. */
function useErrands(): void {
  const workspace = useWorkspaceApi();
  const open = useWorkspace((state) => state.phase === 'ready' && !state.agreeing);
  useEffect(() => {
    if (!open) return;
    const timer = setTimeout(() => {
      void fetchAhead(() => new Promise((resolve) => requestIdleCallback(() => resolve(), { timeout: 10_000 })));
      const atWork = async (siteId: string): Promise<boolean> => ((await navigator.locks.query()).held ?? []).some((lock) => lock.name === arrivalLock(siteId));
      void sweepLeftovers(workspace, atWork).catch(() => undefined);
    }, BEFORE_FETCHING);
    return () => clearTimeout(timer);
  }, [workspace, open]);
}

/** Notes where what shows them nicely could not be fetched. */
function PlainNotes() {
  const [texts, setTexts] = useState<readonly string[]>([]);
  useEffect(() => hearNotes(() => setTexts(takeNotes().map(({ text }) => text))), []);
  return texts.length === 0 ? null : (
    <div className="notice fixed bottom-12 left-1/2 z-50 -translate-x-1/2" role="status">
      {texts.map((text) => (
        <p key={text}>{text}</p>
      ))}
    </div>
  );
}

/** A whole screen that failed, with the way to all sites. */
function AloneTrouble({ error, again }: { readonly error: Error; readonly again?: () => void }) {
  return (
    <main className="p-6">
      <title>Something went wrong · Jolly Beacon</title>
      <Trouble error={error} again={again} />
      <p className="text-center">
        <Link className="link-act" to="/">
          To your last site
        </Link>
      </p>
    </main>
  );
}

/** The first look: the site that was open last, or the demo. */
function First() {
  const workspace = useWorkspaceApi();
  const navigate = useQuietNavigate();
  const [failure, setFailure] = useState<string>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let current = true;
    firstOnce(workspace)
      .then((site) => {
        rememberSite(site.id);
        if (current) void navigate(`/s/${site.id}`, { replace: true });
      })
      .catch((error: unknown) => current && setFailure(messageOf(error)));
    return () => {
      current = false;
    };
  }, [workspace, navigate, tries]);
  if (failure !== undefined) {
    return (
      <main>
        <NotOpened
          title="The demo could not be opened"
          again={() => {
            setFailure(undefined);
            setTries(tries + 1);
          }}
        >
          {failure}
        </NotOpened>
      </main>
    );
  }
  return (
    <main className="grid h-full place-items-center" aria-busy="true">
      <p className="soft">Opening …</p>
    </main>
  );
}

let first: ReturnType<typeof firstSite> | undefined;
/** Drawn twice in a row, the first look still brings the demo in only once. */
function firstOnce(workspace: ReturnType<typeof useWorkspaceApi>): ReturnType<typeof firstSite> {
  first ??= firstSite(workspace).finally(() => {
    first = undefined;
  });
  return first;
}
