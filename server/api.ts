import type { EngineId } from '../core/engines/index.ts';
import type { FastifyInstance } from 'fastify';
import { publishForm } from '../core/sitemap/index.ts';
import {
  addressQuery,
  hubRequest,
  noticeRequest,
  phrasesRequest,
  proofStepsRequest,
  visitsRequest,
  advanceRequest,
  crawlParam,
  dnsQuery,
  movedRequest,
  crawlRequest,
  engineHostParam,
  engineParam,
  hostParam,
  livePagesRequest,
  liveQuery,
  missingRequest,
  offlineRequest,
  releaseRequest,
  searchQuery,
  sitemapRequest,
  verifyRequest,
  zoneRequest,
  type AddressAnswer,
  type ClockAnswer,
  type DnsAnswer,
  type NameAnswer,
  type NoticeAnswer,
  type ProofStepsAnswer,
  type SeenAnswer,
  type CrawlTold,
  type CrawlView,
  type FetchedMap,
  type HostedAnswer,
  type LiveAnswer,
  type LivePagesAnswer,
  type MissingAnswer,
  type SearchAnswer,
} from '../core/exchange/index.ts';
import { ARCHIVE_LIMITS, inflateEntry, listArchive } from '../core/source/index.ts';
import { parseInput, RequestError } from './errors.ts';
import type { SentBody } from './fetching/index.ts';
import type { StandInEngine, StandIns } from './stand-ins/index.ts';

const BUNDLE = 80_000_000;

/** Everything the app asks of the outside world. */
export function serveApi(app: FastifyInstance, standIns: StandIns): void {
  const { host, clock } = standIns;
  const engineOf = (id: EngineId): StandInEngine => standIns.engine(id);
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

  app.post('/api/host/sites/:host/offline', async (request) =>
    host.setOffline(parseInput(hostParam, request.params).host, parseInput(offlineRequest, request.body).offline),
  );

  const { crawls } = standIns;
  app.post('/api/crawls', async (request) => {
    const { address, limits } = parseInput(crawlRequest, request.body);
    return crawls.begin(address, limits);
  });
  app.get('/api/crawls/:id', async (request): Promise<CrawlView> => crawls.view(parseInput(crawlParam, request.params).id));
  app.post('/api/crawls/:id/stop', async (request): Promise<CrawlView> => crawls.stop(parseInput(crawlParam, request.params).id));
  app.post('/api/crawls/:id/go-on', async (request): Promise<CrawlView> => crawls.goOn(parseInput(crawlParam, request.params).id));
  app.get('/api/crawls/:id/told', async (request): Promise<CrawlTold> => crawls.told(parseInput(crawlParam, request.params).id));
  app.get('/api/crawls/:id/zip', async (request, reply) =>
    reply.type('application/zip').send(Buffer.from(await crawls.zip(parseInput(crawlParam, request.params).id))),
  );

  app.post('/api/host/sites/:host/moved', async (request) =>
    host.setMoved(parseInput(hostParam, request.params).host, parseInput(movedRequest, request.body).to),
  );
  app.get('/api/names/:host', async (request): Promise<NameAnswer> => ({ state: host.has(parseInput(hostParam, request.params).host) ? 'taken' : 'free' }));
  app.get('/api/dns', async (request): Promise<DnsAnswer> => {
    const { name, type } = parseInput(dnsQuery, request.query);
    return standIns.askDns(name, type);
  });
  app.get('/api/zone/:host', async (request) => ({ records: standIns.zone.of(parseInput(hostParam, request.params).host) }));
  app.post('/api/zone/:host', async (request) => {
    const { host: domain } = parseInput(hostParam, request.params);
    await standIns.zone.set(domain, parseInput(zoneRequest, request.body).records);
    return { records: standIns.zone.of(domain) };
  });

  app.get('/api/clock', async (): Promise<ClockAnswer> => ({ now: clock.iso() }));
  app.post('/api/clock/advance', async (request): Promise<ClockAnswer> => {
    await standIns.advance(parseInput(advanceRequest, request.body).days);
    return { now: clock.iso() };
  });

  app.get('/api/engines/:engine/tags/:host', async (request) => {
    const { engine, host: name } = parseInput(engineHostParam, request.params);
    return engineOf(engine).proofTag(name);
  });
  app.get('/api/engines/:engine/sites/:host', async (request) => {
    const { engine, host: name } = parseInput(engineHostParam, request.params);
    return engineOf(engine).siteView(name);
  });
  app.post('/api/engines/:engine/verifications', async (request) => {
    const { host: name, origin, way } = parseInput(verifyRequest, request.body);
    return engineOf(parseInput(engineParam, request.params).engine).verify(name, origin, way);
  });
  app.post('/api/proofs/steps', { bodyLimit: 200_000 }, async (request): Promise<ProofStepsAnswer> => {
    const { origin, piece } = parseInput(proofStepsRequest, request.body);
    return { steps: await standIns.proofSteps(origin, piece) };
  });
  app.post('/api/engines/:engine/sitemaps', async (request) => {
    const { host: name, address } = parseInput(sitemapRequest, request.body);
    return engineOf(parseInput(engineParam, request.params).engine).handIn(name, address);
  });
  app.post('/api/engines/:engine/sitemaps/taken-back', async (request) => {
    const { host: name, address } = parseInput(sitemapRequest, request.body);
    return engineOf(parseInput(engineParam, request.params).engine).takeBack(name, address);
  });
  app.post('/api/engines/:engine/visits', async (request) => {
    const { host: name, addresses } = parseInput(visitsRequest, request.body);
    return engineOf(parseInput(engineParam, request.params).engine).visitSoon(name, addresses);
  });
  app.post('/api/engines/phrases', async (request) => {
    const { host: name, phrases } = parseInput(phrasesRequest, request.body);
    for (const engine of standIns.engines) await engine.wishedFor(name, phrases);
    return {};
  });
  app.get('/api/engines/:engine/seen/:host', async (request): Promise<SeenAnswer> => {
    const { engine, host: name } = parseInput(engineHostParam, request.params);
    return engineOf(engine).seen(name);
  });
  app.get('/api/engines/:engine/address', async (request): Promise<AddressAnswer> => {
    const { engine } = parseInput(engineParam, request.params);
    return standIns.closely(engine, parseInput(addressQuery, request.query).address);
  });
  const sent = async (address: string, body: SentBody): Promise<NoticeAnswer> => {
    const outcome = await standIns.sends[standIns.sideOf(address)](address, body);
    return outcome.ok ? { status: outcome.status } : { failed: outcome.reason };
  };
  app.post('/api/notices', { bodyLimit: 25_000_000 }, async (request): Promise<NoticeAnswer> => {
    const { endpoint, host: name, key, addresses } = parseInput(noticeRequest, request.body);
    return sent(endpoint, { json: JSON.stringify({ host: name, key, urlList: addresses }) });
  });
  app.post('/api/hubs', async (request): Promise<NoticeAnswer> => {
    const { hub, topic } = parseInput(hubRequest, request.body);
    return sent(hub, { form: publishForm(topic) });
  });
  app.get('/api/engines/:engine/search', async (request): Promise<SearchAnswer> => {
    const { engine } = parseInput(engineParam, request.params);
    const { q, from } = parseInput(searchQuery, request.query);
    return engineOf(engine).search(q, from);
  });

  app.get('/api/live', async (request): Promise<LiveAnswer> => {
    const { address, crawler } = parseInput(liveQuery, request.query);
    const side = standIns.sideOf(address);
    return { world: side, ...(await standIns.work.live({ side, address, crawler, now: clock.now() })) };
  });
  app.post('/api/live-pages', { bodyLimit: 200_000 }, async (request): Promise<LivePagesAnswer> => {
    const { addresses } = parseInput(livePagesRequest, request.body);
    return { pages: await standIns.work.pages({ side: standIns.sideOf(addresses[0] as string), addresses }) };
  });
  app.get('/api/map', async (request): Promise<FetchedMap> => {
    const { address } = parseInput(addressQuery, request.query);
    return standIns.work.map({ side: standIns.sideOf(address), address });
  });

  app.all('/api/*', async () => {
    throw new RequestError('not-found');
  });
}
