import { readableAddress } from '../../../core/source/index.ts';
import { useState } from 'react';
import type { AlikeGroup } from '../../../core/survey/index.ts';
import { descriptionLimits, set, titleLimits } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { PageLink, PageName } from '../../components/index.ts';
import { Empty, useComing } from '../../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { FitRuler } from '../page/FitRuler.tsx';

/** Groups drawn at once: the others are drawn as they come into view. */
const STEP = 3;
const IN_GROUP = 24;

/** Pages with the same title or description, or nearly: side by side, mended in their place. */
export function Alike() {
  const groups = useReport((one) => one.tools.analysis.alike());
  // A group stays while its members are being written: what was mended must not vanish from under the hands.
  const [held, setHeld] = useState<readonly AlikeGroup[]>();
  if (groups && held === undefined) setHeld(groups);
  const shown = held ?? groups;
  const { drawn, end } = useComing(shown?.length ?? 0, STEP);
  if (!shown) return <p className="soft">Comparing …</p>;
  return (
    <div className="mx-auto max-w-table">
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4">
        <h1>Alike</h1>
        <p className="soft">
          {groups && groups.length === 0 ? 'No two pages say the same.' : `${counted(groups?.length ?? 0, 'group')} of pages that say the same, or nearly.`}
        </p>
        {groups && groups.length < shown.length && (
          <button type="button" className="link-act ml-auto text-small" onClick={() => setHeld(groups)}>
            Put away what is fixed
          </button>
        )}
      </header>
      {shown.length === 0 && (
        <Empty title="Every page speaks for itself">Titles and descriptions that are the same, or nearly, would stand here side by side.</Empty>
      )}
      {shown.slice(0, drawn).map((group) => (
        <Group
          key={`${group.field} ${group.how} ${group.pages[0]}`}
          group={group}
          mended={!groups?.some((one) => one.field === group.field && one.how === group.how && one.pages.some((page) => group.pages.includes(page)))}
        />
      ))}
      <div ref={end} />
    </div>
  );
}

function Group({ group, mended }: { readonly group: AlikeGroup; readonly mended: boolean }) {
  const what = group.field === 'title' ? 'title' : 'description';
  return (
    <section className="panel mb-4 overflow-hidden" aria-label={`${group.how === 'same' ? 'Same' : 'Nearly the same'} ${what}`}>
      <h2 className="flex items-baseline gap-3 border-b border-line px-4 py-2.5">
        {group.how === 'same' ? 'Same' : 'Nearly the same'} {what}
        <span className="soft text-note font-normal">{counted(group.pages.length, 'page')}</span>
        {mended && <span className="ml-auto text-note font-normal text-green">fixed</span>}
      </h2>
      <div className="grid *:border-b *:border-line *:odd:border-r sm:grid-cols-2">
        {group.pages.slice(0, IN_GROUP).map((id) => (
          <One key={id} id={id} field={group.field} />
        ))}
      </div>
      {group.pages.length > IN_GROUP && <p className="soft px-4 py-2 text-note">and {group.pages.length - IN_GROUP} more: the ledger has them all.</p>}
    </section>
  );
}

function One({ id, field }: { readonly id: string; readonly field: 'title' | 'description' }) {
  const workspace = useWorkspaceApi();
  const row = useWorkspace((state) => state.byId.get(id));
  const own = useWorkspace((state) => state.document.tables.pages[id]?.[field]);
  const document = useTables('limits');
  if (!row) return null;
  const text = own ?? row[field];
  const limits = (field === 'title' ? titleLimits(document) : descriptionLimits(document)).slice(0, 2);
  return (
    <div className="p-3">
      <p className="mb-1 flex items-baseline gap-2 text-small">
        <PageLink to="words" page={id} className="link-act truncate">
          <PageName row={row} />
        </PageLink>
        <span className="mono soft truncate">{readableAddress(row.address)}</span>
      </p>
      <div className="field">
        <textarea
          aria-label={`${field === 'title' ? 'Title' : 'Description'} of ${row.name}`}
          rows={field === 'title' ? 1 : 3}
          className={field === 'title' ? '!min-h-6' : ''}
          dir="auto"
          lang={row.lang}
          value={text}
          onChange={(event) =>
            workspace.change(set('pages', id, field, event.target.value.replace(/[\r\n]+/g, ' ')), {
              label: `“${row.name}” has a new ${field}`,
              coalesceKey: `alike:${field}:${id}`,
            })
          }
        />
        <FitRuler text={text} limits={limits} />
      </div>
    </div>
  );
}
