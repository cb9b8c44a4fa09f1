import { useState } from 'react';
import { SKERRY } from '../../core/engines/index.ts';
import { set, siteHost, siteOrigin } from '../../core/site/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { counted } from '../../core/wording/index.ts';
import { PageLink, StepLine } from '../components/index.ts';
import { note, useAsync } from '../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { addressWording as wording } from './wording.ts';

/** What is to be done, in order, once the site has another address than it came with; each step told by how it really is. */
export function MovingSteps() {
  const workspace = useWorkspaceApi();
  const { tools } = workspace;
  const document = useTables('facts', 'releases', 'claims', 'sitemap');
  const pending = useWorkspace((state) => state.rows.filter((row) => row.pending).length);
  const items = useReport((one) => one.tools.analysis.releaseItems());
  const hasMap = useReport((one) => one.tools.analysis.hasMap());
  const [asked, setAsked] = useState(0);
  const origin = siteOrigin(document);
  const host = siteHost(document);
  const before = document.tables.facts['']?.cameAs ?? undefined;
  const old = before === undefined ? undefined : new URL(before).host;
  const { value } = useAsync(
    async () => ({
      here: await tools.outside.hosted(host),
      there: old === undefined ? undefined : await tools.outside.hosted(old),
      skerry: await tools.outside.engineSite(host, SKERRY.id),
    }),
    old === undefined || old === host ? undefined : `${host} ${old} ${asked} ${Object.keys(document.tables.releases).length}`,
    { fresh: true },
  );
  if (old === undefined || old === host) return null;
  const written = document.tables.sitemap['']?.on === true;
  const out = value?.here !== undefined && (items?.length ?? 0) === 0;
  const leads = value?.there === undefined ? undefined : value.there.movedTo === origin;
  const lead = async (to: string | null): Promise<void> => {
    try {
      await tools.outside.setMoved(old, to);
      setAsked((count) => count + 1);
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    }
  };
  return (
    <section className="mt-6" aria-labelledby="moving">
      <h2 id="moving">{wording.moving(old, host)}</h2>
      <ol className="panel mt-2">
        <StepLine done={pending === 0} name={wording.follow} why={pending === 0 ? wording.followDone : `${counted(pending, 'page')} ${wording.followWhy}`} />
        <StepLine done={written} name={wording.mapFollows} why={written ? wording.mapWritten : hasMap === false ? wording.mapNone : wording.mapOld}>
          {!written && (
            <button
              type="button"
              className="btn btn-sm btn-primary"
              onClick={() => workspace.change(set('sitemap', '', 'on', true), { label: 'The sitemap is written here' })}
            >
              {wording.writeMap}
            </button>
          )}
        </StepLine>
        <StepLine done={out} name={wording.goOut} why={out ? wording.goneOut(value?.here?.number ?? 0) : wording.goOutWhy}>
          {!out && (
            <PageLink to="release" className="btn btn-sm btn-primary">
              {wording.toRelease}
            </PageLink>
          )}
        </StepLine>
        <StepLine
          done={leads === true}
          name={wording.leadOn}
          why={leads === undefined ? wording.elsewhere(old) : leads ? wording.leading(old) : wording.leadOnWhy}
        >
          {leads === false && (
            <button type="button" className="btn btn-sm btn-primary" disabled={!out} onClick={() => void lead(origin)}>
              {wording.leadIt}
            </button>
          )}
          {leads === true && (
            <button type="button" className="btn btn-sm btn-ghost" onClick={() => void lead(null)}>
              {wording.leadBack}
            </button>
          )}
        </StepLine>
        <StepLine done={value?.skerry.verifiedAt !== undefined} name={wording.proveAnew} why={wording.proveWhy}>
          {value?.skerry.verifiedAt === undefined && (
            <PageLink to="proof" className="btn btn-sm btn-outline-ink">
              {wording.toProof}
            </PageLink>
          )}
        </StepLine>
        <StepLine done={value?.skerry.maps.some(({ named }) => named !== true) === true} name={wording.mapAnew} why={wording.mapWhy}>
          {value?.skerry.verifiedAt !== undefined && (
            <PageLink to="watch" className="btn btn-sm btn-outline-ink">
              {wording.toWatch}
            </PageLink>
          )}
        </StepLine>
      </ol>
    </section>
  );
}
