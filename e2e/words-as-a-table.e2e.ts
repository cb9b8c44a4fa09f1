import { readFile } from 'node:fs/promises';
import { generateSite } from '../bench/generate-site.ts';
import { importSite, choosePage, expect, goTo, goToView, openDemo, test } from './fixtures/app.ts';
import { zipOf } from './fixtures/site.ts';

test.use({ permissions: ['clipboard-read', 'clipboard-write'] });

test('fifty rows of three cells are pasted from a spreadsheet, filled down, and taken back', async ({ page, app }) => {
  const files = Object.fromEntries([...generateSite(70)].map(([path, text]) => [path, new TextEncoder().encode(text)]));
  await importSite(page, app, 'made.zip', zipOf(files, 'site/'));
  await goToView(page, 'Ledger');
  const grid = page.getByTestId('ledger');
  await expect(grid).toBeFocused();
  const block = Array.from({ length: 50 }, (_, row) =>
    [`Pasted title ${row}`, `A "described" page,\nnumber ${row}`, `phrase ${row}`]
      .map((cell) => (/["\n]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell))
      .join('\t'),
  ).join('\r\n');
  await page.evaluate((text) => navigator.clipboard.writeText(text), block);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+v');
  await expect(page.getByText('150 cells changed.')).toBeVisible();
  await expect(grid.locator('[data-row="1"] [data-column="1"]')).toHaveText('Pasted title 0');
  await expect(grid.locator('[data-row="1"] [data-column="2"]')).toHaveText('A "described" page, number 0');
  await page.keyboard.press('Control+ArrowDown');
  await page.keyboard.press('Control+ArrowUp');
  for (let turn = 0; turn < 50; turn++) await page.keyboard.press('ArrowDown');
  await expect(grid.locator('[data-row="50"] [data-column="1"]')).toHaveText('Pasted title 49');

  // What is copied is what a spreadsheet takes.
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Pasted title 49\t"A ""described"" page, number 49"');

  // Filled down from the cursor, written over, and all of it undone step by step.
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+d');
  await expect(grid.locator('[data-row="52"] [data-column="1"]')).toHaveText('Pasted title 49');
  await page.keyboard.press('Enter');
  await page.keyboard.type(' and more');
  await page.keyboard.press('Enter');
  await expect(grid.locator('[data-row="52"] [data-column="1"]')).toHaveText('Pasted title 49 and more');
  for (let turn = 0; turn < 3; turn++) await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+Home');
  await expect(grid.locator('[data-row="1"] [data-column="1"]')).not.toHaveText('Pasted title 0');
});

test('find and replace shows every change before it is made', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'Ledger');
  await page.keyboard.press('Control+h');
  const form = page.getByRole('form', { name: 'Find and replace' });
  await form.getByLabel('Find', { exact: true }).fill('(\\w+) \\| Quillfeather Bindery$');
  await form.getByLabel('Regular expression').check();
  await form.getByLabel('Put in its place').fill('$1 · Quillfeather');
  const changes = form.getByRole('region', { name: 'What would change' }).getByRole('listitem');
  await expect(changes.filter({ hasText: 'Box making · Quillfeather' })).toHaveCount(1);
  const count = await changes.count();
  await form.getByLabel('Change the title of Box making').uncheck();
  await form.getByRole('button', { name: `Replace ${count - 1} texts` }).click();
  const grid = page.getByTestId('ledger');
  await expect(grid.getByText('Book repair · Quillfeather')).toBeVisible();
  await expect(grid.getByText('Box making | Quillfeather Bindery')).toBeVisible();
  await form.getByLabel('Find', { exact: true }).fill('(');
  await expect(form.getByText('This is no regular expression that can be used: a bracket ( is not closed')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(grid.getByText('Book repair | Quillfeather Bindery')).toBeVisible();
});

test('the ledger is narrowed and sorted, and a row does not jump away while it is written', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'Ledger');
  await page.getByRole('combobox', { name: 'Finding' }).selectOption({ label: 'No description' });
  const grid = page.getByTestId('ledger');
  const rows = grid.locator('[data-row]');
  const count = await rows.count();
  expect(count).toBeGreaterThan(2);
  await grid.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('Write, call or come by: how to reach the bindery in Saltmere.');
  await page.keyboard.press('Enter');
  await expect(rows).toHaveCount(count);
  await page.getByRole('button', { name: 'Show all' }).click();
  await grid.getByRole('button', { name: 'Title', exact: true }).click();
  await expect(grid.getByRole('columnheader', { name: 'Title', exact: true })).toHaveAttribute('aria-sort', 'ascending');
  const titles = await grid.locator('[data-row] [data-column="1"]').allTextContents();
  expect([...titles].sort((a, b) => a.localeCompare(b, undefined, { numeric: true, sensitivity: 'base' }))).toEqual(titles);
  await page.getByRole('button', { name: 'Fill empty' }).click();
  await expect(page.getByText(/cells? changed/).first()).toBeVisible();
});

test('a table in windows-1252 with semicolons and odd names comes in, after a look at what it would change', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'In & out');
  const text =
    'Permalink;SEO-Titel;Meta Beschreibung;Preis\r\nhttps://quillfeather.example/services/box-making/;Schachteln f\xfcr B\xfccher \x96 nach Ma\xdf;;12 \x80\r\n/contact/;;"So erreichen Sie uns; Br\xfccke 4";\r\n/gone/;x;y;\r\n';
  const bytes = Buffer.from(Uint8Array.from(text, (character) => character.charCodeAt(0)));
  await page.getByLabel('Table to bring in').setInputFiles({ name: 'alt.csv', mimeType: 'text/csv', buffer: bytes });
  await expect(page.getByLabel('Encoding')).toHaveValue('windows-1252');
  await expect(page.getByLabel('Cells divided by')).toHaveValue(';');
  await expect(page.getByLabel('What “Permalink” means')).toHaveValue('address');
  await expect(page.getByLabel('What “SEO-Titel” means')).toHaveValue('title');
  await expect(page.getByLabel('What “Meta Beschreibung” means')).toHaveValue('description');
  await expect(page.getByTestId('refused-rows')).toContainText('1 row not taken');
  await expect(page.getByTestId('refused-rows')).toContainText('no page of this site answers there');
  await expect(page.getByTestId('changes')).toContainText('Schachteln für Bücher – nach Maß');
  await page.getByRole('button', { name: 'Take in 2 texts' }).click();
  await choosePage(page, 'Box making');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Schachteln für Bücher – nach Maß');
  await page.keyboard.press('Control+z');
  // It was done on another screen: said first, undone at the second press.
  await expect(page.getByText('Press Ctrl Z once more to undo it.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Box making | Quillfeather Bindery');

  // And out again: what was saved comes back without a change.
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Table out' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the table' }).click()]);
  const saved = await readFile(await download.path());
  await page.getByRole('radio', { name: 'Table in' }).click();
  await page.getByLabel('Table to bring in').setInputFiles({ name: 'own.csv', mimeType: 'text/csv', buffer: saved });
  await expect(page.getByRole('button', { name: 'Nothing would change' })).toBeVisible();
});

test('the paste sheet keeps its ticks over a reload, and asks again for what changed since', async ({ page, app }) => {
  await openDemo(page, app);
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Paste sheet' }).click();
  const sheet = page.getByRole('region', { name: 'Box making' });
  await sheet.getByRole('button', { name: 'Copy Title of Box making' }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Box making | Quillfeather Bindery');
  await sheet.getByLabel('Title of Box making is pasted').check();
  await sheet.getByLabel('Description of Box making is pasted').check();
  await expect(page.getByTestId('saved')).toContainText('Saved');
  await page.reload();
  await expect(sheet.getByLabel('Title of Box making is pasted')).toBeChecked();

  await choosePage(page, 'Box making');
  await page.getByLabel('Title', { exact: true }).fill('Boxes for books | Quillfeather Bindery');
  await goToView(page, 'In & out');
  await expect(sheet.getByText('changed: paste again')).toHaveCount(1);
  await expect(sheet.getByLabel('Title of Box making is pasted')).not.toBeChecked();
  await expect(sheet.getByLabel('Description of Box making is pasted')).toBeChecked();
  await sheet.getByLabel('Title of Box making is pasted').check();
  await expect(page.getByText('changed: paste again')).toHaveCount(0);
  await goTo(page, 'Words');
});

test('the paste sheet has every text that changes, told with what it belongs to', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  await page.locator('[data-part="share"] summary').click();
  await page.getByLabel('Share title', { exact: true }).fill('Boxes & slipcases');
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Paste sheet' }).click();
  const sheet = page.getByRole('region', { name: 'Box making' });
  await expect(sheet.locator('[data-field="shareTitle"]')).toContainText('Boxes & slipcases');
  await sheet.getByLabel('Share title of Box making is pasted').check();
  await page.reload();
  await expect(sheet.getByLabel('Share title of Box making is pasted')).toBeChecked();
  // What is undone is not to be pasted any more.
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(sheet.locator('[data-field="shareTitle"]')).toHaveCount(0);
});

test('each suggestion has a key of its own, wherever the cursor is', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  const description = page.locator('[data-field="description"]');
  const offered = description.getByRole('list', { name: 'From this page' }).locator('bdi').first();
  const text = (await offered.textContent()) ?? '';
  await expect(description.locator('kbd').first()).toHaveText('Alt 5');
  await page.getByLabel('Title', { exact: true }).focus();
  const title = await page.getByLabel('Title', { exact: true }).inputValue();
  await page.keyboard.press('Alt+5');
  await expect(page.getByLabel('Description', { exact: true })).toHaveValue(text);
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(title);
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Description', { exact: true })).not.toHaveValue(text);
});

test('an owner whose builder gives no files types addresses, writes words, and carries them over by the paste sheet', async ({ page, app }) => {
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'A list of addresses' }).click();
  await page.getByLabel(/^Addresses, one a line/).fill('https://potter.example/\nhttps://potter.example/cups\nhttps://potter.example/opening-hours');
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Whether people can find these 3 pages isn’t known yet.');
  await expect(page.getByTestId('look-due')).toContainText('nobody has looked at them yet');
  await goTo(page, 'Words');
  await choosePage(page, '/opening-hours/');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Opening hours');
  await page.getByLabel('Title', { exact: true }).fill('When the pottery is open');
  await goToView(page, 'In & out');
  await page.getByRole('radio', { name: 'Paste sheet' }).click();
  await expect(page.getByRole('region', { name: 'Opening hours' })).toContainText('When the pottery is open');
});
