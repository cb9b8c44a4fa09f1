import { hostingFrom, itemKey, type Held } from '../../core/release/index.ts';
import { all, isOpen, isPageFile, LONGEST_TEXT, set, siteHost, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import type { HostedSite } from '../../core/exchange/index.ts';
import { onProgress, type LeftInFile } from '../analysis/index.ts';
import type { Workspace } from './store.ts';

export type ReleaseStep = 'packing' | 'sending' | 'switching';
export interface ReleaseOutcome {
  readonly hosted: HostedSite | undefined;
  readonly left: readonly LeftInFile[];
  readonly number: number;
}

/** The number the next release gets: one more than here, and than what the host serves already. */
export function nextNumber(workspace: Workspace, hosted: HostedSite | undefined): number {
  return Math.max(0, hosted?.number ?? 0, ...Object.keys(workspace.state.document.tables.releases).map(Number)) + 1;
}

/** The number of the release that is out. */
function lastNumber({ tables: { releases } }: SiteDocument): number {
  return Math.max(0, ...Object.keys(releases).map(Number));
}

/** What a release is to be: what of it waits, an earlier release that goes out again, a note about it. */
export interface ReleaseWishes {
  readonly held?: Held;
  readonly from?: number;
  readonly note?: string;
}

/** Releases the working copy, or an earlier release once more, to the stand-in host; or only sets down that it went out by hand. */
export async function release(
  workspace: Workspace,
  to: 'host' | 'files',
  { held = {}, from, note = '' }: ReleaseWishes,
  report: (step: ReleaseStep, done: number, of: number) => void,
): Promise<ReleaseOutcome> {
  await workspace.whenIdle();
  const { analysis, outside, now } = workspace.tools;
  const { document } = workspace.state;
  const number = nextNumber(workspace, to === 'host' ? await outside.hosted(siteHost(document)) : undefined);
  const waiting = from === undefined ? await analysis.releaseItems() : ((await analysis.compareReleases(lastNumber(document), from)) ?? []);
  const items = waiting.filter((item) => held[itemKey(item)] !== 'whole');
  report('packing', 0, 1);
  const outgoing = await analysis.outgoing(
    number,
    { held, ...(from === undefined ? {} : { from }) },
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
    const { audience, password, headers, gone } = hostingFrom(outgoing.hosting);
    hosted = await outside.release(siteHost(document), {
      number,
      origin: siteOrigin(document),
      files: outgoing.files,
      headers: headers.map(({ path, match, values }) => ({ path, match, values: [...values] })),
      audience,
      gone: [...gone],
      ...(password ? { password } : {}),
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
      ...(note.trim() === '' ? [] : [set('releases', key, 'note', note.trim().slice(0, LONGEST_TEXT))]),
      ...(from === undefined ? [] : [set('releases', key, 'again', from)]),
      ...(Object.keys(held).length === 0 ? [] : [set('releases', key, 'held', Object.keys(held).length)]),
      // The plan is carried out: from here on the switch stands as it went out.
      ...(from === undefined && document.tables.siteSwitch['']?.plan === 'next-release'
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
  return { hosted, left: outgoing.left, number };
}
