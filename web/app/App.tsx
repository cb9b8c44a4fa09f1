import { lazy, Suspense, useEffect, useState } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useNavigate } from 'react-router';
import { Empty, hearNotes } from '../ui/index.ts';
import { firstSite, rememberSite, useWorkspaceApi } from '../workspace/index.ts';
import { Shell } from './Shell.tsx';

const Notes = lazy(() => import('./Notes.tsx').then((module) => ({ default: module.Notes })));
const Sites = lazy(() => import('../sites/Sites.tsx').then((module) => ({ default: module.Sites })));
const Start = lazy(() => import('../start/Start.tsx').then((module) => ({ default: module.Start })));
const screens = {
  words: lazy(() => import('../words/Words.tsx').then((module) => ({ default: module.Words }))),
  meaning: lazy(() => import('../meaning/Meaning.tsx').then((module) => ({ default: module.Meaning }))),
  doors: lazy(() => import('../doors/Doors.tsx').then((module) => ({ default: module.Doors }))),
  map: lazy(() => import('../map/SiteMap.tsx').then((module) => ({ default: module.SiteMap }))),
  weight: lazy(() => import('../weight/Weight.tsx').then((module) => ({ default: module.Weight }))),
  release: lazy(() => import('../release/Release.tsx').then((module) => ({ default: module.Release }))),
  proof: lazy(() => import('../proof/Proof.tsx').then((module) => ({ default: module.Proof }))),
  watch: lazy(() => import('../watch/Watch.tsx').then((module) => ({ default: module.Watch }))),
};

const router = createBrowserRouter([
  { path: '/', element: <First /> },
  {
    path: '/sites',
    element: (
      <Suspense>
        <Sites />
      </Suspense>
    ),
  },
  {
    path: '/s/:siteId',
    element: <Shell />,
    children: [
      { index: true, element: <Start /> },
      ...Object.entries(screens).map(([stop, Screen]) => ({ path: stop === 'words' ? 'words/:view?' : stop, element: <Screen /> })),
      { path: '*', element: <Navigate to="." replace /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
  const [noted, setNoted] = useState(false);
  useEffect(() => (noted ? undefined : hearNotes(() => setNoted(true))), [noted]);
  return (
    <>
      <RouterProvider router={router} />
      {noted && (
        <Suspense>
          <Notes />
        </Suspense>
      )}
    </>
  );
}

/** The first look: the site that was open last, or the demo. */
function First() {
  const workspace = useWorkspaceApi();
  const navigate = useNavigate();
  const [failure, setFailure] = useState<string>();
  useEffect(() => {
    let current = true;
    firstOnce(workspace)
      .then((site) => {
        rememberSite(site.id);
        if (current) void navigate(`/s/${site.id}`, { replace: true });
      })
      .catch((error: unknown) => current && setFailure((error as Error).message));
    return () => {
      current = false;
    };
  }, [workspace, navigate]);
  if (failure !== undefined) {
    return (
      <main>
        <Empty
          title="The demo could not be opened"
          action={
            <a className="btn btn-primary" href="/sites">
              Your sites
            </a>
          }
        >
          {failure}
        </Empty>
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
