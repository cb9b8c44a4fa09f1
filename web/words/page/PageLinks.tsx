import type { FilePath } from '../../../core/source/index.ts';
import { plural } from '../../../core/wording/index.ts';
import { useState } from 'react';
import { similarity } from '../../../core/titles/index.ts';
import { set } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { Term, PageLink, PageName } from '../../components/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

/** Who links here, where this page's links lead, and those that lead nowhere, with the mend. */
export function PageLinks({ row, backlinks }: { readonly row: PageRow; readonly backlinks: readonly string[] }) {
  const byId = useWorkspace((state) => state.byId);
  return (
    <div className="text-small">
      {row.broken.length > 0 && (
        <section className="mb-4">
          <h3 className="mb-1 font-semibold">Lead nowhere</h3>
          <ul>
            {row.broken.map((path) => (
              <BrokenLink key={path} path={path} />
            ))}
          </ul>
        </section>
      )}
      <section>
        <h3 className="mb-1 font-semibold">Pages that link here {backlinks.length === 0 && <Term id="orphan" />}</h3>
        {backlinks.length === 0 && <p className="soft">None: visitors cannot come by this page. Open a page that speaks of it, and set a link on its words.</p>}
        <ul className="columns-1 gap-6 sm:columns-2">
          {backlinks.slice(0, 60).map((id) => (
            <li key={id}>
              <PageLink to="words" page={id} className="link-act text-left !font-normal">
                {byId.get(id)?.name ?? id}
              </PageLink>
            </li>
          ))}
        </ul>
        {backlinks.length > 60 && <p className="soft">and {backlinks.length - 60} more</p>}
      </section>
      <p className="soft mt-3">
        It links to {row.linksOut} other {plural(row.linksOut, 'page', 'pages')} of the site and {row.linksOutside}{' '}
        {plural(row.linksOutside, 'address', 'addresses')} elsewhere.
      </p>
    </div>
  );
}

/** A link that leads nowhere: the likeliest page is offered; wherever the site names that address, it will lead there. */
function BrokenLink({ path }: { readonly path: FilePath }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const [guess] = useState(
    () => rows.map((row) => ({ address: row.address, near: similarity(row.address, path) })).sort((a, b) => b.near - a.near)[0]?.address ?? '/',
  );
  const [to, setTo] = useState(guess);
  const known = rows.some((row) => row.address === to.trim());
  return (
    <li className="border-t border-line py-2">
      <p className="mono break-all">{path}</p>
      <form
        className="mt-1 flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (known) workspace.change(set('repairs', path, 'to', to.trim()), { label: `Links to ${path} lead to ${to.trim()}` });
        }}
      >
        <label className="flex min-w-0 flex-1 items-center gap-2">
          <span className="soft flex-none">lead it to</span>
          <input className="input input-sm mono min-w-0 flex-1" list="addresses" value={to} onChange={(event) => setTo(event.target.value)} />
        </label>
        <button type="submit" className="btn btn-sm btn-outline-ink" disabled={!known}>
          On all pages
        </button>
      </form>
      <datalist id="addresses">
        {rows.slice(0, 500).map((row) => (
          <option key={row.id} value={row.address}>
            <PageName row={row} />
          </option>
        ))}
      </datalist>
    </li>
  );
}
