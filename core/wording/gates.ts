import type { GateName, GateReason } from '../indexing/index.ts';
import { fullDate } from './dates.ts';
import { counted } from './numbers.ts';

/** The question at each gate. */
export const GATE_QUESTIONS: Readonly<Record<GateName, string>> = {
  live: 'Is it live?',
  public: 'Open to the public?',
  answers: 'Does it answer?',
  fetchable: 'Does robots.txt let engines fetch it?',
  listed: 'Does the page say “list me”?',
  'main-address': 'Is it the main address?',
  reachable: 'Can it be reached?',
};

/** What decided at a gate: the piece of evidence as it stands, what it means to an owner and to an expert, and where it is laid down. */
export interface GateWords {
  readonly evidence: string;
  readonly means: string;
  readonly expert: string;
  readonly section: string;
}

/** Reasons that engines have beyond the gates. */
export type ListingReason = GateReason | { readonly code: 'waiting' } | { readonly code: 'duplicate'; readonly of: string };

const RELEASE = 'this program: release';
const STATUS = 'RFC 9110, 15';
const ROBOTS = 'RFC 9309';
const DIRECTIVES = 'robots meta and X-Robots-Tag, a convention of engines';
const CANONICAL = 'RFC 6596';
const LINKS = 'HTML standard, 4.6; sitemap protocol 0.9';

const words = (evidence: string, means: string, expert: string, section: string): GateWords => ({ evidence, means, expert, section });

/** Tells a reason in words. */
export function gateWords(reason: ListingReason): GateWords {
  switch (reason.code) {
    case 'not-released':
      return words(
        'not released',
        'engines see only what is released',
        'The last release does not contain this file, so any crawler gets a 404 for it.',
        RELEASE,
      );
    case 'released':
      return words(
        reason.at === undefined ? 'released' : `released ${fullDate(reason.at)}`,
        'it is out in the world',
        'The file is part of the last release. Changes made since then are not seen yet.',
        RELEASE,
      );
    case 'everyone':
      return words('no sign-in', 'anybody can open it', 'The host asks for no credentials.', 'RFC 9110, 11');
    case 'restricted':
      return words(
        'asks for a sign-in',
        'engines have no password',
        'The host answers 401 to a request without credentials; crawlers never have any.',
        'RFC 9110, 15.5.2',
      );
    case 'draft':
      return words(
        'shown to nobody',
        'the host keeps it back until you make it public',
        'The host answers 404 to everybody while the site is a draft.',
        'RFC 9110, 15.5.5',
      );
    case 'file':
      return words('a file, answers 200', 'the host will hand it out', 'A static file at this path is answered with 200 once it is released.', STATUS);
    case 'not-asked':
      return words('not asked', 'robots.txt forbids asking', 'A crawler that keeps to robots.txt never learns the status of this address.', ROBOTS);
    case 'answered':
      return answered(reason.status, reason.redirectedTo, reason.hops);
    case 'no-answer':
      return words(
        NO_ANSWER[reason.reason] ?? 'no answer',
        'engines come back later, and drop it after a while',
        'The request did not end in an HTTP response.',
        STATUS,
      );
    case 'refresh':
      return words(
        `sends visitors on after ${counted(reason.seconds, 'second')}: ${reason.to}`,
        reason.seconds === 0 ? 'engines may list the target instead' : 'engines list it, visitors leave it',
        'A meta refresh after 0 seconds is taken for a permanent redirect by some engines and ignored by others. A 301 leaves no doubt.',
        'HTML standard, 4.2.5.3',
      );
    case 'soft-not-found':
      return words(
        'says “not found”',
        'it answers 200, but its words say there is nothing here',
        'A soft 404: the status says success, the text says failure. Answer 404 or 410 for what is gone.',
        'RFC 9110, 15.5.5',
      );
    case 'empty-page':
      return words(
        'no words, no pictures',
        'there is nothing on it to list',
        'Engines take an empty page that answers 200 for a soft 404.',
        'RFC 9110, 15.5.5',
      );
    case 'no-robots':
      return words('no robots.txt', 'nothing is forbidden', '4xx for robots.txt means that no rules exist: everything may be fetched.', `${ROBOTS}, 2.3.1.3`);
    case 'robots-silent':
      return words('no rule for it', 'what is not forbidden is allowed', 'No pattern of the group that applies matches the path.', `${ROBOTS}, 2.2.2`);
    case 'robots-unreachable':
      return words(
        reason.status === undefined ? 'robots.txt does not answer' : `robots.txt answers ${reason.status}`,
        'engines then fetch nothing at all',
        '5xx, or no answer, for robots.txt means that everything is disallowed until it answers again.',
        `${ROBOTS}, 2.3.1.4`,
      );
    case 'rule':
      return words(
        `line ${reason.line}: ${reason.allow ? 'Allow' : 'Disallow'}: ${reason.pattern}`,
        reason.allow ? 'this line lets engines in' : 'stops engines, and hides the gates below',
        reason.allow
          ? 'The longest pattern that matches decides, and on a tie Allow wins.'
          : 'Crawling is forbidden, not indexing: with a link to it the bare address can still be listed, and a noindex in it is never read.',
        `${ROBOTS}, 2.2.2`,
      );
    case 'no-directive':
      return words('no robots meta', 'silence means “list me”', 'Without a directive a page may be indexed and its links followed.', DIRECTIVES);
    case 'index-allowed':
      return words('no noindex', 'it may be listed', 'No directive for this crawler forbids indexing. What limits there are, are told below.', DIRECTIVES);
    case 'nothing-read':
      return words(
        'not an HTML page',
        'there was nothing to read',
        'Only an HTML answer has metas; for other files an X-Robots-Tag header speaks.',
        DIRECTIVES,
      );
    case 'noindex':
      return words(
        reason.from === 'header' ? `X-Robots-Tag: ${reason.content ?? 'noindex'}` : `meta ${reason.name ?? 'robots'}: ${reason.content ?? 'noindex'}`,
        {
          switch: 'the whole site is closed',
          owner: 'as you set it',
          page: 'it stands in the page',
          header: 'the host sends it',
          none: 'it stands in the page',
        }[reason.from] +
          (reason.more ? `, and ${counted(reason.more, 'more place says', 'more places say')} so` : '') +
          (reason.expired === undefined ? '' : `; its time is over too, by ${expiredWords(reason.expired)}`),
        'noindex takes the page out of the index once it has been fetched. Of several directives the most restrictive holds.',
        DIRECTIVES,
      );
    case 'expired':
      return words(
        expiredWords(reason.since),
        'its time is over',
        'After the date the page is treated as if it said noindex, by engines that know the directive.',
        DIRECTIVES,
      );
    case 'canonical-self':
      return words('canonical points at itself', 'this is the address to list', 'The link relation names the page’s own address.', CANONICAL);
    case 'canonical-none':
      return words('no canonical', 'the address speaks for itself', 'Engines choose the main address among copies by themselves.', CANONICAL);
    case 'canonical-conflict':
      return words(
        `${reason.addresses.length} canonicals`,
        'they contradict each other, so none counts',
        `Different addresses are named: ${reason.addresses.join(', ')}. Engines then ignore all of them.`,
        CANONICAL,
      );
    case 'canonical-elsewhere':
      return words(
        `${reason.from === 'header' ? 'Link header' : 'canonical'}: ${reason.address}`,
        `it hands its place to another page${reason.trouble === undefined ? '' : `, and ${TARGETS[reason.trouble]}`}`,
        'A hint that most engines follow: the target is indexed in its place. It should be fetchable, indexable and point at itself.',
        CANONICAL,
      );
    case 'canonical-ignored':
      return words(
        `canonical: ${reason.address}`,
        reason.why === 'gone' ? 'there is nothing there, so this page is listed' : 'the pages differ, so this engine lists both',
        'A canonical is a hint. It is passed over where the target is missing, and by some engines where the two pages are not alike.',
        CANONICAL,
      );
    case 'reached':
      return reached(reason);
    case 'links-unread':
      return words(
        `${counted(reason.linksIn, 'link')}, none of which engines follow`,
        'the pages that link here are blocked themselves, or say nofollow',
        'Crawlers cannot read the linking pages, or are told not to follow their links, so they never learn of this one.',
        LINKS,
      );
    case 'unreached':
      return words(
        'no link, not in the sitemap',
        'engines have no way to learn of it',
        'Crawlers discover addresses by links and by sitemaps; this one has neither.',
        LINKS,
      );
    case 'second-spelling':
      return words(
        `linked only as ${reason.path}`,
        'engines list that address in place of this one',
        'One file answers at both addresses, and each address is a page to an engine. Links, canonical and sitemap should all name one.',
        LINKS,
      );
    case 'waiting':
      return words('not visited yet', 'it is known, and its turn comes', 'The address is queued.', LINKS);
    case 'duplicate':
      return words(`same as ${reason.of}`, 'the other one is listed', 'Of pages with the same content one is indexed.', CANONICAL);
  }
}

const TARGETS = {
  gone: 'there is nothing there',
  redirects: 'that one sends visitors on',
  blocked: 'that one may not be fetched',
  noindex: 'that one says noindex',
  elsewhere: 'that one points on to a third',
} as const;

/** Why a fetch gave no answer. */
export const NO_ANSWER: Readonly<Record<string, string>> = {
  'no-such-host': 'there is no such host',
  'private-address': 'this address is not fetched from here',
  unavailable: 'it says 503: away for a while',
  refused: 'the host refused the connection',
  'no-robots': 'its robots.txt could not be had, so nothing more was asked for',
  timeout: 'no answer in ten seconds',
  'too-many-redirects': 'too many redirects, one after the other',
  'broken-coding': 'it came packed in a way that can’t be unpacked',
  'redirect-loop': 'it redirects in a circle',
  'too-large': 'the answer is too large',
  'no-answer': 'the host did not answer',
  'bad-address': 'this is no address that can be fetched',
};

function answered(status: number, redirectedTo: string | undefined, hops: number | undefined): GateWords {
  if (redirectedTo !== undefined)
    return words(
      `redirects to ${redirectedTo}${hops !== undefined && hops > 1 ? `, in ${hops} steps` : ''}`,
      'the target is listed instead',
      'The address answers 3xx. Its target is indexed; a chain of redirects should be made one.',
      'RFC 9110, 15.4',
    );
  return words(
    `answers ${status}`,
    status < 300 ? 'it is there' : statusMeans(status),
    statusExpert(status),
    status >= 500 ? 'RFC 9110, 15.6' : status >= 400 ? 'RFC 9110, 15.5' : 'RFC 9110, 15.3',
  );
}

function statusMeans(status: number): string {
  if (status === 404 || status === 410) return 'there is nothing at this address';
  if (status === 401) return 'it asks for a password, which engines have not';
  if (status === 403) return 'the host refuses it, whoever asks';
  if (status === 429) return 'the host asks engines to come less often';
  if (status >= 500) return 'the host failed; engines come back later';
  return 'engines cannot take it';
}

function statusExpert(status: number): string {
  if (status < 300) return 'A success; what follows in the body and the headers counts.';
  if (status === 403)
    return '403 refuses the request itself: a sign-in would not help. Often a firewall or a rule of the host turns programs away, and people not.';
  if (status === 410) return '410 says that it is gone for good; engines drop it sooner than after a 404.';
  if (status >= 400 && status < 500) return 'A client error takes the address out of the index.';
  return 'A server error is retried; if it lasts, the address is dropped.';
}

function reached(reason: Extract<GateReason, { code: 'reached' }>): GateWords {
  const ways = [
    reason.isHome ? 'the home page' : '',
    reason.linksIn > 0 ? counted(reason.linksIn, 'page links here', 'pages link here') : '',
    reason.inSitemap ? 'in the sitemap' : '',
  ].filter(Boolean);
  if (ways.length === 0)
    return words(
      'named as the main address',
      'engines get here by a canonical',
      'No page links to this very address; another one that they reach, or another spelling of it, names it as its canonical.',
      CANONICAL,
    );
  const clicks = reason.clicks === undefined || reason.isHome ? '' : `, ${counted(reason.clicks, 'click')} from home`;
  return words(
    ways.join(', ') + clicks,
    reason.linksIn === 0 && !reason.isHome ? 'no page links here; no visitor gets here' : 'engines get here',
    reason.linksIn === 0 && !reason.isHome
      ? 'An orphan: known by the sitemap alone, it counts for little.'
      : 'Internal links carry crawlers and weight; the fewer clicks from the home page, the more.',
    LINKS,
  );
}

const expiredWords = (since: number): string => `unavailable_after ${fullDate(new Date(since).toISOString())}`;
