import type { SiteDocument } from './document.ts';

/** Days after which the live site is worth another look. */
export const LOOK_AGAIN = 30;
/** When the next look is due, ISO; undefined where there was none yet. */
export function nextLook(looks: SiteDocument['tables']['looks']): string | undefined {
  const at = looks['']?.at;
  return at ? new Date(Date.parse(at) + LOOK_AGAIN * 86_400_000).toISOString() : undefined;
}
