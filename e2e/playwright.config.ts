import { defineConfig } from '@playwright/test';
import { join } from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS } from './fixtures/site.ts';

const root = join(import.meta.dirname, '..');

export default defineConfig({
  testDir: import.meta.dirname,
  testMatch: '*.e2e.ts',
  outputDir: join(root, 'test-results'),
  // What hangs is ended; nothing is asserted by these: they are as long as a machine needs that is busy with four other things.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  workers: 2,
  fullyParallel: true,
  // A journey that passes only at its second go has found something.
  retries: 0,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] },
  },
});
