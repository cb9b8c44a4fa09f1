/** The same host with `www.` before it or without: hosts answer there with a redirect to the site's own. */
export function variantHost(host: string): string {
  return host.startsWith('www.') ? host.slice(4) : `www.${host}`;
}

/** Whether a host is this one, or its twin. */
export function isAddressVariant(host: string, own: string): boolean {
  return host === own || host === variantHost(own);
}
