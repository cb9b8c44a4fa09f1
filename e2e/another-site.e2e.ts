import { importSite, choosePage, expect, goTo, goToMeaning, test, goToWatch } from './fixtures/app.ts';
import { OLD_SITE, unzip, zipOf } from './fixtures/site.ts';

test('an old site in Latin-1 goes the whole way, and nothing but what was meant changes', async ({ page, app }) => {
  await importSite(page, app, 'gasthof.zip', zipOf(OLD_SITE, 'gasthof/'));
  await goTo(page, 'Words');
  await choosePage(page, 'Zimmer');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Zimmer');
  await expect(page.getByLabel('Description', { exact: true })).toHaveValue('Vier Zimmer – alle mit Blick');
  await expect(page.locator('[data-finding="title-leftover"]')).toBeVisible();
  await expect(page.locator('[data-finding="lang-missing"]')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('Zimmer mit Blick · Gasthof zur Brücke – 日');
  await expect(page.locator('[data-finding="title-leftover"]')).toHaveCount(0);

  await choosePage(page, 'Gasthof zur');
  // Else the words would go into the page that is still there.
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(/^Gasthof/);
  await page.getByLabel('Description', { exact: true }).fill('Vier Zimmer & eine Küche.');
  await goToMeaning(page, 'Who is behind');
  await page.getByLabel('Main address', { exact: true }).fill('www.gasthof-bruecke.example');
  await page.getByLabel('Main address', { exact: true }).press('Enter');
  await expect(page.locator('header')).toContainText('www.gasthof-bruecke.example');

  await goTo(page, 'Release');
  await expect(page.locator('[data-waiting]')).toHaveCount(2);
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'ZIP of the whole site' }).click()]);
  const out = await unzip(await download.path());
  const before = Object.fromEntries(Object.entries(OLD_SITE).map(([path, bytes]) => [path, Buffer.from(bytes).toString('latin1')]));
  expect(Object.keys(out).sort()).toEqual(Object.keys(before).sort());
  expect(out['impressum.html']).toBe(before['impressum.html']);
  expect(out['zimmer.gif']).toBe(before['zimmer.gif']);
  expect(out['zimmer.html']).toBe(before['zimmer.html']?.replace('Untitled', 'Zimmer mit Blick &#xB7; Gasthof zur Br&#xFC;cke &#x2013; &#x65E5;'));
  expect(out['index.html']).toBe(
    before['index.html']?.replace('</TITLE>\r\n', '</TITLE>\r\n<meta name="description" content="Vier Zimmer &amp; eine K&#xFC;che.">\r\n'),
  );

  // On to the engine: proof, release, a day.
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await page.getByRole('button', { name: 'Place it' }).click();
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 1', exact: true }).click();
  await expect(page.getByTestId('released')).toContainText('www.gasthof-bruecke.example');
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Hand in the sitemap' }).click();
  await expect(page.getByRole('button', { name: 'Hand in the sitemap' })).toHaveCount(0);
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/zimmer.html"]')).toHaveAttribute('data-outcome', 'listed');
  await expect(page.locator('[data-record="/impressum.html"]')).toHaveAttribute('data-outcome', 'not-listed');
  await goToWatch(page, 'Search');
  await page.getByRole('searchbox', { name: 'Search with Skerry' }).fill('Blick Brücke');
  await page.getByRole('button', { name: 'Search' }).click();
  await expect(page.locator('[data-result]').first()).toContainText('Zimmer mit Blick · Gasthof zur Brücke – 日');
});

test('sites are kept side by side: renamed, exported, brought in again, deleted and had back', async ({ page, app }) => {
  await importSite(page, app, 'gasthof.zip', zipOf(OLD_SITE));
  await goTo(page, 'Words');
  await choosePage(page, 'Zimmer');
  await page.getByLabel('Title', { exact: true }).fill('Vier Zimmer');
  await expect(page.getByText('Saved')).toBeVisible();
  await page.getByRole('link', { name: 'Your sites' }).click();
  await page.getByRole('button', { name: 'New site' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('People cannot find the one page you want found.');
  await page.getByRole('link', { name: 'Your sites' }).click();
  await expect(page.locator('[data-site]')).toHaveCount(2);

  const line = page.locator('[data-site="Gasthof zur Brücke"]');
  await line.getByRole('button', { name: 'Rename' }).click();
  await page.getByLabel('Name of the site').fill('Obermaier');
  await page.keyboard.press('Enter');
  const renamed = page.locator('[data-site="Obermaier"]');
  const [download] = await Promise.all([page.waitForEvent('download'), renamed.getByRole('button', { name: 'Export' }).click()]);
  expect(download.suggestedFilename()).toBe('Obermaier.beacon');
  await renamed.getByRole('button', { name: 'Move Obermaier to the bin' }).click();
  await expect(renamed).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(renamed).toBeVisible();
  await renamed.getByRole('button', { name: 'Move Obermaier to the bin' }).click();

  await page.getByLabel('Open a ZIP or a project file').setInputFiles(await download.path());
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
  await expect(page.locator('header')).toContainText('Obermaier');
  await goTo(page, 'Words');
  await choosePage(page, 'Zimmer');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Vier Zimmer');
  await goTo(page, 'Release');
  await expect(page.locator('[data-waiting]')).toHaveCount(1);
});

test('what cannot be read is refused cleanly, with the reason', async ({ page, app }) => {
  await page.goto(`${app.address}/sites`);
  const input = page.getByLabel('Open a ZIP or a project file');
  await input.setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('this is no zip') });
  await expect(page.getByRole('alert')).toHaveText('This is not a ZIP file.');
  await input.setInputFiles({
    name: 'evil.zip',
    mimeType: 'application/zip',
    buffer: zipOf({
      'index.html': Buffer.from('<h1>ok</h1><script>document.title="run"</script>'),
      '../../climb.html': Buffer.from('x'),
      'deep.html': Buffer.from('<div>'.repeat(2000)),
    }),
  });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
  expect(await page.title()).toBe('Start · evil');
  await page.getByRole('link', { name: 'Your sites' }).click();
  await page.getByText('1 file could not be read').click();
  await expect(page.getByText('../../climb.html')).toBeVisible();
});
