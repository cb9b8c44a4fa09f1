import type { AddressWay } from '../../core/crawl/index.ts';
import { gatePlaces, type GatePlaces } from '../../core/indexing/index.ts';
import { comparedPath, parseRobots, robotsMatcher, type RobotsVerdict } from '../../core/robots/index.ts';
import { siteHost, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import { decodeSource, isAddressVariant, type CrawlerToken, type FilePath } from '../../core/source/index.ts';
import type { Survey } from '../../core/survey/index.ts';

/** One crawler at one address. */
export interface TriedAddress extends AddressWay {
  readonly crawler: CrawlerToken;
  readonly verdict: RobotsVerdict;
  /** Where in the page stands what decided. */
  readonly places: GatePlaces;
}

/** Any address against some crawlers; `bytesOf` gives a file of the site. Undefined where it is no address of this site. */
export async function tryAddress(
  survey: Survey,
  document: SiteDocument,
  bytesOf: (file: FilePath) => Promise<Uint8Array | undefined>,
  address: string,
  crawlers: readonly string[],
): Promise<readonly TriedAddress[] | undefined> {
  const whole = address.trim();
  const isWhole = /^https?:/i.test(whole);
  const url = /^https?:\/\//i.test(whole) && URL.canParse(whole) ? new URL(whole) : undefined;
  if (/^https?:\/\//i.test(whole) && !isAddressVariant(url?.host ?? '', siteHost(document))) return undefined;
  const led = url !== undefined && url.origin !== new URL(siteOrigin(document)).origin;
  const path = comparedPath(whole.startsWith('/') || isWhole ? whole : `/${whole}`);
  if (path === undefined) return undefined;
  const file = parseRobots(survey.robots.text() ?? '');
  const tried = crawlers.map((crawler) => ({ crawler, verdict: robotsMatcher(file, crawler).match(path), ...survey.wayInAt(path, crawler, led) }));
  const page = tried.find(({ what }) => what === 'page')?.id;
  const bytes = page === undefined ? undefined : await bytesOf(page);
  const text = bytes && decodeSource(bytes).text;
  return tried.map((one) => ({ ...one, places: text === undefined ? {} : gatePlaces(one.way, text) }));
}
