import { titleParts } from './title-parts.ts';

/** Titles that a template or a tool left behind. */
const DEFAULT_TITLES = new Set([
  'home',
  'home page',
  'homepage',
  'untitled',
  'untitled document',
  'untitled page',
  'new page',
  'page',
  'index',
  'document',
  'title',
  'page title',
  'welcome',
  'hello world',
  'sample page',
  'startseite',
  'unbenannt',
  'neue seite',
  'accueil',
  'sans titre',
  'inicio',
  'sin título',
]);
const DEFAULT_TAGLINES = [
  /^your (tagline|slogan|site title)( (goes )?here)?$/i,
  /^(tagline|slogan) goes here$/i,
  /^a (new|brand new) website$/i,
  /^my (site|website|web site)$/i,
  // Text that only holds the place, in the languages whose tools write it.
  /lorem ipsum|dolor sit amet|consectetur adipi/i,
  /\b(?:placeholder|dummy|sample|filler) text\b|\byour (?:text|title|heading) (?:goes )?here\b|\bblindtext\b|\bplatzhalter(?:text)?\b|\bbeispieltext\b|\bhinter den wortbergen\b/i,
  /\b(?:faux[- ]texte|texte (?:de remplissage|d['’]exemple|factice))\b|\btexto (?:de (?:ejemplo|relleno|exemplo|preenchimento)|simulado)\b|\btesto (?:di (?:esempio|riempimento)|segnaposto)\b/i,
  /^(?:coming soon|under construction|demnächst|im aufbau|in kürze|bientôt(?: disponible)?|en construction|próximamente|en construcción|prossimamente|in costruzione|binnenkort|in aanbouw|em breve|em construção)[.!…]*$/i,
];
/** Names that a tool gave to a copy. */
const COPIES = [
  /^(?:copy of|kopie von|copie de|copia de|copia di|kopie van|cópia de)\s/i,
  /\s[(\u2013\u2014-]\s*(?:copy|kopie|copie|copia|cópia)(?:\s*\d*)\)?$|\s\(copy(?: \d+)?\)$/i,
];
/** Of the defaults those that also stand behind a site's name. */
const HOMES = new Set([
  'home',
  'home page',
  'homepage',
  'startseite',
  'accueil',
  'inicio',
  'página de inicio',
  'página inicial',
  'pagina iniziale',
  'startpagina',
  'index',
]);

/** Why a title (or one part of it) looks left over: a tool's default, a template's tagline, or nothing but the domain. */
export function leftover(text: string, host: string): { part: string; why: 'default' | 'tagline' | 'domain' } | undefined {
  const whole = text.trim();
  const bareHost = host.replace(/^www\./, '').toLowerCase();
  for (const part of [whole, ...titleParts(whole)]) {
    const plain = part.trim();
    const low = plain.toLowerCase();
    if (DEFAULT_TITLES.has(low) && (part === whole || whole.toLowerCase().startsWith(low))) return { part: plain, why: 'default' };
    if (COPIES.some((pattern) => pattern.test(plain))) return { part: plain, why: 'default' };
    if (HOMES.has(low) && part !== whole && titleParts(whole).length === 2) return { part: plain, why: 'default' };
    if (DEFAULT_TAGLINES.some((pattern) => pattern.test(plain))) return { part: plain, why: 'tagline' };
    if (
      part === whole &&
      low
        .replace(/^https?:\/\//, '')
        .replace(/^www\./, '')
        .replace(/\/$/, '') === bareHost
    )
      return { part: plain, why: 'domain' };
  }
  return undefined;
}

/** What a title names, without a figure behind it: pages of one such name may be copies of each other, or numbered on purpose. */
export function nameWithoutNumber(title: string): string {
  const name = (title.split(/\s+[|\u2013\u2014·•»]\s+/)[0] ?? '').trim();
  return name.replace(/\s+\d$/, '').toLowerCase();
}

/** A single figure after a name, as tools append it to a copy: "Journal 2". Years, versions and larger numbers mean something. */
export function numberAfterName(text: string): string | undefined {
  const name = (text.split(/\s+[|\u2013\u2014·•»]\s+/)[0] ?? '').trim();
  const found = /^\p{L}[\p{L}\s'’-]*\s([2-9])$/u.exec(name);
  if (
    !found ||
    /\b(part|volume|vol|chapter|step|day|week|level|grade|lesson|teil|band|kapitel|tag|woche|partie|chapitre|parte|capítulo|no|nr|page|top)\s\d$/i.test(name)
  )
    return undefined;
  return name;
}
