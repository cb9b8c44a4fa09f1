import { gunzipSync } from 'fflate';
import { expect, goTo, goToMaps, openDemo, test } from './fixtures/app.ts';

test('the map that the site came with is compared, and mended', async ({ page, app }) => {
  await openDemo(page, app);
  await goToMaps(page, 'Read a sitemap');
  await expect(page.getByRole('button', { name: '/sitemap.xml, as it came' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByTestId('comparison')).toContainText('in it are wrong');
  await expect(page.locator('[data-issue="dates-same"]')).toContainText('every address has the same date');
  const entry = (path: string) => page.locator(`[data-entry="https://quillfeather.example${path}"]`);
  await expect(entry('/old-shop/')).toHaveAttribute('data-fault', 'not-there');
  await expect(entry('/services/family-bibles/')).toHaveAttribute('data-fault', 'shut');
  await expect(entry('/journal/tag/leather/')).toHaveAttribute('data-fault', 'kept-out');
  await expect(entry('/about/')).toHaveAttribute('data-fault', 'stale');
  await expect(page.locator('[data-missing="materials/index.html"]')).toBeVisible();
  await page.getByRole('button', { name: 'Write it anew' }).click();
  await page.getByRole('button', { name: '/sitemap-pages.xml, as it will be' }).click();
  await expect(page.locator('[data-entry="https://quillfeather.example/materials/"]')).not.toHaveAttribute('data-fault', /./);
  // Everything that goes with it.
  await goToMaps(page, 'What goes in');
  await page.getByLabel('Packed copies').check();
  await page.getByLabel('Addresses in one sitemap, at most').fill('10');
  await page.getByLabel('Addresses in one sitemap, at most').press('Enter');
  await page.getByLabel('Addresses to add, one a line').fill('/booking/\nhttps://elsewhere.example/\n/basket/');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.locator('[data-extra="https://elsewhere.example/"]')).toContainText('another host');
  await expect(page.locator('[data-extra="https://quillfeather.example/basket/"]')).toContainText('not in the sitemap');
  await expect(page.locator('[data-extra="https://quillfeather.example/booking/"]')).toContainText('in the sitemap');
  await goToMaps(page, 'For people & feeds');
  await page.getByLabel('A page that lists all pages').check();
  await page.getByLabel('A feed of the posts, RSS 2.0').check();
  await page.getByLabel('The same as Atom').check();
  await expect(page.getByTestId('feed')).toContainText('The latest 6 posts in it.');
  await goToMaps(page, 'The sitemap');
  await page.getByRole('button', { name: 'Does its address answer?' }).click();
  await expect(page.getByTestId('map-answer')).toContainText('answers 200');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();

  const get = async (path: string) => page.request.get(`http://127.0.0.1:${app.hostPort}${path}`, { headers: { host: 'quillfeather.example' } });
  const index = await (await get('/sitemap.xml')).text();
  expect(index).toContain('<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">');
  expect(index).toContain('<loc>https://quillfeather.example/sitemap-pages-2.xml</loc>');
  const pages = await (await get('/sitemap-pages.xml')).text();
  expect(pages).toContain('<image:image><image:loc>https://quillfeather.example/pictures/');
  expect(new TextDecoder().decode(gunzipSync(new Uint8Array(await (await get('/sitemap-pages.xml.gz')).body())))).toBe(pages);
  expect(await (await get('/sitemap-more.xml')).text()).toContain('<loc>https://quillfeather.example/booking/</loc>');
  expect(await (await get('/robots.txt')).text()).toContain('Sitemap: https://quillfeather.example/sitemap.xml');
  expect(await (await get('/rss.xml')).text()).toContain('<link>https://quillfeather.example/journal/wheat-paste/</link>');
  expect(await (await get('/atom.xml')).text()).toContain('<id>https://quillfeather.example/journal/wheat-paste/</id>');
  const people = await (await get('/sitemap.html')).text();
  expect(people).toContain('<a href="/services/box-making/">');
  expect(people).toContain('style.css');

  // Fetched by its address like anybody's, index and maps.
  await goToMaps(page, 'Read a sitemap');
  await page.getByLabel('By address').fill('https://quillfeather.example/sitemap.xml');
  await page.getByRole('button', { name: 'Fetch it' }).click();
  await expect(page.getByText('an index of')).toBeVisible();
  await page.getByRole('button', { name: 'https://quillfeather.example/sitemap-posts.xml' }).click();
  await expect(page.getByTestId('comparison')).toContainText('with the maps beside it none is missing');
  await page.getByLabel('By address').fill('https://quillfeather.example/none.xml');
  await page.getByRole('button', { name: 'Fetch it' }).click();
  await expect(page.getByText('https://quillfeather.example/none.xml answers 404.')).toBeVisible();
  // A file that is no map, one that claims entities, and one that is packed.
  const upload = (name: string, text: string) => page.getByLabel('A map as a file').setInputFiles({ name, mimeType: 'text/xml', buffer: Buffer.from(text) });
  await upload('page.html', '<html><body>Not a map</body></html>');
  await expect(page.getByTestId('refused')).toContainText('it is no map');
  await upload('bomb.xml', '<!DOCTYPE x [<!ENTITY a "b">]><urlset></urlset>');
  await expect(page.getByTestId('refused')).toContainText('declares entities of its own');
  await upload(
    'bad.xml',
    '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n  <url><loc>https://quillfeather.example/?a=1&b=2</loc></url>\n</urlset>',
  );
  await expect(page.locator('[data-issue="malformed"]')).toContainText('line 2, column');
});

test('a map opened in a browser reads well', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await page.goto(`http://quillfeather.example.localhost:${app.hostPort}/sitemap.xml`);
  await expect(page.getByRole('heading', { name: 'Quillfeather Bindery' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'https://quillfeather.example/sitemap-posts.xml' })).toBeVisible();
});
