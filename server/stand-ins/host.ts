import Fastify, { type FastifyInstance, type FastifyReply } from 'fastify';
import { extname } from 'node:path';
import { z } from 'zod';
import { AWAY_PAGES, hostedHeader, type HostedSite, type Offline, type ReleaseRequest } from '../../core/exchange/index.ts';
import { createHash, timingSafeEqual } from 'node:crypto';
import { escapeText } from '../../core/page/index.ts';
import { headersFor, isPage, resolvePath } from '../../core/site/index.ts';
import { variantHost, type FilePath } from '../../core/source/index.ts';
import { RequestError } from '../errors.ts';
import type { StandInClock } from './clock.ts';
import type { Store } from './store.ts';

const siteSchema = z.strictObject({
  number: z.number(),
  origin: z.string(),
  at: z.string(),
  files: z.record(z.string(), z.strictObject({ hash: z.string(), size: z.number() })),
  headers: z.array(hostedHeader).default([]),
  audience: z.enum(['draft', 'restricted', 'public']).default('public'),
  passwordHash: z.string().optional(),
  movedTo: z.string().optional(),
  gone: z.array(z.string()).optional(),
  offline: z.strictObject({ status: z.literal([503, 404, 410]), until: z.string().optional(), since: z.string(), message: z.string().optional() }).optional(),
});
type Site = z.infer<typeof siteSchema>;
const saved = z.strictObject({ version: z.literal(1), sites: z.record(z.string(), siteSchema) });

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.htm': 'text/html',
  '.xhtml': 'application/xhtml+xml',
  '.css': 'text/css',
  '.js': 'text/javascript',
  '.mjs': 'text/javascript',
  '.json': 'application/json',
  '.xml': 'application/xml',
  '.txt': 'text/plain',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.jpeg': 'image/jpeg',
  '.gif': 'image/gif',
  '.webp': 'image/webp',
  '.avif': 'image/avif',
  '.ico': 'image/x-icon',
  '.pdf': 'application/pdf',
  '.gz': 'application/gzip',
  '.xsl': 'text/xsl',
  '.rss': 'application/rss+xml',
  '.atom': 'application/atom+xml',
  '.woff2': 'font/woff2',
  '.woff': 'font/woff',
  '.ttf': 'font/ttf',
  '.mp4': 'video/mp4',
  '.mp3': 'audio/mpeg',
  '.webmanifest': 'application/manifest+json',
};

const hashed = (password: string): string => createHash('sha256').update(password).digest('hex');

/** What a file is served as. A program on a host without programs is its text: a page where it holds one, else nothing to be read. */
function typeOf(file: FilePath, bytes: Uint8Array): string {
  const known = TYPES[extname(file).toLowerCase()];
  if (known !== undefined) return known;
  return isPage(file, bytes) ? 'text/html' : 'application/octet-stream';
}

/** Whether an address is one of those that the owner says are gone for good, however it is spelt. */
const isGone = ({ gone = [] }: Site, path: string): boolean => gone.length > 0 && resolvePath(path, (file) => gone.includes(file)).kind !== 'nothing';

/** Whether what a client holds is what would be sent (RFC 9110, 13.2.2): by the mark where it brings one, else by the time. */
function stillHolds(headers: Readonly<Record<string, string | string[] | undefined>>, mark: string, at: string): boolean {
  const [marks, since] = [headers['if-none-match'], headers['if-modified-since']].map((value) => (value === undefined ? undefined : String(value)));
  if (marks !== undefined) return marks.trim() === '*' || marks.split(',').some((one) => one.trim().replace(/^W\//, '') === `"${mark}"`);
  return since !== undefined && Math.floor(Date.parse(at) / 1000) * 1000 <= Date.parse(since);
}

/** Whether a request brings the site's password (HTTP Basic, RFC 7617); the name does not matter. */
function mayEnter({ passwordHash }: Site, authorization: string | undefined): boolean {
  const encoded = /^Basic\s+([A-Za-z0-9+/=]+)$/i.exec(authorization ?? '')?.[1];
  if (encoded === undefined || passwordHash === undefined) return false;
  const password = Buffer.from(encoded, 'base64')
    .toString('utf8')
    .replace(/^[^:]*:/s, '');
  return timingSafeEqual(Buffer.from(hashed(password)), Buffer.from(passwordHash));
}

/** The stand-in web host: keeps released sites and serves each under its own name. */
export class StandInHost {
  private sites: Record<string, Site> = {};
  private releasing: Promise<void> = Promise.resolve();
  /** The port the sites are served on; known once it listens. */
  port = 0;

  constructor(
    private readonly store: Store,
    private readonly clock: StandInClock,
  ) {}

  async open(): Promise<void> {
    this.sites = (await this.store.read('host', saved))?.sites ?? {};
  }

  has(host: string): boolean {
    return Object.hasOwn(this.sites, host);
  }

  /** Whether a request under this name gets here: a site's own name, or its twin with or without `www`. */
  answers(name: string): boolean {
    return this.has(name) || this.has(variantHost(name));
  }

  /** All sites that are hosted. */
  hosted(): readonly { readonly host: string; readonly origin: string }[] {
    return Object.entries(this.sites).map(([host, { origin }]) => ({ host, origin }));
  }

  /** The hashes of which the bytes are not here yet. */
  async missing(hashes: readonly string[]): Promise<string[]> {
    const found = await Promise.all(hashes.map(async (hash) => ((await this.store.hasBytes(hash)) ? undefined : hash)));
    return found.filter((hash) => hash !== undefined);
  }

  /** Puts a release live at once, all or nothing. */
  async release(host: string, request: ReleaseRequest): Promise<HostedSite> {
    const missing = await this.missing(request.files.map((file) => file.hash));
    if (missing.length > 0) throw new RequestError('missing-bytes', `${missing.length} of ${request.files.length}`);
    const files = Object.fromEntries(request.files.map(({ path, hash, size }) => [path, { hash, size }]));
    const { number, origin, headers, audience, password, gone } = request;
    const passwordHash = password === undefined ? undefined : hashed(password);
    // A release puts files there; whether the site is shown is another matter.
    return this.inTurn(host, (site) => {
      const { offline, movedTo } = site ?? {};
      return { number, origin, at: this.clock.iso(), files, headers, audience, passwordHash, offline, movedTo, gone };
    });
  }

  /** Leads a whole site to another address, path by path, or back. */
  async setMoved(host: string, to: string | null): Promise<HostedSite> {
    return this.changed(host, { movedTo: to === null || new URL(to).host === host ? undefined : to });
  }

  /** Takes a site offline, or back. Refuses a day that is over by the clock of the practice world: visitors would be told to come back in the past. */
  async setOffline(host: string, offline: Offline | null): Promise<HostedSite> {
    if (offline?.until !== undefined && Date.parse(offline.until) <= this.clock.now()) throw new RequestError('past-day');
    return this.changed(host, { offline: offline === null ? undefined : { ...offline, since: this.clock.iso() } });
  }

  /** A hosted site with something else about it. */
  private changed(host: string, change: Partial<Site>): Promise<HostedSite> {
    return this.inTurn(host, (site) => {
      if (!site) throw new RequestError('not-found');
      return { ...site, ...change };
    });
  }

  /** Makes a site of what is there, one after the other, and live only once it is written: what could not be kept never was. */
  private async inTurn(host: string, make: (site: Site | undefined) => Site): Promise<HostedSite> {
    const turn = this.releasing.then(async () => {
      const sites = { ...this.sites, [host]: make(this.has(host) ? this.sites[host] : undefined) };
      await this.store.write('host', { version: 1, sites });
      this.sites = sites;
    });
    this.releasing = turn.catch(() => undefined);
    await turn;
    return this.site(host) as HostedSite;
  }

  /** What is hosted under a name; undefined where nothing is. */
  site(host: string): HostedSite | undefined {
    const site = this.has(host) ? this.sites[host] : undefined;
    if (!site) return undefined;
    // Browsers take every name under `localhost` to this machine, so a site can be visited without any set-up.
    return {
      host,
      number: site.number,
      at: site.at,
      files: Object.keys(site.files).length,
      audience: site.audience,
      ...(site.offline ? { offline: site.offline } : {}),
      ...(site.movedTo ? { movedTo: site.movedTo } : {}),
      origin: site.origin,
      visit: `http://${host}.localhost:${this.port}/`,
    };
  }

  /** The server that sites are visited on: the site by the Host header, with or without `.localhost` behind it. */
  server(): FastifyInstance {
    const app = Fastify({ logger: false });
    app.get('/*', async (request, reply) => {
      const name = (request.headers.host ?? '')
        .toLowerCase()
        .replace(/:\d+$/, '')
        .replace(/\.localhost$/, '');
      // A hosted page is somebody's file: shown, never run.
      // The style sheet of a map counts as a script to the policy; the sandbox keeps all others from running even so.
      const scripts = /\.xml(\?|$)/.test(request.raw.url ?? '') ? "'self'" : "'none'";
      reply.headers({
        'content-security-policy': `script-src ${scripts}; object-src 'none'; frame-src 'none'; sandbox allow-same-origin`,
        'x-content-type-options': 'nosniff',
      });
      const site = Object.hasOwn(this.sites, name) ? this.sites[name] : undefined;
      const variant = site === undefined && Object.hasOwn(this.sites, variantHost(name)) ? this.sites[variantHost(name)] : undefined;
      if (variant) return reply.redirect(`${variant.origin}${request.raw.url ?? '/'}`, 301);
      if (!site) return reply.status(404).type('text/plain; charset=utf-8').send('No site of this name is hosted here.\n');
      const whole = request.raw.url ?? '/';
      const path = whole.replace(/\?.*$/s, '');
      // The scheme travels along as a proxy would tell it; a browser that visits by hand says none.
      const scheme = request.headers['x-forwarded-proto'];
      if (scheme !== undefined && !site.origin.startsWith(`${String(scheme)}://`)) return reply.redirect(`${site.origin}${request.raw.url ?? '/'}`, 301);
      if (site.movedTo) return reply.redirect(`${site.movedTo}${request.raw.url ?? '/'}`, 301);
      if (site.offline) return this.away(site, site.offline, reply);
      if (site.audience === 'draft') return reply.status(404).type('text/plain; charset=utf-8').send('Nothing has been made public here yet.\n');
      if (site.audience === 'restricted' && !mayEnter(site, request.headers.authorization))
        return reply
          .status(401)
          .header('www-authenticate', 'Basic realm="This site", charset="UTF-8"')
          .type('text/plain; charset=utf-8')
          .send('This site asks for a password.\n');
      // As common servers do: their own rules are nobody's page.
      if (/\/\.ht[^/]*$/i.test(path)) return this.notFound(site, reply);
      const tags = headersFor(site.headers, path);
      if (tags.length > 0) reply.header('x-robots-tag', tags);
      const found = resolvePath(whole, (candidate) => Object.hasOwn(site.files, candidate));
      if (found.kind === 'nothing') return this.notFound(site, reply, isGone(site, whole) ? 410 : 404);
      if (found.kind === 'redirect') return reply.redirect(found.to, 301);
      const { file } = found;
      const { hash } = site.files[file] as { hash: string };
      reply.headers({ etag: `"${hash.slice(0, 32)}"`, 'last-modified': new Date(site.at).toUTCString() });
      if (stillHolds(request.headers, hash.slice(0, 32), site.at)) return reply.status(304).send();
      const bytes = await this.store.bytes(hash);
      if (!bytes) return this.notFound(site, reply);
      return reply.type(typeOf(file, bytes)).send(bytes);
    });
    return app;
  }

  /** What a site that was taken offline answers at every address, robots.txt among them: its own page for that where it has one, else the owner's words. */
  private async away({ files }: Site, { status, until, message }: NonNullable<Site['offline']>, reply: FastifyReply): Promise<unknown> {
    const page = AWAY_PAGES[status].find((file) => Object.hasOwn(files, file));
    const own = page && (await this.store.bytes((files[page] as { hash: string }).hash));
    if (status === 503 && until !== undefined) reply.header('retry-after', new Date(until).toUTCString());
    if (own) return reply.status(status).type('text/html').send(own);
    const words = { 503: 'This site is away for a while.', 404: 'There is nothing here.', 410: 'This site is gone.' }[status];
    const when = status === 503 && until !== undefined ? `<p>It is to be back on ${until.slice(0, 10)}.</p>` : '';
    return reply
      .status(status)
      .type('text/html; charset=utf-8')
      .send(
        `<!doctype html><html lang="en"><meta charset="utf-8"><title>${words}</title><h1>${words}</h1>${message ? `<p>${escapeText(message)}</p>` : ''}${when}</html>\n`,
      );
  }

  private async notFound(
    site: Site,
    reply: { status(code: number): { type(type: string): { send(body: unknown): unknown } } },
    status: 404 | 410 = 404,
  ): Promise<unknown> {
    const own = Object.hasOwn(site.files, '404.html') ? await this.store.bytes((site.files['404.html'] as { hash: string }).hash) : undefined;
    return own
      ? reply.status(status).type('text/html').send(own)
      : reply
          .status(status)
          .type('text/plain; charset=utf-8')
          .send(status === 410 ? 'Gone.\n' : 'Not found.\n');
  }
}
