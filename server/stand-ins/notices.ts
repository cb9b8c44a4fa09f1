import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import { engineHost } from '../../core/engines/index.ts';
import { keyLocationOf, keyStandsIn, noticeFault, type ChangeNotice } from '../../core/ownership/index.ts';
import { feedEntries, feedHubs, publishedTopics } from '../../core/sitemap/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import type { StandInEngine } from './engine.ts';
import type { FetchOutcome } from '../fetching/index.ts';

/** Notices that an engine takes for one host in a day. */
export const NOTICES_A_DAY = 25;

const notice = z.object({ host: z.string().max(253), key: z.string(), keyLocation: z.string().max(2048).optional(), urlList: z.array(z.string()).min(1) });
/** The same with one address, in the query of a GET. */
const single = z.object({ url: z.string(), key: z.string(), keyLocation: z.string().max(2048).optional() });

/** Takes change notices for the stand-in engines, under the names of their hosts: by the open IndexNow protocol at `/indexnow`, and as a hub of feeds at `/hub` (WebSub). */
export function takeNotices(app: FastifyInstance, engines: readonly StandInEngine[], look: (engine: string, address: string) => Promise<FetchOutcome>): void {
  const engineAt = (name: string | undefined): StandInEngine | undefined => {
    const bare = (name ?? '')
      .toLowerCase()
      .replace(/:\d+$/, '')
      .replace(/\.localhost$/, '');
    return engines.find(({ policy }) => engineHost(policy) === bare);
  };
  const take = async (engine: StandInEngine | undefined, told: ChangeNotice | undefined): Promise<number> => {
    if (engine === undefined) return 404;
    if (told === undefined) return 400;
    const fault = noticeFault(told);
    if (fault) return fault.status;
    if (engine.noticesFor(told.host) >= NOTICES_A_DAY) return 429;
    const outcome = await look(engine.policy.id, keyLocationOf(told, new URL(told.urlList[0] as string).protocol.slice(0, -1)) as string);
    // Where the host is away the notice is taken, and the key looked for later: that is what 202 says.
    if (!outcome.ok || outcome.status >= 500) return 202;
    if (outcome.status !== 200 || !keyStandsIn(decodeBytes(outcome.bytes, 'utf-8'), told.key)) return 403;
    await engine.visitSoon(told.host, told.urlList, true);
    return 200;
  };
  app.post('/indexnow', async (request, reply) => {
    const parsed = notice.safeParse(request.body);
    return reply.status(await take(engineAt(request.headers.host), parsed.data)).send();
  });
  app.addContentTypeParser('application/x-www-form-urlencoded', { parseAs: 'string', bodyLimit: 20_000 }, (_, body, done) =>
    done(null, new URLSearchParams(String(body))),
  );
  app.post('/hub', async (request, reply) => {
    const engine = engineAt(request.headers.host);
    if (engine === undefined) return reply.status(404).send();
    const topics = request.body instanceof URLSearchParams ? publishedTopics(request.body) : undefined;
    if (topics === undefined) return reply.status(400).send();
    const self = `https://${engineHost(engine.policy)}/hub`;
    for (const topic of topics) {
      const outcome = await look(engine.policy.id, topic);
      if (!outcome.ok || outcome.status >= 500) continue;
      const feed = outcome.status === 200 ? decodeBytes(outcome.bytes, 'utf-8') : '';
      const said = feedHubs(feed);
      // A hub speaks for a feed that names it, and under the address that the feed gives itself.
      if (said?.self !== topic || !said.hubs.includes(self)) return reply.status(403).send();
      const { host, origin } = new URL(topic);
      const entries = [...feedEntries([feed]).keys()].map((path) => origin + path);
      if (entries.length > 0) for (const each of engines) await each.visitSoon(host, entries, true);
    }
    return reply.status(202).send();
  });
  app.get('/indexnow', async (request, reply) => {
    const { data } = single.safeParse(request.query);
    const told =
      data && URL.canParse(data.url)
        ? { host: new URL(data.url).host, key: data.key, urlList: [data.url], ...(data.keyLocation === undefined ? {} : { keyLocation: data.keyLocation }) }
        : undefined;
    return reply.status(await take(engineAt(request.headers.host), told)).send();
  });
}
