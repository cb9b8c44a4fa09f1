import { choosePage, expect, expectAccessible, goTo, goToMeaning, importSite, openDemo, test, goToWatch, visit } from './fixtures/app.ts';
import { unzip, zipOf } from './fixtures/site.ts';
import type { Page } from '@playwright/test';

/** Says who is behind the demo, takes what its pages show, and has markup written. */
async function turnOn(page: Page): Promise<void> {
  await goToMeaning(page, 'Who is behind');
  await page.getByRole('button', { name: 'Take all 5' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Quillfeather Bindery');
  await goToMeaning(page, 'Kinds');
  await page.getByRole('button', { name: 'Write it into all pages' }).click();
  await expect(page.getByRole('checkbox', { name: 'Written into pages' })).toBeChecked();
}
const readBack = (page: Page) => page.getByTestId('read-back').first();

test('from who is behind the site to a result that shows what its pages say', async ({ page, app }) => {
  await openDemo(page, app);
  await turnOn(page);
  await goToMeaning(page, 'One page');
  await choosePage(page, 'Why we sew');
  await expect(readBack(page)).toContainText(
    'A blog post, “Why we sew”, of 5 October 2025, by Maren Quill, part of Quillfeather Bindery’s web site, found under Quillfeather Bindery › Journal.',
  );
  await expect(page.getByTestId('engine-result')).toContainText('5 October 2025 · by Maren Quill');
  await page.getByRole('radio', { name: 'Plover' }).click();
  await expect(page.getByTestId('engine-result')).not.toContainText('Maren Quill');
  // Each value leads to its place in the page, and can be said otherwise, with the way back.
  await readBack(page).getByRole('button', { name: '5 October 2025' }).click();
  await page.getByRole('button', { name: 'See it in the page' }).click();
  await expect(page.locator('pre mark')).toHaveText('<time datetime="2025-10-05">5 October 2025</time>');
  await page.getByRole('button', { name: 'Say it yourself' }).click();
  const word = page.getByLabel('Your word for the date it was published');
  await word.fill('some day');
  await expect(page.getByText('This is kept, and not written')).toBeVisible();
  await word.fill('2025-10-06');
  await expect(readBack(page)).toContainText('of 6 October 2025');
  await page.getByRole('button', { name: 'Back to what the page says' }).click();
  await expect(readBack(page)).toContainText('of 5 October 2025');
  await expectAccessible(page);

  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await page.getByRole('button', { name: 'Place it' }).click();
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toContainText('Release 5 is live');
  const home = await visit(page, app, '/');
  expect(home).toContain('"@type": "LocalBusiness"');
  expect(home).toContain('"streetAddress": "4 Ropewalk Lane"');
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Hand in the sitemap' }).click();
  await expect(page.getByRole('button', { name: 'Hand in the sitemap' })).toHaveCount(0);
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/journal/why-we-sew/"]')).toHaveAttribute('data-outcome', 'listed');
  await goToWatch(page, 'Search');
  await page.getByRole('searchbox', { name: 'Search with Skerry' }).fill('why we sew structure');
  await page.getByRole('button', { name: 'Search' }).click();
  await expect(page.locator('[data-result$="/journal/why-we-sew/"]')).toContainText('5 October 2025 · by Maren Quill');
  await expect(page.locator('[data-result$="/journal/why-we-sew/"]')).toContainText('Quillfeather Bindery › Journal');
});

test('a price that contradicts the page is found, and the page’s own goes out', async ({ page, app }) => {
  await openDemo(page, app);
  await turnOn(page);
  await goToMeaning(page, 'All markup');
  await expect(page.getByText('Offer › price says “22.00”, which no visitor sees; the page shows “24.00”.')).toBeVisible();
  await goToMeaning(page, 'One page');
  await choosePage(page, 'Linen journal');
  const finding = page.locator('[data-finding="markup-contradicts"]');
  await expect(finding).toContainText('line 17');
  await finding.getByRole('button', { name: 'Take it over' }).click();
  await expect(finding).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(finding).toBeVisible();
  await page.keyboard.press('Control+y');
  await expect(finding).toHaveCount(0);
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const live = await visit(page, app, '/shop/linen-journal/');
  expect(live.match(/application\/ld\+json/g)).toHaveLength(1);
  expect(live).toContain('"price": "24.00"');
  expect(live).not.toContain('22.00');
  // What it said besides is not lost.
  expect(live).toContain('"colour": "natural"');
});

test('a kind is tried on its pages, changed for all of them, and undone', async ({ page, app }) => {
  await openDemo(page, app);
  await turnOn(page);
  await page.getByRole('button', { name: /^Posts/ }).click();
  await page.getByRole('button', { name: 'Blog post', exact: true }).click();
  await page.getByRole('button', { name: 'Article', exact: true }).click();
  await expect(page.getByText('This changes 6 pages of 6.')).toBeVisible();
  await expect(page.getByLabel(/a-ledger-from-1790.*, after/)).toContainText('"@type": "Article"');
  await page.getByRole('button', { name: 'Take it for all 6' }).click();
  await expect(page.getByRole('button', { name: /^Posts/ })).toContainText('article');
  await goToMeaning(page, 'One page');
  await choosePage(page, 'Why we sew');
  await expect(readBack(page)).toContainText('An article');
  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(readBack(page)).toContainText('A blog post');
  await page.getByRole('radio', { name: 'No markup' }).click();
  await expect(page.getByText('its markup is off')).toBeVisible();
});

test('markup that pages came with is taken over, and nothing of it is lost', async ({ page, app }) => {
  const body =
    '<main itemscope itemtype="https://schema.org/Product"><h1 itemprop="name">Kit</h1><p itemprop="description">For books.</p><span itemprop="color">red</span><div itemprop="offers" itemscope itemtype="https://schema.org/Offer"><b itemprop="price" content="18.50">£18.50</b><meta itemprop="priceCurrency" content="GBP"></div></main>';
  const text = (html: string): Uint8Array =>
    new TextEncoder().encode(`<!doctype html><html lang="en"><head><title>Kit</title></head><body>${html}</body></html>`);
  await importSite(page, app, 'shop.zip', zipOf({ 'index.html': text('<h1>Shop</h1><a href="/shop/kit/">Kit</a>'), 'shop/kit/index.html': text(body) }));
  await goToMeaning(page, 'Who is behind');
  await page.getByLabel('Main address', { exact: true }).fill('https://kits.example');
  await page.getByLabel('Main address', { exact: true }).press('Enter');
  await page.getByLabel('Name of the site').fill('Kits');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Kits Ltd');
  await goToMeaning(page, 'Kinds');
  await page.getByRole('button', { name: 'Write it into all pages' }).click();
  await goToMeaning(page, 'All markup');
  await expect(page.getByRole('cell', { name: 'Product' })).toBeVisible();
  await page.getByRole('button', { name: 'Take all over' }).click();
  await goTo(page, 'Release');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'ZIP of the whole site' }).click()]);
  const out = await unzip(await download.path());
  const kit = out['shop/kit/index.html'] ?? '';
  expect(kit).not.toMatch(/item(scope|prop|type)/);
  expect(kit).toContain('<h1>Kit</h1>');
  const graph = (JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/s.exec(kit)?.[1] ?? '') as { '@graph': Record<string, unknown>[] })['@graph'];
  expect(graph.filter((node) => node['@type'] === 'Product')).toHaveLength(1);
  expect(graph.find((node) => node['@type'] === 'Product')).toMatchObject({ name: 'Kit', color: 'red', offers: { price: '18.50', priceCurrency: 'GBP' } });
});

test('a block of one’s own, completed and checked, by keyboard alone', async ({ page, app }) => {
  await openDemo(page, app);
  await turnOn(page);
  await goToMeaning(page, 'For experts');
  await choosePage(page, 'Repair kit');
  const editor = page.getByRole('textbox', { name: 'JSON-LD of this page' });
  await page.getByRole('button', { name: 'Begin with the page’s own thing' }).press('Enter');
  await expect(editor).toContainText('"@type": "Product"');
  await editor.focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('End');
  await page.keyboard.type(',');
  await page.keyboard.press('Enter');
  await page.keyboard.type('"awar');
  await expect(page.locator('.cm-tooltip-autocomplete')).toContainText('award');
  await expect(page.locator('.cm-tooltip-autocomplete [aria-selected]')).toContainText('award');
  await expect(page.locator('.cm-completionInfo')).toContainText('award');
  await page.keyboard.press('Enter');
  await page.keyboard.type('"Best of the coast');
  await expect(editor).toContainText('"award": "Best of the coast"');
  await expect(page.getByText('nothing to say')).toBeVisible();
  await page.keyboard.press('End');
  await page.keyboard.type(', "colour": 1');
  await expect(page.locator('aside')).toContainText('Product has no property “colour”, nor has anything else. Perhaps “color” is meant.');
  // What is no JSON is a draft: kept, and not released.
  await page.keyboard.type(', "x');
  await expect(page.getByText('nothing of it is released')).toBeVisible();
  await page.reload();
  await expect(editor).toContainText('"award": "Best of the coast"');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const live = await visit(page, app, '/shop/repair-kit/');
  expect(live).toContain('"award": "Best of the coast"');
});
