import type { AddressPath, FilePath } from '../source/index.ts';
import { isNoticeKey, noticeKeyFile, proofFileFault } from '../ownership/index.ts';
import { withSitemap } from '../robots/index.ts';
import {
  addressOf,
  effectiveAddress,
  effectiveFile,
  goneForGood,
  isPageFile,
  movedSpellings,
  moves,
  outgoingHeaderRules,
  proofFiles,
  siteOrigin,
  type SiteDocument,
} from '../site/index.ts';
import { SERVER_FILE, serverBlockLines, withServerBlock, type ServerWishes } from './server-file.ts';
import { SITEMAP_FILE } from '../sitemap/index.ts';
import type { Manifest } from './manifest.ts';
import { redirectPage, redirectPageTarget, type Redirect } from './redirects.ts';

export const ROBOTS_FILE = 'robots.txt';

/** robots.txt as it will be: the owner's word over the site's own file, with the map named in it where one is written. Undefined where the site has and needs none. */
export function effectiveRobots(document: SiteDocument, own: string | undefined, hasMap: boolean): string | undefined {
  const text = document.tables.robots['']?.text ?? own;
  if (!hasMap) return text ?? undefined;
  return withSitemap(text ?? 'User-agent: *\nDisallow:\n\n', `${siteOrigin(document)}/${SITEMAP_FILE}`);
}

/** What the site brought of files that may be ours to write. */
export interface ImportedFiles {
  readonly robots: string | undefined;
  /** The file of server rules; null where it is there and no UTF-8, so that nothing can be written into it byte for byte. */
  readonly server?: string | null | undefined;
  /** Maps and indexes of maps, by path, unpacked. */
  readonly maps: Readonly<Record<string, string>>;
}

/** Pages that are no more and whose addresses lead on, by the files they were. */
function gonePages(document: SiteDocument, has: (file: FilePath) => boolean): { readonly file: FilePath; readonly from: string; readonly to: string }[] {
  return Object.entries(document.tables.redirects).flatMap(([file, { to }]) =>
    to && isPageFile(file) && !has(file) && !ends(document, file) ? [{ file, from: addressOf(file), to }] : [],
  );
}

/** Whether the owner ended what led on from where a file was. */
const ends = (document: SiteDocument, file: FilePath): boolean => document.tables.redirects[file]?.ends === true;

/** Addresses that are gone for good, as far as nothing stands there again. */
function goneAddresses(document: SiteDocument, has: (file: FilePath) => boolean): AddressPath[] {
  const standing = new Set([...moves(document).map(({ file }) => effectiveFile(document, file)), ...Object.keys(proofFiles(document))]);
  return goneForGood(document).flatMap((file) => (has(file) || standing.has(file) ? [] : [addressOf(file)]));
}

/** What the web server is told, where rules are written for it: addresses that moved or are gone, headers, the variant that leads. */
export function serverWishes(document: SiteDocument, has: (file: FilePath) => boolean): ServerWishes {
  return {
    redirects: [
      ...movedSpellings(document, has).flatMap(({ file, from, to }) => (ends(document, file) ? [] : [{ from, to }])),
      ...gonePages(document, has).map(({ from, to }) => ({ from, to })),
    ],
    headers: outgoingHeaderRules(document),
    gone: goneAddresses(document, has),
    leads: document.tables.facts['']?.serverLeads === true ? siteOrigin(document) : undefined,
  };
}

/** The files that are ours: only those whose text differs from what the site brought, or that it did not bring. `maps` are the maps and what goes with them, by path; `has` tells which files were brought in. */
export function generatedFiles(
  document: SiteDocument,
  imported: ImportedFiles,
  maps: Readonly<Record<string, string>>,
  has: (path: FilePath) => boolean,
): Record<string, string> {
  const own: Record<string, string> = {};
  const robots = effectiveRobots(document, imported.robots, SITEMAP_FILE in maps);
  if (robots !== undefined && robots !== imported.robots) own[ROBOTS_FILE] = robots;
  for (const [path, text] of Object.entries(maps)) if (text !== imported.maps[path]) own[path] = text;
  // A proof stands byte for byte as it was given, and never over something else.
  for (const [path, text] of Object.entries(proofFiles(document))) {
    const fault = proofFileFault({ name: path, content: text }, (name) => name in own || has(name));
    // What it holds was judged when it was placed, and is the owner's: a proof that is out stays out.
    if (fault === undefined || fault === 'file-no-proof') own[path] = text;
  }
  if (document.tables.facts['']?.serverFile === true && imported.server !== null) {
    const text = withServerBlock(imported.server ?? '', serverBlockLines(serverWishes(document, has)));
    if (text !== (imported.server ?? '')) own[SERVER_FILE] = text;
  }
  const key = document.tables.facts['']?.noticeKey ?? '';
  if (isNoticeKey(key)) own[noticeKeyFile(key)] = key;
  const moved = moves(document);
  const occupied = new Set(moved.map(({ file }) => effectiveFile(document, file)));
  for (const { file, from, to } of moved)
    if (!occupied.has(file) && !ends(document, file))
      own[file] = redirectPage({ from, to }, siteOrigin(document), document.tables.facts['']?.language ?? undefined);
  for (const { file, from, to } of gonePages(document, has))
    if (!occupied.has(file)) own[file] ??= redirectPage({ from, to }, siteOrigin(document), document.tables.facts['']?.language ?? undefined);
  return own;
}

/** The pages among our own files that only lead on: the file of each, its address, and where it leads. */
export function redirectPages(own: Readonly<Record<string, string>>): (Redirect & { readonly file: FilePath })[] {
  return Object.entries(own).flatMap(([file, text]) => {
    const to = isPageFile(file) ? redirectPageTarget(text) : undefined;
    return to === undefined ? [] : [{ file, from: addressOf(file), to }];
  });
}

/**
 * Pages at addresses that were live once and are no more: where a page moves a second time, or back, the address of the last release leads on too, and
 * what led on before keeps doing so. `imported` tells which files the site has at their own places.
 */
export function formerAddresses(document: SiteDocument, last: Pick<Manifest, 'files' | 'own'>, imported: (path: FilePath) => boolean): Record<string, string> {
  const standing = new Set(Object.keys(document.tables.pages).map((file) => effectiveFile(document, file)));
  const free = (path: FilePath): boolean => !imported(path) && !standing.has(path) && !ends(document, path);
  const own: Record<string, string> = {};
  // Other pages of ours, such as a proof or the page for people, go with what they were written for.
  for (const [path, text] of Object.entries(last.own)) if (isPageFile(path) && redirectPageTarget(text) !== undefined && free(path)) own[path] = text;
  for (const [file, { to: was }] of Object.entries(last.files)) {
    if (was === undefined || !imported(file) || was === effectiveFile(document, file) || !free(was)) continue;
    own[was] = redirectPage(
      { from: addressOf(was), to: effectiveAddress(document, file) },
      siteOrigin(document),
      document.tables.facts['']?.language ?? undefined,
    );
  }
  return own;
}
