import { importSite, choosePage, expect, goTo, test } from './fixtures/app.ts';
import { zipOf } from './fixtures/site.ts';

const page = (lang: string, title: string, heading: string, text: string): Uint8Array =>
  new TextEncoder().encode(
    `<!doctype html><html lang="${lang}"><head><meta charset="utf-8"><title>${title}</title></head><body><h1>${heading}</h1>${Array.from({ length: 8 }, () => `<p>${text}</p>`).join('')}<a href="/">x</a></body></html>`,
  );

const SITE = {
  'index.html': page('de', 'Buchbinderei', 'Die Bindungen', 'Wir binden alte Bücher von Hand, z.B. Bibeln. Am 3. Mai öffnen wir die Werkstatt im Hof.'),
  'fr/index.html': page(
    'fr',
    'L’atelier',
    'Reliures anciennes',
    'Nous relions les livres à la main dans l’atelier. M. Leroy vous attend chaque matin au port.',
  ),
  'es/index.html': page('es', 'El taller', 'Encuadernación', 'Encuadernamos libros antiguos a mano. ¿Quiere ver el taller? Venga cualquier mañana al puerto.'),
  'ja/index.html': page('ja', '本の修理', '本の修理と製本', '古い本を手で修理します。家族の聖書や古い帳簿も、和紙と糊で一枚ずつ直します。'),
  'ar/index.html': page('ar', 'تجليد الكتب', 'تجليد الكتب القديمة', 'نصلح الكتب القديمة يدويًا في ورشتنا. هل لديك كتاب عائلي؟ أحضره إلينا في أي صباح.'),
};

test('each page is held to its own language: formula, forms, sentences, direction', async ({ page: tab, app }) => {
  await importSite(tab, app, 'sprachen.zip', zipOf(SITE, 'site/'));
  await goTo(tab, 'Words');
  for (const [file, formula, phrase, sentence] of [
    ['/', 'Amstad', 'Bindung', 'Wir binden alte Bücher von Hand, z.B. Bibeln. Am 3. Mai öffnen wir die Werkstatt im Hof.'],
    ['/fr/', 'Kandel and Moles', 'reliure', 'Nous relions les livres à la main dans l’atelier. M. Leroy vous attend chaque matin au port.'],
    ['/es/', 'Szigriszt-Pazos', 'encuadernaciones', 'Encuadernamos libros antiguos a mano. ¿Quiere ver el taller? Venga cualquier mañana al puerto.'],
  ] as const) {
    await choosePage(tab, file);
    await expect(tab.locator('header .mono')).toHaveText(new RegExp(`\\.example${file}$`));
    await expect(tab.getByRole('list', { name: 'From this page' }).filter({ hasText: sentence })).toBeVisible();
    await tab.getByLabel('Target phrase', { exact: true }).fill(phrase);
    const places = tab.getByRole('list', { name: 'Where the page says it' });
    await expect(places.getByRole('listitem').filter({ hasText: 'main heading' }).getByLabel('in', { exact: true })).toBeVisible();
    await tab.locator('[data-part="text"] > summary').click();
    await expect(tab.locator('[data-part="text"]')).toContainText(`by the formula of ${formula}`);
  }

  await choosePage(tab, '/ja/');
  await expect(tab.locator('header .mono')).toContainText('/ja/');
  await expect(tab.getByRole('list', { name: 'From this page' }).last()).toContainText('古い本を手で修理します。');
  await tab.getByLabel('Target phrase', { exact: true }).fill('本の修理');
  await tab.locator('[data-part="text"] > summary').click();
  await expect(tab.locator('[data-part="text"]')).toContainText('none is known for Japanese');
  await expect(tab.locator('[data-passage] mark').first()).toHaveText('本の修理');

  await choosePage(tab, '/ar/');
  await expect(tab.locator('header .mono')).toContainText('/ar/');
  const title = tab.getByLabel('Title', { exact: true });
  expect(await title.evaluate((field) => getComputedStyle(field).direction)).toBe('rtl');
  await title.fill('تجليد الكتب القديمة وإصلاحها في ورشتنا على الميناء');
  expect(await tab.locator('.result-title').evaluate((line) => getComputedStyle(line).direction)).toBe('rtl');
  await tab.locator('[data-part="text"] > summary').click();
  expect(
    await tab
      .locator('[data-passage] p')
      .first()
      .evaluate((line) => getComputedStyle(line).direction),
  ).toBe('rtl');
});
