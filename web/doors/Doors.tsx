import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';

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
  return <StopViews stop="doors" name="Doors" label="Ways to work on doors" views={VIEWS} screens={SCREENS} />;
}
