import { chromium, type Browser, type Page } from '@playwright/test';
import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { zipSync } from 'fflate';
import { readPage } from '../core/page/index.ts';
import { CHROMIUM, CHROMIUM_ARGS } from '../e2e/fixtures/site.ts';
import { serve } from '../e2e/fixtures/served.ts';
import { median, percentile, slower, within, type Row } from './measure.ts';
import { yardstick } from './yardstick.ts';

declare global {
  interface Window {
    bench: { longTasks: number[]; opening: number; first: number; ready: number; keys: number[]; sameAt: number };
  }
}

/** Watches from inside the page: long tasks, when the site was opened, what each key cost. */
export function watch(): void {
  window.bench = { longTasks: [], opening: 0, first: 0, ready: 0, keys: [], sameAt: 0 };
  new PerformanceObserver((list) => list.getEntries().forEach((entry) => window.bench.longTasks.push(entry.duration))).observe({
    type: 'longtask',
    buffered: true,
  });
  new MutationObserver(() => {
    if (window.bench.opening === 0 && document.body?.textContent?.includes('Reading the site')) window.bench.opening = performance.now();
    const shell = window.bench.ready === 0 && document.querySelector('.shell') !== null;
    if (shell && window.bench.first === 0) window.bench.first = performance.now();
    // Rows of last time stand there first; it is open when the files were looked at.
    if (shell && !document.querySelector('[data-testid="agreeing"]')) window.bench.ready = performance.now();
    if (window.bench.sameAt === 0 && document.querySelector('[data-finding="title-same"]')) window.bench.sameAt = performance.now();
  }).observe(document, { childList: true, subtree: true, characterData: true });
  let started = 0;
  window.addEventListener('keydown', () => (started = performance.now()), true);
  window.addEventListener('input', () =>
    // The drawing library finishes in a microtask of the same event; ours comes behind it.
    queueMicrotask(() => {
      // Forces what is left of style and layout, so that it is counted too.
      void document.body.offsetHeight;
      window.bench.keys.push(performance.now() - started);
    }),
  );
}

export async function withApp<T>(run: (browser: Browser, address: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'bench-'));
  const served = serve();
  const { port } = await served.open(folder);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
  try {
    return await run(browser, `http://127.0.0.1:${port}`);
  } finally {
    await browser.close();
    await served.close();
    await served.end();
    await rm(folder, { recursive: true, force: true });
  }
}

export async function importSite(page: Page, address: string, files: ReadonlyMap<string, Uint8Array>): Promise<void> {
  const zip = Buffer.from(zipSync(Object.fromEntries(files), { level: 1 }));
  const path = join(await mkdtemp(join(tmpdir(), 'bench-zip-')), 'site.zip');
  await (await import('node:fs/promises')).writeFile(path, zip);
  await page.goto(`${address}/sites`);
  await page.getByLabel('Open a ZIP or a project file').setInputFiles(path);
  await page.locator('.shell').waitFor({ timeout: 180_000 });
  await rm(join(path, '..'), { recursive: true });
}

/** Resident memory of all renderer processes of this browser, in MB: the page and its worker live in one of them. */
async function rendererMemory(): Promise<number> {
  let sum = 0;
  for (const pid of (await readdir('/proc')).filter((name) => /^\d+$/.test(name))) {
    const command = await readFile(`/proc/${pid}/cmdline`, 'utf8').catch(() => '');
    if (!command.includes('--type=renderer')) continue;
    const status = await readFile(`/proc/${pid}/status`, 'utf8').catch(() => '');
    sum += Number(/RssAnon:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1000;
  }
  return sum;
}

/** Opening a site that is kept in the browser, against the core reading the same pages in Node. */
export function openingRows(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage();
    await page.addInitScript(watch);
    await importSite(page, address, files);
    const pages = [...files].filter(([path]) => /\.html?$/.test(path));
    const node: number[] = [];
    const opened: number[] = [];
    const long: number[] = [];
    const slowness = await yardstick(page);
    for (let turn = 0; turn < 3; turn++) {
      const started = performance.now();
      for (const [, bytes] of pages) readPage(bytes);
      node.push(performance.now() - started);
      await page.reload();
      await page.waitForFunction(() => window.bench.ready > 0, undefined, { timeout: 60_000 });
      await page.waitForTimeout(1500);
      const { opening, ready, longTasks } = await page.evaluate(() => window.bench);
      opened.push(ready - opening);
      long.push(Math.max(0, ...longTasks));
    }
    return [
      slower(`opening ${pages.length.toLocaleString('en')} pages, ${name}`, { ours: percentile(opened, 0.5), peer: percentile(node, 0.5) }, 'core in Node', 2),
      within('the longest task on the page while it opens', median(long), 50, 'ms', slowness),
    ];
  });
}

/** Opening a site again that was open before: how soon its first screen stands, with the rows of last time, and whether anything holds the page up meanwhile. */
export function keptRows(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(watch);
    await importSite(page, address, files);
    // Rows are kept once it is quiet: near copies were compared, and how pages read was measured.
    for (let kept = 0; kept === 0; await page.waitForTimeout(1_000))
      kept = await page.evaluate(
        () =>
          new Promise<number>((done) => {
            const open = indexedDB.open('jolly-beacon');
            open.onsuccess = () => {
              const count = open.result.transaction('rows').objectStore('rows').count();
              count.onsuccess = () => {
                open.result.close();
                done(count.result);
              };
            };
          }),
      );
    const first: number[] = [];
    const long: number[] = [];
    const slowness = await yardstick(page);
    for (let turn = 0; turn < 3; turn++) {
      await page.reload();
      await page.waitForFunction(() => window.bench.ready > 0, undefined, { timeout: 120_000 });
      await page.waitForTimeout(1500);
      const bench = await page.evaluate(() => window.bench);
      first.push(bench.first - bench.opening);
      long.push(Math.max(0, ...bench.longTasks));
    }
    return [
      within(`first screen of a kept site of ${files.size.toLocaleString('en')} files, ${name}`, median(first), 400, 'ms', slowness),
      within('… the longest task on the page until it agrees with the files', median(long), 50, 'ms', slowness),
    ];
  });
}

/** Typing in a site of thousands of pages: what a key costs the page, how soon the whole site agrees, what it all takes. */
export function typingRows(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(watch);
    await importSite(page, address, files);
    await page
      .getByRole('navigation', { name: 'The path' })
      .getByRole('link', { name: /^Words/ })
      .click();
    const title = page.getByLabel('Title', { exact: true });
    const slowness = await yardstick(page);
    const keys: number[] = [];
    const memory: number[] = [];
    for (let turn = 0; turn < 3; turn++) {
      await title.fill('');
      await page.evaluate(() => (window.bench.keys = []));
      await title.pressSequentially('Boxes made to measure for rare and for well-loved books in linen', { delay: 60 });
      keys.push(percentile(await page.evaluate(() => window.bench.keys), 0.95));
      memory.push(await rendererMemory());
    }
    const other = (await page.locator('[data-page]').nth(3).getAttribute('title')) ?? '';
    const theirs = /<title>([^<]*)/.exec(new TextDecoder().decode(files.get(`${other.slice(1)}index.html`) ?? files.get(other.slice(1))))?.[1] ?? '';
    const surveys: number[] = [];
    for (let turn = 0; turn < 12; turn++) {
      await title.fill(theirs.slice(0, -1));
      await page.locator('[data-finding="title-same"]').waitFor({ state: 'detached' });
      await page.waitForTimeout(150);
      await page.evaluate(() => {
        window.bench.sameAt = 0;
        window.addEventListener('keydown', () => (window.bench.opening = performance.now()), { capture: true, once: true });
      });
      await title.press('End');
      await page.evaluate(() => window.addEventListener('keydown', () => (window.bench.opening = performance.now()), { capture: true, once: true }));
      await title.pressSequentially(theirs.slice(-1));
      await page.locator('[data-finding="title-same"]').waitFor();
      const { sameAt, opening } = await page.evaluate(() => window.bench);
      surveys.push(sameAt - opening);
    }
    memory.push(await rendererMemory());
    return [
      within(`a key at ${files.size.toLocaleString('en')} files, ${name}, main thread, 95th percentile`, median(keys), 16, 'ms', slowness),
      within('… the same until the whole site agrees, 95th percentile', percentile(surveys, 0.95), 150, 'ms', slowness),
      within(`memory of the browser's page, ${name}`, median(memory), 600, 'MB'),
    ];
  });
}

/** The ledger of ten thousand pages under the wheel: rows must be there in every frame, and no task may hold the page up. */
export function ledgerRows(files: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(watch);
    await importSite(page, address, files);
    await page
      .getByRole('navigation', { name: 'The path' })
      .getByRole('link', { name: /^Words/ })
      .click();
    await page.getByRole('link', { name: 'Ledger', exact: true }).click();
    await page.getByTestId('ledger').waitFor();
    await page.waitForTimeout(1500);
    const slowness = await yardstick(page);
    const pass = () =>
      page.evaluate(async () => {
        window.bench.longTasks = [];
        const grid = document.querySelector<HTMLElement>('.ledger-grid') as HTMLElement;
        let gaps = 0;
        const frames: number[] = [];
        let last = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
        // Faster than hands: some 14,000 px a second.
        const step = 240;
        const seen = new Set<string>();
        for (let turn = 0; turn < 200; turn++) {
          grid.scrollTop = turn * step;
          const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve));
          frames.push(now - last);
          last = now;
          // What is drawn must cover what is seen.
          const view = grid.getBoundingClientRect();
          const rows = [...grid.querySelectorAll<HTMLElement>('[data-row]')].map((row) => row.getBoundingClientRect());
          const top = Math.min(...rows.map((row) => row.top));
          const bottom = Math.max(...rows.map((row) => row.bottom));
          if (top > view.top + 40 || bottom < view.bottom - 2) gaps++;
          for (const row of grid.querySelectorAll<HTMLElement>('[data-row]')) seen.add(row.dataset['row'] ?? '');
        }
        return { gaps, frames, seen: seen.size, long: Math.max(0, ...window.bench.longTasks) };
      });
    const passes = [await pass(), await pass(), await pass()];
    const seen = passes[0]?.seen ?? 0;
    return [
      within(
        `ledger of ${files.size.toLocaleString('en')} pages: frames of 200 with a gap, ${seen.toLocaleString('en')} rows passed`,
        Math.max(...passes.map(({ gaps }) => gaps)),
        0,
        'frames',
      ),
      within(
        '… a frame while it scrolls at 14,000 px a second, painted by the processor, 95th percentile',
        median(passes.map(({ frames }) => percentile(frames, 0.95))),
        50,
        'ms',
        slowness,
      ),
      within('… the longest task while it scrolls', median(passes.map(({ long }) => long)), 50, 'ms', slowness),
    ];
  });
}

/** What the first screen needs: the shell's bytes, and how soon it can be used. */
export function shellRows(): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage();
    const sizes: number[] = [];
    const loads: Promise<unknown>[] = [];
    page.on('response', (response) => {
      if (/\/assets\/.*\.(js|css)$/.test(response.url()) && !response.url().includes('worker'))
        loads.push(
          response.body().then(
            (body) => sizes.push(gzipSync(body).length),
            () => undefined,
          ),
        );
    });
    await page.goto(`${address}/sites`);
    await page.locator('[aria-label="Open a ZIP or a project file"]').waitFor({ state: 'attached' });
    await Promise.all(loads);
    const kilobytes = sizes.reduce((sum, size) => sum + size, 0) / 1000;
    const times: number[] = [];
    for (let turn = 0; turn < 3; turn++) {
      const started = performance.now();
      await page.goto(`${address}/sites`);
      await page.getByRole('button', { name: 'New site' }).waitFor();
      times.push(performance.now() - started);
    }
    return [within('the shell, gzipped', kilobytes, 200, 'kB'), within('first screen usable', median(times), 1000, 'ms', await yardstick(page))];
  });
}
