import { numberText } from '../../core/wording/index.ts';
import type { CrawlLimit, EngineRow } from '../../core/exchange/index.ts';

export const wording = {
  /** Where an engine stopped short, and why. */
  limit: (engine: string, { code, address, count }: CrawlLimit): string =>
    code === 'links'
      ? `${engine} follows the first ${numberText(2_000)} links of a page; ${address} has ${numberText(count)}.`
      : `${engine} keeps ${numberText(20_000)} addresses of a site; this one has ${numberText(count)} or more.`,
  title: (engine: string): string => `What ${engine} makes of it`,
  clock: 'The stand-ins’ clock',
  nextDay: 'Move on by a day',
  map: 'The sitemap',
  handIn: 'Hand in the sitemap',
  states: 'Index state',
  search: (engine: string): string => `Search with ${engine}`,
  searchPlaceholder: 'Words, or site:',
  nothingFound: (engine: string): string => `${engine} lists nothing for this.`,
  notYet: (engine: string): string => `${engine} has not been here yet`,
};

/** What became of an address, in a word or two. */
export const OUTCOMES: Readonly<Record<EngineRow['outcome'], string>> = {
  listed: 'Listed',
  bare: 'Bare address',
  'not-listed': 'Not listed',
  waiting: 'Waits for a visit',
};
