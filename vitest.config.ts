import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { include: ['{core,web,server,demo,scripts}/**/*.test.{ts,tsx}'], testTimeout: 30_000, pool: 'threads' },
});
