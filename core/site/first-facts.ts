import { documentTitle, type PageFacts } from '../page/index.ts';
import { cleanOrigin } from './addresses.ts';
import { all, set, type Change } from './changes.ts';
import { leftover } from './leftovers.ts';

/**
 * What can be told of a new site from its home page: name, language, main address. `fallbackName` names the folder or archive it came in; `named` are
 * addresses on it that its robots.txt and its map name, the surest first.
 */
export function firstFacts(home: PageFacts | undefined, fallbackName: string, named: readonly string[] = []): Change {
  const canonical = home?.linkTags.find((link) => link.inHead && link.rel.includes('canonical'))?.href;
  const ogUrl = home?.metas.find((meta) => meta.property === 'og:url')?.content;
  const origin = [canonical, ogUrl, ...named]
    .flatMap((address) => (address !== undefined && /^https?:\/\//i.test(address) ? [cleanOrigin(originOf(address))] : []))
    .find((found) => found !== undefined);
  const ogName = home?.metas.find((meta) => meta.property === 'og:site_name')?.content?.trim();
  const title = home && documentTitle(home)?.text;
  const name = ogName || (title ? nameFromTitle(title) : undefined) || fallbackName;
  const changes = [
    set('facts', '', 'siteName', name.slice(0, 200)),
    set('facts', '', 'mainAddress', origin ?? `https://${slug(fallbackName) || 'your-site'}.example`),
  ];
  if (home?.lang) changes.push(set('facts', '', 'language', home.lang));
  return all(changes);
}

function originOf(address: string): string {
  return /^https?:\/\/[^/?#]+/i.exec(address)?.[0] ?? '';
}

/** The part of a home page's title that is most likely the name: the first that is no leftover. */
function nameFromTitle(title: string): string | undefined {
  return title
    .split(/\s+[|\u2013\u2014·•»:-]\s+/)
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
