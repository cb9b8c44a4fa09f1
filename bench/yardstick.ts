import type { Page } from '@playwright/test';
import { median } from './measure.ts';

/** Milliseconds of the yardstick on a calm machine of two cores: it is 1 there, and 2 in an hour in which everything takes twice as long. */
const CALM = 44;
const TURNS = 5;

/**
 * How slow this page's machine is in this minute: a fixed piece of script, layout and paint, timed on the page itself. What is measured within a
 * minute of it is held to a limit that scales with it.
 */
export async function yardstick(page: Page): Promise<number> {
  const times: number[] = [];
  for (let turn = 0; turn < TURNS; turn++) times.push(await page.evaluate(piece));
  return median(times) / CALM;
}

/** The piece of work, in the page, which knows no names of functions from here. Milliseconds. */
async function piece(): Promise<number> {
  await new Promise((next) => requestAnimationFrame(next));
  const from = performance.now();
  // Script: texts made, sorted and counted.
  const words = Array.from({ length: 12_000 }, (_, at) => `word-${(at * 7919) % 12_000}`);
  const counts = new Map<string, number>();
  for (const word of words.sort()) counts.set(word.slice(0, 7), (counts.get(word.slice(0, 7)) ?? 0) + 1);
  // Layout and paint: lines of text in boxes, over everything, for two frames.
  const box = document.createElement('div');
  box.style.cssText = 'position:fixed;inset:0;z-index:9999;overflow:hidden;columns:4;background:white;color:black;font:13px/1.4 sans-serif';
  for (let line = 0; line < 400; line++) {
    const row = document.createElement('p');
    row.style.cssText = 'margin:2px;padding:2px 6px;border:1px solid silver;border-radius:4px';
    row.textContent = `${words[line * 29]} ${words[line * 13]} ${counts.size} ${line}`;
    box.append(row);
  }
  document.body.append(box);
  void box.offsetHeight;
  await new Promise((next) => requestAnimationFrame(next));
  await new Promise((next) => requestAnimationFrame(next));
  box.remove();
  return performance.now() - from;
}
