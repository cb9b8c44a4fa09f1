import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { MANIFEST_FORMAT, manifestSchema } from '../release/index.ts';
import { broughtUpToDate, type SavedFormat } from '../saved/index.ts';
import { applyChange, changeSchema, DOCUMENT_FORMAT, emptyDocument, journalEntrySchema, openDocument, type JournalEntry } from '../site/index.ts';
import { openProject, PROJECT_FORMAT } from './index.ts';

const fixture = (path: string): unknown => JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8')) as unknown;
type Tables = Readonly<Record<string, unknown>>;
const tablesOf = (saved: unknown): Tables => (saved as { tables: Tables }).tables;
const project = fixture('./fixtures/project-v1.json') as { manifest: object; document: { tables: Tables } };

/** Every saved format with a fixture of every version, and what opens it. */
const FORMATS: readonly { readonly format: SavedFormat; readonly fixtures: Readonly<Record<number, unknown>>; readonly opens: (saved: unknown) => boolean }[] =
  [
    {
      format: DOCUMENT_FORMAT,
      fixtures: Object.fromEntries([1, 2, 3, 4, 5, 6, 7].map((version) => [version, fixture(`../site/fixtures/document-v${version}.json`)])),
      opens: (saved) => {
        const opened = openDocument(saved);
        return opened.ok && (opened.aside?.length ?? 0) === 0;
      },
    },
    {
      format: MANIFEST_FORMAT,
      fixtures: {
        1: project.manifest,
        2: { ...project.manifest, version: 2 },
        3: { ...project.manifest, version: 3, hosting: { visitors: 'draft' } },
        4: { ...project.manifest, version: 4, files: { 'index.html': { hash: 'a', edits: [{ kind: 'no-markup' }] } } },
        5: {
          ...project.manifest,
          version: 5,
          files: { 'index.html': { hash: 'a', edits: [{ kind: 'snippet', id: 's', place: 'body-end', code: '<i></i>' }] } },
        },
        6: {
          ...project.manifest,
          version: 6,
          files: { 'index.html': { hash: 'a', edits: [{ kind: 'meta', name: 'x', content: 'y', beside: true }] } },
          hosting: { gone: '["a.html"]' },
        },
      },
      opens: (saved) => manifestSchema.safeParse(saved).success,
    },
    {
      format: PROJECT_FORMAT,
      fixtures: { 1: project, 2: { ...project, version: 2, history: { start: project.document, entries: [] }, aside: [] } },
      opens: (saved) => openProject(JSON.stringify(saved)).ok,
    },
  ];

describe.each(FORMATS)('$format.name', ({ format, fixtures, opens }) => {
  it('has a fixture of every version, and a migration from every version but the last', () => {
    const versions = Array.from({ length: format.version }, (_, at) => at + 1);
    expect(Object.keys(fixtures).map(Number)).toEqual(versions);
    expect(Object.keys(format.migrations).map(Number)).toEqual(versions.slice(0, -1));
  });
  it.each(Object.keys(fixtures).map(Number))('of version %d still opens', (version) => expect(opens(fixtures[version])).toBe(true));
  it('of a newer version is refused, and says so', () => {
    expect(opens({ ...(fixtures[format.version] as object), version: format.version + 1 })).toBe(false);
    expect(broughtUpToDate(format, { version: format.version + 1 })).toMatchObject({ ok: false, reason: 'newer-version' });
  });
});

describe('a site document of an earlier day', () => {
  it('keeps every word in it, whatever its tables are called now', () => {
    for (const version of [1, 2, 3, 4, 5]) {
      const saved = fixture(`../site/fixtures/document-v${version}.json`);
      const { doors, says, ...rest } = tablesOf(saved);
      const opened = openDocument(saved);
      expect(opened.ok && opened.document.tables).toEqual({
        ...emptyDocument().tables,
        ...rest,
        ...(doors === undefined ? {} : { siteSwitch: doors }),
        ...(says === undefined ? {} : { directives: says }),
      });
    }
  });
});

describe('a journal of an earlier day', () => {
  const old = (table: string, field: string, value: unknown) => ({ kind: 'set', table, key: '', field, value });
  const entry = {
    seq: 4,
    role: 'do',
    change: { kind: 'all', changes: [old('doors', 'open', false), { kind: 'all', changes: [old('doors', 'since', '2026-01-01')] }] },
    inverse: old('doors', 'open', null),
    at: '2026-11-20T10:00:00Z',
    label: 'The switch',
    thread: 't switch',
    lasting: false,
  };
  it('is read by the names of today, and does what it did', () => {
    const read: JournalEntry = journalEntrySchema.parse(entry);
    expect(read).toMatchObject({ coalesceKey: 't switch', notUndoable: false, inverse: { table: 'siteSwitch' } });
    expect(applyChange(emptyDocument(), read.change).tables.siteSwitch).toEqual({ '': { open: false, since: '2026-01-01' } });
    expect(journalEntrySchema.parse(read)).toEqual(read);
  });
  it('with a word that nobody knows is refused as ever', () => {
    expect(journalEntrySchema.safeParse({ ...entry, colour: 'red' }).success).toBe(false);
    expect(changeSchema.safeParse(old('constructor', 'open', true)).success).toBe(false);
  });
});

describe('a project file', () => {
  it('of version 1 is opened with all that was in it', () => {
    const opened = openProject(JSON.stringify(project));
    const { doors, ...tables } = project.document.tables;
    const document = { ...emptyDocument(), tables: { ...emptyDocument().tables, ...tables, siteSwitch: doors } };
    const manifest = { ...project.manifest, version: MANIFEST_FORMAT.version };
    expect(opened.ok && opened.project).toEqual({ ...project, version: PROJECT_FORMAT.version, manifest, document, start: document, entries: [], aside: [] });
  });
  it.each([
    ['{', 'not-a-project'],
    ['{"format":"other"}', 'not-a-project'],
    ['{"format":"jolly-beacon-project","version":99}', 'newer-version'],
    ['{"format":"jolly-beacon-project","version":1}', 'damaged'],
  ])('%s is refused: %s', (json, reason) => expect(openProject(json)).toMatchObject({ ok: false, reason }));
});
