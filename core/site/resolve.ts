import { plainPercent, type AddressPath, type FilePath, type PageId } from '../source/index.ts';
import { addressOf, isPageFile } from './addresses.ts';

/** What a host has at an address path: a file's bytes, a redirect to the address of a folder, or nothing. */
export type Resolved =
  | { readonly kind: 'file'; readonly file: FilePath }
  | { readonly kind: 'redirect'; readonly file: FilePath; readonly to: AddressPath }
  | { readonly kind: 'nothing' };

const NOTHING: Resolved = { kind: 'nothing' };
const INDEXES = ['index.html', 'index.htm'] as const;

/**
 * What answers at an address path, with or without a query: the one answer that links, canonicals, maps, the stand-in host and the engines go by. A path
 * that ends in a slash is answered by its folder's index; any other by the file of that name, or of that name and `.html`, or by a redirect to the folder.
 * Percent-encoding is undone octet by octet (RFC 3986, 2.1), but an encoded slash separates nothing. `has` tells which files there are.
 */
export function resolvePath(path: AddressPath, has: (file: FilePath) => boolean): Resolved {
  const cut = path.search(/[?#]/);
  const bare = cut < 0 ? path : path.slice(0, cut);
  const name = fileName(bare);
  if (name === undefined) return NOTHING;
  if (name === '' || name.endsWith('/')) {
    for (const index of INDEXES) if (has(name + index)) return { kind: 'file', file: name + index };
    return NOTHING;
  }
  if (has(name)) return { kind: 'file', file: name };
  if (has(`${name}.html`)) return { kind: 'file', file: `${name}.html` };
  for (const index of INDEXES)
    if (has(`${name}/${index}`)) return { kind: 'redirect', file: `${name}/${index}`, to: `${bare}/${path.slice(bare.length).replace(/#.*$/s, '')}` };
  return NOTHING;
}

const SIMPLE = /^[\w\-./~]*$/;

/** The file that a path names; undefined for what no file can be called. */
function fileName(path: AddressPath): FilePath | undefined {
  if (SIMPLE.test(path)) return path.replace(/^\//, '');
  // An encoded slash is part of a name (RFC 3986, 2.2), and no file's name has one; nor a character that is none.
  if (/%(?:2f|5c|00)/i.test(path)) return undefined;
  try {
    return decodeURIComponent(path).replace(/^\//, '');
  } catch {
    return undefined;
  }
}

/** Whether a path, as it is written, is the one address of the file that answers there: any other is a second spelling, under which engines list the page again. */
export function isOwnAddress(path: AddressPath, file: FilePath): boolean {
  const own = addressOf(file);
  return path === own || plainPercent(path.replace(/#.*$/s, '')) === plainPercent(own);
}

/**
 * Every path, in plain spelling, at which a host has a file without a query, or redirects to it: its own address first, then with the index's name, without
 * the ending, without the slash.
 */
export function spellingsOf(file: FilePath, has: (file: FilePath) => boolean): AddressPath[] {
  const own = addressOf(file);
  const named = addressOf(`${file}\0`).slice(0, -'%00'.length);
  const candidates = [own, named, named.replace(/\.html$/, ''), own === '/' ? own : own.replace(/\/$/, '')];
  return [...new Set(candidates.map(plainPercent))].filter((path) => {
    const found = resolvePath(path, has);
    return found.kind !== 'nothing' && found.file === file;
  });
}

/** The file of the home page. */
export function homeFile(has: (file: FilePath) => boolean): PageId | undefined {
  const home = resolvePath('/', has);
  return home.kind === 'file' && isPageFile(home.file) ? home.file : undefined;
}
