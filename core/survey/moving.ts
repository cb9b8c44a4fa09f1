import { canonicalsOf, type SaidCanonical } from '../indexing/index.ts';
import type { AddressesEdit, PageFacts } from '../page/index.ts';
import {
  addressOf,
  effectiveAddress,
  linkResolver,
  movedSpellings,
  moves,
  resolvePath,
  siteHost,
  siteOrigin,
  spellingsOf,
  type SiteDocument,
} from '../site/index.ts';
import { plainPercent } from '../source/index.ts';

/** A page as far as its addresses go. */
interface Linking {
  readonly id: string;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
}

interface Move {
  readonly file: string;
  readonly from: string;
  readonly to: string;
}

/** What moves in a site, and what each page has to say differently for it. */
export class Moving {
  /** By every path, in plain spelling, at which a page that moves answered: the way it goes. */
  private readonly moved = new Map<string, Move>();
  private readonly byFile: ReadonlyMap<string, Move>;
  private readonly mends: boolean;

  constructor(
    private readonly document: SiteDocument,
    private readonly hasFile: (path: string) => boolean,
  ) {
    const all = moves(document);
    this.byFile = new Map(all.map((move) => [move.file, move]));
    for (const move of movedSpellings(document, hasFile)) this.moved.set(move.from, move);
    this.mends = Object.keys(document.tables.repairs).length > 0;
  }

  /** The addresses a page names, in whatever spelling, that moved, or that the owner had led elsewhere. Undefined where there are none. */
  addressesFor(page: Linking): AddressesEdit | undefined {
    if (this.byFile.size === 0 && !this.mends) return undefined;
    const own = this.byFile.get(page.id);
    const here = addressOf(page.id);
    const named = this.pathsNamed(page);
    const moved = new Map([...named].flatMap((path) => (this.moved.has(path) ? [[path, (this.moved.get(path) as Move).to]] : [])));
    if (this.mends) for (const [from, to] of this.mendedBy(named)) moved.set(from, to);
    if (own) for (const path of spellingsOf(page.id, this.hasFile)) moved.delete(path);
    if (!own && moved.size === 0) return undefined;
    const ownSpellings = own ? spellingsOf(page.id, this.hasFile).filter((path) => path !== here) : [];
    const all = [...moved, ...ownSpellings.map((path) => [path, own?.to ?? here] as const)];
    return {
      kind: 'addresses',
      origin: siteOrigin(this.document),
      page: { from: here, to: own?.to ?? here },
      moved: all.map(([from, to]) => ({ from, to })),
    };
  }

  /** Canonical addresses as they will be: those of pages that move, move with them. */
  canonicalsOf({ source, id }: Linking): SaidCanonical[] {
    if (!source.linkTags.some((link) => link.rel.includes('canonical'))) return [];
    const origin = siteOrigin(this.document);
    return canonicalsOf(source, [], origin + addressOf(id)).map((canonical) => {
      if (this.moved.size === 0 || !canonical.address.startsWith(`${origin}/`)) return canonical;
      const path = canonical.address.slice(origin.length);
      const move = this.moved.get(path.replace(/\?.*$/s, ''));
      return move ? { ...canonical, address: origin + plainPercent(move.to) + (/\?.*$/s.exec(path)?.[0] ?? '') } : canonical;
    });
  }

  /** Every path of this site that a page names, with and without its query, in plain spelling: in links, in other attributes, in metas and in JSON-LD. */
  private pathsNamed({ id, source, hrefs }: Linking): ReadonlySet<string> {
    const resolve = linkResolver(source.base, addressOf(id), siteHost(this.document));
    const found = new Set<string>();
    const add = (path: string | undefined): void => {
      if (path === undefined) return;
      const plain = plainPercent(path);
      found.add(plain).add(plain.replace(/\?.*$/s, ''));
    };
    for (const href of hrefs) add(resolve(href));
    for (const { href } of source.linkTags) if (href !== undefined) add(resolve(href));
    for (const address of source.otherAddresses) add(resolve(address));
    for (const { content } of source.metas) if (content !== undefined && /^\s*https?:/i.test(content)) add(resolve(content));
    for (const { text } of source.jsonLd)
      for (const [, address] of text.matchAll(/"((?:https?:)?(?:\\?\/){1,2}[^"\s]*)"/g)) add(resolve((address as string).replaceAll('\\/', '/')));
    return found;
  }

  private mendedBy(named: ReadonlySet<string>): [string, string][] {
    return Object.entries(this.document.tables.repairs).flatMap(([from, { to }]): [string, string][] => {
      const plain = plainPercent(from);
      if (!to || !named.has(plain)) return [];
      const there = resolvePath(to, this.hasFile);
      return [[plain, there.kind === 'nothing' ? to : effectiveAddress(this.document, there.file)]];
    });
  }
}
