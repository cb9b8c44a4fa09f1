import { choosePage, expect, goTo, goToView, test } from './fixtures/app.ts';

test('a site grows from nothing, page by page, to words that are pasted into a builder', async ({ page, app }) => {
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'New site' }).click();
  await expect(page).toHaveURL(/\/s\//);
  await goToView(page, 'Ledger');
  const form = page.getByRole('form', { name: 'Add the page' });
  for (const [address, title] of [
    ['cups', 'Cups for every day'],
    ['/workshops/', 'Throw your first pot'],
    ['contact', ''],
  ] as const) {
    await form.getByLabel('Address, or its end').fill(address);
    await form.getByLabel('Title').fill(title);
    await form.getByLabel('Description').fill(title === '' ? '' : `${title}, in Saltmere.`);
    await page.keyboard.press('Enter');
    await expect(form.getByLabel('Address, or its end')).toHaveValue('');
    await expect(form.getByLabel('Address, or its end')).toBeFocused();
  }
  await form.getByLabel('Address, or its end').fill('cups');
  await expect(form.getByText('There is a page at this address already.')).toBeVisible();
  await form.getByLabel('Address, or its end').fill('');
  const tree = page.locator('.tree');
  await expect(tree.getByText('Throw your first pot')).toBeVisible();

  // What is written since stays when another page comes, and one step of undo takes a page back.
  await goTo(page, 'Words');
  await choosePage(page, 'Contact');
  await page.getByLabel('Title', { exact: true }).fill('Find the pottery');
  await goToView(page, 'Ledger');
  await form.getByLabel('Address, or its end').fill('prices');
  await page.keyboard.press('Enter');
  await expect(tree.getByText('Prices')).toBeVisible();
  await page.locator('.tree-row').first().focus();
  await page.keyboard.press('Control+z');
  await expect(tree.getByText('Prices')).toHaveCount(0);
  await page.reload();
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Paste sheet' }).click();
  const sheet = page.getByTestId('paste-sheet');
  await expect(sheet.getByRole('region', { name: 'Contact' })).toContainText('Find the pottery');
  await expect(sheet.getByRole('region', { name: 'Cups for every day' })).toContainText('Cups for every day, in Saltmere.');
});
