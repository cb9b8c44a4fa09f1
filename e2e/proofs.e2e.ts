import { expect, goTo, openDemo, test } from './fixtures/app.ts';

test('a proof by each of its ways: placed, found, lost and told', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Proof');
  const paste = page.getByLabel(/^Paste what it gave you/);
  const outcome = page.getByTestId('proof-outcome');
  const look = page.getByRole('button', { name: 'Let Skerry look' });
  const release = async (): Promise<void> => {
    await goTo(page, 'Release');
    await page.getByRole('button', { name: /^Publish as release/ }).click();
    await expect(page.getByTestId('released')).toBeVisible();
  };
  // A record of the domain: no release is needed.
  await page.getByRole('radio', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await expect(page.getByText('Understood as a TXT record')).toBeVisible();
  await page.getByRole('button', { name: 'Place it' }).click();
  await look.click();
  await expect(outcome).toContainText('The domain has no TXT record yet');
  await page.getByRole('button', { name: 'Set it in the stand-in zone' }).click();
  await expect(page.locator('[data-claim^="skerry txt"]')).toContainText('set in the stand-in zone');
  await look.click();
  await expect(outcome).toContainText('Verified');
  await page
    .locator('[data-claim^="skerry txt"]')
    .getByRole('button', { name: /^Take it away/ })
    .click();
  // A file at the root, dropped or pasted, byte for byte.
  await page.getByRole('radio', { name: 'File' }).click();
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await page.getByRole('button', { name: 'Place it' }).click();
  await release();
  await goTo(page, 'Proof');
  const file = page.locator('[data-claim^="skerry file"]');
  await expect(file).toContainText('released');
  const name = /\/(skerry-[a-z0-9]+\.html)/.exec((await file.textContent()) ?? '')?.[1] ?? '';
  const answer = await page.request.get(`http://127.0.0.1:${app.hostPort}/${name}`, { headers: { host: 'quillfeather.example' } });
  expect(await answer.text()).toMatch(/^skerry-proof: \S+$/);
  await look.click();
  await expect(outcome).toContainText('Verified');
  // A tag for an engine of any name, out of a mail.
  await page.getByLabel('Engine').fill('Plinth');
  await paste.fill('Dear owner,\nplease add <meta name=“plinth-site” content=“a1b2c3d4e5f6”> to your head.\nPlinth');
  await expect(page.getByText('Understood as the tag “plinth-site”')).toBeVisible();
  await page.getByRole('button', { name: 'Place it' }).click();
  await expect(page.locator('[data-claim^="plinth tag"]')).toContainText('waits for release');
  await release();
  await goTo(page, 'Proof');
  await page
    .locator('[data-claim^="plinth tag"]')
    .getByRole('button', { name: /^Take it away/ })
    .click();
  await paste.fill('<script src="https://tags.plinth.example/t.js"></script>');
  await expect(page.getByText('This is a script, and no proof')).toBeVisible();
  // What the next release would take away is told before it goes.
  await goTo(page, 'Release');
  await expect(page.getByTestId('proof-lost')).toContainText('plinth-site');
});

test('an agency’s proof stands beside the owner’s: placed, verified, withdrawn; of several in one paste each is offered', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Proof');
  const paste = page.getByLabel(/^Paste what it gave you/);
  const release = async (): Promise<void> => {
    await goTo(page, 'Release');
    await page.getByRole('button', { name: /^Publish as release/ }).click();
    await expect(page.getByTestId('released')).toBeVisible();
  };
  const home = async (): Promise<string> => (await page.request.get(`http://127.0.0.1:${app.hostPort}/`, { headers: { host: 'quillfeather.example' } })).text();
  // The owner's own, out of a mail that speaks of two ways.
  await paste.fill('Either put <meta name="skerry-proof" content="owner-0a1b2c3d4e5f"> into your head, or set\n@ TXT "skerry=0a1b2c3d4e5f"');
  const offers = page.getByTestId('proof-offers');
  await expect(offers.getByRole('listitem')).toHaveCount(2);
  await offers.getByRole('button', { name: 'Place this one' }).first().click();
  await expect(offers.getByText('Placed')).toHaveCount(1);
  // The agency's, of the same engine: it takes nothing away.
  await page.getByRole('radio', { name: 'Tag' }).click();
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  const code = /content="([^"]+)"/.exec(await paste.inputValue())?.[1] ?? '';
  await page.getByRole('button', { name: 'Place it' }).click();
  await expect(page.locator('[data-claim="skerry 2"]')).toContainText(code);
  await release();
  expect(await home()).toContain('content="owner-0a1b2c3d4e5f"');
  expect(await home()).toContain(`content="${code}"`);
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');
  await page
    .locator('[data-claim="skerry 2"]')
    .getByRole('button', { name: /^Take it away/ })
    .click();
  await release();
  expect(await home()).not.toContain(code);
  expect(await home()).toContain('content="owner-0a1b2c3d4e5f"');
});
