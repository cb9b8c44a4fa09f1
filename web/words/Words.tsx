import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
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
  return <StopViews stop="words" name="Words" label="Ways to work on words" views={VIEWS} screens={SCREENS} />;
}
