import { isFor } from '../../core/site/index.ts';
import { SNIPPET_PLACES, type SnippetPlace } from '../../core/page/index.ts';
import { counted } from '../../core/wording/index.ts';
import type { SnippetFits } from '../analysis/index.ts';
import { PageLink, PageName } from '../components/index.ts';
import { useDebounced } from '../ui/index.ts';
import { useReport, useWorkspace } from '../workspace/index.ts';
import { changedWords, PLACE_NAMES, snippetWording as wording } from './snippet-wording.ts';
import type { Scope } from './scope.ts';

/** How a snippet fits the pages that it is for; undefined until that is known. Nothing is tried while there is no code that could go. */
export function useFits(code: string, scope: Scope): SnippetFits | undefined {
  const rows = useWorkspace((state) => state.rows);
  const settled = useDebounced(code, 300);
  const on = scope.by === 'all' ? ('all' as const) : new Set(scope.on);
  const ids = rows.filter((row) => isFor({ by: scope.by, on }, row)).map(({ id }) => id);
  const fits = useReport(
    async (one) => (settled === '' || ids.length === 0 ? undefined : one.tools.analysis.snippetFits(settled, ids)),
    JSON.stringify([settled, scope]),
  );
  return settled === code ? fits : undefined;
}

/** Whether it goes on none of the pages that were tried. */
export const goesNowhere = (fits: SnippetFits | undefined, place: SnippetPlace): boolean =>
  fits !== undefined && fits[place].tried > 0 && fits[place].unfit.length === fits[place].tried;

/** What trying it on the site's own pages showed: that it fits, or what would change on which, and where it would fit. */
export function FitOnPages({ fits, place }: { readonly fits: SnippetFits | undefined; readonly place: SnippetPlace }) {
  const byId = useWorkspace((state) => state.byId);
  if (!fits) return <p className="soft text-small">{wording.trying}</p>;
  const { tried, unfit } = fits[place];
  if (unfit.length === 0)
    return tried === 0 ? null : (
      <p className="soft text-small" data-testid="snippet-fits">
        {wording.fits(counted(tried, 'page'))}
      </p>
    );
  const better = SNIPPET_PLACES.filter((one) => fits[one].unfit.length === 0);
  return (
    <div className="notice notice-amber text-small" data-testid="snippet-unfit">
      <p>
        <b>{unfit.length === tried ? wording.unfitAll : wording.unfit}</b> {better.length > 0 && wording.elsewhere(better.map((one) => PLACE_NAMES[one]))}
      </p>
      <ul className="mt-1">
        {unfit.slice(0, 4).map(({ id, changes }) => {
          const row = byId.get(id);
          return (
            <li key={id}>
              {row && (
                <PageLink to="words" page={id} className="link-act">
                  <PageName row={row} />
                </PageLink>
              )}{' '}
              {changedWords(changes)}
            </li>
          );
        })}
        {unfit.length > 4 && <li>and {unfit.length - 4} more</li>}
      </ul>
    </div>
  );
}
