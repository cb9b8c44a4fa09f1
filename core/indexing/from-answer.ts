import { baseAddress, canonicalHrefs, canonicalLinks, readHeader, readPage, type PageFacts } from '../page/index.ts';
import { decodeSource, pathAndQuery, plainAddress, type CrawlerToken } from '../source/index.ts';
import type { CanonicalTarget } from './canonical.ts';
import type { EnginePolicy } from '../engines/index.ts';
import { refreshOf, softNotFound } from './soft-not-found.ts';
import type { AnswerEvidence, Evidence, PageEvidence, RobotsAccess, SaidCanonical, SaidDirectives } from './way-in.ts';

/** An HTTP answer, as far as engines care. Header names are lower case. */
export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, readonly string[]>>;
  readonly bytes: Uint8Array;
  /** Where the chain of redirects ended, when there was one. */
  readonly redirectedTo: string | undefined;
  /** How many redirects there were. */
  readonly hops?: number | undefined;
}

/** Reads an HTML answer, with its text unless that is not wanted; undefined for anything else. */
export function readAnswer(answer: Answer, { keepText = true }: { readonly keepText?: boolean } = {}): PageFacts | undefined {
  const type = answer.headers['content-type']?.[0] ?? 'text/html';
  if (answer.status < 200 || answer.status >= 300 || !/^\s*(text\/html|application\/xhtml\+xml)\b/i.test(type)) return undefined;
  const reading = readPage(answer.bytes, { keepText, httpCharset: charsetOf(answer) });
  return reading.ok ? reading.facts : undefined;
}

/** The text of an answer, as `readAnswer` reads it. */
export function answerText(answer: Pick<Answer, 'bytes' | 'headers'>): string {
  return decodeSource(answer.bytes, charsetOf(answer)).text;
}

/** The encoding that the header of an answer names, as it is written; undefined where it names none. */
export function charsetOf({ headers }: Pick<Answer, 'headers'>): string | undefined {
  return /charset\s*=\s*"?([^\s;"]+)/i.exec(headers['content-type']?.[0] ?? '')?.[1];
}

/** What the metas of a page say to a crawler: the general ones and those that name it. */
export function saidByMetas(facts: PageFacts, crawler: CrawlerToken): SaidDirectives[] {
  const token = crawler.toLowerCase();
  return facts.metas.flatMap(({ inHead, name, content, tag }) =>
    inHead && (name === 'robots' || name === token) ? [{ from: 'page' as const, name, content: content ?? '', place: tag.start }] : [],
  );
}

/** What `X-Robots-Tag` headers say to a crawler. */
export function saidByHeaders(headers: readonly string[], crawler: CrawlerToken): SaidDirectives[] {
  return headers
    .flatMap(readHeader)
    .flatMap(({ crawler: named, content }) =>
      named === undefined || named === crawler.toLowerCase() ? [{ from: 'header' as const, name: named ?? 'robots', content }] : [],
    );
}

/** The canonical addresses in `Link` headers (RFC 8288), unresolved. */
export function headerCanonicals(headers: readonly string[]): string[] {
  return headers.flatMap((header) =>
    [...header.matchAll(/<([^>]*)>((?:\s*;\s*[\w!#$&+\-.^`|~]+\s*=\s*(?:"[^"]*"|[^\s",;]*))*)/g)].flatMap(([, target = '', parameters = '']) =>
      /;\s*rel\s*=\s*(?:"(?:[^"]*\s)?canonical(?:\s[^"]*)?"|canonical\b)/i.test(parameters) ? [target.trim()] : [],
    ),
  );
}

/** The page's canonicals from tags and headers, absolute and in plain spelling. */
export function canonicalsOf(facts: PageFacts | undefined, linkHeaders: readonly string[], address: string): SaidCanonical[] {
  const base = facts === undefined ? address : baseAddress(facts, address);
  // Only addresses of pages count, all spellings of one made alike: a canonical to a part of itself, or to a telephone, moves no page.
  const resolved = (href: string, from: string): string[] => {
    const whole = URL.canParse(href, from) ? plainAddress(new URL(href, from).href) : undefined;
    return whole === undefined ? [] : [whole];
  };
  const places = facts ? canonicalLinks(facts) : [];
  return [
    ...(facts ? canonicalHrefs(facts) : []).flatMap((href) =>
      resolved(href, base).map((whole) => ({ address: whole, from: 'tag' as const, place: places.find((link) => link.href?.trim() === href)?.tag.start })),
    ),
    ...headerCanonicals(linkHeaders).flatMap((href) => resolved(href, address).map((whole) => ({ address: whole, from: 'header' as const }))),
  ];
}

/** What is known of an address that was, or could not be, asked over HTTP. */
export interface Asked {
  readonly policy: EnginePolicy;
  readonly crawler: CrawlerToken;
  readonly address: string;
  readonly robots: RobotsAccess;
  /** Undefined where robots.txt forbade asking. */
  readonly answer: Answer | { readonly failed: string } | undefined;
  /** The answer, read; undefined where it is no page. */
  readonly facts: PageFacts | undefined;
  readonly target?: CanonicalTarget | undefined;
  readonly linksIn: number;
  readonly inSitemap: boolean;
  readonly isHome: boolean;
  readonly clicks?: number | undefined;
  readonly now: number;
}

/** Evidence from responses: what the live look and the engines lead a crawler by. */
export function evidenceFromAnswer(asked: Asked): Evidence {
  const { answer, address, facts, crawler } = asked;
  const url = new URL(address);
  const answered = answer !== undefined && !('failed' in answer) ? answer : undefined;
  const here = answered?.redirectedTo ?? address;
  return {
    path: pathAndQuery(url),
    // Behind robots.txt nothing is known of the answer; that it is live is the assumption that lets its bare address be listed.
    live: { kind: 'released', at: undefined },
    // Only 401 asks for a sign-in (RFC 9110, 15.5.2); 403 refuses whoever comes (15.5.4).
    audience: answered?.status === 401 ? 'restricted' : 'everyone',
    answer: answerEvidence(answer),
    robots: asked.robots,
    page: answered && isThere(answered) ? pageEvidence(facts, answered, here, crawler, asked.target) : undefined,
    linksIn: asked.linksIn,
    inSitemap: asked.inSitemap,
    isHome: asked.isHome,
    clicks: asked.clicks,
    now: asked.now,
    policy: asked.policy,
  };
}

function answerEvidence(answer: Asked['answer']): AnswerEvidence {
  if (answer === undefined) return { kind: 'not-asked' };
  if ('failed' in answer) return { kind: 'failed', reason: answer.failed };
  return { kind: 'answered', status: answer.status, redirectedTo: answer.redirectedTo, hops: answer.hops };
}

const isThere = ({ status }: Answer): boolean => status >= 200 && status < 300;

/** Of what is no page, such as a PDF, only its headers speak. */
function pageEvidence(
  facts: PageFacts | undefined,
  { headers }: Answer,
  address: string,
  crawler: CrawlerToken,
  target: CanonicalTarget | undefined,
): PageEvidence {
  return {
    said: [...(facts ? saidByMetas(facts, crawler) : []), ...saidByHeaders(headers['x-robots-tag'] ?? [], crawler)],
    canonicals: canonicalsOf(facts, headers['link'] ?? [], address),
    address,
    softNotFound: facts && softNotFound(facts),
    refresh: facts && refreshOf(facts, address),
    target,
  };
}
