import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';

const SCREENS = {
  map: part(() => import('./OurMap.tsx'), 'OurMap'),
  choices: part(() => import('./Choices.tsx'), 'Choices'),
  also: part(() => import('./Also.tsx'), 'Also'),
  read: part(() => import('./ReadAMap.tsx'), 'ReadAMap'),
} satisfies Record<View, () => ReactNode>;

/** Sitemaps: ours, what goes into it, what goes with it, and any other to be read. */
export function Maps() {
  return <StopViews stop="map" name="Map" label="Ways to work on maps" views={VIEWS} screens={SCREENS} />;
}
