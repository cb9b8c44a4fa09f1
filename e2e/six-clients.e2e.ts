import { zipOf } from './fixtures/site.ts';
import { importSite, expect, goTo, test } from './fixtures/app.ts';

const site = (name: string, host: string) =>
  zipOf({
    'index.html': Buffer.from(
      `<html lang=en><title>${name}</title><link rel=canonical href="https://${host}/"><h1>${name}</h1><p>Welcome to ${name}, in Saltmere.`,
    ),
  });

test('a site that is brought in is asked its name once; the ZIP’s name is never written into titles', async ({ page, app }) => {
  await importSite(
    page,
    app,
    'backup-2026 (3).zip',
    zipOf(
      Object.fromEntries(
        ['index', 'dates', 'join', 'songs'].map((name) => [
          `${name}.html`,
          Buffer.from(`<html lang=de><title>${name} | Harbour Choir</title><h1>${name}</h1>`),
        ]),
      ),
    ),
  );
  const asked = page.getByTestId('name-question');
  await expect(asked.getByRole('textbox')).toHaveValue('Harbour Choir');
  await asked.getByRole('textbox').fill('The Harbour Choir');
  await asked.getByRole('button', { name: 'That is its name' }).click();
  await expect(asked).toHaveCount(0);
  await expect(page.locator('.path-site')).toContainText('The Harbour Choir');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can');
  await expect(asked).toHaveCount(0);
  await goTo(page, 'Words');
  await page.getByRole('link', { name: 'Site', exact: true }).click();
  await expect(page.getByLabel(/Name of the site/)).toHaveValue('The Harbour Choir');
  await expect(page.getByRole('combobox', { name: 'Language' })).toHaveValue('German');
  // Renamed there, it has the new name in the list as well.
  await page.getByLabel(/Name of the site/).fill('Harbour Choir of Saltmere');
  await page.getByRole('link', { name: 'Your sites' }).click();
  await expect(page.locator('[data-site="Harbour Choir of Saltmere"]')).toContainText('4 pages');
});

test('clients are told apart; one address for two sites is told before one is released over the other; the bin keeps for a month', async ({ page, app }) => {
  await importSite(page, app, 'a.zip', site('Tide Table', 'tide.example'));
  await goTo(page, 'Release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await importSite(page, app, 'b.zip', site('Tide and Table', 'tide.example'));
  await goTo(page, 'Release');
  await expect(page.getByTestId('same-address')).toContainText('“Tide Table” has the same address');
  await importSite(page, app, 'c.zip', site('Rope Walk', 'rope.example'));
  await page.goto(`${app.address}/sites`);
  await expect(page.locator('[data-site="Rope Walk"]')).toContainText('rope.example · 1 page');
  await expect(page.locator('[data-site="Tide Table"]')).toContainText('release 1 of');
  await expect(page.locator('[data-site="Tide Table"]')).toContainText('It has the same address as “Tide and Table”');
  await expect(page.getByTestId('space')).toContainText('used in this browser');

  await page.getByRole('button', { name: 'Move Rope Walk to the bin' }).click();
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-site="Rope Walk"]')).toBeVisible();
  await page.getByRole('button', { name: 'Move Rope Walk to the bin' }).click();
  await expect(page.getByTestId('bin')).toContainText('Bin: 1 site');
  await page.reload();
  await expect(page.locator('[data-site="Rope Walk"]')).toHaveCount(0);
  await page.getByText(/^Bin: 1 site/).click();
  await expect(page.getByTestId('bin')).toContainText('kept for 30 more days');
  await page.getByRole('button', { name: 'Have Rope Walk back' }).click();
  await expect(page.locator('[data-site="Rope Walk"]')).toBeVisible();
  await page.getByRole('button', { name: 'Move Rope Walk to the bin' }).click();
  await page.getByText(/^Bin: 1 site/).click();
  await page.getByRole('button', { name: 'Clear Rope Walk for good' }).click();
  await expect(page.getByTestId('bin')).toHaveCount(0);
});
