import { Suspense, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { isWay, Views, WaitingView } from '../pieces/index.ts';
import { Boundary, part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';
import './words.css';

const SCREENS = {
  page: part(() => import('./OnePage.tsx'), 'OnePage'),
  ledger: part(() => import('./Ledger.tsx'), 'Ledger'),
  patterns: part(() => import('./Patterns.tsx'), 'Patterns'),
  kinds: part(() => import('./Kinds.tsx'), 'Kinds'),
  facts: part(() => import('./SiteFacts.tsx'), 'SiteFacts'),
  alike: part(() => import('./Alike.tsx'), 'Alike'),
  pictures: part(() => import('./Pictures.tsx'), 'Pictures'),
  phrases: part(() => import('./Phrases.tsx'), 'Phrases'),
  exchange: part(() => import('./InAndOut.tsx'), 'InAndOut'),
  checks: part(() => import('./Checks.tsx'), 'Checks'),
} satisfies Record<View, () => ReactNode>;

/** Titles, descriptions and all other words of the site: one page, all pages, or what is set once for many. */
export function Words() {
  const view = useLocation().pathname.split('/')[4] ?? 'page';
  const current = isWay(VIEWS, view) ? view : 'page';
  const Screen: () => ReactNode = SCREENS[current];
  return (
    <>
      <Views stop="words" label="Ways to work on words" views={VIEWS} current={current} />
      <Boundary place={current}>
        <Suspense fallback={<WaitingView name="Words" />}>
          <Screen />
        </Suspense>
      </Boundary>
    </>
  );
}
