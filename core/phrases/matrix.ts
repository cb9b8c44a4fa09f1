import type { Language } from '../language/index.ts';
import { phraseStems, standsInFront, stemsIn, verdictIn, type Prepared } from './coverage.ts';

/** What the owner offers, where and for whom: each a list of words as people say them. */
export interface Wishes {
  readonly services: readonly string[];
  readonly places: readonly string[];
  readonly audiences: readonly string[];
}

/** Lines of a text field as a list: trimmed, without empty ones and repeats. */
export function listOf(lines: string | null | undefined): string[] {
  return [
    ...new Set(
      (lines ?? '')
        .split(/\n|;/)
        .map((line) => line.trim().replace(/\s+/g, ' '))
        .filter(Boolean),
    ),
  ];
}

/** Most phrases that are made: what a person can look through. */
export const MOST_PHRASES = 600;

/** The searches people make: a service alone, with a place, for an audience, and both. */
export function phrasesFrom(wishes: Wishes): string[] {
  const phrases: string[] = [];
  for (const service of wishes.services) {
    phrases.push(service);
    for (const place of wishes.places) phrases.push(`${service} ${place}`);
    for (const audience of wishes.audiences) {
      phrases.push(`${service} ${audience}`);
      for (const place of wishes.places) phrases.push(`${service} ${audience} ${place}`);
    }
  }
  return [...new Set(phrases)].slice(0, MOST_PHRASES);
}

/** A page as the matrix takes it. */
export interface PhrasePage {
  readonly id: string;
  readonly language: Language;
  readonly texts: Prepared;
  /** Its target phrase, if it has one. */
  readonly target: string;
}

/** A phrase and how the site's pages serve it. */
export interface PhraseRow {
  readonly phrase: string;
  readonly worth: number;
  /** `fought`: two pages or more answer it, or claim it. */
  readonly verdict: 'answered' | 'weak' | 'fought' | 'nobody';
  readonly answered: readonly string[];
  readonly weak: readonly string[];
  readonly targets: readonly string[];
  /** For a phrase that nobody serves: the page that comes nearest by its title and heading, if any does. What is offered must be said there: the place alone is none. */
  readonly nearest: string | undefined;
}

/** Every phrase against every page; the most worth first, then those that need most. `services` is what is offered, where phrases were made of it. */
export function phraseMatrix(
  phrases: readonly string[],
  pages: readonly PhrasePage[],
  worth: (phrase: string) => number,
  services: readonly string[] = [],
): PhraseRow[] {
  const offered = [...services].sort((a, b) => b.length - a.length);
  const serviceIn = (phrase: string): string => offered.find((service) => phrase === service || phrase.startsWith(`${service} `)) ?? phrase;
  const languages = new Map<string, Language>(pages.map((page) => [page.language.tag, page.language]));
  // Only pages that say all of a phrase's words can serve it: they are looked up by word.
  const having = new Map<string, Set<PhrasePage>>();
  for (const page of pages)
    for (const stem of stemsIn(page.texts)) {
      const found = having.get(stem);
      if (found) found.add(page);
      else having.set(stem, new Set([page]));
    }
  const claiming = pages.filter((page) => page.target !== '').map((page) => ({ page, stems: phraseStems(page.target, page.language).sort().join(' ') }));
  const rows = phrases.map((phrase): PhraseRow => {
    const answered: string[] = [];
    const weak: string[] = [];
    const targets: string[] = [];
    for (const [tag, language] of languages) {
      const wanted = phraseStems(phrase, language);
      const key = [...wanted].sort().join(' ');
      for (const { page, stems } of claiming) if (page.language.tag === tag && stems === key) targets.push(page.id);
      const withAll = pagesWith(wanted, having, tag);
      for (const page of withAll) {
        const verdict = verdictIn(page.texts, wanted, true);
        if (verdict === 'answered') answered.push(page.id);
        else if (verdict === 'weak') weak.push(page.id);
      }
      // Of three words or more, all but one in title or main heading touch the search.
      if (wanted.length < 3) continue;
      const near = new Set<string>();
      for (const left of wanted) {
        const others = wanted.filter((stem) => stem !== left);
        for (const page of pagesWith(others, having, tag)) if (!withAll.includes(page) && standsInFront(page.texts, others)) near.add(page.id);
      }
      weak.push(...near);
    }
    const verdict = verdictOf(answered, weak, targets);
    return {
      phrase,
      worth: worth(phrase),
      verdict,
      answered,
      weak,
      targets,
      nearest: verdict === 'nobody' ? nearestTo(phrase, serviceIn(phrase), pages) : undefined,
    };
  });
  const need = { nobody: 0, fought: 1, weak: 2, answered: 3 };
  return rows
    .map((row, index) => ({ row, index }))
    .sort((a, b) => b.row.worth - a.row.worth || need[a.row.verdict] - need[b.row.verdict] || a.index - b.index)
    .map(({ row }) => row);
}

/** The page whose title and heading share most words with a phrase, some of what is offered among them; undefined where none does. */
function nearestTo(phrase: string, service: string, pages: readonly PhrasePage[]): string | undefined {
  let best: { readonly id: string; readonly shared: number } | undefined;
  const stems = new Map<string, { readonly wanted: readonly string[]; readonly offered: ReadonlySet<string> }>();
  for (const page of pages) {
    const { tag } = page.language;
    const known = stems.get(tag) ?? { wanted: phraseStems(phrase, page.language), offered: new Set(phraseStems(service, page.language)) };
    stems.set(tag, known);
    const front = [...page.texts.title, ...page.texts.heading];
    const shared = known.wanted.filter((stem) => front.some((set) => set.has(stem)));
    if (shared.length > (best?.shared ?? 0) && shared.some((stem) => known.offered.has(stem))) best = { id: page.id, shared: shared.length };
  }
  return best?.id;
}

/** The pages of a language that say all of some words. */
function pagesWith(wanted: readonly string[], having: ReadonlyMap<string, ReadonlySet<PhrasePage>>, tag: string): PhrasePage[] {
  const [first, ...others] = wanted.map((stem) => having.get(stem) ?? new Set<PhrasePage>()).sort((a, b) => a.size - b.size);
  return [...(first ?? [])].filter((page) => page.language.tag === tag && others.every((set) => set.has(page)));
}

function verdictOf(answered: readonly string[], weak: readonly string[], targets: readonly string[]): PhraseRow['verdict'] {
  // Where exactly one page was meant for it, others that answer it too are not fighting.
  if (targets.length > 1 || (targets.length === 0 && answered.length > 1)) return 'fought';
  if (answered.length > 0 && (targets.length === 0 || answered.includes(targets[0] ?? ''))) return 'answered';
  return targets.length === 1 || weak.length > 0 || answered.length > 0 ? 'weak' : 'nobody';
}

/** Whether two phrases are the same search: the same telling words, in any order and form. */
export function samePhrase(a: string, b: string, language: Language): boolean {
  const one = phraseStems(a, language).sort();
  const other = phraseStems(b, language).sort();
  return one.length > 0 && one.length === other.length && one.every((stem, index) => stem === other[index]);
}
