import { choosePage, expect, goTo, test } from './fixtures/app.ts';

test('a folder is opened, and what changed goes back into it', async ({ page, app }) => {
  // The browser's private file system stands in for a folder on disk: the same handles, without a dialog.
  await page.addInitScript(() => {
    window.showDirectoryPicker = async () => {
      const root = await navigator.storage.getDirectory();
      const folder = await root.getDirectoryHandle('my-club', { create: true });
      if (!sessionStorage.getItem('filled')) {
        const write = async (at: FileSystemDirectoryHandle, name: string, text: string): Promise<void> => {
          const writable = await (await at.getFileHandle(name, { create: true })).createWritable();
          await writable.write(text);
          await writable.close();
        };
        await write(
          folder,
          'index.html',
          '<!doctype html>\n<html lang="en">\n<head>\n  <title>Rowing club</title>\n</head>\n<body><h1>Rowing club</h1><a href="news/">News</a></body></html>\n',
        );
        await write(await folder.getDirectoryHandle('news', { create: true }), 'index.html', '<html lang="en"><title>News 2</title><h1>News</h1></html>');
        sessionStorage.setItem('filled', 'yes');
      }
      return folder;
    };
  });
  await page.goto(`${app.address}/sites`);
  await page.getByRole('button', { name: 'Open a folder' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('People can find all 2 pages you want found.');
  await goTo(page, 'Words');
  await choosePage(page, 'News');
  await expect(page.locator('[data-finding="name-number"]')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('News of the rowing club');
  await goTo(page, 'Release');
  await page.getByRole('button', { name: 'Write into my-club' }).click();
  await expect(page.getByText('1 file written into my-club.')).toBeVisible();
  const news = await page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('my-club');
    return (await (await (await folder.getDirectoryHandle('news')).getFileHandle('index.html')).getFile()).text();
  });
  expect(news).toBe('<html lang="en"><title>News of the rowing club</title><h1>News</h1></html>');
  await page.getByRole('button', { name: 'Count it as released' }).click();
  await expect(page.getByText('Everything is released')).toBeVisible();
  // Read again, the folder says itself what was written into it: there the owner's word falls away.
  await page.goto(page.url().replace(/\/release.*/, '/new-version'));
  await page.getByRole('button', { name: 'Read my-club again' }).click();
  await expect(page.getByTestId('version-plan')).toContainText('dropped: the site says it itself now');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByTestId('version-taken')).toBeVisible();
  await page.getByRole('button', { name: 'Read my-club again' }).click();
  await expect(page.getByText('These are the very files that are here.')).toBeVisible();
  await goTo(page, 'Words');
  await choosePage(page, 'News');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('News of the rowing club');
});
