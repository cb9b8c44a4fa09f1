import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './fixtures/app.ts';
import { killWhileTyping } from './fixtures/killable.ts';

/** Browsers killed; more of them with KILLS=60. */
const KILLS = Number(process.env['KILLS'] ?? 4);

// Slow: it starts eight browsers, one after the other. How old the oldest lost key is, the bench tells.
test('browsers killed in mid-typing lose nothing that was told to be saved', async ({ app }) => {
  test.slow(KILLS > 4);
  const profile = await mkdtemp(join(tmpdir(), 'killed-'));
  let address = app.address;
  let meanwhile = 0;
  try {
    for (let turn = 0; turn < KILLS; turn++) {
      const kill = await killWhileTyping(profile, address, turn);
      address = kill.address;
      expect(kill.typed.startsWith(kill.kept)).toBe(true);
      expect(kill.kept.startsWith(kill.saved)).toBe(true);
      if (kill.saved !== `${turn}:`) meanwhile++;
    }
  } finally {
    await rm(profile, { recursive: true, force: true });
  }
  // It is told to be saved while somebody types, not only before.
  expect(meanwhile).toBeGreaterThan(0);
});
