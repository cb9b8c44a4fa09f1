import type { AddressPath, CrawlerToken, FilePath } from '../source/index.ts';
import { wayIn, type WayIn } from '../indexing/index.ts';
import { siteOrigin } from '../site/index.ts';
import type { Access, Evidences } from './evidence.ts';

/** What answers at an address path, and the way in to it. */
export interface AddressWay {
  readonly what: 'page' | 'file' | 'moved' | 'nothing';
  /** The file that answers. */
  readonly id: FilePath | undefined;
  /** Of a page, whether this is its own address; under another spelling engines take it for a second page. */
  readonly spelledOwn?: boolean;
  readonly way: WayIn;
}

/**
 * The way in for any address path of the site: a page, another file, or nothing at all. `led` where it is asked of the host's variant or by the other
 * scheme; `clicks` tells how many clicks a file is from home.
 */
export function wayInAt(
  evidences: Evidences,
  path: AddressPath,
  crawler: CrawlerToken,
  access: Access,
  clicks: (file: FilePath) => number | undefined,
  led = false,
): AddressWay {
  const { around } = evidences;
  const place = led ? ({ kind: 'redirect', to: path, page: undefined } as const) : around.at(path);
  const page = place.kind === 'page' ? around.page(place.page.id) : undefined;
  if (page && place.kind === 'page') {
    // The page's own gates, asked of this spelling of its address: a rule may forbid it with its question mark, and its canonical names another spelling.
    const evidence = evidences.of(place.direct ? page : { ...page, address: path.replace(/#.*$/s, '') }, crawler, access);
    const way = wayIn({ ...evidence, path, robots: access(path), clicks: clicks(page.id) });
    return { what: 'page', id: page.id, spelledOwn: place.direct, way };
  }
  const file = place.kind === 'file' ? place.file : undefined;
  const evidence = evidences.ofFile(file, path, crawler, access);
  if (file !== undefined) return { what: 'file', id: file, way: wayIn(evidence) };
  const to = place.kind === 'redirect' || place.kind === 'moved' ? place.to : undefined;
  const answer = {
    kind: 'answered',
    ...(to === undefined ? { status: 404, redirectedTo: undefined } : { status: 301, redirectedTo: siteOrigin(around.document) + to }),
  } as const;
  const way = wayIn({ ...evidence, live: { kind: 'released', at: undefined }, answer, page: undefined });
  return { what: to === undefined ? 'nothing' : 'moved', id: undefined, way };
}
