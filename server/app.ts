import fastifyStatic from '@fastify/static';
import Fastify, { type FastifyInstance } from 'fastify';
import { access } from 'node:fs/promises';
import { join } from 'node:path';
import { serveApi } from './api.ts';
import { Demo, serveDemo } from './demo.ts';
import { answerErrors, RequestError } from './errors.ts';
import { guardRequests } from './security.ts';
import type { StandIns } from './stand-ins/index.ts';

/** Builds the app's server. It never listens: that is for `main.ts` and for tests to do, or not. */
export async function buildApp(settings: {
  readonly standIns: StandIns;
  readonly demoFolder: string;
  readonly appFolder: string;
  readonly log?: boolean;
  /** Told of each route as it is made. */
  readonly onRoute?: (route: { readonly method: string | string[]; readonly url: string }) => void;
}): Promise<FastifyInstance> {
  const app = Fastify({ logger: settings.log === true ? { level: 'warn' } : false, bodyLimit: 1_000_000 });
  if (settings.onRoute) app.addHook('onRoute', settings.onRoute);
  answerErrors(app);
  guardRequests(app);
  serveApi(app, settings.standIns);
  serveDemo(app, new Demo(settings.demoFolder), settings.standIns);
  const built = await access(join(settings.appFolder, 'index.html')).then(
    () => true,
    () => false,
  );
  if (built) {
    await app.register(fastifyStatic, {
      root: settings.appFolder,
      // Names with a hash in them never change; the page that names them always may.
      setHeaders: (reply, path) => void reply.setHeader('cache-control', /[/\\]assets[/\\]/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    });
  }
  app.setNotFoundHandler((request, reply) => {
    if (built && request.method === 'GET' && !/\.\w+$/.test(request.url.split('?')[0] ?? ''))
      return reply.header('cache-control', 'no-cache').sendFile('index.html');
    throw new RequestError('not-found');
  });
  return app;
}
