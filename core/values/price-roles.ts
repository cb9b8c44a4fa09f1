import { pricesIn, type FoundPrice } from './money.ts';

/**
 * What a price is in its sentence: what is asked now; what was asked before; the lower or the upper end; what several pieces cost together; and what is no
 * price of the thing at all, such as a saving, a deposit, the postage, or the order from which postage is free.
 */
export type PriceRole = 'asked' | 'former' | 'least' | 'most' | 'several' | 'beside';

/** A price with what it is. */
export interface PriceSaid extends FoundPrice {
  readonly role: PriceRole;
}

const any = (...words: readonly string[]): string => words.join('|');
/** A word in front of the amount, with a little between them. */
const before = (words: string, between = String.raw`[\s:：=(«“"]{0,3}`): RegExp =>
  new RegExp(String.raw`(?:^|[^\p{Script=Latin}])(?:${words})${between}$`, 'iu');
const after = (words: string): RegExp => new RegExp(String.raw`^[\s(]{0,2}(?:${words})(?![\p{L}])`, 'iu');
const small = String.raw`(?:\s+(?:only|a|an|the|just|nur|einen?|der|die|das|le|la|un|une|el|una|il|lo|een|de|o|um|uma|ca|approx|about)\.?)?[\s:：=(«“"]{0,3}`;

/** What was asked before, by the words in front of it. */
const FORMER = before(
  any(
    'was|were|originally|formerly|previously|rrp|msrp|list price|(?:old|regular|usual|original|former|normal) price|regular(?:ly)?|usually|normally|before|instead of|compare[d]? (?:at|to|with)|reduced from|down from|rather than',
    'statt|anstatt|anstelle von|vorher|früher|bisher|ehemals|uvp|unverb\\. preisempf\\.|(?:alter|regulärer|normaler|ursprünglicher) preis|streichpreis|ursprünglich|regulär|normalpreis',
    "au lieu de|auparavant|avant|(?:ancien )?prix (?:conseillé|barré|initial|public|normal)|ancien prix|prix d['’]origine|était(?: à)?",
    'antes|en (?:lugar|vez) de|precio (?:anterior|original|habitual|recomendado)|pvpr|era de',
    'invece di|anziché|prima|prezzo (?:precedente|originale|di listino|consigliato)|prezzo pieno|listino|al posto di|era',
    'adviesprijs|in plaats van|normaal|voorheen|oude prijs|oorspronkelijk',
    'em vez de|preço (?:anterior|original|normal)|ao invés de|era',
    'pierwotna cena|zamiast|było|wcześniej|poprzednio|(?:poprzednia|stara|regularna) cena|cena (?:regularna|poprzednia|przed obniżką)|najniższa cena z (?:ostatnich )?30 dni(?: przed obniżką)?',
    'förr|tidigare|ordinarie|ord\\.? ?pris|før|førpris|normalpris|veil\\.? ?pris',
    '通常価格|通常|定価|旧価格|元値|メーカー希望小売価格|参考価格|希望小売価格',
  ),
  String.raw`(?:\s+(?:war|was|were|wynosiła|wynosił|était|era|var|is|est|es))?[\s:：=(«“"]{0,3}`,
);
/** "de R$ 100 por R$ 80", "van € 50 voor € 40": only together are they the old price and the new one. */
const PAIRED: readonly (readonly [RegExp, RegExp])[] = [
  [before('de'), /^\s?,?\s?por\s/iu],
  [before('van'), /^\s?,?\s?(?:voor|nu)\s/iu],
  [before('z'), /^\s?,?\s?na\s/iu],
];
/** What follows a price that is not asked any more. */
const NOW =
  /^[\s,;:.·|(]{0,3}(?:→|➔|➜|⇒|->|=>|now\b|jetzt\b|nun\b|nur noch\b|maintenant\b|désormais\b|ahora\b|ora\b|adesso\b|nu\b|agora\b|teraz\b|今なら|今|いま)/iu;
const AT_LEAST = before(
  any(
    'from|starting (?:at|from)|starts (?:at|from)|prices? from|as low as|ab|schon ab|bereits ab|à partir de|dès|desde|a partir de|da|a partire da|vanaf|v\\.a\\.|od|już od|från|fra',
  ),
  small,
);
const AT_LEAST_AFTER = /^\s?(?:から|より|～|〜|起|upwards|and up|or more|\+)/iu;
const AT_MOST = before(any("up to|at most|max\\.?|bis(?: zu)?|jusqu['’]à|hasta|fino a|tot|até|do|upp till|op til"), small);
const AT_MOST_AFTER = /^\s?(?:まで|以下)/u;
const BETWEEN = String.raw`\s?(?:-|–|—|‒|to|bis|à|a|tot|até|do|till|til|〜|～|から)\s?`;
/** "between £20 and £30": the word between two prices is a range's where one in front says so. */
const BETWEEN_TWO = /(?:^|[^\p{L}])(?:between|zwischen|entre|tra|fra|tussen|między|mellan|mellem)[\s\p{Sc}\d.,\p{L}]{0,24}$/iu;
const AND_AFTER = /^\s?(?:and|und|et|y|e|en|i|och|og)\s?[\p{Sc}\d]/iu;
const AND_BEFORE = /(?:and|und|et|y|e|en|i|och|og)\s?$/iu;
const RANGE_AFTER = new RegExp(String.raw`^${BETWEEN}(?:[\p{Sc}]|[A-Z]{2,3}\$?\s?|kr\.?\s?|zł\s?)?\s?\d`, 'u');
const RANGE_BEFORE = new RegExp(String.raw`\d[\d.,]*\s?(?:[\p{Sc}]|[A-Z]{3}|kr|zł|円)?${BETWEEN}$`, 'u');

const SEVERAL =
  /(?:^|[^\d.,])(?:[2-9]|1\d|[2-9]\d)\s?(?:for|für|pour|por|per|voor|za|na|för|x|×|stück|st\.|pcs\.?|pieces|個で|個|点で|本で|枚で|[x×]\s?(?:de|of|von|à|van|z))[\s:]{0,2}$/iu;
const SEVERAL_AFTER =
  /^\s?(?:for|für|pour|por|per|voor|za|för|i)\s(?:[2-9]|1\d|[2-9]\d|two|three|four|six|zwei|drei|vier|deux|trois|dos|tres|due|tre|twee|drie|dois|três|dwa|dwie|trzy)(?![\d.,]*\d)/iu;

/** What is no price of the thing: by the words in front, and behind. */
const BESIDE = before(
  any(
    'save|saves|saving|you save|off|discount(?: of)?|delivery|shipping|postage|p ?& ?p|p\\+p|handling|deposit(?: of)?|booking fee|fee|surcharge|cleaning fee|orders? (?:over|above|of|from)|spend|minimum(?: order)?|over|worth|voucher(?: of| for)?|fine of|donat(?:e|ion|ions)(?: of)?|raised|paid',
    'spare|sie sparen|ersparnis|rabatt|versand(?:kosten)?|porto|lieferung|anzahlung|kaution|gebühr|endreinigung|aufpreis|zuschlag|mindestbestellwert|bestellwert|über|gutschein(?: über)?|im wert von|zzgl\\.',
    "économisez|économie(?: de)?|remise(?: de)?|réduction(?: de)?|livraison|frais de (?:port|livraison|dossier|ménage)|port|acompte(?: de)?|caution(?: de)?|supplément|d['’]une valeur de|bon(?: d['’]achat)? de|minimum de commande",
    'ahorra(?:s)?|ahorro(?: de)?|descuento(?: de)?|envío|gastos de envío|depósito(?: de)?|fianza(?: de)?|suplemento|pedidos? (?:superiores a|de más de)|más de|valor de|vale de',
    'risparmi|sconto(?: di)?|spedizione|spese di spedizione|consegna|acconto(?: di)?|caparra(?: di)?|cauzione(?: di)?|supplemento|ordini (?:superiori a|oltre)|oltre|valore di|buono da',
    'bespaar|korting(?: van)?|verzendkosten|verzending|bezorging|aanbetaling(?: van)?|borg(?: van)?|toeslag|boven|waarde van|bon van',
    'poupe|economize|desconto(?: de)?|frete|envio|portes(?: de envio)?|sinal de|caução(?: de)?|taxa(?: de)?|acima de|no valor de',
    'oszczędzasz|oszczędź|rabat|zniżka|wysyłka|dostawa|koszt dostawy|zaliczka|kaucja|opłata|dopłata|powyżej|bon(?: na)?|o wartości',
    'spara|frakt|handpenning|över|rabatt på',
    '送料|手数料|前金|敷金|割引|節約|消費税|内税',
  ),
  String.raw`(?:\s+(?:of|is|only|a|an|just|nur|von|de|di|van|z|na|od|ab|from|is only|beträgt))?[\s:：=(«“"+]{0,3}`,
);
/** Words for what is paid beside, which may have a word or two between them and the amount. */
const EXTRA =
  'fees?|deliver(?:y|ies)|shipping|postage|deposit|surcharge|supplement|endreinigung|kaution|versand|anzahlung|aufpreis|zuschlag|gebühr|livraison|supplément|acompte|caution|envío|suplemento|fianza|spedizione|supplemento|caparra|cauzione|verzendkosten|toeslag|borg|frete|suplemento|caução|dostawa|kaucja|dopłata|frakt';
const EXTRA_BEFORE = new RegExp(String.raw`(?:^|[^\p{L}])(?:${EXTRA})(?:\s+[\p{L}-]+){1,3}[\s:：=(]{0,3}$`, 'iu');
/** "£18 with free delivery" is a price still. */
const EXTRA_AFTER = new RegExp(
  String.raw`^\s(?!(?:with|and|plus|incl|free|excl|zzgl|inkl|exkl|ohne|mit|und|avec|hors|et|con|sin|más|senza|più|met|en|com|sem|mais|bez|och|inklusive)[^\p{L}]?)(?:(?!(?:free|kostenlos|gratis|plus)\s)[\p{L}-]+\s){1,2}(?:${EXTRA})(?!\p{L})`,
  'iu',
);
const BESIDE_AFTER = after(
  any(
    '(?:discount|off|saving|savings|deposit|delivery|shipping|postage|p ?& ?p|voucher|gift card|fee|surcharge|minimum|tax|vat)',
    '(?:rabatt|ersparnis|sparen|günstiger|versand(?:kosten)?|porto|anzahlung|kaution|gebühr|aufpreis|zuschlag|gutschein|mindestbestellwert)',
    "(?:de (?:remise|réduction|rabais|port|livraison|caution|frais|moins)|d['’](?:économie|économies|acompte|achat))",
    '(?:de (?:descuento|ahorro|envío|depósito|fianza|suplemento|señal))',
    '(?:di (?:sconto|risparmio|spedizione|acconto|caparra|cauzione|supplemento))',
    '(?:korting|verzendkosten|aanbetaling|borg|toeslag|goedkoper)',
    '(?:de (?:desconto|frete|sinal|caução|taxa))',
    '(?:rabatu|zniżki|taniej|za wysyłkę|za dostawę|zaliczki|kaucji|dopłaty)',
    '(?:rabatt|frakt|billigare)',
    '(?:割引|引き|引|オフ|お得|の送料)',
  ),
);
/** An amount from which postage is free. */
const FREE_FROM = after(
  String.raw`[^.;\d]{0,24}(?:free (?:delivery|shipping|postage)|versandkostenfrei|versandfrei|kostenloser versand|livraison (?:offerte|gratuite)|envío gratis|spedizione gratuita|gratis verzending|frete grátis|darmowa (?:dostawa|wysyłka)|送料無料)`,
);
const FREE_BEFORE = before(
  String.raw`(?:free (?:delivery|shipping|postage)|versandkostenfrei|versandfrei|kostenloser versand|livraison (?:offerte|gratuite)|envío gratis|spedizione gratuita|gratis verzending|frete grátis|darmowa (?:dostawa|wysyłka))[^.;\d]{0,24}`,
);

/** What is looked at on either side of a price, in characters. */
const NEAR = 48;

/** The prices that a text says, each with what it is there. `struck` are the stretches that are struck out, by their places in the text. */
export function pricesSaid(text: string, lang: string, struck: readonly (readonly [start: number, end: number])[] = []): PriceSaid[] {
  const found = pricesIn(text, lang);
  const roles: PriceRole[] = [];
  return found.map((price, at): PriceSaid => {
    const from = Math.max(found[at - 1]?.end ?? 0, price.start - NEAR);
    // What stands in front belongs to this price as far as the last one, or the end of the sentence before.
    const front = text.slice(from, price.start).replace(/^.*(?:[!?;|•·]\s|\.\s(?!\p{Ll}))(?=\S)/su, ' ');
    const wide = text.slice(Math.max(0, price.start - NEAR), price.start);
    const behind = text.slice(price.end, price.end + NEAR);
    const role = struck.some(([start, end]) => price.start >= start && price.end <= end) ? 'former' : roleOf(front, wide, behind);
    // The upper end of a range has the lower one in front of it, and nothing else.
    const before = price.start - (found[at - 1]?.end ?? -NEAR) < 8 ? roles[at - 1] : 'least';
    roles.push(role === 'most' && before !== 'least' ? 'asked' : role);
    return { ...price, role: roles[at] ?? role };
  });
}

function roleOf(front: string, wide: string, behind: string): PriceRole {
  if (FREE_BEFORE.test(front) || (FREE_FROM.test(behind) && (AT_LEAST.test(front) || BESIDE.test(front) || behind.startsWith('以上')))) return 'beside';
  if (BESIDE.test(front) || BESIDE_AFTER.test(behind) || EXTRA_BEFORE.test(front) || EXTRA_AFTER.test(behind)) return 'beside';
  if (FORMER.test(front) || NOW.test(behind) || PAIRED.some(([one, other]) => one.test(front) && other.test(behind))) return 'former';
  if (SEVERAL.test(front) || SEVERAL_AFTER.test(behind)) return 'several';
  if (BETWEEN_TWO.test(wide)) return AND_AFTER.test(behind) ? 'least' : AND_BEFORE.test(front) ? 'most' : 'least';
  if (RANGE_BEFORE.test(wide)) return 'most';
  if (RANGE_AFTER.test(behind) || AT_LEAST.test(front) || AT_LEAST_AFTER.test(behind)) return 'least';
  return AT_MOST.test(front) || AT_MOST_AFTER.test(behind) ? 'most' : 'asked';
}
