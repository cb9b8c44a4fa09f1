import { all, KIND_TABLE, markupKey, set, type Kind } from '../../core/site/index.ts';
import type { ForeignMarkup } from '../../core/structured-data/index.ts';
import { counted, pathWords, PROCESSOR_WORDS } from '../../core/wording/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { Workspace } from '../workspace/index.ts';

/** Has structured data written into all pages, or none but the home page's identity. */
export function switchMarkup(workspace: Workspace, on: boolean): void {
  workspace.change(set('meaning', '', 'on', on), {
    label: on ? 'Structured data is written into all pages' : 'Structured data is no longer written into pages',
  });
}

/** Says what one page is: ids of processors, `none`, or null for what its kind is. */
export function setPageMarkup(workspace: Workspace, row: PageRow, markup: string | null): void {
  const label =
    markup === null ? `“${row.name}” is what its kind is` : markup === 'none' ? `“${row.name}” has no markup` : `“${row.name}” is ${namesOf(markup)}`;
  workspace.change(set('pages', row.id, 'markup', markup), { label });
}

/** Says what all pages of a kind are. */
export function setKindMarkup(workspace: Workspace, kind: Kind, markup: string | null): void {
  const many = KIND_TABLE[kind].many;
  const label = markup === null ? `${many} are what they were` : markup === 'none' ? `${many} have no markup` : `${many} are ${namesOf(markup)}`;
  workspace.change(set('kinds', kind, 'markup', markup), { label });
}

const namesOf = (markup: string): string =>
  markup
    .split(' ')
    .map((id) => PROCESSOR_WORDS[id]?.label.toLowerCase() ?? id)
    .join(' and ');

/** The owner's own word for a value; null gives it back to the page. */
export function sayValue(workspace: Workspace, row: PageRow, processor: string, path: string, value: string | null): void {
  const key = markupKey(row.id, processor, path);
  workspace.change(all([set('markup', key, 'value', value), set('markup', key, 'leftOut', null)]), {
    label: value === null ? `“${row.name}”: ${pathWords(path)} is as the page says` : `“${row.name}”: ${pathWords(path)} was said`,
    coalesceKey: `markup:${key}`,
  });
}

/** Leaves a value out, though the page says it. */
export function leaveOut(workspace: Workspace, row: PageRow, processor: string, path: string): void {
  workspace.change(set('markup', markupKey(row.id, processor, path), 'leftOut', true), { label: `“${row.name}”: ${pathWords(path)} is left out` });
}

const FOREIGN: Readonly<Record<ForeignMarkup, string>> = { leave: 'stays as it is', take: 'is taken over', remove: 'is taken out' };

/** What becomes of the structured data that the pages of a kind came with, where a page has no word of its own. */
export function setKindForeign(workspace: Workspace, kind: Kind, choice: ForeignMarkup): void {
  workspace.change(set('kinds', kind, 'foreignMarkup', choice === 'leave' ? null : choice), {
    label: `${KIND_TABLE[kind].many}: the markup that was there ${FOREIGN[choice]}`,
  });
}

/** What becomes of the structured data that pages came with. */
export function setForeign(workspace: Workspace, rows: readonly PageRow[], choice: ForeignMarkup): void {
  const [first] = rows;
  if (!first) return;
  const whose = rows.length === 1 ? `“${first.name}”` : counted(rows.length, 'page');
  workspace.change(all(rows.map((row) => set('pages', row.id, 'foreignMarkup', choice === 'leave' ? null : choice))), {
    label: `${whose}: the markup that was there ${FOREIGN[choice]}`,
  });
}
