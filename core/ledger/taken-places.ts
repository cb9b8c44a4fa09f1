import type { PageRow } from '../rows/index.ts';
import { addressOf } from '../site/index.ts';
import type { AddressPath, FilePath } from '../source/index.ts';

/**
 * The places that are taken while pages get new addresses one after another, so that no two get the same: where a page came in (what leads on from there stands there once it
 * has moved), where one will answer, and what was given since.
 */
export class TakenPlaces {
  private sets: { readonly files: ReadonlySet<FilePath>; readonly addresses: Set<AddressPath> } | undefined;

  constructor(private readonly rows: Iterable<Pick<PageRow, 'id' | 'address'>>) {}

  has(file: FilePath): boolean {
    const { files, addresses } = this.known();
    return files.has(file) || addresses.has(addressOf(file));
  }

  take(file: FilePath): void {
    this.known().addresses.add(addressOf(file));
  }

  /** Made when it is first asked: most cells are no endings. */
  private known() {
    if (!this.sets) {
      const rows = [...this.rows];
      this.sets = { files: new Set(rows.map(({ id }) => id)), addresses: new Set(rows.map(({ address }) => address)) };
    }
    return this.sets;
  }
}
