import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { endsAsSentence, languageOf } from '../language/index.ts';
import type { PageFacts } from '../page/index.ts';
import { DESCRIPTION_LIMITS, fit, suggestDescriptions } from './index.ts';

interface KeptPage extends Pick<PageFacts, 'paragraphs' | 'loose'> {
  readonly page: string;
  readonly lang: string;
  readonly title: string;
  readonly headings: readonly (readonly [level: number, text: string])[];
  readonly common: readonly string[];
}
type Judged = Readonly<Record<string, Readonly<Partial<Record<'good' | 'fair' | 'bad', readonly string[]>>>>>;

const read = (name: string): unknown => JSON.parse(readFileSync(new URL(`./fixtures/${name}`, import.meta.url), 'utf8'));
const PAGES = read('passages.json') as readonly KeptPage[];
const JUDGED = read('judged.json') as Judged;

const suggested = PAGES.map((kept) => {
  const facts = {
    titles: [{ text: kept.title }],
    headings: kept.headings.map(([level, text]) => ({ level, text })),
    paragraphs: kept.paragraphs,
    loose: kept.loose,
  } as unknown as PageFacts;
  const all = suggestDescriptions({ facts, language: languageOf(kept.lang, 'en'), limit: DESCRIPTION_LIMITS[0], current: '', phrase: '', common: kept.common });
  const first = all[0]?.text;
  const marks = JUDGED[kept.page] ?? {};
  return {
    page: kept.page,
    all,
    first,
    mark: first === undefined ? 'none' : marks.good?.includes(first) ? 'good' : marks.fair?.includes(first) ? 'fair' : 'bad',
  };
});
const count = (mark: string): number => suggested.filter((one) => one.mark === mark).length;

describe('suggestions on 174 pages of nine real sites, as a reader judged them', () => {
  it('are good on 122 at least, and bad on 12 at most', () => {
    expect(PAGES).toHaveLength(174);
    const bad = suggested.filter(({ mark }) => mark === 'bad').map(({ page, first }) => `${page}: ${first}`);
    expect(count('good'), `not good any more, or not judged yet:\n${bad.join('\n')}`).toBeGreaterThanOrEqual(122);
    expect(bad.length, bad.join('\n')).toBeLessThanOrEqual(12);
  });
  it('fit their room, all of them, and end as sentences do', () => {
    for (const { all } of suggested)
      for (const { text } of all) {
        expect(fit(text, DESCRIPTION_LIMITS[0]).cut, text).toBe(false);
        expect(endsAsSentence(text), text).toBe(true);
      }
  });
});
