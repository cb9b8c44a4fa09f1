import { defineConfig } from '@playwright/test';
import { join } from 'node:path';
import { CHROMIUM_ARGS } from './fixtures/site.ts';

const root = join(import.meta.dirname, '..');

export default defineConfig({
  testDir: import.meta.dirname,
  testMatch: '*.e2e.ts',
  outputDir: join(root, 'test-results'),
  timeout: 60_000,
  expect: { timeout: 10_000 },
  workers: 2,
  // Once more for a journey that failed beside another one; what passes only then is listed as flaky at the end, and owed.
  retries: 1,
  reporter: [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium', args: [...CHROMIUM_ARGS] },
  },
});
