import type { CrawlerToken, PageId, RuleId } from '../../core/source/index.ts';
import type { Finding } from '../../core/checks/index.ts';
import { ENGINES } from '../../core/engines/index.ts';
import { CRAWLERS } from '../../core/engines/index.ts';
import {
  all,
  EVERY_CRAWLER,
  fieldsOf,
  isOpen,
  movedRule,
  pageKey,
  directivesKey,
  directivesOf,
  set,
  type Change,
  type Kind,
  type DirectiveField,
  KIND_TABLE,
} from '../../core/site/index.ts';
import { mapsOf } from '../../core/map/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { findingWords, plural } from '../../core/wording/index.ts';
import type { Workspace } from './store.ts';

/**
 * Opens every gate that is the owner's to open, in one step: noindex goes, what robots.txt forbids is allowed, a canonical elsewhere, a refresh that sends
 * visitors on and a date that is over are taken back, and words against single crawlers too; what nothing leads to goes into the map.
 */
export async function openPage(workspace: Workspace, id: PageId): Promise<void> {
  const row = workspace.state.byId.get(id);
  if (!row) return;
  const { document } = workspace.state;
  // Every engine has its say: what one of them passes by may shut it to another.
  const gates = (await Promise.all(ENGINES.map(({ crawler }) => workspace.tools.analysis.wayIn(id, crawler)))).flatMap((way) => way.gates);
  const shut = new Set(gates.flatMap((gate) => (gate.behind === 'shut' ? [gate.reason.code] : [])));
  const changes: Change[] = [set('pages', id, 'intent', 'list')];
  if (shut.has('canonical-elsewhere')) changes.push(set('pages', id, 'canonical', 'self'));
  if (shut.has('refresh')) changes.push(set('pages', id, 'refresh', 'none'));
  if (shut.has('second-spelling')) changes.push(...ownAddressInLinks(row));
  const viaMap = shut.has('unreached') || shut.has('links-unread');
  if (viaMap) changes.push(set('pages', id, 'inMap', true), set('sitemap', '', 'on', true));
  const expired = gates.some(
    ({ behind, reason }) => behind === 'shut' && (reason.code === 'expired' || (reason.code === 'noindex' && reason.expired !== undefined)),
  );
  if (expired) changes.push(set('directives', directivesKey(`page:${id}`), 'until', ''));
  for (const crawler of CRAWLERS) {
    const key = directivesKey(`page:${id}`, crawler);
    if (document.tables.directives[key]?.intent === 'out') changes.push(set('directives', key, 'intent', null));
  }
  // A map that engines may not fetch leads nobody anywhere.
  const robots = await workspace.tools.analysis.robotsOpenedFor([row.address, ...(viaMap ? mapsOf(row.kind) : [])]);
  if (robots !== undefined) changes.push(set('robots', '', 'text', robots));
  const mapped = viaMap && document.tables.sitemap['']?.on !== true;
  workspace.change(all(changes), { label: `Opened “${row.name}”${mapped ? '; the sitemap is written' : ''}` });
}

const ownAddressInLinks = ({ spelledAs, address }: PageRow): Change[] => spelledAs.map((path) => set('repairs', path, 'to', address));

/** Has every link to a page use its own address. */
export function linkByOneAddress(workspace: Workspace, row: PageRow): void {
  workspace.change(all(ownAddressInLinks(row)), { label: `Links to “${row.name}” use one address` });
}

/** Says something about what engines may do with pages and show of them; null takes the word back. */
export function say(workspace: Workspace, scope: string, field: DirectiveField, value: string | number | null, about: string, crawler = EVERY_CRAWLER): void {
  const change = set('directives', directivesKey(scope, crawler), field, value as never);
  workspace.change(change, { label: about, coalesceKey: `says:${scope}:${crawler}:${fieldsOf(change)[0]?.field ?? ''}` });
}

/** Keeps pages of a scope from one crawler, or no longer. */
export function keepFrom(workspace: Workspace, scope: string, crawler: CrawlerToken, out: boolean, about: string): void {
  workspace.change(set('directives', directivesKey(scope, crawler), 'intent', out ? 'out' : null), { label: about });
}

/** Whether a scope is kept from a crawler. */
export function isKeptFrom(workspace: Workspace, scope: string, crawler: CrawlerToken): boolean {
  return directivesOf(workspace.state.document, scope, crawler)?.intent === 'out';
}

/** Sets the intent of many pages in one step. */
export function setPageIntents(workspace: Workspace, ids: readonly string[], intent: 'list' | 'out' | null): void {
  if (ids.length === 0) return;
  const what = intent === null ? 'follow their kinds' : intent === 'out' ? 'are kept out' : 'are to be listed';
  workspace.change(all(ids.map((id) => set('pages', id, 'intent', intent))), { label: `${ids.length} pages ${what}` });
}

/** Moves one of some rules to another place among them. */
export function moveRule(workspace: Workspace, rules: readonly { readonly id: RuleId }[], from: number, to: number): void {
  const ids = rules.map(({ id }) => id);
  workspace.change(movedRule(workspace.state.document, ids, from, to), { label: 'The rules are in another order' });
}

/** Puts pages into the map, takes them out, or lets what they are for decide again. */
export function setInMap(workspace: Workspace, ids: readonly string[], inMap: boolean | null): void {
  if (ids.length === 0) return;
  const name = ids.length === 1 ? `“${workspace.state.byId.get(ids[0] ?? '')?.name ?? ids[0] ?? ''}”` : `${ids.length} pages`;
  const one = ids.length === 1;
  const own = one ? 'stands in the sitemap as its intent says' : 'stand in the sitemap as their intents say';
  const what = inMap === null ? own : `${inMap ? plural(ids.length, 'goes into', 'go into') : plural(ids.length, 'stays out of', 'stay out of')} the sitemap`;
  workspace.change(all(ids.map((id) => set('pages', id, 'inMap', inMap))), { label: `${name} ${what}` });
}

/** Hides pages properly: engines may fetch them, and read there that they are not to be listed. */
export async function hideProperly(workspace: Workspace, ids: readonly string[]): Promise<void> {
  const rows = ids.flatMap((id) => workspace.state.byId.get(id) ?? []);
  const paths = rows.map((row) => row.address);
  const changes: Change[] = rows.map((row) => set('pages', row.id, 'intent', 'out'));
  const text = await workspace.tools.analysis.robotsOpenedFor(paths);
  if (text !== undefined) changes.push(set('robots', '', 'text', text));
  const [first = ''] = ids;
  workspace.change(all(changes), {
    label: ids.length === 1 ? `Hid “${workspace.state.byId.get(first)?.name ?? first}” properly` : `Hid ${ids.length} pages properly`,
  });
}

/** Keeps a whole kind out, or lists it. */
export function setKindIntent(workspace: Workspace, kind: Kind, intent: 'list' | 'out' | null): void {
  workspace.change(set('kinds', kind, 'intent', intent), {
    label:
      intent === null
        ? `${KIND_TABLE[kind].many} follow the default`
        : intent === 'out'
          ? `${KIND_TABLE[kind].many} are kept out`
          : `${KIND_TABLE[kind].many} are listed`,
  });
}

export function setPageIntent(workspace: Workspace, id: PageId, intent: 'list' | 'out' | null): void {
  const name = workspace.state.byId.get(id)?.name ?? id;
  workspace.change(set('pages', id, 'intent', intent), {
    label: intent === null ? `“${name}” follows its kind` : intent === 'out' ? `“${name}” is kept out` : `“${name}” is to be listed`,
  });
}

/** Makes a page the home page of a site that came without one: it goes out as such, and links to it follow. */
export function makeHome(workspace: Workspace, id: PageId): void {
  workspace.change(set('facts', '', 'homePage', id), { label: `“${workspace.state.byId.get(id)?.name ?? id}” is the home page` });
}

/** Turns the one switch. */
export function switchSite(workspace: Workspace): void {
  const open = !isOpen(workspace.state.document);
  workspace.change(
    all([
      set('siteSwitch', '', 'open', open),
      set('siteSwitch', '', 'since', workspace.tools.now().toISOString()),
      set('siteSwitch', '', 'plan', null),
      ...(open ? [set('siteSwitch', '', 'opensOn', null)] : []),
    ]),
    { label: open ? 'The whole site was opened' : 'The whole site was closed' },
  );
}

/** Plans that the next release opens the site, or takes the plan back; the switch stays shut until then. */
export function planOpening(workspace: Workspace, planned: boolean): void {
  workspace.change(set('siteSwitch', '', 'plan', planned ? 'next-release' : null), {
    label: planned ? 'The next release opens the site' : 'The site stays closed for now',
  });
}

/** Lets a finding be on one page, with a reason. */
export function ignoreFinding(workspace: Workspace, row: PageRow, finding: Finding, reason: string): void {
  const { headline } = findingWords(finding, (id) => workspace.state.byId.get(id)?.name ?? id);
  const key = pageKey(row.id, finding.code);
  workspace.change(all([set('ignored', key, 'reason', reason), set('ignored', key, 'at', workspace.tools.now().toISOString())]), {
    label: `“${headline}” is let be on “${row.name}”`,
  });
}

/** Takes that back. */
export function unignore(workspace: Workspace, page: PageId, code: string): void {
  const key = pageKey(page, code);
  workspace.change(all([set('ignored', key, 'reason', null), set('ignored', key, 'at', null)]), {
    label: `A finding counts again on “${workspace.state.byId.get(page)?.name ?? page}”`,
  });
}

/** Gives pages that moved to one address their old ones: the page itself or, where it did not move, those that moved there. */
export function takeAddressBack(workspace: Workspace, row: PageRow, others: readonly PageId[]): void {
  const { pages, facts } = workspace.state.document.tables;
  const home = facts['']?.homePage;
  const moved = (page: PageId): boolean => page === home || Boolean(pages[page]?.ending);
  const back = moved(row.id) ? [row.id] : others.filter(moved);
  workspace.change(all(back.map((page) => (page === home ? set('facts', '', 'homePage', null) : set('pages', page, 'ending', null)))), {
    label: back.length === 1 && back[0] === row.id ? `“${row.name}” has its old address again` : `“${row.name}” has its address to itself`,
  });
}
