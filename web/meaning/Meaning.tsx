import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';
import './meaning.css';

const SCREENS = {
  page: part(() => import('./page/OnePage.tsx'), 'OnePage'),
  kinds: part(() => import('./site/Kinds.tsx'), 'Kinds'),
  markup: part(() => import('./site/AllMarkup.tsx'), 'AllMarkup'),
  who: part(() => import('./site/WhoIsBehind.tsx'), 'WhoIsBehind'),
  experts: part(() => import('./page/Experts.tsx'), 'Experts'),
} satisfies Record<View, () => ReactNode>;

/** What pages tell engines of themselves: read back, by kind, all of it, who is behind the site, and as code. */
export function Meaning() {
  return <StopViews stop="meaning" name="Meaning" label="Ways to work on structured data" views={VIEWS} screens={SCREENS} />;
}
