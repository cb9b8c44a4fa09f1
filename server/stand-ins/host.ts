import Fastify, { type FastifyInstance } from 'fastify';
import { extname } from 'node:path';
import { z } from 'zod';
import type { HostedSite, ReleaseRequest } from '../../core/exchange/index.ts';
import { filesFor } from '../../core/site/index.ts';
import { RequestError } from '../errors.ts';
import type { StandInClock } from './clock.ts';
import type { Store } from './store.ts';

const siteSchema = z.strictObject({
  number: z.number(),
  origin: z.string(),
  at: z.string(),
  files: z.record(z.string(), z.strictObject({ hash: z.string(), size: z.number() })),
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
  '.woff2': 'font/woff2',
  '.woff': 'font/woff',
  '.ttf': 'font/ttf',
  '.mp4': 'video/mp4',
  '.mp3': 'audio/mpeg',
  '.webmanifest': 'application/manifest+json',
};

/** The stand-in web host: keeps released sites and serves each under its own name. */
export class StandInHost {
  private sites: Record<string, Site> = {};
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
    this.sites = { ...this.sites, [host]: { number: request.number, origin: request.origin, at: this.clock.iso(), files } };
    await this.store.write('host', { version: 1, sites: this.sites });
    return this.site(host) as HostedSite;
  }

  /** What is hosted under a name; undefined where nothing is. */
  site(host: string): HostedSite | undefined {
    const site = this.has(host) ? this.sites[host] : undefined;
    if (!site) return undefined;
    // Browsers take every name under `localhost` to this machine, so a site can be visited without any set-up.
    return { host, number: site.number, at: site.at, files: Object.keys(site.files).length, visit: `http://${host}.localhost:${this.port}/` };
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
      reply.headers({
        'content-security-policy': "script-src 'none'; object-src 'none'; frame-src 'none'; sandbox allow-same-origin",
        'x-content-type-options': 'nosniff',
      });
      const site = Object.hasOwn(this.sites, name) ? this.sites[name] : undefined;
      if (!site) return reply.status(404).type('text/plain; charset=utf-8').send('No site of this name is hosted here.\n');
      const [path = '/', query] = (request.raw.url ?? '/').split(/\?(.*)/s);
      const file = filesFor(path).find((candidate) => Object.hasOwn(site.files, candidate));
      if (file === undefined) return this.notFound(site, reply);
      if (!path.endsWith('/') && /(^|\/)index\.html?$/.test(file) && !/index\.html?$/.test(path))
        return reply.redirect(`${path}/${query === undefined ? '' : `?${query}`}`, 301);
      const bytes = await this.store.bytes((site.files[file] as { hash: string }).hash);
      if (!bytes) return this.notFound(site, reply);
      return reply
        .header('last-modified', new Date(site.at).toUTCString())
        .type(TYPES[extname(file).toLowerCase()] ?? 'application/octet-stream')
        .send(bytes);
    });
    return app;
  }

  private async notFound(site: Site, reply: { status(code: number): { type(type: string): { send(body: unknown): unknown } } }): Promise<unknown> {
    const own = Object.hasOwn(site.files, '404.html') ? await this.store.bytes((site.files['404.html'] as { hash: string }).hash) : undefined;
    return own ? reply.status(404).type('text/html').send(own) : reply.status(404).type('text/plain; charset=utf-8').send('Not found.\n');
  }
}
