import { ENGINES, type EngineId, type EnginePolicy } from '../engines/index.ts';

/** What is said of each engine: how it comes to a site, how it takes what it finds there, and what to do until it has been there. */
const ENGINE_WORDS: Readonly<Record<EngineId, { readonly visits: string; readonly ways: string; readonly maps: string; readonly notYet: string }>> = {
  skerry: {
    visits: 'Skerry visits once a day, as SkerryBot. It reads robots.txt and the sitemap, fetches what it may, and lists what it may list.',
    ways: 'Skerry follows canonicals and meta refreshes, recognises soft 404s, and knows every directive here.',
    maps: 'Skerry takes a sitemap only from a proven owner.',
    notYet: 'Hand in the sitemap, then move the clock on by a day.',
  },
  plover: {
    visits:
      'Plover finds released sites by itself and visits once a day, as PloverBot. It reads the sitemaps that robots.txt names, and has its own ways with canonicals and delays.',
    ways: 'Plover takes a canonical for a hint, ignores meta refreshes, soft 404s and unavailable_after, and waits as Crawl-delay asks.',
    maps: 'Plover takes no maps by hand: it reads those that robots.txt names.',
    notYet: 'Release the site, then move the clock on by a day.',
  },
};

/** What is said of an engine. */
export const engineWords = (id: EngineId): (typeof ENGINE_WORDS)[EngineId] => ENGINE_WORDS[id];

/** How a crawler takes things, in a sentence. */
export function crawlerWays(policy: Pick<EnginePolicy, 'id' | 'crawler'>): string {
  const engine = ENGINES.find(({ id }) => id === policy.id);
  return engine ? ENGINE_WORDS[engine.id].ways : `How ${policy.crawler} takes things is not known; it is taken to keep to the letter of the standards.`;
}
