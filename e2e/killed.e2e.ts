import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_ARGS } from './fixtures/site.ts';
import { expect, test } from './fixtures/app.ts';

/** Browsers killed; more of them with KILLS=60. */
const KILLS = Number(process.env['KILLS'] ?? 5);
/** What the architecture page promises: a key is safe within so many milliseconds. */
const PROMISED = 500;

interface Killable {
  readonly browser: Browser;
  readonly page: Page;
  kill(): Promise<void>;
}

/** A browser of its own on a profile of its own, whose processes can be killed all at once. */
async function open(profile: string, address: string): Promise<Killable> {
  const child: ChildProcess = spawn(
    process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    [...CHROMIUM_ARGS, '--headless', `--user-data-dir=${profile}`, '--remote-debugging-port=0', 'about:blank'],
    { detached: true, stdio: 'ignore' },
  );
  const gone = new Promise((resolve) => child.on('exit', resolve));
  let port = '';
  await expect
    .poll(async () => (port = (await readFile(join(profile, 'DevToolsActivePort'), 'utf8').catch(() => '')).split('\n')[0] ?? ''), { timeout: 20_000 })
    .not.toBe('');
  let browser: Browser | undefined;
  await expect
    .poll(async () => (browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`).catch(() => undefined)) !== undefined, { timeout: 20_000 })
    .toBe(true);
  const page = await (browser as Browser).contexts()[0]!.newPage();
  await page.goto(address);
  return {
    browser: browser as Browser,
    page,
    kill: async () => {
      process.kill(-(child.pid as number), 'SIGKILL');
      await gone;
      await rm(join(profile, 'DevToolsActivePort'), { force: true });
    },
  };
}

test('browsers killed in mid-typing lose no key that is older than what is promised', async ({ app }) => {
  test.setTimeout(60_000 + KILLS * 25_000);
  const profile = await mkdtemp(join(tmpdir(), 'killed-'));
  let address = app.address;
  const lost: number[] = [];
  try {
    for (let turn = 0; turn < KILLS; turn++) {
      const running = await open(profile, address);
      const field = running.page.getByLabel(/What the site is, in a sentence/);
      await expect(running.page.locator('.shell')).toBeVisible({ timeout: 30_000 });
      address = `${/^.*\/s\/[^/?]+/.exec(running.page.url())?.[0] ?? ''}/words/facts`;
      await running.page.goto(address);
      await expect(running.page.getByTestId('agreeing')).toHaveCount(0, { timeout: 30_000 });
      await field.fill(`${turn}:`);
      await running.page.waitForTimeout(600);
      // Each key is the time at which it was pressed; the browser is killed at a moment that nobody chose.
      const until = Date.now() + 700 + ((turn * 377) % 600);
      let typed = `${turn}:`;
      while (Date.now() < until) {
        typed += ` ${Date.now()}`;
        await field.evaluate((element: HTMLInputElement | HTMLTextAreaElement, text) => {
          Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element), 'value')!.set!.call(element, text);
          element.dispatchEvent(new Event('input', { bubbles: true }));
        }, typed);
        await new Promise((next) => setTimeout(next, 25));
      }
      const killedAt = Date.now();
      await running.kill();
      const again = await open(profile, address);
      await expect(again.page.getByLabel(/What the site is, in a sentence/)).toHaveValue(new RegExp(`^${turn}:`), { timeout: 30_000 });
      const kept = await again.page.getByLabel(/What the site is, in a sentence/).inputValue();
      expect(typed.startsWith(kept)).toBe(true);
      const missing = typed.slice(kept.length).trim().split(' ').filter(Boolean).map(Number);
      lost.push(missing.length === 0 ? 0 : killedAt - (missing[0] as number));
      await again.kill();
    }
  } finally {
    await rm(profile, { recursive: true, force: true });
  }
  const sorted = [...lost].sort((a, b) => a - b);
  console.log(`    killed ${KILLS} browsers; the oldest key lost was, in ms: ${sorted.join(' ')}`);
  expect(sorted.at(-1) ?? 0).toBeLessThan(PROMISED);
});
