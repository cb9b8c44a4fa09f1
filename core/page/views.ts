import { CRAWLERS } from '../engines/index.ts';
import type { LinkTagFact, MetaFact, PageFacts, TitleFact } from './facts.ts';

const CRAWLER_NAMES = new Set<string>(CRAWLERS.map((name) => name.toLowerCase()));

/** The title of the document: the first `title` in the HTML namespace, wherever it stands. */
export function documentTitle(facts: PageFacts): TitleFact | undefined {
  return facts.titles[0];
}

/** The page's main heading: the first of level 1 that says something. */
export function mainHeading(facts: PageFacts): string | undefined {
  const found = facts.headings.find((heading) => heading.level === 1 && heading.text !== '')?.text;
  return found && withoutMark(found);
}

/** A heading without the sign behind it that leads to itself, as many programs put there. */
export function withoutMark(heading: string): string {
  return heading.replace(/\s*[¶#§\u{1f517}\ufe0f]+$/u, '') || heading;
}

/** The description that engines read: the first in the head. */
export function metaDescription(facts: PageFacts): MetaFact | undefined {
  return facts.metas.find((meta) => meta.inHead && meta.name === 'description');
}

/** Robots metas that count (in the head), for all crawlers or for one that we know. */
export function robotsMetas(facts: PageFacts): MetaFact[] {
  return facts.metas.filter((meta) => meta.inHead && meta.name !== undefined && (meta.name === 'robots' || CRAWLER_NAMES.has(meta.name)));
}

/**
 * What a meta refresh says: after how many whole seconds it leads where, as it is written (HTML standard, 4.2.5.3, "shared declarative refresh steps").
 * Undefined where it says nothing, or only loads the page anew.
 */
export function refreshTarget({ httpEquiv, content }: Pick<MetaFact, 'httpEquiv' | 'content'>): { readonly seconds: number; readonly to: string } | undefined {
  if (httpEquiv !== 'refresh' || content === undefined) return undefined;
  // Steps 3 to 11: the time; a fraction is read and dropped. Then one of these separators, or nothing that counts follows.
  const time = /^[\t\n\f\r ]*(?:(\d+)[\d.]*|\.[\d.]*)(?:[\t\n\f\r ]*[;,][\t\n\f\r ]*|[\t\n\f\r ]+)(?=[^])/.exec(content);
  if (!time) return undefined;
  const rest = content.slice(time[0].length);
  // Steps 11.3 to 11.9: "url =" is taken away where it is whole; else it is part of the address, and quotes are too.
  const named = /^url[\t\n\f\r ]*=[\t\n\f\r ]*/i.exec(rest);
  const quotable = named !== null || !/^u/i.test(rest);
  const address = named ? rest.slice(named[0].length) : rest;
  const quote = quotable && /^["']/.test(address) ? address[0] : undefined;
  const inner = quote === undefined ? address : (address.slice(1).split(quote)[0] as string);
  const to = inner.replace(/^[\0- ]+|[\0- ]+$/g, '');
  return to === '' ? undefined : { seconds: Number(time[1] ?? 0), to };
}

/** The metas by which a page sends its visitors on, wherever they stand: browsers heed them in the body too. */
export function refreshMetas(facts: PageFacts): MetaFact[] {
  return facts.metas.filter((meta) => refreshTarget(meta) !== undefined);
}

/** The address against which what a page names is resolved: that of its `base` element, else its own, which is `address` (HTML standard, 2.4.3). */
export function baseAddress({ base }: PageFacts, address: string): string {
  return base !== undefined && URL.canParse(base, address) ? new URL(base, address).href : address;
}

/** A file that a page needs to be shown. */
export interface ShownFile {
  /** Absolute, without a fragment. */
  readonly address: string;
  readonly kind: 'style' | 'script' | 'picture' | 'frame';
}

/** The files that a page needs to be shown, each once, in the order style sheets, scripts, frames, pictures. `address` is the page's own. */
export function shownFiles(facts: PageFacts, address: string): ShownFile[] {
  const base = baseAddress(facts, address);
  const found = new Map<string, ShownFile>();
  const add = (kind: ShownFile['kind'], href: string | undefined): void => {
    if (href === undefined || !URL.canParse(href, base)) return;
    const url = new URL(href, base);
    url.hash = '';
    if (/^https?:$/.test(url.protocol) && !found.has(url.href)) found.set(url.href, { address: url.href, kind });
  };
  for (const { rel, href } of facts.linkTags) if (rel.includes('stylesheet')) add('style', href);
  for (const src of facts.scripts) add('script', src);
  for (const src of facts.frames) add('frame', src);
  for (const { src } of facts.images) add('picture', src);
  return [...found.values()];
}

/** The links in the head that name a main address. */
export function canonicalLinks(facts: Pick<PageFacts, 'linkTags'>): LinkTagFact[] {
  return facts.linkTags.filter((link) => link.inHead && link.rel.includes('canonical'));
}

/** The addresses that they name, unresolved, without repeats. */
export function canonicalHrefs(facts: PageFacts): string[] {
  return [...new Set(canonicalLinks(facts).flatMap((link) => (link.href === undefined ? [] : [link.href.trim()])))];
}
