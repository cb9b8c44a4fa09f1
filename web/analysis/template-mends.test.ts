import 'fake-indexeddb/auto';
import { expect, it } from 'vitest';
import { likelyLanguage } from '../../core/language/index.ts';
import { openDatabase, saveFiles } from '../storage/index.ts';
import { templateMend } from './template-mends.ts';

const GERMAN =
  '<p>Wir binden Bücher und bessern sie aus, wie es sich für ein altes Buch gehört. Wer zu uns kommt, sieht die Werkstatt, und was wir mit der Hand machen.';
const ENGLISH = '<p>We bind and mend books by hand, and we have done so for years. You can see what we do in our workshop, which is open to all who come.';

it('like changes go together, each page in its own language, and what cannot be mended is told apart', async () => {
  const db = await openDatabase('mends');
  const pages: Record<string, string> = {
    'a.html': `<!doctype html><html><title>A</title>${ENGLISH}`,
    'b.html': `<!doctype html><html><title>B</title>${ENGLISH}`,
    'c.html': `<!doctype html><html><title>C</title>${GERMAN}`,
    'd.html': '<!doctype html><html class=x><title>D</title><p>?',
    'e.html': '<html><title>never closed',
  };
  await saveFiles(
    db,
    Object.entries(pages).map(([path, text]) => ({ siteId: 's', path, hash: path, size: 1, modified: undefined, bytes: new TextEncoder().encode(text) })),
  );
  const store = { db, siteId: 's', files: [] };
  const groups = await templateMend(
    store,
    'lang',
    Object.keys(pages).map((id) => ({ id, title: id })),
    'fr',
  );
  expect(groups.map(({ changes, pages: ids, lang, refused }) => [changes.map(({ after }) => after), ids, lang, refused])).toEqual([
    [['<html lang="en">'], ['a.html', 'b.html'], 'en', undefined],
    [['<html lang="de">'], ['c.html'], 'de', undefined],
    [['<html lang="fr" class=x>'], ['d.html'], 'fr', undefined],
    [[], ['e.html'], 'fr', 'head-cannot-take-it'],
  ]);
  const headings = await templateMend(store, 'oneHeading', [{ id: 'a.html', title: 'A' }], 'en');
  expect(headings.map(({ changes }) => changes)).toEqual([[]]);
});

it.each([
  [GERMAN, 'de'],
  [ENGLISH, 'en'],
  ['Nous relions des livres à la main, et nous les réparons avec soin. Notre atelier est dans la rue du port, où vous pouvez nous voir.', 'fr'],
  ['Encuadernamos libros a mano y los reparamos con cuidado. El taller está en la calle del puerto, y todos los días hay algo que ver.', 'es'],
  ['Leghiamo libri a mano e li ripariamo con cura. La bottega è nella via del porto, e non è mai chiusa per chi viene da noi.', 'it'],
  ['Wij binden boeken met de hand en wij herstellen ze. Het atelier is in de straat bij de haven, en u kunt er altijd naar ons kijken.', 'nl'],
  ['Vi binder bøger i hånden, og vi reparerer dem med omhu. Det er et værksted, som du kan se, når du er her.', undefined],
  ['Мы переплетаем книги вручную и чиним их. Это наша мастерская, и вы можете к нам прийти, если вам это нужно.', 'ru'],
  ['手で本を綴じて、直しています。', 'ja'],
  ['我们用手工装订书籍,也修复古旧的图书。', 'zh'],
  ['12345 Lorem 67', undefined],
  ['', undefined],
])('%s is in %s', (text, language) => expect(likelyLanguage(text)).toBe(language));
