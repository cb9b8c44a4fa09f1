import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { isWay, Views, WaitingView } from '../pieces/index.ts';
import { VIEWS, type View } from './views.ts';
import './map.css';

const SCREENS = {
  map: lazy(() => import('./OurMap.tsx').then((module) => ({ default: module.OurMap }))),
  choices: lazy(() => import('./Choices.tsx').then((module) => ({ default: module.Choices }))),
  also: lazy(() => import('./Also.tsx').then((module) => ({ default: module.Also }))),
  read: lazy(() => import('./ReadAMap.tsx').then((module) => ({ default: module.ReadAMap }))),
} satisfies Record<View, unknown>;

/** Sitemaps: ours, what goes into it, what goes with it, and any other to be read. */
export function Maps() {
  const { view = 'map' } = useParams();
  const current = isWay(VIEWS, view) ? view : 'map';
  const Screen = SCREENS[current];
  return (
    <>
      <Views stop="map" label="Ways to work on maps" views={VIEWS} current={current} />
      <Suspense fallback={<WaitingView name="Map" />}>
        <Screen />
      </Suspense>
    </>
  );
}
