import type { Page } from '@playwright/test';
import { choosePage, expect, goTo, openDemo, test } from './fixtures/app.ts';

const title = (page: Page) => page.getByLabel('Title', { exact: true });
const description = (page: Page) => page.getByLabel('Description', { exact: true });

/** Lets the browser keep so many bytes for the program, and no more. */
async function limit(page: Page, address: string, bytes: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Storage.overrideQuotaForOrigin', { origin: new URL(address).origin, quotaSize: bytes });
}

/** Fills what room is left with something else; or clears it away again. */
const fill = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const open = indexedDB.open('something-else', 1);
    open.onupgradeneeded = () => open.result.createObjectStore('bytes', { autoIncrement: true });
    await new Promise((ready) => (open.onsuccess = ready));
    for (let size = 1_000_000; size >= 1;) {
      const transaction = open.result.transaction('bytes', 'readwrite');
      const bytes = new Uint8Array(size);
      for (let at = 0; at < size; at += 65_536) crypto.getRandomValues(bytes.subarray(at, at + 65_536));
      transaction.objectStore('bytes').add(bytes);
      const kept = await new Promise<boolean>((done) => {
        transaction.oncomplete = () => done(true);
        transaction.onabort = () => done(false);
      });
      if (!kept) size = Math.floor(size / 4);
    }
    open.result.close();
  });
const clear = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const gone = indexedDB.deleteDatabase('something-else');
    await new Promise((done) => (gone.onsuccess = done));
  });

test('a hostile morning: storage full, worker killed, server gone, another tab, a tab closed, the program renewed; and nothing is lost', async ({
  page,
  app,
  context,
}) => {
  await limit(page, app.address, 12_000_000);
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Prices');
  await title(page).fill('Before the storm');
  await expect(page.getByText('Saved', { exact: false }).first()).toBeVisible();

  // The disk is full. It is said, with what to do; typing goes on, and leaving warns.
  await fill(page);
  await title(page).fill('Typed without room');
  await expect(page.getByTestId('not-saved')).toContainText('no room left');
  await description(page).fill('This too was typed without room.');
  await expect(page.getByTestId('not-saved')).toContainText(/\d+ changes are not saved|1 change is not saved/);
  const asked = page.waitForEvent('dialog');
  void page.goto(`${app.address}/sites`).catch(() => undefined);
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a file' }).click()]);
  expect(saved.suggestedFilename()).toBe('Quillfeather-Bindery.beacon');

  // The worker dies meanwhile: it is started again, and the page goes on being checked.
  await page.workers()[0]?.evaluate(() => self.close());
  await expect(page.getByText('was started again')).toBeVisible();
  await expect(title(page)).toHaveValue('Typed without room');

  // There is room again: written without a key or a press.
  await limit(page, app.address, 100_000_000);
  await clear(page);
  await expect(page.getByTestId('not-saved')).toHaveCount(0);

  // Another tab writes into another page; both are in step.
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(title(other)).toHaveValue('Typed without room');
  await choosePage(other, 'Contact');
  await description(other).fill('From the other tab.');
  await choosePage(page, 'Contact');
  await expect(description(page)).toHaveValue('From the other tab.');

  // The server goes. Words go on; what needs it says so.
  await app.stop();
  await title(page).fill('Contact, without a server');
  await goTo(page, 'Watch');
  await expect(page.getByText('The program’s server does not answer.').first()).toBeVisible();
  await expect(page.getByTestId('server-away')).toBeVisible();

  // The tab that typed last is closed in the middle; the server comes back with the program built anew: old parts are gone.
  await page.close({ runBeforeUnload: false });
  await app.start();
  await other.route('**/assets/*.js', (route) => route.fulfill({ status: 404, body: '{}', contentType: 'application/json' }));
  await other.bringToFront();
  await expect(title(other)).toHaveValue('Contact, without a server');
  await other.unroute('**/assets/*.js');

  // A new tab finds everything.
  const last = await context.newPage();
  await last.goto(app.address);
  await expect(last.getByRole('heading', { level: 1 })).toContainText('People can find');
  await goTo(last, 'Words');
  await choosePage(last, 'Prices');
  await expect(title(last)).toHaveValue('Typed without room');
  await expect(description(last)).toHaveValue('This too was typed without room.');
  await choosePage(last, 'Contact');
  await expect(title(last)).toHaveValue('Contact, without a server');
  await expect(description(last)).toHaveValue('From the other tab.');
});

test('ten thousand keys into a site fact, one undo, and a reload', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await page.getByRole('link', { name: 'Site', exact: true }).click();
  const fact = page.getByLabel(/What the site is, in a sentence/);
  await fact.focus();
  // Each key as the field hears it, without the machine's typing in between.
  const keys = await fact.evaluate(async (field: HTMLTextAreaElement | HTMLInputElement) => {
    const set = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')!.set!;
    for (let key = 1; key <= 10_000; key++) {
      if (key % 20 === 0) await new Promise((next) => setTimeout(next));
      set.call(field, 'n'.repeat(key % 997) + key);
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }
    return 10_000;
  });
  expect(keys).toBe(10_000);
  await expect(page.getByText('Saved', { exact: false }).first()).toBeVisible();
  const typed = await fact.inputValue();
  await page.keyboard.press('Control+z');
  const after = await fact.inputValue();
  expect(after).not.toBe(typed);
  expect(after).not.toBe('');
  await expect(page.getByTestId('saved')).toContainText('Saved');
  await page.reload();
  await expect(fact).toHaveValue(after);
  await page.getByRole('link', { name: 'Your sites' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /^Export/ }).click()]);
  expect(download.suggestedFilename()).toBe('Quillfeather-Bindery.beacon');
});
