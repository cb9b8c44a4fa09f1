import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PageEdit } from '../../core/page/index.ts';
import { itemKey, type Held, type ReleaseItem } from '../../core/release/index.ts';
import { goes, isHeld, stillHeld, withField, withItem } from './held.ts';

const edits: readonly PageEdit[] = [
  { kind: 'title', text: 'New' },
  { kind: 'description', text: 'It tells more.' },
  { kind: 'lang', lang: 'de' },
];
const item = (change: Partial<ReleaseItem> = {}): ReleaseItem =>
  ({ path: 'a.html', own: false, what: 'changed', source: false, edits, before: [], ...change }) as ReleaseItem;
const PAGE = item();
const KEY = itemKey(PAGE);
const FIELDS = ['title', 'description', 'lang'];

describe('what is to wait', () => {
  it('is nothing at first, and a whole item or some of its fields when told so', () => {
    expect(goes({}, PAGE)).toBe('all');
    expect(goes(withItem({}, PAGE, false), PAGE)).toBe('none');
    expect(goes(withField({}, PAGE, 'title', false), PAGE)).toBe('some');
    expect(withField({}, PAGE, 'title', false)).toEqual({ [KEY]: ['title'] });
  });
  it('is the whole page once every field waits, and fields again when one of them goes', () => {
    const all = FIELDS.reduce<Held>((held, field) => withField(held, PAGE, field, false), {});
    expect(all).toEqual({ [KEY]: 'whole' });
    expect(withField(all, PAGE, 'title', true)).toEqual({ [KEY]: ['description', 'lang'] });
  });
  it('is only its fields where the file is another one too, or new: that goes whatever they do', () => {
    for (const page of [item({ source: true }), item({ what: 'new' })]) {
      const all = FIELDS.reduce<Held>((held, field) => withField(held, page, field, false), {});
      expect(all).toEqual({ [KEY]: FIELDS });
      expect(goes(all, page)).toBe('some');
    }
  });
  it('let go and held back again is what it was, whatever was said before', () => {
    const step = fc.tuple(fc.constantFrom(...FIELDS), fc.boolean());
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), fc.constantFrom(...FIELDS), (steps, field) => {
        const held = steps.reduce<Held>((now, [name, going]) => withField(now, PAGE, name, going), {});
        const waits = goes(withField(held, PAGE, field, false), PAGE);
        expect(waits === 'none' || waits === 'some').toBe(true);
        const back = withField(withField(held, PAGE, field, false), PAGE, field, true);
        const again = withField(back, PAGE, field, true);
        expect(again).toEqual(back);
        // All that is kept can be read again.
        expect(isHeld(JSON.parse(JSON.stringify(held)))).toBe(true);
        expect(stillHeld(held, [PAGE])).toEqual(held);
      }),
    );
  });
  it('forgets what differs no more: items that are gone, fields that are as they are out', () => {
    const held: Held = { [KEY]: ['title', 'description'], [itemKey(item({ path: 'gone.html' }))]: 'whole' };
    expect(stillHeld(held, [item({ edits: edits.slice(1) })])).toEqual({ [KEY]: ['description'] });
    expect(stillHeld(held, [item({ edits: edits.slice(2) })])).toEqual({});
    expect(stillHeld(held, [])).toEqual({});
  });
  it('becomes the whole page where only what waits is left of it', () =>
    expect(stillHeld({ [KEY]: ['title'] }, [item({ edits: edits.slice(0, 1) })])).toEqual({ [KEY]: 'whole' }));
  it.each([
    [{}, true],
    [{ a: 'whole', b: ['title'] }, true],
    [{ a: 'all' }, false],
    [{ a: [1] }, false],
    [[], false],
    [null, false],
    ['whole', false],
  ])('kept as %j can be read: %s', (value, expected) => expect(isHeld(value)).toBe(expected));
});
