import AxeBuilder from '@axe-core/playwright';
import { expect, goTo, openDemo, test, visit } from './fixtures/app.ts';

const LOADER = "<script>window.loaded='https://tags.example/l.js'</script>";
const FRAME = '<noscript><iframe src="https://tags.example/ns.html"></iframe></noscript>';

test('a service’s code stands once on all pages, is turned off without being lost, and is never run here', async ({ page, app }) => {
  await openDemo(page, app);
  const asked: string[] = [];
  page.on('request', (request) => void (request.url().includes('tags.example') && asked.push(request.url())));
  await goTo(page, 'Proof');
  await page.getByRole('navigation', { name: 'What is placed for others' }).getByRole('link', { name: 'Snippets' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Code of other services');
  const paste = page.getByLabel('Paste what it gave you');
  await paste.fill('<script>var a = 1;');
  await expect(page.getByText('Something in it is never closed')).toBeVisible();
  await paste.fill(`${LOADER}\n${FRAME}`);
  await expect(page.getByTestId('snippet-told')).toContainText('It talks to tags.example.');
  await page.getByLabel('What it is, for yourself').fill('Tags');
  expect((await new AxeBuilder({ page }).analyze()).violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
  await page.getByRole('button', { name: 'Place both, each in its part' }).click();
  await expect(page.locator('[data-snippet="Tags, head"]')).toContainText('on all pages');
  await expect(page.locator('[data-snippet="Tags, body"]')).toContainText('34 of them wait for release');

  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  for (const path of ['/', '/prices/', '/shop/linen-journal/']) {
    const html = await visit(page, app, path);
    expect(html.split(LOADER)).toHaveLength(2);
    expect(html.indexOf(LOADER)).toBeLessThan(html.indexOf('</head>'));
    expect(html.indexOf(FRAME)).toBeGreaterThan(html.indexOf('<body'));
  }

  // Only on the posts from now on, and the other part off: kept, and in no page.
  await goTo(page, 'Proof');
  await page.getByRole('navigation', { name: 'What is placed for others' }).getByRole('link', { name: 'Snippets' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Code of other services');
  await page.locator('[data-snippet="Tags, head"]').getByRole('button', { name: 'Change' }).click();
  await page.getByRole('radio', { name: 'By kind' }).click();
  await page.getByRole('button', { name: /^Posts/ }).click();
  await page.getByRole('button', { name: 'Change it' }).click();
  await page.getByRole('checkbox', { name: 'Tags, body is on' }).uncheck();
  await expect(page.locator('[data-snippet="Tags, body"]')).toContainText('Off: kept, and in no page.');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 6' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  expect(await visit(page, app, '/prices/')).not.toContain('tags.example');
  expect(await visit(page, app, '/journal/why-we-sew/')).toContain(LOADER);
  expect(await visit(page, app, '/journal/why-we-sew/')).not.toContain(FRAME);
  expect(asked).toEqual([]);
});

test('a snippet that would change what pages say is refused with its reason, and goes once it is repaired', async ({ page, app }) => {
  await openDemo(page, app);
  await page
    .getByRole('navigation', { name: 'The path' })
    .getByRole('link', { name: /^Proof/ })
    .click();
  await page.getByRole('navigation', { name: 'What is placed for others' }).getByRole('link', { name: 'Snippets' }).click();
  const code = page.getByLabel('Paste what it gave you');
  await code.fill('<script async src="https://stats.example/s.js"></script>\n<meta name="somecrawler" content="noindex">\n<h2>Statistics</h2>');
  await expect(page.getByText('It would change what the page says about itself')).toContainText('what crawlers may do with it, its headings and its words.');
  await expect(page.getByRole('button', { name: 'Place it' })).toHaveCount(0);
  await code.fill('<script async src="https://stats.example/s.js"></script>\n<div>');
  await expect(page.getByText('Something in it is never closed')).toBeVisible();
  await code.fill('<script async src="https://stats.example/s.js"></script>');
  await expect(page.getByTestId('snippet-fits')).toContainText('they still say what they say now');
  await page.getByRole('button', { name: 'Place it' }).click();
  await expect(page.locator('[data-snippet="stats.example"]')).toContainText('34 of them wait for release');
});
