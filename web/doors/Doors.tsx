import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { isWay, Views, WaitingView } from '../pieces/index.ts';
import { VIEWS, type View } from './views.ts';
import './doors.css';

const SCREENS = {
  page: lazy(() => import('./OnePage.tsx').then((module) => ({ default: module.OnePage }))),
  pages: lazy(() => import('./AllPages.tsx').then((module) => ({ default: module.AllPages }))),
  kinds: lazy(() => import('./Intents.tsx').then((module) => ({ default: module.Intents }))),
  files: lazy(() => import('./OtherFiles.tsx').then((module) => ({ default: module.OtherFiles }))),
  robots: lazy(() => import('./RobotsEditor.tsx').then((module) => ({ default: module.RobotsEditor }))),
  try: lazy(() => import('./AnyAddress.tsx').then((module) => ({ default: module.AnyAddress }))),
  site: lazy(() => import('./WholeSite.tsx').then((module) => ({ default: module.WholeSite }))),
} satisfies Record<View, unknown>;

/** Who may come in: each page's way in, what pages are for, robots.txt, who can visit. */
export function Doors() {
  const { view = 'page' } = useParams();
  const current = isWay(VIEWS, view) ? view : 'page';
  const Screen = SCREENS[current];
  return (
    <>
      <Views stop="doors" label="Ways to work on doors" views={VIEWS} current={current} />
      <Suspense fallback={<WaitingView name="Doors" />}>
        <Screen />
      </Suspense>
    </>
  );
}
