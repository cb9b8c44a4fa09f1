import { choosePage, expect, goTo, goToView, goToRelease, goToWatch, importSite, test } from './fixtures/app.ts';
import { filesBelow } from '../bench/real-site.ts';
import { zipOf } from './fixtures/site.ts';
for (const [name, folder] of [['xslt', '/usr/share/doc/libxslt1-dev/html'], ['valgrind', '/usr/share/doc/valgrind/html']] as const)
test(`try ${name}`, async ({ page, app }) => {
  test.setTimeout(200000);
  page.setDefaultTimeout(15000);
  const log = (...what: unknown[]) => console.log(name, ...what);
  const step = async (what: string, run: () => Promise<unknown>) => { try { log(what, JSON.stringify(await run())?.slice(0, 6000)); } catch (e) { log(what, 'FAILED', String(e).slice(0, 400)); await page.screenshot({ path: `/tmp/try-${name}-${what.replace(/\W/g, '')}.png` }); } };
  const files = Object.fromEntries(await filesBelow(folder));
  log(Object.keys(files).length);
  await importSite(page, app, `${name}.zip`, zipOf(files));
  await step('h1', async () => (await page.locator('main').innerText()).slice(0, 600));
  const main = async () => (await page.locator('main').innerText()).replace(/\s+/g, ' ').slice(0, 1500);
  await page.screenshot({ path: `/tmp/try-${name}-start.png` });
  await goTo(page, 'Proof');
  const paste = page.getByLabel(/^Paste what it gave you/);
  const drop = async (file: string, text: string) => { await page.locator('input[type=file]').first().setInputFiles({ name: file, mimeType: 'text/html', buffer: Buffer.from(text) }); await page.waitForTimeout(700); return (await page.locator('main').innerText()).match(/(Understood[^\n]*|This[^\n]*\n?[^\n]*|[^\n]*(?:not|no) [^\n]*)/g)?.slice(0, 4); };
  await step('radio file', async () => { await page.getByRole('radio', { name: 'File' }).click(); });
  for (const [f, t] of [['index.html', 'proof: 1234567890'], ['robots.txt', 'proof: 1234567890'], ['../a.html', 'proof: abcdef1234'], ['acme-1a2b3c4d5e.html (1).txt', 'acme-site: acme-1a2b3c4d5e'], ['acme1a2b3c4d5e6f.html', 'acme-site-verification: acme1a2b3c4d5e6f.html']] as const)
    await step(`drop ${f}`, () => drop(f, t));
  await step('place', async () => { await page.getByRole('button', { name: 'Place it' }).click(); return (await page.locator('[data-claim]').allInnerTexts()); });
  await step('tag', async () => { await page.getByRole('radio', { name: 'Tag' }).click(); await paste.fill('<meta name="acme-site" content="AbC+/=123456">'); await page.getByRole('button', { name: 'Place it' }).click(); return (await page.locator('[data-claim]').allInnerTexts()); });
  await step('map', async () => { await goTo(page, 'Map'); const b = page.getByRole('button', { name: 'Write this sitemap' }); await b.click(); return main(); });
  await step('title', async () => { await goTo(page, 'Words'); await page.getByLabel('Title', { exact: true }).fill('A title of our own “quoted” — ü'); });
  await step('ending', async () => { const e = page.getByLabel('Address ending', { exact: true }); const id = new URL(page.url()).searchParams.get('page'); return [id, await e.count()]; });
  await step('release list', async () => { await goTo(page, 'Release'); await page.waitForTimeout(1500); return (await page.locator('[data-waiting]').allInnerTexts()).map((t) => t.replace(/\s+/g, ' ')).slice(0, 12); });
  await page.screenshot({ path: `/tmp/try-${name}-release.png` });
  await step('warnings', async () => [await page.getByTestId('cannot-go').count(), await page.getByTestId('proof-lost').count()]);
  await step('publish', async () => { await page.getByRole('button', { name: /^Publish as release/ }).click(); await expect(page.getByTestId('released')).toBeVisible(); return page.getByTestId('released').innerText(); });
  await step('after', async () => [await page.locator('[data-waiting]').count(), await page.locator('footer, [role=contentinfo]').innerText()]);
  const host = /under ([\w.-]+)\./.exec((await page.getByTestId('released').textContent()) ?? '')?.[1] ?? '';
  const status = async (path: string) => { const r = await page.request.get(`http://127.0.0.1:${app.hostPort}${path}`, { headers: { host }, maxRedirects: 0 }); return `${path} ${r.status()}`; };
  await step('host', async () => [host, await status('/'), await status('/sitemap.xml'), await status('/robots.txt'), await status('/acme1a2b3c4d5e6f.html')]);
  await step('chain', async () => { await goTo(page, 'Proof'); const c = page.locator('[data-claim]'); for (const b of await page.getByRole('button', { name: /^Check it/ }).all()) await b.click(); await page.waitForTimeout(1500); return c.allInnerTexts(); });
  await page.screenshot({ path: `/tmp/try-${name}-proof.png` });
  await step('launch', async () => { await goTo(page, 'Watch'); const b = page.getByRole('button', { name: /Play the launch/ }); if (await b.count()) { await b.click(); await expect(page.getByRole('button', { name: 'A day on' })).toBeEnabled({ timeout: 60000 }); } return main(); });
  for (const v of ['All pages', 'Search', 'Maps handed in', 'Visits']) await step(v, async () => { await goToWatch(page, v); await page.waitForTimeout(600); await page.screenshot({ path: `/tmp/try-${name}-${v.replace(/\W/g, '')}.png` }); return main(); });
  await step('take off', async () => { await goTo(page, 'Map'); await page.getByRole('button', { name: 'Do not write it' }).click(); await goTo(page, 'Proof'); for (let i = 0; i < 2; i++) await page.locator('[data-claim]').first().getByRole('button', { name: /^Take it away/ }).click(); await goTo(page, 'Release'); await page.waitForTimeout(1200); return [(await page.locator('[data-waiting]').allInnerTexts()).map((t) => t.replace(/\s+/g, ' ')), await page.getByTestId('proof-lost').allInnerTexts()]; });
  await page.screenshot({ path: `/tmp/try-${name}-off.png` });
  await step('publish 2', async () => { await page.getByRole('button', { name: /^Publish as release/ }).click(); await expect(page.getByText('The working copy and what is live are the same.')).toBeVisible(); return [await status('/'), await status('/sitemap.xml'), await status('/robots.txt'), await status('/acme1a2b3c4d5e6f.html')]; });
  await step('drift', async () => { await goToRelease(page, 'What is out there'); await page.waitForTimeout(2500); return main(); });
  await step('address', async () => { await goToRelease(page, 'Address'); await page.waitForTimeout(1500); return main(); });
  // a new version: everything moved into /docs/, one-line HTML, stubs left
  await step('version', async () => {
    const moved: Record<string, Uint8Array> = {};
    const te = new TextEncoder(), td = new TextDecoder('latin1');
    for (const [path, bytes] of Object.entries(files)) {
      if (path === 'index.html' || !path.endsWith('.html')) { moved[path] = bytes; continue; }
      moved[`docs/${path}`] = bytes;
      moved[path] = te.encode(`<!doctype html><meta http-equiv=refresh content="0;url=/docs/${path}"><link rel=canonical href="/docs/${path}"><meta name=robots content=noindex><title>Moved</title>`);
      void td;
    }
    await page.goto(page.url().replace(/\/release.*/, '/new-version'));
    await page.locator('input[type=file][accept]').setInputFiles({ name: 'v2.zip', mimeType: 'application/zip', buffer: zipOf(moved) });
    await expect(page.getByTestId('version-plan')).toBeVisible({ timeout: 60000 });
    await page.screenshot({ path: `/tmp/try-${name}-version.png` });
    const said = await page.getByTestId('version-plan').innerText();
    await page.getByRole('button', { name: 'Take it in' }).click();
    await page.waitForTimeout(3000);
    return [said, await main()];
  });
  await step('titles kept', async () => { await goTo(page, 'Words'); await page.waitForTimeout(800); return [page.url(), await page.getByLabel('Title', { exact: true }).inputValue()]; });
});
