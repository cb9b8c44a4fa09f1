import { readFile } from 'node:fs/promises';
import { inflateEntry, listArchive, sameBytes } from '../core/source/index.ts';
import { generateSite } from '../bench/generate-site.ts';
import { filesBelow, realSiteFolder } from '../bench/real-site.ts';
import { importSite, choosePage, expect, goTo, settled, test } from './fixtures/app.ts';
import { zipOf } from './fixtures/site.ts';

/** A real site of more than a thousand pages, or a made one where none is installed. */
async function largeSite(): Promise<{ files: Record<string, Uint8Array>; find: string; path: string }> {
  const folder = realSiteFolder();
  if (folder !== undefined) return { files: Object.fromEntries(await filesBelow(folder)), find: 'sql-vacuum.html', path: 'sql-vacuum.html' };
  const files = Object.fromEntries([...generateSite(1200)].map(([path, text]) => [path, new TextEncoder().encode(text)]));
  const path = Object.keys(files).find((one) => one.startsWith('shop/')) ?? '';
  return { files, find: `/${path.replace('index.html', '')}`, path };
}

test('a site of over a thousand pages is opened, searched, edited on one page, and comes out with that page changed alone', async ({ page, app }) => {
  const { files, find, path } = await largeSite();
  // Every first answer that is shown, however shortly.
  await page.addInitScript(`
    window.answers = [];
    new MutationObserver(() => {
      const said = document.querySelector('h1')?.textContent ?? '';
      if (/^People/.test(said) && !window.answers.includes(said)) window.answers.push(said);
    }).observe(document, { subtree: true, childList: true, characterData: true });
  `);
  await importSite(page, app, 'documentation.zip', zipOf(files, 'html/'));
  await settled(page);
  expect(await page.evaluate('window.answers')).toHaveLength(1);
  await goTo(page, 'Words');
  await choosePage(page, find);
  await expect(page.getByTestId('page-state')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('A title of our own');
  await goTo(page, 'Map');
  await page.getByRole('button', { name: 'Write this sitemap' }).click();
  await goTo(page, 'Release');
  await expect(page.locator('[data-waiting]')).not.toHaveCount(0);
  const waiting = await page.locator('[data-waiting]').count();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'ZIP of the whole site' }).click()]);
  const zip = new Uint8Array(await readFile(await download.path()));
  const listing = listArchive(zip);
  if (!listing.ok) throw new Error(listing.reason);
  const changed: string[] = [];
  const own: string[] = [];
  for (const entry of listing.entries) {
    const before = files[entry.path];
    const file = inflateEntry(zip, entry);
    if (before === undefined || entry.path === 'robots.txt') own.push(entry.path);
    else if (!file.ok || !sameBytes(file.bytes, before)) changed.push(entry.path);
  }
  expect(changed).toEqual([path]);
  // A site of several kinds of pages has a map for each, and an index of them.
  const ours = own.sort();
  expect(ours.filter((name) => !/^sitemap-[\w-]+\.xml$/.test(name))).toEqual(['robots.txt', 'sitemap.css', 'sitemap.xml', 'sitemap.xsl']);
  expect(waiting).toBe(ours.length + 1);
  expect(listing.entries.length).toBe(new Set([...Object.keys(files), ...ours]).size);

  // The ZIP of what changed holds the page and our files, nothing else.
  const [small] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /ZIP of what changed/ }).click()]);
  const changes = listArchive(new Uint8Array(await readFile(await small.path())));
  expect(changes.ok && changes.entries.map((entry) => entry.path).sort()).toEqual([path, ...ours].sort());
});
