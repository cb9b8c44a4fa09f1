import { lazy, type ComponentType } from 'react';

/** The screens of the path, each loaded when it is first wanted. */
const LOADERS = {
  '': () => import('../start/Start.tsx').then((module) => ({ default: module.Start })),
  words: () => import('../words/Words.tsx').then((module) => ({ default: module.Words })),
  meaning: () => import('../meaning/Meaning.tsx').then((module) => ({ default: module.Meaning })),
  doors: () => import('../doors/Doors.tsx').then((module) => ({ default: module.Doors })),
  map: () => import('../map/Maps.tsx').then((module) => ({ default: module.Maps })),
  weight: () => import('../weight/Weight.tsx').then((module) => ({ default: module.Weight })),
  release: () => import('../release/Release.tsx').then((module) => ({ default: module.Release })),
  proof: () => import('../proof/Proof.tsx').then((module) => ({ default: module.Proof })),
  watch: () => import('../watch/Watch.tsx').then((module) => ({ default: module.Watch })),
} satisfies Record<string, () => Promise<{ default: ComponentType }>>;

/** Stops that can be worked at in several ways. */
const WITH_VIEWS = new Set(['words', 'doors', 'map']);

const { '': loadStart, ...stops } = LOADERS;
const Start = lazy(loadStart);
const screens = Object.entries(stops).map(([stop, load]) => ({ stop, Screen: lazy(load) }));

/** The routes below a site's own. */
export const screenRoutes = [
  { index: true, element: <Start /> },
  ...screens.map(({ stop, Screen }) => ({ path: WITH_VIEWS.has(stop) ? `${stop}/:view?` : stop, element: <Screen /> })),
];

/** Fetches the screen of a stop ahead, so that it is there when the site is. */
export function loadScreen(stop: string): void {
  if (stop in LOADERS) void LOADERS[stop as keyof typeof LOADERS]();
}
