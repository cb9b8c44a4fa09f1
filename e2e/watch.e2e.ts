import AxeBuilder from '@axe-core/playwright';
import { expect, goTo, goToMaps, goToWatch, openDemo, test, visit } from './fixtures/app.ts';

test('a launch is rehearsed from files to the first click, and told as a story', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Watch');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A launch, to be rehearsed');
  await page.getByRole('button', { name: 'Play the launch' }).click();
  await expect(page.getByText('First click', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled();
  const story = page.getByTestId('story').locator('> li');
  for (const told of ['Release 5 went out', 'Proved to Skerry', 'A map was handed in', 'SkerryBot came for the first time', 'Seen for the first time'])
    await expect(story.filter({ hasText: told })).toHaveCount(1);
  await expect(page.getByRole('img', { name: /What Skerry lists/ })).toBeVisible();

  // What is out is seen by others: a place among the town’s pages, with its reasons.
  await goToWatch(page, 'Search');
  await page.getByRole('searchbox', { name: 'Search with Skerry' }).fill('book repair');
  await page.keyboard.press('Enter');
  const own = page.locator('[data-result^="https://quillfeather.example/"]').first();
  await expect(own).toContainText('yours');
  await own.getByText('Why it stands here').click();
  await expect(own).toContainText('in its title');
  await expect(page.locator('[data-result^="https://county-conservators.example/"]').first()).toBeVisible();
  await page.getByRole('button', { name: /more from quillfeather.example/ }).click();
  await expect(page.getByRole('searchbox', { name: 'Search with Skerry' })).toHaveValue('site:quillfeather.example book repair');

  // Two days later what happened is told, by query and by page.
  await page.getByRole('button', { name: 'A week on' }).click();
  await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled();
  await goToWatch(page, 'Seen and clicked');
  await expect(page.getByRole('table', { name: 'Seen and clicked by query' }).locator('tbody tr').first()).toBeVisible();
  await page.getByRole('radio', { name: 'By page' }).click();
  await expect(page.getByRole('table', { name: 'Seen and clicked by page' }).getByText('/services/book-repair/')).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'As a table (CSV)' }).click()]);
  expect(file.suggestedFilename()).toMatch(/^skerry-page-2026-.*\.csv$/);

  for (const view of ['Rehearsal', 'All pages', 'One address', 'Search', 'Seen and clicked', 'Maps handed in', 'Telling', 'Visits']) {
    await goToWatch(page, view);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => [view, id, nodes[0]?.html])).toEqual([]);
  }
});

test('what changed is told by a key on the site, visited first, and shown as the crawler got it', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Play the launch' }).click();
  await expect(page.getByText('First click', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled();

  await goToWatch(page, 'Telling');
  await page.getByRole('button', { name: 'Make a key' }).click();
  await page.getByRole('button', { name: 'Tell', exact: true }).click();
  await expect(page.getByTestId('told')).toContainText('The key does not hold.');
  await page.getByRole('link', { name: 'To the release' }).click();
  await page.getByRole('button', { name: 'Publish as release 6' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await goToWatch(page, 'Telling');
  await page.getByRole('textbox', { name: /What release 6 changed/ }).fill('https://quillfeather.example/prices/\nhttps://quillfeather.example/contact/');
  await page.getByRole('button', { name: 'Tell', exact: true }).click();
  await expect(page.getByTestId('told')).toContainText('Taken.');

  // Wrong pages are narrowed down and put in line together.
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/prices/"]')).toContainText('in line');
  await page.getByRole('button', { name: /^Otherwise than you want/ }).click();
  await page.getByRole('button', { name: /^Look again at these/ }).click();
  await expect(page.getByText(/are in line\. Skerry takes 10 such a day/)).toBeVisible();

  await page.getByRole('button', { name: 'A day on' }).click();
  await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled();
  // What became of them is told, and the list can be narrowed to what a map names.
  await expect(page.getByTestId('asked-again')).toContainText('visited since');
  const everything = await page.locator('[data-record]').count();
  await page.getByLabel('In one map').selectOption({ label: '/sitemap.xml' });
  await expect.poll(() => page.locator('[data-record]').count()).not.toBe(everything);
  await expect(page.locator('[data-record="/basket/"]')).toHaveCount(0);
  await page.getByLabel('In one map').selectOption('');
  await page.getByRole('link', { name: 'Look closely at /basket/' }).click();
  await expect(page.getByTestId('closely')).toContainText('Bare address');
  await page.getByLabel('Address to look at').fill('/contact/');
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('closely')).toContainText('Listed');
  await expect(page.getByLabel('Status and headers')).toContainText('200 https://quillfeather.example/contact/');
  await expect(page.getByText(/^All \d+ that it asked for came/)).toBeVisible();
  await page.getByText('The source it got').click();
  await expect(page.getByLabel('Source', { exact: true })).toContainText('<!doctype html>', { ignoreCase: true });
});

test('a feed names a hub, which is told of a release and passes its posts on', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goToMaps(page, 'For people & feeds');
  await page.getByLabel('The same as Atom').check();
  const hub = page.getByLabel('Hub', { exact: true });
  await hub.fill('nonsense');
  await hub.press('Enter');
  await expect(page.getByText('A hub’s address begins with https://')).toBeVisible();
  await hub.fill('https://skerry.example/hub');
  await hub.press('Enter');
  await page.getByRole('link', { name: 'Tell it after a release' }).click();
  const tell = page.getByRole('button', { name: 'Tell this hub' });
  await expect(tell).toBeDisabled();
  await page.getByRole('region', { name: 'The hubs of your feeds' }).getByRole('link', { name: 'To the release' }).click();
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  expect(await visit(page, app, '/atom.xml')).toContain('<link rel="hub" href="https://skerry.example/hub"/>');
  await goToWatch(page, 'Telling');
  await tell.click();
  await expect(page.getByTestId('hub-told')).toContainText('Taken.');
});
