import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { killWhileTyping } from '../e2e/fixtures/killable.ts';
import { withApp } from './browser-rows.ts';
import { within, type Row } from './measure.ts';
import { yardstick } from './yardstick.ts';

/** Browsers killed; more of them with KILLS=60. */
const KILLS = Number(process.env['KILLS'] ?? 5);

/** How old the oldest key is that is lost when a browser is killed while somebody types: what the architecture page promises. */
export function killedRow(): Promise<Row> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage();
    await page.goto(address);
    const slowness = await yardstick(page);
    await page.close();
    const profile = await mkdtemp(join(tmpdir(), 'killed-'));
    let [at, oldest] = [address, 0];
    try {
      for (let turn = 0; turn < KILLS; turn++) {
        const kill = await killWhileTyping(profile, at, turn);
        at = kill.address;
        const missing = kill.typed.slice(kill.kept.length).trim().split(' ').filter(Boolean).map(Number);
        if (missing[0] !== undefined) oldest = Math.max(oldest, kill.at - missing[0]);
      }
    } finally {
      await rm(profile, { recursive: true, force: true });
    }
    return within(`the oldest key lost when ${KILLS} browsers are killed`, oldest, 500, 'ms', slowness);
  });
}
