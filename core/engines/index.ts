/** How an engine takes what pages, hosts and robots.txt say, where engines really differ. */
export interface EnginePolicy {
  /** Short name for addresses of the program's own, lower case. */
  readonly id: string;
  /** Whether it takes a site only from an owner who proved it; another one comes upon every released site by itself, and takes no maps by hand. */
  readonly needsProof: boolean;
  readonly name: string;
  /** Product token of its crawler, and of the one that fetches pictures where it has one of its own. */
  readonly crawler: string;
  readonly pictureCrawler: string | undefined;
  /** Whether a canonical elsewhere is followed, or only where the two pages are alike. */
  readonly canonical: 'order' | 'hint';
  /** Whether a page that sends visitors on at once (meta refresh) counts as a redirect. */
  readonly refreshRedirects: boolean;
  /** Whether it tells a page that says "not found", or nothing, from one that is there. */
  readonly tellsSoftNotFound: boolean;
  /** Whether it knows `unavailable_after`. */
  readonly knowsExpiry: boolean;
  /** Whether it knows limits on snippets in numbers, or only `nosnippet`. */
  readonly knowsLimits: boolean;
  /** Whether it waits as `Crawl-delay` asks, which no standard asks of it. */
  readonly waits: boolean;
  /** Addresses visited in a day at most; seconds it spends on one site in a day, which matters where it waits. */
  readonly visits: number;
  readonly seconds: number;
  /** Redirects followed. */
  readonly redirects: number;
  /** Maps of an index that are read. */
  readonly maps: number;
  /** Fresh visits that an owner may ask for, a day. */
  readonly freshVisits: number;
}

/** The engines' ids, in the order of the engines. */
export const ENGINE_IDS = ['skerry', 'plover'] as const;
export type EngineId = (typeof ENGINE_IDS)[number];

/** An engine that the program knows. */
export interface Engine extends EnginePolicy {
  readonly id: EngineId;
}

export const SKERRY: Engine = {
  id: 'skerry',
  needsProof: true,
  name: 'Skerry',
  crawler: 'SkerryBot',
  pictureCrawler: undefined,
  canonical: 'order',
  refreshRedirects: true,
  tellsSoftNotFound: true,
  knowsExpiry: true,
  knowsLimits: true,
  waits: false,
  visits: 500,
  seconds: 3600,
  redirects: 5,
  maps: 500,
  freshVisits: 10,
};

export const PLOVER: Engine = {
  id: 'plover',
  needsProof: false,
  name: 'Plover',
  crawler: 'PloverBot',
  pictureCrawler: 'PloverBot-Image',
  canonical: 'hint',
  refreshRedirects: false,
  tellsSoftNotFound: false,
  knowsExpiry: false,
  knowsLimits: false,
  waits: true,
  visits: 200,
  seconds: 1200,
  redirects: 3,
  maps: 50,
  freshVisits: 5,
};

/** The engines there are; the first is the one by which states are told. */
export const ENGINES: readonly [Engine, ...Engine[]] = [SKERRY, PLOVER];

/** The host under which a stand-in engine is reached. */
export const engineHost = ({ id }: Pick<EnginePolicy, 'id'>): string => `${id}.example`;

/** The engine of an id. */
export function engineOf(id: EngineId): Engine {
  return ENGINES.find((engine) => engine.id === id) ?? SKERRY;
}

/** Product tokens of the crawlers that this program knows; a `meta` may address them by name. */
export const CRAWLERS: readonly string[] = ENGINES.flatMap(({ crawler, pictureCrawler }) => [crawler, pictureCrawler ?? []].flat());

/** How a crawler takes what it is told. One that is not known is taken to keep to the letter of the standards. */
export function policyFor(crawler: string): EnginePolicy {
  const token = crawler.toLowerCase();
  return (
    ENGINES.find((engine) => engine.crawler.toLowerCase() === token || engine.pictureCrawler?.toLowerCase() === token) ?? {
      ...SKERRY,
      id: token,
      name: crawler,
      crawler,
    }
  );
}
