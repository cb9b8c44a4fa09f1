import type { FastifyInstance } from 'fastify';
import {
  addressQuery,
  advanceRequest,
  hostParam,
  missingRequest,
  releaseRequest,
  searchQuery,
  sitemapRequest,
  verifyRequest,
  type ClockAnswer,
  type HostedAnswer,
  type LiveAnswer,
  type MissingAnswer,
  type SearchAnswer,
} from '../core/exchange/index.ts';
import { ARCHIVE_LIMITS, inflateEntry, listArchive } from '../core/source/index.ts';
import { parseInput, RequestError } from './errors.ts';
import type { Fetch } from './fetching/index.ts';
import type { StandIns } from './stand-ins/index.ts';

const BUNDLE = 80_000_000;

/** Everything the app asks of the outside world. `fetchReal` is how addresses are looked at that no stand-in hosts. */
export function serveApi(app: FastifyInstance, standIns: StandIns, fetchReal: Fetch): void {
  const { host, skerry, clock } = standIns;
  app.addContentTypeParser('application/zip', { parseAs: 'buffer', bodyLimit: BUNDLE }, (_request, body, done) => done(null, body));

  app.post('/api/host/missing', { bodyLimit: 16_000_000 }, async (request): Promise<MissingAnswer> => ({
    missing: await host.missing(parseInput(missingRequest, request.body).hashes),
  }));

  // Bytes come as a ZIP whose entries are named by their hashes: one request for hundreds of small files.
  app.post('/api/host/bytes', { bodyLimit: BUNDLE }, async (request) => {
    if (!Buffer.isBuffer(request.body)) throw new RequestError('bad-input', 'a ZIP is expected');
    const zip = new Uint8Array(request.body);
    const listing = listArchive(zip, { ...ARCHIVE_LIMITS, ratio: Infinity });
    if (!listing.ok || listing.refused.length > 0) throw new RequestError('wrong-bytes');
    for (const entry of listing.entries) {
      const inflated = inflateEntry(zip, entry);
      if (!inflated.ok || !(await standIns.store.keepBytes(entry.path, inflated.bytes))) throw new RequestError('wrong-bytes', entry.path);
    }
    return { kept: listing.entries.length };
  });

  app.get('/api/host/sites/:host', async (request): Promise<HostedAnswer> => ({ site: host.site(parseInput(hostParam, request.params).host) ?? null }));
  app.post('/api/host/sites/:host/releases', { bodyLimit: 16_000_000 }, async (request) =>
    host.release(parseInput(hostParam, request.params).host, parseInput(releaseRequest, request.body)),
  );

  app.get('/api/clock', async (): Promise<ClockAnswer> => ({ now: clock.iso() }));
  app.post('/api/clock/advance', async (request): Promise<ClockAnswer> => {
    await standIns.advance(parseInput(advanceRequest, request.body).days);
    return { now: clock.iso() };
  });

  app.get('/api/skerry/tags/:host', async (request) => skerry.proofTag(parseInput(hostParam, request.params).host));
  app.get('/api/skerry/sites/:host', async (request) => skerry.siteView(parseInput(hostParam, request.params).host));
  app.post('/api/skerry/verifications', async (request) => {
    const { host: name, origin } = parseInput(verifyRequest, request.body);
    return skerry.verify(name, origin);
  });
  app.post('/api/skerry/sitemaps', async (request) => {
    const { host: name, address } = parseInput(sitemapRequest, request.body);
    return skerry.handIn(name, address);
  });
  app.get('/api/skerry/search', async (request): Promise<SearchAnswer> => ({ results: skerry.search(parseInput(searchQuery, request.query).q) }));
  app.get('/api/live', async (request): Promise<LiveAnswer> => {
    const { address } = parseInput(addressQuery, request.query);
    const standIn = host.has(new URL(address).hostname);
    const outcome = await (standIn ? standIns.fetch : fetchReal)(address);
    if (!outcome.ok) return { ok: false, reason: outcome.reason, world: standIn ? 'stand-in' : 'real' };
    return {
      ok: true,
      status: outcome.status,
      milliseconds: outcome.milliseconds,
      redirects: outcome.redirects,
      robotsTag: outcome.headers['x-robots-tag'] ?? [],
      bytes: outcome.bytes.length,
      world: standIn ? 'stand-in' : 'real',
    };
  });

  app.all('/api/*', async () => {
    throw new RequestError('not-found');
  });
}
