import { percentDecoded, type PageId } from '../source/index.ts';
import { documentTitle, metaDescription, passagesIn, refreshMetas, refreshTarget, type PageFacts } from '../page/index.ts';
import { addressOf, guessKind, type Kind } from '../site/index.ts';
import { datesIn } from '../values/index.ts';

/** Fields of the owner that a source can say too, by their name in the table of pages. */
export const SAID_FIELDS = ['title', 'description', 'keywords', 'shareTitle', 'shareText', 'sharePicture', 'lang'] as const;
export type SaidField = (typeof SAID_FIELDS)[number];

/** A picture or a passage of a page, by where its tag stands. */
export interface ExcerptPassage {
  readonly start: number;
  readonly text: string;
}
export interface ExcerptPicture {
  readonly start: number;
  readonly src: string;
  /** The hash of its file, where the site has that. */
  readonly hash?: string | undefined;
  readonly alt: string | null;
}

/** What has to be known of a page to compare two versions of a site: little, since there are many of them. */
export interface PageExcerpt {
  readonly id: PageId;
  readonly hash: string;
  readonly kind: Kind;
  readonly heading: string;
  readonly says: Readonly<Record<SaidField, string | undefined>>;
  /** Fingerprint of its own words, without what its template says on all pages and without dates; empty where it has none. */
  readonly words: string;
  /** Some of its runs of words, as numbers, by which pages are found to be alike. */
  readonly sketch: readonly number[];
  /** Where a page leads that does nothing else, as it is written: it stands at an old address in place of the page that moved. */
  readonly leadsTo: string | undefined;
  /** Only of pages where the owner changed something of the sort. */
  readonly passages: readonly ExcerptPassage[];
  readonly pictures: readonly ExcerptPicture[];
}

/** A block that this many pages of a hundred show, and three at least, is the template's. */
const TEMPLATE_SHARE = 0.05;
const TEMPLATE_PAGES = 3;

/** What the template says: blocks that stand on many of some pages. `pages` are the blocks of each of them. What either version's template says counts for both. */
export function templateBlocks(pages: readonly (readonly string[])[]): ReadonlySet<string> {
  const counts = new Map<string, number>();
  for (const blocks of pages) for (const block of new Set(blocks)) counts.set(block, (counts.get(block) ?? 0) + 1);
  const many = Math.max(TEMPLATE_PAGES, pages.length * TEMPLATE_SHARE);
  return new Set([...counts].flatMap(([block, count]) => (count >= many ? [block] : [])));
}

/** Takes down what has to be known of a page. `facts` with its text kept. `close` where the owner changed passages or pictures of it. `hashes` are those of the site's files. */
export function excerptOf(
  id: PageId,
  hash: string,
  { text, facts }: { readonly text: string; readonly facts: PageFacts },
  template: ReadonlySet<string>,
  close: boolean,
  hashes: ReadonlyMap<string, string> = new Map(),
): PageExcerpt {
  const lang = facts.lang ?? '';
  const blocks = (facts.blocks ?? []).filter((block) => !template.has(block) && !isDated(block, lang));
  const own = withoutSeeAlso(blocks, facts);
  const meta = (name: string): string | undefined => facts.metas.find((one) => one.inHead && one.name === name)?.content;
  const property = (name: string): string | undefined => facts.metas.find((one) => one.property === name)?.content;
  return {
    id,
    hash,
    kind: guessKind(addressOf(id), facts),
    heading: facts.headings.find(({ level, text }) => level === 1 && text !== '')?.text ?? '',
    says: {
      title: documentTitle(facts)?.text,
      description: metaDescription(facts)?.content,
      keywords: meta('keywords'),
      shareTitle: property('og:title'),
      shareText: property('og:description'),
      sharePicture: property('og:image'),
      lang: facts.lang,
    },
    words: own.length === 0 ? '' : String(numberOf(own.join('\n'))),
    sketch: sketchOf(own.join(' ')),
    leadsTo:
      facts.wordCount > MOST_WORDS_ON_THE_WAY
        ? undefined
        : refreshMetas(facts)
            .map(refreshTarget)
            .find((to) => to !== undefined && to.seconds <= SOON)?.to,
    passages: close ? passagesIn(text).map(({ start, text: words }) => ({ start, text: words })) : [],
    pictures: close ? facts.images.map(({ src, alt, tag }) => ({ start: tag.start, src: src ?? '', hash: hashes.get(fileOf(src, id)), alt: alt ?? null })) : [],
  };
}

/** A page that leads on within so many seconds, and says hardly anything else. */
const SOON = 10;
const MOST_WORDS_ON_THE_WAY = 40;

/** Words of prose from which links beside it are beside the point. */
const PROSE = 40;
const wordsOf = (text: string): readonly string[] => text.match(/[\p{L}\p{N}]+/gu) ?? [];

/** The blocks of a page of prose without those that are links and a word or two: "see also" is drawn anew by generators, and says nothing of the page itself. */
function withoutSeeAlso(blocks: readonly string[], facts: PageFacts): readonly string[] {
  const links = new Set(facts.anchors.map(({ text }) => text).filter((text) => text !== ''));
  // By the word that each begins with: of a page of links not every block looks for every one.
  const byWord = new Map<string, string[]>();
  for (const link of [...links].sort((a, b) => b.length - a.length))
    for (const first of wordsOf(link).slice(0, 1)) (byWord.get(first) ?? byWord.set(first, []).get(first))?.push(link);
  const isLinks = (block: string): boolean => {
    if (links.has(block)) return true;
    const words = wordsOf(block);
    if (words.length > MOST_LINKED) return false;
    let [rest, found] = [block, false];
    const near = [...new Set(words)].flatMap((word) => byWord.get(word) ?? []);
    for (const link of near.sort((a, b) => b.length - a.length)) {
      if (!rest.includes(link)) continue;
      rest = rest.replaceAll(link, ' ');
      found = true;
    }
    return found && wordsOf(rest).length <= 3;
  };
  const prose = blocks.filter((block) => !isLinks(block));
  return wordsOf(prose.join(' ')).length >= PROSE ? prose : blocks;
}

/** Words of a block of links at most. */
const MOST_LINKED = 60;

/** The file that an address in a page means; empty where it is none of the site. */
function fileOf(src: string | undefined, id: PageId): string {
  const base = `https://site.invalid${addressOf(id)}`;
  if (src === undefined || !URL.canParse(src, base)) return '';
  const url = new URL(src, base);
  return url.host === 'site.invalid' ? percentDecoded(url.pathname).replace(/^\//, '') : '';
}

/** A short block that says a date: generators put the day of the build there. */
const isDated = (block: string, lang: string): boolean => block.length < 80 && /\d{4}/.test(block) && datesIn(block, lang).length > 0;

/** Words in a run, and runs kept of a page: the smallest by their number, which are a fair sample (Broder's bottom-k sketch). */
const RUN = 3;
const KEPT = 64;

function sketchOf(text: string): number[] {
  const words = wordsOf(text.toLowerCase());
  const runs = new Set<number>();
  for (let at = 0; at + RUN <= words.length; at++) runs.add(numberOf(`${words[at]} ${words[at + 1]} ${words[at + 2]}`));
  return [...runs].sort((a, b) => a - b).slice(0, KEPT);
}

/** A number for a text: FNV-1a in two halves, 53 bits of it. */
function numberOf(text: string): number {
  let [a, b] = [0x811c9dc5, 0x9747b28c];
  for (let at = 0; at < text.length; at++) {
    const unit = text.charCodeAt(at);
    a = Math.imul(a ^ unit, 0x01000193);
    b = Math.imul(b ^ unit, 0x85ebca6b);
  }
  return (a >>> 0) * 0x200000 + (b >>> 11);
}

/** How alike two pages are by their sketches, which are in order: the share of runs of words that both have, 0 to 1. Asked of very many pairs, so it makes nothing. */
export function alike(one: readonly number[], other: readonly number[]): number {
  if (one.length === 0 || other.length === 0) return 0;
  let [union, both] = [0, 0];
  for (let [at, against] = [0, 0]; union < KEPT && (at < one.length || against < other.length); union++) {
    const [first, second] = [one[at] ?? Infinity, other[against] ?? Infinity];
    if (first === second) both++;
    if (first <= second) at++;
    if (second <= first) against++;
  }
  return both / union;
}
