import { lazy, Suspense } from 'react';
import { Link, useParams } from 'react-router';
import { usePlace } from '../pieces/index.ts';
import { isView, VIEWS, type View } from './views.ts';
import './words.css';

const SCREENS = {
  page: lazy(() => import('./OnePage.tsx').then((module) => ({ default: module.OnePage }))),
  ledger: lazy(() => import('./Ledger.tsx').then((module) => ({ default: module.Ledger }))),
  patterns: lazy(() => import('./Patterns.tsx').then((module) => ({ default: module.Patterns }))),
  kinds: lazy(() => import('./Kinds.tsx').then((module) => ({ default: module.Kinds }))),
  facts: lazy(() => import('./SiteFacts.tsx').then((module) => ({ default: module.SiteFacts }))),
  alike: lazy(() => import('./Alike.tsx').then((module) => ({ default: module.Alike }))),
  pictures: lazy(() => import('./Pictures.tsx').then((module) => ({ default: module.Pictures }))),
  phrases: lazy(() => import('./Phrases.tsx').then((module) => ({ default: module.Phrases }))),
  exchange: lazy(() => import('./InAndOut.tsx').then((module) => ({ default: module.InAndOut }))),
  checks: lazy(() => import('./Checks.tsx').then((module) => ({ default: module.Checks }))),
} satisfies Record<View, unknown>;

/** Titles, descriptions and all other words of the site: one page, all pages, or what is set once for many. */
export function Words() {
  const { view = 'page' } = useParams();
  const current = isView(view) ? view : 'page';
  const Screen = SCREENS[current];
  return (
    <>
      <ViewLinks current={current} />
      <Suspense fallback={<Waiting />}>
        <Screen />
      </Suspense>
    </>
  );
}

/** Until the screen is there; a page without a headline is lost to those who listen. */
function Waiting() {
  return (
    <>
      <h1 className="sr-only">Words</h1>
      <p className="soft">Loading …</p>
    </>
  );
}

function ViewLinks({ current }: { readonly current: View }) {
  const { siteId, page } = usePlace();
  const query = page === undefined ? '' : `?page=${encodeURIComponent(page)}`;
  return (
    <nav className="views" aria-label="Ways to work on words">
      {VIEWS.map(({ id, name }) => (
        <Link key={id} to={`/s/${siteId}/words${id === 'page' ? '' : `/${id}`}${query}`} aria-current={id === current ? 'page' : undefined}>
          {name}
        </Link>
      ))}
    </nav>
  );
}
