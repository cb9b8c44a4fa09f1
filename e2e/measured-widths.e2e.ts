import { textWidth } from '../core/titles/index.ts';
import { expect, test } from './fixtures/app.ts';

const TEXTS = [
  'Box making for rare books | Quillfeather Bindery',
  'WWW.MMM',
  'iiiillll....',
  'Škoda — “naïve” café, 40 € · Łódź',
  'Книги и переплёт',
  'Βιβλία',
  'The quick brown fox jumps over the lazy dog 0123456789 (&%$#@)',
];

test('widths are what the browser itself measures in the face they were taken from, to within one percent', async ({ page }) => {
  await page.setContent('<canvas></canvas>');
  const measured = await page.evaluate((texts) => {
    const context = document.querySelector('canvas')?.getContext('2d') as CanvasRenderingContext2D;
    context.font = '200px "Liberation Sans"';
    // Kerning moves letters together; advance widths are what results are commonly cut by.
    context.fontKerning = 'none';
    return texts.map((text) => context.measureText(text).width);
  }, TEXTS);
  TEXTS.forEach((text, index) => expect(Math.abs(textWidth(text, 200) / (measured[index] as number) - 1), text).toBeLessThan(0.01));
});
