import type { FilePath } from '../source/index.ts';
import type { SiteDocument } from './document.ts';

/** The files whose addresses the owner says are gone for good (410), in order; an address that leads on is not among them. Whatever stands there again goes before it. */
export function goneForGood({ tables: { redirects } }: Pick<SiteDocument, 'tables'>): readonly FilePath[] {
  return Object.entries(redirects)
    .flatMap(([file, { to, ends, gone }]) => (gone === true && (!to || ends === true) ? [file] : []))
    .sort();
}
