import { all, isFor, set, type Snippet } from '../../core/site/index.ts';
import { counted } from '../../core/wording/index.ts';
import type { SnippetReport } from '../analysis/index.ts';
import { PageLink, PageName } from '../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { PLACE_NAMES, snippetWording as wording } from './snippet-wording.ts';

const FIELDS = ['name', 'code', 'place', 'by', 'on', 'off', 'order'] as const;

/** All snippets: on or off, on how many pages, and how they stood in the files as they came. */
export function PlacedSnippets({ snippets, onEdit }: { readonly snippets: readonly Snippet[]; readonly onEdit: (snippet: Snippet) => void }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const reports = useReport(
    (one) => one.tools.analysis.snippetReports(),
    snippets.map(({ id, code, place, on }) => `${id}${code}${place}${[...on].join()}`).join(),
  );
  const takeAway = (snippet: Snippet): void =>
    workspace.change(all(FIELDS.map((field) => set('snippets', snippet.id, field, null))), { label: `“${snippet.name}” was taken out` });
  return (
    <section className="mt-6" aria-labelledby="placed-snippets">
      <h2 id="placed-snippets">{wording.placed}</h2>
      {snippets.length === 0 ? (
        <p className="soft mt-1">{wording.none}</p>
      ) : (
        <ul className="panel mt-2">
          {snippets.map((snippet) => {
            const pages = rows.filter((row) => isFor(snippet, row));
            const waits = pages.filter(({ pending }) => pending).length;
            return (
              <li key={snippet.id} className="border-t border-line px-4 py-3 first:border-t-0" data-snippet={snippet.name}>
                <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
                  <div className="min-w-0 flex-1 basis-60">
                    <p className="font-semibold">{snippet.name}</p>
                    <p className="soft text-note">
                      {PLACE_NAMES[snippet.place]}, {snippet.on === 'all' ? 'on all pages' : `on ${counted(pages.length, 'page')}`}
                      {snippet.off ? '. Off: kept, and in no page.' : waits > 0 && `. ${counted(waits, 'of them waits', 'of them wait')} for release.`}
                    </p>
                    <p className="mono soft mt-0.5 line-clamp-2 text-tiny break-all">{snippet.code}</p>
                  </div>
                  <label className="flex min-h-8 items-center gap-2 text-small">
                    <input
                      type="checkbox"
                      className="toggle toggle-sm"
                      checked={!snippet.off}
                      aria-label={`${snippet.name} is on`}
                      onChange={(event) =>
                        workspace.change(set('snippets', snippet.id, 'off', event.target.checked ? null : true), {
                          label: `“${snippet.name}” was turned ${event.target.checked ? 'on' : 'off'}`,
                        })
                      }
                    />
                    {snippet.off ? 'Off' : 'On'}
                  </label>
                  <button type="button" className="btn btn-sm btn-ghost" onClick={() => onEdit(snippet)}>
                    Change
                  </button>
                  <button type="button" className="btn btn-sm btn-ghost" onClick={() => takeAway(snippet)}>
                    Take out
                  </button>
                </div>
                {reports?.[snippet.id] && <Stands report={reports[snippet.id] as SnippetReport} off={snippet.off} />}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** How it stood in the pages as they were brought in, and what becomes of that. */
function Stands({ report, off }: { readonly report: SnippetReport; readonly off: boolean }) {
  const byId = useWorkspace((state) => state.byId);
  const told = [
    {
      pages: report.there,
      one: 'has it already, as it should',
      many: 'have it already, as they should',
      then: off ? 'It stays there: that is the page’s own.' : '',
    },
    { pages: report.twice, one: 'has it more than once', many: 'have it more than once', then: off ? '' : 'One of them stays.' },
    { pages: report.elsewhere, one: 'has it in the wrong part', many: 'have it in the wrong part', then: off ? '' : 'It moves to its place.' },
    { pages: report.beside, one: 'has it and is not meant to', many: 'have it and are not meant to', then: 'It stays there: that is the page’s own.' },
  ].filter(({ pages }) => pages.length > 0);
  if (told.length === 0) return null;
  return (
    <ul className="mt-1.5 text-small">
      {told.map(({ pages, one, many, then }) => (
        <li key={one}>
          <details>
            <summary>
              {counted(pages.length, `page ${one}`, `pages ${many}`)}. {then}
            </summary>
            <ul className="mt-1 ml-4 text-note">
              {pages.slice(0, 30).map((id) => {
                const row = byId.get(id);
                return row ? (
                  <li key={id}>
                    <PageLink to="words" page={id} className="link-act">
                      <PageName row={row} />
                    </PageLink>
                  </li>
                ) : null;
              })}
              {pages.length > 30 && <li className="soft">and {pages.length - 30} more</li>}
            </ul>
          </details>
        </li>
      ))}
    </ul>
  );
}
