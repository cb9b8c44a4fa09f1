import { expect, goTo, goToRelease, goToWatch, openDemo, test } from './fixtures/app.ts';

test('a site moves to a domain of its own: records, release, the old address leads on, proof and map anew', async ({ page, app }) => {
  await openDemo(page, app);
  await goToRelease(page, 'Address');
  await expect(page.getByText('All variants lead to the one address.')).toBeVisible();
  const name = page.getByRole('textbox', { name: 'The name' });
  await name.fill('quill bindery.example');
  await expect(page.getByText('Letters of any script, digits and hyphens, with single dots between.')).toBeVisible();
  await page.getByRole('radio', { name: 'A free name at the host' }).click();
  await name.fill('www');
  await expect(page.getByText('The host keeps this name for itself.')).toBeVisible();
  await name.fill('quill');
  await expect(page.getByText('Skerry takes only sites at a domain of their own')).toBeVisible();
  await page.getByRole('radio', { name: 'A domain of my own' }).click();
  await page.getByRole('radio', { name: 'with www', exact: true }).click();
  await name.fill('bücher.example');
  await expect(page.getByText('Only your registrar can say whether bücher.example is yours. Machines ask for it as www.xn--bcher-kva.example.')).toBeVisible();
  await expect(page.getByTestId('address-effect')).toContainText('name the old address');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('https://www.bücher.example')).toBeVisible();

  // The records: asked for, set, found.
  await expect(page.locator('[data-record="@ A"]')).toContainText('no such name');
  await page.getByRole('button', { name: 'Set them in the stand-in zone' }).click();
  await expect(page.locator('[data-record="@ A"]')).toHaveAttribute('data-standing', 'right');
  await expect(page.locator('[data-record="www CNAME"]')).toHaveAttribute('data-standing', 'right');

  // Out, and the old address leads on, page by page.
  await page.getByRole('button', { name: 'Write it here' }).click();
  await page.getByRole('link', { name: 'To the release' }).click();
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toContainText('www.xn--bcher-kva.example');
  await goToRelease(page, 'Address');
  await page.getByRole('button', { name: 'Lead it here' }).click();
  await expect(page.getByText('quillfeather.example leads here, page by page.')).toBeVisible();
  const old = await page.request.get(`http://127.0.0.1:${app.hostPort}/prices/`, { headers: { host: 'quillfeather.example' }, maxRedirects: 0 });
  expect([old.status(), old.headers()['location']]).toEqual([301, 'https://www.xn--bcher-kva.example/prices/']);
  const now = await page.request.get(`http://127.0.0.1:${app.hostPort}/sitemap-pages.xml`, { headers: { host: 'www.xn--bcher-kva.example' } });
  expect(await now.text()).toContain('https://www.xn--bcher-kva.example/prices/');

  // The engines find it there, and the map and the proof are shown to Skerry anew.
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Play the launch' }).click();
  await expect(page.getByText('First click', { exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/prices/"]')).toHaveAttribute('data-outcome', 'listed');
  await goToRelease(page, 'Address');
  await expect(page.getByText('Proved to Skerry anew').locator('..').locator('..')).toHaveAttribute('data-done', 'true');
});
