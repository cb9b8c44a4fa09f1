import { useLocation } from 'react-router';
import { isOfOnePage, useRoute } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { placeName } from './screens.tsx';

/** The place in words: the page where it is about one, the way to work, the site. */
export function usePlaceWords(): { readonly page: string | undefined; readonly place: string; readonly site: string } {
  const { pathname } = useLocation();
  const { page } = useRoute();
  const onPage = isOfOnePage(pathname);
  const name = useWorkspace((state) => (onPage && page !== undefined ? state.byId.get(page)?.name : undefined));
  const site = useWorkspace((state) => state.site?.name ?? '');
  return { page: name, place: placeName(pathname) ?? 'No such place', site };
}

/** Each view and page has a title of its own: in the tab, in the history, for those who listen. */
export function PlaceTitle() {
  const { page, place, site } = usePlaceWords();
  return <title>{[page, place, site].filter(Boolean).join(' · ')}</title>;
}
