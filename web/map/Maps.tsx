import { Suspense, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { isWay, Views, WaitingView } from '../components/index.ts';
import { Boundary, part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';
import './map.css';

const SCREENS = {
  map: part(() => import('./OurMap.tsx'), 'OurMap'),
  choices: part(() => import('./Choices.tsx'), 'Choices'),
  also: part(() => import('./Also.tsx'), 'Also'),
  read: part(() => import('./ReadAMap.tsx'), 'ReadAMap'),
} satisfies Record<View, () => ReactNode>;

/** Sitemaps: ours, what goes into it, what goes with it, and any other to be read. */
export function Maps() {
  const view = useLocation().pathname.split('/')[4] ?? 'map';
  const current = isWay(VIEWS, view) ? view : 'map';
  const Screen: () => ReactNode = SCREENS[current];
  return (
    <>
      <Views stop="map" label="Ways to work on maps" views={VIEWS} current={current} />
      <Boundary place={current}>
        <Suspense fallback={<WaitingView name="Map" />}>
          <Screen />
        </Suspense>
      </Boundary>
    </>
  );
}
