import type { CrawlTold } from '../../core/exchange/index.ts';
import type { ListedFile, ListedPage } from '../../core/ledger/index.ts';
import { mergeChange, type MergeChoices, type MergePlan } from '../../core/merge/index.ts';
import { all, applyChange, allFromHeaders, versionOf, type SiteDocument } from '../../core/site/index.ts';
import { handOver, onProgress, type Bringing, type BroughtVersion } from '../analysis/index.ts';
import { updateSite, type SiteVersion } from '../storage/index.ts';
import type { Workspace } from './store.ts';

/** A new version that lies beside the site's files, and what taking it would do to the document as it was then. */
export interface Coming {
  readonly siteId: string;
  readonly document: SiteDocument;
  readonly plan: MergePlan;
  readonly version: SiteVersion;
  /** What its files do not tell themselves, where it came from the site's address. */
  readonly told?: CrawlTold | undefined;
}

/** Brings a new version of the open site's files in, without taking it. `same` where it is the one that is here. */
export async function bringVersion(
  workspace: Workspace,
  job: string,
  bringing: Bringing,
  progress: (done: number, of: number) => void,
): Promise<Coming | 'same' | Exclude<BroughtVersion, { ok: true }>> {
  await workspace.whenIdle();
  const { site, document } = workspace.state;
  if (!site) throw new Error('no site is open');
  const brought = await workspace.tools.analysis.bringVersion(job, site.id, document, handOver(bringing), onProgress(progress));
  if (!brought.ok) return brought;
  const { plan, version } = brought;
  const told = bringing.kind === 'archive' ? bringing.told : undefined;
  return plan && version ? { siteId: site.id, document, plan, version, told } : 'same';
}

/** Adds a page to a site that was typed in, as one step for undo: its files with one more are another version of it. */
export async function addPage(workspace: Workspace, page: ListedPage, file: ListedFile): Promise<boolean> {
  await workspace.whenIdle();
  const { site, document } = workspace.state;
  if (!site) throw new Error('no site is open');
  const brought = await workspace.tools.analysis.bringPage(workspace.tools.newId(), site.id, document, page, file);
  if (!brought.ok || !brought.plan || !brought.version) return false;
  let coming: Coming = { siteId: site.id, document, plan: brought.plan, version: brought.version };
  // Another tab may say something meanwhile: then it is planned anew, a few times.
  for (let turn = 0; turn < 5; turn++) {
    const taken = await takeVersion(workspace, coming, { theirs: new Set(), redirects: {} });
    if (taken === 'taken') return true;
    coming = taken;
  }
  await leaveVersion(workspace, coming);
  return false;
}

/** Takes a new version in as it was planned, as one step for undo. Where the owner said something else meanwhile nothing is done, and it is planned anew. */
export async function takeVersion(workspace: Workspace, coming: Coming, choices: MergeChoices): Promise<'taken' | Coming> {
  await workspace.whenIdle();
  const { analysis } = workspace.tools;
  const { document } = workspace.state;
  if (document !== coming.document) {
    const plan = await analysis.planAgain(coming.siteId, document, coming.version.number);
    return { ...coming, document, plan: plan ?? coming.plan };
  }
  // The files first: a document that names a version finds it there, whatever happens in between.
  if (!(await analysis.keepVersion(coming.siteId, coming.version)))
    throw new Error('The new files are not here any more. Nothing was changed; bring them in once more.');
  const { told } = coming;
  const taken = mergeChange(document, coming.plan, { ...choices, addresses: told?.addresses });
  const after = applyChange(document, taken);
  const said = told ? [allFromHeaders(after, told, told.files)] : [];
  workspace.change(all([taken, ...said]), { label: 'A new version of the site was brought in' });
  if (versionOf(workspace.state.document) !== coming.version.number) throw new Error('It could not be taken in. Nothing was changed.');
  await workspace.whenIdle();
  return 'taken';
}

/** Remembers the folder or the address that the open site's files came from: one press reads it again. */
export async function rememberSource(
  workspace: Workspace,
  source: { readonly folder: FileSystemDirectoryHandle } | { readonly address: string },
): Promise<void> {
  const { site } = workspace.state;
  const kept = site && (await updateSite(workspace.tools.db, site.id, source));
  if (kept && workspace.state.site?.id === kept.id) workspace.store.setState({ site: kept });
}

/** Leaves a new version. Nothing of it stays. */
export async function leaveVersion({ tools }: Workspace, { siteId, version }: Coming): Promise<void> {
  await tools.analysis.dropVersion(siteId, version.number);
}
