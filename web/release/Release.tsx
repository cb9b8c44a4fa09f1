import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';

const SCREENS = {
  waiting: part(() => import('./Waiting.tsx'), 'Waiting'),
  live: part(() => import('./Drift.tsx'), 'Drift'),
  address: part(() => import('./Address.tsx'), 'Address'),
  earlier: part(() => import('./Earlier.tsx'), 'Earlier'),
} satisfies Record<View, () => ReactNode>;

/** Releases: what goes live, and what went. */
export function Release() {
  return <StopViews stop="release" name="Release" label="Ways to work on releases" views={VIEWS} screens={SCREENS} />;
}
