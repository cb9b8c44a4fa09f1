import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing/effort.ts';
import {
  all,
  applyChange,
  changeSchema,
  differenceOf,
  doEntry,
  emptyDocument,
  fieldsOf,
  fold,
  guessNames,
  journalEntrySchema,
  LONGEST_KEY,
  NOTHING_TO_UNDO,
  openDocument,
  replay,
  set,
  TABLES,
  undoEntry,
  whyNot,
  type Change,
  type JournalEntry,
  type SiteDocument,
  type Table,
  type UndoState,
} from './index.ts';
import { factsOf } from '../testing/html.ts';

const WORDS = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 20 }),
  fc.constantFrom('', '__proto__', 'constructor', '\ud800', '\u0000', 'a\nb', 'a.html\nb', ' ', '-0'),
  fc.constantFrom(10_000, 10_001, LONGEST_KEY, LONGEST_KEY + 1).map((length) => 'x'.repeat(length)),
);
/** Any setting of any field of any table, to any value: many of them cannot be made. */
const anySetting: fc.Arbitrary<Change> = fc.constantFrom(...(Object.keys(TABLES) as Table[])).chain((table) =>
  fc.record({
    kind: fc.constant('set' as const),
    table: fc.constant(table),
    key: fc.oneof(fc.constant(''), WORDS),
    field: fc.oneof({ weight: 8, arbitrary: fc.constantFrom(...Object.keys(TABLES[table].shape)) }, { weight: 1, arbitrary: WORDS }),
    value: fc.oneof(
      WORDS,
      fc.constant(null),
      fc.boolean(),
      fc.double(),
      fc.integer({ min: -1, max: 60_000 }),
      fc.constantFrom('list', 'out', 'yes', 'none', 'self', 'page', 'below'),
    ),
  }),
);
const anyChange = fc.oneof(
  anySetting,
  fc.array(anySetting, { maxLength: 4 }).map((changes): Change => ({ kind: 'all', changes })),
);

/** What the browser's database, a project file and another tab do to a value. */
const throughJson = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

function commit(state: { document: SiteDocument; undo: UndoState; journal: JournalEntry[] }, change: Change, at: string): typeof state {
  if (whyNot(change) !== undefined) return state;
  const entry = doEntry(state.document, change, { seq: state.journal.length, at, label: 'x', undo: state.undo });
  return { document: applyChange(state.document, entry.change), undo: fold(state.undo, entry), journal: [...state.journal, entry] };
}
const START = { document: emptyDocument(), undo: NOTHING_TO_UNDO, journal: [] as JournalEntry[] };

describe('what commits can always be read', () => {
  it('saved, sent, exported, imported and undone', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 6 }), (changes) => {
        const state = changes.reduce((sum, change, at) => commit(sum, change, new Date(at * 10_000).toISOString()), START);
        for (const entry of state.journal) {
          expect(journalEntrySchema.safeParse(structuredClone(entry)).success).toBe(true);
          expect(journalEntrySchema.safeParse(throughJson(entry)).success).toBe(true);
        }
        const journal = throughJson(state.journal).map((entry) => journalEntrySchema.parse(entry));
        expect(replay(emptyDocument(), NOTHING_TO_UNDO, journal).document).toEqual(throughJson(state.document));
        expect(openDocument(throughJson(state.document))).toEqual({ ok: true, document: throughJson(state.document) });
        let { document, undo } = state;
        for (let entry = undoEntry(undo, { seq: 0, at: '' }); entry; entry = undoEntry(undo, { seq: 0, at: '' })) {
          document = applyChange(document, entry.change);
          undo = fold(undo, entry);
        }
        expect(document).toEqual(emptyDocument());
      }),
      { numRuns: runs(2000) },
    );
  });
  it('and what cannot be kept is told before it is made', () => {
    expect(whyNot(set('pages', 'a.html', 'title', 'x'))).toBeUndefined();
    expect(whyNot({ kind: 'set', table: 'worth', key: 'x'.repeat(LONGEST_KEY + 1), field: 'worth', value: 1 })).toBeDefined();
    expect(whyNot({ kind: 'set', table: 'crawlers', key: '__proto__', field: 'note', value: 'x' })).toBeDefined();
    expect(() => applyChange(emptyDocument(), { kind: 'set', table: 'crawlers', key: '__proto__', field: 'note', value: 'x' })).toThrow(RangeError);
  });
});

describe('ten thousand keys in one text', () => {
  const SENTENCE = 'a'.repeat(10_000);
  /** Typed at so many milliseconds a key. */
  function typed(pause: number, keys: number, field: 'title' | 'phrase'): { document: SiteDocument; undo: UndoState; journal: JournalEntry[] } {
    let { document, undo }: { document: SiteDocument; undo: UndoState } = START;
    const journal: JournalEntry[] = [];
    for (let key = 1; key <= keys; key++) {
      const change = set('pages', 'p.html', field, SENTENCE.slice(0, key));
      const entry = doEntry(document, change, { seq: key, at: new Date(key * pause).toISOString(), label: 'x', coalesceKey: 't', undo });
      document = applyChange(document, entry.change);
      undo = fold(undo, entry);
      journal.push(entry);
    }
    return { document, undo, journal };
  }
  it('are steps of a few seconds, each flat, and one undo takes back a step', () => {
    const { document, undo } = typed(20, 10_000, 'title');
    expect(undo.undo.length).toBeGreaterThan(9);
    for (const step of undo.undo) expect([fieldsOf(step.change).length, fieldsOf(step.inverse).length, step.entries <= 200]).toEqual([1, 1, true]);
    const entry = undoEntry(undo, { seq: 0, at: '' }) as JournalEntry;
    expect(JSON.stringify(entry).length).toBeLessThan(25_000);
    expect(applyChange(document, entry.change).tables.pages['p.html']?.title).toHaveLength(9_800);
  });
  it('end a step at a pause, and after a while, in whatever field', () => {
    expect(typed(2_001, 5, 'phrase').undo.undo).toHaveLength(5);
    expect(typed(1_000, 42, 'phrase').undo.undo).toHaveLength(2);
    expect(typed(100, 100, 'phrase').undo.undo).toHaveLength(1);
  });
  it('are read again from the journal with the same steps', () => {
    const { document, undo, journal } = typed(30, 2_000, 'title');
    expect(replay(emptyDocument(), NOTHING_TO_UNDO, throughJson(journal))).toEqual({ document, undo });
  });
});

/** What the program wrote before steps had bounds: each key nested the undo of the one before. */
function nestedUndo(keys: number): JournalEntry[] {
  const entries: JournalEntry[] = [];
  let inverse: Change | undefined;
  let done: Change | undefined;
  for (let key = 1; key <= keys; key++) {
    const change = set('facts', '', 'siteName', 'n'.repeat(key));
    const back = set('facts', '', 'siteName', key === 1 ? null : 'n'.repeat(key - 1));
    entries.push({ seq: key, role: 'do', change, inverse: back, at: '2026-11-01T00:00:00Z', label: 'x', coalesceKey: 't', notUndoable: false });
    inverse = inverse ? { kind: 'all', changes: [back, inverse] } : back;
    done = done ? { kind: 'all', changes: [done, change] } : change;
  }
  return [
    ...entries,
    { seq: keys + 1, role: 'undo', change: inverse as Change, inverse: done as Change, at: '', label: 'x', coalesceKey: null, notUndoable: false },
  ];
}

describe('a journal of earlier days', () => {
  it('opens however deeply its undo is nested', () => {
    const journal = nestedUndo(9_000).map((entry) => journalEntrySchema.parse(entry));
    const { document, undo } = replay(emptyDocument(), NOTHING_TO_UNDO, journal);
    expect(document).toEqual(emptyDocument());
    expect([undo.undo.length, undo.redo.length]).toEqual([0, 1]);
    expect(changeSchema.parse(undo.redo[0]?.change)).toEqual(set('facts', '', 'siteName', 'n'.repeat(9_000)));
  });
});

describe('changes', () => {
  it('put together say of each field the last word only, and do the same', () => {
    fc.assert(
      fc.property(
        fc.array(
          anySetting.filter((change) => whyNot(change) === undefined),
          { maxLength: 8 },
        ),
        (changes) => {
          const one = all(changes);
          expect(applyChange(emptyDocument(), one)).toEqual(changes.reduce(applyChange, emptyDocument()));
          expect(fieldsOf(one).length).toBe(new Set(fieldsOf(one).map(({ table, key, field }) => JSON.stringify([table, key, field]))).size);
        },
      ),
    );
  });
  it('are told between any two documents, over every table', () => {
    const documents = fc
      .array(
        anySetting.filter((change) => whyNot(change) === undefined),
        { maxLength: 6 },
      )
      .map((changes) => changes.reduce(applyChange, emptyDocument()));
    fc.assert(
      fc.property(documents, documents, (before, after) => {
        expect(applyChange(before, differenceOf(before, after))).toEqual(after);
        expect(fieldsOf(differenceOf(after, throughJson(after)))).toEqual([]);
      }),
    );
  });
});

describe('a saved document with something wrong in it', () => {
  const good = applyChange(
    emptyDocument(),
    all([set('pages', 'a.html', 'title', 'A'), set('facts', '', 'siteName', 'Bindery'), set('pages', 'b.html', 'intent', 'out')]),
  );
  it('opens without it, and tells what it was', () => {
    const damaged = throughJson(good) as unknown as { tables: Record<string, Record<string, unknown>> };
    (damaged.tables['pages'] as Record<string, Record<string, unknown>>)['a.html'] = { title: 7, description: 'kept' };
    (damaged.tables['facts'] as Record<string, Record<string, unknown>>)['']!['colour'] = 'red';
    damaged.tables['nonsense'] = { x: { y: 1 } };
    (damaged.tables['claims'] as Record<string, unknown>)['skerry'] = 'no record';
    const opened = openDocument(damaged);
    if (!opened.ok) throw new Error(opened.detail);
    expect(opened.document.tables).toEqual({
      ...emptyDocument().tables,
      pages: { 'a.html': { description: 'kept' }, 'b.html': { intent: 'out' } },
      facts: { '': { siteName: 'Bindery' } },
    });
    expect(opened.aside?.map(({ table, key, value }) => [table, key, value])).toEqual([
      ['facts', '', { colour: 'red' }],
      ['pages', 'a.html', { title: 7 }],
      ['claims', 'skerry', 'no record'],
      ['nonsense', 'x', { y: 1 }],
    ]);
  });
  it('sets aside an address of a page that is no path: no whole address can be made of it', () => {
    const damaged = throughJson(good) as unknown as { tables: Record<string, Record<string, unknown>> };
    (damaged.tables['pages'] as Record<string, Record<string, unknown>>)['b.html'] = { intent: 'out', address: 'product event' };
    const opened = openDocument(damaged);
    expect(opened).toMatchObject({ ok: true, aside: [{ table: 'pages', key: 'b.html', value: { address: 'product event' } }] });
    expect(opened.ok && opened.document.tables.pages['b.html']).toEqual({ intent: 'out' });
  });
  it('keeps everything that was right, whatever stands beside it', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 3 }), fc.constantFrom(...(Object.keys(TABLES) as Table[])), (nonsense, table) => {
        const damaged = throughJson(good) as unknown as { tables: Record<string, Record<string, unknown>> };
        damaged.tables[table] = { ...damaged.tables[table], wrong: nonsense };
        const opened = openDocument(damaged);
        if (!opened.ok) throw new Error(opened.detail);
        expect(opened.document.tables.pages).toMatchObject(good.tables.pages);
        expect(opened.document.tables.facts).toMatchObject(good.tables.facts);
        expect(openDocument(opened.document)).toEqual({ ok: true, document: opened.document });
      }),
    );
  });
});

describe('what a site is called', () => {
  const page = (html: string) => factsOf(html);
  const named = (title: string) => page(`<title>${title}</title>`);
  it.each([
    ['the name that pages give themselves', page('<title>Home</title><meta property="og:site_name" content="Salzer">'), [named('a | X')], 'Salzer'],
    [
      'the part that titles share',
      named('Welcome'),
      [named('Prices | Harbour Choir'), named('Dates | Harbour Choir'), named('About | Harbour Choir')],
      'Harbour Choir',
    ],
    ['the shared part at the front', named('PgDoc: Index'), [named('PgDoc : A'), named('PgDoc : B'), named('PgDoc : C')], 'PgDoc'],
    ['what the logo says', page('<title>Home</title><img src="/img/logo.svg" alt="Logo of Tide & Timber">'), [], 'Tide & Timber'],
    ['the first part of the home page’s title that is no leftover', named('Home | Salzer & Sohn'), [], 'Salzer & Sohn'],
  ])('is %s', (_what, home, others, name) => expect(guessNames(home, others)[0]).toBe(name));
  it('is left open where nothing says so: never the file’s name, and never a template’s', () => {
    expect(guessNames(named('Untitled'), [named('Home'), named('New page')])).toEqual([]);
    expect(guessNames(undefined, [])).toEqual([]);
    // Two pages that share a part are too few to tell.
    expect(guessNames(undefined, [named('a | B'), named('c | B')])).toEqual([]);
  });
});
