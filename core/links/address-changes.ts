import { canonicalsOf, type SaidCanonical } from '../indexing/index.ts';
import { refreshTarget, type AddressesEdit, type PageFacts } from '../page/index.ts';
import {
  addressOf,
  effectiveAddress,
  formerHost,
  formerOrigin,
  linkResolver,
  movedSpellings,
  moves,
  resolvePath,
  siteHost,
  siteOrigin,
  type SiteDocument,
} from '../site/index.ts';
import { isAddressVariant, pathAndQuery, plainAddress, plainPercent, type FilePath, type PageId } from '../source/index.ts';

/** A page as far as its addresses go. */
export interface LinkingPage {
  readonly id: PageId;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
}

interface Move {
  readonly file: FilePath;
  readonly from: string;
  readonly to: string;
}

/** What moves in a site or is led elsewhere by its owner, and what each page has to say differently for it. */
export class AddressChanges {
  private readonly byFile: ReadonlyMap<string, Move>;
  /** By path in plain spelling, with its query where the owner named one: where that leads from now on. */
  private readonly goes = new Map<string, string>();

  constructor(
    private readonly document: SiteDocument,
    private readonly hasFile: (path: string) => boolean,
  ) {
    this.byFile = new Map(moves(document).map((move) => [move.file, move]));
    for (const { from, to } of movedSpellings(document, hasFile)) this.goes.set(from, to);
    for (const [from, { to }] of Object.entries(document.tables.repairs)) {
      if (!to) continue;
      const there = resolvePath(to, hasFile);
      this.goes.set(plainPercent(from), there.kind === 'nothing' ? to : effectiveAddress(document, there.file));
    }
  }

  /** The addresses a page names, in whatever spelling, that moved, or that the owner had led elsewhere. Undefined where there are none. */
  addressesFor(page: LinkingPage): AddressesEdit | undefined {
    const was = formerOrigin(this.document);
    if (this.goes.size === 0 && was === undefined) return undefined;
    const own = this.byFile.get(page.id);
    const here = addressOf(page.id);
    const moved = [...this.pathsNamed(page)].flatMap((from) => {
      const to = this.goes.get(from);
      return to === undefined || (own && from === plainPercent(here)) ? [] : [{ from, to }];
    });
    const renamed = was !== undefined && this.namesFormer(page);
    if (!own && moved.length === 0 && !renamed) return undefined;
    return { kind: 'addresses', origin: siteOrigin(this.document), page: { from: here, to: own?.to ?? here }, moved, ...(renamed ? { was } : {}) };
  }

  /** Canonical addresses as they will be: those of pages that move, move with them. */
  canonicalsOf({ source, id }: LinkingPage): SaidCanonical[] {
    if (!source.linkTags.some((link) => link.rel.includes('canonical'))) return [];
    return canonicalsOf(source, [], siteOrigin(this.document) + addressOf(id)).map((canonical) => ({ ...canonical, address: this.follow(canonical.address) }));
  }

  /** An address in plain spelling as it will be: that of a page that moves, by this host or its twin, with its query, moves with it, and so does what the owner led elsewhere. */
  follow(address: string): string {
    const former = this.isFormer(address);
    if (this.goes.size === 0 && !former) return address;
    const [url, origin, host] = [new URL(address), siteOrigin(this.document), siteHost(this.document)];
    if (!former && !isAddressVariant(url.host, host)) return address;
    const whole = this.goes.get(pathAndQuery(url));
    const to = whole ?? this.goes.get(plainPercent(url.pathname));
    if (to === undefined) return former ? origin + pathAndQuery(url) : address;
    return plainAddress(new URL(to, origin).href + (whole === undefined ? url.search : '')) ?? address;
  }

  /** Whether an address is on the host under which the site was brought in, and it has another now. */
  private isFormer(address: string): boolean {
    const former = formerHost(this.document);
    if (former === undefined || !URL.canParse(address)) return false;
    const { host, protocol, origin } = new URL(address);
    return /^https?:$/.test(protocol) && origin !== siteOrigin(this.document) && isAddressVariant(host, former);
  }

  private namesFormer({ source, hrefs }: LinkingPage): boolean {
    const links = source.linkTags.flatMap(({ href }) => href ?? []);
    const metas = source.metas.flatMap((meta) => [meta.content ?? '', refreshTarget(meta)?.to ?? '']);
    const data = source.jsonLd.flatMap(({ text }) => [...text.matchAll(/"(https?:[^"\s]*)"/gi)].map(([, address = '']) => address.replaceAll('\\/', '/')));
    const whole = (address: string): string => (address.trim().startsWith('//') ? `https:${address.trim()}` : address.trim());
    return [...hrefs, ...links, ...metas, ...data, ...source.otherAddresses].some(
      (address) => /^\s*(?:https?:)?\/\//i.test(address) && this.isFormer(whole(address)),
    );
  }

  /** Every path of this site that a page names, with and without its query, in plain spelling: in links, in other attributes, in metas and in JSON-LD. */
  private pathsNamed({ id, source, hrefs }: LinkingPage): ReadonlySet<string> {
    const resolve = linkResolver(source.base, addressOf(id), siteHost(this.document), formerHost(this.document));
    const found = new Set<string>();
    const add = (path: string | undefined): void => {
      if (path === undefined) return;
      const plain = plainPercent(path);
      found.add(plain).add(plain.replace(/\?.*$/s, ''));
    };
    for (const href of hrefs) add(resolve(href));
    for (const { href } of source.linkTags) if (href !== undefined) add(resolve(href));
    for (const address of source.otherAddresses) add(resolve(address));
    for (const meta of source.metas) {
      if (meta.content !== undefined && /^\s*https?:/i.test(meta.content)) add(resolve(meta.content));
      const refresh = refreshTarget(meta);
      if (refresh) add(resolve(refresh.to));
    }
    for (const { text } of source.jsonLd)
      for (const [, address] of text.matchAll(/"((?:https?:)?(?:\\?\/){1,2}[^"\s]*)"/g)) add(resolve((address as string).replaceAll('\\/', '/')));
    return found;
  }
}
