import { expect, goTo, goToView, importSite, test } from './fixtures/app.ts';
import { OLD_SITE, zipOf } from './fixtures/site.ts';

const at = (hostPort: number, path: string): string => `http://127.0.0.1:${hostPort}${path}`;

test('a change that a page cannot hold is named before the release, left out, and everything else goes', async ({ page, app }) => {
  await importSite(page, app, 'gasthof.zip', zipOf(OLD_SITE));
  await goTo(page, 'Words');
  await page.getByLabel('Title', { exact: true }).fill('Gasthof zur Brücke im Tal');
  await goTo(page, 'Proof');
  await page.getByRole('navigation', { name: 'What is placed for others' }).getByRole('link', { name: 'Snippets' }).click();
  await page.getByLabel('Paste what it gave you').fill('<script>greet("日本")</script>');
  await page.getByLabel('What it is, for yourself').fill('Greeting');
  await page.getByRole('button', { name: 'Place it' }).click();
  await goTo(page, 'Release');
  const left = page.getByTestId('cannot-go');
  await expect(left).toContainText('3 changes on 3 pages can’t be written.');
  await expect(left).toContainText('index.html');
  await expect(left).toContainText('the page’s encoding has no such character');
  await left.getByRole('button', { name: 'Leave these changes out' }).click();
  await expect(left).toContainText('They are left out of this release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await expect(page.getByTestId('not-written')).toHaveCount(0);
  const host = /under ([\w.-]+)\./.exec((await page.getByTestId('released').textContent()) ?? '')?.[1] ?? '';
  const home = await (await page.request.get(at(app.hostPort, '/'), { headers: { host } })).body();
  expect(home.toString('latin1')).toContain('<TITLE>Gasthof zur Br&#xFC;cke im Tal</TITLE>');
  expect(home.toString('latin1')).not.toContain('greet');
  // The code waits here still.
  await expect(left).toContainText('3 changes on 3 pages');
});

test('what the program wrote goes away again: the map is turned off, an old address no longer redirects, and the host answers 404', async ({ page, app }) => {
  await importSite(page, app, 'gasthof.zip', zipOf(OLD_SITE));
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goTo(page, 'Words');
  await page.getByRole('searchbox', { name: 'Find a page' }).fill('zimmer');
  await page.keyboard.press('Enter');
  await page.getByLabel('Address ending', { exact: true }).fill('kammern');
  await page.keyboard.press('Enter');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const host = /under ([\w.-]+)\./.exec((await page.getByTestId('released').textContent()) ?? '')?.[1] ?? '';
  const status = async (path: string): Promise<number> => (await page.request.get(at(app.hostPort, path), { headers: { host }, maxRedirects: 0 })).status();
  expect([await status('/sitemap.xml'), await status('/zimmer.html')]).toEqual([200, 200]);

  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Do not write it' }).click();
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: /^Redirects/ }).click();
  await page.getByRole('button', { name: 'Stop redirecting /zimmer.html' }).click();
  await goTo(page, 'Release');
  for (const gone of ['sitemap.xml', 'zimmer.html']) await expect(page.locator(`[data-waiting="${gone}"]`)).toContainText('removed');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  expect([await status('/sitemap.xml'), await status('/zimmer.html'), await status('/kammern.html')]).toEqual([404, 404, 200]);
  await expect(page.locator('[data-waiting]')).toHaveCount(0);
});
