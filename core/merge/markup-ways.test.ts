import { describe, expect, it } from 'vitest';
import { saidValues } from '../structured-data/index.ts';
import { all, applyChange, emptyDocument, markupKey, set, type SiteDocument } from '../site/index.ts';
import { planned, reading, type Files } from '../testing/planned.ts';
import { mergeChange, ownValues, pagesWithValues, withValues, type MergePlan } from './index.ts';

const PAGE = 'shop/bone-folder/index.html';
const product = (price: string, more = ''): string =>
  `<!doctype html><html lang=en><head><title>Bone folder</title></head><body><h1>Bone folder</h1><p class=price>${price}</p><p>In stock. Made of cow bone, polished by hand, for folding paper and board.</p>${more}</body></html>`;
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', 'https://a.example'));
const KEY = markupKey(PAGE, 'product', 'offers.price');
const said = (value: string): SiteDocument => applyChange(START, all([set('pages', PAGE, 'kind', 'product'), set('markup', KEY, 'value', value)]));

/** A plan as the program makes it, values of structured data included. */
function plan(document: SiteDocument, before: Files, after: Files): MergePlan {
  const one = planned(before, after, document);
  const own = ownValues(document);
  return withValues(
    one,
    own,
    pagesWithValues(one, own).map((pair) => ({
      ...pair,
      base: saidValues(document, pair.before, reading(before, pair.before), own.get(pair.before) ?? []),
      theirs: saidValues(document, pair.page, reading(after, pair.page), own.get(pair.before) ?? []),
    })),
  );
}

describe('a value of structured data that both say', () => {
  const before = { [PAGE]: product('£18.50') };
  it.each([
    ['is a conflict where both changed it', '17.00', { [PAGE]: product('£19.50') }, ['conflict', '18.50', '17.00', '19.50']],
    ['stays where the page says what it said', '17.00', { [PAGE]: product('£18.50', '<p>New words.</p>') }, undefined],
    ['falls away where the page says it by itself', '19.50', { [PAGE]: product('£19.50') }, ['settled', '18.50', '19.50', '19.50']],
    ['is a conflict where the page says nothing of it any more', '17.00', { [PAGE]: product('ask us') }, ['conflict', '18.50', '17.00', '']],
    ['stays where the page is the same file', '17.00', before, undefined],
  ])('%s', (_, mine, after, told) => {
    const made = plan(said(mine), before, after);
    const found = [...made.conflicts.map((one) => ['conflict', one] as const), ...made.settled.map((one) => ['settled', one] as const)].map(([sort, one]) => [
      sort,
      one.base,
      one.mine,
      one.theirs,
    ]);
    expect(found).toEqual(told === undefined ? [] : [told]);
  });
  it('is the owner’s still unless the new one is chosen, wherever the page is now', () => {
    const document = said('17.00');
    const moved = 'store/bone-folder/index.html';
    for (const [page, after] of [
      [PAGE, { [PAGE]: product('£19.50') }],
      [moved, { [moved]: product('£19.50') }],
    ] as const) {
      const made = plan(document, before, after);
      const [conflict] = made.conflicts;
      expect(conflict).toMatchObject({ what: 'markup', value: 'product.offers.price', page });
      const key = markupKey(page, 'product', 'offers.price');
      const mine = applyChange(document, mergeChange(document, made, { theirs: new Set(), redirects: {} }));
      expect(mine.tables.markup[key]?.value).toBe('17.00');
      const theirs = applyChange(document, mergeChange(document, made, { theirs: new Set([conflict?.key ?? '']), redirects: {} }));
      expect(theirs.tables.markup[key]?.value ?? null).toBeNull();
    }
  });
});
