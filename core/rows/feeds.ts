/** Address paths that the site's feeds name as entries. Feeds are read for their links alone, without entities. */
export function feedEntries(feeds: readonly string[]): ReadonlySet<string> {
  const found = new Set<string>();
  for (const feed of feeds)
    for (const [item] of feed.matchAll(/<(item|entry)[\s>][^]*?<\/\1>/g)) {
      const address = /<link[^>]*?href\s*=\s*["']([^"']+)/.exec(item)?.[1] ?? /<link>\s*([^<\s]+)/.exec(item)?.[1];
      if (address && URL.canParse(address, 'https://feed.example/')) found.add(new URL(address, 'https://feed.example/').pathname);
    }
  return found;
}
