import { choosePage, expect, expectAccessible, goTo, goToDoors, goToMaps, goToMeaning, goToView, openDemo, test } from './fixtures/app.ts';

const VIEWS = ['Ledger', 'Patterns', 'Kinds', 'Site', 'Alike', 'Pictures', 'Phrases', 'In & out', 'Checks'];
const DOORS = ['All pages', 'Kinds & rules', 'Other files', 'robots.txt', 'Any address', 'The whole site'];
const MAPS = ['What goes in', 'For people & feeds', 'Read a sitemap'];
const MEANINGS = ['Kinds', 'All markup', 'Who is behind', 'For experts'];
const STOPS = ['Words', 'Meaning', 'Doors', 'Map', 'Weight', 'Release', 'Proof', 'Watch'];

for (const scheme of ['light', 'dark'] as const) {
  test(`every screen passes the accessibility checks, ${scheme}`, async ({ page, app }) => {
    test.setTimeout(330_000);
    // What differs in the dark is the colours.
    const ask = scheme === 'dark' ? 'colours' : 'all';
    await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
    await openDemo(page, app);
    await expect(page.locator('html')).toHaveAttribute('data-theme', scheme === 'dark' ? 'dusk' : 'paper');
    await expectAccessible(page, ask);
    for (const stop of STOPS) {
      await goTo(page, stop);
      if (stop === 'Doors') await choosePage(page, 'Family Bibles');
      if (stop === 'Release') await page.locator('[data-waiting]').first().getByRole('button').first().click();
      await page.waitForTimeout(300);
      await expectAccessible(page, ask);
    }
    for (const view of DOORS) {
      await goToDoors(page, view);
      if (view === 'Kinds & rules') await page.getByRole('button', { name: 'What is shown' }).first().click();
      if (view === 'Other files') await page.getByRole('button', { name: 'all .pdf' }).click();
      if (view === 'robots.txt') await page.getByLabel('Line 2: which addresses').fill('/basket/old');
      await page.waitForTimeout(300);
      await expectAccessible(page, ask);
    }
    for (const view of MAPS) {
      await goToMaps(page, view);
      if (view === 'What goes in') await page.getByLabel('Priority and change frequency', { exact: true }).check();
      if (view === 'Read a sitemap') await page.getByRole('button', { name: '/sitemap.xml, as it came' }).click();
      await page.waitForTimeout(300);
      await expectAccessible(page, ask);
    }
    for (const view of VIEWS) {
      await goToView(page, view);
      if (view === 'Ledger') await page.getByRole('button', { name: 'Replace' }).click();
      if (view === 'Patterns') await page.getByRole('button', { name: 'Make one' }).click();
      if (view === 'Phrases') await page.getByLabel('What you offer').fill('book repair\nbox making');
      await page.waitForTimeout(400);
      await expectAccessible(page, ask);
    }
    for (const view of MEANINGS) {
      await goToMeaning(page, view);
      await page.waitForTimeout(400);
      await expectAccessible(page, ask);
    }
    await page.goto(page.url().replace(/\/meaning.*/, '/release/earlier'));
    await page
      .getByRole('button', { name: /^ZIP of release/ })
      .first()
      .waitFor();
    await expectAccessible(page, ask);
    await page.goto(page.url().replace(/\/release.*/, '/new-version'));
    await page.getByRole('button', { name: 'Open a ZIP of it' }).waitFor();
    await expectAccessible(page, ask);
    await page.keyboard.press('Control+k');
    await expectAccessible(page, ask);
    await page.keyboard.press('Escape');
    await page.goto(`${app.address}/sites`);
    await expect(page.locator('[data-site]')).toBeVisible();
    await expectAccessible(page, ask);
  });
}

test('on a phone nothing is cut, and the drawers open and close', async ({ page, app }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 390, height: 780 });
  await openDemo(page, app);
  for (const stop of ['', ...STOPS]) {
    if (stop !== '') await goTo(page, stop);
    await page.waitForTimeout(150);
    const wider = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wider, stop).toBeLessThanOrEqual(0);
    const sheet = await page.locator('main').evaluate((main) => main.scrollWidth - main.clientWidth);
    expect(sheet, `${stop} sheet`).toBeLessThanOrEqual(0);
  }
  const ways = [
    ...VIEWS.map((view) => [goToView, view] as const),
    ...DOORS.map((view) => [goToDoors, view] as const),
    ...MAPS.map((view) => [goToMaps, view] as const),
  ];
  for (const [goThere, view] of ways) {
    await goThere(page, view);
    await page.waitForTimeout(150);
    const sheet = await page.locator('main').evaluate((main) => main.scrollWidth - main.clientWidth);
    expect(sheet, `${view} sheet`).toBeLessThanOrEqual(0);
  }
  await goTo(page, 'Words');
  await page.getByRole('button', { name: 'Pages', exact: true }).click();
  await choosePage(page, 'Box making');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Box making');
  await page.getByRole('button', { name: 'Preview and fixes' }).click();
  await expect(page.getByTestId('look')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('look')).toBeHidden();
});
