import type { PageRow } from '../../core/rows/index.ts';

/** What a page is called, in its language and running its own way, whatever stands around it. */
export function PageName({ row }: { readonly row: Pick<PageRow, 'name' | 'lang'> }) {
  return <bdi lang={row.lang}>{row.name}</bdi>;
}
