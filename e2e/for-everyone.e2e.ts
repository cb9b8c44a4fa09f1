import type { Page } from '@playwright/test';
import { choosePage, expect, expectAccessible, goTo, goToDoors, goToMaps, goToMeaning, goToView, openDemo, settled, test, type App } from './fixtures/app.ts';

const VIEWS = ['Ledger', 'Patterns', 'Kinds', 'Site', 'Alike', 'Pictures', 'Phrases', 'In & out', 'Checks'];
const DOORS = ['All pages', 'Kinds & rules', 'Other files', 'robots.txt', 'Any address', 'The whole site'];
const MAPS = ['What goes in', 'For people & feeds', 'Read a sitemap'];
const MEANINGS = ['Kinds', 'All markup', 'Who is behind', 'For experts'];
const STOPS = ['Words', 'Meaning', 'Doors', 'Map', 'Weight', 'Release', 'Proof', 'Watch'];

/** Something that is looked at: how one comes there, and what is opened first. */
type Look = (page: Page, app: App) => Promise<void>;
const then =
  (goThere: (page: Page, view: string) => Promise<void>, view: string, open: (page: Page) => Promise<void> = async () => undefined): Look =>
  async (page) => {
    await goThere(page, view);
    await open(page);
  };
const press = (name: string) => (page: Page) => page.getByRole('button', { name }).first().click();
const siteOf = (page: Page): string => /^.*\/s\/[^/?]+/.exec(page.url())?.[0] ?? '';
const OPENED: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  'Kinds & rules': press('What is shown'),
  'Other files': press('all .pdf'),
  'robots.txt': (page) => page.getByLabel('Line 2: which addresses').fill('/basket/old'),
  'What goes in': (page) => page.getByLabel('Priority and change frequency', { exact: true }).check(),
  'Read a sitemap': press('/sitemap.xml, as it came'),
  Ledger: press('Replace'),
  Patterns: press('Make one'),
  Phrases: (page) => page.getByLabel('What you offer').fill('book repair\nbox making'),
};
/** All screens, in parts that two workers share. */
const PARTS: Readonly<Record<string, readonly Look[]>> = {
  'the stops': [
    async (page) => settled(page),
    ...STOPS.map((stop) =>
      then(goTo, stop, async (page) => {
        if (stop === 'Doors') await choosePage(page, 'Family Bibles');
        if (stop === 'Release') await page.locator('[data-waiting]').first().getByRole('button').first().click();
      }),
    ),
    async (page) => {
      await page.goto(`${siteOf(page)}/release/earlier`);
      await page
        .getByRole('button', { name: /^ZIP of release/ })
        .first()
        .waitFor();
    },
    async (page) => {
      await page.goto(`${siteOf(page)}/new-version`);
      await page.getByRole('button', { name: 'Open a ZIP of it' }).waitFor();
    },
    async (page) => page.keyboard.press('Control+k'),
    async (page, app) => {
      await page.keyboard.press('Escape');
      await page.goto(`${app.address}/sites`);
      await expect(page.locator('[data-site]')).toBeVisible();
    },
  ],
  'Doors and Map': [...DOORS.map((view) => then(goToDoors, view, OPENED[view])), ...MAPS.map((view) => then(goToMaps, view, OPENED[view]))],
  'Words and Meaning': [...VIEWS.map((view) => then(goToView, view, OPENED[view])), ...MEANINGS.map((view) => then(goToMeaning, view))],
};

// Slow: the checks take seconds a screen.
for (const scheme of ['light', 'dark'] as const)
  for (const [part, looks] of Object.entries(PARTS))
    test(`every screen passes the accessibility checks, ${scheme}: ${part}`, async ({ page, app }) => {
      await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
      await openDemo(page, app);
      await expect(page.locator('html')).toHaveAttribute('data-theme', scheme === 'dark' ? 'dusk' : 'paper');
      for (const look of looks) {
        await look(page, app);
        await settled(page);
        // What differs in the dark is the colours.
        await expectAccessible(page, scheme === 'dark' ? 'colours' : 'all');
      }
    });

test('on a phone nothing is cut, and the drawers open and close', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await openDemo(page, app);
  for (const stop of ['', ...STOPS]) {
    if (stop !== '') await goTo(page, stop);
    await settled(page);
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
    await settled(page);
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
