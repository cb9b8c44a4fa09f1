import { choosePage, expect, goTo, goToView, openDemo, test } from './fixtures/app.ts';
import { leftToFix, walkIsOver } from './fixtures/walk.ts';

const LEFT = /to fix|passed over/;

test('the whole demo is filled by the walk, with the keyboard alone, until it is good enough', async ({ page, app }) => {
  await openDemo(page, app);
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByTestId('walk')).toContainText(LEFT);
  const atFirst = await leftToFix(page);
  expect(atFirst).toBeGreaterThan(8);

  // One page is passed over, and come back to.
  const passed = await page.getByRole('heading', { level: 1 }).textContent();
  await page.keyboard.press('Alt+s');
  await expect(page.getByTestId('walk')).toContainText('1 passed over');
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(passed ?? '');
  await page.keyboard.press('Alt+b');
  await expect(page.getByTestId('walk')).toContainText(`${atFirst} pages to fix`);

  let keys = 0;
  for (let turn = 0; turn < 60 && (await leftToFix(page)) > 0; turn++) {
    const before = page.url();
    if ((await page.getByText('Good enough, stop here. What is left is polish.').count()) > 0 || turn > 0) {
      await page.keyboard.press('Alt+ArrowDown');
      keys++;
      await expect(page).not.toHaveURL(before);
      await expect(page.getByTestId('look')).toBeVisible();
      // The walk leads only to pages that have something to fix.
      await expect(page.locator('aside .cost-blocks, aside .cost-weakens').first()).toBeVisible();
    }
    // One key mends what can be mended by itself, another takes the page's own best sentence.
    for (let mend = 0; mend < 4; mend++) {
      const finding = page.locator('aside [data-finding]').first();
      if ((await page.locator('aside .cost-blocks, aside .cost-weakens').count()) === 0) break;
      const code = await finding.getAttribute('data-finding');
      await page.keyboard.press(code === 'description-same' ? 'Alt+5' : 'Alt+Enter');
      keys++;
      await expect(page.locator(`aside [data-finding="${code}"]`)).toHaveCount(0);
    }
  }
  await expect(walkIsOver(page)).toBeVisible();
  // Two keys a page, and a few for pages with two things to mend.
  expect(keys).toBeLessThan(atFirst * 3);
  await goTo(page, 'Words');
  // What is left is no matter of words: the markup that one page came with.
  await expect(page.getByRole('button', { name: /^To fix/ })).toHaveText('To fix 1');
  await goTo(page, 'Meaning');
  await choosePage(page, 'Linen journal');
  await page.getByRole('radio', { name: 'Take out' }).click();
  await expect(page.getByRole('button', { name: /^To fix/ })).toHaveCount(0);
});

test('a pattern is made and changed: what it changes is seen first, a page overrides it and returns', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'Patterns');
  await page.getByRole('button', { name: /^Posts/ }).click();
  await page.getByRole('button', { name: 'Make one' }).click();
  const adder = page.getByRole('combobox', { name: 'Add a part or a text' });
  await adder.fill('from the bench');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Apply: this changes 6 pages/ })).toBeVisible();
  await expect(page.getByTestId('changes')).toContainText('Why we sew | Quillfeather Bindery from the bench');
  // The text goes to its place with the keyboard.
  await page.getByRole('button', { name: 'Move from the bench' }).focus();
  // Each step is told, to those who do not see it.
  const told = page.locator('[id^="DndLiveRegion"]');
  let last = '';
  for (const key of ['Space', 'ArrowLeft', 'ArrowLeft', 'Space']) {
    await page.keyboard.press(key);
    await expect(told).not.toHaveText(last);
    last = (await told.textContent()) ?? '';
  }
  await expect(page.getByTestId('changes')).toContainText('Why we sew from the bench | Quillfeather Bindery');
  await page.getByRole('button', { name: /^Apply/ }).click();

  await choosePage(page, 'Why we sew');
  await expect(page.getByText('follows its kind’s pattern').first()).toBeVisible();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Why we sew from the bench | Quillfeather Bindery');
  await page.getByLabel('Title', { exact: true }).fill('Why we sew, and do not glue');
  await page.getByRole('button', { name: 'Back to the pattern' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Why we sew from the bench | Quillfeather Bindery');

  // Changed again, it says what it changes, and undo takes it back as one step.
  await goToView(page, 'Patterns');
  await page.getByRole('button', { name: 'from the bench', exact: true }).click();
  await page.getByLabel('Text', { exact: true }).fill('in the journal');
  await page.getByRole('button', { name: /^Apply: this changes 6 pages/ }).click();
  await choosePage(page, 'Why we sew');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Why we sew in the journal | Quillfeather Bindery');
  await page.keyboard.press('Control+z');
  // It was done on another screen: said first, undone at the second press.
  await expect(page.getByText('Press Ctrl Z once more to undo it.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Why we sew from the bench | Quillfeather Bindery');
});

test('a new address ending takes links along, leaves a page that leads on, and is undone as one', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  const ending = page.getByLabel('Address ending', { exact: true });
  await ending.fill('book boxes!');
  await expect(page.getByText('Letters, figures and hyphens only')).toHaveCount(1);
  await ending.fill('book-repair');
  await expect(page.getByText('Another page has this address already.')).toBeVisible();
  await ending.fill('book-boxes');
  await page.keyboard.press('Enter');
  await expect(page.locator('main')).toContainText('quillfeather.example/services/book-boxes/');

  await goTo(page, 'Release');
  const moved = page.locator('[data-waiting="services/box-making/index.html"]');
  await expect(moved).toHaveCount(2);
  await expect(moved.first()).toContainText('services/book-boxes/index.html');
  const linking = page.locator('[data-waiting="services/index.html"]');
  await linking.getByRole('button').first().click();
  await expect(linking.locator('[data-line="+"]').filter({ hasText: 'book-boxes' }).first()).toBeVisible();
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: /^Redirects/ }).click();
  await expect(page.getByLabel('In an .htaccess file')).toContainText('RedirectMatch 301 "^/services/box-making/$" "/services/book-boxes/"');

  await page.keyboard.press('Control+z');
  await expect(page.getByText('No address has changed')).toBeVisible();
  await goTo(page, 'Release');
  await expect(page.locator('[data-waiting]')).toHaveCount(3);
});

test('a page that moved answers at its new address once it is released, and the old one leads on', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  await page.getByLabel('Address ending', { exact: true }).fill('book-boxes');
  await page.keyboard.press('Enter');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Publish as release 5' }).click();
  await expect(page.getByTestId('released')).toBeVisible();
  const at = async (path: string): Promise<string> =>
    (await page.request.get(`http://127.0.0.1:${app.hostPort}${path}`, { headers: { host: 'quillfeather.example' } })).text();
  expect(await at('/services/book-boxes/')).toContain('<h1>Box making</h1>');
  const old = await at('/services/box-making/');
  expect(old).toContain('content="0; url=/services/book-boxes/"');
  expect(old).toContain('<link rel="canonical" href="https://quillfeather.example/services/book-boxes/">');
  expect(await at('/services/')).toMatch(/href="(\/services\/|\.\/)?book-boxes\/"/);
  expect(await at('/services/')).not.toContain('box-making/');
});

test('texts, links and pictures of a page are changed where they stand', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  await page.locator('[data-part="text"] > summary').click();
  const line = page.locator('[data-passage]').filter({ hasText: 'closes without rubbing' });
  await line.getByRole('button', { name: 'Change this text' }).click();
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('Each box is made by hand to the measure of one book, so it closes without rubbing.');
  await page.keyboard.press('Enter');
  await expect(line.getByRole('paragraph')).toContainText('made by hand to the measure');
  const other = page.locator('[data-passage]').filter({ hasText: 'Bring the book, or measure height' });
  await other.getByRole('button', { name: 'Set a link on words' }).click();
  await page.getByLabel('On the words').fill('Bring the book');
  await page.getByLabel('Leads to').fill('visit');
  await page.getByRole('button', { name: 'Set the link' }).click();
  await expect(other).toContainText('“Bring the book” leads to /visit/');

  await goToView(page, 'Pictures');
  await page.getByLabel('Alt text of clamshell-open.jpg').fill('A clamshell box, open, with a book in it');
  await goTo(page, 'Release');
  const waiting = page.locator('[data-waiting="services/box-making/index.html"]');
  await waiting.getByRole('button').first().click();
  const added = waiting.locator('[data-line="+"]');
  await expect(added.filter({ hasText: 'made by hand to the measure' })).toBeVisible();
  await expect(added.filter({ hasText: '<a href="/visit/">Bring the book</a>' })).toBeVisible();
  await expect(added.filter({ hasText: 'alt="A clamshell box, open, with a book in it"' })).toBeVisible();
  await waiting.getByRole('button', { name: 'Undo this' }).click();
  await expect(waiting).toHaveCount(0);
});

test('look-alikes are mended side by side, and a finding that is let be can be counted again', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'Alike');
  const group = page.getByRole('region', { name: 'Same description' });
  await expect(group).toHaveCount(1);
  await group.getByLabel('Description of Materials').fill('Paper, cloth, leather and thread: what we bind with, and where it comes from.');
  await group.getByLabel('Description of Gold tooling').fill('Letters and lines in real gold leaf, pressed by hand with warm brass.');
  await expect(group).toContainText('fixed');

  await choosePage(page, 'Box making');
  const finding = page.locator('[data-finding="description-cut"]');
  await finding.getByRole('button', { name: 'Let it be' }).click();
  await finding.getByLabel('Why it may be so').fill('The end may be cut');
  await page.keyboard.press('Enter');
  await expect(finding).toHaveCount(0);
  await page.getByRole('button', { name: 'Count it again' }).click();
  await expect(finding).toHaveCount(1);
});

test('from the owner’s words come the searches people make, and a gap gets its page', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'Phrases');
  await page.getByLabel('What you offer').fill('book repair\nbell casting');
  await page.getByLabel('Where').fill('Saltmere');
  const gap = page.getByTestId('phrases').getByRole('listitem').filter({ hasText: 'bell casting' }).filter({ hasText: 'nobody’s' }).first();
  await expect(gap).toBeVisible();
  // Pages to choose from are made where somebody chooses, and nowhere else.
  await expect(page.getByTestId('phrases').locator('option')).toHaveCount(0);
  await gap.getByRole('button', { name: /^Give it a page/ }).click();
  await gap.getByRole('combobox').selectOption({ label: 'Services' });
  await expect(page.getByTestId('phrases').getByRole('listitem').filter({ hasText: 'bell casting' }).filter({ hasText: 'weak' }).first()).toBeVisible();
  await page.getByRole('slider', { name: 'What “bell casting Saltmere” is worth' }).press('ArrowRight');
  await expect(page.getByTestId('phrases').getByRole('listitem').first()).toContainText('bell casting Saltmere');
});
