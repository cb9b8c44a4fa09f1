import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { buildApp } from './app.ts';
import { Demo } from './demo.ts';
import { Locked, StandIns, workInThread } from './stand-ins/index.ts';
import { portFrom, whyNotStarted } from './starting.ts';

const root = join(import.meta.dirname, '..');
const folder = process.env['STAND_INS'] ?? join(root, 'var', 'stand-ins');
const port = portOr(4310, 'PORT');

/** Says in one sentence why the server does not start, and ends. */
function refuse(sentence: string): never {
  console.error(sentence);
  process.exit(1);
}
function portOr(otherwise: number, name: string): number {
  const found = portFrom(process.env[name], otherwise);
  return found ?? refuse(`${name}=${process.env[name] ?? ''} is not a port: it takes a number from 1 to 65535, such as ${name}=4400 npm start`);
}

try {
  const standIns = new StandIns({
    folder,
    now: () => Date.now(),
    randomText: () => randomBytes(24).toString('base64url'),
    hostPort: portOr(port + 1, 'HOST_PORT'),
    // Other people's pages and rules are read in a thread of their own: none of them can hold up a request.
    doWork: workInThread,
  });
  await standIns.open();
  await new Demo(join(root, 'demo')).seed(standIns);
  const app = await buildApp({ standIns, demoFolder: join(root, 'demo'), appFolder: join(root, 'dist'), log: true });
  await app.listen({ host: '127.0.0.1', port });
  console.log(
    `\n  Jolly Beacon is ready:  http://127.0.0.1:${port}\n  Sites on the stand-in host are served on port ${standIns.host.port}.  Ctrl C stops it.\n`,
  );

  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      // A browser may hold a connection open for as long as it likes: who says stop, means it.
      setTimeout(() => void standIns.free().finally(() => process.exit(0)), 3000).unref();
      void Promise.all([app.close(), standIns.close()]).then(() => process.exit(0));
    });
  }
} catch (error) {
  refuse(whyNotStarted(error, { port, folder, locked: error instanceof Locked ? error.pid : undefined }));
}
