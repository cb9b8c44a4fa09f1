import { all, applyChange, doEntry, set, type SiteDocument } from '../../core/site/index.ts';
import { handOver, onProgress, type Bringing } from '../analysis/index.ts';
import { appendEntries, clearSite, loadDocument, sweep, updateSite, writeSnapshot, type SiteRecord } from '../storage/index.ts';
import { recall, remember } from '../ui/index.ts';
import type { Workspace } from './store.ts';

const LAST = 'jolly-beacon-last-site';
/** Days that the bin keeps a site. */
export const BIN_DAYS = 30;
const DAY = 86_400_000;

/** The sites in this browser, latest opened first, and those in the bin, latest deleted first. Those that were there too long are cleared away. */
export async function listSites({ tools }: Workspace): Promise<{ readonly sites: SiteRecord[]; readonly bin: SiteRecord[] }> {
  const all = (await tools.db.getAll('sites')).filter((site) => !site.arriving);
  const now = tools.now().getTime();
  const stale = all.filter((site) => site.deletedAt !== null && now - Date.parse(site.deletedAt) > BIN_DAYS * DAY);
  for (const site of stale) await clearSite(tools.db, site.id);
  const left = all.filter((site) => !stale.includes(site));
  return {
    sites: left.filter((site) => site.deletedAt === null).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1)),
    bin: left.filter((site) => site.deletedAt !== null).sort((a, b) => ((a.deletedAt ?? '') < (b.deletedAt ?? '') ? 1 : -1)),
  };
}

/** Takes away what was left of sites whose bringing in was killed. `atWork` tells whether one is being brought in right now. */
export async function sweepLeftovers({ tools }: Workspace, atWork: (siteId: string) => Promise<boolean>): Promise<void> {
  await sweep(tools.db, atWork);
}

/** Puts a site into the bin; other tabs that have it open are told. */
export async function deleteSite({ tools }: Workspace, site: SiteRecord): Promise<void> {
  await updateSite(tools.db, site.id, { deletedAt: tools.now().toISOString() });
  tools.announce(site.id);
}

/** Takes a site out of the bin again. */
export async function restoreSite(workspace: Workspace, site: SiteRecord): Promise<void> {
  await updateSite(workspace.tools.db, site.id, { deletedAt: null });
  workspace.tools.announce(site.id);
  if (workspace.state.site?.id === site.id) await workspace.writeAgain();
}

/** Clears a site out of the bin: nothing of it is left in this browser. */
export async function clearForGood({ tools }: Workspace, site: SiteRecord): Promise<void> {
  await clearSite(tools.db, site.id);
  tools.announce(site.id);
}

/** Gives a site a name: the one it has in the list is the one that searchers see. */
export async function renameSite(workspace: Workspace, site: SiteRecord, name: string): Promise<void> {
  const change = all([set('facts', '', 'siteName', name), set('facts', '', 'nameSure', true)]);
  const label = `The site is called “${name}”`;
  if (workspace.state.site?.id === site.id) return workspace.change(change, { label });
  const { tools } = workspace;
  const { document } = await loadDocument(tools.db, site.id);
  const { seq: _, ...entry } = doEntry(document, change, { seq: 0, at: tools.now().toISOString(), label });
  await appendEntries(tools.db, site.id, [entry]);
  await updateSite(tools.db, site.id, { name });
  tools.announce(site.id);
}

export function rememberSite(id: string): void {
  remember(LAST, id);
}

/** The site to open first: the one open last, else the demo, brought in anew where this browser has none. */
export async function firstSite(workspace: Workspace): Promise<SiteRecord> {
  const { sites } = await listSites(workspace);
  const last = sites.find((site) => site.id === recall(LAST)) ?? sites[0];
  return last ?? bringInDemo(workspace);
}

/** Brings the demo in, with the story of its latest release. */
export async function bringInDemo(workspace: Workspace): Promise<SiteRecord> {
  const { tools } = workspace;
  const { story, zip } = await tools.outside.demo();
  const result = await tools.analysis.importSite(
    'demo',
    { kind: 'archive', name: 'Quillfeather Bindery', bytes: zip, as: 'demo' },
    onProgress(() => undefined),
  );
  if (!result.ok) throw new Error('The demo could not be opened.');
  const { site } = result;
  const { document } = await loadDocument(tools.db, site.id);
  const told = applyChange(document, demoFacts(story.origin, story.releaseNumber, story.releasedAt));
  await writeSnapshot(tools.db, site.id, told);
  await startDemo(workspace, site, told, story);
  return site;
}

function demoFacts(origin: string, number: number, at: string) {
  return all([
    set('facts', '', 'siteName', 'Quillfeather Bindery'),
    set('facts', '', 'nameSure', true),
    set('facts', '', 'mainAddress', origin),
    set('facts', '', 'language', 'en'),
    set('siteSwitch', '', 'open', true),
    set('siteSwitch', '', 'since', at),
    set('pages', 'thank-you/index.html', 'intent', 'out'),
    set('pages', 'basket/index.html', 'intent', 'out'),
    set('releases', String(number), 'at', at),
    set('releases', String(number), 'pages', 5),
    set('releases', String(number), 'files', 6),
    set('releases', String(number), 'open', true),
    set('releases', String(number), 'to', 'host'),
  ]);
}

async function startDemo(
  { tools }: Workspace,
  site: SiteRecord,
  document: SiteDocument,
  story: { releaseNumber: number; notReleased: readonly string[] },
): Promise<void> {
  const news = await tools.analysis.open(
    'demo',
    site.id,
    document,
    onProgress(() => undefined),
  );
  if (news) await tools.analysis.startFrom(story.releaseNumber, document, story.notReleased);
}

/** Makes a site of what was picked or dropped. */
export function bringInSite({ tools }: Workspace, job: string, bringing: Bringing, progress: (done: number, of: number) => void) {
  return tools.analysis.importSite(job, handOver(bringing), onProgress(progress));
}

/** The whole site as one file. The worker holds one site at a time, so another one is opened for it and the first one again. */
export async function exportSite(workspace: Workspace, site: SiteRecord): Promise<Blob> {
  const { tools } = workspace;
  // Of the open site the memory knows more than the database, where that could not be written.
  if (workspace.state.site?.id === site.id) {
    await workspace.whenIdle();
    return tools.analysis.project(site.name, workspace.state.document);
  }
  const { document } = await loadDocument(tools.db, site.id);
  await tools.analysis.open(
    'export',
    site.id,
    document,
    onProgress(() => undefined),
  );
  const blob = await tools.analysis.project(site.name, document);
  const open = workspace.state.site;
  if (open && open.id !== site.id) await workspace.open(open.id);
  return blob;
}
