import type { DateLanguage } from '../values/index.ts';
import type { Said } from './content.ts';
import type { Block } from './outline.ts';

/** How a language says where something takes place and who holds it: patterns in lower case. */
interface WhereWords {
  /** Labels in front of a place, and in front of who holds it. */
  readonly where: string;
  readonly organizer: string;
  /** What says that it is at the owner's own place. */
  readonly here: string;
}

/** A new language is a row here; the compiler asks for each part of it. */
const WORDS: Readonly<Record<DateLanguage, WhereWords>> = {
  en: {
    where: 'where|place|venue|location|address|meeting point',
    organizer: 'organi[sz]ed by|hosted by|presented by|held by|organi[sz]er|hosts?',
    here: '(?:at|in) our (?:own )?(?:shop|store|studio|workshop|premises|gallery|café|cafe|bakery|restaurant|bar|farm|office|garden|showroom|school|practice|bindery|house)',
  },
  de: {
    where: 'ort|wo|veranstaltungsort|adresse|treffpunkt|kursort',
    organizer: 'veranstaltet von|veranstalter(?:in)?|organisiert von|ausgerichtet von|gastgeber(?:in)?',
    here: 'in unser(?:em|er|en) (?:eigenen )?(?:laden|werkstatt|atelier|haus|café|praxis|räumen|geschäft|galerie|hof|garten|schule|studio|restaurant|büro)',
  },
  fr: {
    where: 'lieu|où|adresse|rendez-vous à',
    organizer: 'organisée? par|proposée? par|organisat(?:eur|rice)',
    here: 'dans (?:notre|nos) (?:boutique|atelier|locaux|café|maison|restaurant|galerie|école|ferme|jardin|magasin)',
  },
  es: {
    where: 'lugar|dónde|donde|dirección|ubicación',
    organizer: 'organizad[oa] por|organiza|organizador(?:a)?',
    here: 'en nuestr[oa]s? (?:tienda|taller|local|estudio|casa|restaurante|galería|escuela|jardín|sede)',
  },
  it: {
    where: 'luogo|dove|indirizzo|sede',
    organizer: 'organizzat[oa] da|a cura di|organizzat(?:ore|rice)',
    here: '(?:presso|nella) (?:la )?nostra (?:sede|bottega|scuola|casa)|nel nostro (?:negozio|laboratorio|locale|studio|ristorante|giardino)',
  },
  nl: {
    where: 'waar|plaats|locatie|adres',
    organizer: 'georganiseerd door|organisatie|organisator',
    here: 'in (?:onze (?:winkel|werkplaats|studio|zaak|tuin|galerie|school)|ons (?:atelier|pand|café|huis|restaurant))',
  },
  pt: {
    where: 'local|onde|morada|endereço',
    organizer: 'organizad[oa] por|organização|organizador(?:a)?',
    here: 'na nossa (?:loja|sede|casa|escola|oficina)|no nosso (?:espaço|atelier|estúdio|restaurante|jardim)',
  },
  pl: {
    where: 'miejsce|gdzie|adres',
    organizer: 'organizator(?:ka|zy)?|organizowan[ey] przez',
    here: 'w nasz(?:ym|ej) (?:sklepie|pracowni|siedzibie|lokalu|kawiarni|galerii|szkole|ogrodzie)',
  },
  ja: { where: '会場|場所|開催場所', organizer: '主催者?', here: '(?:当店|当館|当社|弊社)(?:にて|で)' },
};

const every = (part: keyof WhereWords): string =>
  Object.values(WORDS)
    .map((words) => words[part])
    .join('|');
const WHERE = new RegExp(`^(?:${every('where')})\\s*[:：]\\s*(.{3,120})$`, 'iu');
const WHERE_ALONE = new RegExp(`^(?:${every('where')})\\s*[:：]?$`, 'iu');
const WHERE_HINT = /\b(?:venue|event-place|event-location|veranstaltungsort)\b/;
// Japanese has no blanks around words.
const HERE = new RegExp(`(?<![\\p{Script=Latin}])(?:${every('here')})(?![\\p{Script=Latin}])`, 'iu');
const ORGANIZER = new RegExp(
  `(?:^|(?<=[.,;(–] ))(?:${every('organizer')})\\s*[:：]?\\s+(?<name>.{2,60}?)(?=\\s*(?:$|[,;(|·]|(?<=\\p{L}{4})[.](?:\\s|$)|\\s[–—-]\\s|\\s(?:on|at|in|am|le|el|il|op|em|w)\\s))|^主催者?\\s*[:：]\\s*(?<east>.{2,40})$`,
  'iu',
);
const ORGANIZER_ALONE = new RegExp(`^(?:${every('organizer')})\\s*[:：]?$`, 'iu');
/** Whoever is named: a capital, a digit or a sign that has none; a sentence that goes on is no name. */
const NAME = /^(?:[\p{Lu}\p{Lo}\d«"“][\p{L}\p{M}\d\s.&’'«»"“”+-]{1,59})$/u;
const LONGEST = 200;

/** Where what the page tells of takes place, by what it says under a word for it. */
export function placeIn(blocks: readonly Block[]): Said<string> | undefined {
  for (const [at, block] of blocks.entries()) {
    if (block.part !== 'main' || block.text.length > LONGEST) continue;
    const next = blocks[at + 1];
    const named = WHERE.exec(block.text)?.[1]?.trim() ?? (WHERE_HINT.test(block.hints) && block.text.length < 120 ? block.text : undefined);
    if (named !== undefined) return saidOf(block, named);
    if (WHERE_ALONE.test(block.text) && next && next.text.length < LONGEST) return saidOf(next, next.text);
  }
  return undefined;
}

/** Words by which the page says that it takes place where its owner is. */
export function hereIn(own: ReadonlySet<Block>): Said<string> | undefined {
  for (const block of own) {
    const words = block.text.length > 1000 ? undefined : HERE.exec(block.text)?.[0];
    if (words !== undefined) return saidOf(block, words);
  }
  return undefined;
}

/** Who holds what the page tells of, by what it says: nobody where it does not. */
export function organizerIn(own: ReadonlySet<Block>): Said<string> | undefined {
  let label: Block | undefined;
  for (const block of own) {
    const { name, east } = (block.text.length > LONGEST ? undefined : ORGANIZER.exec(block.text)?.groups) ?? {};
    const found = (east ?? name ?? (label && block.text.length <= 60 ? block.text : undefined))?.trim();
    if (found !== undefined && NAME.test(found)) return saidOf(block, found);
    label = ORGANIZER_ALONE.test(block.text) ? block : undefined;
  }
  return undefined;
}

const saidOf = (block: Block, text: string): Said<string> => ({ value: text, text, start: block.start, end: block.end, how: 'words' });
