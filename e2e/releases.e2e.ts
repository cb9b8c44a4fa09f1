import { choosePage, expect, goTo, openDemo, test, visit } from './fixtures/app.ts';
import { unzip } from './fixtures/site.ts';

test('a release is put together field by field, compared with others, and put out again', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Book repair');
  await page.getByLabel('Title', { exact: true }).fill('Book repair in Saltmere');
  await page.getByLabel('Description', { exact: true }).fill('Torn hinges, loose boards, missing leaves: each book is mended by hand.');
  await choosePage(page, 'Box making');
  await page.getByLabel('Title', { exact: true }).fill('Boxes for books');
  await goTo(page, 'Release');
  const item = page.locator('[data-waiting="services/book-repair/index.html"]');
  await item.getByRole('checkbox', { name: 'Description of Book repair goes with this release' }).uncheck();
  await expect(item).toHaveAttribute('data-goes', 'some');
  await page
    .locator('[data-waiting="services/box-making/index.html"]')
    .getByRole('checkbox', { name: 'Box making goes with this release', exact: true })
    .uncheck();
  await page.getByLabel('A note for this release').fill('Titles first');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const repair = await visit(page, app, '/services/book-repair/');
  expect(repair).toContain('<title>Book repair in Saltmere</title>');
  expect(repair).not.toContain('missing leaves');
  expect(await visit(page, app, '/services/box-making/')).not.toContain('Boxes for books');
  // What waited waits still, and only that.
  await expect(page.locator('[data-waiting^="services/"]')).toHaveCount(2);
  await expect(item.locator('[data-field]')).toHaveCount(1);
  await page.locator('[data-waiting="services/box-making/index.html"]').getByRole('button', { name: 'Take back: Title of Box making' }).click();
  await expect(page.locator('[data-waiting="services/box-making/index.html"]')).toHaveCount(0);
  // What was told to wait waits until it is told to go.
  await expect(page.getByRole('button', { name: 'Publish as release 6', exact: true })).toBeDisabled();
  await item.getByRole('checkbox', { name: 'Book repair goes with this release', exact: true }).check();
  await page.getByRole('button', { name: 'Publish as release 6', exact: true }).click();
  await expect(page.getByTestId('released')).toContainText('Release 6');
  expect(await visit(page, app, '/services/book-repair/')).toContain('missing leaves');
  // Two releases side by side, one as a ZIP, and one out again.
  await page.getByRole('link', { name: 'Earlier releases' }).first().click();
  await expect(page.locator('[data-release="5"]')).toContainText('Titles first');
  await page.getByRole('combobox', { name: 'From' }).selectOption('5');
  await page.getByRole('combobox', { name: 'to', exact: true }).selectOption('6');
  const compared = page.locator('[data-compared="services/book-repair/index.html"]');
  await expect(compared).toContainText('missing leaves');
  await compared.getByRole('button').click();
  await expect(compared.getByRole('region')).toContainText('+');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'ZIP of release 5' }).click()]);
  const files = await unzip(await download.path());
  expect(files['services/book-repair/index.html']).toContain('Book repair in Saltmere');
  expect(files['services/book-repair/index.html']).not.toContain('missing leaves');
  await page.getByRole('button', { name: 'Put release 5 out again' }).click();
  await page.locator('[data-release="5"]').getByRole('button', { name: 'Put it out again', exact: true }).click();
  await expect(page.locator('[data-release="7"]')).toContainText('release 5 once more');
  expect(await visit(page, app, '/services/book-repair/')).not.toContain('missing leaves');
  // What takes room can be dropped, after a question; what is live cannot.
  await page.getByRole('button', { name: 'Drop release 6' }).click();
  await page.locator('[data-release="6"]').getByRole('button', { name: 'Drop it' }).click();
  await expect(page.locator('[data-release="6"]')).toContainText('not kept');
  await expect(page.getByRole('button', { name: 'Drop release 7' })).toHaveCount(0);
  await goTo(page, 'Release');
  await expect(item).toContainText('missing leaves');
  // Offline, every address says so; back, the release is there as it was.
  await page.getByRole('button', { name: 'Take it offline' }).click();
  await page.getByLabel('Back on, if you know the day').fill('2027-01-04');
  await page.getByRole('button', { name: 'Take it offline' }).click();
  await expect(page.getByTestId('offline')).toContainText('every address answers 503');
  expect(await visit(page, app, '/services/book-repair/')).toContain('back on 2027-01-04');
  await page.getByRole('button', { name: 'Put it back online' }).click();
  await expect(page.getByTestId('offline')).toHaveCount(0);
  expect(await visit(page, app, '/services/book-repair/')).toContain('Book repair in Saltmere');
});
