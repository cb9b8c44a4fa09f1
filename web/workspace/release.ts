import { all, isOpen, isPageFile, outgoingHeaderRules, set, siteHost, siteOrigin } from '../../core/site/index.ts';
import type { PatchRefusal } from '../../core/page/index.ts';
import type { HostedSite } from '../../core/exchange/index.ts';
import { onProgress } from '../analysis/index.ts';
import type { Workspace } from './store.ts';

export type ReleaseStep = 'packing' | 'sending' | 'switching';
export interface ReleaseOutcome {
  readonly hosted: HostedSite | undefined;
  readonly refused: readonly { readonly path: string; readonly reason: PatchRefusal }[];
  readonly number: number;
}

/** The number the next release gets: one more than here, and than what the host serves already. */
export function nextNumber(workspace: Workspace, hosted: HostedSite | undefined): number {
  return Math.max(0, hosted?.number ?? 0, ...Object.keys(workspace.state.document.tables.releases).map(Number)) + 1;
}

/** Releases the working copy to the stand-in host, or only sets down that it went out by hand. */
export async function release(
  workspace: Workspace,
  to: 'host' | 'files',
  report: (step: ReleaseStep, done: number, of: number) => void,
): Promise<ReleaseOutcome> {
  await workspace.whenIdle();
  const { analysis, outside, now } = workspace.tools;
  const { document } = workspace.state;
  const number = nextNumber(workspace, to === 'host' ? await outside.hosted(siteHost(document)) : undefined);
  const items = await analysis.releaseItems();
  report('packing', 0, 1);
  const outgoing = await analysis.outgoing(
    number,
    onProgress((done, of) => report('packing', done, of)),
  );
  let hosted: HostedSite | undefined;
  if (to === 'host') {
    const byHash = new Map(outgoing.files.map((file) => [file.hash, file]));
    const { missing } = await outside.missing([...byHash.keys()]);
    const bundles = await analysis.bundles(missing.flatMap((hash) => byHash.get(hash) ?? []));
    for (const [index, bundle] of bundles.entries()) {
      report('sending', index, bundles.length);
      await outside.sendBytes(bundle);
    }
    report('switching', 0, 1);
    const visitors = document.tables.visitors[''];
    hosted = await outside.release(siteHost(document), {
      number,
      origin: siteOrigin(document),
      files: outgoing.files,
      headers: outgoingHeaderRules(document).map(({ path, match, values }) => ({ path, match, values: [...values] })),
      audience: visitors?.audience ?? 'public',
      ...(visitors?.audience === 'restricted' && visitors.password ? { password: visitors.password } : {}),
    });
  }
  const key = String(number);
  workspace.change(
    all([
      set('releases', key, 'at', hosted?.at ?? now().toISOString()),
      set('releases', key, 'pages', items.filter((item) => !item.own && isPageFile(item.path)).length),
      set('releases', key, 'files', items.length),
      set('releases', key, 'open', isOpen(document)),
      set('releases', key, 'to', to),
      // The plan is carried out: from here on the switch stands as it went out.
      ...(document.tables.siteSwitch['']?.plan === 'next-release'
        ? [
            set('siteSwitch', '', 'open', true),
            set('siteSwitch', '', 'plan', null),
            set('siteSwitch', '', 'opensOn', null),
            set('siteSwitch', '', 'since', now().toISOString()),
          ]
        : []),
    ]),
    { label: `Release ${number}`, notUndoable: true },
  );
  await workspace.whenIdle();
  await workspace.takeIn(() => analysis.released(workspace.state.document));
  await workspace.keepSummary();
  return { hosted, refused: outgoing.refused, number };
}
