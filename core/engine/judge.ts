import type { EnginePolicy } from '../engines/index.ts';
import {
  answerText,
  comparedText,
  evidenceFromAnswer,
  readAnswer,
  wayIn,
  type Answer,
  type CanonicalTarget,
  type RobotsAccess,
  type WayIn,
} from '../indexing/index.ts';
import { baseAddress, documentTitle, metaDescription, type PageFacts } from '../page/index.ts';
import { pageTree, readMarkup } from '../markup/index.ts';
import { plainItems, resultExtras, showsNumber } from '../results/index.ts';
import { isAddressVariant, pathAndQuery } from '../source/index.ts';
import type { IndexRecord } from './records.ts';

/** What an engine asks of itself before and after fetching an address. */
export interface Visit {
  readonly policy: EnginePolicy;
  readonly address: string;
  readonly robots: RobotsAccess;
  /** Undefined where robots.txt forbade fetching. */
  readonly answer: Answer | undefined;
  readonly known: Pick<IndexRecord, 'foundBy' | 'foundAt' | 'linkedFrom'>;
  readonly inSitemap: boolean;
  readonly isHome: boolean;
  /** What is known of the page that the canonical names. */
  readonly target?: CanonicalTarget | undefined;
  /** Milliseconds since 1970, by the engine's clock. */
  readonly now: number;
}

/** Longest stretch of a page's text that the index keeps, in UTF-16 units. */
const KEPT_TEXT = 20_000;
const KEPT_LEAD = 600;

/** Decides about one address by the same gates that the owner is shown, and gives the links found on the way. */
export function judge(visit: Visit): { record: IndexRecord; links: readonly string[] } {
  const { answer, address, policy } = visit;
  const facts = answer === undefined ? undefined : readAnswer(answer);
  const way = wayIn(
    evidenceFromAnswer({
      policy,
      crawler: policy.crawler,
      address,
      robots: visit.robots,
      answer,
      facts,
      target: visit.target,
      linksIn: visit.known.linkedFrom.length,
      inSitemap: visit.inSitemap,
      isHome: visit.isHome,
      now: visit.now,
    }),
  );
  const listed = way.reality === 'listed' && answer !== undefined && (facts !== undefined || isDocument(answer));
  // What is told is kept of pages that are listed, or may be once their canonical turns out to lead nowhere.
  const held = facts !== undefined && (listed || decidingReason(way, listed).code === 'canonical-elsewhere') ? facts : undefined;
  const shown = way.directives?.nosnippet === true ? undefined : held;
  const canonical = way.gates.find((gate) => gate.name === 'main-address')?.reason;
  const record: IndexRecord = {
    address,
    ...visit.known,
    visitedAt: new Date(visit.now).toISOString(),
    status: answer?.status,
    outcome: listed ? 'listed' : way.reality === 'bare' ? 'bare' : 'not-listed',
    reason: decidingReason(way, listed),
    title: held ? (documentTitle(held)?.text ?? '') : listed ? fileName(address) : '',
    description: shown ? (metaDescription(shown)?.content ?? '').trim() : '',
    headings: held ? held.headings.map((heading) => heading.text).slice(0, 40) : [],
    lead: shown ? shown.paragraphs.join(' ').slice(0, KEPT_LEAD) : '',
    text: shown ? (shown.text ?? '').slice(0, KEPT_TEXT) : '',
    maxSnippet: policy.knowsLimits ? way.directives?.maxSnippet : undefined,
    compared: facts ? comparedText(facts) : '',
    ...(shown && answer ? extrasOf(policy, answer, shown, address) : {}),
    canonical: canonical?.code === 'canonical-elsewhere' || canonical?.code === 'canonical-ignored' ? canonical.address : undefined,
  };
  return { record, links: facts && way.directives?.nofollow !== true ? linksOf(facts, address) : [] };
}

/** What an engine takes from a page's structured data. A price that no visitor sees is none. */
function extrasOf(policy: EnginePolicy, answer: Answer, facts: PageFacts, address: string): Pick<IndexRecord, 'extras'> {
  const text = answerText(answer);
  const { items } = readMarkup(text, facts, address, () => pageTree(text));
  const { price, ...extras } = resultExtras(policy.id, plainItems(items));
  const all = price !== undefined && showsNumber(facts.text ?? '', price.split(' ')[0] ?? '') ? { ...extras, price } : extras;
  return Object.keys(all).length > 0 ? { extras: all } : {};
}

/** What decided: the first gate that is shut; where none is, a canonical that was not followed is worth telling. */
function decidingReason(way: WayIn, listed: boolean): IndexRecord['reason'] {
  const shut = way.gates.find((gate) => gate.outcome === 'shut');
  const ignored = way.gates.find((gate) => gate.reason.code === 'canonical-ignored');
  if (shut) return shut.reason;
  if (!listed) return { code: 'nothing-read' };
  return (ignored ?? way.gates[way.gates.length - 1])?.reason ?? { code: 'nothing-read' };
}

/** Documents are listed too; pictures, styles and data are not. */
function isDocument(answer: Answer): boolean {
  return /^\s*application\/pdf\b/i.test(answer.headers['content-type']?.[0] ?? '');
}

const fileName = (address: string): string => new URL(address).pathname.split('/').pop() ?? address;

/** Addresses on the same host that a page links to, absolute, without fragments. */
function linksOf(facts: PageFacts, address: string): string[] {
  const base = baseAddress(facts, address);
  const own = new URL(address);
  const found = new Set<string>();
  const hrefs = [...facts.anchors.flatMap(({ href, nofollow }) => (nofollow ? [] : [href])), ...facts.frames];
  for (const href of hrefs) {
    // A mere fragment is a place in the page itself, unless a base leads it elsewhere.
    if (!URL.canParse(href, base) || (base === address && /^\s*(?:#|$)/.test(href))) continue;
    const url = new URL(href, base);
    // The host's twin, and the other scheme, lead to the site's own address.
    if (!isAddressVariant(url.host, own.host) || !/^https?:$/.test(url.protocol)) continue;
    // Files that are plainly neither pages nor documents are not worth a visit to this engine.
    if (/\.(png|jpe?g|gif|webp|avif|svg|ico|css|js|mjs|zip|gz|mp[34]|webm|woff2?|txt|xml|xsl|json)$/i.test(url.pathname)) continue;
    found.add(own.origin + pathAndQuery(url));
  }
  return [...found];
}
