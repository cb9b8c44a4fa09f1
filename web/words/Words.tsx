import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { isWay, Views, WaitingView } from '../pieces/index.ts';
import { VIEWS, type View } from './views.ts';
import './words.css';

const SCREENS = {
  page: lazy(() => import('./OnePage.tsx').then((module) => ({ default: module.OnePage }))),
  ledger: lazy(() => import('./Ledger.tsx').then((module) => ({ default: module.Ledger }))),
  patterns: lazy(() => import('./Patterns.tsx').then((module) => ({ default: module.Patterns }))),
  kinds: lazy(() => import('./Kinds.tsx').then((module) => ({ default: module.Kinds }))),
  facts: lazy(() => import('./SiteFacts.tsx').then((module) => ({ default: module.SiteFacts }))),
  alike: lazy(() => import('./Alike.tsx').then((module) => ({ default: module.Alike }))),
  pictures: lazy(() => import('./Pictures.tsx').then((module) => ({ default: module.Pictures }))),
  phrases: lazy(() => import('./Phrases.tsx').then((module) => ({ default: module.Phrases }))),
  exchange: lazy(() => import('./InAndOut.tsx').then((module) => ({ default: module.InAndOut }))),
  checks: lazy(() => import('./Checks.tsx').then((module) => ({ default: module.Checks }))),
} satisfies Record<View, unknown>;

/** Titles, descriptions and all other words of the site: one page, all pages, or what is set once for many. */
export function Words() {
  const { view = 'page' } = useParams();
  const current = isWay(VIEWS, view) ? view : 'page';
  const Screen = SCREENS[current];
  return (
    <>
      <Views stop="words" label="Ways to work on words" views={VIEWS} current={current} />
      <Suspense fallback={<WaitingView name="Words" />}>
        <Screen />
      </Suspense>
    </>
  );
}
