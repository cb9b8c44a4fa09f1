import type { MapIssue, SitemapRefusal, XmlFault } from '../../core/sitemap/index.ts';
import type { DateFrom, ExtraFault, MapFault, MapPart, MapReport } from '../../core/map/index.ts';
import { counted, gateWords, plural } from '../../core/wording/index.ts';

export const wording = {
  title: 'The sitemap for engines',
  empty: 'There is nothing to map yet',
  emptyWhy: 'Bring a site in; the pages you want found then stand here.',
  off: 'Not written yet. These are the pages that would be in it: those you want found, that engines may fetch and list.',
  nothingInIt: 'No page belongs in it now, so none is written: a map of nothing is against the protocol. “Left out” says why.',
  nothingYet: 'No page belongs in it yet. “Left out” says why.',
  closed: 'The whole site is closed, so no page belongs in it. It fills by itself once the site opens.',
  leftOut: 'Left out',
  nothingLeftOut: 'Every page is in it.',
  leave: 'Leave out',
  imported: 'The sitemap the site came with',
  importedWhy: 'Look at it closely: what is wrong with it, and what is missing.',
  alsoNamed: 'robots.txt still names an older map as well. Engines read both, pages that are gone or kept out included:',
  onlyOurs: 'Name this one only',
  dates: 'The dates',
  feedHint: 'Readers who follow you want to hear of new posts.',
  choicesLead: 'What you want found stands in the sitemap by itself. Here are the choices beyond that; most sites need none.',
  keptOutNever: 'What you keep out never stands in it: that would contradict itself.',
  filesRefused: 'Nearly all files carry the same day, that of a build or a copy: it would change with each build, so it is not told.',
  pagesRefused: 'Nearly all pages say the same day of themselves: it is that of a build, so it is not told.',
  extras: 'More addresses',
  extrasWhy: 'For what is not among the files: a booking system, a shop of its own. One a line.',
  alsoLead: 'What goes out beside the sitemaps. All of it is written anew at each release.',
  alsoOff: 'The sitemap is not written yet; what is chosen here goes out once it is.',
  pageWhy: 'In your site’s own look: all pages by kind, for visitors who are lost. It takes the home page’s frame, with lists in the middle.',
  seePage: 'See it first',
  hidePage: 'Hide it',
  seenPage: 'The page for people, as it would be written',
  makingPage: 'Making the page',
  previewNote: 'Drawn with the style sheets you brought in; pictures are left out here.',
  pageLink: 'Link to it from your footer, so that people find it.',
  styleWhy:
    'Whoever opens a map in a browser sees a table with links instead of code. Browsers are giving up the XSL behind it; a plain style sheet goes along for them. Engines read past both.',
  rssWhy: 'Feed readers, and some engines, learn of new posts by it. The latest twenty.',
  atomWhy: 'Another form of the same (RFC 4287). One of the two is enough.',
  hubWhy: 'It passes new posts on to those who follow the feed, at once (WebSub). Leave it empty if you use none.',
  hubBad: 'A hub’s address begins with https://. The one before is kept.',
  noPosts: 'There is no post to put into it.',
  feedTag: 'Put this into the head of your template, so that browsers and readers find the feed:',
  readLead: 'Any map or index of maps: held against the protocol, with line and column, and against this site.',
  reading: 'Reading the sitemap',
  readingParts: 'Reading the sitemaps that it names',
  agrees: 'It says what it should: every address is right, and none is missing.',
  agreesBeside: 'It says what it should: every address is right, and with the maps beside it none is missing.',
  mend: 'Write it anew',
  valid: 'The file is as the protocol asks',
  tooLarge: 'It is larger than a map may be: 50 MiB unpacked.',
  noAddress: 'This is not an address. An address begins with https://',
  badGzip: 'It is packed, and damaged, or unfolds to more than 50 MiB.',
};

/** Why a page is not in the map, by who decided. */
export const LEFT_OUT = { page: 'left out by you', rule: 'left out by a rule', kind: 'its kind stays out' } as const;

export const DATE_FROM: Readonly<Record<DateFrom, string>> = {
  'next-release': 'at the next release',
  release: 'its content changed in a release',
  page: 'the page says so',
  file: 'its file says so',
  none: '',
};

export const DATE_CHOICES = {
  best: { name: 'the truest known', why: 'When its content last changed in a release from here; before that, what the page says of itself, or its file.' },
  visible: { name: 'what pages say', why: 'The date that the page itself shows or declares, and nothing where it shows none.' },
  files: { name: 'file dates', why: 'When each file was written. Right for sites written by hand; wrong where a tool writes all files anew.' },
  none: { name: 'none', why: 'No dates at all. Better than wrong ones.' },
} as const;

/** How the dates of the map came about, in a sentence or two. */
export function dateStory({ lines, trust }: MapReport): string {
  const count = (from: DateFrom): number => lines.filter((line) => line.dateFrom === from).length;
  const parts = [
    count('next-release') > 0 ? `${count('next-release')} at the next release` : '',
    count('release') > 0 ? `${count('release')} from a release` : '',
    count('page') > 0 ? `${count('page')} said by the page` : '',
    count('file') > 0 ? `${count('file')} from the file` : '',
    count('none') > 0 ? `${count('none')} not told` : '',
  ].filter(Boolean);
  const refused = trust.files ? '' : ` ${wording.filesRefused}`;
  return `${parts.join(', ')}.${refused}`;
}

export const EXTRA_FAULTS: Readonly<Record<ExtraFault, string>> = {
  'not-absolute': 'not in the sitemap: it is no whole address',
  'other-host': 'not in the sitemap: it is on another host',
  long: 'not in the sitemap: it is too long',
  twice: 'not in the sitemap twice: it is a page of the site',
  'kept-out': 'not in the sitemap: you keep this page out',
  redirects: 'not in the sitemap: it redirects; the sitemap names where it leads',
  'second-spelling': 'not in the sitemap: it is another spelling of the address of a page of the site',
  shut: 'not in the sitemap: engines may not fetch or list it',
  'not-there': 'in the sitemap; no file of the site answers there, so ask whether the host does',
};

/** What is wrong with an address of a map, held against the site. */
export function faultWords(fault: MapFault): string {
  switch (fault.code) {
    case 'other-host':
      return 'on another host';
    case 'not-there':
      return 'answers 404: there is no such page';
    case 'not-live':
      return 'not released yet';
    case 'kept-out':
      return 'you keep it out';
    case 'moved':
      return `redirects to ${fault.to}`;
    case 'second-spelling':
      return `the page’s own address is ${fault.should}`;
    case 'shut':
      return gateWords(fault.reason).evidence;
    case 'stale':
      return `changed since: ${fault.should}`;
    case 'too-new':
      return `last changed ${fault.should}, not later`;
  }
}

/** What was found in a map that an index names. */
export function partWords({ what, wrong, issues, again }: MapPart): string {
  if (what === 'index') return 'an index: an index may not name another, and engines do not read on';
  if (what === 'gone') return 'no map answers there';
  if (what === 'not-read') return 'not looked into';
  if (what !== 'map') return REFUSALS[what];
  const found = [
    wrong > 0 ? `${counted(wrong, 'address', 'addresses')} wrong` : '',
    issues > 0 ? counted(issues, 'thing amiss in the file', 'things amiss in the file') : '',
    again > 0 ? `${counted(again, 'address', 'addresses')} named in a map before it` : '',
  ].filter(Boolean);
  return found.length === 0 ? 'as it should be' : found.join(', ');
}

/** What a map is like against the site, in a sentence; `broken` counts maps of an index that are none, and `beside` tells that engines read it with others. */
export function comparisonWords(wrong: number, missing: number, broken: number, beside: boolean): string {
  const inIt = `${wrong === 0 ? 'Nothing' : counted(wrong, 'address', 'addresses')} in it ${wrong <= 1 ? 'is' : 'are'} wrong`;
  const lacking =
    missing === 0
      ? 'no page is missing'
      : `${counted(missing, 'page')} ${plural(missing, 'is', 'are')} missing${beside ? ' from it and the maps beside it' : ''}`;
  return broken === 0 ? `${inIt}, ${lacking}.` : `${inIt}, ${lacking}, and ${counted(broken, 'map')} it names could not be read.`;
}

export const REFUSALS: Readonly<Record<SitemapRefusal | 'unreadable', string>> = {
  'too-large': 'it is larger than a map may be, 50 MiB unpacked.',
  'not-a-sitemap': 'it is no map: there is neither a urlset nor a sitemapindex at its beginning. Perhaps it is a web page.',
  doctype: 'it declares entities of its own (a DOCTYPE). Maps need none, and they are not read here.',
  'utf-16': 'it is written in UTF-16. Maps are in UTF-8; save it as that.',
  malformed: 'it is no well-formed XML, so engines take nothing from it.',
  unreadable: 'it could not be read: damaged, or unfolding to more than a map may hold.',
};

/** How XML breaks, where there are words for it. */
const MALFORMED: Readonly<Partial<Record<XmlFault['what'], string>>> = {
  'bare-ampersand': 'an & that is not written as &amp;',
  'unknown-entity': 'an entity that XML does not know',
  misnested: 'a tag closes what is not open',
  'cut-off': 'it breaks off, or a tag is never closed',
  prefix: 'a prefix whose namespace is not declared',
  character: 'a character that XML does not allow',
  outside: 'something stands outside of the one root element',
};

/** What a map does that the protocol does not allow, or that makes no sense. */
export function issueWords(issue: MapIssue): string {
  switch (issue.code) {
    case 'malformed':
      return `${MALFORMED[issue.what] ?? issue.message.replace(/\.$/, '')}; every reader stops here`;
    case 'unknown-element':
      return `<${issue.name}> is no element of the protocol`;
    case 'misplaced-element':
      return `<${issue.name}> has no place here`;
    case 'element-twice':
      return `<${issue.name}> stands in one entry twice; the first counts`;
    case 'element-namespace':
      return `<${issue.name}> is in another namespace than the map, so it is not read`;
    case 'namespace':
      return issue.found === undefined ? 'the namespace of the protocol is missing' : `the namespace is ${issue.found}, not the protocol’s`;
    case 'encoding':
      return `declared as ${issue.declared}; maps are in UTF-8`;
    case 'too-many':
      return `${issue.count.toLocaleString('en')} addresses; 50,000 are allowed`;
    case 'empty':
      return 'no address in it';
    case 'loc-missing':
      return 'an entry without an address';
    case 'dates-same':
      return 'every address has the same date: that of a build. Engines learn to ignore it';
    case 'loc-relative':
      return `not a whole address: ${issue.loc}`;
    case 'loc-unescaped':
      return `a quote or > that the protocol wants written as an entity: ${issue.loc}`;
    case 'loc-spaces':
      return `a space in the address: ${issue.loc}`;
    case 'loc-not-ascii':
      return `characters that an address must escape: ${issue.loc}`;
    case 'loc-long':
      return `${issue.loc.length.toLocaleString('en')} characters long; under 2,048 are allowed`;
    case 'loc-fragment':
      return `a # in the address; engines drop what follows: ${issue.loc}`;
    case 'loc-host':
      return `on another host than the sitemap: ${issue.loc}`;
    case 'loc-scheme':
      return `http and https mixed: ${issue.loc}`;
    case 'loc-folder':
      return `not below the sitemap’s folder: ${issue.loc}`;
    case 'loc-twice':
      return `stands in it before: ${issue.loc}`;
    case 'lastmod-bad':
      return `“${issue.value}” is no date as the protocol has them: ${issue.loc}`;
    case 'lastmod-future':
      return `${issue.value} is yet to come: ${issue.loc}`;
    case 'changefreq-bad':
      return `“${issue.value}” is not one of the seven words: ${issue.loc}`;
    case 'priority-bad':
      return `“${issue.value}” is not between 0.0 and 1.0: ${issue.loc}`;
    case 'image-bad':
      return `a picture without a whole address, ${issue.value}: ${issue.loc}`;
    case 'alternate-bad':
      return `another language’s page without a whole address, or an unknown language, ${issue.value}: ${issue.loc}`;
    case 'images-many':
      return `${issue.count} pictures; 1,000 are allowed: ${issue.loc}`;
  }
}
