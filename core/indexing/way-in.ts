import { indexDirectives, strictest, type IndexDirectives } from '../page/index.ts';
import type { RobotsVerdict } from '../robots/index.ts';
import { plainAddress, type AddressPath } from '../source/index.ts';
import { followsCanonical, type CanonicalTarget } from './canonical.ts';
import { SKERRY, type EnginePolicy } from '../engines/index.ts';

/** The gates a crawler passes, in order. */
export const GATES = ['live', 'public', 'answers', 'fetchable', 'listed', 'main-address', 'reachable'] as const;
export type GateName = (typeof GATES)[number];

/** The order in which they stand in a crawler's way: what robots.txt forbids is never asked, so nobody learns how it would have answered. */
const PASSED: readonly GateName[] = ['live', 'public', 'fetchable', 'answers', 'listed', 'main-address', 'reachable'];

/**
 * How robots.txt itself was had: it was read, there is none (4xx), or it could not be fetched (5xx or no answer: then all is shut, RFC 9309 2.3.1).
 * `status` is what it answered, where it was asked.
 */
export type RobotsAccess =
  | { readonly kind: 'read'; readonly verdict: RobotsVerdict; readonly status?: number | undefined }
  | { readonly kind: 'missing'; readonly status?: number | undefined }
  | { readonly kind: 'unreachable'; readonly status: number | undefined };

/** Whether robots.txt lets the crawler fetch it. */
export function mayFetch(robots: RobotsAccess): boolean {
  return robots.kind === 'missing' || (robots.kind === 'read' && robots.verdict.allowed);
}

/** How an address answers: as a file that a host will serve, over HTTP, by sending visitors on, not at all; or it was not asked since robots.txt forbids it. */
export type AnswerEvidence =
  | { readonly kind: 'file' | 'not-asked' }
  | { readonly kind: 'answered'; readonly status: number; readonly redirectedTo: string | undefined; readonly hops?: number | undefined }
  | { readonly kind: 'failed'; readonly reason: string };

/** One word about listing: where it stands, to whom it speaks, and what it says. */
export interface SaidDirectives {
  readonly from: 'switch' | 'owner' | 'page' | 'header';
  /** `robots`, or the token of the crawler that is spoken to. */
  readonly name: string;
  readonly content: string;
  /** Offset of its tag in the page's text; undefined where it stands in no page. */
  readonly place?: number | undefined;
}

/** One canonical: absolute, and where it was said. */
export interface SaidCanonical {
  readonly address: string;
  readonly from: 'tag' | 'header';
  readonly place?: number | undefined;
}

/** What could be read of a page. */
export interface PageEvidence {
  readonly said: readonly SaidDirectives[];
  readonly canonicals: readonly SaidCanonical[];
  readonly address: string;
  readonly softNotFound: 'not-found' | 'empty' | undefined;
  readonly refresh: { readonly seconds: number; readonly to: string; readonly place: number } | undefined;
  /** What is known of the page that the canonical names, where it names another one. */
  readonly target?: CanonicalTarget | undefined;
}

/** All that bears on whether one crawler lists one address. From files before a release, from HTTP answers after it. */
export interface Evidence {
  /** Path and query of the address. */
  readonly path: AddressPath;
  readonly live: { readonly kind: 'not-released' } | { readonly kind: 'released'; readonly at: string | undefined };
  /** `restricted` where a visitor has to sign in, `draft` where nobody gets anything. */
  readonly audience: 'everyone' | 'restricted' | 'draft';
  readonly answer: AnswerEvidence;
  readonly robots: RobotsAccess;
  /** Undefined where nothing could be read. */
  readonly page: PageEvidence | undefined;
  readonly linksIn: number;
  /** A second spelling of its address that links use, where engines find it under that. */
  readonly spelledAs?: string | undefined;
  /** Whether the crawler comes upon it by links that it may follow, or by a redirect; where nobody looked, any link will do. */
  readonly discovered?: boolean | undefined;
  readonly inSitemap: boolean;
  readonly isHome: boolean;
  /** Clicks from the home page; undefined where no links lead there, or nobody counted. */
  readonly clicks?: number | undefined;
  /** Milliseconds since 1970, for `unavailable_after`. */
  readonly now: number;
  /** Whose way in it is; Skerry's where nothing is said. */
  readonly policy?: EnginePolicy | undefined;
}

/** One gate: open, shut, open with a doubt, or out of sight because an earlier one is shut. */
export interface Gate {
  readonly name: GateName;
  readonly outcome: 'open' | 'shut' | 'doubtful' | 'hidden';
  /** What it would be if one could see it: a page shut twice needs both mended. */
  readonly behind: 'open' | 'shut' | 'doubtful';
  readonly reason: GateReason;
  /** Offset in the page's text of what decided, where it stands in the page. */
  readonly place?: number | undefined;
}

/** Why a gate stands as it does: a code with fields, wording elsewhere. */
export type GateReason =
  | { readonly code: 'not-released' }
  | { readonly code: 'released'; readonly at: string | undefined }
  | { readonly code: 'file' | 'not-asked' }
  | { readonly code: 'answered'; readonly status: number; readonly redirectedTo: string | undefined; readonly hops?: number | undefined }
  | { readonly code: 'no-answer'; readonly reason: string }
  | { readonly code: 'refresh'; readonly to: string; readonly seconds: number }
  | { readonly code: 'everyone' | 'restricted' | 'draft' }
  | { readonly code: 'no-robots' | 'robots-silent'; readonly status?: number | undefined }
  | { readonly code: 'robots-unreachable'; readonly status: number | undefined }
  | { readonly code: 'rule'; readonly allow: boolean; readonly line: number; readonly pattern: string; readonly status?: number | undefined }
  | { readonly code: 'no-directive' | 'index-allowed' | 'nothing-read' | 'soft-not-found' | 'empty-page' }
  | {
      readonly code: 'noindex';
      readonly from: SaidDirectives['from'] | 'none';
      readonly name?: string;
      readonly content?: string;
      readonly more?: number;
      readonly expired?: number;
    }
  | { readonly code: 'expired'; readonly since: number }
  | { readonly code: 'canonical-self' | 'canonical-none' }
  | { readonly code: 'canonical-conflict'; readonly addresses: readonly string[] }
  | { readonly code: 'canonical-elsewhere'; readonly address: string; readonly from?: 'tag' | 'header'; readonly trouble?: CanonicalTarget['trouble'] }
  | { readonly code: 'canonical-ignored'; readonly address: string; readonly why: 'gone' | 'unlike' }
  | { readonly code: 'reached'; readonly linksIn: number; readonly inSitemap: boolean; readonly isHome: boolean; readonly clicks?: number | undefined }
  | { readonly code: 'links-unread'; readonly linksIn: number }
  | { readonly code: 'unreached' }
  | { readonly code: 'second-spelling'; readonly path: AddressPath };

/** What an engine will do with the address. `bare`: it may list the address without having read the page. */
export type Reality = 'listed' | 'bare' | 'out' | 'not-live';

export interface WayIn {
  readonly gates: readonly Gate[];
  readonly reality: Reality;
  /** What holds for this crawler of all that is said, the most restrictive of each sort; undefined where nothing was read. */
  readonly directives: IndexDirectives | undefined;
}

/** Leads a crawler through the gates. The one function behind the Doors, the states, the live look, and the engines themselves. */
export function wayIn(evidence: Evidence): WayIn {
  const directives = evidence.page && strictest(evidence.page.said.map((said) => indexDirectives(said.content)));
  const seen = GATES.map((name) => look(name, evidence, directives));
  const firstShut = PASSED.find((name) => seen.some((gate) => gate.name === name && gate.outcome === 'shut'));
  const gates = seen.map(({ name, outcome, reason, place }): Gate => {
    // Whether a page can be reached does not depend on what it says; all else past a shut gate cannot be seen.
    const hidden = firstShut !== undefined && name !== 'reachable' && PASSED.indexOf(name) > PASSED.indexOf(firstShut);
    return { name, outcome: hidden ? 'hidden' : outcome, behind: outcome, reason, ...(place === undefined ? {} : { place }) };
  });
  return { gates, reality: realityOf(seen, firstShut), directives };
}

type Look = { readonly name: GateName; readonly outcome: 'open' | 'shut' | 'doubtful'; readonly reason: GateReason; readonly place?: number | undefined };

function realityOf(seen: readonly Look[], firstShut: GateName | undefined): Reality {
  if (firstShut === undefined) return 'listed';
  if (firstShut === 'live') return 'not-live';
  // Any link will do for a bare address, one on another site too: that no engine follows those of this site is no shelter.
  if (firstShut === 'fetchable') return seen.some(({ reason }) => reason.code === 'unreached' || reason.code === 'second-spelling') ? 'out' : 'bare';
  return 'out';
}

const open = (name: GateName, reason: GateReason, place?: number): Look => ({ name, outcome: 'open', reason, place });
const shut = (name: GateName, reason: GateReason, place?: number): Look => ({ name, outcome: 'shut', reason, place });
const doubtful = (name: GateName, reason: GateReason, place?: number): Look => ({ name, outcome: 'doubtful', reason, place });

function look(name: GateName, evidence: Evidence, directives: IndexDirectives | undefined): Look {
  const { page, policy = SKERRY } = evidence;
  switch (name) {
    case 'live':
      return evidence.live.kind === 'not-released' ? shut(name, { code: 'not-released' }) : open(name, { code: 'released', at: evidence.live.at });
    case 'public':
      return evidence.audience === 'everyone' ? open(name, { code: 'everyone' }) : shut(name, { code: evidence.audience });
    case 'answers':
      return lookAtAnswer(evidence);
    case 'fetchable': {
      const { robots } = evidence;
      if (robots.kind === 'missing') return open(name, { code: 'no-robots', status: robots.status });
      if (robots.kind === 'unreachable') return shut(name, { code: 'robots-unreachable', status: robots.status });
      const { rule, allowed } = robots.verdict;
      if (!rule) return open(name, { code: 'robots-silent', status: robots.status });
      const reason: GateReason = { code: 'rule', allow: rule.allow, line: rule.line, pattern: rule.pattern, status: robots.status };
      return allowed ? open(name, reason) : shut(name, reason);
    }
    case 'listed': {
      if (!page || !directives) return doubtful(name, { code: 'nothing-read' });
      const against = page.said.filter((said) => indexDirectives(said.content).noindex);
      const [first] = against;
      const until = policy.knowsExpiry ? directives.unavailableAfter : undefined;
      const expired = until !== undefined && until <= evidence.now ? until : undefined;
      if (first) {
        const { from, name: by, content, place } = first;
        return shut(name, { code: 'noindex', from, name: by, content, more: against.length - 1, ...(expired === undefined ? {} : { expired }) }, place);
      }
      if (expired !== undefined)
        return shut(name, { code: 'expired', since: expired }, page.said.find((said) => /unavailable_after/i.test(said.content))?.place);
      return open(name, { code: page.said.length === 0 ? 'no-directive' : 'index-allowed' }, page.said[0]?.place);
    }
    case 'main-address': {
      const canonicals = page?.canonicals ?? [];
      const addresses = [...new Set(canonicals.map((canonical) => canonical.address))];
      const [first] = canonicals;
      if (!first) return open(name, { code: 'canonical-none' });
      if (addresses.length > 1) return doubtful(name, { code: 'canonical-conflict', addresses }, canonicals[1]?.place);
      if (first.address === (page && plainAddress(page.address))) return open(name, { code: 'canonical-self' }, first.place);
      const { address, from, place } = first;
      if (followsCanonical(policy, page?.target)) return shut(name, { code: 'canonical-elsewhere', address, from, trouble: page?.target?.trouble }, place);
      return doubtful(name, { code: 'canonical-ignored', address, why: page?.target?.trouble === 'gone' ? 'gone' : 'unlike' }, place);
    }
    case 'reachable': {
      const { linksIn, inSitemap, isHome, clicks, discovered = linksIn > 0 } = evidence;
      if (isHome || inSitemap || discovered) return open(name, { code: 'reached', linksIn, inSitemap, isHome, clicks });
      if (linksIn > 0) return shut(name, { code: 'links-unread', linksIn });
      return shut(name, evidence.spelledAs === undefined ? { code: 'unreached' } : { code: 'second-spelling', path: evidence.spelledAs });
    }
  }
}

function lookAtAnswer({ answer, page, policy = SKERRY, audience }: Evidence): Look {
  if (answer.kind === 'failed') return shut('answers', { code: 'no-answer', reason: answer.reason });
  if (answer.kind === 'answered') {
    const reason: GateReason = { code: 'answered', status: answer.status, redirectedTo: answer.redirectedTo, hops: answer.hops };
    if (answer.redirectedTo !== undefined) return shut('answers', reason);
    // That it asks for a sign-in is said at the gate before; it is one thing, not two.
    if (answer.status < 200 || answer.status >= 300) return audience === 'everyone' ? shut('answers', reason) : doubtful('answers', reason);
  }
  if (page?.refresh) {
    const { to, seconds, place } = page.refresh;
    const reason: GateReason = { code: 'refresh', to, seconds };
    return policy.refreshRedirects && seconds === 0 ? shut('answers', reason, place) : doubtful('answers', reason, place);
  }
  if (page?.softNotFound !== undefined) {
    const reason: GateReason = { code: page.softNotFound === 'empty' ? 'empty-page' : 'soft-not-found' };
    return policy.tellsSoftNotFound ? shut('answers', reason) : doubtful('answers', reason);
  }
  return open(
    'answers',
    answer.kind === 'answered' ? { code: 'answered', status: answer.status, redirectedTo: undefined, hops: undefined } : { code: answer.kind },
  );
}
