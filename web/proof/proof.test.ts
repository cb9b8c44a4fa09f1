import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pieceWords } from '../../core/wording/index.ts';
import { SAYINGS } from '../../core/page/index.ts';
import { expectGoodWords } from '../../core/testing/sentences.ts';
import { testSite } from '../../core/testing/site.ts';
import { applyChange, claimsOf, emptyDocument, invert } from '../../core/site/index.ts';
import { placeable, placeProof, proofKey, readFor } from './placing.ts';
import { kindsOf, toggled, type Scope } from './scope.ts';
import { PLACE_NAMES, changedWords, REFUSALS, WARNINGS, partsWords } from './snippet-wording.ts';

const CODE = 'a1B2c3D4e5F6g7H8i9J0';
const AT = '2026-11-25T10:00:00Z';

describe('what an engine gave', () => {
  it.each([
    ['the tag', `<meta name="skerry-proof" content="${CODE}">`],
    ['the code alone, of an engine that is known', CODE],
    ['a sentence around the tag', `Add this: <meta name="skerry-proof" content="${CODE}"> to your home page.`],
  ])('%s is the same proof for Skerry, in any spelling of its name', (_, pasted) => {
    for (const engine of ['Skerry', ' skerry ', 'SKERRY']) {
      const read = readFor(engine, pasted, 'a.example');
      expect(read).toMatchObject({ ok: true, piece: { kind: 'tag', name: 'skerry-proof', content: CODE } });
      if (read.ok) expect(proofKey(engine, read.piece)).toBe('skerry');
    }
  });
  it('as a code alone is not guessed at where nobody knows what the engine calls its tag', () =>
    expect(readFor('Another', CODE, 'a.example')).toMatchObject({ ok: false, reason: 'code-alone' }));
  it('as a file never stands over what is there: it is refused, with its name and what to do', () => {
    const read = readFor('Another', 'Upload about.html with the content: code-1a2b3c4d5e6f7a8b', 'a.example');
    expect(placeable(read, false)).toEqual(read);
    const refused = placeable(read, true);
    expect(refused).toMatchObject({ ok: false, reason: 'file-taken', found: 'about.html' });
    if (!refused.ok) expectGoodWords(pieceWords(refused));
  });
  it('is placed once, however often, and taken back whole; another one stays', () => {
    const pieces = fc.record({
      engine: fc.constantFrom('Skerry', 'Plover', 'Another one'),
      piece: fc.record({
        kind: fc.constantFrom('tag' as const, 'file' as const, 'txt' as const),
        name: fc.constantFrom('x', 'y.html'),
        content: fc.constantFrom('a', 'b'),
      }),
    });
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 6 }), (placed) => {
        let document = emptyDocument();
        for (const { engine, piece } of placed) {
          const change = placeProof(document.tables.claims, engine, piece, AT);
          const after = applyChange(document, change);
          expect(applyChange(after, invert(document, change))).toEqual(document);
          expect(applyChange(after, placeProof(after.tables.claims, engine, piece, AT))).toEqual(after);
          document = after;
        }
        // A file of a name is there once, as the last one says; of tags and records each stays.
        const wanted = new Map(
          placed.map(({ engine, piece }) => [`${proofKey(engine, piece)}${piece.kind === 'file' ? '' : ` ${piece.content}`}`, piece.content]),
        );
        const there = claimsOf(document).map(({ id, kind, content }) => `${id.replace(/ \d$/, '')}${kind === 'file' ? '' : ` ${content}`}`);
        expect(there.sort()).toEqual([...wanted.keys()].sort());
      }),
    );
  });
});

describe('a snippet', () => {
  it('tells what it is made of, and whom it talks to', () => {
    expect(partsWords([{ what: 'foreign-script' }, { what: 'noscript' }] as never, ['stats.example'])).toBe(
      'A script and a part for browsers without scripts. It talks to stats.example.',
    );
    expect(partsWords([{ what: 'inline-script', length: 1_200 }] as never, [])).toBe('1,200 characters of code. It names no host it talks to.');
  });
  it('says every reason and place in good words', () =>
    expectGoodWords(
      ...Object.values(PLACE_NAMES),
      ...Object.values(WARNINGS),
      ...Object.values(REFUSALS).filter(Boolean),
      ...SAYINGS.map((saying) => changedWords([saying])),
    ));
  it('is on the pages that were pressed an odd number of times', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('post', 'page', 'tag'), { maxLength: 12 }), (presses) => {
        const scope = presses.reduce<Scope>(toggled, { by: 'kinds', on: [] });
        const odd = ['post', 'page', 'tag'].filter((kind) => presses.filter((one) => one === kind).length % 2 === 1);
        expect([...scope.on].sort()).toEqual(odd.sort());
      }),
    );
  });
  it('can be on any kind that the site has', () => {
    const rows = [...testSite({ 'index.html': '<title>A</title>', 'tag/x.html': '<title>X</title>', 'tag/y.html': '<title>Y</title>' }).survey.rows()];
    const kinds = new Map(kindsOf(rows));
    expect([...kinds.values()].reduce((sum, count) => sum + count, 0)).toBe(3);
    for (const [kind, count] of kinds) expect(rows.filter((row) => row.kind === kind)).toHaveLength(count);
  });
});
