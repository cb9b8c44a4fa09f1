import { AddressBook, AddressChanges, type StandingPage } from '../../links/index.ts';
import { effectiveAddress, effectiveFile, homeFile, moves } from '../../site/index.ts';
import type { FilePath, PageId } from '../../source/index.ts';
import { dequal } from 'dequal/lite';
import { always, pageStage, siteStage } from '../stage.ts';

/** The file of the home page; undefined where the site has none. */
export const home = siteStage({
  name: 'home',
  reads: ['facts.homePage'],
  make: ({ document, files }) => homeFile((path) => files.has(path)) ?? document.tables.facts['']?.homePage ?? undefined,
});

/** Where each page will answer, and the file it goes out as. */
export const addresses = pageStage({
  name: 'addresses',
  reads: ['facts.homePage'],
  readsOwn: ['pages.ending', 'pages.address'],
  make:
    ({ document }) =>
    ({ id }): StandingPage => ({ id, address: effectiveAddress(document, id), file: effectiveFile(document, id) }),
});

/** Pages that would go out as one file, since one of them moves there: each with the others. */
export const clashes = siteStage({
  name: 'address clashes',
  reads: ['facts.homePage', 'pages.ending', 'pages.address'],
  make: ({ document, pages }): ReadonlyMap<PageId, readonly PageId[]> => {
    const claims = new Map<FilePath, PageId[]>();
    for (const { file: page } of moves(document)) {
      if (!pages.has(page)) continue;
      const file = effectiveFile(document, page);
      const there = pages.get(file);
      const stays = there && effectiveFile(document, there.id) === file ? [there.id] : [];
      claims.set(file, [...(claims.get(file) ?? stays), page]);
    }
    return new Map([...claims.values()].flatMap((all) => (all.length < 2 ? [] : all.map((page) => [page, all.filter((other) => other !== page)] as const))));
  },
  differs: (before, after) => new Set([...(before?.keys() ?? []), ...after.keys()].filter((page) => !dequal(before?.get(page), after.get(page)))),
});

/** What will answer at any address of the site. */
export const addressBook = siteStage({
  name: 'address book',
  reads: ['facts.homePage', 'pages.ending', 'pages.address', 'redirects'],
  across: { addresses },
  make: ({ document, files }, { addresses }) => new AddressBook(document, addresses.all(), (path) => files.has(path)),
  differs: always,
});

/** What moves, or is led elsewhere by the owner. */
export const addressChanges = siteStage({
  name: 'address changes',
  reads: ['facts.mainAddress', 'facts.cameAs', 'facts.homePage', 'pages.ending', 'pages.address', 'repairs'],
  make: ({ document, files }) => new AddressChanges(document, (path) => files.has(path)),
  differs: always,
});
