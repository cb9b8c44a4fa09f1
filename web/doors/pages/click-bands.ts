/** Pages by how many clicks they are from home; the last is for those that no links lead to. */
export const BANDS = ['0', '1', '2', '3', '4+', 'none'] as const;
export type Band = (typeof BANDS)[number];

export function clickBand(clicks: number | undefined): Band {
  if (clicks === undefined) return 'none';
  return clicks >= 4 ? '4+' : (String(clicks) as Band);
}
