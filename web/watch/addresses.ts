import { useMemo } from 'react';
import type { PageRow } from '../../core/rows/index.ts';
import { pathAndQuery } from '../../core/source/index.ts';
import { useWorkspace } from '../workspace/index.ts';

/** Which page of the site stands at an address; the same function until the pages are others. */
export function useRowOf(): (address: string) => PageRow | undefined {
  const rows = useWorkspace((state) => state.rows);
  return useMemo(() => {
    const byPath = new Map(rows.map((row) => [row.address, row]));
    return (address) => byPath.get(pathAndQuery(new URL(address)));
  }, [rows]);
}

/** An address of the site as it was typed, whole or only its path, made whole; undefined where it is none. */
export function wholeAddress(typed: string, origin: string): string | undefined {
  const text = typed.trim();
  const whole = /^https?:\/\//i.test(text) ? text : `${origin}/${text.replace(/^\//, '')}`;
  return URL.canParse(whole) ? whole : undefined;
}
