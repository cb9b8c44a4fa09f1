import type { Page } from '@playwright/test';
import { zipOf } from './fixtures/site.ts';
import { importSite, expect, openDemo, drawn, settled, test } from './fixtures/app.ts';

/** All views, in parts that two workers share. */
const PARTS = {
  'Start and Words': [
    '',
    ...['', '/ledger', '/patterns', '/kinds', '/facts', '/alike', '/pictures', '/phrases', '/exchange', '/checks'].map((view) => `words${view}`),
  ],
  'Meaning and Doors': [
    ...['', '/kinds', '/markup', '/who', '/experts'].map((view) => `meaning${view}`),
    ...['', '/pages', '/kinds', '/files', '/robots', '/try', '/site'].map((view) => `doors${view}`),
  ],
  'Map, Weight, Release, Proof, Watch': [...['', '/choices', '/also', '/read'].map((view) => `map${view}`), 'weight', 'release', 'proof', 'watch'],
} as const;

/** From the smallest phone to a wide screen; 853 × 533 is 1280 × 800 at 150 %. */
const WINDOWS = [
  [360, 640],
  [390, 844],
  [640, 400],
  [761, 900],
  [853, 533],
  [1020, 700],
  [1280, 800],
  [2560, 1440],
] as const;

/** What is wrong with a view in a window: parts that overflow, lie outside, cover each other, texts and targets that are too small. */
function faults(): string[] {
  const found: string[] = [];
  const narrow = window.innerWidth <= 760;
  const seen = (element: Element): boolean => {
    const style = getComputedStyle(element);
    return style.visibility === 'visible' && style.display !== 'none' && element.getClientRects().length > 0 && !element.closest('[inert], [hidden], .sr-only');
  };
  const name = (element: Element): string =>
    `${element.tagName.toLowerCase()}.${String(element.getAttribute('class') ?? '')
      .split(' ')
      .slice(0, 2)
      .join('.')} “${(element.textContent ?? '').slice(0, 24)}”`;
  if (document.documentElement.scrollWidth > window.innerWidth) found.push(`the page is ${document.documentElement.scrollWidth} wide`);
  if (document.documentElement.scrollHeight > window.innerHeight) found.push(`the page is ${document.documentElement.scrollHeight} high`);
  const sheet = document.querySelector('main') as HTMLElement;
  if (sheet.scrollWidth > sheet.clientWidth) {
    const widest = [...sheet.querySelectorAll('*')]
      .filter((one) => !one.closest('.views'))
      .sort((a, b) => b.getBoundingClientRect().right - a.getBoundingClientRect().right)[0];
    found.push(`the sheet is ${sheet.scrollWidth} in ${sheet.clientWidth}${widest ? ` by ${name(widest)}` : ''}`);
  }
  // Areas: all in the window, wide and high enough for their work, none over another.
  const areas = ['.bar-area', '.strips', '.tree:not(.is-drawer)', '.sheet', '.rail:not(.is-drawer)', '.foot'].flatMap((selector) => {
    const element = document.querySelector(selector);
    const box = element?.getBoundingClientRect();
    return element && box && box.width > 0 && box.height > 0 && seen(element) ? [{ selector, box }] : [];
  });
  for (const { selector, box } of areas) {
    if (box.left < -1 || box.top < -1 || box.right > window.innerWidth + 1 || box.bottom > window.innerHeight + 1) found.push(`${selector} lies outside`);
    for (const other of areas) {
      if (other.selector <= selector) continue;
      const wide = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
      const high = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
      if (wide > 1 && high > 1) found.push(`${selector} and ${other.selector} cover each other`);
    }
  }
  const work = sheet.getBoundingClientRect();
  if (work.width < Math.min(340, window.innerWidth - 20)) found.push(`the work is ${Math.round(work.width)} wide`);
  if (work.height < 110) found.push(`the work is ${Math.round(work.height)} high`);
  for (const element of document.querySelectorAll('.foot > *, .strip > *')) {
    const box = element.getBoundingClientRect();
    if (seen(element) && (box.right > window.innerWidth + 1 || box.bottom > window.innerHeight + 1)) found.push(`cut: ${name(element)}`);
  }
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = texts.nextNode(); node; node = texts.nextNode()) {
    const element = node.parentElement as Element;
    if ((node.textContent ?? '').trim() === '' || !seen(element) || element.closest('.letter, .ruler, svg')) continue;
    if (parseFloat(getComputedStyle(element).fontSize) < 12) found.push(`small text: ${name(element)}`);
  }
  const least = narrow ? 44 : 28;
  for (const element of document.querySelectorAll('button, a[href], select, input:not([type=hidden]), summary')) {
    if (!seen(element)) continue;
    const box = element.getBoundingClientRect();
    // Links and values in a running text, boxes with a label around them, and what a label makes larger have the room of their line.
    const inText = element.tagName === 'A' && getComputedStyle(element).display.startsWith('inline') && !/btn|chip|link-act|tree-row/.test(element.className);
    if (inText || element.matches('input[type=checkbox], input[type=radio], input[type=file], .sr-only, .ledger-head button, .told')) continue;
    if (box.height < least - 0.6 && !(narrow && element.closest('[data-acts], .ruler, .ledger-grid') && box.height >= 28))
      found.push(`low (${Math.round(box.height)}): ${name(element)}`);
  }
  return [...new Set(found)].slice(0, 12);
}

/** Goes through views as the path and the ways to work do, and looks at each in each window. */
async function look(page: Page, views: readonly string[], windows: readonly (readonly [number, number])[]): Promise<string[]> {
  const wrong: string[] = [];
  const site = new URL(siteOf(page)).pathname;
  for (const view of views) {
    await page.setViewportSize({ width: 1280, height: 800 });
    const before = await page.title();
    await page.evaluate(
      (to) => {
        history.pushState(null, '', to);
        window.dispatchEvent(new PopStateEvent('popstate', { state: null }));
      },
      `${site}${view === '' ? '' : `/${view}`}`,
    );
    // The first of all is where one is already.
    if (view !== '') await expect(page).not.toHaveTitle(before);
    await expect(page.locator('.shell main h1').first()).toBeAttached();
    await settled(page);
    for (const [width, height] of windows) {
      await page.setViewportSize({ width, height });
      await drawn(page);
      for (const fault of await page.evaluate(faults)) wrong.push(`${view || 'start'} ${width}×${height}: ${fault}`);
    }
  }
  return wrong;
}
const siteOf = (page: Page): string => /^.*\/s\/[^/?]+/.exec(page.url())?.[0] ?? '';

async function close(page: Page): Promise<void> {
  await page.goto(`${siteOf(page)}/doors/site`);
  await page.getByRole('switch').first().click();
  await expect(page.getByTestId('shut-strip')).toBeVisible();
}

test.beforeEach(({ page }) => page.emulateMedia({ reducedMotion: 'reduce' }));

// Slow: some thirty views in eight windows each, so they are shared out.
for (const [part, views] of Object.entries(PARTS)) {
  test(`every view in eight windows, the site open: nothing overflows, nothing is covered, nothing is too small: ${part}`, async ({ page, app }) => {
    await openDemo(page, app);
    expect(await look(page, views, WINDOWS)).toEqual([]);
  });

  test(`every view in eight windows, the site closed: ${part}`, async ({ page, app }) => {
    await openDemo(page, app);
    await close(page);
    expect(await look(page, views, WINDOWS)).toEqual([]);
  });

  test(`a site of long German words, closed, in narrow windows: ${part}`, async ({ page, app }) => {
    const word = 'Donaudampfschifffahrtselektrizitätenhauptbetriebswerkbauunterbeamtengesellschaft';
    const pages = Object.fromEntries(
      ['index', 'satzung', 'vereinsgeschichte', 'mitgliederversammlung'].map((name, at) => [
        `${at === 0 ? '' : `${word.toLowerCase()}/`}${name}.html`,
        Buffer.from(
          `<html lang=de><title>${word} ${name} | ${word}</title><meta property="og:site_name" content="${word}"><h1>${word} ${name}</h1><p>${word} ${word}. <a href="/">${word}</a>`,
        ),
      ]),
    );
    await importSite(page, app, `${word}.zip`, zipOf(pages));
    await close(page);
    expect(
      await look(
        page,
        views,
        WINDOWS.filter(([width]) => width <= 1280),
      ),
    ).toEqual([]);
  });
}
