import { Suspense, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { isWay, Views, WaitingView } from '../components/index.ts';
import { Boundary, part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';
import './words.css';

const SCREENS = {
  page: part(() => import('./page/OnePage.tsx'), 'OnePage'),
  ledger: part(() => import('./ledger/Ledger.tsx'), 'Ledger'),
  patterns: part(() => import('./patterns/Patterns.tsx'), 'Patterns'),
  kinds: part(() => import('./site/Kinds.tsx'), 'Kinds'),
  facts: part(() => import('./site/SiteFacts.tsx'), 'SiteFacts'),
  alike: part(() => import('./site/Alike.tsx'), 'Alike'),
  pictures: part(() => import('./site/Pictures.tsx'), 'Pictures'),
  phrases: part(() => import('./site/Phrases.tsx'), 'Phrases'),
  exchange: part(() => import('./exchange/InAndOut.tsx'), 'InAndOut'),
  checks: part(() => import('./site/Checks.tsx'), 'Checks'),
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
