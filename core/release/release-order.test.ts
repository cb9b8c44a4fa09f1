import { describe, expect, it } from 'vitest';
import { beingSent, broughtInManifest, IDLE, MANIFEST_FORMAT, prepared, putOut, type Manifest } from './index.ts';

const title = (text: string) => ({ kind: 'title' as const, text });
const manifest = (number: number): Manifest => ({
  version: MANIFEST_FORMAT.version,
  number,
  files: {
    'a.html': { hash: 'a', edits: [title('A')] },
    'b.html': { hash: 'b', edits: [title('B')], to: 'moved.html' },
    'c.pdf': { hash: 'c', edits: [] },
  },
  own: { 'robots.txt': 'x' },
  hosting: { visitors: 'draft' },
  listed: ['a.html', 'b.html'],
  changedAt: { 'a.html': 5 },
});

describe('the order of a release', () => {
  it('sends and remembers what was prepared, whatever is prepared afterwards', () => {
    const first = prepared(manifest(1), new Map());
    expect(beingSent(first)).toEqual(manifest(1));
    const out = putOut(first);
    expect(out).toEqual({ order: IDLE, manifest: manifest(1) });
    // One that was given up half-way gives way to the next.
    expect(putOut(prepared(manifest(3), new Map())).manifest.number).toBe(3);
  });
  it('remembers none that was not prepared, and none twice', () => {
    expect(() => beingSent(IDLE)).toThrow('no release was prepared');
    expect(() => putOut(putOut(prepared(manifest(1), new Map())).order)).toThrow('no release was prepared');
  });
  it('does not claim that an edit went out which could not be made, by the place its page goes to', () => {
    const meant = manifest(1);
    const { files } = beingSent(prepared(meant, new Map([['moved.html', meant.files['b.html']?.edits ?? []]])));
    expect(files).toEqual({ ...manifest(1).files, 'b.html': { hash: 'b', edits: [], to: 'moved.html' } });
  });
});

describe('a site as it was brought in', () => {
  it('is live as it came, but for what was made since', () => {
    expect(broughtInManifest(manifest(0), new Set(['b.html']))).toEqual({
      ...manifest(0),
      own: {},
      hosting: {},
      changedAt: {},
      listed: ['a.html'],
      files: { 'a.html': { hash: 'a', edits: [] }, 'c.pdf': { hash: 'c', edits: [] } },
    });
  });
});
