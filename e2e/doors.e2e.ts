import type { EngineSite } from '../core/exchange/index.ts';
import { importSite, choosePage, expect, goTo, goToDoors, openDemo, test, type App, goToWatch } from './fixtures/app.ts';
import { zipOf } from './fixtures/site.ts';
import type { Page } from '@playwright/test';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

/** What any visitor gets at the stand-in host. */
const visit = (page: Page, app: App, path: string, host = 'quillfeather.example') =>
  page.request.get(`http://127.0.0.1:${app.hostPort}${path}`, { headers: { host }, maxRedirects: 0 });

async function release(page: Page, number: number): Promise<void> {
  await goTo(page, 'Release');
  await page.getByRole('button', { name: `Publish as release ${number}`, exact: true }).click();
  await expect(page.getByTestId('released')).toContainText(`Release ${number} is live`);
}

test('the forgotten switch is found on every screen, and opened', async ({ page, app }) => {
  await openDemo(page, app);
  await goToDoors(page, 'The whole site');
  await page.getByRole('switch').uncheck({ force: true });
  await expect(page.getByTestId('shut-strip')).toContainText('closed to engines');
  await expect(page.getByTestId('switch-live')).toContainText('out there it is still open');
  await goTo(page, 'Release');
  await expect(page.getByTestId('closed-reminder')).toContainText('This release keeps the site closed');
  await page.getByRole('button', { name: 'Publish as release 5', exact: true }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  expect(await (await visit(page, app, '/about/')).text()).toContain('<meta name="robots" content="noindex');
  // Weeks later, on whatever screen: it is there, with since when and by what.
  for (const stop of ['Words', 'Meaning', 'Map', 'Weight', 'Proof', 'Watch']) {
    await goTo(page, stop);
    await expect(page.getByTestId('shut-strip')).toContainText('by release 5');
  }
  await page.reload();
  await expect(page.getByTestId('shut-strip')).toContainText('by release 5');
  // Planned first: it stays shut here until the release that opens it.
  await page.getByRole('link', { name: 'The switch' }).click();
  await page.getByLabel('Open with the next release').check();
  await expect(page.getByTestId('shut-strip')).toContainText('The next release opens it');
  await goTo(page, 'Release');
  await expect(page.getByTestId('planned')).toBeVisible();
  await page.getByRole('button', { name: 'Publish as release 6', exact: true }).click();
  await expect(page.getByTestId('released')).toContainText('Release 6 is live');
  await expect(page.getByTestId('shut-strip')).toHaveCount(0);
  expect(await (await visit(page, app, '/about/')).text()).not.toContain('noindex');
  await page.getByRole('link', { name: /^Start/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('People can find');
});

test('a page that is shut twice is shown gate by gate, and opened with one action', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Doors');
  await choosePage(page, 'Family Bibles');
  const gate = (name: string) => page.locator(`[data-gate="${name}"]`);
  await expect(gate('fetchable')).toHaveAttribute('data-outcome', 'shut');
  await expect(gate('fetchable')).toContainText('line 6: Disallow: /services/family');
  await expect(gate('listed')).toHaveAttribute('data-outcome', 'hidden');
  await expect(gate('listed')).toContainText('line 9, column 5');
  await page.getByRole('button', { name: 'For experts' }).click();
  await expect(gate('fetchable')).toContainText('RFC 9309, 2.2.2');
  // Plover has a group of its own, and so another way in.
  await page.getByRole('radio', { name: 'PloverBot', exact: true }).click();
  await expect(gate('fetchable')).toHaveAttribute('data-outcome', 'open');
  await expect(gate('listed')).toHaveAttribute('data-outcome', 'shut');
  await page.getByRole('radio', { name: 'SkerryBot' }).click();
  await page.getByRole('button', { name: 'Open both' }).click();
  await expect(page.getByTestId('page-state')).toContainText('findable');
  for (const name of ['live', 'public', 'answers', 'fetchable', 'listed', 'main-address', 'reachable'])
    await expect(gate(name)).toHaveAttribute('data-outcome', 'open');
  // What is live is still as it was.
  await page.getByRole('button', { name: 'Ask the live address' }).click();
  await expect(page.getByTestId('live')).toContainText('What is live differs from what is planned here');
  await expect(page.getByTestId('live')).toContainText('leads to https://quillfeather.example/services/family-bibles/');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Open both' })).toBeVisible();
});

test('a leaking tag is kept out with its whole kind', async ({ page, app }) => {
  await openDemo(page, app);
  await goToDoors(page, 'Kinds & rules');
  const tags = page.locator('[data-kind="tag"]');
  await expect(tags).toContainText('1 leaking');
  await tags.getByRole('button', { name: 'Keep them out' }).click();
  await expect(tags).toContainText('as you want it');
  await goToDoors(page, 'All pages');
  await expect(page.locator('[data-cell="out listed"]')).toBeDisabled();
  await release(page, 5);
  expect(await (await visit(page, app, '/journal/tag/leather/')).text()).toContain('<meta name="robots" content="noindex');
});

test('of two rules that fit, the first decides, and they change places', async ({ page, app }) => {
  await openDemo(page, app);
  await goToDoors(page, 'Kinds & rules');
  for (const path of ['/journal', '/journal/tag']) {
    await page.getByLabel('Address or part of it').fill(path);
    await page.keyboard.press('Enter');
    await expect(page.locator(`[data-rule="${path}"]`)).toBeVisible();
  }
  await page.getByLabel('Engines should, everything below /journal/tag').selectOption('list');
  await expect(page.locator('[data-rule="/journal/tag"]')).toContainText('a rule before it decides about all of them');
  const states = page.locator('[data-kind="tag"]');
  await expect(states).toContainText('as you want it');
  await page.getByRole('button', { name: 'Ask the rule for /journal/tag earlier' }).click();
  await expect(page.locator('[data-rule]').first()).toHaveAttribute('data-rule', '/journal/tag');
  await expect(page.locator('[data-rule="/journal"]')).toContainText('a rule before it decides about 2');
  // By keyboard alone, and back again.
  const grip = page.getByRole('button', { name: 'Move the rule for /journal/tag' });
  await grip.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('the rule for /journal/tag is at place 1 of 2.')).toBeAttached();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText('the rule for /journal/tag is at place 2 of 2.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(page.locator('[data-rule]').first()).toHaveAttribute('data-rule', '/journal');
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-rule]').first()).toHaveAttribute('data-rule', '/journal/tag');
  await goToDoors(page, 'One page');
  await choosePage(page, 'Tag: repair');
  await expect(page.getByTestId('page-state')).toContainText('findable');
});

test('a hand-written robots.txt of 200 lines is edited without losing a comment', async ({ page, app }) => {
  const lines = ['# robots.txt of the club, kept by hand since 2009', '', 'User-agent: *'];
  for (let at = 0; lines.length < 190; at++)
    lines.push(at % 4 === 0 ? `# ${at}: why the next one stands here` : `Disallow: /old/${at}/   # gone since ${2009 + (at % 9)}`);
  lines.push(
    'Disallow: /members/ # only for members',
    'Disallow: /About/',
    '',
    'User-agent: PloverBot',
    'crawl-delay: 20',
    '# the end',
    '',
    'Sitemap: https://club.example/sitemap.xml',
  );
  while (lines.length < 200) lines.push('#');
  const text = `${lines.join('\r\n')}\r\n`;
  const html = (name: string): Uint8Array =>
    bytes(
      `<!doctype html><html lang="en"><head><title>${name}</title></head><body><h1>${name}</h1><a href="/members/">M</a> <a href="/about/">A</a></body></html>`,
    );
  await importSite(
    page,
    app,
    'club.zip',
    zipOf({ 'index.html': html('Club'), 'members/index.html': html('Members'), 'about/index.html': html('About'), 'robots.txt': bytes(text) }),
  );
  await goToDoors(page, 'robots.txt');
  await expect(page.locator('[data-trouble="wrong-case"]')).toContainText('/about/');
  await expect(page.locator('[data-trouble="wanted-shut"]')).toContainText('Members');
  const area = page.getByLabel('robots.txt as text');
  await expect(area).toHaveValue(text.replaceAll('\r\n', '\n'));
  // A rule in words: the text follows, and what it would change is shown before it is taken.
  const line = lines.indexOf('Disallow: /members/ # only for members') + 1;
  // Rows come as they are near; the list of troubles leads to a line wherever it stands.
  await page
    .locator('[data-trouble="wanted-shut"]')
    .getByRole('button', { name: `line ${line}` })
    .click();
  await page.getByLabel(`Line ${line}: which addresses`).fill('/members/private/');
  await expect(page.getByTestId('draft')).toContainText('opens 1 page: Members');
  await expect(area).toHaveValue(text.replaceAll('\r\n', '\n').replace('Disallow: /members/ #', 'Disallow: /members/private/ #'));
  // The text itself: the words follow.
  await area.fill((await area.inputValue()).replace('Disallow: /About/', 'Disallow: /about/'));
  await expect(page.getByTestId('draft')).toContainText('blocks 1 page: About');
  await expect(page.getByLabel(`Line ${line + 1}: which addresses`)).toHaveValue('/about/');
  await page.getByLabel(`Line ${line + 1}: take it out`).click();
  await expect(page.getByTestId('draft')).not.toContainText('blocks');
  // Not taken yet, it is still there after a reload.
  await page.reload();
  await expect(page.getByTestId('draft')).toContainText('opens 1 page: Members');
  await page.getByRole('button', { name: 'Apply', exact: true }).click();
  await expect(page.getByTestId('draft')).toHaveCount(0);
  await release(page, 1);
  const live = await (await visit(page, app, '/robots.txt', 'club.example')).text();
  const expected = text.replace('Disallow: /members/ #', 'Disallow: /members/private/ #').replace('Disallow: /About/\r\n', '');
  expect(live).toBe(expected);
});

test('what one crawler is told binds only that one; a password keeps everybody out', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Doors');
  await choosePage(page, 'Wheat paste');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByLabel('Text in results').selectOption('most');
  await page.getByLabel('Text in results: at most').fill('40');
  await page.getByLabel('For which engines').selectOption('PloverBot');
  await page.getByLabel('Keep out of PloverBot’s results').check();
  await goToDoors(page, 'Other files');
  await page.getByRole('button', { name: 'all .pdf' }).click();
  await expect(page.locator('[data-file="prices/price-list.pdf"]')).toContainText('noindex');
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Paste it for me' }).click();
  await page.getByRole('button', { name: 'Place it' }).click();
  await release(page, 5);
  const paste = await (await visit(page, app, '/journal/wheat-paste/')).text();
  expect(paste).toContain('<meta name="robots" content="max-snippet:40">');
  expect(paste).toContain('<meta name="ploverbot" content="noindex">');
  expect((await visit(page, app, '/prices/price-list.pdf')).headers()['x-robots-tag']).toBe('noindex');

  // After a day, each engine has what the screens promised, page by page.
  await goTo(page, 'Proof');
  await page.getByRole('button', { name: 'Let Skerry look' }).click();
  await expect(page.getByTestId('proof-outcome')).toContainText('Verified');
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/journal/wheat-paste/"]')).toHaveAttribute('data-outcome', 'listed');
  await page.getByRole('radio', { name: 'Plover' }).click();
  await expect(page.locator('[data-record="/journal/wheat-paste/"]')).toHaveAttribute('data-outcome', 'not-listed');
  await expect(page.locator('[data-record="/basket/"]')).toHaveAttribute('data-outcome', 'not-listed');
  await goToDoors(page, 'All pages');
  for (const engine of ['skerry', 'plover']) {
    await page.getByRole('radio', { name: engine === 'skerry' ? 'Skerry' : 'Plover' }).click();
    const seen = (await (await page.request.get(`${app.address}/api/engines/${engine}/sites/quillfeather.example`)).json()) as EngineSite;
    const pages = seen.records.filter((record) => !record.address.endsWith('.pdf') && record.status !== 404);
    const promised = async (...cells: string[]): Promise<number> => {
      let sum = 0;
      for (const cell of cells) sum += Number(await page.locator(`[data-cell="${cell}"] [data-number]`).textContent());
      return sum;
    };
    expect(pages.filter((record) => record.outcome === 'listed')).toHaveLength(await promised('list listed', 'out listed'));
    expect(pages.filter((record) => record.outcome === 'bare')).toHaveLength(await promised('list bare', 'out bare'));
  }

  await goToDoors(page, 'The whole site');
  await page.getByRole('radio', { name: 'Those with the password' }).click();
  await page.getByLabel('Password for visitors').fill('linen thread');
  await expect(page.getByTestId('shut-strip')).toContainText('asks visitors for a password');
  await release(page, 6);
  expect((await visit(page, app, '/')).status()).toBe(401);
  const entered = await page.request.get(`http://127.0.0.1:${app.hostPort}/`, {
    headers: { host: 'quillfeather.example', authorization: `Basic ${btoa('me:linen thread')}` },
  });
  expect(entered.status()).toBe(200);
  await goTo(page, 'Watch');
  await page.getByRole('button', { name: 'A day on' }).click();
  await goToWatch(page, 'All pages');
  await expect(page.locator('[data-record="/"]')).toHaveAttribute('data-outcome', 'not-listed');
});

test('any address is tried against any crawler', async ({ page, app }) => {
  await openDemo(page, app);
  await goToDoors(page, 'The whole site');
  await page.getByLabel('Name of another crawler').fill('OtherBot/2');
  await expect(page.getByText('Names have letters, hyphens and underscores only.')).toBeVisible();
  await page.getByLabel('Name of another crawler').fill('OtherBot');
  await page.getByRole('button', { name: 'Add it' }).click();
  await goToDoors(page, 'Any address');
  await page.getByLabel('An address on this site').fill('/services/family-bibles/?print=1');
  await expect(page.locator('[data-crawler="OtherBot"]')).toContainText('line 6, Disallow: /services/family, is the longest match');
  await expect(page.locator('[data-crawler="PloverBot"]')).toHaveAttribute('data-allowed', 'true');
  await page.getByLabel('An address on this site').fill('/old-shop/');
  await expect(page.getByTestId('what')).toContainText('the host says 404');
  await page.getByLabel('An address on this site').fill('https://elsewhere.example/');
  await expect(page.getByText('This is not an address of this site.')).toBeVisible();
});
