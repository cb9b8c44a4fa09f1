import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

const ROOTS = ['core', 'web', 'server', 'demo', 'scripts'];
const slow = process.env['EFFORT'] !== undefined;

/** The test files in which the slow suite finds something: a test that is marked slow, or a property, of which it tries more cases. */
function worthMore(): string[] {
  return ROOTS.flatMap((folder) =>
    readdirSync(join(import.meta.dirname, folder), { recursive: true, encoding: 'utf8' })
      .filter((path) => /\.test\.tsx?$/.test(path))
      .map((path) => join(folder, path)),
  ).filter((path) => /\bSLOW\b|from 'fast-check'/.test(readFileSync(join(import.meta.dirname, path), 'utf8')));
}

export default defineConfig({
  test: {
    include: slow ? worthMore() : [`{${ROOTS.join(',')}}/**/*.test.{ts,tsx}`],
    setupFiles: ['core/testing/setup.ts'],
    tags: [{ name: 'slow', description: 'left to `npm run slow`' }],
    ...(slow ? {} : { tagsFilter: ['!slow'] }),
    testTimeout: slow ? 240_000 : 60_000,
    hookTimeout: 60_000,
    // Measured on two cores: threads that share what they imported take 0.4 of the time of isolated ones, and both cores are used.
    pool: 'threads',
    isolate: false,
    maxWorkers: Math.max(2, availableParallelism()),
  },
});
