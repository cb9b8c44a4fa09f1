import type { PageId } from '../../core/source/index.ts';
import { useCallback } from 'react';
import { useLocation, useParams, useSearchParams } from 'react-router';
import type { Stop } from '../../core/checks/index.ts';
import { isEnoughAt } from '../../core/checks/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { useQuietNavigate } from './QuietNavigation.tsx';

export const STOPS: readonly { readonly id: Stop; readonly name: string; readonly trade: string }[] = [
  { id: 'words', name: 'Words', trade: 'titles & descriptions' },
  { id: 'meaning', name: 'Meaning', trade: 'structured data' },
  { id: 'doors', name: 'Doors', trade: 'crawl & index rules' },
  { id: 'map', name: 'Map', trade: 'sitemaps' },
  { id: 'weight', name: 'Weight', trade: 'images & speed' },
  { id: 'release', name: 'Release', trade: 'what goes live' },
  { id: 'proof', name: 'Proof', trade: 'ownership' },
  { id: 'watch', name: 'Watch', trade: 'what engines see' },
];

/** Stops that are about one page at a time; the others keep the current page but do not show it. */
export const PAGE_STOPS: readonly string[] = ['words', 'meaning', 'doors'];

/** Other ways to work on one page: another page is looked at in the same way. */
const PAGE_VIEWS: readonly string[] = ['meaning/experts'];

/** Whether a place is about one page. */
export function isOfOnePage(pathname: string): boolean {
  const [, , , stop = '', view = ''] = pathname.split('/');
  return view === '' ? PAGE_STOPS.includes(stop) : PAGE_VIEWS.includes(`${stop}/${view}`);
}

const WALKING = { walking: true } as const;

/** How a way is taken: on a walk the screen puts the cursor where there is something to fix; a replaced place is none to go back to. */
export interface Way {
  readonly walking?: boolean;
  readonly replace?: boolean;
}

/** Ways to other stops and pages of the site that is open, as addresses. */
export function useLinkTo(): (to: Stop | '', id?: PageId | null) => string {
  const { siteId = '' } = useParams();
  const asked = useSearchParams()[0].get('page');
  return useCallback(
    (to, id = asked) => `/s/${siteId}${to === '' ? '' : `/${to}`}${id === null || id === undefined ? '' : `?page=${encodeURIComponent(id)}`}`,
    [siteId, asked],
  );
}

/** Where we are: site, stop, current page; and ways to go elsewhere. */
export function useRoute() {
  const { siteId = '' } = useParams();
  const [query] = useSearchParams();
  const navigate = useQuietNavigate();
  const { pathname, state } = useLocation();
  const stop = pathname.split('/')[3] || undefined;
  const asked = query.get('page');
  const byId = useWorkspace((state) => state.byId);
  const first = useWorkspace((state) => state.rows[0]?.id);
  const page = asked !== null && byId.has(asked) ? asked : first;
  const linkTo = useLinkTo();
  /** A way to work at a stop, with the current page kept; `more` goes into the query as well. */
  const linkToView = useCallback(
    (to: Stop, view: string, more: Readonly<Record<string, string>> = {}) => {
      const query = new URLSearchParams({ ...(asked === null ? {} : { page: asked }), ...more }).toString();
      return `/s/${siteId}/${to}/${view}${query === '' ? '' : `?${query}`}`;
    },
    [siteId, asked],
  );
  const go = useCallback(
    (to: Stop | '', id?: PageId, { walking = false, replace = false }: Way = {}) =>
      void navigate(linkTo(to, id ?? asked), { replace, ...(walking ? { state: WALKING } : {}) }),
    [navigate, linkTo, asked],
  );
  /** A page, looked at as the one that is looked at now. */
  const linkToPage = useCallback(
    (id: PageId) => {
      const [, , , here = '', view = ''] = pathname.split('/');
      return view !== '' && PAGE_VIEWS.includes(`${here}/${view}`)
        ? `${pathname}?page=${encodeURIComponent(id)}`
        : linkTo(PAGE_STOPS.includes(here) ? (here as Stop) : 'words', id);
    },
    [pathname, linkTo],
  );
  const goToPage = useCallback(
    (id: PageId, { walking = false, replace = false }: Way = {}) => void navigate(linkToPage(id), { replace, ...(walking ? { state: WALKING } : {}) }),
    [navigate, linkToPage],
  );
  // A page that is asked for by name and is not here is said to be so, and not taken for another.
  const unknown = asked !== null && byId.size > 0 && !byId.has(asked) ? asked : undefined;
  return {
    siteId,
    stop: stop as Stop | undefined,
    page,
    unknown,
    pathname,
    linkTo,
    linkToView,
    linkToPage,
    goToPage,
    go,
    walking: (state as { walking?: unknown } | null)?.walking === true,
  };
}

/** The next (or previous) page after the current one that has something to mend at this stop, going round; pages passed over are left out. */
export function useNextToMend(): (step: 1 | -1, from?: string) => string | undefined {
  const rows = useWorkspace((state) => state.rows);
  const skipped = useWorkspace((state) => state.skipped);
  const { page, stop } = useRoute();
  const at = stop === 'meaning' ? 'meaning' : 'words';
  return (step, from = page) => {
    const here = rows.findIndex((row) => row.id === from);
    for (let turn = 1; turn <= rows.length; turn++) {
      const row = rows[(here + step * turn + rows.length * turn) % rows.length];
      if (row && row.id !== from && !skipped.has(row.id) && !isEnoughAt(at, row.findings)) return row.id;
    }
    return undefined;
  };
}
