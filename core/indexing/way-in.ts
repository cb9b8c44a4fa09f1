import type { IndexDirectives } from '../page/index.ts';
import type { RobotsVerdict } from '../robots/index.ts';

/** The gates a crawler passes, in order. */
export const GATES = ['live', 'public', 'fetchable', 'listed', 'main-address', 'reachable'] as const;
export type GateName = (typeof GATES)[number];

/** How robots.txt itself was had: it was read, there is none, or it could not be fetched (then all is shut, RFC 9309 2.3.1). */
export type RobotsAccess =
  | { readonly kind: 'read'; readonly verdict: RobotsVerdict }
  | { readonly kind: 'missing' }
  | { readonly kind: 'unreachable'; readonly status: number | undefined };

/** All that bears on whether one crawler lists one address. From files before a release, from HTTP answers after it. */
export interface Evidence {
  /** Path and query of the address. */
  readonly path: string;
  readonly live:
    | { readonly kind: 'not-released' }
    | { readonly kind: 'released'; readonly at: string | undefined }
    | { readonly kind: 'answered'; readonly status: number; readonly redirectedTo: string | undefined };
  /** `restricted` where a visitor has to sign in. */
  readonly audience: 'everyone' | 'restricted';
  readonly robots: RobotsAccess;
  /** Undefined where nothing could be read. */
  readonly page:
    | {
        readonly directives: IndexDirectives;
        readonly directivesFrom: 'doors' | 'owner' | 'page' | 'header' | 'none';
        /** Canonical addresses, absolute; two different ones cancel out. */
        readonly canonicals: readonly string[];
        readonly address: string;
        /** The text says "not found" though the answer was 200. */
        readonly softNotFound: boolean;
      }
    | undefined;
  readonly linksIn: number;
  readonly inSitemap: boolean;
  readonly isHome: boolean;
  /** Milliseconds since 1970, for `unavailable_after`. */
  readonly now: number;
}

/** One gate: open, shut, open with a doubt, or out of sight because an earlier one is shut. */
export interface Gate {
  readonly name: GateName;
  readonly outcome: 'open' | 'shut' | 'doubtful' | 'hidden';
  /** What it would be if one could see it: a page shut twice needs both mended. */
  readonly behind: 'open' | 'shut' | 'doubtful';
  readonly reason: GateReason;
}

/** Why a gate stands as it does: a code with fields, wording elsewhere. */
export type GateReason =
  | { readonly code: 'not-released' }
  | { readonly code: 'released'; readonly at: string | undefined }
  | { readonly code: 'answered'; readonly status: number; readonly redirectedTo: string | undefined }
  | { readonly code: 'everyone' | 'restricted' }
  | { readonly code: 'no-robots' | 'robots-silent' }
  | { readonly code: 'robots-unreachable'; readonly status: number | undefined }
  | { readonly code: 'rule'; readonly allow: boolean; readonly line: number; readonly pattern: string }
  | { readonly code: 'no-directive' | 'index-allowed' | 'nothing-read' | 'soft-not-found' }
  | { readonly code: 'noindex'; readonly from: 'doors' | 'owner' | 'page' | 'header' | 'none' }
  | { readonly code: 'expired'; readonly since: number }
  | { readonly code: 'canonical-self' | 'canonical-none' }
  | { readonly code: 'canonical-conflict'; readonly addresses: readonly string[] }
  | { readonly code: 'canonical-elsewhere'; readonly address: string }
  | { readonly code: 'reached'; readonly linksIn: number; readonly inSitemap: boolean; readonly isHome: boolean }
  | { readonly code: 'unreached' };

/** What an engine will do with the address. `bare`: it may list the address without having read the page. */
export type Reality = 'listed' | 'bare' | 'out' | 'not-live';

export interface WayIn {
  readonly gates: readonly Gate[];
  readonly reality: Reality;
}

/** Leads a crawler through the gates. The one function behind the Doors, the states, and the engines themselves. */
export function wayIn(evidence: Evidence): WayIn {
  const seen = GATES.map((name) => look(name, evidence));
  let hiddenFrom: GateName | undefined;
  const gates = seen.map(({ name, outcome, reason }): Gate => {
    // Whether a page can be reached does not depend on what it says; all else past a shut gate cannot be seen.
    const hidden = hiddenFrom !== undefined && name !== 'reachable';
    if (outcome === 'shut') hiddenFrom ??= name;
    return { name, outcome: hidden ? 'hidden' : outcome, behind: outcome, reason };
  });
  return { gates, reality: realityOf(seen, hiddenFrom) };
}

type Look = { readonly name: GateName; readonly outcome: 'open' | 'shut' | 'doubtful'; readonly reason: GateReason };

function realityOf(seen: readonly Look[], firstShut: GateName | undefined): Reality {
  const shut = (name: GateName): boolean => seen.some((gate) => gate.name === name && gate.outcome === 'shut');
  if (firstShut === 'live') return seen[0]?.reason.code === 'not-released' ? 'not-live' : 'out';
  if (firstShut === 'public') return 'out';
  if (firstShut === 'fetchable') return shut('reachable') ? 'out' : 'bare';
  if (firstShut !== undefined) return 'out';
  return 'listed';
}

function look(name: GateName, evidence: Evidence): Look {
  const open = (reason: GateReason): Look => ({ name, outcome: 'open', reason });
  const shut = (reason: GateReason): Look => ({ name, outcome: 'shut', reason });
  const { page } = evidence;
  switch (name) {
    case 'live': {
      const { live } = evidence;
      if (live.kind === 'not-released') return shut({ code: 'not-released' });
      if (live.kind === 'released') return open({ code: 'released', at: live.at });
      const reason: GateReason = { code: 'answered', status: live.status, redirectedTo: live.redirectedTo };
      return live.status >= 200 && live.status < 300 && live.redirectedTo === undefined ? open(reason) : shut(reason);
    }
    case 'public':
      return evidence.audience === 'everyone' ? open({ code: 'everyone' }) : shut({ code: 'restricted' });
    case 'fetchable': {
      const { robots } = evidence;
      if (robots.kind === 'missing') return open({ code: 'no-robots' });
      if (robots.kind === 'unreachable') return shut({ code: 'robots-unreachable', status: robots.status });
      const { rule, allowed } = robots.verdict;
      if (!rule) return open({ code: 'robots-silent' });
      const reason: GateReason = { code: 'rule', allow: rule.allow, line: rule.line, pattern: rule.pattern };
      return allowed ? open(reason) : shut(reason);
    }
    case 'listed': {
      if (!page) return { name, outcome: 'doubtful', reason: { code: 'nothing-read' } };
      const { directives } = page;
      if (directives.noindex) return shut({ code: 'noindex', from: page.directivesFrom });
      if (directives.unavailableAfter !== undefined && directives.unavailableAfter <= evidence.now)
        return shut({ code: 'expired', since: directives.unavailableAfter });
      if (page.softNotFound) return shut({ code: 'soft-not-found' });
      return open({ code: page.directivesFrom === 'none' ? 'no-directive' : 'index-allowed' });
    }
    case 'main-address': {
      const canonicals = [...new Set(page?.canonicals ?? [])];
      if (canonicals.length === 0) return open({ code: 'canonical-none' });
      if (canonicals.length > 1) return { name, outcome: 'doubtful', reason: { code: 'canonical-conflict', addresses: canonicals } };
      const [address] = canonicals as [string];
      return address === page?.address ? open({ code: 'canonical-self' }) : shut({ code: 'canonical-elsewhere', address });
    }
    case 'reachable':
      if (evidence.isHome || evidence.linksIn > 0 || evidence.inSitemap)
        return open({ code: 'reached', linksIn: evidence.linksIn, inSitemap: evidence.inSitemap, isHome: evidence.isHome });
      return shut({ code: 'unreached' });
  }
}
