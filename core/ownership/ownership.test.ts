import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { escapeAttribute } from '../page/index.ts';
import { findProof, readPastedProof } from './index.ts';

const CODE = 'dBw5jvA-aCI_Hzh62fgC1T0pGq9Z';
const TAG = `<meta name="skerry-proof" content="${CODE}">`;

describe('what was pasted', () => {
  it.each([
    ['the whole tag', TAG, 'tag'],
    ['the tag closed with a slash', `<META content='${CODE}' name=Skerry-Proof />`, 'tag'],
    ['the tag without its end', TAG.slice(0, -1), 'tag'],
    ['the code alone', `  ${CODE}\n`, 'code'],
    ['a message around the tag', `Hello,\nplease add this to your home page:\n\n${TAG}\n\nSkerry`, 'text'],
    ['a message around the code', `Your code is "${CODE}", keep it safe.`, 'text'],
    ['curly quotation marks', `<meta name=“skerry-proof” content=“${CODE}”>`, 'tag'],
    ['escaped brackets', `&lt;meta name=&quot;skerry-proof&quot; content=&quot;${CODE}&quot;&gt;`, 'tag'],
    ['the tag twice', TAG + TAG, 'text'],
  ])('%s', (_, text, from) =>
    expect(readPastedProof(text, 'skerry-proof')).toMatchObject({ ok: true, name: 'skerry-proof', content: CODE, ...(from === 'text' ? {} : { from }) }),
  );
  it.each([
    ['', 'empty'],
    ['nothing of use here', 'no-code'],
    ['<meta name="other-proof" content="dBw5jvA-aCI_Hzh62fgC">', 'other-engine'],
    [`${TAG}<meta name="skerry-proof" content="another-code-1234567">`, 'several-tags'],
    ['<meta name="skerry-proof" content="">', 'no-content'],
    [`${CODE} or ${CODE}2`, 'several-tags'],
  ])('%j is refused: %s', (text, reason) => expect(readPastedProof(text, 'skerry-proof')).toEqual({ ok: false, reason }));
  it('never throws', () =>
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('<meta ', 'name=', 'content=', '"', '>', 'x', CODE, '&quot;') }),
        (text) => void readPastedProof(text, 'skerry-proof'),
      ),
    ));
  it('is understood whatever stands around it', () => {
    const around = fc.string({ unit: fc.constantFrom('a', ' ', '\n', '.', ',', 'é') });
    fc.assert(
      fc.property(
        around,
        around,
        (before, behind) => void expect(readPastedProof(`${before} ${TAG} ${behind}`, 'skerry-proof')).toMatchObject({ ok: true, content: CODE }),
      ),
    );
  });
});

describe('what the engine finds', () => {
  it.each([
    [`<head>${TAG}</head>`, 'verified'],
    ['<head></head>', 'not-found'],
    [`<head></head><body><div>${TAG}</div>`, 'in-body'],
    [`<head><p>x</p>${TAG}</head>`, 'in-body'],
    [`<head>${TAG.replace(CODE, escapeAttribute(TAG))}</head>`, 'altered'],
    [`<head>${TAG.replace(CODE, ` ${CODE}`)}</head>`, 'altered'],
    [`<!-- ${TAG} -->`, 'not-found'],
  ])('%s: %s', (html, kind) => expect(findProof(factsOf(html), 'skerry-proof', CODE).kind).toBe(kind));
});
