import type { CheckedMeaning } from '../checks/index.ts';
import type { BroughtMarkup, WrittenMarkup } from '../structured-data/index.ts';
import type { PageRow } from './row.ts';

/** What checks are told of a page's structured data: undefined where there is none of any sort. */
export function checkedMeaning(written: WrittenMarkup, brought: BroughtMarkup | undefined): CheckedMeaning | undefined {
  const stays = brought !== undefined && !written.without;
  if (!stays && written.graph === undefined) return undefined;
  return {
    faults: stays ? brought.faults : [],
    gaps: [...written.gaps, ...(stays ? brought.gaps : [])],
    brought: stays ? brought.types.map(([type]) => type) : [],
    misfits: written.misfits,
  };
}

/** What lists show of it. */
export function rowMeaning({ is, gaps, without }: WrittenMarkup, brought: BroughtMarkup | undefined): Pick<PageRow, 'is' | 'lacks' | 'brought'> {
  const kept = brought && !without ? brought.gaps : [];
  const lacks = [...new Set([...gaps, ...kept].flatMap(({ missing }) => missing))];
  return {
    ...(is.length > 0 ? { is } : {}),
    ...(lacks.length > 0 ? { lacks } : {}),
    ...(brought ? { brought: [...new Set(brought.types.map(([type]) => type))].slice(0, 12) } : {}),
  };
}
