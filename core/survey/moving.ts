import { canonicalsOf, type SaidCanonical } from '../indexing/index.ts';
import type { AddressesEdit, PageFacts } from '../page/index.ts';
import { addressOf, effectiveAddress, filesFor, moves, siteHost, siteOrigin, type SiteDocument } from '../site/index.ts';
import { LinkIndex } from './links.ts';

/** A page as far as its addresses go. */
interface Linking {
  readonly id: string;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
}

/** What moves in a site, and what each page has to say differently for it. */
export class Moving {
  /** By file: from which address path to which. */
  private readonly moved: ReadonlyMap<string, { readonly from: string; readonly to: string }>;
  private readonly mends: boolean;

  constructor(
    private readonly document: SiteDocument,
    private readonly hasFile: (path: string) => boolean,
  ) {
    this.moved = new Map(moves(document).map(({ file, from, to }) => [file, { from, to }]));
    this.mends = Object.keys(document.tables.repairs).length > 0;
  }

  /** The addresses a page names that moved, or that led nowhere and are led elsewhere; `linked` are the files it links to. */
  addressesFor(page: Linking, linked: readonly string[]): AddressesEdit | undefined {
    if (this.moved.size === 0 && !this.mends) return undefined;
    const own = this.moved.get(page.id);
    const origin = siteOrigin(this.document);
    const here = addressOf(page.id);
    const named = page.source.linkTags.flatMap((link) =>
      link.href !== undefined && URL.canParse(link.href, origin + here) ? [new URL(link.href, origin + here).pathname] : [],
    );
    const moved = [...this.moved].flatMap(([file, move]) => (file !== page.id && (linked.includes(file) || named.includes(move.from)) ? [move] : []));
    const mended = this.mends ? this.mendedBy(page) : [];
    if (!own && moved.length === 0 && mended.length === 0) return undefined;
    return { kind: 'addresses', origin, page: { from: here, to: own?.to ?? here }, moved: [...moved, ...mended] };
  }

  /** Canonical addresses as they will be: those of pages that move, move with them. */
  canonicalsOf({ source, id }: Linking): SaidCanonical[] {
    if (!source.linkTags.some((link) => link.rel.includes('canonical'))) return [];
    const origin = siteOrigin(this.document);
    return canonicalsOf(source, [], origin + addressOf(id)).map((canonical) => {
      const move = this.moved.size === 0 ? undefined : [...this.moved.values()].find(({ from }) => origin + from === canonical.address);
      return move ? { ...canonical, address: origin + move.to } : canonical;
    });
  }

  private mendedBy(page: Linking): { from: string; to: string }[] {
    const without = new LinkIndex(siteHost(this.document), this.hasFile);
    without.put(page.id, page.hrefs, page.source.base);
    return without.of(page.id).broken.flatMap((from) => {
      const to = this.document.tables.repairs[from]?.to;
      const file = to ? filesFor(to).find(this.hasFile) : undefined;
      return to ? [{ from, to: file === undefined ? to : effectiveAddress(this.document, file) }] : [];
    });
  }
}
