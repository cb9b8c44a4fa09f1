import { describe, expect, it } from 'vitest';
import { pageTree } from '../markup/index.ts';
import { factsOf } from '../testing/html.ts';
import { bylineIn } from './bylines.ts';
import { gatherContent, outlineOf } from './index.ts';

/** Who each text says wrote the page; nobody where it does not say so. */
const ROWS: readonly (readonly [text: string, name: string])[] = [
  ['By Maren Quill', 'Maren Quill'],
  ['By Maren Quill, 3 May 2026', 'Maren Quill'],
  ['Written by Maren Quill', 'Maren Quill'],
  ['Posted by Maren', 'Maren'],
  ['Posted on 3 May 2026 by Maren Quill in News', 'Maren Quill'],
  ['Published 3 May 2026 by Maren Quill', 'Maren Quill'],
  ['3 May 2026 by Maren Quill', 'Maren Quill'],
  ['Words: Maren Quill', 'Maren Quill'],
  ['Author: Seán O’Connor', 'Seán O’Connor'],
  ['By J. R. Quill | 5 min read', 'J. R. Quill'],
  ['By Maren Quill and Otto Reed', ''],
  ['Photo by Anna Berg', ''],
  ['Photographs: Anna Berg', ''],
  ['Illustrated by Anna Berg', ''],
  ['Translated by Anna Berg', ''],
  ['Edited by Anna Berg', ''],
  ['Website by Tidewater Design', ''],
  ['By Appointment Only', ''],
  ['By hand and with care', ''],
  ['By the harbour there is a shop.', ''],
  ['By Maren', ''],
  ['By Admin', ''],
  ['Posted by admin on 3 May', ''],
  ['By Train or Bus', ''],
  ['Comment by Otto Reed', ''],
  ['Von Jörg von Hütten · 3. Mai', 'Jörg von Hütten'],
  ['Geschrieben von Anna Berg am 3. Mai 2026', 'Anna Berg'],
  ['Veröffentlicht am 3. Mai 2026 von Anna Berg', 'Anna Berg'],
  ['Autorin: Anna Berg', 'Anna Berg'],
  ['Text: Anna Berg, Fotos: Otto Ried', 'Anna Berg'],
  ['Fotos: Otto Ried', ''],
  ['Übersetzt von Otto Ried', ''],
  ['Von Montag bis Freitag', ''],
  ['Von Hand genäht', ''],
  ['Par Anne-Marie Leclerc le 3 mai', 'Anne-Marie Leclerc'],
  ['Publié le 3 mai 2026 par Luc d’Arc dans Actualités', 'Luc d’Arc'],
  ['Auteur : Jean Petit', 'Jean Petit'],
  ['Photos par Jean Petit', ''],
  ['Traduit par Jean Petit', ''],
  ['Par Avion', ''],
  ['Por José de la Cruz', 'José de la Cruz'],
  ['Publicado el 3 de mayo de 2026 por Ana Ruiz en Noticias', 'Ana Ruiz'],
  ['Autora: Ana Ruiz', 'Ana Ruiz'],
  ['Fotografía de Ana Ruiz', ''],
  ['Por Favor', ''],
  ['Scritto da Maria Rossi', 'Maria Rossi'],
  ['Di Maria Rossi, 3 maggio 2026', 'Maria Rossi'],
  ['Pubblicato il 3 maggio 2026 da Maria Rossi', 'Maria Rossi'],
  ['Foto di Maria Rossi', ''],
  ['Da Noi', ''],
  ['Door Jan de Vries op 3 mei', 'Jan de Vries'],
  ['Geplaatst op 3 mei 2026 door Jan de Vries', 'Jan de Vries'],
  ['Auteur: Jan de Vries', 'Jan de Vries'],
  ['Vertaald door Jan de Vries', ''],
  ['Escrito por João da Silva', 'João da Silva'],
  ['Publicado em 3 de maio de 2026 por João da Silva', 'João da Silva'],
  ['Tradução por João da Silva', ''],
  ['Autor: Ewa Wiśniewska', 'Ewa Wiśniewska'],
  ['Opublikowane 3 maja 2026 przez Ewa Wiśniewska', 'Ewa Wiśniewska'],
  ['Zdjęcia: Ewa Wiśniewska', ''],
  ['文: 田中花子', '田中花子'],
  ['執筆者：田中花子', '田中花子'],
  ['写真：田中花子', ''],
  ['翻訳：田中花子', ''],
];

describe('who a text says wrote the page', () => {
  it.each(ROWS)('%s', (text, name) => expect(bylineIn(text) ?? '').toBe(name));
  it.each([
    ['a comment', '<div class="comments"><h2>Comments</h2><p>Posted by Otto Reed on 3 May</p></div>'],
    ['a related page', '<h2>Related articles</h2><p>By Otto Reed</p>'],
    ['the side', '</main><aside><p>By Otto Reed</p></aside><main>'],
    ['the foot', '</main><footer><p>Written by Otto Reed</p></footer><main>'],
  ])('%s names nobody who wrote it', (_, body) => {
    const html = `<body><main><h1>A book</h1><p>About it.</p>${body}</main>`;
    expect(gatherContent(outlineOf(pageTree(html)), factsOf(html), { lang: 'en', host: 'a.example' }).author).toBeUndefined();
  });
});
