import { AddressBook, AddressChanges, type StandingPage } from '../../links/index.ts';
import { effectiveAddress, effectiveFile, homeFile } from '../../site/index.ts';
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
