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
  // Each name server was really asked.
  const before = page.getByRole('region', { name: 'Before Skerry looks' });
  await expect(before).toContainText('asked of ns1.quillfeather.example');
  await expect(before).toContainText('It has no record of this sort at the name.');
  await page.getByRole('button', { name: 'Set it in the stand-in zone' }).click();
  await expect(page.locator('[data-claim^="skerry txt"]')).toContainText('set in the stand-in zone');
  await look.click();
  await expect(outcome).toContainText('Verified');
  await before.getByRole('button', { name: 'Check again' }).click();
  await expect(before).toContainText('It says it, and nothing else.');
  // Who asked in vain before keeps that for a while.
  await expect(before).toContainText('that there was no such record');
  await page
    .locator('[data-claim^="skerry txt"]')
    .getByRole('button', { name: /^Take it away/ })
    .click();
  // The record itself is at the domain still, and goes where that is wanted.
  await page.getByRole('button', { name: 'Take it out of the zone' }).click();
  await expect(page.getByText('It is out of the stand-in zone.')).toBeVisible();
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
  await expect(page.getByTestId('before-placing')).toHaveCount(0);
  await page.getByRole('button', { name: 'Place it' }).click();
  const plinth = page.locator('[data-claim^="plinth tag"]');
  await expect(plinth).toContainText('waits for release');
  await plinth.getByRole('button', { name: /^Check it/ }).click();
  await expect(plinth.getByTestId('proof-chain')).toContainText('The home page that is live doesn’t have it.');
  await release();
  await goTo(page, 'Proof');
  await plinth.getByRole('button', { name: /^Check it/ }).click();
  await expect(plinth.getByTestId('proof-chain')).toContainText('The home page that is live has it there.');
  await expect(plinth.locator('[data-done="false"]')).toHaveCount(0);
  // What the words around a proof say is told before it is placed, and what is there already.
  await paste.fill('For https://www.quillfeather.example/ add <meta name="plinth-site" content="a1b2c3d4e5f6">');
  await expect(page.getByTestId('before-placing')).toContainText('It seems to be for www.quillfeather.example.');
  await expect(page.getByTestId('before-placing')).toContainText('is on your home page already');
  await paste.fill('<meta name="plover-proof" content="a1b2c3d4e5f6">');
  await expect(page.getByTestId('before-placing')).toContainText('comes from Plover');
  await page
    .locator('[data-claim^="plinth tag"]')
    .getByRole('button', { name: /^Take it away/ })
    .click();
  await paste.fill('<script src="https://tags.plinth.example/t.js"></script>');
  await expect(page.getByText('This is a script, and no proof')).toBeVisible();
  // What the next release would take away is told before it goes.
  await goTo(page, 'Release');
  await expect(page.getByTestId('proof-lost')).toContainText('the tag plinth-site: it is taken away');
  await goTo(page, 'Proof');
  await file.getByRole('button', { name: /^Take it away/ }).click();
  await goTo(page, 'Release');
  await expect(page.getByTestId('proof-lost')).toContainText(`the file ${name}: it is taken away`);
  // What waits takes nothing away.
  await page.getByRole('checkbox', { name: `${name} goes with this release` }).uncheck();
  await expect(page.getByTestId('proof-lost')).not.toContainText(name);
  // What is taken away is gone once it is published, and says so where that is wanted.
  await page.getByRole('checkbox', { name: `${name} goes with this release` }).check();
  await page.getByRole('checkbox', { name: 'Say it’s gone for good (410)' }).check();
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByText('The working copy and what is live are the same.')).toBeVisible();
  const after = await page.request.get(`http://127.0.0.1:${app.hostPort}/${name}`, { headers: { host: 'quillfeather.example' } });
  expect(after.status()).toBe(410);
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
