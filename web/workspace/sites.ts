import { all, applyChange, set, type SiteDocument } from '../../core/site/index.ts';
import { handOver, onProgress, type Bringing } from '../analysis/index.ts';
import { clearSite, loadDocument, writeSnapshot, type SiteRecord } from '../storage/index.ts';
import type { Workspace } from './store.ts';

const LAST = 'jolly-beacon-last-site';
const DAY = 86_400_000;

/** The sites in this browser, latest opened first. Those deleted more than a day ago are cleared away. */
export async function listSites({ tools }: Workspace): Promise<SiteRecord[]> {
  const all = await tools.db.getAll('sites');
  const now = tools.now().getTime();
  for (const site of all) if (site.deletedAt !== null && now - Date.parse(site.deletedAt) > DAY) await clearSite(tools.db, site.id);
  return all.filter((site) => site.deletedAt === null).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1));
}

export async function deleteSite({ tools }: Workspace, site: SiteRecord): Promise<void> {
  await tools.db.put('sites', { ...site, deletedAt: tools.now().toISOString() });
}

export async function restoreSite({ tools }: Workspace, site: SiteRecord): Promise<void> {
  await tools.db.put('sites', { ...site, deletedAt: null });
}

export async function renameSite(workspace: Workspace, site: SiteRecord, name: string): Promise<void> {
  if (workspace.state.site?.id === site.id) await workspace.rename(name);
  else await workspace.tools.db.put('sites', { ...site, name });
}

export function rememberSite(id: string): void {
  localStorage.setItem(LAST, id);
}

/** The site to open first: the one open last, else the demo, brought in anew where this browser has none. */
export async function firstSite(workspace: Workspace): Promise<SiteRecord> {
  const sites = await listSites(workspace);
  const last = sites.find((site) => site.id === localStorage.getItem(LAST)) ?? sites[0];
  return last ?? bringInDemo(workspace);
}

/** Brings the demo in, with the story of its latest release. */
export async function bringInDemo(workspace: Workspace): Promise<SiteRecord> {
  const { tools } = workspace;
  const { story, zip } = await tools.outside.demo();
  const result = await tools.analysis.bringIn(
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
    set('facts', '', 'mainAddress', origin),
    set('facts', '', 'language', 'en'),
    set('doors', '', 'open', true),
    set('doors', '', 'since', at),
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
  return tools.analysis.bringIn(job, handOver(bringing), onProgress(progress));
}

/** The whole site as one file. The worker holds one site at a time, so another one is opened for it and the first one again. */
export async function exportSite(workspace: Workspace, site: SiteRecord): Promise<Blob> {
  const { tools } = workspace;
  const { document } = await loadDocument(tools.db, site.id);
  if (workspace.state.site?.id === site.id) await workspace.settled();
  else
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
