import { saysNotFound, wayIn, type Evidence, type RobotsAccess } from '../indexing/index.ts';
import { canonicalHrefs, documentTitle, headerDirectives, metaDescription, metaDirectives, readPage, strictest, type PageFacts } from '../page/index.ts';
import type { IndexRecord } from './records.ts';

/** An HTTP answer, as far as engines care. Header names are lower case. */
export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, readonly string[]>>;
  readonly bytes: Uint8Array;
  /** Where the chain of redirects ended, when there was one. */
  readonly redirectedTo: string | undefined;
}

/** What an engine asks of itself before and after fetching an address. */
export interface Visit {
  readonly crawler: string;
  readonly address: string;
  readonly robots: RobotsAccess;
  /** Undefined where robots.txt forbade fetching. */
  readonly answer: Answer | undefined;
  readonly known: Pick<IndexRecord, 'foundBy' | 'foundAt' | 'linkedFrom'>;
  readonly inSitemap: boolean;
  readonly isHome: boolean;
  /** Milliseconds since 1970, by the engine's clock. */
  readonly now: number;
}

/** Longest stretch of a page's text that the index keeps, in UTF-16 units. */
const KEPT_TEXT = 20_000;
const KEPT_LEAD = 600;

/** Decides about one address by the same gates that the owner is shown, and gives the links found on the way. */
export function judge(visit: Visit): { record: IndexRecord; links: readonly string[] } {
  const { answer, address } = visit;
  const facts = answer === undefined ? undefined : readAnswer(answer);
  const evidence = evidenceOf(visit, facts);
  const { gates, reality } = wayIn(evidence);
  const deciding = gates.find((gate) => gate.outcome === 'shut') ?? gates[gates.length - 1];
  const listed = reality === 'listed' && facts !== undefined;
  const record: IndexRecord = {
    address,
    ...visit.known,
    visitedAt: new Date(visit.now).toISOString(),
    status: answer?.status,
    outcome: listed ? 'listed' : reality === 'bare' ? 'bare' : 'not-listed',
    reason: deciding?.reason ?? { code: 'nothing-read' },
    title: listed ? (documentTitle(facts)?.text ?? '') : '',
    description: listed && !evidence.page?.directives.nosnippet ? (metaDescription(facts)?.content ?? '').trim() : '',
    headings: listed ? facts.headings.map((heading) => heading.text).slice(0, 40) : [],
    lead: listed && !evidence.page?.directives.nosnippet ? facts.paragraphs.join(' ').slice(0, KEPT_LEAD) : '',
    text: listed && !evidence.page?.directives.nosnippet ? (facts.text ?? '').slice(0, KEPT_TEXT) : '',
  };
  return { record, links: facts && !evidence.page?.directives.nofollow ? linksOf(facts, address) : [] };
}

/** Reads an HTML answer with its text; undefined for anything else. */
export function readAnswer(answer: Answer): PageFacts | undefined {
  const type = answer.headers['content-type']?.[0] ?? 'text/html';
  if (answer.status < 200 || answer.status >= 300 || !/^\s*(text\/html|application\/xhtml\+xml)\b/i.test(type)) return undefined;
  const reading = readPage(answer.bytes, { keepText: true, httpCharset: /charset\s*=\s*"?([^\s;"]+)/i.exec(type)?.[1] });
  return reading.ok ? reading.facts : undefined;
}

function evidenceOf(visit: Visit, facts: PageFacts | undefined): Evidence {
  const { answer, address } = visit;
  const url = new URL(address);
  const headers = answer?.headers['x-robots-tag'] ?? [];
  const directives = facts && strictest([metaDirectives(facts, visit.crawler), headerDirectives(headers, visit.crawler)]);
  const base = facts?.base !== undefined && URL.canParse(facts.base, address) ? new URL(facts.base, address).href : address;
  return {
    path: url.pathname + url.search,
    // Behind robots.txt nothing is known of the answer; that it is live is the assumption that lets its bare address be listed.
    live: answer ? { kind: 'answered', status: answer.status, redirectedTo: answer.redirectedTo } : { kind: 'released', at: undefined },
    audience: answer?.status === 401 || answer?.status === 403 ? 'restricted' : 'everyone',
    robots: visit.robots,
    page: facts &&
      directives && {
        directives,
        directivesFrom:
          headers.length > 0 && !metaDirectives(facts, visit.crawler).noindex
            ? 'header'
            : facts.metas.some((meta) => meta.inHead && meta.name === 'robots')
              ? 'page'
              : 'none',
        canonicals: canonicalHrefs(facts).flatMap((href) => (URL.canParse(href, base) ? [new URL(href, base).href] : [])),
        address,
        softNotFound: saysNotFound(
          documentTitle(facts)?.text ?? '',
          facts.headings.map((heading) => heading.text),
          facts.wordCount,
        ),
      },
    linksIn: visit.known.linkedFrom.length,
    inSitemap: visit.inSitemap,
    isHome: visit.isHome,
    now: visit.now,
  };
}

/** Addresses on the same host that a page links to, absolute, without fragments. */
function linksOf(facts: PageFacts, address: string): string[] {
  const base = facts.base !== undefined && URL.canParse(facts.base, address) ? new URL(facts.base, address).href : address;
  const own = new URL(address);
  const found = new Set<string>();
  for (const { href, nofollow } of facts.anchors) {
    if (nofollow || !URL.canParse(href, base)) continue;
    const url = new URL(href, base);
    if (url.host !== own.host || !/^https?:$/.test(url.protocol)) continue;
    url.hash = '';
    // Files that are plainly no pages are not worth a visit to this engine.
    if (/\.(png|jpe?g|gif|webp|avif|svg|ico|css|js|mjs|pdf|zip|gz|mp[34]|webm|woff2?|txt|xml|json)$/i.test(url.pathname)) continue;
    found.add(`${own.protocol}//${url.host}${url.pathname}${url.search}`);
  }
  return [...found];
}
