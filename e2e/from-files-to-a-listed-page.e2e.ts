import { choosePage, expect, goTo, goToMeaning, openDemo, test, goToWatch } from './fixtures/app.ts';

test('a beginner carries the demo the whole way with the mouse', async ({ page, app }) => {
  await openDemo(page, app);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('People can find 26 of the 29 pages you want found.');

  // Doors: what is shut, leaking and half hidden is mended from Start, each with one press.
  await page.getByRole('button', { name: 'Open both' }).click();
  await page.getByRole('button', { name: 'Keep tags out' }).click();
  await page.getByRole('button', { name: 'Hide it properly' }).click();
  await expect(page.getByText('Once what waits is released, it will be 27.')).toBeVisible();
  await expect(page.locator('[data-step="open-page"], [data-step="close-kind"], [data-step="half-hidden"]')).toHaveCount(0);

  // Words: a title and a description, seen at each key.
  await goTo(page, 'Words');
  await choosePage(page, 'Linen journal');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Linen journal');
  await expect(page.locator('[data-finding="description-missing"]')).toBeVisible();
  await page.getByLabel('Description', { exact: true }).pressSequentially('A linen journal, sewn by hand, that lies flat.');
  await expect(page.getByTestId('look')).toContainText('A linen journal, sewn by hand, that lies flat.');
  await expect(page.locator('[data-finding="description-missing"]')).toHaveCount(0);
  await page.getByRole('radio', { name: 'Code' }).click();
  await expect(page.getByTestId('look')).toContainText('<meta name="description" content="A linen journal, sewn by hand, that lies flat.">');

  // Meaning: who is behind it.
  await goToMeaning(page, 'Who is behind');
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Quillfeather Bindery');
  await expect(page.getByText('Written into the home page at the next release.')).toBeVisible();

  // Map.
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await expect(page.getByText('29 pages in it, named in robots.txt.')).toBeVisible();

  // Proof, pasted with a message around it; not released yet, and Skerry says so.
  await goTo(page, 'Proof');
  const tag = (await page.locator('aside pre').textContent()) ?? '';
  await page.getByLabel(/^Paste what it gave you/).fill(`Dear owner, please add\n${tag}\nto your home page. Skerry`);
  await expect(page.getByText('The words around it are left out.')).toBeVisible();
  await page.getByRole('button', { name: 'Place it' }).click();
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Not released yet');

  // Release.
  await page.getByRole('button', { name: 'Release first' }).click();
  await expect(page.locator('[data-waiting]')).toHaveCount(16);
  await page.locator('[data-waiting="shop/linen-journal/index.html"]').getByRole('button').first().click();
  await expect(page.getByRole('region', { name: /Source of/ })).toContainText(
    '+    <meta name="description" content="A linen journal, sewn by hand, that lies flat.">',
  );
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toContainText('Release 5 is live');

  // The released site is there for any visitor, under its own name.
  const live = await page.request.get(`http://127.0.0.1:${app.hostPort}/shop/linen-journal/`, { headers: { host: 'quillfeather.example' } });
  expect(await live.text()).toContain('<meta name="description" content="A linen journal, sewn by hand, that lies flat.">');
  const robots = await page.request.get(`http://127.0.0.1:${app.hostPort}/robots.txt`, { headers: { host: 'quillfeather.example' } });
  expect(await robots.text()).not.toContain('/services/family');

  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');

  // Watch: hand in, move on, look.
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Hand in the sitemap' }).click();
  await expect(page.getByRole('button', { name: 'Hand in the sitemap' })).toHaveCount(0);
  await goToWatch(page, 'All pages');
  await expect(page.getByText('29 addresses are known from the sitemap and wait for a visit.')).toBeVisible();
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/services/family-bibles/"]')).toHaveAttribute('data-outcome', 'listed');
  await expect(page.locator('[data-record="/journal/tag/leather/"]')).toHaveAttribute('data-outcome', 'not-listed');
  await goToWatch(page, 'Search');
  await page.getByRole('searchbox', { name: 'Search with Skerry' }).fill('linen journal that lies flat');
  await page.getByRole('button', { name: 'Search' }).click();
  await expect(page.locator('[data-result]').first()).toContainText('Linen journal | Quillfeather Bindery');

  await page.getByRole('link', { name: /^Start/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('People can find all 29 pages you want found.');
});

test('a page that is only forbidden to be fetched, but is linked, appears as a bare address', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await page.getByRole('button', { name: 'Place it' }).click();
  await goTo(page, 'Release');
  // The basket is meant to be out; taken back, only robots.txt shuts it, and a page of the shop links to it.
  await page.locator('[data-waiting="basket/index.html"]').getByRole('button', { name: 'Undo this' }).click();
  await expect(page.locator('[data-waiting="basket/index.html"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'Hand in the sitemap' }).click();
  await expect(page.getByRole('button', { name: 'Hand in the sitemap' })).toHaveCount(0);
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/basket/"]')).toHaveAttribute('data-outcome', 'bare');
  // Shut twice: Skerry never reads its noindex, and knows only the address.
  await expect(page.locator('[data-record="/services/family-bibles/"]')).toHaveAttribute('data-outcome', 'bare');
  await goToWatch(page, 'Search');
  await page.getByRole('button', { name: 'Search', exact: true }).click();
  await expect(page.locator('[data-result="https://quillfeather.example/basket/"]')).toContainText('Only the address is known');

  // The server started again finds everything as it was.
  await app.restart();
  await page.reload();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/basket/"]')).toHaveAttribute('data-outcome', 'bare');
});
