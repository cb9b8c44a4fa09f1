import type { DateLanguage } from './date-words.ts';

/** How a language speaks of when something is open. All are patterns in lower case; the longest of several fits first. */
export interface HoursWords {
  /** All seven days, and Monday to Friday where that is what is always meant. */
  readonly daily: string;
  readonly weekdays: string;
  readonly weekend: string;
  readonly holidays: string;
  readonly closed: string;
  /** What stands before days that are left out. */
  readonly except: string;
  /** The whole day long. */
  readonly always: string;
  /** What may stand between days and hours and says nothing. */
  readonly filler: string;
  /** Parts of the year: hours differ by them. */
  readonly season: string;
  /** What makes days and hours mean less than they say: by appointment, every other week, of the kitchen alone. */
  readonly condition: string;
}

/** A new language is a row here; the compiler asks for each part of it. */
export const HOURS_WORDS: Readonly<Record<DateLanguage, HoursWords>> = {
  en: {
    daily: 'daily|every ?day|each day|(?:7|seven) days a week|7 days|all week|all days',
    weekdays: 'weekdays?|working days|workdays',
    weekend: 'weekends?',
    holidays: 'public holidays?|bank holidays?|holidays',
    closed: 'closed|shut|not open',
    except: 'except(?: for| on)?|excluding|other than|apart from|but not',
    always: '24 ?hours(?: a day| per day)?|24 ?hrs?|24/7|around the clock|round the clock',
    filler:
      'and|on|from|between|open(?:ing)?|hours|times|are|is|we|our|the|office|business|shop|store|a\\.?m\\.? to|until|again|also|but|both|all day|only|hrs',
    season: 'summer|winter|spring|autumn|season(?:al)?|high season|low season|term[- ]time|school holidays|christmas|easter|until further notice',
    condition:
      'by appointment|appointments?|last (?:entry|entries|orders?|admissions?)|last [a-z]+ (?:of|in) (?:the|each|every) month|kitchen|breakfast|lunch|dinner|supper|brunch|happy hour|(?:phone|telephone) lines?|deliver(?:y|ies)|collections?|check[- ]?in|check[- ]?out|late|varies|vary|may|usually|normally|approx(?:imately)?|about|around|first|1st|second|2nd|third|3rd|fourth|4th|every other|every second|alternate|fortnight(?:ly)?|odd|even|weather|sunset|dusk|dawn|sunrise|earlier|later|break|pause|course|class(?:es)?|lessons?|tours?|concerts?|mass|service',
  },
  de: {
    daily: 'täglich|jeden tag|alle tage|an allen tagen|7 tage(?: die woche)?|die ganze woche',
    weekdays: '(?!)',
    weekend: 'wochenenden?|wochenends',
    holidays: 'feiertagen?|feiertags|gesetzlichen? feiertagen?',
    closed: 'geschlossen|ruhetag|schließtag|zu(?=\\s*(?:$|[.,;\\n]))',
    except: 'außer|ausser|ausgenommen|mit ausnahme (?:von|des)',
    always: 'rund um die uhr|24 ?stunden|24/7|24 ?std\\.?|durchgehend 24 stunden',
    filler:
      'und|an|am|von|ab|je|jeweils|sowie|geöffnet|offen|öffnungszeiten|geschäftszeiten|sprechzeiten|wir|haben|sind|ist|unser|der|die|das|laden|büro|zwischen|nur|auch|immer|durchgehend|uhr',
    season: 'sommer|winter|frühling|frühjahr|herbst|saison|hauptsaison|nebensaison|ferien|schulferien|advent|weihnachten|ostern|sommerhalbjahr|winterhalbjahr',
    condition:
      'nach vereinbarung|vereinbarung|termin(?:e|en|vereinbarung)?|voranmeldung|letzter einlass|einlass|küche|frühstück|mittagstisch|mittagessen|abendessen|telefonisch|telefonzeiten|lieferung|abholung|werktags|werktagen|wochentags|wochentagen|ca\\.|circa|etwa|erster?|ersten|zweiten|dritten|letzten|jeden \\d\\.|alle zwei wochen|14-tägig|gerade|ungerade|meist|meistens|in der regel|sonnenuntergang|wetter|pause|mittagspause|kurse?|führungen|gottesdienst|open end|ende offen',
  },
  fr: {
    daily: 'tous les jours|chaque jour|7 ?j ?/ ?7|7 jours ?(?:sur|/) ?7|toute la semaine|quotidiennement',
    weekdays: '(?!)',
    weekend: 'week[- ]?ends?|les week[- ]?ends?',
    holidays: 'jours? fériés?|fériés?',
    closed: 'fermée?s?|fermeture(?: hebdomadaire)?|fermons',
    except: "sauf|excepté|hors|à l[’']exception (?:du|de)",
    always: '24 ?h ?(?:/|sur) ?24|24 heures sur 24|jour et nuit',
    filler:
      "et|de|du|des|le|les|la|au|à|à partir|entre|ouverte?s?|ouverture|horaires?|heures d[’']ouverture|nous|sommes|est|magasin|boutique|bureau|puis|non[- ]stop|en continu|matin|après-midi|seulement|uniquement|toute la journée|l[’']",
    season: 'été|hiver|printemps|automne|saison|haute saison|basse saison|vacances(?: scolaires)?|noël|pâques|estival|hivernal',
    condition:
      'sur rendez-vous|rendez-vous|rdv|dernière entrée|dernières? commandes?|cuisine|petit[- ]déjeuner|déjeuner|dîner|service|téléphone|livraison|retrait|en semaine|jours ouvrables|jours ouvrés|environ|vers|premier|1er|deuxième|troisième|dernier|un (?:\\S+ )?sur deux|semaines? (?:paires?|impaires?)|généralement|pause|cours|visites?|messe|selon',
  },
  es: {
    daily: 'todos los d[ií]as|cada d[ií]a|a diario|diariamente|7 d[ií]as(?: a la semana)?|toda la semana|diario',
    weekdays: '(?!)',
    weekend: 'fin(?:es)? de semana',
    holidays: 'festivos?|d[ií]as festivos|feriados?',
    closed: 'cerrad[oa]s?|cerramos',
    except: 'excepto|salvo|menos',
    always: '24 ?horas(?: al d[ií]a)?|24 ?h|24/7|las 24 horas',
    filler:
      'y|e|de|del|desde|el|los|las|la|a|abiert[oa]s?|abrimos|horarios?|apertura|atención|al público|nuestro|tienda|oficina|entre|solo|sólo|también|por la mañana|por la tarde|mañanas|tardes|mañana|tarde|ininterrumpido|h|hrs',
    season: 'verano|invierno|primavera|otoño|temporada(?: alta| baja)?|navidad|semana santa|vacaciones',
    condition:
      'con cita(?: previa)?|cita(?: previa)?|última (?:entrada|admisión)|cocina|desayunos?|almuerzos?|comidas?|cenas?|teléfono|reparto|entregas?|recogida|entre semana|laborables|días hábiles|aprox(?:imadamente)?|primer|primero|segundo|tercer|último|alternos?|quincenal|normalmente|suele|pausa|clases?|cursos?|visitas?|misa|según',
  },
  it: {
    daily: 'tutti i giorni|ogni giorno|7 giorni su 7|7 ?/ ?7|tutta la settimana|quotidianamente',
    weekdays: '(?!)',
    weekend: 'week[- ]?end|fine settimana',
    holidays: 'festivi|giorni festivi',
    closed: 'chius[oaie]|giorno di chiusura|riposo settimanale|chiusura(?: settimanale)?|turno di riposo',
    except: 'tranne|eccetto|esclus[oaie]|salvo',
    always: '24 ore su 24|h ?24|24 ?h|24/7',
    filler:
      "e|ed|dal|dalle|dalla|dalle ore|alle|il|i|la|le|lo|di|nei|nel|apert[oaie]|apertura|orari(?:o)?|ore|siamo|negozio|ufficio|solo|anche|orario continuato|continuato|mattina|mattino|pomeriggio|all['’]|l['’]",
    season: 'estate|inverno|primavera|autunno|estiv[oi]|invernal[ei]|stagione|alta stagione|bassa stagione|natale|pasqua|vacanze',
    condition:
      'su appuntamento|appuntamento|previo|ultim[oa] (?:ingresso|entrata|ordine)|cucina|colazione|pranzo|cena|telefono|consegne?|ritiro|feriali|giorni lavorativi|circa|prim[oa]|second[oa]|terz[oa]|ultim[oa]|alterni|quindicinale|di solito|pausa|corsi|lezioni|visite|messa|secondo',
  },
  nl: {
    daily: 'dagelijks|elke dag|iedere dag|alle dagen|7 dagen per week|de hele week',
    weekdays: 'werkdagen',
    weekend: 'weekend(?:en|s)?',
    holidays: '(?:officiële )?feestdagen',
    closed: 'gesloten|dicht',
    except: 'behalve(?: op)?|uitgezonderd|met uitzondering van',
    always: '24 uur(?: per dag)?|24/7|dag en nacht',
    filler:
      'en|op|van|vanaf|tussen|open|geopend|openingstijden|openingsuren|wij|we|zijn|is|de|het|onze|winkel|kantoor|in|ook|alleen|weer|uur|ononderbroken|doorlopend',
    season: 'zomer|winter|lente|voorjaar|herfst|najaar|seizoen|hoogseizoen|laagseizoen|schoolvakanties?|vakantie|kerst|pasen',
    condition:
      'op afspraak|afspraak|afspraken|laatste (?:toegang|bestelling|entree)|keuken|ontbijt|lunch|diner|telefonisch|bezorging|afhalen|doordeweeks|door de week|ca\\.|circa|ongeveer|eerste|tweede|derde|laatste|om de week|even|oneven|meestal|pauze|lessen|les|cursus(?:sen)?|rondleiding(?:en)?|koopavond|laat',
  },
  pt: {
    daily: 'todos os dias|cada dia|diariamente|7 dias(?: por semana)?|toda a semana',
    weekdays: 'dias [uú]teis',
    weekend: 'fi(?:m|ns)[- ]de[- ]semana',
    holidays: 'feriados?',
    closed: 'fechad[oa]s?|encerrad[oa]s?|encerra|fechamos|encerramos|encerramento',
    except: 'exceto|excepto|menos|salvo',
    always: '24 ?horas(?: por dia)?|24 ?h|24/7',
    filler:
      'e|de|da|das|do|dos|à|às|as|aos?|a|o|os|abert[oa]s?|abrimos|horários?|horario|funcionamento|atendimento|abertura|loja|escritório|entre|só|apenas|também|nos|na|no|h',
    season: 'verão|inverno|primavera|outono|época(?: alta| baixa)?|temporada|natal|páscoa|férias',
    condition:
      'com marcação|marcação|mediante|agendamento|última (?:entrada|admissão)|cozinha|pequeno-almoço|café da manhã|almoços?|jantares|jantar|telefone|entregas?|levantamento|aprox(?:imadamente)?|cerca|primeir[oa]|segund[oa]s? (?:do|de cada) mês|terceir[oa]|últim[oa]|alternad[oa]s|quinzenal|geralmente|pausa|aulas?|cursos?|visitas?|missa|conforme',
  },
  pl: {
    daily: 'codziennie|każdego dnia|cały tydzień|7 dni w tygodniu',
    weekdays: '(?!)',
    weekend: 'weekendy?|w weekendy?',
    holidays: 'święta|dni świąteczne',
    closed: 'nieczynn[eyai]|zamknięt[eyai]|zamykamy',
    except: 'oprócz|z wyjątkiem|poza|prócz',
    always: 'całodobowo|całą dobę|24 ?h|24/7|24 godziny na dobę',
    filler: 'i|oraz|w|we|od|od godz\\.?|godz\\.?|godziny|godzinach|otwarcia|otwarte|otwarty|czynne|czynny|czynna|jesteśmy|sklep|biuro|między|tylko|także|też|a',
    season: 'lato|lecie|latem|zima|zimą|wiosną|jesienią|sezon(?:ie)?|wakacje|ferie|boże narodzenie|wielkanoc',
    condition:
      'po umówieniu|umówieni[ua]|ostatnie wejście|kuchnia|śniadani[ae]|obiad[y]?|kolacj[ae]|telefonicznie|dostaw[ay]|odbiór|dni robocze|dni powszednie|w tygodniu|około|ok\\.|pierwsz[aye]|drug[ia]|trzeci[a]?|ostatni[a]?|co drug[ia]|zwykle|zazwyczaj|przerwa|zajęcia|kurs[y]?|zwiedzanie|msza',
  },
  ja: {
    daily: '毎日|年中無休|無休|全日',
    weekdays: '平日',
    weekend: '週末',
    holidays: '祝日|祝祭日|祝',
    closed: '定休日|定休|休業日|休業|休館日|休館|閉館|店休日|お休み|休み',
    except: '(?!)',
    always: '24時間(?:営業)?|二十四時間',
    filler: '営業時間|営業日|営業|開館時間|開館|受付時間|受付|診療時間|診療|時間|まで|は|の|と|も|です|ます|しています|しております|分',
    season: '夏季|冬季|夏期|冬期|春|夏|秋|冬|期間|年末年始|お盆|ゴールデンウィーク|シーズン',
    condition:
      '予約|要予約|ラストオーダー|最終入館|最終受付|ランチ|ディナー|モーニング|電話|不定休|第\\s?[1-5一二三四五]|隔週|除く|以外|頃|ごろ|場合|変更|教室|レッスン|昼休み|[LＬ]\\.?[OＯ]',
  },
};
