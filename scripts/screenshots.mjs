// `npm run screenshots`: takes the pictures in docs/screenshots anew, on the demo, with a server and stand-ins of its own.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './build.mjs';
import { root } from './setup.mjs';

build();
const folder = mkdtempSync(join(tmpdir(), 'pictures-'));
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
  cwd: root,
  env: { ...process.env, PORT: '4660', HOST_PORT: '4661', STAND_INS: folder },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.on('data', (text) => text.includes('is ready') && resolve()));
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});
mkdirSync(join(root, 'docs/screenshots'), { recursive: true });

async function open(size, scheme = 'light') {
  const context = await browser.newContext({ viewport: size, colorScheme: scheme, reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto('http://127.0.0.1:4660/');
  await page.locator('.shell').waitFor();
  return page;
}
const picture = async (page, name) => {
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) });
};
const go = async (page, stop) => {
  await page.locator('nav[aria-label="The path"] a', { hasText: stop }).first().click();
  await page.waitForTimeout(400);
};
const choose = async (page, name) => {
  await page.getByRole('searchbox', { name: 'Find a page' }).fill(name);
  await page.keyboard.press('Enter');
  await page.waitForTimeout(400);
};
const press = (page, name) => page.getByRole('button', { name, exact: true }).click();

const dusk = await open({ width: 1280, height: 800 }, 'dark');
await go(dusk, 'Words');
await choose(dusk, 'Marbling evening');
await picture(dusk, 'words-dusk');
await picture(await open({ width: 390, height: 844 }), 'start-phone');

const page = await open({ width: 1280, height: 800 });
await picture(page, 'start');
await go(page, 'Words');
await choose(page, 'Box making');
await picture(page, 'words');
const view = async (name) => {
  await page.locator('nav[aria-label="Ways to work on words"] a', { hasText: name }).click();
  await page.waitForTimeout(600);
};
await view('Ledger');
await page.keyboard.press('Shift+ArrowDown');
await page.keyboard.press('Shift+ArrowRight');
await picture(page, 'words-ledger');
await view('Patterns');
await page.getByRole('button', { name: /^Posts/ }).click();
await press(page, 'Make one');
await page.getByRole('combobox', { name: 'Add a part or a text' }).fill('from the bench');
await page.keyboard.press('Enter');
await page.locator('h1').click();
await picture(page, 'words-patterns');
await view('Phrases');
await page.getByLabel('What you offer').fill('book repair\nbox making\ngold tooling\nfamily Bible repair');
await page.getByLabel('Where').fill('Saltmere');
await page.getByLabel('For whom').fill('for libraries');
await page.waitForTimeout(600);
await page.locator('h1').click();
await picture(page, 'words-phrases');
await choose(page, 'Box making');
await go(page, 'Doors');
await choose(page, 'Family Bibles');
await picture(page, 'doors');
const way = async (stop, name) => {
  await page.locator(`nav[aria-label="Ways to work on ${stop}"] a`, { hasText: name }).click();
  await page.waitForTimeout(600);
};
await way('doors', 'All pages');
await picture(page, 'doors-pages');
await way('doors', 'robots.txt');
await page.getByLabel('Line 6: take it out').click();
await page.waitForTimeout(600);
await picture(page, 'doors-robots');
await page.getByRole('button', { name: 'Discard', exact: true }).click();
await go(page, 'Doors');
await choose(page, 'Family Bibles');
await press(page, 'Open both');
await go(page, 'Meaning');
await way('structured data', 'Who is behind');
await page.getByRole('button', { name: 'Take all 5' }).click();
await page.getByLabel('Name', { exact: true }).fill('Quillfeather Bindery');
await way('structured data', 'Kinds');
await press(page, 'Write it into all pages');
await page.getByRole('button', { name: /^Events/ }).click();
await page.waitForTimeout(4200);
await picture(page, 'meaning-kinds');
await way('structured data', 'One page');
await choose(page, 'Leather basics');
await page.waitForTimeout(900);
await page.locator('h1').click();
await picture(page, 'meaning');
await choose(page, 'Family Bibles');
await go(page, 'Map');
await press(page, 'Write this sitemap');
await picture(page, 'map');
await way('maps', 'Read a sitemap');
await page.getByRole('button', { name: '/sitemap.xml, as it came' }).click();
await page.waitForTimeout(600);
await picture(page, 'map-read');
await go(page, 'Weight');
await picture(page, 'weight');
await go(page, 'Proof');
await press(page, 'Paste it for me');
await page.locator('h1').click();
await picture(page, 'proof');
await press(page, 'Place it');
await page.waitForTimeout(4200);
await go(page, 'Release');
await page.locator('[data-waiting="services/family-bibles/index.html"]').getByRole('button').first().click();
await page.locator('h1').click();
await picture(page, 'release');
await press(page, 'Publish as release 5');
await page.getByTestId('released').waitFor();
await go(page, 'Proof');
await press(page, 'Let Skerry look');
await page.getByTestId('proof-outcome').waitFor();
await go(page, 'Watch');
await press(page, 'Play the launch');
await page.getByText('First click', { exact: true }).first().waitFor({ timeout: 60_000 });
await page.getByRole('button', { name: 'A week on' }).and(page.locator(':enabled')).click({ timeout: 60_000 });
await page.getByRole('heading', { name: '8 days, rehearsed' }).waitFor({ timeout: 60_000 });
await page.waitForTimeout(4200);
await page.locator('h1').click();
await picture(page, 'watch');
await page.goto('http://127.0.0.1:4660/sites');
await picture(page, 'sites');

await browser.close();
server.kill('SIGTERM');
rmSync(folder, { recursive: true, force: true });
