import type { SiteDocument } from './document.ts';

/** Whether the whole site is open to engines; it is, unless the switch was turned off. */
export function isOpen(document: SiteDocument): boolean {
  return document.tables.doors['']?.open !== false;
}

/** Scheme and host of the site; a placeholder under the reserved `.example` where the owner has not said. */
export function siteOrigin(document: SiteDocument): string {
  return document.tables.facts['']?.mainAddress ?? 'https://your-site.example';
}

/** Host (and port) of the site. */
export function siteHost(document: SiteDocument): string {
  return siteOrigin(document).replace(/^https?:\/\//, '');
}
