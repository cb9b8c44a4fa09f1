export { AddressBook, type Place, type StandingPage } from './address-book.ts';
export { AddressChanges } from './address-changes.ts';
export { TrailIndex } from './trail-index.ts';
export { LinkIndex, type AsideLink, type Links } from './link-index.ts';
