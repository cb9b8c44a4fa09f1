import { readFile } from 'node:fs/promises';
import { zipSync } from 'fflate';
import { inflateEntry, listArchive } from '../core/source/index.ts';
import { oldZip } from '../core/testing/zip.ts';
import { choosePage, expect, goTo, goToDoors, goToMaps, goToView, test, type App } from './fixtures/app.ts';
import type { Page } from '@playwright/test';

const text = (words: string): Uint8Array => new TextEncoder().encode(words);
const NAV =
  '<div id="top"><a href="/">Harbour Boats</a> <a href="/punt.html">Punt</a> <a href="/skiff.html">Skiff</a> <a href="/tagebuch.html">Tagebuch</a> <a href="/wide.html">Wide</a></div>';
const page = (title: string, body: string, head = ''): string =>
  `<!doctype html>\n<html>\n<head>\n<meta charset="utf-8">\n<title>${title}</title>\n${head}<link rel="stylesheet" href="/style.css">\n</head>\n<body>\n${NAV}\n<div id="text">${body}</div>\n<div id="foot">Quay 4</div>\n</body>\n</html>\n`;
/** A site as many are: a template with faults, an encoding that cannot be written, a program, a word against one engine alone. */
const SITE: Readonly<Record<string, Uint8Array>> = {
  'index.html': text(
    page(
      'Harbour Boats',
      '<h1>Boats built by hand</h1><p>We build wooden boats by the harbour and mend those that are old, as it has been done for years.</p>',
    ),
  ),
  'punt.html': text(
    page('Punt | Harbour Boats', '<h1>Punt</h1><p>This punt is made of larch and oak, and we can build it for you.</p>', '<title>Harbour Boats</title>\n'),
  ),
  'skiff.html': text(
    page(
      'Skiff | Harbour Boats',
      '<h1>Skiff</h1><p>This skiff is made of oak, and it is light enough to be carried by two.</p>',
      '<title>Harbour Boats</title>\n<meta name="ploverbot" content="noindex">\n',
    ),
  ),
  'tagebuch.html': text(
    page(
      'Tagebuch',
      '<h1>Tagebuch</h1><p>Wir bauen Boote aus Holz und bessern sie aus, wie es sich für ein altes Boot gehört. Wer zu uns kommt, sieht die Werft und was wir machen.</p>',
    ),
  ),
  'wide.html': new Uint8Array(
    Buffer.from('\ufeff<!doctype html><html lang=en><title>Wide letters</title><h1>Wide letters</h1><p>Written in another encoding.</p>', 'utf16le'),
  ),
  'shop.php': text(
    '<?php include "head.php" ?><!doctype html><html lang="en"><head><title>Shop</title></head><body><h1>Shop</h1><p>Oars and ropes.</p></body></html>',
  ),
  'mail.php': text('<?php mail("x") ?>'),
  'style.css': text('body{margin:0}#top{background:#234}'),
};

async function take(browser: Page, app: App, name: string, bytes: Uint8Array): Promise<void> {
  await browser.goto(`${app.address}/sites`);
  await browser.getByLabel('Open a ZIP or a project file').setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
}

test('a ZIP in a ZIP is offered; what its template gets wrong is mended on all pages at once, seen first, and one engine’s word is told', async ({
  page: browser,
  app,
}) => {
  await take(browser, app, 'download.zip', zipSync({ 'download/harbour-boats.zip': zipSync(SITE), 'download/read me.txt': text('x') }));
  await expect(browser.getByRole('alert')).toContainText('another ZIP');
  await browser.getByRole('button', { name: 'Open harbour-boats.zip' }).click();
  await expect(browser.getByRole('heading', { level: 1 })).toContainText('People can find');

  // From one page's finding to all pages that have it.
  await goTo(browser, 'Words');
  await choosePage(browser, 'Punt');
  await browser.locator('aside [data-finding="title-several"]').getByRole('button', { name: 'On all pages' }).click();
  const several = browser.locator('[data-check="title-several"]');
  await expect(several.getByTestId('template-mend')).toContainText('2 pages');
  await expect(several.locator('del')).toHaveText('<title>Harbour Boats</title>');
  await several.getByRole('button', { name: 'Leave one title on 2 pages' }).click();
  await expect(several.getByRole('button', { name: /take that back/ })).toBeVisible();
  const language = browser.locator('[data-check="lang-missing"]');
  await language.locator('summary').click();
  await expect(language.getByTestId('template-mend')).toContainText('<html lang="de">');
  await language.getByRole('button', { name: /^Say the language on 4 pages/ }).click();
  await expect(language.getByRole('button', { name: /take that back/ })).toBeVisible();

  // The code shown is what goes out.
  await goToView(browser, 'One page');
  await choosePage(browser, 'Punt');
  await browser.getByRole('radio', { name: 'Code' }).click();
  await expect(browser.getByTestId('look')).toContainText('<title>Punt | Harbour Boats</title>');
  await expect(browser.getByTestId('look')).not.toContainText('<title>Harbour Boats</title>');

  // A page that cannot be written into says so before one types, and stands in the list.
  await choosePage(browser, 'Wide letters');
  await expect(browser.getByTestId('unwritable')).toContainText('UTF-16');
  await choosePage(browser, 'Shop');
  await expect(browser.locator('aside [data-finding="template-left"]')).toBeVisible();
  await goTo(browser, 'Release');
  await expect(browser.getByTestId('not-writable')).toContainText('Wide letters');

  // What only one engine heeds.
  await goToDoors(browser, 'One page');
  await choosePage(browser, 'Skiff');
  await expect(browser.getByTestId('one-engine')).toContainText('Blocked for Plover alone');
  await browser.getByTestId('one-engine').getByRole('button', { name: 'Open it for Plover' }).click();
  await expect(browser.getByTestId('one-engine')).toHaveCount(0);
  await browser.keyboard.press('Control+z');
  await expect(browser.getByTestId('one-engine')).toBeVisible();

  // The page for people takes the frame of a site without any main, and is seen first.
  await goToMaps(browser, 'For people & feeds');
  await browser.getByRole('button', { name: 'See it first' }).click();
  const shown = browser.frameLocator('iframe[title="The page for people, as it would be written"]');
  await expect(shown.locator('#top')).toBeVisible();
  await expect(shown.locator('#text h1')).toHaveText('Sitemap');
  await expect(shown.locator('#foot')).toHaveText('Quay 4');

  await goTo(browser, 'Release');
  const [download] = await Promise.all([browser.waitForEvent('download'), browser.getByRole('button', { name: 'ZIP of the whole site' }).click()]);
  const zip = new Uint8Array(await readFile(await download.path()));
  const listing = listArchive(zip);
  const out = Object.fromEntries(
    (listing.ok ? listing.entries : []).map((entry) => {
      const file = inflateEntry(zip, entry);
      return [entry.path, file.ok ? file.bytes : new Uint8Array()];
    }),
  );
  const before = Buffer.from(SITE['punt.html'] as Uint8Array).toString();
  expect(Buffer.from(out['punt.html'] as Uint8Array).toString()).toBe(
    before.replace('<title>Harbour Boats</title>\n', '').replace('<html>', '<html lang="en">'),
  );
  for (const path of ['wide.html', 'shop.php', 'mail.php', 'style.css'])
    expect(Buffer.from(out[path] as Uint8Array)).toEqual(Buffer.from(SITE[path] as Uint8Array));
});

test('names in an old code page are words here, and what is no site is refused by name', async ({ page: browser, app }) => {
  const refusals: readonly [string, Uint8Array, RegExp][] = [
    ['cut.zip', zipSync({ 'index.html': text('<p>'.repeat(500)) }).slice(0, 60), /cut off/],
    ['nothing.zip', new Uint8Array(), /empty/],
    ['pictures.zip', zipSync({ 'a.jpg': text('x') }), /only pictures/],
    ['source.zip', zipSync({ 'index.md': text('# x') }), /no page in it/],
    ['packed.zip', Uint8Array.from([0x1f, 0x8b, 8, 0]), /another way than ZIP/],
  ];
  for (const [name, bytes, words] of refusals) {
    await take(browser, app, name, bytes);
    await expect(browser.getByRole('alert')).toContainText(words);
  }
  await take(
    browser,
    app,
    'werft.zip',
    oldZip({
      'index.html': '<title>Werft</title><h1>Werft</h1><a href="%C3%BCber-uns.html">x</a>',
      '{81}ber-uns.html': '<title>Wir</title><h1>Wer wir sind</h1>',
    }),
  );
  await expect(browser.getByRole('heading', { level: 1 })).toContainText('People can find');
  await goTo(browser, 'Words');
  await choosePage(browser, 'Wer wir sind');
  await expect(browser.getByText('/über-uns.html')).toBeVisible();
});

test('a list of addresses keeps queries apart, tells other sites by name, and shows umlauts', async ({ page: browser, app }) => {
  await browser.goto(`${app.address}/sites`);
  await browser.getByRole('button', { name: 'A list of addresses' }).click();
  await browser
    .getByRole('textbox', { name: /^Addresses/ })
    .fill(
      'https://boats.example/\nhttps://boats.example/?page=punt\nhttps://boats.example/?page=skiff\nhttps://boats.example/%C3%BCber/\nhttps://other.example/x\nhttps://boats.example/',
    );
  await expect(browser.getByTestId('left-out')).toContainText('another site, other.example (1); one that stood there before');
  await expect(browser.getByRole('status').filter({ hasText: '4 pages' })).toContainText('/über/');
  await browser.getByRole('button', { name: 'Bring them in' }).click();
  await expect(browser.getByRole('heading', { level: 1 })).toContainText('isn’t known yet');
  await goTo(browser, 'Words');
  await choosePage(browser, 'Page punt');
  await expect(browser.getByText('boats.example/?page=punt')).toBeVisible();
});
