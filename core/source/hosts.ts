/** The same host with `www.` before it or without: hosts answer there with a redirect to the site's own. */
export function twinHost(host: string): string {
  return host.startsWith('www.') ? host.slice(4) : `www.${host}`;
}

/** Whether a host is this one, or its twin. */
export function isTwin(host: string, own: string): boolean {
  return host === own || host === twinHost(own);
}
