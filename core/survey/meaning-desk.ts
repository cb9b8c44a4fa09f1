import type { PageId } from '../source/index.ts';
import { addressOf, KINDS, set, applyChange, type Kind } from '../site/index.ts';
import type { PostalAddress, Said } from '../content/index.ts';
import { ENGINES } from '../engines/index.ts';
import {
  asIfReady,
  markupReport,
  pageMarkup,
  pageGaps,
  type FaultCode,
  type GraphNode,
  type MarkupFault,
  type MarkupInput,
  type MarkupReport,
  type PageMarkup,
} from '../structured-data/index.ts';
import type { Desk } from './map-desk.ts';
import { addresses, effectivePages, markupInput, pageWords, trails } from './stages/index.ts';

/** How far the pages of a kind are filled by what they say. */
export interface KindFilling {
  readonly kind: Kind;
  readonly pages: number;
  /** What most of them are, by ids of processors. */
  readonly processors: readonly string[];
  readonly off: boolean;
  /** Pages that lack nothing for a result at Skerry; those that could show more; those that lack something; those not looked at yet. */
  readonly whole: number;
  readonly half: number;
  readonly lacking: readonly string[];
  readonly unread: number;
  /** Paths that pages lack, most often first. */
  readonly lacks: readonly (readonly [path: string, pages: number])[];
}

/** What another choice for a kind would make of one page. */
export interface TriedPage {
  readonly id: string;
  readonly before: readonly GraphNode[];
  readonly after: readonly GraphNode[];
  readonly lacks: readonly string[];
}

/** A type that pages came with. */
export interface BroughtType {
  readonly type: string;
  readonly pages: readonly string[];
  readonly times: number;
  readonly faults: number;
}
/** A fault that pages came with: like faults are one. */
export interface BroughtFault {
  readonly code: FaultCode;
  readonly example: MarkupFault;
  readonly pages: readonly string[];
}

/** A fact of the site that pages show and nobody has taken yet. */
export interface FactOffer {
  readonly field: 'telephone' | 'email' | 'street' | 'locality' | 'postalCode' | 'region' | 'country' | 'hours' | 'profiles' | 'logo' | 'founder';
  readonly value: string;
  readonly page: PageId;
  readonly start: number;
  readonly end: number;
  readonly pages: number;
}

/** Questions about structured data across the site, and of one page. */
export class MeaningDesk {
  constructor(private readonly desk: Desk) {}

  /** The structured data of one page, read back. */
  page(id: PageId): MarkupReport {
    return markupReport(this.input(id), this.desk.inputs().meanings.get(id)?.brought);
  }

  /** How far each kind's pages are filled. */
  kinds(): KindFilling[] {
    const found = new Map<
      Kind,
      { pages: number; whole: number; half: number; lacking: string[]; unread: number; lacks: Map<string, number>; is: Map<string, number>; off: number }
    >();
    const ready = asIfReady(this.desk.inputs().document);
    for (const id of this.desk.inputs().pages.keys()) {
      const input = this.input(id);
      const kind = found.get(input.page.kind) ?? {
        pages: 0,
        whole: 0,
        half: 0,
        lacking: [],
        unread: 0,
        lacks: new Map<string, number>(),
        is: new Map<string, number>(),
        off: 0,
      };
      found.set(input.page.kind, kind);
      kind.pages++;
      if (input.content === undefined) {
        kind.unread++;
        continue;
      }
      const as = { ...input, document: ready };
      const made = pageMarkup(as);
      const is = made.choice.processors.map((one) => one.id).join(' ');
      kind.is.set(is, (kind.is.get(is) ?? 0) + 1);
      if (made.choice.off) kind.off++;
      const [missing, better] = lackOf(as, made);
      for (const path of missing) kind.lacks.set(path, (kind.lacks.get(path) ?? 0) + 1);
      if (missing.length > 0) kind.lacking.push(id);
      else if (better.length > 0) kind.half++;
      else kind.whole++;
    }
    return KINDS.flatMap((kind) => {
      const one = found.get(kind);
      if (!one) return [];
      const most = [...one.is].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
      const { pages, whole, half, lacking, unread, lacks, off } = one;
      return [
        {
          kind,
          pages,
          processors: most === '' ? [] : most.split(' '),
          off: off > 0 && off === pages - unread,
          whole,
          half,
          lacking,
          unread,
          lacks: [...lacks].sort((a, b) => b[1] - a[1]),
        },
      ];
    });
  }

  /** What another choice for a kind would make of its pages: how many would be others, and some of them before and after. */
  tryKind(kind: Kind, markup: string | null, examples: number): { readonly pages: readonly TriedPage[]; readonly changed: number; readonly of: number } {
    const { document, pages } = this.desk.inputs();
    const after = asIfReady(applyChange(document, set('kinds', kind, 'markup', markup)));
    const ready = asIfReady(document);
    const tried: TriedPage[] = [];
    let changed = 0;
    let of = 0;
    for (const id of pages.keys()) {
      const input = this.input(id);
      if (input.page.kind !== kind) continue;
      of++;
      const [now, then] = [pageMarkup({ ...input, document: ready }), pageMarkup({ ...input, document: after })];
      if (JSON.stringify(now.nodes) === JSON.stringify(then.nodes)) continue;
      changed++;
      if (tried.length < examples) tried.push({ id, before: now.nodes, after: then.nodes, lacks: lackOf({ ...input, document: after }, then)[0] });
    }
    return { pages: tried, changed, of };
  }

  /** The types and faults of all that pages came with. */
  brought(): { readonly types: readonly BroughtType[]; readonly faults: readonly BroughtFault[]; readonly pages: number; readonly unread: number } {
    const types = new Map<string, { pages: Set<string>; times: number; faults: number }>();
    const faults = new Map<string, { example: MarkupFault; pages: Set<string> }>();
    let [pages, unread] = [0, 0];
    const { meanings, pages: all } = this.desk.inputs();
    for (const id of all.keys()) {
      const meaning = meanings.get(id);
      if (!meaning) unread++;
      const brought = meaning?.brought;
      if (!brought) continue;
      pages++;
      for (const [type, times] of brought.types) {
        const one = types.get(type) ?? { pages: new Set<string>(), times: 0, faults: 0 };
        types.set(type, one);
        one.pages.add(id);
        one.times += times;
        one.faults += brought.faults.filter((fault) => fault.type === type).length;
      }
      for (const fault of brought.faults) {
        const key = `${fault.code} ${fault.type} ${fault.property}`;
        const one = faults.get(key) ?? { example: fault, pages: new Set<string>() };
        faults.set(key, one);
        one.pages.add(id);
      }
    }
    return {
      types: [...types]
        .map(([type, one]) => ({ type, pages: [...one.pages], times: one.times, faults: one.faults }))
        .sort((a, b) => b.pages.length - a.pages.length || (a.type < b.type ? -1 : 1)),
      faults: [...faults.values()]
        .map(({ example, pages: on }) => ({ code: example.code, example, pages: [...on] }))
        .sort((a, b) => b.pages.length - a.pages.length),
      pages,
      unread,
    };
  }

  /** What pages show of who is behind the site, where the fact is not said yet: the value that most pages show, with the page where it stands most plainly. */
  factOffers(): FactOffer[] {
    const facts = this.desk.inputs().document.tables.facts[''] ?? {};
    const seen = new Map<string, FactOffer & { pages: number }>();
    const take = (field: FactOffer['field'], value: string | undefined, said: Said<unknown> | undefined, page: PageId): void => {
      if (!value || !said || (field !== 'profiles' && facts[field])) return;
      if (field === 'profiles' && (facts.profiles ?? '').split(/\s+/).includes(value)) return;
      const key = `${field}\n${value}`;
      const known = seen.get(key);
      if (known) seen.set(key, { ...known, pages: known.pages + 1 });
      else seen.set(key, { field, value, page, start: said.start, end: said.end, pages: 1 });
    };
    const addresses: { readonly page: PageId; readonly said: Said<PostalAddress> }[] = [];
    for (const [id, { content }] of this.desk.inputs().meanings) {
      const { telephone, email, address, hours, profiles, logo, founder } = content.contact;
      take('telephone', telephone?.value, telephone, id);
      take('email', email?.value, email, id);
      if (address && fitsFacts(address.value, facts)) addresses.push({ page: id, said: address });
      take('hours', hours?.value, hours, id);
      take('logo', logo && logoPath(logo.value, id), logo, id);
      take('founder', founder?.value, founder, id);
      for (const profile of profiles) take('profiles', profile.value, profile, id);
    }
    // The parts of an address belong together: of two addresses, none has the street of the other one.
    for (const { page, said } of mostShown(addresses)) for (const part of ADDRESS_PARTS) take(part, said.value[part], said, page);
    // What stands on a few pages of many is about something else, unless it stands where people look for it.
    const few = this.desk.inputs().pages.size / 10;
    const plain = [...seen.values()].filter(({ page, pages }) => pages >= few || pages > 50 || REACH.test(page));
    const chosen = new Map<FactOffer['field'], FactOffer>();
    const offers: FactOffer[] = [];
    for (const offer of plain.sort((a, b) => b.pages - a.pages)) {
      if (offer.field === 'profiles') offers.push(offer);
      else if (!chosen.has(offer.field)) chosen.set(offer.field, offer);
    }
    return [...chosen.values(), ...offers.slice(0, 8)];
  }

  private input(id: PageId): MarkupInput {
    return markupInput(this.desk.inputs(), this.desk.stages.results({ effectivePages, pageWords, addresses, trails }), id);
  }
}

const ADDRESS_PARTS = ['street', 'postalCode', 'locality', 'region', 'country'] as const;

/** Whether nothing that the owner said of the address is otherwise in one that a page shows. */
const fitsFacts = (address: PostalAddress, facts: Readonly<Partial<Record<(typeof ADDRESS_PARTS)[number], string | null | undefined>>>): boolean =>
  ADDRESS_PARTS.every((part) => !facts[part] || address[part] === undefined || facts[part].toLowerCase() === address[part].toLowerCase());

/** Everywhere where the address stands that most pages show; nowhere where two are shown as often. */
function mostShown<A extends { readonly said: Said<PostalAddress> }>(addresses: readonly A[]): readonly A[] {
  const groups = new Map<string, A[]>();
  for (const one of addresses) {
    const key = JSON.stringify(one.said.value);
    const group = groups.get(key) ?? [];
    group.push(one);
    groups.set(key, group);
  }
  const [first, second] = [...groups.values()].sort((a, b) => b.length - a.length);
  return first === undefined || second?.length === first.length ? [] : first;
}

/** Where a picture that a page names stands on the site, or its address elsewhere. */
function logoPath(src: string, page: PageId): string | undefined {
  const base = `https://site.invalid${addressOf(page)}`;
  if (!URL.canParse(src, base)) return undefined;
  const url = new URL(src, base);
  return url.host === 'site.invalid' ? url.pathname + url.search : url.href;
}

/** Files in which people look for how to reach somebody. */
const REACH =
  /(^|\/)(contact|contact-us|kontakt|contacto|contactar|contatti|contattaci|contato|contactos|contactez-nous|nous-contacter|orari|horario|horarios|horaires|openingstijden|dove-siamo|over-ons|chi-siamo|o-nas|quienes-somos|quem-somos|access|company|impressum|imprint|about|ueber-uns|visit|besuch|anfahrt|hours|oeffnungszeiten|find-us|team)([^/]*\.\w+|\/index\.\w+)$/i;

function lackOf(input: MarkupInput, { nodes }: PageMarkup): readonly [missing: readonly string[], better: readonly string[]] {
  const gaps = pageGaps(input, nodes).filter(({ engine }) => engine === ENGINES[0].id);
  return [gaps.flatMap(({ missing }) => missing), gaps.flatMap(({ better }) => better)];
}
