import { SaxesParser } from 'saxes';

/** What a feed says about who passes it on. */
export interface FeedHubs {
  /** The feed's own address, by which hubs know it: its topic. */
  readonly self: string;
  /** Addresses of its hubs, in order, each once. */
  readonly hubs: readonly string[];
}

const ATOM = 'http://www.w3.org/2005/Atom';
/** Links of the feed itself lie this deep at most: `rss`, `channel`, `link`. */
const DEEPEST = 3;

/** The address of a hub as it is written into feeds; undefined for what is none. */
export function hubAddress(typed: string | null | undefined): string | undefined {
  const address = typed?.trim() ?? '';
  if (!/^https?:\/\//i.test(address) || !URL.canParse(address)) return undefined;
  const url = new URL(address);
  return url.username === '' && url.password === '' ? url.href : undefined;
}

/**
 * The hubs that a feed names, and the address that it gives itself (WebSub, 4: links `hub` and `self` of Atom, which RSS borrows). Undefined where it does
 * not name both. Links of entries are none of the feed's own; a doctype or a fault ends the reading.
 */
export function feedHubs(feed: string): FeedHubs | undefined {
  const parser = new SaxesParser({ xmlns: true });
  const hubs = new Set<string>();
  let self: string | undefined;
  const open: string[] = [];
  const stop = (): never => {
    throw new Error('not well-formed');
  };
  parser.on('error', stop);
  parser.on('doctype', stop);
  parser.on('opentag', ({ local, uri, attributes }) => {
    open.push(local);
    if (local !== 'link' || uri !== ATOM || open.length > DEEPEST || open.includes('entry') || open.includes('item')) return;
    const value = (name: string): string => attributes[name]?.value ?? '';
    const rels = value('rel').toLowerCase().split(/\s+/);
    if (rels.includes('self')) self ??= value('href').trim();
    const hub = rels.includes('hub') ? hubAddress(value('href')) : undefined;
    if (hub !== undefined) hubs.add(hub);
  });
  parser.on('closetag', () => void open.pop());
  try {
    parser.write(feed.replace(/^\ufeff/, '')).close();
  } catch {
    // What stands before the fault counts.
  }
  return self === undefined || self === '' || hubs.size === 0 ? undefined : { self, hubs: [...hubs] };
}

/**
 * What is sent to a hub when a feed has changed. The protocol leaves the form to hubs (WebSub, 7); this is the one that nearly all take: `hub.mode` of
 * `publish`, and the feed's address under both names in use.
 */
export const publishForm = (topic: string): Readonly<Record<string, string>> => ({ 'hub.mode': 'publish', 'hub.url': topic, 'hub.topic': topic });

/** The addresses that a hub is told of; undefined where the fields are none of a notice. */
export function publishedTopics(fields: URLSearchParams): readonly string[] | undefined {
  if (fields.get('hub.mode') !== 'publish') return undefined;
  const topics = [...new Set([...fields.getAll('hub.url'), ...fields.getAll('hub.topic')])];
  return topics.length > 0 && topics.every((topic) => hubAddress(topic) !== undefined) ? topics : undefined;
}
