import { SaxesParser } from 'saxes';

/** When an entry of a feed was published and last changed: ISO 8601 moments in UTC, where the feed says them. */
export interface FeedDates {
  readonly published?: string;
  readonly updated?: string;
}

/** Elements that hold one entry: RSS 2.0 and 1.0 `item`, Atom `entry` (RFC 4287, 4.1.2). */
const ENTRIES: ReadonlySet<string> = new Set(['item', 'entry']);
/** What tells when an entry was published or changed, by local name: RSS 2.0 `pubDate`, Dublin Core `date`, Atom `published` and `updated`. */
const DATES: Readonly<Record<string, keyof FeedDates>> = { pubDate: 'published', date: 'published', published: 'published', updated: 'updated' };
/** Elements that may be open at once. */
const DEEPEST = 64;

/**
 * The address paths that feeds name as entries, each with its dates. Of a feed that is no well-formed XML what stands before its fault counts. A doctype
 * ends the reading, so nothing unfolds; time is linear.
 */
export function feedEntries(feeds: readonly string[]): ReadonlyMap<string, FeedDates> {
  const found = new Map<string, FeedDates>();
  for (const feed of feeds)
    try {
      readInto(found, feed);
    } catch {
      // What was read before the fault stands.
    }
  return found;
}

function readInto(found: Map<string, FeedDates>, feed: string): void {
  const parser = new SaxesParser({ xmlns: false });
  let entry: { address?: string; published?: string; updated?: string } | undefined;
  let [depth, entryDepth] = [0, 0];
  let text: string[] | undefined;
  const stop = (): never => {
    throw new Error('not well-formed');
  };
  parser.on('error', stop);
  parser.on('doctype', stop);
  parser.on('opentag', ({ name, attributes }) => {
    if (++depth > DEEPEST) stop();
    const local = localName(name);
    if (!entry && ENTRIES.has(local)) {
      entry = {};
      entryDepth = depth;
    } else if (entry && depth === entryDepth + 1) {
      text = [];
      const rel = attributes['rel'] ?? 'alternate';
      if (local === 'link' && attributes['href'] !== undefined && rel === 'alternate') entry.address ??= attributes['href'];
    }
  });
  const take = (words: string): void => {
    if (text && depth === entryDepth + 1) text.push(words);
  };
  parser.on('text', take);
  parser.on('cdata', take);
  parser.on('closetag', ({ name }) => {
    const local = localName(name);
    const words = text?.join('').trim() ?? '';
    if (entry && depth === entryDepth) {
      const path = entry.address === undefined ? undefined : pathOf(entry.address);
      if (path !== undefined) found.set(path, { ...found.get(path), ...datesOf(entry) });
      entry = undefined;
    } else if (entry && depth === entryDepth + 1 && words !== '') {
      const date = DATES[local];
      const said = date && moment(words);
      if (local === 'link') entry.address ??= words;
      else if (date && said !== undefined) entry[date] ??= said;
    }
    text = undefined;
    depth--;
  });
  parser.write(feed.replace(/^\ufeff/, '')).close();
}

const localName = (name: string): string => name.slice(name.indexOf(':') + 1);

/** Feeds name whole addresses, under whatever main address the site had: what leads to a page is the path. */
const pathOf = (address: string): string | undefined =>
  URL.canParse(address, 'https://feed.example/') ? new URL(address, 'https://feed.example/').pathname : undefined;

const datesOf = ({ published, updated }: FeedDates): FeedDates => ({
  ...(published === undefined ? {} : { published }),
  ...(updated === undefined ? {} : { updated }),
});

/** RFC 822 and RFC 3339 both begin with what a date can be read from; anything else is no date. */
function moment(text: string): string | undefined {
  if (!/^(?:[A-Z][a-z]{2},\s*)?\d{1,2}\s+[A-Z][a-z]{2}\s+\d{4}\s+\d|^\d{4}-\d\d-\d\d/.test(text)) return undefined;
  const time = Date.parse(text);
  return Number.isNaN(time) ? undefined : new Date(time).toISOString().replace('.000Z', 'Z');
}
