/** Why changes are not kept by the browser right now. */
export type SaveTrouble =
  /** No room is left. */
  | 'full'
  /** The site was deleted in another tab; it lies in the bin. */
  | 'deleted'
  /** What the browser kept of the site is gone: cleared by somebody, or by the browser itself. */
  | 'missing'
  /** The connection was lost, or a newer version of the program took it. */
  | 'closed'
  | 'other';

/** What an error of the database means for the owner. */
export function troubleOf(error: unknown): SaveTrouble {
  const { name, how, inner } = error as { name?: string; how?: 'deleted' | 'missing'; inner?: { name?: string } };
  if (name === 'SiteGone') return how ?? 'missing';
  if (name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError') return 'full';
  if (name === 'InvalidStateError' || name === 'VersionError' || name === 'NotFoundError') return 'closed';
  return 'other';
}

/** Milliseconds until writing is tried again: soon at first, then every so often. */
export const RETRY = [500, 1_000, 2_000, 5_000, 10_000] as const;
