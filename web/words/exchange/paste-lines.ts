import { pasteValue, tickFor, type PasteField, type PasteItem } from '../../../core/ledger/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { pageKey, type SiteDocument } from '../../../core/site/index.ts';

/** One text of a page that is pasted. */
export type Line = Omit<PasteItem, 'field'> & { readonly field: PasteItem['field'] | Exclude<PasteField, 'markup'> };
/** Where a text stands: to be pasted, ticked, ticked and changed since, or not there. */
export type Standing = 'open' | 'done' | 'again' | 'none';

/** What changes of pages, by page; of those without any, nothing. */
export type Items = Readonly<Record<string, readonly PasteItem[]>>;

/** What stands on a page's sheet: what every page that is to be found has, then what else changes. */
export function linesOf(row: PageRow, items: Items): Line[] {
  const own = row.intent === 'list' ? (['title', 'description', 'ending'] as const) : [];
  return [
    ...own.flatMap((field): Line[] => {
      const value = pasteValue(row, field, {});
      return field === 'ending' && value === '' ? [] : [{ key: field, field, about: '', value }];
    }),
    ...(items[row.id] ?? []),
  ];
}

/** Where a text stands: to be pasted, done, or changed since it was. */
export function standing(row: PageRow, { key, value }: Line, pasted: SiteDocument['tables']['pasted']): Standing {
  const ticked = pasted[pageKey(row.id, key)]?.value;
  if (ticked === undefined || ticked === null) return value === '' ? 'none' : 'open';
  return ticked === tickFor(value) ? 'done' : 'again';
}
