import { textWidth } from '../core/titles/index.ts';
import { choosePage, expect, goTo, openDemo, test } from './fixtures/app.ts';

const TEXTS = [
  'Box making for rare books | Quillfeather Bindery',
  'WWW.MMM',
  'AVAVA To WAVE Your Yacht. Type, Tea “Ta” P. F, L’Avare',
  'Soft\u00adhyphens, e\u0301 and i\u0308 in two',
  'iiiillll....',
  'Škoda — “naïve” café, 40 € · Łódź',
  'Наш переплёт: ремонт старых книг, Тула, Гусь',
  'Επισκευή βιβλίων: Αθήνα, Τρίπολη, Υγεία',
  'The quick brown fox jumps over the lazy dog 0123456789 (&%$#@)',
];

test('widths are what the browser itself measures in the face they were taken from, to within one percent', async ({ page }) => {
  await page.setContent('<canvas></canvas>');
  const measured = await page.evaluate((texts) => {
    const context = document.querySelector('canvas')?.getContext('2d') as CanvasRenderingContext2D;
    context.font = '200px "Liberation Sans"';
    return texts.map((text) => context.measureText(text).width);
  }, TEXTS);
  TEXTS.forEach((text, index) => expect(Math.abs(textWidth(text, 200) / (measured[index] as number) - 1), text).toBeLessThan(0.01));
});

test('letters that the face lacks are as wide as this browser sets them, and the field says so', async ({ page, app }) => {
  await openDemo(page, app);
  await goTo(page, 'Words');
  await choosePage(page, 'Box making');
  const field = page.locator('[data-field="title"]');
  for (const [title, measured] of [
    ['Kho sách tiếng Việt', true],
    ['تجليد الكتب القديمة وإصلاحها', true],
    ['ซ่อมหนังสือเก่าที่นี่', true],
    ['שָׁלוֹם לספרים', true],
    ['Old books, mended', false],
  ] as const) {
    await field.getByRole('textbox').fill(title);
    const own = await page.evaluate((text) => {
      const context = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
      context.font = "20px 'Liberation Sans', Arial, Helvetica, sans-serif";
      return context.measureText(text).width;
    }, title);
    await expect(field.getByTestId('ruler')).toHaveAttribute('aria-label', /pixels wide/);
    const told = Number(/^(\d+) pixels/.exec((await field.getByTestId('ruler').getAttribute('aria-label')) ?? '')?.[1]);
    expect(Math.abs(told - own), title).toBeLessThan(1 + own * 0.01);
    await expect(field.getByText('as this browser sets it')).toHaveCount(measured ? 1 : 0);
  }
});
