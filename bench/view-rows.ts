import type { Page } from '@playwright/test';
import { VIEWS as DOORS } from '../web/doors/views.ts';
import { VIEWS as MAP } from '../web/map/views.ts';
import { importSite, watch, withApp } from './browser-rows.ts';
import { within, type Row } from './measure.ts';

declare global {
  interface Window {
    lastDrawn: number;
  }
}

/** A robots.txt of so many rules, for everybody and for some by name: plain paths, stars, ends, Allow against Disallow, and rules that touch nothing. */
export function manyRules(rules: number): string {
  const lines = ['User-agent: *'];
  for (let at = 0; at < rules; at++) {
    if (at % 40 === 39) lines.push('', `User-agent: ${['SkerryBot', 'PloverBot', 'OtherBot', 'ThirdBot'][Math.floor(at / 40) % 4] as string}`);
    lines.push(
      [`Disallow: /shop/item-${at}/`, `Disallow: /*/paper-${at}0/$`, `Allow: /notes/bark-${at}/`, `Disallow: /notes/b*-${at}`, `Disallow: /gone-${at}/`][
        at % 5
      ] as string,
    );
  }
  return `${lines.join('\n')}\n`;
}

/** What one action took: until the last of it was drawn, and the longest task meanwhile, in milliseconds. */
interface Taken {
  readonly took: number;
  readonly longest: number;
}
type Named = Taken & { readonly name: string };

/** Waits until nothing has been drawn for a while; gives when the last of it was, from when `act` began, and the longest task meanwhile. */
async function drawn(page: Page, act: () => Promise<void>): Promise<Taken> {
  const started = await page.evaluate(() => {
    window.bench.longTasks = [];
    return (window.lastDrawn = performance.now());
  });
  await act();
  await page.waitForFunction(
    () =>
      !/(Loading|Looking|Reading|Comparing)\b.*…|Looking at the/.test(document.querySelector('#sheet')?.textContent ?? '') &&
      performance.now() - window.lastDrawn > 400,
  );
  return page.evaluate((from) => ({ took: window.lastDrawn - from, longest: Math.max(0, ...window.bench.longTasks) }), started);
}

/** Every view of Doors and Map of a site with many pages and rules: the first time, again, and at work. */
export function viewRows(files: ReadonlyMap<string, Uint8Array>, rules: number): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(watch);
    await page.addInitScript(() => {
      window.lastDrawn = 0;
      new MutationObserver((changes) => {
        if (changes.some(({ target }) => (target instanceof Element ? target : target.parentElement)?.closest('#sheet, .rail')))
          window.lastDrawn = performance.now();
      }).observe(document, { childList: true, subtree: true, characterData: true });
    });
    await importSite(page, address, new Map([...files, ['robots.txt', new TextEncoder().encode(manyRules(rules))]]));
    await page.waitForFunction(() => window.bench.ready > 0, undefined, { timeout: 120_000 });
    // Near copies and how pages read are found out in the background, in news of their own.
    await page.waitForTimeout(20_000);
    const path = page.getByRole('navigation', { name: 'The path' });
    const times: Record<'first' | 'again', Named[]> = { first: [], again: [] };
    for (const round of ['first', 'again'] as const) {
      for (const [stop, label, views] of [
        ['Doors', 'Ways to work on doors', DOORS],
        ['Map', 'Ways to work on maps', MAP],
      ] as const) {
        await drawn(page, () => path.getByRole('link', { name: new RegExp(`^${stop}`) }).click());
        for (const { name } of [...views.slice(1), views[0]]) {
          const link = page.getByRole('navigation', { name: label }).getByRole('link', { name, exact: true });
          times[round].push({ name, ...(await drawn(page, () => link.click())) });
        }
      }
    }
    await path.getByRole('link', { name: /^Doors/ }).click();
    await page.getByRole('link', { name: 'All pages', exact: true }).click();
    await page.waitForTimeout(1000);
    const work: Named[] = [];
    for (const [name, act] of [
      ['sorting', () => page.getByRole('columnheader', { name: /^Page/ }).getByRole('button').click()],
      ['filtering', () => page.locator('.doors-pictures button:not([disabled])').nth(2).click()],
      ['filtering no more', () => page.getByRole('button', { name: /^Show all/ }).click()],
      ['marking all', () => page.getByRole('group', { name: 'Change the marked pages' }).getByRole('checkbox').check()],
      ['keeping all out', () => page.getByRole('button', { name: 'Keep out', exact: true }).click()],
      ['undo', () => page.keyboard.press('Control+z')],
    ] as const)
      work.push({ name, ...(await drawn(page, act)) });
    const worst = (of: readonly Named[], what: keyof Taken) => of.reduce((most, one) => (one[what] > most[what] ? one : most));
    const size = `${files.size.toLocaleString('en')} pages, ${rules} rules`;
    const [first, again, held, busy] = [
      worst(times.first, 'took'),
      worst(times.again, 'took'),
      worst([...times.first, ...times.again], 'longest'),
      worst(work, 'longest'),
    ];
    if (process.env['EACH'])
      console.table(
        [...times.first, ...times.again, ...work].map(({ name, took, longest }) => ({ name, took: Math.round(took), longest: Math.round(longest) })),
      );
    return [
      within(`views of Doors and Map, ${size}: slowest the first time (${first.name})`, first.took, 1000, 'ms'),
      within(`… slowest after that (${again.name})`, again.took, 400, 'ms'),
      within(`… longest task while one opens (${held.name})`, held.longest, 50, 'ms'),
      within(`… longest task while sorting, filtering, changing all (${busy.name})`, busy.longest, 50, 'ms'),
    ];
  });
}
