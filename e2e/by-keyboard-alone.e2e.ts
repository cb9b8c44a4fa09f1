import type { Page } from '@playwright/test';
import { expect, openDemo, test } from './fixtures/app.ts';
import { leftToFix, walkIsOver } from './fixtures/walk.ts';

/**
 * Presses Tab until something with this name has the focus: what cannot be reached this way cannot be reached at all.
 * The screen is whole before the first Tab: on a busy machine many of them go by while a view still looks at the site.
 */
async function tabTo(page: Page, name: RegExp, most = 250): Promise<void> {
  await expect(
    page.getByRole('button', { name }).or(page.getByRole('link', { name })).or(page.getByRole('switch', { name })).or(page.getByLabel(name)).first(),
  ).toBeEnabled();
  const seen: string[] = [];
  for (let turn = 0; turn < most; turn++) {
    const label = await page.evaluate(() => {
      const element = document.activeElement;
      if (!element || element.matches('body, main, aside, .column')) return '';
      const label =
        element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement
          ? [...(element.labels ?? [])].map((one) => one.textContent).join(' ')
          : '';
      return `${element.getAttribute('aria-label') ?? ''} ${label} ${element.textContent ?? ''}`.trim();
    });
    if (name.test(label)) return;
    seen.push(label.slice(0, 14));
    await page.keyboard.press('Tab');
  }
  throw new Error(`no way by Tab to ${String(name)}: ${seen.join(' | ')}`);
}
async function palette(page: Page, words: string): Promise<void> {
  await page.keyboard.press('Control+k');
  await expect(page.locator('[cmdk-input]')).toBeFocused();
  await page.keyboard.type(words);
  await expect(page.locator('[cmdk-item][data-selected="true"]')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('[cmdk-input]')).toHaveCount(0);
}

test('the whole way with the keyboard alone', async ({ page, app }) => {
  await openDemo(page, app);
  await tabTo(page, /^Open both/);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step="open-page"]')).toHaveCount(0);

  // Alt ↓ leads to the next page that has something to mend.
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page).toHaveURL(/\/words\?page=/);
  const first = page.url();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page).not.toHaveURL(first);
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page).toHaveURL(first);

  // On the walk the cursor already stands where there is something to write.
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Contact');
  await expect(page.getByLabel('Description', { exact: true })).toBeFocused();
  await page.keyboard.type('Write, telephone or bring the book: how to reach the bindery.');
  await expect(page.locator('[data-finding="description-missing"]')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-finding="description-missing"]')).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('[data-finding="description-missing"]')).toHaveCount(0);

  await palette(page, 'proof');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Prove that the site is yours');
  await expect(page.locator('aside pre')).toBeVisible();
  const code = /content="([^"]+)"/.exec((await page.locator('aside pre').textContent()) ?? '')?.[1] ?? '';
  await tabTo(page, /^Paste what it/);
  await page.keyboard.type(code);
  await tabTo(page, /^Place it$/);
  await page.keyboard.press('Enter');

  await palette(page, 'map');
  await tabTo(page, /^Write this sitemap$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('named in robots.txt')).toBeVisible();

  await palette(page, 'release');
  await tabTo(page, /^Publish as release 5$/);
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('released')).toBeVisible();

  await palette(page, 'proof');
  await tabTo(page, /^Let Skerry look$/);
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');

  await palette(page, 'watch');
  await tabTo(page, /^Hand in the sitemap$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('A map was handed in')).toBeVisible();
  await tabTo(page, /^A day on$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('SkerryBot came for the first time')).toBeVisible();
  await tabTo(page, /^All pages$/);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-record="/contact/"]')).toHaveAttribute('data-outcome', 'listed');
});

test('a note that stands at the foot of the page does not hold whoever goes on by Tab', async ({ page, app }) => {
  await openDemo(page, app);
  await palette(page, 'release');
  await tabTo(page, /^Publish as release 5$/);
  await page.keyboard.press('Enter');
  const note = page.locator('[data-sonner-toast]').first();
  await expect(note).toBeVisible();
  await page.getByRole('button', { name: /^Switch between/ }).focus();
  const seen: string[] = [];
  for (let turn = 0; turn < 8; turn++) {
    await page.keyboard.press('Tab');
    seen.push(await page.evaluate(() => (document.activeElement?.closest('[data-sonner-toast]') ? 'the note' : (document.activeElement?.tagName ?? ''))));
  }
  // It is come by once, and what is behind it is reached.
  expect(seen.filter((one) => one === 'the note')).toHaveLength(1);
});

test('the switch closes and opens the whole site, and says since when', async ({ page, app }) => {
  await openDemo(page, app);
  await palette(page, 'doors');
  await tabTo(page, /The whole site is open/);
  await page.keyboard.press('Space');
  await expect(page.getByTestId('shut-strip')).toContainText('The site is closed to engines since');
  await expect(page.getByTestId('banner')).toContainText('the whole site is closed');
  await palette(page, 'start');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The site is closed to engines.');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
});

test('the demo to “good enough” by keyboard alone, in under sixty keys', async ({ page, app }) => {
  await openDemo(page, app);
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys++;
    await page.keyboard.press(key);
  };
  const walk = page.getByTestId('walk');
  const enough = walkIsOver(page);
  // On Start the key that fixes does the first thing there is to do: open what is shut, keep out what leaks, hide what is half hidden, begin the walk.
  for (const step of ['open-page', 'close-kind', 'half-hidden']) {
    await expect(page.locator('.step[data-step]').first()).toHaveAttribute('data-step', step);
    await press('Alt+Enter');
    await expect(page.locator(`[data-step="${step}"]`)).toHaveCount(0);
  }
  await press('Alt+Enter');
  await expect(walk).toBeVisible();
  for (let turn = 0; turn < 30 && (await leftToFix(page)) > 0; turn++) {
    const heading = await page.getByRole('heading', { level: 1 }).textContent();
    const open = page.locator('aside [data-finding]:is([data-cost="blocks"], [data-cost="weakens"])');
    // The walk leads only to pages that have something to fix.
    await expect(open.first()).toBeVisible();
    for (let fix = 0; fix < 3; fix++) {
      const before = await open.count();
      if (before === 0) break;
      // What one key cannot fix wants the page's own sentence, or a word of one's own.
      if ((await page.locator('aside [aria-keyshortcuts="Alt+Enter"]').count()) > 0) await press('Alt+Enter');
      else if ((await page.locator('main [aria-keyshortcuts="Alt+5"]').count()) > 0) await press('Alt+5');
      else {
        keys++;
        await page.keyboard.insertText(`What “${heading ?? ''}” is about, in a sentence of its own.`);
      }
      await expect.poll(() => open.count()).toBeLessThan(before);
    }
    if ((await leftToFix(page)) === 0) break;
    await press('Alt+ArrowDown');
    // After the last page there is no other to go to: the walk may say so a moment after the key.
    await expect.poll(async () => (await enough.isVisible()) || (await page.getByRole('heading', { level: 1 }).textContent()) !== heading).toBe(true);
  }
  await expect(enough).toBeVisible();
  expect(keys).toBeLessThan(60);
});
