/** Whether a thing can be had, as the vocabulary's words have it. */
export type Stock = 'SoldOut' | 'OutOfStock' | 'Discontinued' | 'PreOrder' | 'MadeToOrder' | 'LimitedAvailability' | 'InStock';

/** What is said of stock, most telling first: words that stand for themselves, with a "not" in them or not. */
const SAID: readonly (readonly [Stock, string])[] = [
  [
    'Discontinued',
    "discontinued|no longer (?:made|sold|produced)|nicht mehr hergestellt|eingestellt(?:es produkt)?|auslaufmodell|discontinué|n['’]est plus fabriqué|plus fabriqué|descatalogado|ya no se fabrica|fuori produzione|non più prodotto|niet meer leverbaar|uit productie|descontinuado|fora de linha|wycofan[yea]|już nie produkowan\\w+|販売終了|生産終了",
  ],
  [
    'OutOfStock',
    "out of stock|(?:not|no longer|currently not|isn['’]t|n[o']t currently|temporarily not|temporarily un)\\s?(?:in stock|available)|unavailable|back (?:in stock )?soon|back in stock (?:in|on|from|by)|temporarily out|nicht (?:mehr |auf )?(?:lieferbar|vorrätig|verfügbar|lager)|derzeit (?:nicht|leider nicht)[^.]{0,20}|bald wieder (?:da|lieferbar|verfügbar|vorrätig)|rupture de stock|pas en stock|plus (?:en stock|disponible)|indisponible|non disponible|bientôt de retour|sin existencias|no disponible|no (?:hay|queda)n? (?:stock|existencias)|sin stock|fuera de stock|pronto disponible|non disponibile|non (?:più )?in magazzino|di nuovo disponibile a breve|presto disponibile|niet (?:meer )?(?:op voorraad|beschikbaar|leverbaar)|binnenkort (?:weer|terug)[^.]{0,16}|sem estoque|fora de estoque|indisponível|não disponível|em breve disponível|brak (?:w magazynie|na stanie)|niedostępn[yea]|chwilowo niedostępn\\w+|在庫なし|在庫切れ|欠品|入荷待ち|品切れ",
  ],
  [
    'SoldOut',
    'sold[ -]out|fully booked|no (?:places|tickets|seats) left|ausverkauft|ausgebucht|restlos vergriffen|vergriffen|épuisée?s?|complet(?![\\p{L}])|agotad[oa]s?|entradas agotadas|esaurit[oaie]|tutto esaurito|uitverkocht|volgeboekt|esgotad[oa]s?|wyprzedan[yea]|brak (?:miejsc|biletów)|売り切れ|完売|満席|満員',
  ],
  [
    'PreOrder',
    'pre-?orders?|vorbestell(?:bar|en|ung)|jetzt vorbestellen|précommand\\w+|preventa|reserva anticipada|preordin\\w+|pre-?order|pré-venda|przedsprzedaż|予約受付|予約販売',
  ],
  [
    'MadeToOrder',
    'made to order|auf bestellung(?: gefertigt)?|nach maß gefertigt|(?:fabriqué )?sur commande|bajo pedido|su ordinazione|op bestelling|sob encomenda|na zamówienie|受注生産',
  ],
  [
    'LimitedAvailability',
    'only (?:a few|\\d+|one|two|three) (?:left|remaining|in stock)|few left|last (?:few|pieces|copies)|nur noch (?:wenige|\\d+|ein\\w*)[^.]{0,16}|plus que \\d+|derniers? (?:exemplaires|articles|pièces)|últim[oa]s (?:unidades|plazas)|solo \\d+ (?:disponibili|rimasti)|ultimi (?:pezzi|posti)|nog (?:maar )?\\d+ (?:op voorraad|beschikbaar|stuks)|laatste (?:stuks|plaatsen)|ostatnie sztuki|残りわずか|残り\\d+',
  ],
  [
    'InStock',
    'in stock|available (?:now|immediately|today|for (?:immediate )?(?:dispatch|delivery))|places left|ready to ship|auf lager|sofort lieferbar|sofort verfügbar|vorrätig|lieferbar|freie plätze|en stock|disponible(?:s)?(?: immédiatement)?|en existencia|hay existencias|disponibil[ei]|in magazzino|pronta consegna|op voorraad|direct leverbaar|em estoque|disponível|pronta entrega|dostępn[yea]|w magazynie|na stanie|在庫あり|即納',
  ],
];
const PATTERNS = SAID.map(([stock, words]) => [stock, new RegExp(`(?<![\\p{Script=Latin}\\d])(?:${words})(?![\\p{Script=Latin}])`, 'iu')] as const);
/** A "not" in front of what is said. */
const NOT =
  /(?:^|[^\p{L}])(?:not|never|no|no longer|isn['’]t|aren['’]t|wasn['’]t|hardly|seldom|rarely|nicht|nie(?:mals)?|kein\w*|kaum|ne|n['’]est|pas|jamais|plus|no|nunca|jamás|non|mai|niet|nooit|geen|não|nunca|nie|nigdy|run|runs|when|if|once|until|as soon as|wenn|falls|sobald|bis|si|dès que|quand|cuando|hasta que|quando|se|zodra|als|jeśli|gdy|いつも)(?:\s+[\p{L}'’]+){0,2}\s*$/iu;
/** A thing that is asked, or told of other things. */
const OPEN = /[?？]\s*$|(?:^|[^\p{L}])(?:notify|notified|email me|e-mail me|tell me|benachrichtig\w*|prévenez|avísame|avvisami|mail mij|avise-me|powiadom)/iu;

/** What a text says of whether a thing can be had; undefined where it says nothing, asks, or says two things. */
export function stockIn(text: string): { readonly stock: Stock; readonly start: number; readonly end: number } | undefined {
  if (OPEN.test(text)) return undefined;
  for (const [stock, words] of PATTERNS) {
    const found = words.exec(text);
    if (!found) continue;
    // "never sold out", "when it is in stock": that is told of no thing that is looked at now.
    if (NOT.test(text.slice(Math.max(0, found.index - 32), found.index))) return undefined;
    return { stock, start: found.index, end: found.index + found[0].length };
  }
  return undefined;
}
