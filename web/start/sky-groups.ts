import type { PageRow } from '../../core/rows/index.ts';
import type { Kind } from '../../core/site/index.ts';
import { byKind } from '../components/index.ts';

/** Signs of one kind that are drawn in a dense sky. */
const SHOWN = 24;
/** Past this many pages a sign each is too much; the sky then shows the troubled ones and counts the rest. */
const EACH = 400;

/** The signs of one kind of page. */
export interface SkyGroup {
  readonly kind: Kind;
  readonly count: number;
  readonly signs: readonly PageRow[];
  /** How many that ought to have a sign have none. */
  readonly more: number;
  readonly dense: boolean;
}

/** The sky in groups: one sign a page, or, of many pages, the first that are not simply found. */
export function skyGroups(rows: readonly PageRow[]): readonly SkyGroup[] {
  const dense = rows.length > EACH;
  return byKind(rows).map(({ kind, rows: pages }) => {
    const worth = dense ? pages.filter((row) => row.state !== 'findable') : pages;
    const signs = dense ? worth.slice(0, SHOWN) : worth;
    return { kind, count: pages.length, signs, more: worth.length - signs.length, dense };
  });
}

/** The sign to which a key leads from one of `count`; undefined where the key is not for moving. */
export function signAfter(key: string, at: number, count: number): number | undefined {
  const to = { ArrowRight: at + 1, ArrowDown: at + 1, ArrowLeft: at - 1, ArrowUp: at - 1, Home: 0, End: count - 1 }[key];
  return to === undefined || count === 0 ? undefined : Math.min(count - 1, Math.max(0, to));
}
