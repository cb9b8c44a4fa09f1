import type { Splice } from '../source/index.ts';
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
  /** Other address paths that moved. */
  readonly moved: readonly { readonly from: string; readonly to: string }[];
}

/** Replacements that make every address in a page lead where it led before the move. */
export function relinkSplices(text: string, facts: PageFacts, edit: AddressesEdit): Splice[] {
  const goes = new Map(edit.moved.map(({ from, to }) => [from, to]));
  goes.set(edit.page.from, edit.page.to);
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
function newReference(value: string, base: string, standsAt: string, origin: string, goes: ReadonlyMap<string, string>): string | undefined {
  if (value === '' || value.startsWith('#') || /^(?!https?:)[a-z][a-z0-9+.-]*:/i.test(value) || !URL.canParse(value, base)) return undefined;
  const url = new URL(value, base);
  if (!sameSite(url, origin)) return undefined;
  const target = goes.get(url.pathname) ?? url.pathname;
  const rest = url.search + url.hash;
  if (/^https?:\/\//i.test(value)) return target === url.pathname ? undefined : url.origin + target + rest;
  if (value.startsWith('/')) return target === url.pathname ? undefined : target + rest;
  // Relative ones are told anew where the page stands now, if they would lead elsewhere from there.
  const again = new URL(value, `${origin}${standsAt}`);
  return again.pathname === target && again.search === url.search ? undefined : relative(standsAt, target) + rest;
}

function sameSite(url: URL, origin: string): boolean {
  return url.host === new URL(origin).host && /^https?:$/.test(url.protocol);
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

/** Whole addresses in data blocks, fragments kept: ids of nodes move with their pages. */
function dataSplices(text: string, facts: PageFacts, origin: string, goes: ReadonlyMap<string, string>): Splice[] {
  const splices: Splice[] = [];
  for (const { content } of facts.jsonLd) {
    const raw = text.slice(content.start, content.end);
    for (const match of raw.matchAll(/"(https?:\/\/[^"/]+)(\/[^"?#\\]*)/g)) {
      const to = goes.get(match[2] as string);
      if (to === undefined || to === match[2] || !URL.canParse(match[1] as string) || !sameSite(new URL(match[1] as string), origin)) continue;
      const start = content.start + match.index + 1 + (match[1] as string).length;
      splices.push({ start, end: start + (match[2] as string).length, insert: to });
    }
  }
  return splices;
}
