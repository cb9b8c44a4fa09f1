import { counted, numberText } from '../../core/wording/index.ts';
import type { CrawlLimit, EngineRow, SeenAnswer } from '../../core/exchange/index.ts';
import type { RankReason } from '../../core/engine/index.ts';

export const wording = {
  /** Where an engine stopped short, and why. */
  limit: (engine: string, { code, address, count }: CrawlLimit): string =>
    code === 'links'
      ? `${engine} follows the first ${numberText(2_000)} links of a page; ${address} has ${numberText(count)}.`
      : `${engine} keeps ${numberText(20_000)} addresses of a site; this one has ${numberText(count)} or more.`,
  clock: 'The clock',
  day: 'A day on',
  week: 'A week on',
  untilChange: 'Until something changes',
  /** Days after which it is given up that something changes. */
  longest: 30,
  differs: 'A real engine differs',
  differsWhy:
    'It may take weeks, pass pages over that it finds weak, and rank by what others say of you. What is forbidden, hidden or broken, it treats as here. Searchers are invented too: nobody stands behind their clicks.',
  rehearsed: (days: number): string => (days === 0 ? 'A launch, to be rehearsed' : days === 1 ? 'A day, rehearsed' : `${numberText(days)} days, rehearsed`),
  rehearsedLead: (engine: string, release: number | undefined): string =>
    `What ${engine} makes of ${release === undefined ? 'the site' : `release ${release}`}, day by day. Nothing has left this machine.`,
  toRehearsal: 'Rehearse the launch',
  play: 'Play the launch',
  playWhy: 'Releases what is open, places Skerry’s proof, hands the map in and moves the clock on until somebody comes. All of it at the stand-ins.',
  pages: (engine: string): string => `What ${engine} knows`,
  pagesLead: 'Every address that came up, what became of it, and why.',
  search: (engine: string): string => `Search with ${engine}`,
  searchLead:
    'The site’s pages among those of Saltmere, an invented town, so that a place means something. Words in quotes stand side by side; site: lists what is known.',
  searchPlaceholder: 'Words, "words side by side", or site:',
  nothingFound: (engine: string): string => `${engine} lists nothing for this.`,
  askedAgain: (addresses: string, day: string): string => `You asked for ${addresses} again on ${day}.`,
  becameVisited: (visited: number, waiting: number): string =>
    visited === 0
      ? 'None has been visited since.'
      : waiting === 0
        ? 'All have been visited since.'
        : `${numberText(visited)} visited since, ${numberText(waiting)} not yet.`,
  becameSame: 'All are as they were.',
  hideThis: 'Hide',
  resultCount: (total: number, shown: number): string =>
    shown < total ? `${numberText(total)} results, the first ${numberText(shown)} of them here` : counted(total, 'result'),
  moreResults: (count: number): string => `Show ${counted(count, 'more result')}`,
  noSnippet: 'The page allows no words to be shown.',
  seen: 'Seen and clicked',
  seenLead: 'Invented searchers type what you want pages to be found for, and what your pages are called. Two days behind, as in life.',
  maps: 'Maps handed in',
  tell: 'Tell engines what changed',
  tellLead: 'By the open IndexNow protocol: a list of addresses, and a key file on the site that shows who speaks. The engine decides when it comes.',
  hubs: 'The hubs of your feeds',
  hubsLead: 'A hub fetches the feed anew and passes on what is new in it (WebSub). Tell it when a release has new posts.',
  visits: 'Visits',
  visitsLead: 'What the crawler asked for, day by day, and what it got.',
  notYet: (engine: string): string => `${engine} has not been here yet`,
};

/** What became of an address, in a word or two. */
export const OUTCOMES: Readonly<Record<EngineRow['outcome'], string>> = {
  listed: 'Listed',
  bare: 'Bare address',
  'not-listed': 'Not listed',
  waiting: 'Waits for a visit',
};

const FIELDS: Readonly<Record<RankReason['where'][number]['field'], string>> = {
  title: 'title',
  headings: 'headings',
  description: 'description',
  address: 'address',
  text: 'text',
};

/** Why a page stands where it does, in a sentence. */
export function rankWords({ where, missing, links }: RankReason): string {
  const quoted = (words: readonly string[]): string => words.map((word) => `“${word}”`).join(', ');
  const places = where.map(({ field, words }) => `${quoted(words)} in its ${FIELDS[field]}`);
  return [
    places.length > 0 ? `${places.join('; ')}.` : '',
    missing.length > 0 ? `It lacks ${quoted(missing)}.` : '',
    links === 0 ? 'No link to it is known.' : `${numberText(links)}${links >= 15 ? ' or more' : ''} ${links === 1 ? 'link leads' : 'links lead'} to it.`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** What searchers saw, added up by query, page or day. */
export interface SeenSum {
  readonly key: string;
  readonly seen: number;
  readonly clicks: number;
  /** Its mean place, weighted by how often it was seen. */
  readonly position: number;
}

/** Adds up what was seen by something that rows share, most clicked first. */
export function addUp(rows: SeenAnswer['rows'], keyOf: (row: SeenAnswer['rows'][number]) => string): SeenSum[] {
  const sums = new Map<string, { seen: number; clicks: number; places: number }>();
  for (const row of rows) {
    const key = keyOf(row);
    const sum = sums.get(key) ?? { seen: 0, clicks: 0, places: 0 };
    sums.set(key, { seen: sum.seen + row.seen, clicks: sum.clicks + row.clicks, places: sum.places + row.position * row.seen });
  }
  return [...sums]
    .map(([key, { seen, clicks, places }]) => ({ key, seen, clicks, position: seen === 0 ? 0 : places / seen }))
    .sort((a, b) => b.clicks - a.clicks || b.seen - a.seen || (a.key < b.key ? -1 : 1));
}
