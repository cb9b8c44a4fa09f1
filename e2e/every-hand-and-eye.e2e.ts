import type { Page } from '@playwright/test';
import { zipOf } from './fixtures/site.ts';
import { importSite, choosePage, expect, goTo, goToDoors, goToView, openDemo, settled, test } from './fixtures/app.ts';

/** Longer than what waits for the hands to rest, in milliseconds of the page's clock, which a journey can move on. */
const QUIET = 2_500;

/** The style that is computed for the first thing that fits. */
const styleOf = (page: Page, selector: string, property: string): Promise<string> =>
  page
    .locator(selector)
    .first()
    .evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);

test('in the reader’s own colours everything that is chosen, focused or waiting is still to be told', async ({ page, app }) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await openDemo(page, app);
  await goTo(page, 'Words');
  const plain = await styleOf(page, '.tree .chip[aria-pressed="false"]', 'background-color');
  expect(await styleOf(page, '.tree .chip[aria-pressed="true"]', 'background-color')).not.toBe(plain);
  expect(await styleOf(page, '.waiting-dot', 'background-color')).not.toBe(await styleOf(page, '.tree', 'background-color'));
  expect(await styleOf(page, '.tree-row[aria-current="page"]', 'background-color')).not.toBe(
    await styleOf(page, '.tree-row:not([aria-current])', 'background-color'),
  );
  await page.getByLabel('Title', { exact: true }).focus();
  expect(await styleOf(page, '.field:focus-within', 'outline-style')).toBe('solid');
  expect(await styleOf(page, '.field:focus-within', 'outline-color')).not.toMatch(/rgba\(.*, 0\)|transparent/);
  expect(await styleOf(page, '.ruler-fill', 'background-color')).not.toMatch(/rgba\(0, 0, 0, 0\)/);
  expect(await styleOf(page, '.segments [aria-pressed="true"], .segments [aria-checked="true"]', 'background-color')).not.toBe(
    await styleOf(page, '.segments [aria-pressed="false"], .segments [aria-checked="false"]', 'background-color'),
  );
  await goToView(page, 'Ledger');
  await page.keyboard.press('Shift+ArrowDown');
  expect(await styleOf(page, '.ledger-cell.selected', 'background-color')).not.toBe(await styleOf(page, '.ledger-cell:not(.selected)', 'background-color'));
});

test('on paper it is ink on white in either theme, and no row is missing', async ({ page, app }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await importSite(
    page,
    app,
    'many.zip',
    zipOf(
      Object.fromEntries(
        Array.from(
          { length: 140 },
          (_, at) =>
            [at === 0 ? 'index.html' : `p${at}.html`, Buffer.from(`<title>Page ${at}</title><h1>Page ${at}</h1><a href="p${at + 1}.html">on</a>`)] as const,
        ),
      ),
    ),
  );
  const paper = async (): Promise<void> => {
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' });
    const [ink, ground] = await page.evaluate(() => [getComputedStyle(document.body).color, getComputedStyle(document.body).backgroundColor]);
    expect([ink, ground]).toEqual(['rgb(17, 17, 17)', 'rgb(255, 255, 255)']);
    for (const part of ['.bar-area', '.foot', '.tree', '.rail']) await expect(page.locator(part).first()).toBeHidden();
  };
  const screen = (): Promise<void> => page.emulateMedia({ colorScheme: 'dark', media: 'screen' });
  await goToDoors(page, 'All pages');
  await paper();
  await expect(page.getByRole('table', { name: 'Pages' }).locator('[data-row]')).toHaveCount(140);
  await screen();
  await goToView(page, 'Ledger');
  await paper();
  await expect(page.locator('.printed-ledger tbody tr')).toHaveCount(140);
  await screen();
  await goToView(page, 'Checks');
  await paper();
  await expect(page.locator('[data-check="description-missing"] li li, [data-check="description-missing"] ul li')).toHaveCount(140);
});

test('every place has a title of its own, and going there is told', async ({ page, app }) => {
  await page.clock.install();
  await openDemo(page, app);
  await expect(page).toHaveTitle('Start · Quillfeather Bindery');
  const said = page.getByTestId('announcer');
  const titles = new Set<string>();
  for (const stop of ['Words', 'Meaning', 'Doors', 'Map', 'Weight', 'Release', 'Proof', 'Watch']) {
    await goTo(page, stop);
    await expect(page).toHaveTitle(new RegExp(stop));
    titles.add(await page.title());
    await expect(said).toContainText(stop);
  }
  for (const view of ['Ledger', 'Patterns', 'Kinds', 'Site', 'Alike', 'Pictures', 'Phrases', 'In & out', 'Checks']) {
    await goToView(page, view);
    await expect(page).toHaveTitle(`${view} · Words · Quillfeather Bindery`);
    titles.add(await page.title());
  }
  expect(titles.size).toBe(17);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  await expect(page).toHaveTitle('Prices · Words · Quillfeather Bindery');
  await expect(said).toContainText('Prices: ');
  // What was there when one came is not told as found afterwards.
  await settled(page);
  await page.clock.fastForward(QUIET);
  await expect(said).toContainText('Prices: ');
});

test('typing is not told at each key; what it fixed is told once', async ({ page, app }) => {
  await page.clock.install();
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  await settled(page);
  await page.clock.fastForward(QUIET);
  await page.evaluate(() => {
    const heard: string[] = [];
    Object.assign(window, { heard });
    new MutationObserver((changes) => {
      for (const { target } of changes) {
        const region = (target instanceof Element ? target : target.parentElement)?.closest(
          '[role="status"], [role="alert"], [aria-live]:not([aria-live="off"])',
        );
        if (region && !region.closest('[inert]')) heard.push((region.textContent ?? '').slice(0, 60));
      }
    }).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  await page.getByLabel('Description', { exact: true }).pressSequentially('What binding and mending a book cost', { delay: 30 });
  await expect(page.locator('[data-finding="description-missing"]')).toHaveCount(0);
  await settled(page);
  await page.clock.fastForward(QUIET);
  await expect(page.getByTestId('announcer')).toContainText('Fixed: ');
  const heard = await page.evaluate(() => (window as unknown as { heard: string[] }).heard);
  expect(heard.length, heard.join('\n')).toBeLessThanOrEqual(4);
});

test('the focus is never lost: after the palette, a deletion, a fix, and at the beginning of a walk', async ({ page, app }) => {
  const focused = (): Promise<string> => page.evaluate(() => document.activeElement?.tagName ?? '');
  await openDemo(page, app);
  const first = page.getByRole('button', { name: /Open both/ });
  await first.focus();
  await page.keyboard.press('Control+k');
  await expect(page.locator('[cmdk-input]')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(first).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step="open-page"]')).toHaveCount(0);
  await expect.poll(focused).not.toBe('BODY');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('watch');
  await expect(page.locator('[cmdk-item][data-selected="true"]')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A launch, to be rehearsed');
  await expect.poll(focused).not.toBe('BODY');
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'Move Quillfeather Bindery to the bin' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('bin')).toBeVisible();
  await expect.poll(focused).not.toBe('BODY');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-site="Quillfeather Bindery"]')).toBeVisible();
});

test('the sky is one stop of the Tab key, with arrows inside; the tree makes no history; filters survive a reload', async ({ page, app }) => {
  await openDemo(page, app);
  await expect(page.locator('[data-sign][tabindex="0"]')).toHaveCount(1);
  await page.locator('[data-sign][tabindex="0"]').focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('End');
  await expect(page.locator('[data-sign]').last()).toBeFocused();
  await page.keyboard.press('Home');
  await expect(page.locator('[data-sign]').first()).toBeFocused();
  await goTo(page, 'Words');
  const length = (): Promise<number> => page.evaluate(() => history.length);
  await page.locator('.tree-row').first().focus();
  const before = await length();
  for (let turn = 0; turn < 6; turn++) await page.keyboard.press('ArrowDown');
  expect(await length()).toBe(before);
  await page.locator('.tree .chip', { hasText: 'Undescribed' }).click();
  await page.reload();
  await expect(page.locator('.tree .chip', { hasText: 'Undescribed' })).toHaveAttribute('aria-pressed', 'true');
  // A page in the tree is a link, which another tab can open.
  expect(await page.locator('.tree-row').first().getAttribute('href')).toMatch(/\/words\?page=/);
});

test('texts of the site carry their language and run their own way', async ({ page, app }) => {
  await importSite(
    page,
    app,
    'dar.zip',
    zipOf({
      'index.html': Buffer.from('<html lang="ar"><meta charset=utf-8><title>دار الورق</title><h1>دار الورق</h1><p>نجلّد الكتب القديمة.'),
      'de.html': Buffer.from('<html lang="de"><meta charset=utf-8><title>Über uns | دار الورق</title><h1>Über uns</h1>'),
    }),
  );
  await goTo(page, 'Words');
  const title = page.getByLabel('Title', { exact: true });
  await expect(title).toHaveAttribute('lang', 'ar');
  await expect(title).toHaveAttribute('dir', 'auto');
  expect(await styleOf(page, '.ruler', 'direction')).toBe('rtl');
  const [fill, ruler] = await Promise.all([page.locator('.ruler-fill').first().boundingBox(), page.locator('.ruler').first().boundingBox()]);
  expect(Math.round((fill?.x ?? 0) + (fill?.width ?? 0))).toBeCloseTo(Math.round((ruler?.x ?? 0) + (ruler?.width ?? 0)), -1);
  await expect(page.locator('main h1 bdi')).toHaveAttribute('lang', 'ar');
  await expect(page.locator('.tree-row [lang="de"]')).toHaveText('Über uns');
  await choosePage(page, 'Über uns');
  await expect(title).toHaveAttribute('lang', 'de');
  await expect(page.locator('.result-title')).toHaveAttribute('lang', 'de');
});

test('what has the focus is never behind a bar that stands over the work', async ({ page, app }) => {
  await openDemo(page, app);
  await goToDoors(page, 'robots.txt');
  await page.getByLabel('Line 2: which addresses').fill('/basket/old');
  await expect(page.getByTestId('draft')).toBeVisible();
  for (const [width, height] of [
    [1280, 800],
    [853, 533],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.locator('#sheet').focus();
    const hidden: string[] = [];
    for (let turn = 0; turn < 55; turn++) {
      await page.keyboard.press('Tab');
      const covered = await page.evaluate(() => {
        const element = document.activeElement as HTMLElement;
        if (!element.closest('#sheet') || element.id === 'sheet' || element.closest('.views, .robots-draft')) return undefined;
        const box = element.getBoundingClientRect();
        const top = document.elementFromPoint(box.left + Math.min(6, box.width / 2), box.top + Math.min(4, box.height / 2));
        return top?.closest('.views, .robots-draft') && !top.contains(element)
          ? `${element.tagName} ${element.getAttribute('aria-label') ?? element.textContent}`
          : undefined;
      });
      if (covered) hidden.push(covered);
    }
    expect(hidden, `${width}×${height}`).toEqual([]);
  }
});

test('on a phone the drawers hold the focus and give it back; undo and the theme are there', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await openDemo(page, app);
  await goTo(page, 'Words');
  for (const [name, drawer] of [
    ['Pages', '.tree'],
    ['Preview and fixes', '.rail'],
  ] as const) {
    const button = page.getByRole('button', { name, exact: true });
    await expect(button).toHaveAttribute('aria-expanded', 'false');
    await button.click();
    await expect(page.locator(`${drawer}.is-open`)).toBeVisible();
    for (let turn = 0; turn < 40; turn++) {
      await page.keyboard.press('Tab');
      // The browser's own bar comes between the last and the first; nothing of the page behind does.
      expect(
        await page.evaluate((inside) => document.activeElement === document.body || document.activeElement?.closest(inside) !== null, drawer),
        `${name} ${turn}`,
      ).toBe(true);
    }
    await page.keyboard.press('Escape');
    await expect(page.locator(`${drawer}.is-open`)).toHaveCount(0);
    await expect(button).toBeFocused();
  }
  await page.getByLabel('Title', { exact: true }).fill('A title to be undone');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByLabel('Title', { exact: true })).not.toHaveValue('A title to be undone');
  const theme = await page.locator('html').getAttribute('data-theme');
  await page.getByRole('button', { name: 'Switch between light and dark' }).click();
  await expect(page.locator('html')).not.toHaveAttribute('data-theme', theme ?? '');
});
