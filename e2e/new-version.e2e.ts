import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { choosePage, expect, goTo, importSite, openDemo, test, visit } from './fixtures/app.ts';
import { zipOf } from './fixtures/site.ts';

const DEMO = new URL('../demo/site', import.meta.url).pathname;
const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => (statSync(join(folder, name)).isDirectory() ? filesIn(join(folder, name)) : [join(folder, name)]));
const demo = (): Record<string, Uint8Array> => Object.fromEntries(filesIn(DEMO).map((path) => [relative(DEMO, path), new Uint8Array(readFileSync(path))]));

/** What the host answers at a path of the site. */
/** The demo as another generator would build it: another frame, the journal in another folder, a page gone, a page new, one described anew. */
function rebuilt(files: Readonly<Record<string, Uint8Array>>): Record<string, Uint8Array> {
  const out: Record<string, Uint8Array> = {};
  for (const [path, bytes] of Object.entries(files)) {
    if (path === 'shop/bone-folder/index.html') continue;
    const to = path.replace(/^journal\/(?!index)/, 'notes/');
    if (!path.endsWith('.html')) {
      out[to] = bytes;
      continue;
    }
    const html = new TextDecoder().decode(bytes).replaceAll('/journal/', '/notes/').replaceAll('"/notes/"', '"/journal/"');
    const head = /<head>([^]*?)<\/head>/.exec(html)?.[1] ?? '';
    const main = /<main[^]*<\/main>/.exec(html)?.[0] ?? '';
    const described =
      path === 'services/book-repair/index.html' ? head.replace(/(name="description" content=")[^"]*/, '$1Repairs, as the builder tells of them.') : head;
    out[to] = new TextEncoder().encode(
      `<!doctype html>\n<html lang="en"><head>${described}</head>\n<body class="theme-two"><div class="top"><a href="/">Quillfeather</a> <a href="/services/">Services</a></div>\n${main}\n<div class="end">Built on 1 December 2026</div></body></html>\n`,
    );
  }
  out['materials/vellum/index.html'] = new TextEncoder().encode(
    '<html lang="en"><title>Vellum</title><h1>Vellum</h1><p>Skin, scraped and dried under tension.</p></html>',
  );
  return out;
}

test('the site is built anew: what was written stays on top, what both changed is decided, and it is undone as one', async ({ page, app }) => {
  const files = demo();
  await importSite(page, app, 'bindery.zip', zipOf(files));
  await goTo(page, 'Words');
  const title = page.getByLabel('Title', { exact: true });
  const description = page.getByLabel('Description', { exact: true });
  await choosePage(page, 'Book repair');
  await description.fill('Mine: repairs by hand in Saltmere.');
  await choosePage(page, 'Why we sew');
  await title.fill('Why sewn books last');
  await choosePage(page, 'Bone folder');
  await title.fill('A bone folder for paper');
  await page.goto(page.url().replace(/\/words.*/, '/new-version'));
  await page.locator('input[type=file][accept]').setInputFiles({ name: 'built.zip', mimeType: 'application/zip', buffer: Buffer.from(zipOf(files)) });
  await expect(page.getByText('These are the very files that are here.')).toBeVisible();
  await page.locator('input[type=file][accept]').setInputFiles({ name: 'built.zip', mimeType: 'application/zip', buffer: Buffer.from(zipOf(rebuilt(files))) });
  const plan = page.getByTestId('version-plan');
  await expect(plan).toContainText('1 to decide: the site changed it too');
  await expect(plan).toContainText('1 new');
  const conflict = page.locator('[data-conflict^="services/book-repair"]');
  await expect(conflict).toContainText('Repairs, as the builder tells of them.');
  await expect(conflict.getByRole('radio', { name: 'Mine' })).toBeChecked();
  await page.getByLabel('Where /shop/bone-folder/ leads').fill('/shop/');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByTestId('version-taken')).toBeVisible();
  await goTo(page, 'Words');
  await choosePage(page, 'Why we sew');
  await expect(title).toHaveValue('Why sewn books last');
  await expect(page.locator('main')).toContainText('/notes/why-we-sew/');
  await choosePage(page, 'Book repair');
  await expect(description).toHaveValue('Mine: repairs by hand in Saltmere.');
  await choosePage(page, 'Vellum');
  // Undone, the files are those of before; done again, those of now, after a reload too.
  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(page.locator('nav.tree')).toContainText('Bone folder');
  await choosePage(page, 'Bone folder');
  await expect(title).toHaveValue('A bone folder for paper');
  await page.locator('h1').click();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('nav.tree')).toContainText('Vellum');
  await choosePage(page, 'Vellum');
  await expect(page.locator('h1').first()).toContainText('Vellum');
  await page.reload();
  await choosePage(page, 'Why we sew');
  await expect(title).toHaveValue('Why sewn books last');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: /^Publish as release/ }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  expect(await visit(page, app, '/notes/why-we-sew/')).toContain('<title>Why sewn books last</title>');
  expect(await visit(page, app, '/journal/why-we-sew/')).toContain('url=/notes/why-we-sew/');
  expect(await visit(page, app, '/shop/bone-folder/')).toContain('url=/shop/');
  expect(await visit(page, app, '/services/book-repair/')).toContain('theme-two');
});

test('a new version brings a page where another was moved to: both are told, and one press gives each its place', async ({ page, app }) => {
  const files = demo();
  await importSite(page, app, 'bindery.zip', zipOf(files));
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  await page.getByRole('textbox', { name: 'Address ending' }).fill('book-boxes');
  await page.locator('h1').click();
  await expect(page.locator('main')).toContainText('/services/book-boxes/');
  await page.goto(page.url().replace(/\/words.*/, '/new-version'));
  const another = new TextEncoder().encode(
    '<html lang="en"><title>Boxes for books</title><h1>Boxes for books</h1><p>Another page about boxes, quite new here.</p></html>',
  );
  await page.locator('input[type=file][accept]').setInputFiles({
    name: 'built.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from(zipOf({ ...files, 'services/book-boxes/index.html': another })),
  });
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByTestId('version-taken')).toBeVisible();

  await goTo(page, 'Release');
  await expect(page.getByTestId('clash')).toContainText('/services/book-boxes/');
  await page.getByTestId('clash').getByRole('link').click();
  const finding = page.locator('[data-finding="address-taken"]');
  await expect(finding).toContainText('Box making');
  // It is no matter of judgement.
  await expect(finding.getByRole('button', { name: 'Let it be' })).toHaveCount(0);
  await finding.getByRole('button', { name: 'Take the new address back' }).click();
  await expect(finding).toHaveCount(0);
  await choosePage(page, 'Box making');
  await expect(page.locator('main')).toContainText('/services/box-making/');
  await goTo(page, 'Release');
  await expect(page.getByTestId('clash')).toHaveCount(0);
});

test('a site comes in from its address: what robots.txt forbids stays out, it is stopped and gone on with, and comes from there again', async ({
  page,
  app,
}) => {
  await openDemo(page, app);
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'From its address' }).click();
  const address = page.getByLabel('Address of the site');
  await address.fill('nowhere');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('alert')).toContainText('no address of a site');
  await address.fill('quillfeather.example');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByTestId('crawl')).toContainText('It can go on where it was');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByTestId('crawl')).toContainText('All that links and maps lead to is here.');
  await expect(page.getByTestId('crawl')).toContainText('left out by robots.txt');
  await page.getByRole('button', { name: 'Take what is here' }).click();
  // The same pages as in the files, with the same words: only what nothing links to, or robots.txt shuts, is missing.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
  await goTo(page, 'Words');
  await choosePage(page, 'Why we sew');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Why we sew | Quillfeather Bindery');
  await expect(page.locator('main')).toContainText('/journal/why-we-sew/');

  // The next month it comes from there again: what did not change is only asked after, and there is nothing to take in.
  await page.keyboard.press('Control+k');
  await page.getByPlaceholder(/page or an action/i).fill('new version');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'A new version of the site' })).toBeVisible();
  await expect(page.getByLabel('Address of the site')).toHaveValue('https://quillfeather.example/');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByTestId('crawl')).toContainText('All that links and maps lead to is here.');
  await expect(page.getByTestId('crawl')).toContainText(/\d+ files as the last time/);
  await page.getByRole('button', { name: 'Take what is here' }).click();
  await expect(page.getByText('These are the very files that are here.')).toBeVisible();
});

test('a crawl in three goes, looked at again after a reload; what is on this machine is not asked for', async ({ page, app }) => {
  await openDemo(page, app);
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'From its address' }).click();
  const address = page.getByLabel('Address of the site');
  await address.fill('http://127.0.0.1/');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByTestId('crawl')).toContainText('on this machine or in a private network');
  await address.fill('quillfeather.example');
  await page.getByText('Limits', { exact: true }).click();
  const pages = page.getByLabel('Pages', { exact: true });
  // A field of a number can be emptied, and is what it was where nothing is written into it.
  await pages.fill('');
  await expect(pages).toHaveValue('');
  await address.focus();
  await expect(pages).toHaveValue('500');
  await pages.fill('12');
  await page.getByRole('button', { name: 'Bring it in' }).click();
  // Twelve pages may be here before anybody looked.
  await expect(page.getByTestId('crawl')).toContainText(/Asking for pages|limit you set has been reached/);
  await page.reload();
  const crawl = page.getByTestId('crawl');
  await expect(crawl).toContainText('The page limit you set has been reached');
  await expect(crawl).toContainText('12 pages');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(crawl).toContainText('24 pages');
  await expect(crawl).toContainText('The page limit you set has been reached');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(crawl).toContainText('All that links and maps lead to is here.');
  await page.getByRole('button', { name: 'Take what is here' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
  await page.goto(`${app.address}/sites`);
  await expect(page.getByRole('button', { name: 'From its address' })).toBeVisible();
  await expect(page.getByTestId('crawl')).toHaveCount(0);
});
