import type { Page } from '@playwright/test';
import { zipOf } from './fixtures/site.ts';
import { importSite, expect, openDemo, test } from './fixtures/app.ts';

const VIEWS = [
  '',
  ...[
    'words',
    'words/ledger',
    'words/patterns',
    'words/kinds',
    'words/facts',
    'words/alike',
    'words/pictures',
    'words/phrases',
    'words/exchange',
    'words/checks',
  ],
  ...['meaning', 'meaning/kinds', 'meaning/markup', 'meaning/who', 'meaning/experts'],
  ...['doors', 'doors/pages', 'doors/kinds', 'doors/files', 'doors/robots', 'doors/try', 'doors/site'],
  ...['map', 'map/choices', 'map/also', 'map/read'],
  ...['weight', 'release', 'proof', 'watch'],
];
test.describe.configure({ mode: 'parallel' });

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

async function look(page: Page, address: string, views: readonly string[], windows: readonly (readonly [number, number])[]): Promise<string[]> {
  const wrong: string[] = [];
  for (const view of views) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${address}${view === '' ? '' : `/${view}`}`);
    await expect(page.locator('.shell main h1').first()).toBeAttached({ timeout: 20_000 });
    await expect(page.getByText('Loading …')).toHaveCount(0);
    await page.waitForTimeout(250);
    for (const [width, height] of windows) {
      await page.setViewportSize({ width, height });
      await page.waitForTimeout(60);
      for (const fault of await page.evaluate(faults)) wrong.push(`${view || 'start'} ${width}×${height}: ${fault}`);
    }
  }
  return wrong;
}
const siteOf = (page: Page): string => /^.*\/s\/[^/?]+/.exec(page.url())?.[0] ?? '';

test('every view in eight windows, the site open: nothing overflows, nothing is covered, nothing is too small', async ({ page, app }) => {
  test.setTimeout(300_000);
  await openDemo(page, app);
  expect(await look(page, siteOf(page), VIEWS, WINDOWS)).toEqual([]);
});

test('every view in eight windows, the site closed', async ({ page, app }) => {
  test.setTimeout(300_000);
  await openDemo(page, app);
  await page.goto(`${siteOf(page)}/doors/site`);
  await page.getByRole('switch').first().click();
  await expect(page.getByTestId('shut-strip')).toBeVisible();
  expect(await look(page, siteOf(page), VIEWS, WINDOWS)).toEqual([]);
});

test('a site of long German words, closed, in narrow windows', async ({ page, app }) => {
  test.setTimeout(300_000);
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
  await page.goto(`${siteOf(page)}/doors/site`);
  await page.getByRole('switch').first().click();
  const narrow = WINDOWS.filter(([width]) => width <= 1280);
  expect(await look(page, siteOf(page), VIEWS, narrow)).toEqual([]);
});
