import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { doEntry, emptyDocument, set, type JournalEntry } from '../../core/site/index.ts';
import { tabMemory } from './unsaved-entries.ts';

/** A tab's storage with room for so many characters; its items are its own properties, as a browser's are. */
function storageOf(room = Infinity): Storage {
  const methods = {
    getItem(this: Record<string, string>, key: string): string | null {
      return Object.hasOwn(this, key) ? (this[key] ?? null) : null;
    },
    setItem(this: Record<string, string>, key: string, value: string): void {
      const used = Object.entries(this).reduce((sum, [name, text]) => sum + name.length + text.length, 0);
      if (used + key.length + value.length > room) throw new DOMException('full', 'QuotaExceededError');
      this[key] = value;
    },
    removeItem(this: Record<string, string>, key: string): void {
      delete this[key];
    },
  };
  return Object.create(methods) as Storage;
}

const entry = (title: string): Omit<JournalEntry, 'seq'> => {
  const { seq: _, ...rest } = doEntry(emptyDocument(), set('pages', 'p.html', 'title', title), { seq: 0, at: '2026-11-25T10:00:00Z', label: title });
  return rest;
};
const titles = (entries: readonly Omit<JournalEntry, 'seq'>[]): string[] => entries.map(({ label }) => label);

describe('what is not written yet', () => {
  it('is found again in its order, site by site, however it came to be kept', () => {
    const step = fc.oneof(
      fc.record({ what: fc.constant('add' as const), site: fc.constantFrom('a', 'b'), title: fc.string() }),
      fc.record({ what: fc.constant('keep' as const), site: fc.constantFrom('a', 'b'), titles: fc.array(fc.string(), { maxLength: 4 }) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const storage = storageOf();
        const memory = tabMemory(() => storage);
        const expected: Record<string, string[]> = { a: [], b: [] };
        for (const one of steps) {
          if (one.what === 'add') {
            memory.add(one.site, entry(one.title));
            expected[one.site]?.push(one.title);
          } else {
            memory.keep(one.site, one.titles.map(entry));
            expected[one.site] = [...one.titles];
          }
        }
        // A reload makes the memory anew over the same storage.
        const again = tabMemory(() => storage);
        for (const site of ['a', 'b']) expect(titles(again.find(site))).toEqual(expected[site]);
      }),
    );
  });
  it('that cannot be read does not take the others along', () => {
    const storage = storageOf();
    const memory = tabMemory(() => storage);
    memory.add('a', entry('one'));
    memory.add('a', { ...entry('two'), label: 7 } as never);
    memory.add('a', entry('three'));
    storage.setItem('jolly-beacon-under-way:a:000000004', '{"role":"do","chan');
    memory.add('a', entry('four'));
    expect(titles(memory.find('a'))).toEqual(['one', 'three', 'four']);
  });
  it('is read by the names of an earlier day', () => {
    const storage = storageOf();
    const { coalesceKey, notUndoable, ...rest } = entry('old');
    storage.setItem('jolly-beacon-under-way:a:000000001', JSON.stringify({ ...rest, thread: coalesceKey, lasting: notUndoable }));
    expect(tabMemory(() => storage).find('a')).toMatchObject([{ label: 'old', coalesceKey: null, notUndoable: false }]);
  });
  it('has as much as there is room for, and a storage that is shut throws nothing', () => {
    const storage = storageOf(900);
    const memory = tabMemory(() => storage);
    for (const title of ['one', 'two', 'three', 'four', 'five']) memory.add('a', entry(title));
    const kept = titles(memory.find('a'));
    expect(kept.length).toBeGreaterThan(0);
    expect(['one', 'two', 'three', 'four', 'five'].slice(0, kept.length)).toEqual(kept);
    const shut = tabMemory(() => {
      throw new DOMException('no', 'SecurityError');
    });
    expect(() => shut.add('a', entry('x'))).not.toThrow();
    expect(() => shut.keep('a', [entry('x')])).not.toThrow();
    expect(shut.find('a')).toEqual([]);
  });
});
