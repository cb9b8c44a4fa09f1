import type { EnginePolicy } from '../../core/engines/index.ts';
import type { PageState, Reality } from '../../core/indexing/index.ts';
import type { RobotsVerdict } from '../../core/robots/index.ts';
import type { SwitchStory } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { counted } from '../../core/wording/index.ts';
import type { Band } from './pages/click-bands.ts';

export const wording = {
  kinds: 'What each kind of page is for',
  kindsWhy: 'a page follows its kind unless it, or a rule, says otherwise',
  kindsLead:
    'Say once what a whole kind of page is for, and what engines may show of it. A rule for some addresses comes before the kind, a page’s own word before both.',
  archives:
    'Archives of tags, authors and months repeat the posts. With one author and few posts they only stand in their way; with several authors of some name, list the authors.',
  rules: 'Rules for some addresses',
  rulesWhy: 'For a folder, or whatever has something in its address. The first rule that fits decides.',
  robots: 'robots.txt',
  everyOther: 'every other crawler',
  robotsWhy: 'what each line touches',
  noRobots: 'The site has no robots.txt. Nothing is forbidden, and that is fine.',
  robotsLead: 'Asks crawlers not to fetch some addresses. Change a rule or the text: both are one file, and what would change is shown before you apply it.',
  inWords: 'In plain words',
  asText: 'As text',
  noTroubles: 'Nothing wrong with it',
  draft: 'Not applied yet. This is what it would change:',
  draftChangesNothing: 'It opens or blocks no page and no file.',
  lessonRobots:
    'Blocking in robots.txt does not take a page out of the results: its bare address may still be listed. To keep a page out, let engines fetch it and let it say noindex.',
  forWhom: 'As seen by',
  forExperts: 'For experts',
  says: 'What engines may show of it',
  directivesOf: 'What engines may show of',
  saysShown: 'What engines may show',
  saysNothing: 'no limits',
  saysFor: 'For',
  saysForWhom: 'For which engines',
  saysAdvice:
    'Most sites leave all of this alone. Limits make a result plainer, and plainer results are chosen less often. Of several words the most restrictive counts.',
  pagesLead: 'What you want of each page against what engines will do once this is released. Press a number to see those pages.',
  matrix: 'What you want, and what is so',
  cells: {
    findable: 'as you want it',
    'to-mend': 'as you want it',
    'shut-out': 'blocked',
    leaking: 'leaking',
    'half-hidden': 'half hidden',
    'kept-out': 'as you want it',
    'not-live': 'not live',
    unseen: 'not looked at',
  } satisfies Record<PageState, string>,
  clicks: 'Clicks from home',
  bands: { '0': 'home', '1': '1 click', '2': '2 clicks', '3': '3 clicks', '4+': '4 or more', none: 'no links lead there' } satisfies Record<Band, string>,
  orphans: 'Nothing links to it',
  filesLead: 'PDFs, pictures and other files have no head to write into. A header that the host sends along speaks for them.',
  headerRules: 'Headers for files',
  serverRules: 'For a host of your own: the rules for its web server',
  serverRulesWhy: 'The host that ships with the program gets these rules with each release. Elsewhere, put them where the server reads its settings.',
  tryLead: 'Whether it is a page or not: which crawler may fetch it, by which line, and what comes of it.',
  notHere: 'This is not an address of this site.',
  whatAnswers: {
    page: 'A page of the site answers here.',
    spelled: 'A page of the site answers here, under another spelling than its own address: to engines that is another page.',
    file: 'A file of the site answers here.',
    moved: 'Whoever asks here is led on to another address.',
    nothing: 'No file of the site answers here: the host says 404.',
  },
  siteLead: 'One switch for all pages, and who can visit at all.',
  switchFacts: [
    'While it is closed, each page goes out with noindex, and documents with the header that says the same: engines fetch them, read that, and leave them out. Nothing else truly keeps them out.',
    'robots.txt stays as it is. Blocking everything there instead would hide the noindex, and bare addresses would stay listed.',
    'It counts from the next release on. What is live stays as it is until then.',
  ],
  switchName: 'The whole site is open to engines',
  planNext: 'Open with the next release',
  remindOn: 'Remind me to open it on',
  visitors: 'Who can visit',
  visitorsWhy: 'At the host that ships with the program. Engines see what a stranger sees.',
  visitorsRelease: 'It holds from the next release on, like everything else.',
  draftShort: 'The host shows it to nobody.',
  restrictedShort: 'The host asks visitors for a password.',
  differ: 'Where the engines differ',
  differWhy: 'Both keep to robots.txt and to noindex. Beyond that each has its ways, as engines in life do.',
  crawlers: 'Crawlers',
  crawlersWhy: 'Rules and words can be meant for one crawler alone. Add any by the name it goes by, to try addresses with it.',
};

export const REALITY_NAMES: Readonly<Record<Reality, string>> = { listed: 'listed', bare: 'bare address', out: 'not listed', 'not-live': 'not live' };
export const INTENT_NAMES: Readonly<Record<PageRow['intent'], string>> = { list: 'You want it found', out: 'You want it out' };
export const INTENT_FROM: Readonly<Record<PageRow['intentFrom'], string>> = {
  page: 'said for this page',
  rule: 'by one of your rules',
  kind: 'as its kind',
  default: 'as its kind, by default',
};

/** The state of a page by what is wanted and what is so, weaknesses aside. */
export function matrixState(intent: PageRow['intent'], reality: Reality): PageState {
  if (reality === 'not-live') return 'not-live';
  if (intent === 'list') return reality === 'listed' ? 'findable' : 'shut-out';
  return reality === 'listed' ? 'leaking' : reality === 'bare' ? 'half-hidden' : 'kept-out';
}

/** Which line decided, and how. */
export function decidedBy({ rule, group }: RobotsVerdict): string {
  if (rule)
    return `line ${rule.line}, ${rule.allow ? 'Allow' : 'Disallow'}: ${rule.pattern}, is the longest match, ${counted(rule.pattern.length, 'character')}`;
  if (group === 'own') return 'its own group has no rule for it, and it does not listen to the others';
  return group === 'everyone' ? 'no rule for it' : 'there are no rules for it';
}

/** The story of the switch, in words. */
export function switchWords(story: SwitchStory, day: (iso: string) => string): { readonly title: string; readonly why: string; readonly live: string } {
  const since = story.since === undefined ? '' : `Since ${day(story.since)}. `;
  const here = {
    open: { title: 'The whole site is open', why: `${since}Turn off to keep every page out while you build.` },
    shut: { title: 'The whole site is closed', why: `${since}Every page says noindex, so no engine lists any of it.` },
    planned: { title: 'Closed, until the next release', why: `${since}The next release takes the noindex off every page.` },
  }[story.here];
  return { ...here, live: liveWords(story, day) };
}

function liveWords({ here, live, shutBy, opensOn }: SwitchStory, day: (iso: string) => string): string {
  const due = opensOn === undefined ? '' : ` You meant to open it on ${day(`${opensOn}T12:00:00Z`)}.`;
  if (live === 'shut' && shutBy) {
    const by = `Out there it is closed since release ${shutBy.release}${shutBy.at === undefined ? '' : `, ${day(shutBy.at)}`}${shutBy.releases > 1 ? `, through ${shutBy.releases} releases` : ''}.`;
    return here === 'open' ? `${by} The next release opens it.` : by + due;
  }
  if (here === 'shut')
    return `Closed here in the working copy${live === undefined ? '' : '; out there it is still open'}. It counts with the next release.${due}`;
  return '';
}

export type Audience = 'draft' | 'restricted' | 'public';
export const AUDIENCES: Readonly<
  Record<Audience, { readonly name: string; readonly people: string; readonly engines: string; readonly listing: string; readonly proof: string }>
> = {
  draft: {
    name: 'Nobody: a draft',
    people: '“Not found”, whoever asks. You see it here.',
    engines: '404 for every address, robots.txt and the sitemap too.',
    listing: 'not listed, and dropped where they were.',
    proof: 'lost: an engine looks for it every day, finds nothing, and takes it back. It is proven anew with the same tag once the site is public.',
  },
  restricted: {
    name: 'Those with the password',
    people: 'a question for the password, then the site.',
    engines: '401 for every address: they have no password.',
    listing: 'not listed. A password hides pages for sure; noindex only asks.',
    proof: 'lost: an engine looks for it every day and gets a question for the password. It is proven anew with the same tag once the site is public.',
  },
  public: {
    name: 'Everybody',
    people: 'the site.',
    engines: 'the site, as far as robots.txt lets them.',
    listing: 'listed, as each of them says.',
    proof: 'holds, as long as the tag stands on the home page.',
  },
};

/** Where engines differ, told from how each of them really decides. */
export const DIFFERENCES: readonly { readonly what: string; readonly tell: (engine: EnginePolicy) => string }[] = [
  { what: 'Crawler', tell: ({ crawler, pictureCrawler }) => (pictureCrawler === undefined ? crawler : `${crawler}, ${pictureCrawler}`) },
  {
    what: 'A canonical to another page',
    tell: ({ canonical }) => (canonical === 'order' ? 'is followed' : 'is a hint: followed only where the two are alike'),
  },
  { what: 'A meta refresh after 0 seconds', tell: ({ refreshRedirects }) => (refreshRedirects ? 'counts as a redirect' : 'is passed by') },
  { what: 'A page that says “not found”, or nothing', tell: ({ tellsSoftNotFound }) => (tellsSoftNotFound ? 'is not listed' : 'is listed like any other') },
  { what: 'unavailable_after', tell: ({ knowsExpiry }) => (knowsExpiry ? 'is heeded' : 'is not known') },
  { what: 'Limits on snippets', tell: ({ knowsLimits }) => (knowsLimits ? 'are heeded to the character' : 'are not known, but for nosnippet') },
  { what: 'Crawl-delay', tell: ({ waits }) => (waits ? 'is heeded: fewer visits a day' : 'is passed by') },
  { what: 'Addresses visited in a day', tell: ({ visits }) => `${visits} at most` },
  { what: 'Redirects followed', tell: ({ redirects }) => `${redirects} at most` },
  { what: 'Maps of an index', tell: ({ maps }) => `${maps} at most` },
];
