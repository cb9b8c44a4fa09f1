import { diffArrays } from 'diff';
import type { ExcerptPassage, ExcerptPicture } from './excerpt.ts';

/** Where a place of the earlier version of a page is in its new one: there with the same content, there with another, or nowhere. */
export type NewPlace =
  | { readonly found: 'same'; readonly start: number }
  | { readonly found: 'changed'; readonly start: number; readonly theirs: string }
  | { readonly found: 'gone' };

/** Longest page, in passages, whose passages are put side by side one by one. */
const MOST_PASSAGES = 2000;

/**
 * Where the passages of a page are in its new version: those that say the same by their order among the others (longest common subsequence), and one that
 * says something else where it alone stands between two that are known. What moved within the page is found by its words, where they stand there once.
 */
export function passagePlaces(before: readonly ExcerptPassage[], after: readonly ExcerptPassage[]): ReadonlyMap<number, NewPlace> {
  const places = new Map<number, NewPlace>();
  const short = before.length <= MOST_PASSAGES && after.length <= MOST_PASSAGES;
  let [old, now] = [0, 0];
  const taken = new Set<number>();
  const changed: { readonly before: readonly ExcerptPassage[]; readonly after: readonly ExcerptPassage[] }[] = [];
  if (short) {
    const parts = diffArrays(
      before.map(({ text }) => text),
      after.map(({ text }) => text),
    );
    for (let at = 0; at < parts.length; at++) {
      const part = parts[at] as (typeof parts)[number];
      if (!part.added && !part.removed) {
        for (let one = 0; one < part.value.length; one++) {
          const start = after[now + one]?.start ?? -1;
          places.set(before[old + one]?.start ?? -1, { found: 'same', start });
          taken.add(start);
        }
        old += part.value.length;
        now += part.value.length;
        continue;
      }
      const next = parts[at + 1];
      const other = next && next.added !== part.added && (next.added || next.removed) ? next : undefined;
      const removed = part.removed ? part.value.length : (other?.value.length ?? 0);
      const added = part.added ? part.value.length : (other?.value.length ?? 0);
      changed.push({ before: before.slice(old, old + removed), after: after.slice(now, now + added) });
      old += removed;
      now += added;
      if (other) at++;
    }
  }
  const texts = new Map<string, number[]>();
  for (const { text, start } of after) if (!taken.has(start)) texts.set(text, [...(texts.get(text) ?? []), start]);
  const counts = new Map<string, number>();
  for (const { text } of before) counts.set(text, (counts.get(text) ?? 0) + 1);
  for (const { text, start } of before) {
    if (places.has(start)) continue;
    const found = texts.get(text) ?? [];
    if (found.length === 1 && counts.get(text) === 1) {
      places.set(start, { found: 'same', start: found[0] as number });
      taken.add(found[0] as number);
    }
  }
  for (const hunk of changed) {
    const olds = hunk.before.filter(({ start }) => !places.has(start));
    const news = hunk.after.filter(({ start }) => !taken.has(start));
    if (olds.length !== news.length) continue;
    olds.forEach(({ start }, at) => {
      const one = news[at] as ExcerptPassage;
      places.set(start, { found: 'changed', start: one.start, theirs: one.text });
    });
  }
  return places;
}

/**
 * Where the pictures of a page are in its new version: the same address, and of several the same one in order; failing that, the same bytes, the same file
 * name, or one that differs only in the mark that a build puts into it.
 */
export function picturePlaces(before: readonly ExcerptPicture[], after: readonly ExcerptPicture[]): ReadonlyMap<number, NewPlace> {
  const places = new Map<number, NewPlace>();
  const name = (src: string): string =>
    src
      .replace(/[?#].*$/, '')
      .split('/')
      .pop() ?? src;
  const keys: readonly ((picture: ExcerptPicture) => string)[] = [
    ({ src }) => src,
    ({ hash = '' }) => hash,
    ({ src }) => name(src),
    ({ src }) => withoutBuildMark(name(src)),
  ];
  const grouped = (pictures: readonly ExcerptPicture[], key: (picture: ExcerptPicture) => string): Map<string, ExcerptPicture[]> => {
    const groups = new Map<string, ExcerptPicture[]>();
    for (const picture of pictures) groups.set(key(picture), [...(groups.get(key(picture)) ?? []), picture]);
    return groups;
  };
  const taken = new Set<number>();
  for (const key of keys) {
    const isLeft = ({ start }: ExcerptPicture): boolean => !places.has(start);
    const [olds, news] = [
      grouped(before.filter(isLeft), key),
      grouped(
        after.filter(({ start }) => !taken.has(start)),
        key,
      ),
    ];
    for (const [same, group] of olds)
      group.forEach((picture, at) => {
        const now = news.get(same)?.[at];
        if (same === '' || !now) return;
        taken.add(now.start);
        places.set(
          picture.start,
          now.alt === picture.alt ? { found: 'same', start: now.start } : { found: 'changed', start: now.start, theirs: now.alt ?? '' },
        );
      });
  }
  return places;
}

/** A file's name without the mark of a build: `hide.3f2a91bc.jpg` and `hide-B7xQ2k9_.jpg` are `hide.jpg`. */
function withoutBuildMark(name: string): string {
  return name.replace(/[.\-_@]([\w-]{6,40})(?=\.[a-z\d]{2,5}$)/i, (whole, mark: string) =>
    /\d/.test(mark) && /^(?:[\da-f]+|(?=.*[A-Z])(?=.*[a-z])[\w-]+)$/.test(mark) ? '' : whole,
  );
}
