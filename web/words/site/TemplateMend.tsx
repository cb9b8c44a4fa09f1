import { Wrench } from 'lucide-react';
import type { FindingCode, TemplateField } from '../../../core/checks/index.ts';
import { all, set, type Change } from '../../../core/site/index.ts';
import { aboutCheck, counted, PATCH_REFUSALS } from '../../../core/wording/index.ts';
import type { MendGroup } from '../../analysis/index.ts';
import { PageLink } from '../../components/index.ts';
import { useReport, useWorkspace, useWorkspaceApi, type Workspace } from '../../workspace/index.ts';

/** So many different changes are shown; the others are counted. */
const SHOWN = 6;

function mend(workspace: Workspace, field: TemplateField, done: string, groups: readonly MendGroup[]): void {
  const changes = groups.flatMap(({ pages, lang }): Change[] =>
    pages.map((page) => (field === 'lang' ? set('pages', page, field, lang ?? null) : set('pages', page, field, true))),
  );
  workspace.change(all(changes), { label: `${done} on ${counted(changes.length, 'page')}` });
}

/** What lives in a template is mended on all its pages at once: what would be written is seen first, and can be taken back as one. */
export function TemplateMend({ code, field }: { readonly code: FindingCode; readonly field: TemplateField }) {
  const workspace = useWorkspaceApi();
  const groups = useReport((one) => one.tools.analysis.templateMend(code, field));
  const byId = useWorkspace((state) => state.byId);
  const records = useWorkspace((state) => state.document.tables.pages);
  const mended = Object.keys(records).filter((page) => records[page]?.[field]);
  const able = groups?.filter(({ refused }) => refused === undefined) ?? [];
  const count = able.reduce((sum, { pages }) => sum + pages.length, 0);
  const { label = '', done = '', back = '' } = aboutCheck(code).everywhere ?? {};
  const takeBack = (): void =>
    workspace.change(all(mended.map((page) => set('pages', page, field, null))), { label: `${back} on ${counted(mended.length, 'page')}` });
  return (
    <div className="my-2" data-testid="template-mend">
      {groups === undefined && <p className="soft text-note">Looking at what would be written …</p>}
      {groups?.slice(0, SHOWN).map((group) => (
        <div key={JSON.stringify([group.changes, group.refused, group.lang])} className="my-[0.4rem] border-l-3 border-line py-1 pl-3">
          <p className="soft text-note">
            {group.refused === undefined
              ? counted(group.pages.length, 'page')
              : `${counted(group.pages.length, 'page')} cannot be mended so: ${PATCH_REFUSALS[group.refused]}`}
            {', '}
            <PageLink to="words" page={group.pages[0] ?? ''} className="link-act !font-normal">
              <bdi>{byId.get(group.pages[0] ?? '')?.name ?? group.pages[0]}</bdi>
            </PageLink>
            {group.pages.length > 1 && ' among them'}
          </p>
          {group.changes.map(({ before, after }, at) => (
            <p key={at} className="mono text-fine break-all">
              {before !== '' && <del className="text-brick">{before}</del>} {after !== '' && <ins className="font-semibold no-underline">{after}</ins>}
            </p>
          ))}
        </div>
      ))}
      {groups !== undefined && groups.length > SHOWN && <p className="soft text-note">and {counted(groups.length - SHOWN, 'more change')}</p>}
      <p className="mt-2 flex flex-wrap items-center gap-3">
        {count > 0 && (
          <button type="button" className="btn btn-sm btn-primary gap-2" onClick={() => mend(workspace, field, done, able)}>
            <Wrench size={15} aria-hidden /> {label} on {counted(count, 'page')}
          </button>
        )}
        {mended.length > 0 && (
          <button type="button" className="link-act text-note" onClick={takeBack}>
            Mended on {counted(mended.length, 'page')}: take that back
          </button>
        )}
      </p>
    </div>
  );
}
