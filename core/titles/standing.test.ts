import { describe, expect, it } from 'vitest';
import { languageOf, sentencesOf } from '../language/index.ts';
import { standsAlone } from './standing.ts';

/** How sentences of strangers' pages stand with nothing before them: by themselves, leaning on what came before, or not at all. All written for this table. */
const SENTENCES: readonly (readonly [language: string, name: string, text: string, how: 'stands' | 'leans' | 'never'])[] = [
  ['en', 'Box making', 'Box making protects a book from light, dust and its neighbours.', 'stands'],
  ['en', 'Box making', 'This page tells how a box is measured and made.', 'stands'],
  ['en', 'Box making', 'This short guide leads you from the board to the finished box.', 'stands'],
  ['en', 'Box making', 'It opens flat.', 'leans'],
  ['en', 'Box making', 'This means that the board has to rest for a day.', 'leans'],
  ['en', 'Box making', 'These are kept in the drawer below the press.', 'leans'],
  ['en', 'Box making', 'However, thick boards need a saw.', 'leans'],
  ['en', 'Box making', 'For example, a ledger wants a drop-back box.', 'leans'],
  ['en', 'Box making', 'If the cloth is thin, line it first.', 'leans'],
  ['en', 'Box making', 'See the table of board sizes for more.', 'leans'],
  ['en', 'Box making', 'Our boards are cut as described in Section 4.', 'leans'],
  ['en', 'Box making', 'Its lid closes by its own weight.', 'leans'],
  ['en', 'Box making', 'Copyright Quillfeather Bindery, all rights reserved.', 'never'],
  ['en', 'Box making', '© 2026 Quillfeather Bindery.', 'never'],
  ['en', 'Box making', 'We use cookies to remember your basket.', 'never'],
  ['en', 'Box making', 'Deprecated since version 3: use the other press.', 'never'],
  ['en', 'Box making', 'Last updated on 3 March.', 'never'],
  ['en', 'Box making', 'Note that glue dries slowly in winter.', 'never'],
  ['en', 'Box making', '[Read this first.]', 'never'],
  ['en', 'Box making', 'Table 3 lists all boards that we keep.', 'never'],
  ['en', 'Box making', 'and is then pressed for a night.', 'never'],
  ['en', 'Box making', 'We keep three sorts of board:', 'never'],
  ['en', 'Box making', 'The board (of two layers is cut by hand.', 'never'],
  ['en', 'press', '$ press --size=4 book.txt prints it.', 'never'],
  ['en', 'press', 'press [-a] [-n <copies>] <file>...', 'never'],
  ['en', 'press', 'press --- ------ ---- lists what is in the press.', 'never'],
  ['en', 'press', 'press prints a file on the standing press.', 'stands'],
  ['en', 'Box making', 'Skip to the shop.', 'never'],
  ['de', 'Schuber', 'Ein Schuber schützt das Buch vor Licht und Staub.', 'stands'],
  ['de', 'Schuber', 'Dieser Abschnitt zeigt, wie ein Schuber vermessen wird.', 'stands'],
  ['de', 'Schuber', 'Dies gilt auch für dünne Pappe.', 'leans'],
  ['de', 'Schuber', 'Es öffnet sich flach.', 'leans'],
  ['de', 'Schuber', 'Falls die Pappe dünn ist, wird sie kaschiert.', 'leans'],
  ['de', 'Schuber', 'Damit bleibt der Rücken frei.', 'leans'],
  ['de', 'Schuber', 'Alle Rechte vorbehalten.', 'never'],
  ['de', 'Schuber', 'Hinweis: Leim trocknet im Winter langsam.', 'never'],
  ['fr', 'Étui', 'Un étui protège le livre de la lumière et de la poussière.', 'stands'],
  ['fr', 'Étui', 'Ce chapitre montre comment mesurer un étui.', 'stands'],
  ['fr', 'Étui', 'Cette section décrit les cartons que nous gardons.', 'stands'],
  ['fr', 'Étui', 'Cela vaut aussi pour le carton mince.', 'leans'],
  ['fr', 'Étui', 'Il s’ouvre à plat.', 'leans'],
  ['fr', 'Étui', 'Par exemple, un registre demande une boîte.', 'leans'],
  ['fr', 'Étui', 'Tous droits réservés.', 'never'],
  ['es', 'Estuche', 'Un estuche protege el libro de la luz y del polvo.', 'stands'],
  ['es', 'Estuche', 'Este capítulo muestra cómo se mide un estuche.', 'stands'],
  ['es', 'Estuche', 'Esto vale también para el cartón fino.', 'leans'],
  ['es', 'Estuche', 'Además, el lomo queda libre.', 'leans'],
  ['es', 'Estuche', 'Todos los derechos reservados.', 'never'],
  ['it', 'Custodia', 'Una custodia protegge il libro dalla luce e dalla polvere.', 'stands'],
  ['it', 'Custodia', 'Questo capitolo mostra come si misura una custodia.', 'stands'],
  ['it', 'Custodia', 'Questo vale anche per il cartone sottile.', 'leans'],
  ['it', 'Custodia', 'Tutti i diritti riservati.', 'never'],
  ['nl', 'Foedraal', 'Een foedraal beschermt het boek tegen licht en stof.', 'stands'],
  ['nl', 'Foedraal', 'Dit geldt ook voor dun karton.', 'leans'],
  ['pt', 'Estojo', 'Um estojo protege o livro da luz e do pó.', 'stands'],
  ['pt', 'Estojo', 'Isso vale também para o cartão fino.', 'leans'],
  ['ja', '箱作り', 'この章では、箱の測り方と作り方を説明します。', 'stands'],
  ['ja', '箱作り', 'これは薄い板にも当てはまります。', 'leans'],
  ['ja', '箱作り', 'しかし、厚い板にはのこぎりが必要です。', 'leans'],
  ['zh', '做盒子', '本章介绍如何测量和制作盒子。', 'stands'],
  ['zh', '做盒子', '此外，厚板需要锯子。', 'leans'],
];

describe('a sentence with nothing before it', () => {
  it.each(SENTENCES)('%s, of %s: %s', (tag, name, text, how) => {
    const found = standsAlone(text, languageOf(tag), name);
    expect(found === undefined ? 'never' : found < -0.3 ? 'leans' : 'stands').toBe(how);
  });
});

describe('sentences are told by the ends of their own script', () => {
  it.each<[string, string, number]>([
    ['de', 'Die 2. Auflage ist da. Sie kostet nichts.', 2],
    ['de', 'Am 3. Oktober ist zu. Das ist so.', 2],
    ['de', 'Es waren nur 12. Mehr kamen nicht.', 2],
    ['de', 'Im 19. Jahrhundert band man anders.', 1],
    ['fr', 'Il dit : « Bonjour. » Puis il part.', 2],
    ['ja', '「開いています。」と言いました。どうぞ。', 3],
    ['hi', 'हम किताबें सिलते हैं। वे सौ साल टिकती हैं।', 2],
    ['zh', '我们缝书。它们能用一百年！', 2],
    ['ar', 'نحن نخيط الكتب. هل تدوم؟ نعم.', 3],
    ['he', 'אנחנו תופרים ספרים. הם נשמרים מאה שנה.', 2],
    ['th', 'เราเย็บหนังสือด้วยมือบนเทปผ้าลินิน หนังสือจึงเปิดได้ราบและอยู่ได้นานร้อยปี', 2],
  ])('%s: %s', (tag, text, wanted) => expect(sentencesOf(text, languageOf(tag))).toHaveLength(wanted));
});
