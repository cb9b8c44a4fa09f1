import { Suspense, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { isWay, Views, WaitingView } from '../components/index.ts';
import { Boundary, part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';
import './doors.css';

const SCREENS = {
  page: part(() => import('./page/OnePage.tsx'), 'OnePage'),
  pages: part(() => import('./pages/AllPages.tsx'), 'AllPages'),
  kinds: part(() => import('./rules/Intents.tsx'), 'Intents'),
  files: part(() => import('./rules/OtherFiles.tsx'), 'OtherFiles'),
  robots: part(() => import('./robots/RobotsEditor.tsx'), 'RobotsEditor'),
  try: part(() => import('./page/AnyAddress.tsx'), 'AnyAddress'),
  site: part(() => import('./site/WholeSite.tsx'), 'WholeSite'),
} satisfies Record<View, () => ReactNode>;

/** Who may come in: each page's way in, what pages are for, robots.txt, who can visit. */
export function Doors() {
  const view = useLocation().pathname.split('/')[4] ?? 'page';
  const current = isWay(VIEWS, view) ? view : 'page';
  const Screen: () => ReactNode = SCREENS[current];
  return (
    <>
      <Views stop="doors" label="Ways to work on doors" views={VIEWS} current={current} />
      <Boundary place={current}>
        <Suspense fallback={<WaitingView name="Doors" />}>
          <Screen />
        </Suspense>
      </Boundary>
    </>
  );
}
