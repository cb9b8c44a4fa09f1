import type { SiteDocument } from './document.ts';

/** Days after which the live site is worth another look. */
export const LOOK_AGAIN = 30;
/** Whether nobody looked at the pages yet: they are known from a list of addresses, and neither was the live site looked at nor anything released from here. */
export function isUnseen({ tables: { facts, looks, releases } }: Pick<SiteDocument, 'tables'>): boolean {
  return facts['']?.fromList === true && !looks['']?.at && !Object.values(releases).some(({ to }) => to === 'host');
}

/** When the next look is due, ISO; undefined where there was none yet. */
export function nextLook(looks: SiteDocument['tables']['looks']): string | undefined {
  const at = looks['']?.at;
  return at ? new Date(Date.parse(at) + LOOK_AGAIN * 86_400_000).toISOString() : undefined;
}
