import { canonicalLinks, documentTitle, type PageFacts } from '../page/index.ts';
import { cleanOrigin } from './addresses.ts';
import { all, set, type Change } from './changes.ts';
import { leftover } from './leftovers.ts';
import { titleParts } from './title-parts.ts';

/** A part stands in the titles of so many pages, and of this share of them, before it is taken for the site's name. */
const SHARED = { pages: 3, share: 0.5 } as const;

/**
 * What can be told of a new site: name, language, main address. `others` are some of its pages besides home; `fallbackName` names the folder or archive
 * it came in, and is good for an address only: a name that nobody gave is left open, and asked for. `named` are addresses on it that its robots.txt and
 * its map name, the surest first.
 */
export function firstFacts(home: PageFacts | undefined, fallbackName: string, named: readonly string[] = [], others: readonly PageFacts[] = []): Change {
  const canonical = home && canonicalLinks(home)[0]?.href;
  const ogUrl = home?.metas.find((meta) => meta.property === 'og:url')?.content;
  const origin = [canonical, ogUrl, ...named]
    .flatMap((address) => (address !== undefined && /^https?:\/\//i.test(address) ? [cleanOrigin(originOf(address))] : []))
    .find((found) => found !== undefined);
  const [name] = guessNames(home, others);
  const language = home?.lang ?? most(others.flatMap((page) => page.lang ?? []));
  return all([
    ...(name === undefined ? [] : [set('facts', '', 'siteName', name.slice(0, 200))]),
    // Guessed, until the owner says that it is right.
    set('facts', '', 'nameSure', false),
    set('facts', '', 'mainAddress', origin ?? `https://${slug(fallbackName) || 'your-site'}.example`),
    ...(language === undefined ? [] : [set('facts', '', 'language', language)]),
  ]);
}

/** What the site may be called, the surest first: what its pages say it is, what their titles share, what the logo says, what the home page's title begins with. */
export function guessNames(home: PageFacts | undefined, others: readonly PageFacts[]): string[] {
  const all = home ? [home, ...others] : [...others];
  const said = most(all.flatMap((page) => page.metas.find((meta) => meta.property === 'og:site_name')?.content?.trim() || []));
  const parts = all.map((page) => new Set(titleParts(documentTitle(page)?.text ?? '').map((part) => part.trim())));
  const shared = most(parts.flatMap((some) => [...some]).filter((part) => part !== '' && leftover(part, '') === undefined));
  const standing = parts.filter((some) => shared !== undefined && some.has(shared)).length;
  const titles = parts.filter((some) => [...some].some(Boolean)).length;
  const logo = home?.images.find(({ src, alt }) => /logo/i.test(`${src ?? ''} ${alt ?? ''}`) && alt)?.alt;
  const title = home && documentTitle(home)?.text;
  const names = [
    said,
    standing >= SHARED.pages && standing >= titles * SHARED.share ? shared : undefined,
    logo?.replace(/\b(logo|logotype)\b( (of|von|der|de|du|del))?/gi, '').replace(/^[\s:–-]+|[\s:–-]+$/g, ''),
    title === undefined ? undefined : nameFromTitle(title),
  ];
  return [...new Set(names.flatMap((name) => (name && leftover(name, '') === undefined ? [name] : [])))];
}

/** Of some texts the one that stands there most often, the first of several; undefined where there is none. */
function most(texts: readonly string[]): string | undefined {
  const counts = new Map<string, number>();
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
}

function originOf(address: string): string {
  return /^https?:\/\/[^/?#]+/i.exec(address)?.[0] ?? '';
}

/** The part of a home page's title that is most likely the name: the first that is no leftover. */
function nameFromTitle(title: string): string | undefined {
  return titleParts(title)
    .find((part) => part.trim() !== '' && leftover(part, '') === undefined)
    ?.trim();
}

function slug(name: string): string {
  return name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/\.[a-z0-9]+$/, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
}
