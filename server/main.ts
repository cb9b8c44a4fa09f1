import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { buildApp } from './app.ts';
import { Demo } from './demo.ts';
import { guardedFetch, realWorld } from './fetching/index.ts';
import { StandIns } from './stand-ins/index.ts';

const root = join(import.meta.dirname, '..');
const port = Number(process.env['PORT'] ?? 4310);
const standIns = new StandIns({
  folder: process.env['STAND_INS'] ?? join(root, 'var', 'stand-ins'),
  now: () => Date.now(),
  randomText: () => randomBytes(24).toString('base64url'),
  hostPort: Number(process.env['HOST_PORT'] ?? port + 1),
});
await standIns.open();
await new Demo(join(root, 'demo')).seed(standIns);
const real = guardedFetch(realWorld(), 'JollyBeacon');
const app = await buildApp({ standIns, demoFolder: join(root, 'demo'), appFolder: join(root, 'dist'), fetchReal: real.fetch, log: true });
try {
  await app.listen({ host: '127.0.0.1', port });
} catch (error) {
  if ((error as { code?: string }).code !== 'EADDRINUSE') throw error;
  console.error(`Port ${port} is taken. Stop what runs there, or choose another: PORT=4400 npm start`);
  process.exit(1);
}
console.log(`\n  Jolly Beacon is ready:  http://127.0.0.1:${port}\n  Sites on the stand-in host are served on port ${standIns.host.port}.  Ctrl C stops it.\n`);

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    // A browser may hold a connection open for as long as it likes: who says stop, means it.
    setTimeout(() => process.exit(0), 3000).unref();
    void Promise.all([app.close(), standIns.close(), real.close()]).then(() => process.exit(0));
  });
}
