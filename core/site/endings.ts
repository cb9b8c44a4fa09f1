import { percentDecoded, type FilePath, type PageId, type AddressPath } from '../source/index.ts';
import { addressOf, pageEnding, withoutPageEnding } from './addresses.ts';
import type { SiteDocument } from './document.ts';
import { spellingsOf } from './resolve.ts';

/** The last part of a page's address, which a builder calls its slug: `/services/box-making/` and `/services/box-making.html` end in `box-making`. Empty for the home page. */
export function endingOf(address: string): string {
  const last = address.replace(/\/$/, '').split('/').pop() ?? '';
  return percentDecoded(withoutPageEnding(last));
}

/** The file that a page moves to when its address gets a new ending. */
export function movedFile(file: FilePath, ending: string): FilePath {
  const parts = file.split('/');
  const name = parts.pop() as string;
  if (/^index\.x?html?$/i.test(name)) return parts.length === 0 ? file : [...parts.slice(0, -1), ending, name].join('/');
  return [...parts, ending + pageEnding(name)].join('/');
}

/** The file that hosts answer the main address itself with. */
const HOME = 'index.html';

/** The file that a page will be released as. */
export function effectiveFile(document: SiteDocument, file: FilePath): FilePath {
  if (document.tables.facts['']?.homePage === file) return HOME;
  const ending = document.tables.pages[file]?.ending;
  return ending ? movedFile(file, ending) : file;
}

/** The address path that a page will answer at. */
export function effectiveAddress(document: SiteDocument, file: FilePath): AddressPath {
  return document.tables.pages[file]?.address ?? addressOf(effectiveFile(document, file));
}

/** All pages that move: file, old and new address path. */
export function moves(document: SiteDocument): { readonly file: PageId; readonly from: AddressPath; readonly to: AddressPath }[] {
  const home = document.tables.facts['']?.homePage;
  const files = Object.entries(document.tables.pages).flatMap(([file, { ending }]) => (ending && file !== home ? [file] : []));
  return [...files, ...(home ? [home] : [])].flatMap((file) => {
    const to = effectiveAddress(document, file);
    const from = addressOf(file);
    return from === to ? [] : [{ file, from, to }];
  });
}

/** The same, by every spelling of a page's old address at which a host would have answered; `has` tells which files there are. */
export function movedSpellings(
  document: SiteDocument,
  has: (file: FilePath) => boolean,
): { readonly file: PageId; readonly from: AddressPath; readonly to: AddressPath }[] {
  return moves(document).flatMap(({ file, to }) => spellingsOf(file, has).map((from) => ({ file, from, to })));
}

/** What is wrong with an address ending; undefined where it will do. `taken` tells whether a file stands there already. */
export function endingFault(file: FilePath, ending: string, taken: (file: FilePath) => boolean): 'empty' | 'characters' | 'taken' | 'home' | undefined {
  if (movedFile(file, 'x') === file) return 'home';
  if (ending.trim() === '') return 'empty';
  if (/[\s/?#%\\"<>|*:]|^\.+$/.test(ending)) return 'characters';
  const moved = movedFile(file, ending);
  return moved !== file && taken(moved) ? 'taken' : undefined;
}

/** An address ending made of any words: lower case, hyphens, letters of every script kept. */
export function endingFrom(words: string): string {
  return words
    .normalize('NFKC')
    .toLowerCase()
    .replace(/['’]/g, '')
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80);
}
