import { describe, expect, it } from 'vitest';
import { pageTree } from '../markup/index.ts';
import { factsOf } from '../testing/html.ts';
import { gatherContent, outlineOf } from './index.ts';

const said = (body: string, lang: string): readonly [place: string, organizer: string, here: boolean] => {
  const html = `<body><main><h1>x</h1>${body}</main><aside><p>Where: Elsewhere Hall</p><p>Organised by Somebody Else</p></aside><footer>4 Ropewalk Lane, Saltmere</footer></body>`;
  const { place, organizer, here } = gatherContent(outlineOf(pageTree(html)), factsOf(html), { lang, host: 'a.example' });
  return [place?.value ?? '', organizer?.value ?? '', here !== undefined];
};

describe('where something takes place, and who holds it', () => {
  it.each<[lang: string, body: string, place: string, organizer: string, here: boolean]>([
    ['en', '<p>Where: Town Hall, Quay Street</p><p>Organised by Saltmere Arts</p>', 'Town Hall, Quay Street', 'Saltmere Arts', false],
    ['en', '<dl><dt>Venue<dd>The Old Mill<dt>Host<dd>Anna Berg</dl>', 'The Old Mill', 'Anna Berg', false],
    ['en', '<p>We meet in our workshop at ten.</p>', '', '', true],
    ['en', '<p>The book is in our hands. It was organised by colour.</p>', '', '', false],
    ['en', '<p>A choir that holds concerts, hosted by friends of ours in spring.</p>', '', '', false],
    [
      'de',
      '<p>Ort: Altes Rathaus, Markt 3</p><p>Veranstalter: Kulturverein Musterstedt e.V.</p>',
      'Altes Rathaus, Markt 3',
      'Kulturverein Musterstedt e.V.',
      false,
    ],
    ['de', '<p>Der Kurs findet in unserer Werkstatt statt.</p>', '', '', true],
    ['de', '<p>Bei uns im Ort ist viel los.</p>', '', '', false],
    ['fr', '<p>Lieu : Salle des fêtes</p><p>Organisé par Les Amis du Livre, à 20 h</p>', 'Salle des fêtes', 'Les Amis du Livre', false],
    ['fr', '<p>Rendez-vous dans notre atelier.</p>', '', '', true],
    ['es', '<p>Lugar: Casa de Cultura</p><p>Organiza: Asociación Faro</p>', 'Casa de Cultura', 'Asociación Faro', false],
    ['es', '<p>La cata será en nuestra tienda.</p>', '', '', true],
    ['it', '<p>Luogo: Teatro Comunale</p><p>A cura di Libreria San Rocco</p>', 'Teatro Comunale', 'Libreria San Rocco', false],
    ['it', '<p>Il corso si tiene nel nostro laboratorio.</p>', '', '', true],
    ['nl', '<p>Locatie: Dorpshuis De Brink</p><p>Organisatie: Stichting Zilt</p>', 'Dorpshuis De Brink', 'Stichting Zilt', false],
    ['nl', '<p>De cursus is in ons atelier.</p>', '', '', true],
    ['pt', '<p>Local: Biblioteca Municipal</p><p>Organização: Associação Farol</p>', 'Biblioteca Municipal', 'Associação Farol', false],
    ['pl', '<p>Miejsce: Dom Kultury</p><p>Organizator: Fundacja Latarnia</p>', 'Dom Kultury', 'Fundacja Latarnia', false],
    ['pl', '<p>Spotykamy się w naszej pracowni.</p>', '', '', true],
    ['ja', '<p>会場：市民ホール</p><p>主催：松川市文化協会</p>', '市民ホール', '松川市文化協会', false],
    ['ja', '<p>ワークショップは当店にて行います。</p>', '', '', true],
    ['en', '<p>Come on Saturday.</p>', '', '', false],
  ])('%s: %s', (lang, body, place, organizer, here) => expect(said(body, lang)).toEqual([place, organizer, here]));
});
