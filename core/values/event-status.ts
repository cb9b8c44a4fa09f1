/** What became of an event, as the vocabulary's words have it. That nothing became of it is not said: nobody writes so. */
export type EventStatus = 'EventCancelled' | 'EventPostponed' | 'EventMovedOnline';

/** Words that say it, in the languages of the program; the first that is found counts. */
const SAID: readonly (readonly [EventStatus, string])[] = [
  [
    'EventMovedOnline',
    '(?:moved|switched|changed) online|(?:is )?now (?:being held |taking place )?online|online instead|(?:ins netz|ins internet|auf online|online) verlegt|findet (?:jetzt|nun|stattdessen) online statt|passe en ligne|(?:désormais|finalement) en ligne|pasa a ser (?:online|en línea|virtual)|ahora (?:online|en línea|virtual)|spostat[oa] online|ora (?:solo )?online|(?:nu|toch) online|verplaatst naar online|passa a (?:ser )?online|agora online|przeniesion\\w+ (?:do sieci|do internetu|online)|オンライン開催に変更',
  ],
  [
    'EventCancelled',
    "cancell?ed|called off|will not (?:take place|go ahead|be held)|is off|abgesagt|fällt (?:leider |ersatzlos |krankheitsbedingt )*aus|findet (?:leider )?nicht statt|entfällt|annulée?s?|n['’]aura pas lieu|cancelad[oa]s?|suspendid[oa]s?|no se celebrará|annullat[oaie]|cancellat[oaie]|non (?:si terrà|avrà luogo)|geannuleerd|afgelast|gaat (?:helaas )?niet door|não se realizará|odwołan[eyai]|nie odbędzie się|中止",
  ],
  [
    'EventPostponed',
    'postponed|rescheduled|put off|verschoben|verlegt auf|reportée?s?|déplacée? au|aplazad[oa]s?|pospuest[oa]s?|rinviat[oaie]|posticipat[oaie]|uitgesteld|verplaatst naar|verzet naar|adiad[oa]s?|przełożon[eyai]|przesunięt[eyai]|延期',
  ],
];
const PATTERNS = SAID.map(([status, words]) => [status, new RegExp(`(?<![\\p{Script=Latin}\\d-])(?:${words})(?![\\p{Script=Latin}])`, 'iu')] as const);
/** What makes it a rule or a fear, tells of another year, or of something else that can be called off. */
const OPEN =
  /(?<!\p{L})(?:if|unless|in case|in the event|should|(?<!\d\s?)may(?!\s?\d)|might|can|can't|cannot|could|must|up to|within|falls|wenn|sofern|kann|können|muss|im falle?|bis zu|en cas|si|peut|peuvent|pourra|en caso|puede|pueden|se|può|possono|in caso|als|indien|kan|kunnen|caso|pode|podem|jeśli|jeżeli|może|w razie|last year|letztes jahr|im vorjahr|l['’]an dernier|año pasado|anno scorso|vorig jaar|ano passado|w zeszłym roku|bookings?|orders?|subscriptions?|memberships?|buchung\w*|bestellung\w*|réservations?|commandes?|reservas?|pedidos?|prenotazion\w+|ordin[ei]|boeking\w*|rezerwacj\w+|zamówieni\w+)(?!\p{L})|場合|可能性|キャンセル|[?？]/iu;
const NOT = /(?<!\p{L})(?:not|never|n['’]t|nicht|nie|niemals|kein\w*|ne|n['’]est|pas|no|nunca|non|mai|niet|nooit|não|nigdy)(?:\s+[\p{L}'’]+){0,2}\s+$/iu;

/** What a text says became of an event; undefined where it says nothing, only sets a rule, or denies it. */
export function eventStatusIn(text: string): { readonly status: EventStatus; readonly start: number; readonly end: number } | undefined {
  let from = 0;
  for (const sentence of text.split(/(?<=[.!。;])\s+|(?<=[。！])/u)) {
    const at = text.indexOf(sentence, from);
    from = at + sentence.length;
    if (OPEN.test(sentence)) continue;
    for (const [status, words] of PATTERNS) {
      const found = words.exec(sentence);
      if (found && !NOT.test(sentence.slice(0, found.index))) return { status, start: at + found.index, end: at + found.index + found[0].length };
    }
  }
  return undefined;
}
