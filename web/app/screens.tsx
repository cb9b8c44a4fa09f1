import type { ReactNode } from 'react';
import { useLocation } from 'react-router';
import { VIEWS as DOORS } from '../doors/views.ts';
import { VIEWS as MAPS } from '../map/views.ts';
import { VIEWS as MEANING } from '../meaning/views.ts';
import { VIEWS as PROOF } from '../proof/views.ts';
import { VIEWS as RELEASES } from '../release/views.ts';
import type { Stop } from '../../core/checks/index.ts';
import { PageLink, STOPS } from '../components/index.ts';
import { Empty, fetchPart, part } from '../ui/index.ts';
import { VIEWS as WATCH } from '../watch/views.ts';
import { VIEWS as WORDS } from '../words/views.ts';

const NewVersion = part(() => import('../sites/NewVersion.tsx'), 'NewVersion');
const Start = part(() => import('../start/Start.tsx'), 'Start');

/** The screens of the path, each loaded when it is first wanted. */
const SCREENS = {
  words: part(() => import('../words/Words.tsx'), 'Words'),
  meaning: part(() => import('../meaning/Meaning.tsx'), 'Meaning'),
  doors: part(() => import('../doors/Doors.tsx'), 'Doors'),
  map: part(() => import('../map/Maps.tsx'), 'Maps'),
  weight: part(() => import('../weight/Weight.tsx'), 'Weight'),
  release: part(() => import('../release/Release.tsx'), 'Release'),
  proof: part(() => import('../proof/ProofStop.tsx'), 'ProofStop'),
  watch: part(() => import('../watch/Watch.tsx'), 'Watch'),
} satisfies Record<Stop, () => ReactNode>;

/** Stops that can be worked at in several ways; the first of each is the stop itself. */
export const WAYS: Readonly<Record<string, readonly { readonly id: string; readonly name: string }[]>> = {
  words: WORDS,
  meaning: MEANING,
  doors: DOORS,
  map: MAPS,
  release: RELEASES,
  proof: PROOF,
  watch: WATCH,
};

/** The routes below a site's own. */
export const screenRoutes = [
  { index: true, element: <Start /> },
  { path: 'new-version', element: <NewVersion /> },
  ...Object.entries(SCREENS).flatMap(([stop, Screen]) => [
    { path: stop, element: <Screen /> },
    ...(WAYS[stop] ?? []).map(({ id }) => ({ path: `${stop}/${id}`, element: <Screen /> })),
  ]),
];

/** Fetches the screen of a stop ahead, so that it is there when the site is. */
export function fetchScreen(stop: string): void {
  fetchPart(stop === '' ? Start : (SCREENS[stop as Stop] ?? Start));
}

/** What a place is called: its stop, or the way to work at it. */
export function placeName(pathname: string): string | undefined {
  const [, , , stop = '', view = ''] = pathname.split('/');
  if (stop === '') return 'Start';
  if (stop === 'new-version') return 'New version';
  const name = STOPS.find(({ id }) => id === stop)?.name;
  if (view === '') return name;
  const way = WAYS[stop]?.find(({ id }) => id === view)?.name;
  return way && name && `${way} · ${name}`;
}

/** An address of the program that leads nowhere. */
export function NoSuchPlace() {
  const { pathname } = useLocation();
  return (
    <>
      <h1 className="sr-only">No such place</h1>
      <Empty
        title="There is no such place here"
        action={
          <PageLink to="" className="btn btn-primary">
            To the start
          </PageLink>
        }
      >
        <span className="mono break-all">{pathname.split('/').slice(3).join('/')}</span> is no stop of this program. The path across the top shows all there
        are.
      </Empty>
    </>
  );
}
