import type { Browser, Locator, Page } from '@playwright/test';
import { VIEWS as DOORS } from '../web/doors/views.ts';
import { VIEWS as MAP } from '../web/map/views.ts';
import { VIEWS as WORDS } from '../web/words/views.ts';
import { importSite, watch, withApp } from './browser-rows.ts';
import { median, within, type Row } from './measure.ts';
import { yardstick } from './yardstick.ts';

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

type Round = 'first' | 'again';
type Stop = readonly [stop: string, label: string, views: readonly { readonly name: string }[]];
const path = (page: Page): Locator => page.getByRole('navigation', { name: 'The path' });

/** A site brought in, with nothing left to find out in the background. */
async function settled(browser: Browser, address: string, files: ReadonlyMap<string, Uint8Array>): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(watch);
  await page.addInitScript(() => {
    window.lastDrawn = 0;
    new MutationObserver((changes) => {
      if (changes.some(({ target }) => (target instanceof Element ? target : target.parentElement)?.closest('#sheet, .rail')))
        window.lastDrawn = performance.now();
    }).observe(document, { childList: true, subtree: true, characterData: true });
  });
  await importSite(page, address, files);
  await quiet(page);
  return page;
}

/** Waits until a site is open and nothing is left to find out: near copies and how pages read come in the background, in news of their own. */
async function quiet(page: Page): Promise<void> {
  await page.waitForFunction(() => window.bench.ready > 0, undefined, { timeout: 120_000 });
  await page.waitForTimeout(20_000);
}

/** Opens every view of some stops twice, and all of it three times over: with all parts and rows asked for anew, and again. */
async function openAll(page: Page, stops: readonly Stop[]): Promise<Record<Round, Named[]>> {
  const times: Record<Round, Named[]> = { first: [], again: [] };
  for (let turn = 0; turn < 3; turn++) {
    if (turn > 0) {
      await page.reload();
      await quiet(page);
    }
    for (const round of ['first', 'again'] as const) {
      for (const [stop, label, views] of stops) {
        await drawn(page, () =>
          path(page)
            .getByRole('link', { name: new RegExp(`^${stop}`) })
            .click(),
        );
        for (const { name } of [...views.slice(1), views[0] as (typeof views)[number]]) {
          const link = page.getByRole('navigation', { name: label }).getByRole('link', { name, exact: true });
          times[round].push({ name, ...(await drawn(page, () => link.click())) });
        }
      }
    }
  }
  return { first: medians(times.first), again: medians(times.again) };
}

/** What each took in the middle of its rounds. */
function medians(all: readonly Named[]): Named[] {
  return [...new Set(all.map(({ name }) => name))].map((name) => {
    const of = all.filter((one) => one.name === name);
    return { name, took: median(of.map(({ took }) => took)), longest: median(of.map(({ longest }) => longest)) };
  });
}

const worst = (of: readonly Named[], what: keyof Taken): Named => of.reduce((most, one) => (one[what] > most[what] ? one : most));

function tell(times: readonly Named[]): void {
  if (process.env['EACH']) console.table(times.map(({ name, took, longest }) => ({ name, took: Math.round(took), longest: Math.round(longest) })));
}

function openingViews(what: string, times: Record<Round, Named[]>, first: number, slowness: number): Row[] {
  const [slowest, again, held] = [worst(times.first, 'took'), worst(times.again, 'took'), worst([...times.first, ...times.again], 'longest')];
  return [
    within(`views of ${what}: slowest the first time (${slowest.name})`, slowest.took, first, 'ms', slowness),
    within(`… slowest after that (${again.name})`, again.took, 400, 'ms', slowness),
    within(`… longest task while one opens (${held.name})`, held.longest, 50, 'ms', slowness),
  ];
}

/** Every view of Words of a site with many pages and phrases: the first time, and again. */
export function wordsViewRows(files: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await settled(browser, address, files);
    const twelve = (what: string): string => Array.from({ length: 12 }, (_, at) => `${what}${at}`).join('\n');
    await path(page)
      .getByRole('link', { name: /^Words/ })
      .click();
    await page.getByRole('link', { name: 'Phrases', exact: true }).click();
    await page.getByRole('textbox', { name: /^What you offer/ }).fill(twelve('paper '));
    await page.getByRole('textbox', { name: /^Where/ }).fill(twelve('town'));
    await page.getByRole('link', { name: 'Ledger', exact: true }).click();
    // Views that were loaded already are loaded anew: the first opening is the one that counts.
    await page.reload();
    await quiet(page);
    const times = await openAll(page, [['Words', 'Ways to work on words', WORDS]]);
    tell([...times.first, ...times.again]);
    return openingViews(`Words, ${files.size.toLocaleString('en')} pages, 144 phrases`, times, 600, await yardstick(page));
  });
}

/** Every view of Doors and Map of a site with many pages and rules: the first time, again, and at work. */
export function viewRows(files: ReadonlyMap<string, Uint8Array>, rules: number): Promise<Row[]> {
  return withApp(async (browser, address) => {
    const page = await settled(browser, address, new Map([...files, ['robots.txt', new TextEncoder().encode(manyRules(rules))]]));
    const times = await openAll(page, [
      ['Doors', 'Ways to work on doors', DOORS],
      ['Map', 'Ways to work on maps', MAP],
    ]);
    await path(page)
      .getByRole('link', { name: /^Doors/ })
      .click();
    await page.getByRole('link', { name: 'All pages', exact: true }).click();
    await page.waitForTimeout(1000);
    const work: Named[] = [];
    for (const [name, act] of [
      ['sorting', () => page.getByRole('columnheader', { name: /^Page/ }).getByRole('button').click()],
      [
        'filtering',
        () => page.locator('section[aria-labelledby="matrix"] button:not([disabled]), section[aria-labelledby="clicks"] button:not([disabled])').nth(2).click(),
      ],
      ['filtering no more', () => page.getByRole('button', { name: /^Show all/ }).click()],
      ['marking all', () => page.getByRole('group', { name: 'Change the marked pages' }).getByRole('checkbox').check()],
      ['keeping all out', () => page.getByRole('button', { name: 'Keep out', exact: true }).click()],
      ['undo', () => page.keyboard.press('Control+z')],
    ] as const)
      work.push({ name, ...(await drawn(page, act)) });
    const [busy, slowness] = [worst(work, 'longest'), await yardstick(page)];
    tell([...times.first, ...times.again, ...work]);
    return [
      ...openingViews(`Doors and Map, ${files.size.toLocaleString('en')} pages, ${rules} rules`, times, 1000, slowness),
      within(`… longest task while sorting, filtering, changing all (${busy.name})`, busy.longest, 50, 'ms', slowness),
    ];
  });
}
