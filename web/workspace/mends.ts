import { openPath } from '../../core/robots/index.ts';
import { all, isOpen, set, type Change, type Kind } from '../../core/site/index.ts';
import { KIND_WORDS } from '../../core/wording/index.ts';
import type { Workspace } from './store.ts';

const CRAWLERS = ['SkerryBot', 'PloverBot'];

/** Opens every gate that is the owner's to open, in one step: noindex goes, and what robots.txt forbids is allowed. */
export async function openPage(workspace: Workspace, id: string): Promise<void> {
  const row = workspace.state.byId.get(id);
  if (!row) return;
  const changes: Change[] = [set('pages', id, 'intent', 'list')];
  const robots = await robotsOpenedFor(workspace, row.address, row.id);
  if (robots !== undefined) changes.push(set('robots', '', 'text', robots));
  workspace.change(all(changes), { label: `Opened “${row.name}”` });
}

/** Hides pages properly: engines may fetch them, and read there that they are not to be listed. */
export async function hideProperly(workspace: Workspace, ids: readonly string[]): Promise<void> {
  const changes: Change[] = [];
  let text: string | undefined;
  for (const id of ids) {
    const row = workspace.state.byId.get(id);
    if (!row) continue;
    changes.push(set('pages', id, 'intent', 'out'));
    text = (await robotsOpenedFor(workspace, row.address, row.id, text)) ?? text;
  }
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
        ? `${KIND_WORDS[kind].many} follow the default`
        : intent === 'out'
          ? `${KIND_WORDS[kind].many} are kept out`
          : `${KIND_WORDS[kind].many} are listed`,
  });
}

export function setPageIntent(workspace: Workspace, id: string, intent: 'list' | 'out' | null): void {
  const name = workspace.state.byId.get(id)?.name ?? id;
  workspace.change(set('pages', id, 'intent', intent), {
    label: intent === null ? `“${name}” follows its kind` : intent === 'out' ? `“${name}” is kept out` : `“${name}” is to be listed`,
  });
}

/** Turns the one switch. */
export function switchSite(workspace: Workspace): void {
  const open = !isOpen(workspace.state.document);
  workspace.change(all([set('doors', '', 'open', open), set('doors', '', 'since', workspace.tools.now().toISOString())]), {
    label: open ? 'The whole site was opened' : 'The whole site was closed',
  });
}

async function robotsOpenedFor(workspace: Workspace, path: string, id: string, from?: string): Promise<string | undefined> {
  const report = await workspace.tools.analysis.robots();
  const before = from ?? report.text;
  if (before === undefined) return undefined;
  const { byId } = workspace.state;
  // A line may go only if it shuts nothing else that is meant to stay shut; files that are no pages count as that.
  const onlyWanted = (line: number): boolean =>
    report.touches.some((touch) => touch.line === line && touch.files === 0 && touch.pages.every((page) => page === id || byId.get(page)?.intent === 'list'));
  let text = before;
  // Line numbers hold for the text they were reported of; once it has changed, rules are only outweighed.
  for (const crawler of CRAWLERS) text = openPath(text, path, crawler, text === report.text ? onlyWanted : () => false);
  return text === before ? undefined : text;
}
