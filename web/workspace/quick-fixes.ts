import type { PageId } from '../../core/source/index.ts';
import { quickFixOf, type Finding, type FindingCode, type QuickFix } from '../../core/checks/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { set } from '../../core/site/index.ts';
import { fixButton } from '../../core/wording/index.ts';
import { hideProperly, linkByOneAddress, openPage, setKindIntent, setPageIntent, takeAddressBack } from './commands.ts';
import type { Workspace } from './store.ts';

/** The one action a finding offers: what it says, and what it does. */
export interface FixButton {
  readonly label: string;
  readonly run: () => void;
  /** Whether it mends by itself, all of it; others lead to where hands are needed. */
  readonly whole: boolean;
}

/** Where a finding's fix can lead, and the words that the page offers for itself. */
export interface FixPlaces {
  readonly titles: readonly string[];
  readonly descriptions: readonly string[];
  readonly focus: (field: 'title' | 'description') => void;
  readonly goPage: (id: PageId) => void;
  readonly goView: (view: 'alike' | 'pictures') => void;
  /** Leads to the page's structured data. */
  readonly goMeaning: () => void;
  /** Leads to a check, where it can be mended on all pages at once. */
  readonly goCheck: (code: FindingCode) => void;
  /** Shows a part of the page's own words. */
  readonly show: (part: 'phrase' | 'links' | 'text' | 'reading') => void;
}

/** What can be done about a finding of a page, carried out here. Undefined where it is mended in the page's source alone, or leads where this screen cannot go. */
export function fixFor(workspace: Workspace, row: PageRow, finding: Finding, places?: FixPlaces): FixButton | undefined {
  const fix = quickFixOf(finding, row.title);
  if (!fix) return undefined;
  const label = fixButton(finding);
  if ('go' in fix) return places && { label, run: () => lead(fix, finding, places), whole: false };
  if (fix.do !== 'write') return { label, run: () => carryOut(workspace, row, fix), whole: !(fix.do === 'open-page' && fix.partly) };
  const [best] = (fix.field === 'title' ? places?.titles : places?.descriptions) ?? [];
  if (best === undefined) return places && { label, run: () => places.focus(fix.field), whole: false };
  const run = (): void => workspace.change(set('pages', row.id, fix.field, best), { label: `“${row.name}” has a new ${fix.field}` });
  return { label: 'Use the page’s words', run, whole: true };
}

function lead(fix: Extract<QuickFix, { go: unknown }>, finding: Finding, places: FixPlaces): void {
  switch (fix.go) {
    case 'field':
      return places.focus(fix.field);
    case 'page':
      return places.goPage(fix.page);
    case 'part':
      return places.show(fix.part);
    case 'check':
      return places.goCheck(finding.code);
    case 'meaning':
      return places.goMeaning();
    case 'alike':
    case 'pictures':
      return places.goView(fix.go);
  }
}

function carryOut(workspace: Workspace, row: PageRow, fix: Exclude<Extract<QuickFix, { do: unknown }>, { do: 'write' }>): void {
  switch (fix.do) {
    case 'open-page':
      return void openPage(workspace, row.id);
    case 'hide-page':
      return void hideProperly(workspace, [row.id]);
    case 'keep-page-out':
      return setPageIntent(workspace, row.id, 'out');
    case 'keep-kind-out':
      return setKindIntent(workspace, row.kind, 'out');
    case 'own-canonical':
      return workspace.change(set('pages', row.id, 'canonical', 'self'), { label: `“${row.name}” names its own address` });
    case 'old-address':
      return takeAddressBack(workspace, row, fix.others);
    case 'one-address':
      return linkByOneAddress(workspace, row);
    case 'say-charset':
      return workspace.change(set('facts', '', 'sayCharset', true), { label: 'Every page says in which encoding it is written' });
    case 'set': {
      const label = fix.field === 'title' ? `“${row.name}” has a new title` : `“${row.name}” has no keywords`;
      return workspace.change(set('pages', row.id, fix.field, fix.value), { label });
    }
  }
}
