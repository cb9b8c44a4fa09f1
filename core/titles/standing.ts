import type { Language } from '../language/index.ts';

/** What speaks for or against a sentence where nothing stands before it. Higher is better; undefined where it cannot stand alone at all. */
export function standsAlone(text: string, language: Language, name: string): number | undefined {
  if (NEVER.some((pattern) => pattern.test(text)) || isCode(text)) return undefined;
  // A small letter in front: the end of something. Names of commands and of parts of programs are written so.
  if (/^\p{Ll}/u.test(text) && !startsWithName(text, name)) return undefined;
  // What only stands with what is not shown: half a list, half a bracket.
  if (/[:;,]$/.test(text) || count(text, /[(（[]/g) !== count(text, /[)）\]]/g)) return undefined;
  let score = 0;
  // Translations that are not finished hold sentences of the language that they are made from.
  const code = language.unspaced && /^[\P{L}\p{Script=Latin}]+$/u.test(text) ? 'en' : language.code;
  if (code !== 'en' && isEnglish(text)) return undefined;
  const rules = [LEANS[code], language.tag === 'ja' ? LEANS_JA : language.tag === 'zh' ? LEANS_ZH : undefined];
  for (const rule of rules) {
    if (rule?.back.test(text)) score -= 1.1;
    if (rule?.turns.test(text)) score -= 0.7;
    if (rule?.speaks?.test(text)) score -= 0.4;
    if (rule?.self?.test(text)) score += 0.6;
  }
  if (POINTS.test(text)) score -= 0.6;
  if (LOCATES.test(text)) score -= 1.7;
  if (GOES_ON.test(text)) score -= 1;
  if (SENDS.test(text)) score -= 1.1;
  if (MAKING.test(text)) score -= 0.8;
  if (code === 'en' && LEANS_WITHIN.test(text)) score -= 0.7;
  if (ALSO.test(text)) score -= 0.6;
  if (/^[^.:：]{2,25}(?:[:：]|-)\s/.test(text) && !startsWithName(text, name)) score -= 0.8;
  if (/[?？]$/.test(text)) score -= 0.3;
  if (startsWithName(text, name)) score += 0.7;
  return score;
}

/** What is no sentence about a page, wherever it stands. */
const NEVER: readonly RegExp[] = [
  /©|\(c\)\s*(?:19|20)\d\d|\bcopyright\b|\bcookies?\b|all rights reserved|alle rechte vorbehalten|tous droits réservés|(?:todos los )?derechos reservados|tutti i diritti|alle rechten voorbehouden/i,
  /\bdistribution of this (?:file|document|software)\b|\bin any medium\b|\bwarrant(?:y|ies)\b/i,
  /\bskip to\b|\bjavascript\b.{0,40}\b(?:enable|disabled|required|activ|aktiv)|^(?:click|tap) here|^klicken sie hier|^cliquez ici/i,
  /^(?:deprecated|changed|new|added|removed|updated|last (?:updated|modified)|geändert|neu|veraltet|obsolète|modifié|nouveau dans|obsoleto|cambiado|nuevo)\b.{0,12}\b(?:since|in|on|from|version|seit|am|dans|le|en)\b/i,
  /^(?:note|warning|caution|tip|important|hinweis|achtung|warnung|remarque|attention|nota|atención|advertencia|attenzione|let op|opmerking|注意|警告|ノート|[[(（【])/i,
  /^(?:[\d.]+|[ivx]+\.|[a-z]\))\s|^(?:table|figure|listing|example|tabelle|abbildung|tableau|tabla|figura)\s+\d/i,
  /(?:^|\s)\[\p{L}[^\]]*\](?:\s|[.,;]|$)/u,
  /^[-*•–—·]\s|\btrademarks?\b|\bowned by their\b|\b(?:adapted|translated|written|maintained) by\b|\badapted from\b|^(?:written|translated|edited) by\b/i,
  /\b(?:page not found|seite nicht gefunden|page introuvable|página no encontrada)\b|^searching for|^(?:lorem ipsum|dolor sit)/i,
];

/** How texts begin that lean on what came before, or turn from it; and those that speak to the reader in the middle of something. */
interface Leaning {
  readonly back: RegExp;
  readonly turns: RegExp;
  readonly speaks?: RegExp;
  /** The page speaks of itself. */
  readonly self?: RegExp;
}

/** Things that a page calls itself: "This chapter …" stands beside the page's own title. */
const SELF_EN =
  'page|site|website|document|chapter|section|part|appendix|module|package|library|command|manual|guide|tutorial|article|book|handbook|reference|tool|program|filter|view|catalog|dialog|article|report|post|story|course|workshop|event|service|product|recipe|project|specification|standard|policy';
const LEANS: Readonly<Partial<Record<Language['code'], Leaning>>> = {
  en: {
    back: new RegExp(
      `^(?:it|its|this(?!\\s+(?:\\w+\\s+)?(?:${SELF_EN})\\b)|that|these|those|they|their|them|he|she|his|her|one (?:is|of (?:the|these|those))|both|such|same|the (?:former|latter|above|following|same|other)|doing (?:so|this|that)|(?:first|second)(?:ly)?(?=,)|any other|all of (?:them|these)|none of|each of|some of|most of|another|others|here(?:['’]s)? how|would|could)\\b`,
      'i',
    ),
    turns:
      /^(?:and|but|so|or|yet|often|returns?|as with|for (?:an?|each|every|all)|currently|at the moment|at present|say|suppose|imagine|recall|as (?:this|you|we|it)|in the (?:last|first|second|previous|next)|normally|usually|typically|optionally|basically|obviously|nevertheless|no \w+ (?:is|are)|also|then|thus|hence|however|therefore|moreover|furthermore|additionally|besides|in addition|in particular|for (?:example|instance)|as (?:a result|shown|described|mentioned|above|noted)|along the way|by default|otherwise|instead|finally|lastly|now|next|again|similarly|likewise|of course|indeed|in fact|in this|in that|in these|after (?:that|this|running)|don['’]t|there(?:['’]s)? (?:is|are|can|may)|there['’]s|here|if|when|while|unless|since|because|although|though|once|until|even|at this|at that|with this|with that|from now|use|see|note that|every(?:thing)?\b|any\b|multiple|several|many|most|some|please|to use this|to do this|for this|sometimes)\b/i,
    speaks: /^(?:i |we |we['’]|you |your |let['’]s|try |make sure|remember|before you)/i,
    self: new RegExp(`^(?:this|the present) (?:\\w+ )?(?:${SELF_EN})\\b`, 'i'),
  },
  de: {
    back: /^(?:es|er|sie|dies(?:e[rsnm]?)?(?!\s+(?:abschnitt|kapitel|seite|handbuch|dokument|anleitung|artikel|buch|teil))|das (?:ist|sind|kann|wird|war|hat|bedeutet)|jene[rsnm]?|deren|dessen|ihre?|beide|solche[rsnm]?|damit|dabei|dadurch|dafür|darin|darüber|davon|dazu|hierfür|hierbei|hiermit|dort|letztere[rsn]?)\b/i,
    turns:
      /^(?:und|aber|oder|sondern|auch|dann|also|daher|deshalb|deswegen|jedoch|allerdings|außerdem|zudem|ferner|zum beispiel|beispielsweise|insbesondere|standardmäßig|sonst|schließlich|nun|jetzt|falls|wenn|während|weil|da|obwohl|sobald|bis|sogar|hier|siehe|bitte|beachten)\b/i,
    speaks: /^(?:ich|wir|sie (?:können|sollten|müssen))\b/i,
    self: /^(?:dies(?:e[rsnm]?)? (?:\w+ )?(?:abschnitt|kapitel|seite|handbuch|dokument|anleitung|artikel|buch|teil)|hier (?:finden|erfahren|lernen))\b/i,
  },
  fr: {
    back: /^(?:il|elle|ils|elles|ce(?:la|ci)|c['’]est|ces|cet(?:te)?(?!\s+(?:section|page|chapitre|annexe|article|partie))|ce(?!\s+(?:chapitre|document|manuel|guide|livre|module))|celui|celle|ceux|celles|leurs?|son|sa|ses|y)\b/i,
    turns:
      /^(?:et|mais|ou|donc|or|car|ainsi|alors|puis|ensuite|enfin|(?:plus )?concrètement|plus précisément|cependant|toutefois|pourtant|de plus|en outre|par exemple|en particulier|par défaut|sinon|si|quand|lorsque|lorsqu|puisque|parce que|bien que|tandis|ici|voir|veuillez|notez)\b/i,
    speaks: /^(?:je|j['’]|nous|vous)\b/i,
    self: /^(?:cette (?:section|page|annexe|partie)|cet article|ce (?:chapitre|document|manuel|guide|livre|module))\b/i,
  },
  es: {
    back: /^(?:él|ella|ellos|ellas|ello|es(?:to|o|a|e|as|os)\b|est[eao]s?(?!\s+(?:capítulo|sección|página|documento|manual|guía|apéndice|libro|artículo))|aquel(?:la|lo)?|su|sus|ambos|dicho)\b/i,
    turns:
      /^(?:y|e|pero|o|sino|también|entonces|así|además|por (?:ejemplo|tanto|lo tanto|eso|defecto)|sin embargo|en particular|luego|finalmente|ahora|si|cuando|mientras|porque|aunque|aquí|véase|ver|vea)\b/i,
    speaks: /^(?:yo|nosotros|usted|puede|debe)\b/i,
    self: /^(?:est[ea] (?:capítulo|sección|página|documento|manual|guía|apéndice|libro|artículo))(?![\p{L}])/iu,
  },
  it: {
    back: /^(?:esso|essa|essi|esse|egli|ella|quest[oaie](?!\s+(?:capitolo|sezione|pagina|documento|manuale|guida|libro))|quell[oaie]|ciò|suo|sua|suoi|sue|loro|entrambi)\b/i,
    turns:
      /^(?:e|ed|ma|o|oppure|anche|allora|quindi|perciò|inoltre|ad esempio|per esempio|in particolare|tuttavia|infine|ora|se|quando|mentre|perché|sebbene|qui|vedere|si veda|come sempre)\b/i,
    speaks: /^(?:io|noi|voi)\b/i,
    self: /^(?:quest[oa] (?:capitolo|sezione|pagina|documento|manuale|guida|libro))\b/i,
  },
  nl: {
    back: /^(?:het (?:is|zijn|kan|wordt)|hij|zij|ze|dit|dat|deze(?!\s+(?:pagina|sectie|handleiding|gids))|die|hun|zijn|haar|beide|daarmee|daarvan|hiervoor)\b/i,
    turns: /^(?:en|maar|of|ook|dan|dus|daarom|echter|bovendien|bijvoorbeeld|met name|standaard|anders|nu|als|wanneer|terwijl|omdat|hoewel|hier|zie)\b/i,
    speaks: /^(?:ik|wij|we|u|je)\b/i,
    self: /^(?:(?:deze|dit) (?:pagina|sectie|handleiding|gids|hoofdstuk|document))\b/i,
  },
  pt: {
    back: /^(?:ele|ela|eles|elas|isso|isto|aquilo|est[ea]s?(?!\s+(?:capítulo|seção|página|documento|manual|guia|livro))|ess[ea]s?|aquel[ea]s?|seu|sua|seus|suas|ambos)\b/i,
    turns: /^(?:e|mas|ou|também|então|assim|portanto|porém|além disso|por exemplo|em particular|por padrão|se|quando|enquanto|porque|embora|aqui|veja)\b/i,
    speaks: /^(?:eu|nós|você)\b/i,
    self: /^(?:est[ea] (?:capítulo|seção|página|documento|manual|guia|livro))(?![\p{L}])/iu,
  },
};
const LEANS_JA: Leaning = {
  back: /^(?:これ|それ|あれ|その|この(?!章|ページ|文書|節|マニュアル|本)|そこ|ここ)/,
  turns: /^(?:また|しかし|そして|ただし|たとえば|例えば|なお|さらに|つまり|もし)/,
};
const LEANS_ZH: Leaning = {
  back: /^(?:它|他|她|这(?!一?[章节页本份])|那|其|该(?!章|文|手册))/,
  turns: /^(?:但|而|并|然而|例如|此外|因此|所以|如果|当|另外|在某些|下面|请|以上)/,
};

/** What was spoken of before, in the middle of a sentence. */
const LEANS_WITHIN = new RegExp(
  `^(?:you|we|to)\\b(?: can| may)? \\w+ (?:it|them|this)\\b|(?<!^)\\b(?:these|those|such an?|(?:all|one|both|each) of (?:these|them)|here(?! (?:you|we))|this (?!(?:\\w+ )?(?:${SELF_EN}|way|case|time|purpose)\\b)\\w+)\\b`,
);
/** How a text came about, which tells nothing of what it is about. */
const MAKING =
  /\b(?:was|were|has been|have been|is being) (?:originally |first |last )?(?:written|drafted|updated|created|translated|revised|published)\b|\bha sido (?:escrit|actualizad|traducid)|\ba été (?:écrit|rédigé|mis à jour|traduit)|\bwurde \S+ (?:geschrieben|verfasst|übersetzt|aktualisiert)\b|\bat the time of (?:this )?writing\b/i;
/** What only says where to read on. */
const SENDS =
  /(?<!\p{L})(?:please (?:read|see|refer|consult)|lea|lean|consulte|vea|si consulti|si prega di|veuillez|consultez|lisez|lesen sie|bitte lesen)(?!\p{L})|请查看|请参阅|，阅读|を参照|をご覧/iu;
/** A text that one reads from its beginning, in its middle. */
const GOES_ON =
  /\b(?:we|you|i)(?: have|['’]ve) (?:already |just )?(?:discussed|seen|used|learned|learnt|covered|written|talked|described)\b|\bso far\b|^by now\b|\bjust (?:introduced|described|discussed)\b|\bin the (?:previous|last|next) (?:chapter|section)\b/i;
/** One more of what was told before. */
const ALSO = /^(?:\S+ ){1,4}(?:also|auch|aussi|également|también|anche|ook|também)\b|`/i;

/** Sentences that tell where something is found, or what a picture beside them shows, or what has changed by now. */
const LOCATES =
  /\b(?:is|are|can be) (?:found|accessed|reached|activated|located|called from)\b|^you can (?:access|find|get to|reach)\b|^(?:on|at|in) the (?:left|right|top|bottom)\b|\bwill now\b|\bof course\b|\bthe good news\b/i;

/** Sentences that send the reader elsewhere. */
const POINTS =
  /\b(?:see|siehe|voir|véase|vedi|zie)\s+(?:also\s+|auch\s+)?["“«(]?(?:section|chapter|table|figure|appendix|the|abschnitt|kapitel|la|le|il|el|\p{Lu})|\b(?:section|table|figure|listing|appendix|chapter|abschnitt|kapitel|tabelle|tabla|tableau|figura) [A-Z]?\d|\b(?:as (?:shown|described|explained|discussed|mentioned) (?:in|above|below|earlier|previously)|above|below|following|as follows|oben|unten|folgende[rsnm]?|ci-dessus|ci-dessous|siguientes?|seguenti)\b|参见|参照|如下/iu;

/** Whether a sentence is English beyond doubt: on a page in another language it is what was not translated yet. */
function isEnglish(text: string): boolean {
  const common =
    text.match(/\b(?:the|and|you|your|of|with|that|is|are|to|for|this|should|have|haven|has|can|if|it|be|from|by|which|when|how|do|was|were|not)\b/gi)
      ?.length ?? 0;
  return common >= 3 && common >= text.split(/\s+/).length / 5;
}

/** Whether a sentence sends its reader elsewhere. */
export function pointsElsewhere(text: string): boolean {
  return POINTS.test(text);
}

/** Shell lines, tables drawn with signs, pieces of programs. */
function isCode(text: string): boolean {
  return /\[-|\[<|\[\s|\.\.\.\]|\s\|\s|>\s*(?:…|\.{3})|(?:^|\s)[$%>]\s+\w|[-=*_~#]{4,}|[{}]|\);|=>|->|<\/|&&|\|\||\\\w|\b\w+\(\)\s*\{|(?:^|\s)--[a-z][\w-]*=|(?:\/[\w.-]+){3,}/.test(
    text,
  );
}

/** Whether a text begins with what the page is called, an article left aside. */
export function startsWithName(text: string, name: string): boolean {
  const bare = plain(name);
  if (bare.length < 2) return false;
  const words = plain(text).replace(/^(?:the|a|an|der|die|das|ein|eine|le|la|les|l|un|une|el|los|las|una|il|lo|i|gli|de|het|een|o|a|os|as) /, '');
  return words === bare || words.startsWith(`${bare} `) || (/[^\p{ASCII}]/u.test(bare) && words.startsWith(bare));
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\([^)]*\)/g, ' ')
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, ' ')
    .trim();
/** How often a pattern, which is global, stands in a text. */
export const count = (text: string, pattern: RegExp): number => text.match(pattern)?.length ?? 0;
