import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { WatchProvider } from './engines.tsx';
import { VIEWS, type View } from './views.ts';

const SCREENS = {
  rehearsal: part(() => import('./Rehearsal.tsx'), 'Rehearsal'),
  pages: part(() => import('./AllPages.tsx'), 'AllPages'),
  address: part(() => import('./OneAddress.tsx'), 'OneAddress'),
  search: part(() => import('./SearchView.tsx'), 'SearchView'),
  seen: part(() => import('./SeenClicked.tsx'), 'SeenClicked'),
  maps: part(() => import('./MapsHandedIn.tsx'), 'MapsHandedIn'),
  tell: part(() => import('./Telling.tsx'), 'Telling'),
  visits: part(() => import('./Visits.tsx'), 'Visits'),
} satisfies Record<View, () => ReactNode>;

/** What engines see: told day by day, page by page, address by address. */
export function Watch() {
  return (
    <WatchProvider>
      <StopViews stop="watch" name="Watch" label="Ways to watch" views={VIEWS} screens={SCREENS} />
    </WatchProvider>
  );
}
