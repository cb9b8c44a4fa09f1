import { choosePage, expect, goTo, goToRelease, goToView, openDemo, test } from './fixtures/app.ts';

test('an owner who pastes by hand sees what is not in yet, and the ticks follow what is truly out there', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  await page.getByLabel('Title', { exact: true }).fill('What book repair costs');
  await goToRelease(page, 'What is out there');
  await page.getByRole('button', { name: 'Look at the live site' }).click();
  await expect(page.getByTestId('drift-told')).toContainText('29 of 34 pages are as you mean them.');
  const prices = page.locator('[data-drift="/prices/"]');
  await expect(prices.locator('[data-field]')).toHaveCount(1);
  await expect(prices.locator('[data-field="title"]')).toContainText('meant: What book repair costs');
  await expect(prices.locator('[data-field="title"]')).toContainText('out there: Prices | Quillfeather Bindery');
  await expect(page.locator('[data-drift="/gift-vouchers/"]')).toContainText('answers 404');
  await expect(page.locator('[data-drift="/basket/"]')).toContainText('robots.txt keeps this program out');

  await page.getByRole('button', { name: 'Tick the paste sheet by it' }).click();
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Paste sheet' }).click();
  const sheet = page.getByTestId('paste-sheet');
  await expect(sheet.getByRole('region', { name: 'Prices' }).getByRole('checkbox', { name: /Title/ })).not.toBeChecked();
  await expect(sheet.getByRole('region', { name: 'Contact' }).getByRole('checkbox', { name: /Title/ })).toBeChecked();

  // It goes in, here by a release; the next look finds it, and what was looked at is remembered.
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await goToRelease(page, 'What is out there');
  await page.getByRole('button', { name: 'Look again' }).click();
  await expect(page.getByTestId('drift-told')).toContainText('32 of 34');
  await expect(page.locator('[data-drift="/prices/"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Tick the paste sheet by it' }).click();
  await expect(page.getByText('7 fields ticked, 0 unticked.', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Last looked at .*: 2 pages of 34 were otherwise than meant/)).toBeVisible();
});
