import { choosePage, expect, goTo, openDemo, test } from './fixtures/app.ts';

test('a reload loses nothing, and undo goes back beyond it', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  const field = page.getByLabel('Description', { exact: true });
  await field.pressSequentially('What things cost.');
  // No waiting for "saved": the tab is torn down right after the last key.
  await page.reload();
  await expect(field).toHaveValue(/^What things cost\.?$/);
  await field.press('Control+z');
  await expect(field).toHaveValue('');
});

test('a second tab on the same site stays in step', async ({ page, app, context }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  const other = await context.newPage();
  await other.goto(page.url());
  const [mine, theirs] = [page.getByLabel('Title', { exact: true }), other.getByLabel('Title', { exact: true })];
  await expect(theirs).toHaveValue('Prices | Quillfeather Bindery');
  await mine.fill('What binding costs');
  await expect(theirs).toHaveValue('What binding costs');
  await theirs.fill('What it costs');
  await expect(mine).toHaveValue('What it costs');
  await expect(other.getByText('4 changes wait for release')).toBeVisible();
  await other.keyboard.press('Control+z');
  await expect(mine).toHaveValue('What binding costs');
});

test('without a server the work goes on, and the screens say what is missing', async ({ page, app }) => {
  await openDemo(page, app);
  await page.route('**/api/**', (route) => route.abort());
  await goTo(page, 'Watch');
  await expect(page.getByText('The program’s server does not answer.')).toBeVisible();
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  await page.getByLabel('Title', { exact: true }).fill('Still here');
  await expect(page.getByText('Saved')).toBeVisible();
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByText('Not released: The program’s server does not answer.')).toBeVisible();
  await expect(page.locator('[data-waiting]')).toHaveCount(4);
});
