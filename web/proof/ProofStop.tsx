import type { ReactNode } from 'react';
import { StopViews } from '../components/index.ts';
import { part } from '../ui/index.ts';
import { VIEWS, type View } from './views.ts';

const SCREENS = {
  owner: part(() => import('./Proof.tsx'), 'Proof'),
  snippets: part(() => import('./Snippets.tsx'), 'Snippets'),
} satisfies Record<View, () => ReactNode>;

/** What is placed in the site for others. */
export function ProofStop() {
  return <StopViews stop="proof" name="Proof" label="What is placed for others" views={VIEWS} screens={SCREENS} />;
}
