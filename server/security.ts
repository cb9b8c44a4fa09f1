import type { FastifyInstance } from 'fastify';
import { RequestError } from './errors.ts';

/** What the app's own pages may do: nothing from anywhere else, no inline script, no frames. Style attributes are set by the drawing library. */
export const APP_POLICY =
  "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' blob: data:; font-src 'self'; connect-src 'self'; worker-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

/**
 * Guards the app against other web pages: only loopback names as Host (a foreign name that resolves here is somebody's trick), and no foreign Origin;
 * what changes anything must name its Origin.
 */
export function guardRequests(app: FastifyInstance): void {
  app.addHook('onRequest', async (request, reply) => {
    reply.headers({
      'content-security-policy': APP_POLICY,
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-resource-policy': 'same-origin',
    });
    const host = request.headers.host ?? '';
    if (!/^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/.test(host)) throw new RequestError('foreign-host');
    const { origin } = request.headers;
    const changes = request.method !== 'GET' && request.method !== 'HEAD';
    if (origin === undefined ? changes : origin !== `http://${host}`) throw new RequestError('foreign-origin');
    // A picture or a script tag of another page sends no Origin; the browser still says where the request came from. A link may lead to the app from
    // anywhere, and nothing else may: asked of the route that answers, since an address can be spelt in many ways.
    const site = request.headers['sec-fetch-site'];
    const foreign = site !== undefined && site !== 'same-origin' && site !== 'none';
    const visit = request.headers['sec-fetch-mode'] === 'navigate' && request.headers['sec-fetch-dest'] === 'document' && isAppPage(request.routeOptions.url);
    if (foreign && !visit) throw new RequestError('foreign-origin');
  });
}

/** Whether what answers is the app itself: its files, or the page that any other address of it shows. */
function isAppPage(route: string | undefined): boolean {
  return route === undefined || route === '/' || route === '/*';
}
