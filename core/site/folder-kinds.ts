import type { PageFacts } from '../page/index.ts';
import { isOfTheFolder, kindOfFolderName, type Kind } from './kinds.ts';

/** A page as its folder is looked at. */
export interface PageInFolder {
  readonly id: string;
  /** Its address path. */
  readonly address: string;
  readonly source: Pick<PageFacts, 'times' | 'headings' | 'titles'>;
  /** Where its links lead, as they are written. */
  readonly hrefs: readonly string[];
  /** What it is for by itself: `page` where nothing tells. */
  readonly guess: Kind;
}

/** Fewer pages are no list. */
const FEWEST = 3;
/** Of the pages of a folder that tell what they are, so many must say the same; and so many of all must tell. */
const AGREED = 0.8;
const TELLING = 0.25;
/** So many of a folder's pages are dated, or listed by its index, where it is a list of posts, or a list at all. */
const MOST = 0.8;

/**
 * Kinds of pages that tell nothing by themselves, by the list that they stand in: a folder whose pages its own index links to is one list. What most of those
 * that tell it are, the others are too; where none tells, what the index is called, or that all are dated. Pages at the top of the site are no list.
 */
export function kindsInFolders(pages: Iterable<PageInFolder>): Map<string, Kind> {
  const folders = new Map<string, PageInFolder[]>();
  const byPath = new Map<string, PageInFolder>();
  for (const page of pages) {
    byPath.set(page.address, page);
    const folder = page.address.replace(/[^/]+\/?$/, '');
    if (folder === '/' || folder === page.address) continue;
    const some = folders.get(folder);
    if (some) some.push(page);
    else folders.set(folder, [page]);
  }
  const found = new Map<string, Kind>();
  for (const [folder, inside] of folders) {
    const index = byPath.get(folder) ?? byPath.get(`${folder}index.html`) ?? byPath.get(folder.slice(0, -1)) ?? byPath.get(`${folder.slice(0, -1)}.html`);
    const members = inside.filter((page) => page !== index);
    const untold = members.filter(({ guess, address }) => guess === 'page' && !isOfTheFolder(address));
    if (untold.length === 0 || members.length < FEWEST || index === undefined) continue;
    const linked = pathsOf(index);
    const listed = untold.filter(({ address }) => linked.has(address));
    if (members.filter(({ address }) => linked.has(address)).length < members.length * MOST) continue;
    const kind = toldByOthers(members) ?? kindOfFolderName(nameOf(index)) ?? (allDated(members) ? 'post' : undefined);
    if (kind !== undefined) for (const { id } of listed) found.set(id, kind);
  }
  return found;
}

function toldByOthers(members: readonly PageInFolder[]): Kind | undefined {
  const counts = new Map<Kind, number>();
  for (const { guess } of members) if (guess !== 'page') counts.set(guess, (counts.get(guess) ?? 0) + 1);
  const telling = [...counts.values()].reduce((sum, one) => sum + one, 0);
  const [kind, times] = [...counts].sort(([, a], [, b]) => b - a)[0] ?? [undefined, 0];
  return telling >= 2 && times >= telling * AGREED && telling >= members.length * TELLING ? kind : undefined;
}

const allDated = (members: readonly PageInFolder[]): boolean => members.filter(({ source }) => source.times.length > 0).length >= members.length * MOST;

const nameOf = ({ source }: PageInFolder): string => source.headings.find(({ level }) => level === 1)?.text ?? source.titles[0]?.text ?? '';

/** Paths that a page links to, whatever host it names: which is the site's own is the owner's word, and kinds are guessed before it. */
function pathsOf({ address, hrefs }: PageInFolder): Set<string> {
  const base = `https://a.example${address}`;
  const paths = new Set<string>();
  for (const href of hrefs) {
    if (!URL.canParse(href, base)) continue;
    const { pathname } = new URL(href, base);
    paths.add(pathname.replace(/index\.html?$/, ''));
    paths.add(pathname);
  }
  return paths;
}
