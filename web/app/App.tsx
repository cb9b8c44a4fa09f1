import { lazy, Suspense, useEffect, useState } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useNavigate } from 'react-router';
import { Empty, hearNotes } from '../ui/index.ts';
import { firstSite, rememberSite, useWorkspaceApi } from '../workspace/index.ts';
import { screenRoutes } from './screens.tsx';
import { Shell } from './Shell.tsx';

const Notes = lazy(() => import('./Notes.tsx').then((module) => ({ default: module.Notes })));
const Sites = lazy(() => import('../sites/Sites.tsx').then((module) => ({ default: module.Sites })));

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
    children: [...screenRoutes, { path: '*', element: <Navigate to="." replace /> }],
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
