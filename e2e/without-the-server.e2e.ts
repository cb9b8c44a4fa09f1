import { choosePage, expect, goTo, openDemo, test } from './fixtures/app.ts';

const STOPS = ['Words', 'Meaning', 'Doors', 'Map', 'Weight', 'Release', 'Proof', 'Watch'];

test('with the server gone at each stop the screens stay, say what waits for it, and go on when it is back', async ({ page, app }) => {
  await openDemo(page, app);
  // All parts are fetched ahead once there is nothing else to do.
  await page.waitForFunction(() => performance.getEntriesByName('all parts are here').length > 0);
  await app.stop();
  for (const stop of STOPS) {
    await goTo(page, stop);
    await expect(page.locator('main')).not.toBeEmpty();
    await expect(page.getByTestId('trouble')).toHaveCount(0);
  }
  await goTo(page, 'Words');
  for (const view of ['Ledger', 'Patterns', 'Kinds', 'Site', 'Alike', 'Pictures', 'Phrases', 'In & out', 'Checks', 'One page'])
    await page.getByRole('navigation', { name: 'Ways to work on words' }).getByRole('link', { name: view, exact: true }).click();
  await choosePage(page, 'Prices');
  await page.getByLabel('Title', { exact: true }).fill('Still here');
  await expect(page.getByTestId('saved')).toContainText('Saved');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByText('Not released: The program’s server does not answer.')).toBeVisible();
  await expect(page.getByTestId('server-away')).toBeVisible();
  await app.start();
  // Found out by itself, without a press.
  await expect(page.getByTestId('server-away')).toHaveCount(0);
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
});

test('a part that cannot be fetched says so in its place, and is fetched when asked again', async ({ page, app }) => {
  await page.addInitScript(() => {
    // Nothing is fetched ahead here: the program is opened and left.
    (window as { requestIdleCallback: unknown }).requestIdleCallback = () => 0;
  });
  await openDemo(page, app);
  // As after an update under the open tab: the parts of old are not there any more.
  await page.route('**/assets/*.js', (route) => route.fulfill({ status: 404, contentType: 'application/json', body: '{}' }));
  for (const stop of STOPS) {
    await page
      .getByRole('navigation', { name: 'The path' })
      .getByRole('link', { name: new RegExp(`^${stop}`) })
      .click();
    await expect(page.getByRole('heading', { name: 'This part could not be loaded' })).toBeVisible();
    await expect(page.locator('.foot')).toBeVisible();
  }
  await page.keyboard.press('Control+k');
  await expect(page.locator('.shell')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.unroute('**/assets/*.js');
  await page
    .getByRole('navigation', { name: 'The path' })
    .getByRole('link', { name: /^Weight/ })
    .click();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'What weighs most' })).toBeVisible();
  await page
    .getByRole('navigation', { name: 'The path' })
    .getByRole('link', { name: /^Words/ })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'Home' })).toBeVisible();
});

test('an address that leads nowhere says so, and keeps the way back', async ({ page, app }) => {
  await openDemo(page, app);
  const site = /\/s\/[^/?]+/.exec(page.url())?.[0] ?? '';
  await page.goto(`${app.address}${site}/nonsense`);
  await expect(page.getByText('There is no such place here')).toBeVisible();
  await page.goto(`${app.address}${site}/words/nonsense`);
  await expect(page.getByText('There is no such place here')).toBeVisible();
  await page.getByRole('link', { name: 'To the start' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
  await page.goto(`${app.address}/s/no-such-site`);
  await expect(page.getByText('There is no such site in this browser.')).toBeVisible();
});
