import type { Finding, FindingCode } from '../../core/checks/index.ts';
import { pageKey, set } from '../../core/site/index.ts';
import { findingWords } from '../../core/wording/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { doorMend, hideProperly, openPage, setKindIntent, linkByOneAddress, type Workspace } from '../workspace/index.ts';

/** The one action a finding offers: what it says, and what it does. */
export interface Mend {
  readonly label: string;
  readonly run: () => void;
  /** Whether it mends by itself; others lead to where hands are needed. */
  readonly whole: boolean;
}

export interface MendPlaces {
  readonly workspace: Workspace;
  readonly row: PageRow;
  readonly titles: readonly string[];
  readonly descriptions: readonly string[];
  readonly focus: (field: 'title' | 'description' | 'phrase') => void;
  readonly goPage: (id: string) => void;
  readonly goView: (view: 'alike' | 'pictures') => void;
  /** Leads to a check, where it can be mended on all pages at once. */
  readonly goCheck: (code: FindingCode) => void;
  /** Shows a part of the page's own words. */
  readonly show: (what: string) => void;
}

/** What can be done about a finding, here. Undefined where it is mended in the page's source alone. */
export function mendFor(finding: Finding, places: MendPlaces): Mend | undefined {
  const { workspace, row, titles, descriptions, focus, goPage, goView, goCheck, show } = places;
  const change = (field: 'title' | 'description' | 'phrase' | 'keywords', text: string | null, label: string): void =>
    workspace.change(set('pages', row.id, field, text), { label });
  const write = (field: 'title' | 'description', best: string | undefined): Mend =>
    best === undefined
      ? { label: 'Write', run: () => focus(field), whole: false }
      : { label: 'Use the page’s words', run: () => change(field, best, `“${row.name}” has a new ${field}`), whole: true };
  switch (finding.code) {
    case 'shut-out':
      return { label: 'Open it', run: () => void openPage(workspace, row.id), whole: true };
    case 'half-hidden':
      return { label: 'Hide properly', run: () => void hideProperly(workspace, [row.id]), whole: true };
    case 'one-engine':
    case 'canonical-several':
      return doorMend(workspace, row, finding);
    case 'leaking':
      return { label: 'Keep its kind out', run: () => setKindIntent(workspace, row.kind, 'out'), whole: true };
    case 'title-missing':
    case 'title-leftover':
      return write('title', titles[0]);
    case 'name-number':
      return {
        label: 'Take it off',
        run: () => change('title', row.title.replace(finding.name, finding.name.replace(/\s+\d$/, '')), `“${row.name}” has a new title`),
        whole: true,
      };
    case 'description-missing':
      return write('description', descriptions[0]);
    case 'title-same':
    case 'title-near':
    case 'description-same':
    case 'description-near':
      return { label: 'Side by side', run: () => goView('alike'), whole: false };
    case 'title-cut':
      return { label: 'Show', run: () => focus('title'), whole: false };
    case 'description-cut':
      return { label: 'Show', run: () => focus('description'), whole: false };
    case 'phrase-fought':
      return { label: 'See it', run: () => goPage(finding.pages[0] as string), whole: false };
    case 'phrase-places':
      return { label: 'Show', run: () => show('phrase'), whole: false };
    case 'keywords-many':
      return { label: 'Take them away', run: () => change('keywords', '', `“${row.name}” has no keywords`), whole: true };
    case 'image-alt-missing':
      return { label: 'Write', run: () => goView('pictures'), whole: false };
    case 'links-broken':
    case 'links-none':
      return { label: 'Show', run: () => show('links'), whole: false };
    case 'charset-missing':
      return {
        label: 'Say it everywhere',
        run: () => workspace.change(set('facts', '', 'sayCharset', true), { label: 'Every page says in which encoding it is written' }),
        whole: true,
      };
    case 'second-spelling':
      return { label: 'Use one address', run: () => linkByOneAddress(workspace, row), whole: true };
    case 'lang-missing':
    case 'title-several':
    case 'title-outside-head':
    case 'heading-several':
      return { label: 'On all pages', run: () => goCheck(finding.code), whole: false };
    case 'heading-order':
    case 'heading-wall':
    case 'text-thin':
      return { label: 'Show', run: () => show('text'), whole: false };
    case 'sentence-long':
    case 'paragraph-long':
    case 'reading-hard':
    case 'wording-care':
      return { label: 'Show', run: () => show('reading'), whole: false };
    case 'heading-missing':
    case 'noscript-noindex':
    case 'template-left':
    case 'not-writable':
      return undefined;
  }
}

/** Lets a finding be on one page, with a reason. */
export function ignoreFinding(workspace: Workspace, row: PageRow, finding: Finding, reason: string): void {
  workspace.change(
    {
      kind: 'all',
      changes: [
        set('ignored', pageKey(row.id, finding.code), 'reason', reason),
        set('ignored', pageKey(row.id, finding.code), 'at', workspace.tools.now().toISOString()),
      ],
    },
    { label: `“${findingWords(finding, (id) => workspace.state.byId.get(id)?.name ?? id).headline}” is let be on “${row.name}”` },
  );
}

/** Takes that back. */
export function unignore(workspace: Workspace, page: string, code: string): void {
  workspace.change(
    { kind: 'all', changes: [set('ignored', pageKey(page, code), 'reason', null), set('ignored', pageKey(page, code), 'at', null)] },
    { label: `A finding counts again on “${workspace.state.byId.get(page)?.name ?? page}”` },
  );
}
