import type { Page } from '@playwright/test';
import { zipOf } from './fixtures/site.ts';
import { importSite, choosePage, expect, goTo, openDemo, settled, test } from './fixtures/app.ts';

const numberIn = (text: string, pattern: RegExp): number => Number(pattern.exec(text)?.[1] ?? 0);
const siteOf = (page: Page): string => /^.*\/s\/[^/?]+/.exec(page.url())?.[0] ?? '';

/** The numbers that stand on Start, in the foot, in the tree, at the path, in All pages and at Release. */
async function numbers(page: Page) {
  await page.goto(siteOf(page));
  await expect(page.locator('.shell main h1')).toBeVisible();
  await settled(page);
  const sentence = await page.locator('main h1').innerText();
  const below = (await page.locator('main h1 + p').textContent()) ?? '';
  const foot = (await page.getByTestId('foot-numbers').textContent()) ?? '';
  const legend = Object.fromEntries(
    await page
      .locator('aside ul.panel li')
      .evaluateAll((lines) => lines.map((line) => [line.children[1]?.textContent ?? '', Number(line.lastElementChild?.textContent)] as const)),
  );
  const signs = await page.locator('[data-sign]').count();
  const path = Object.fromEntries(
    await page
      .locator('.path-stops a')
      .evaluateAll((links) =>
        links.map((link) => [link.querySelector('.stop-name')?.firstChild?.textContent ?? '', Number(link.querySelector('.count')?.textContent ?? 0)] as const),
      ),
  );
  const textOf = async (selector: string): Promise<string> => (await page.locator(selector).allTextContents())[0] ?? '';
  const waits = numberIn(await textOf('.foot-release'), /(\d+)/);
  await goTo(page, 'Words');
  await expect(page.getByLabel('Title', { exact: true })).toBeVisible();
  await settled(page);
  const tree = Object.fromEntries(
    await page
      .locator('.tree .chip')
      .evaluateAll((chips) => chips.map((chip) => [chip.firstChild?.textContent?.trim() ?? '', Number(chip.lastElementChild?.textContent)] as const)),
  );
  const walk = numberIn(await textOf('[data-testid="walk"]'), /(\d+) pages? to fix/);
  await goTo(page, 'Release');
  await expect(
    page
      .locator('[data-waiting]')
      .first()
      .or(page.getByText(/^(Everything is released|Nothing has changed yet)$/)),
  ).toBeVisible();
  const items = await page.locator('[data-waiting]').count();
  await page.goto(`${siteOf(page)}/doors/pages`);
  await expect(page.getByRole('table', { name: 'Pages' })).toBeVisible();
  const rows = Number(await page.getByRole('table', { name: 'Pages' }).getAttribute('aria-rowcount')) - 1;
  return { sentence, below, foot, legend, signs, path, waits, tree, walk, items, rows };
}

/** What must be the same wherever it is told. */
async function expectAgreement(page: Page): Promise<Awaited<ReturnType<typeof numbers>>> {
  const all = await numbers(page);
  const { sentence, foot, legend, signs, path, waits, tree, walk, items, rows } = all;
  const pages = numberIn(foot, /^([\d,]+) pages?/);
  const states = Object.values(legend).reduce((sum, count) => sum + count, 0);
  expect([signs, states, tree['All'], rows], JSON.stringify(all)).toEqual([pages, pages, pages, pages]);
  const wanted = numberIn(foot, /of (\d+) wanted/);
  const found = numberIn(foot, /(\d+) of \d+ wanted/);
  if (/of the \d+ pages/.test(sentence)) expect(sentence).toContain(`${found === 0 ? 'none' : found} of the ${wanted} pages`);
  expect(path['Release'] ?? 0).toBe(waits);
  expect(items).toBe(waits);
  expect(tree['To fix'] ?? 0).toBe(walk);
  expect(tree['Blocked'] ?? tree['Closed'] ?? 0).toBe((legend['Blocked'] ?? 0) + (legend['Closed with the site'] ?? 0));
  expect(tree['Leaking'] ?? 0).toBe((legend['Leaking'] ?? 0) + (legend['Half hidden'] ?? 0));
  for (const [name, word] of [
    ['Leaking', 'leaking'],
    ['Half hidden', 'half hidden'],
    ['Not live', 'not live'],
    ['Kept out on purpose', 'kept out'],
  ] as const)
    expect(numberIn(foot, new RegExp(`(\\d+) ${word}`)), word).toBe(legend[name] ?? 0);
  return all;
}

async function close(page: Page): Promise<void> {
  await page.goto(`${siteOf(page)}/doors/site`);
  await page.getByRole('switch').first().click();
  await expect(page.getByTestId('shut-strip')).toBeVisible();
}

test('numbers agree everywhere: the demo, closed, half released, released', async ({ page, app }) => {
  await openDemo(page, app);
  const open = await expectAgreement(page);
  expect(open.below).toContain('blocked by accident');
  await close(page);
  const closed = await expectAgreement(page);
  // Closed on purpose is no accident, and its pages are not more to fix than before.
  expect(closed.below).not.toContain('accident');
  expect(closed.below).toContain('wait for it to open');
  expect(closed.walk).toBeLessThanOrEqual(open.walk);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('shut-strip')).toHaveCount(0);
  await goTo(page, 'Doors');
  await choosePage(page, 'Family Bibles');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Family Bibles');
  await page.getByRole('button', { name: 'Open both' }).click();
  // How it is opened is asked of the worker first.
  await expect(page.getByRole('button', { name: 'Open both' })).toHaveCount(0);
  const half = await expectAgreement(page);
  expect(half.foot).toContain('once released');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const released = await expectAgreement(page);
  expect(released.waits).toBe(0);
});

test('numbers agree on a site without a home page, and on one that has no pages to find', async ({ page, app }) => {
  await importSite(
    page,
    app,
    'nohome.zip',
    zipOf({ 'a.html': Buffer.from('<title>A</title><h1>A</h1>'), 'b.html': Buffer.from('<title>A</title><h1>A</h1><a href="a.html">a</a>') }),
  );
  await expectAgreement(page);
  await importSite(page, app, 'hidden.zip', zipOf({ 'index.html': Buffer.from('<title>A</title><meta name=robots content=noindex><h1>A</h1>') }));
  await expectAgreement(page);
});
