/** Lower-case words of a text; letters and digits of any script. */
export function wordsOf(text: string): string[] {
  return (
    text
      .toLowerCase()
      .normalize('NFC')
      .match(/[\p{L}\p{N}]+/gu) ?? []
  );
}

/** What a query asks for. */
export interface Query {
  /** Words to be found, each once. */
  readonly words: readonly string[];
  /** Words that are to stand side by side, for each pair of quotes. */
  readonly phrases: readonly (readonly string[])[];
  /** The host, with or without a path, to which it keeps. */
  readonly site: string | undefined;
}

const SITE = /(?:^|\s)site:(\S+)/gi;

/** Reads a query: words, `"words side by side"`, `site:host`. */
export function readQuery(query: string): Query {
  const site = [...query.matchAll(SITE)][0]?.[1]
    ?.toLowerCase()
    .replace(/^https?:\/\//, '')
    .replace(/\/$/, '');
  const rest = query.replace(SITE, ' ');
  const phrases = [...rest.matchAll(/["“”„«]([^"“”„«»]*)["“”»]/g)].map(([, inside]) => wordsOf(inside ?? '')).filter(({ length }) => length > 0);
  return { words: [...new Set(wordsOf(rest))], phrases, site };
}
