import { isAddressVariant, pathAndQuery, plainPercent, type Splice } from '../source/index.ts';
import { escapeAttribute } from './escape.ts';
import type { PageFacts } from './facts.ts';
import { referencesIn } from './references.ts';
import { baseAddress } from './views.ts';

/** Addresses of the site that changed, as one page is to follow them. */
export interface AddressesEdit {
  readonly kind: 'addresses';
  /** Scheme and host of the site. */
  readonly origin: string;
  /** Where this page stands: its old address path and its new one, the same where it stays. */
  readonly page: { readonly from: string; readonly to: string };
  /** Scheme and host under which the page was brought in, where the site has others now: addresses there become the site's. */
  readonly was?: string | undefined;
  /** Other address paths that moved. */
  readonly moved: readonly { readonly from: string; readonly to: string }[];
}

/** Replacements that make every address in a page lead where it led before the move. */
export function relinkSplices(text: string, facts: PageFacts, edit: AddressesEdit): Splice[] {
  const goes = new Goes(edit);
  const here = `${edit.origin}${edit.page.from}`;
  const base = baseAddress(facts, here);
  const splices: Splice[] = [];
  for (const reference of referencesIn(text)) {
    const next = newReference(reference.value, base, facts.base === undefined ? edit.page.to : new URL(base).pathname, edit.origin, goes);
    if (next !== undefined && next !== reference.value)
      splices.push({ start: reference.start, end: reference.end, insert: reference.quoted ? escapeAttribute(next) : `"${escapeAttribute(next)}"` });
  }
  return [...splices, ...dataSplices(text, facts, edit.origin, goes)];
}

/** The reference to write instead; undefined where the old one does no longer need to change. */
function newReference(value: string, base: string, standsAt: string, origin: string, goes: Goes): string | undefined {
  if (value === '' || value.startsWith('#') || /^(?!https?:)[a-z][a-z0-9+.-]*:/i.test(value) || !URL.canParse(value, base)) return undefined;
  const url = new URL(value, base);
  if (!sameSite(url, origin) && !goes.isFormer(url)) return undefined;
  const { target, search, led } = goes.from(url);
  const rest = search + url.hash;
  if (/^(?:https?:)?\/\//i.test(value)) return led || goes.isFormer(url) ? origin + target + rest : undefined;
  if (value.startsWith('/')) return led ? target + rest : undefined;
  // Relative ones are told anew where the page stands now, if they would lead elsewhere from there.
  const again = new URL(value, `${origin}${standsAt}`);
  return !led && again.pathname === target && again.search === search ? undefined : relative(standsAt, target) + rest;
}

/** Where each path of the site goes. */
class Goes {
  private readonly to: ReadonlyMap<string, string>;

  constructor(private readonly edit: AddressesEdit) {
    const { page, moved } = edit;
    this.to = new Map([...moved, ...(page.from === page.to ? [] : [page])].map(({ from, to }) => [plainPercent(from), to]));
  }

  /** Whether an address is on the host that the site had before. */
  isFormer(url: URL): boolean {
    const { was, origin } = this.edit;
    return was !== undefined && url.origin !== origin && sameSite(url, was);
  }

  /** Path and query for an address, as it is written where it stays. A query travels along, unless it is part of what was led elsewhere. */
  from(url: URL): { readonly target: string; readonly search: string; readonly led: boolean } {
    const whole = this.to.get(pathAndQuery(url));
    const to = whole ?? this.to.get(plainPercent(url.pathname));
    const search = whole === undefined ? url.search : '';
    return { target: to ?? url.pathname, search, led: to !== undefined && plainPercent(to) + search !== pathAndQuery(url) };
  }
}

/** Whether an address is the site's own, on its host or on the twin with or without `www.`, from where it is led here. */
function sameSite(url: URL, origin: string): boolean {
  return /^https?:$/.test(url.protocol) && isAddressVariant(url.host, new URL(origin).host);
}

/** The way from a page to a path, without the host: a site in a folder stays movable. */
export function relative(from: string, to: string): string {
  const here = from.split('/').slice(0, -1);
  const there = to.split('/');
  let shared = 0;
  while (shared < here.length && shared < there.length - 1 && here[shared] === there[shared]) shared++;
  const path = '../'.repeat(here.length - shared) + there.slice(shared).join('/');
  return path === '' ? './' : path;
}

/** Addresses in data blocks, whole or from the root, fragments kept: ids of nodes move with their pages. Slashes stay escaped where they are. */
function dataSplices(text: string, facts: PageFacts, origin: string, goes: Goes): Splice[] {
  const splices: Splice[] = [];
  for (const { content } of facts.jsonLd) {
    const raw = text.slice(content.start, content.end);
    for (const match of raw.matchAll(/"((?:[^"\\\n]|\\.)*)"(\s*:)?/g)) {
      const written = match[1] as string;
      // A name of a property is no address, whatever it looks like.
      if (match[2] !== undefined || !/^(?:https?:)?(?:\\?\/)/i.test(written)) continue;
      const value = written.replaceAll('\\/', '/');
      if (value.includes('\\') || !URL.canParse(value, origin)) continue;
      const url = new URL(value, origin);
      const former = goes.isFormer(url);
      if (!former && !sameSite(url, origin)) continue;
      const { target, search, led } = goes.from(url);
      if (!led && !former) continue;
      const next = (value.startsWith('/') && !value.startsWith('//') ? '' : origin) + target + search + url.hash;
      const start = content.start + match.index + 1;
      splices.push({ start, end: start + written.length, insert: written.includes('\\/') ? next.replaceAll('/', '\\/') : next });
    }
  }
  return splices;
}
