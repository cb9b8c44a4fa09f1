import type { GateName, GateReason } from '../indexing/index.ts';
import { counted } from './states.ts';

/** The question at each gate. */
export const GATE_QUESTIONS: Readonly<Record<GateName, string>> = {
  live: 'Is it live?',
  public: 'Open to the public?',
  fetchable: 'Does robots.txt let engines fetch it?',
  listed: 'Does the page say “list me”?',
  'main-address': 'Is it the main address?',
  reachable: 'Can it be reached?',
};

/** What decided at a gate: the piece of evidence as it stands, and what it means. */
export function gateWords(reason: GateReason | { readonly code: 'waiting' } | { readonly code: 'duplicate'; readonly of: string }): {
  readonly evidence: string;
  readonly means: string;
} {
  switch (reason.code) {
    case 'not-released':
      return { evidence: 'not released', means: 'engines see only what is released' };
    case 'released':
      return { evidence: reason.at === undefined ? 'released' : `released ${shortDate(reason.at)}`, means: 'it is out in the world' };
    case 'answered':
      return reason.redirectedTo !== undefined
        ? { evidence: `redirects to ${reason.redirectedTo}`, means: 'the target is listed instead' }
        : { evidence: `answers ${reason.status}`, means: reason.status < 300 ? 'it is there' : statusMeans(reason.status) };
    case 'everyone':
      return { evidence: 'no sign-in', means: 'anybody can open it' };
    case 'restricted':
      return { evidence: 'asks for a sign-in', means: 'engines have no password' };
    case 'no-robots':
      return { evidence: 'no robots.txt', means: 'nothing is forbidden' };
    case 'robots-silent':
      return { evidence: 'no rule for it', means: 'what is not forbidden is allowed' };
    case 'robots-unreachable':
      return {
        evidence: reason.status === undefined ? 'robots.txt does not answer' : `robots.txt answers ${reason.status}`,
        means: 'engines then fetch nothing at all',
      };
    case 'rule':
      return {
        evidence: `line ${reason.line}: ${reason.allow ? 'Allow' : 'Disallow'}: ${reason.pattern}`,
        means: reason.allow ? 'this line lets engines in' : 'stops engines, and hides the gates below',
      };
    case 'no-directive':
      return { evidence: 'no robots meta', means: 'silence means “list me”' };
    case 'index-allowed':
      return { evidence: 'no noindex', means: 'it may be listed' };
    case 'nothing-read':
      return { evidence: 'not an HTML page', means: 'there was nothing to read' };
    case 'soft-not-found':
      return { evidence: 'says “not found”', means: 'it answers 200, but its words say there is nothing here' };
    case 'noindex':
      return {
        evidence: reason.from === 'header' ? 'X-Robots-Tag: noindex' : 'meta robots: noindex',
        means: {
          doors: 'the whole site is closed',
          owner: 'as you set it',
          page: 'it stands in the page',
          header: 'the host sends it',
          none: 'it stands in the page',
        }[reason.from],
      };
    case 'expired':
      return { evidence: `unavailable_after ${shortDate(new Date(reason.since).toISOString())}`, means: 'its time is over' };
    case 'canonical-self':
      return { evidence: 'canonical points at itself', means: 'this is the address to list' };
    case 'canonical-none':
      return { evidence: 'no canonical', means: 'the address speaks for itself' };
    case 'canonical-conflict':
      return { evidence: `${reason.addresses.length} canonicals`, means: 'they contradict each other, so none counts' };
    case 'canonical-elsewhere':
      return { evidence: `canonical: ${reason.address}`, means: 'it hands its place to another page' };
    case 'reached': {
      const ways = [
        reason.isHome ? 'the home page' : '',
        reason.linksIn > 0 ? counted(reason.linksIn, 'page links here', 'pages link here') : '',
        reason.inSitemap ? 'in the sitemap' : '',
      ].filter(Boolean);
      return {
        evidence: ways.join(', '),
        means: reason.linksIn === 0 && !reason.isHome ? 'no page links here; a visitor will not come by' : 'engines come by',
      };
    }
    case 'unreached':
      return { evidence: 'no link, not in the sitemap', means: 'engines have no way to learn of it' };
    case 'waiting':
      return { evidence: 'not visited yet', means: 'it is known, and its turn comes' };
    case 'duplicate':
      return { evidence: `same as ${reason.of}`, means: 'the other one is listed' };
  }
}

function statusMeans(status: number): string {
  if (status === 404 || status === 410) return 'there is nothing at this address';
  if (status === 401 || status === 403) return 'engines are turned away';
  if (status >= 500) return 'the host failed; engines come back later';
  return 'engines cannot take it';
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `21 Nov`, in UTC, from an ISO time. */
export function shortDate(iso: string): string {
  const date = new Date(iso);
  return Number.isNaN(date.getTime()) ? iso : `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()] as string}`;
}
