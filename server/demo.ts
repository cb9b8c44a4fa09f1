import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { zipSync, type Zippable } from 'fflate';
import { z } from 'zod';
import type { StandIns } from './stand-ins/index.ts';

const storySchema = z.strictObject({
  host: z.string(),
  origin: z.string(),
  /** When the release that is live went out. */
  releasedAt: z.string(),
  releaseNumber: z.number(),
  /** Files made since then. */
  notReleased: z.array(z.string()),
  /** Day each file last changed; others changed on `otherwise`. */
  changed: z.record(z.string(), z.string()),
  otherwise: z.string(),
});

/** The demo site's files and the story around them. */
export class Demo {
  constructor(private readonly folder: string) {}

  async story(): Promise<z.infer<typeof storySchema>> {
    return storySchema.parse(JSON.parse(await readFile(join(this.folder, 'story.json'), 'utf8')));
  }

  async files(): Promise<Map<string, Buffer>> {
    const root = join(this.folder, 'site');
    const found = new Map<string, Buffer>();
    for (const entry of await readdir(root, { recursive: true, withFileTypes: true })) {
      if (!entry.isFile()) continue;
      const path = join(entry.parentPath, entry.name);
      found.set(relative(root, path).split(sep).join('/'), await readFile(path));
    }
    return new Map([...found].sort(([a], [b]) => (a < b ? -1 : 1)));
  }

  /** The site as a ZIP, the way an owner would bring it, with the dates of the story. */
  async zip(): Promise<Uint8Array> {
    const story = await this.story();
    const entries: Zippable = {};
    for (const [path, bytes] of await this.files())
      entries[path] = [bytes, { mtime: localTime(story.changed[path] ?? story.otherwise), level: /\.(jpe?g|png|webp)$/.test(path) ? 0 : 6 }];
    return zipSync(entries);
  }

  /** Puts the demo's latest release on the stand-in host; what is hosted there already stays, unless it is to begin anew. */
  async seed(standIns: StandIns, anew = false): Promise<void> {
    const story = await this.story();
    if (standIns.host.has(story.host) && !anew) return;
    const files = [];
    for (const [path, bytes] of await this.files()) {
      if (story.notReleased.includes(path)) continue;
      const hash = createHash('sha256').update(bytes).digest('hex');
      await standIns.store.keepBytes(hash, bytes);
      files.push({ path, hash, size: bytes.length });
    }
    await standIns.host.release(story.host, { number: story.releaseNumber, origin: story.origin, files, headers: [], audience: 'public' });
  }
}

/** ZIPs hold a wall clock's time; ours is read as UTC again, so the parts are handed over as if they were local. */
function localTime(day: string): Date {
  const [year = 1980, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(year, month - 1, date, 10, 0, 0);
}

export function serveDemo(app: FastifyInstance, demo: Demo, standIns: StandIns): void {
  app.post('/api/demo/begin-anew', async () => {
    const story = await demo.story();
    await demo.seed(standIns, true);
    for (const engine of standIns.engines) await engine.forget(story.host);
    return story;
  });
  app.get('/api/demo.zip', async (_request, reply) => reply.type('application/zip').send(Buffer.from(await demo.zip())));
  app.get('/api/demo', async () => demo.story());
}
