import 'fake-indexeddb/auto';
import { createHash } from 'node:crypto';
import { zipSync, type Zippable } from 'fflate';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { applyChange, doEntry, emptyDocument, NOTHING_TO_UNDO, set } from '../../core/site/index.ts';
import { inflateEntry, listArchive, sameBytes } from '../../core/source/index.ts';
import { appendEntries, listAside, listFiles, loadDocument, loadHistory, openDatabase, type Database } from '../storage/index.ts';
import { oldZip } from '../../core/testing/zip.ts';
import { runs } from '../../core/testing/effort.ts';
import { Analyst } from './analyst.ts';
import type { Bringing } from './files-to-import.ts';
import { importSite, type BringingResult } from './import-site.ts';
import { written } from '../../core/release/index.ts';
import { bytesIn, outFiles, packProject, packZip } from './export-site.ts';

let db: Database;
let names = 0;
beforeEach(async () => {
  db = await openDatabase(`test-${++names}`);
});
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const take = (bringing: Bringing, change: { cancelled?: () => boolean; id?: string } = {}): Promise<BringingResult> =>
  importSite(bringing, {
    db,
    id: change.id ?? 's',
    now: () => new Date('2026-11-25T10:00:00Z'),
    hash: async (content) => createHash('sha256').update(content).digest('hex'),
    progress: () => undefined,
    cancelled: change.cancelled ?? (() => false),
  });
const archive = (files: Zippable, name = 'my-site.zip'): Bringing => ({ kind: 'archive', name, bytes: zipSync(files) });

const SITE = {
  'site/index.html': bytes('<html lang=en><title>Bindery</title><a href=a.html>a</a>'),
  'site/a.html': Uint8Array.from('<title>Caf\xe9</title>', (c) => c.charCodeAt(0)),
  'site/p.gif': Uint8Array.from([71, 73, 70, 0, 255]),
  'site/.git/config': bytes('x'),
  'site/robots.txt': bytes('User-agent: *\n'),
};

/** A ZIP whose entries say that they are locked. */
function locked(zip: Uint8Array): Uint8Array {
  const made = zip.slice();
  made.forEach((_, at) => {
    const [p, k, kind] = made.subarray(at, at + 3);
    if (p === 0x50 && k === 0x4b && (kind === 1 || kind === 3)) made[at + (kind === 1 ? 8 : 6)] = 1;
  });
  return made;
}

async function unpack(blob: Blob): Promise<Map<string, Uint8Array>> {
  const zip = new Uint8Array(await blob.arrayBuffer());
  const listing = listArchive(zip);
  if (!listing.ok) throw new Error(listing.reason);
  return new Map(
    listing.entries.map((entry) => {
      const file = inflateEntry(zip, entry);
      return [entry.path, file.ok ? file.bytes : new Uint8Array()];
    }),
  );
}
async function analyst(): Promise<Analyst> {
  const one = new Analyst(db, 's', () => 0, new Map());
  await one.open(
    (await loadDocument(db, 's')).document,
    () => undefined,
    () => false,
  );
  return one;
}

describe('bringing a site in', () => {
  it('takes the one folder around it away, leaves tools’ files out, and knows its name', async () => {
    const result = await take(archive(SITE));
    expect(result.ok && result.site).toMatchObject({ name: 'Bindery', from: 'archive', unread: [] });
    expect((await listFiles(db, 's')).map((file) => file.path)).toEqual(['a.html', 'index.html', 'p.gif', 'robots.txt']);
    expect((await loadDocument(db, 's')).document.tables.facts['']).toEqual({
      siteName: 'Bindery',
      nameSure: false,
      mainAddress: 'https://my-site.example',
      language: 'en',
    });
  });
  it('lists what it could not read, and takes the rest', async () => {
    const result = await take(archive({ 'index.html': bytes('<p>'), '../x': bytes('x'), 'bomb.txt': [new Uint8Array(4_000_000), { level: 9 }] }));
    expect(result.ok && result.site.unread).toEqual([
      { path: '../x', reason: 'climbs-out' },
      { path: 'bomb.txt', reason: 'absurd-ratio' },
    ]);
  });
  it('stopped in the middle leaves nothing behind', async () => {
    let asked = 0;
    const result = await take(archive(Object.fromEntries(Array.from({ length: 300 }, (_, index) => [`${index}.html`, bytes('<p>')]))), {
      cancelled: () => ++asked > 150,
    });
    expect(result).toEqual({ ok: false, reason: 'cancelled' });
    expect([await db.count('sites'), await db.count('files'), await db.count('pages'), await db.count('documents')]).toEqual([0, 0, 0, 0]);
  });
  it.each<[string, Bringing, string]>([
    ['no ZIP', { kind: 'archive', name: 'x', bytes: bytes('nonsense') }, 'not-a-zip'],
    ['an empty ZIP', archive({}), 'nothing-in-it'],
    ['pictures alone', archive({ 'a.jpg': bytes('x'), 'b/c.png': bytes('x') }), 'pictures-only'],
    ['what a site is made of', archive({ 'index.md': bytes('# x'), 'package.json': bytes('{}') }), 'no-pages'],
    ['one that is locked', { kind: 'archive', name: 'x', bytes: locked(zipSync({ 'index.html': bytes('<p>') })) }, 'encrypted'],
    ['half of one', { kind: 'archive', name: 'x', bytes: zipSync(SITE).slice(0, 400) }, 'cut-off'],
    ['a newer project', archive({ 'project.json': bytes('{"format":"jolly-beacon-project","version":9}') }), 'newer-version'],
  ])('refuses %s', async (_, bringing, reason) => {
    expect(await take(bringing)).toEqual({ ok: false, reason });
    expect(await db.count('sites')).toBe(0);
  });
  it('offers the ZIP that lies in a ZIP, and takes it', async () => {
    const inner = zipSync(SITE);
    const bringing = archive({ 'download/my-site.zip': inner, 'download/read me.txt': bytes('x') });
    expect(await take(bringing)).toEqual({ ok: false, reason: 'zip-inside', inside: ['my-site.zip'] });
    const result = await take({
      ...bringing,
      bytes: zipSync({ 'download/my-site.zip': inner, 'download/read me.txt': bytes('x') }),
      inside: 'my-site.zip',
    } as Bringing);
    expect(result.ok && result.site).toMatchObject({ name: 'Bindery', from: 'archive' });
    expect((await listFiles(db, 's')).map(({ path }) => path)).toContain('a.html');
  });
  it('takes programs that make pages for pages where they hold one', async () => {
    await take(
      archive({
        'index.html': bytes('<a href=/about.php>a</a>'),
        'about.php': bytes('<?php $a = 1 ?><!doctype html><html><title>About</title><h1>About us</h1><?php foot() ?></html>'),
        'mail.php': bytes('<?php mail("x") ?>'),
        'old/page.shtml': bytes('<title>Old</title><!--#include file="x" -->'),
        'x.asp': bytes('<%@ language %><html><title>Asp</title></html>'),
      }),
    );
    const one = await analyst();
    expect(one.whole().rows.map(({ id }) => id)).toEqual(['index.html', 'about.php', 'old/page.shtml', 'x.asp']);
    expect(one.survey.otherFiles().map(({ path }) => path)).toEqual(['mail.php']);
    const change = set('pages', 'about.php', 'title', 'About the bindery');
    one.update(applyChange((await loadDocument(db, 's')).document, change), change);
    const out = await unpack((await packZip(outFiles(bytesIn(db, 's', 0), one.survey.workingCopy(), one.files), new Date(2026, 10, 25))).zip);
    expect(new TextDecoder().decode(out.get('about.php'))).toBe(
      '<?php $a = 1 ?><!doctype html><html><title>About the bindery</title><h1>About us</h1><?php foot() ?></html>',
    );
  });
  it('begins a new site with a bare home page', async () => {
    await take({ kind: 'empty', name: 'New site' });
    expect((await analyst()).survey.releaseItems().map((item) => item.path)).toEqual(['index.html']);
  });
});

describe('putting files out', () => {
  it('with nothing changed gives every byte back, whatever the bytes', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.dictionary(fc.stringMatching(/^[a-c]{1,3}\.(html|txt|gif)$/), fc.uint8Array({ maxLength: 300 }), { minKeys: 1, maxKeys: 6 }),
        async (files) => {
          db = await openDatabase(`test-${++names}`);
          if (!(await take(archive(files))).ok) return;
          const one = await analyst();
          const { zip } = await packZip(outFiles(bytesIn(db, 's', 0), one.survey.workingCopy(), one.files), new Date(2026, 10, 25));
          const out = await unpack(zip);
          expect([...out.keys()].sort()).toEqual(Object.keys(files).sort());
          for (const [path, content] of Object.entries(files)) expect(sameBytes(out.get(path) as Uint8Array, content)).toBe(true);
        },
      ),
      { numRuns: runs(25) },
    );
  });
  it('gives names in an old code page back octet by octet, straight and by way of a project; a moved file has a new name', async () => {
    const files = {
      'index.html': '<title>A</title>',
      'K{94}ln/B{81}cher.html': '<title>B</title>',
      'K{94}ln/w{84}hle.html': '<title>C</title>',
      'K{94}ln/b.gif': 'GIF',
    };
    await take({ kind: 'archive', name: 'x.zip', bytes: oldZip(files) });
    const rawNames = async (id: string): Promise<string[]> => {
      const one = new Analyst(db, id, () => 0, new Map());
      const { document } = await loadDocument(db, id);
      await one.open(
        document,
        () => undefined,
        () => false,
      );
      const change = set('pages', 'Köln/wähle.html', 'ending', 'choose');
      one.update(applyChange(document, change), change);
      const zip = new Uint8Array(
        await (await packZip(outFiles(bytesIn(db, id, 0), one.survey.workingCopy(), one.files), new Date(2026, 10, 25))).zip.arrayBuffer(),
      );
      const listing = listArchive(zip);
      if (!listing.ok) throw new Error(listing.reason);
      for (const entry of listing.entries) expect(inflateEntry(zip, entry).ok).toBe(true);
      return listing.entries
        .filter(({ path }) => !path.endsWith('.txt') && !path.endsWith('.xml'))
        .map(({ path, oldName }) => (oldName ? Buffer.from(oldName).toString('latin1') : path));
    };
    const expected = ['K\x94ln/B\x81cher.html', 'K\x94ln/b.gif', 'Köln/choose.html', 'Köln/wähle.html', 'index.html'];
    expect((await rawNames('s')).sort()).toEqual(expected.sort());
    const one = await analyst();
    const { document } = await loadDocument(db, 's');
    const blob = await packProject(db, 's', { name: 'x', savedAt: '', document, manifest: null }, one.files, new Date(2026, 10, 25));
    expect((await take({ kind: 'archive', name: 'x.beacon', bytes: new Uint8Array(await blob.arrayBuffer()) }, { id: 't' })).ok).toBe(true);
    expect((await rawNames('t')).sort()).toEqual(expected);
  });
  it('changes the one page that was changed, and no other file', async () => {
    await take(archive(SITE));
    const one = await analyst();
    const change = set('pages', 'a.html', 'title', 'Café & Škola');
    one.update(applyChange((await loadDocument(db, 's')).document, change), change);
    const out = await unpack((await packZip(outFiles(bytesIn(db, 's', 0), one.survey.workingCopy(), one.files), new Date(2026, 10, 25))).zip);
    expect(Buffer.from(out.get('a.html') as Uint8Array).toString('latin1')).toBe('<title>Caf&#xE9; &amp; &#x160;kola</title>');
    for (const path of ['index.html', 'p.gif', 'robots.txt'] as const) expect(sameBytes(out.get(path) as Uint8Array, SITE[`site/${path}`])).toBe(true);
    expect(await one.diff('a.html', false)).toEqual([{ oldStart: 1, newStart: 1, lines: ['+<title>Caf&#xE9; &amp; &#x160;kola</title>'] }]);
  });
  it('leaves a page alone that cannot take what was meant, and says why', () => {
    const page = bytes('<title>never closed');
    expect(written(page, [{ kind: 'description', text: 'x' }])).toEqual({
      bytes: page,
      left: [{ edit: { kind: 'description', text: 'x' }, reason: 'head-cannot-take-it' }],
    });
  });
  it('as a project brings its history, and what could not be read', async () => {
    await take(archive(SITE));
    const one = await analyst();
    const steps = ['A', 'AB', 'ABC'].map((text, at) => {
      const change = set('pages', 'a.html', 'title', text);
      const { seq: _, ...entry } = doEntry(emptyDocument(), change, { seq: 0, at: new Date(at * 60_000).toISOString(), label: text, undo: NOTHING_TO_UNDO });
      return { ...entry, inverse: set('pages', 'a.html', 'title', at === 0 ? null : 'ABC'.slice(0, at)) };
    });
    await appendEntries(db, 's', steps);
    const aside = [{ table: 'worth', key: 'x', value: { worth: 'much' }, problem: 'not a number' }];
    const { document } = await loadDocument(db, 's');
    const { start, entries } = await loadHistory(db, 's');
    const project = { name: 'Mine', savedAt: '', document, history: { start, entries: [...entries] }, aside, manifest: null };
    const blob = await packProject(db, 's', project, one.files, new Date(2026, 10, 25));
    expect((await take({ kind: 'archive', name: 'x.beacon', bytes: new Uint8Array(await blob.arrayBuffer()) }, { id: 't' })).ok).toBe(true);
    const back = await loadDocument(db, 't');
    expect([back.document, back.undo.undo.map((step) => step.label)]).toEqual([document, ['A', 'AB', 'ABC']]);
    expect(await listAside(db, 't')).toMatchObject(aside);
  });
  it('as a project whose history does not lead to its document keeps the document', async () => {
    await take(archive(SITE));
    const one = await analyst();
    const document = applyChange(emptyDocument(), set('pages', 'a.html', 'title', 'Mine'));
    const project = { name: 'Mine', savedAt: '', document, history: { start: emptyDocument(), entries: [] }, manifest: null };
    const blob = await packProject(db, 's', project, one.files, new Date(2026, 10, 25));
    await take({ kind: 'archive', name: 'x.beacon', bytes: new Uint8Array(await blob.arrayBuffer()) }, { id: 't' });
    expect((await loadDocument(db, 't')).document).toEqual(document);
  });
  it('as a project without its files keeps the words', async () => {
    const document = applyChange(emptyDocument(), set('pages', 'a.html', 'title', 'Mine'));
    const blob = await packProject(db, 'nobody', { name: 'Mine', savedAt: '', document, manifest: null }, [], new Date(2026, 10, 25));
    const result = await take({ kind: 'archive', name: 'x.beacon', bytes: new Uint8Array(await blob.arrayBuffer()) }, { id: 't' });
    expect([result.ok, (await loadDocument(db, 't')).document]).toEqual([true, document]);
  });
  it('as a project comes back as the same site', async () => {
    await take(archive(SITE));
    const one = await analyst();
    const { document } = await loadDocument(db, 's');
    const changed = applyChange(document, set('pages', 'a.html', 'title', 'Kept'));
    const blob = await packProject(
      db,
      's',
      { name: 'My name', savedAt: '2026-11-25T10:00:00Z', document: changed, manifest: one.manifestFor(1) },
      one.files,
      new Date(2026, 10, 25),
    );
    const result = await take({ kind: 'archive', name: 'x.beacon', bytes: new Uint8Array(await blob.arrayBuffer()) }, { id: 't' });
    expect(result.ok && result.site).toMatchObject({ name: 'My name', from: 'project' });
    expect((await loadDocument(db, 't')).document).toEqual(changed);
    expect((await listFiles(db, 't')).map(({ path, hash, modified }) => ({ path, hash, modified }))).toEqual(
      (await listFiles(db, 's')).map(({ path, hash, modified }) => ({ path, hash, modified })),
    );
  });
});

it('another main address says before it is taken how many pages follow, and changes nothing by looking', async () => {
  const page = (more: string): Uint8Array =>
    bytes(`<html lang=en><head><title>T</title>${more}</head><body><h1>T</h1><a href="/a.html">a</a> <a href="/b.html">b</a>`);
  await take(
    archive({
      'index.html': page('<link rel=canonical href="https://a.example/">'),
      'a.html': page('<link rel=canonical href="https://a.example/a.html">'),
      'b.html': page(''),
      'c.html': page('<link rel=canonical href="https://elsewhere.example/c.html">'),
    }),
  );
  const one = await analyst();
  const before = JSON.stringify(one.whole());
  expect(await one.mainAddressEffect('https://b.example')).toEqual({ follow: 2, shut: [] });
  expect(JSON.stringify(one.whole())).toBe(before);
});
