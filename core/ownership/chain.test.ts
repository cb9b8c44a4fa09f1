import { describe, expect, it } from 'vitest';
import { readPage } from '../page/index.ts';
import { fileSteps, givenFor, looksLikeProofFile, proofLosses, provingTags, recordStep, tagSteps, type ProofPiece, type Proving } from './index.ts';

const CODE = 'k3J9-fQ2_zzT0a';
const facts = (html: string) => {
  const reading = readPage(new TextEncoder().encode(html));
  if (!reading.ok) throw new Error('unreadable');
  return reading.facts;
};
const tag = (content = CODE, name = 'plinth-site'): string => `<meta name="${name}" content="${content}">`;
const piece: ProofPiece = { kind: 'tag', name: 'plinth-site', content: CODE };
const short = (steps: readonly { readonly step: string; readonly state: string }[]): string => steps.map(({ step, state }) => `${step} ${state}`).join(', ');

describe('what a page says of a tag, step by step', () => {
  const GOOD = 'in-head good, to-the-letter good, once good';
  it.each([
    [`<title>a</title>${tag()}<p>b`, GOOD],
    [`<META NAME='Plinth-Site' CONTENT='${CODE}'>`, GOOD],
    [`<title>a</title>${tag()}${tag('another-code-1')}`, GOOD],
    [`<title>a</title>${tag()}${tag()}`, 'in-head good, to-the-letter good, once note'],
    [`<title>a</title>${tag(` ${CODE} `)}`, 'in-head good, to-the-letter note, once good'],
    [`<title>a</title><p>b${tag()}`, 'in-head bad, to-the-letter good, once good'],
    [`<title>a</title>${tag()}<p>b${tag()}`, 'in-head good, to-the-letter good, once note'],
    [`<title>a</title>${tag(CODE.toUpperCase())}`, 'in-head good, to-the-letter bad'],
    [`<title>a</title>${tag(CODE.slice(0, 8))}`, 'in-head good, to-the-letter bad'],
    [`<title>a</title>${tag('another-code-1')}`, 'in-head good, to-the-letter bad'],
    [`<title>a</title><p>${tag('another-code-1')}`, 'in-head bad, to-the-letter bad'],
    ['<title>a</title><p>b', 'in-head bad'],
    [`<title>a</title><!-- ${tag()} -->`, 'in-head bad'],
    [`<title>a</title><script>${tag()}</script>`, 'in-head bad'],
    [`<title>a</title><template>${tag()}</template>`, 'in-head bad'],
    [`<title>a</title><noscript>${tag()}</noscript>`, 'in-head bad'],
    ['', 'in-head bad'],
  ])('%s: %s', (html, steps) => expect(short(tagSteps(facts(html), piece))).toBe(steps));
  it('of a page that cannot be read: nowhere', () => expect(tagSteps(undefined, piece)).toEqual([{ step: 'in-head', state: 'bad', where: 'nowhere' }]));
});

describe('what a host sends of a file', () => {
  const file: ProofPiece = { kind: 'file', name: 'plinth12.html', content: 'plinth-site: plinth12.html' };
  it.each([
    [file.content, 'text/html', 'file-text good, file-type good'],
    [file.content, 'text/html; charset=utf-8', 'file-text good, file-type good'],
    [`${file.content}\n`, 'text/html', 'file-text note, file-type good'],
    [`${file.content}\r\n`, 'text/html', 'file-text note, file-type good'],
    [` ${file.content}`, 'text/html', 'file-text bad, file-type good'],
    [`<html>${file.content}`, 'text/html', 'file-text bad, file-type good'],
    ['', 'text/html', 'file-text bad, file-type good'],
    [file.content, 'application/octet-stream', 'file-text good, file-type note'],
    [file.content, '', 'file-text good, file-type note'],
  ])('%j as %j: %s', (text, type, steps) => expect(short(fileSteps(text, type, file))).toBe(steps));
});

describe('what a name server says of a record', () => {
  const txt: ProofPiece = { kind: 'txt', name: '@', content: `plinth=${CODE}` };
  const alias: ProofPiece = { kind: 'cname', name: 'k3', content: 'verify.plinth.example' };
  it.each([
    [txt, { found: [txt.content] }, 'good'],
    [txt, { found: ['v=spf1 -all', ` ${txt.content}`] }, 'good'],
    [txt, { found: ['v=spf1 -all'] }, 'bad'],
    [txt, { found: [txt.content.toUpperCase()] }, 'bad'],
    [txt, { failed: 'none' as const }, 'bad'],
    [txt, { failed: 'no-such-name' as const }, 'bad'],
    [txt, { failed: 'no-answer' as const }, 'unknown'],
    [alias, { found: ['Verify.plinth.example.'] }, 'good'],
    [alias, { found: ['verify.plinth.example.quill.example'] }, 'bad'],
  ])('%j, answered %j: %s', (wanted, answer, state) => expect(recordStep('ns1', answer, wanted).state).toBe(state));
});

describe('what a proof was given for, by the words around it', () => {
  const at = { kind: 'tag' as const, name: 'plinth-site', content: CODE };
  it.each([
    [`For https://www.quill.example/ place this: ${tag()}`, at, 'variant www.quill.example'],
    [`Property: www.quill.example\n${tag()}`, at, 'variant www.quill.example'],
    [`Add to https://books.quill.example/: ${tag()}`, at, 'name books.quill.example'],
    [`Verify your site other.example with ${tag()}`, at, 'domain other.example'],
    [`For https://quill.example/shop/ only: ${tag()}`, at, 'address quill.example/shop/'],
    [`For https://quill.example/: ${tag()}`, at, undefined],
    [`For quill.example ${tag()}`, at, undefined],
    [tag(), at, undefined],
    // An engine's own addresses, and where mail goes.
    [`See https://plinth.example/help/proofs. ${tag()}`, at, undefined],
    [`Questions? Write to help@plinth.example. ${tag()}`, at, undefined],
    [`Write to maren@quill.example. ${tag()}`, at, undefined],
    [`For quill.example, more at https://plinth.example/a/b ${tag()}`, at, undefined],
    [
      'Upload plinth12.html so that https://quill.example/plinth12.html opens',
      { kind: 'file' as const, name: 'plinth12.html', content: 'plinth-site: plinth12.html' },
      undefined,
    ],
    [
      'For www.quill.example upload plinth12.html',
      { kind: 'file' as const, name: 'plinth12.html', content: 'plinth-site: plinth12.html' },
      'variant www.quill.example',
    ],
    // A record stands at the domain, and counts for every name below it.
    [`For https://www.quill.example/ TXT plinth=${CODE}`, { kind: 'txt' as const, name: '@', content: `plinth=${CODE}` }, undefined],
    [`Domain: other.example TXT plinth=${CODE}`, { kind: 'txt' as const, name: '@', content: `plinth=${CODE}` }, 'domain other.example'],
  ])('%j: %3$s', (pasted, piece, told) => {
    const given = givenFor(pasted, piece, 'quill.example');
    expect(given && `${given.what} ${given.named}`).toBe(told);
  });
});

describe('proofs that a release would lose', () => {
  it.each([
    ['plinth12ab.html', 'plinth-site: plinth12ab.html', true],
    ['plinth12ab.txt', CODE + CODE, true],
    // A name may have no figure in it, and a code no other.
    ['skerry-mpckhqmzaxzu.html', `skerry-proof: ${CODE}${CODE}`, true],
    ['plinth-abcdefgh.html', 'plinth-site: plinth-abcdefgh.html', true],
    ['plinth-abcdefgh.html', `plinth-proof: ${'abcdefgh'.repeat(3)}`, true],
    ['.well-known/plinth1.txt', `plinth1 ${CODE}${CODE}`, true],
    ['a1b2c3d4e5.txt', 'a1b2c3d4e5', false],
    ['about-us-2020.html', '<title>About us</title><p>Since 2020 we have bound books in this town, by hand and with care.', false],
    ['robots.txt', `x ${CODE}${CODE}`, false],
    ['journal/plinth12.html', 'plinth-site: plinth12.html', false],
    ['readme1.txt', 'Read this first.', false],
  ])('%s with %j looks like a proof: %s', (path, text, is) => expect(looksLikeProofFile(path, text)).toBe(is));
  it('are told from metas that pages have anyway', () =>
    expect(
      provingTags(
        facts(
          `<title>a</title><meta name=viewport content="width=device-width"><meta name=description content="abcdefghij1"><meta name=csrf-token content="${CODE}"><meta name=somebot content=noindex><meta property="og:x" content="${CODE}">${tag()}<p>${tag('in-the-body-1')}`,
        ),
      ),
    ).toEqual([{ name: 'plinth-site', content: CODE }]));

  const proving = (tags: readonly string[], files: Readonly<Record<string, string>> = {}): Proving => ({
    tags: tags.map((one) => ({ name: one.split('=')[0] ?? '', content: one.split('=')[1] ?? '' })),
    files,
  });
  const still = { hides: false, moves: false };
  it.each([
    [['a=1'], ['a=1'], still, ''],
    [['a=1'], [], still, 'a removed'],
    [['a=1'], ['a=2'], still, 'a altered'],
    [['a=1', 'a=2'], ['a=1'], still, 'a removed'],
    [['a=1'], ['a=1', 'a=2'], still, ''],
    [[], ['a=1'], still, ''],
    [['a=1'], ['a=1'], { hides: true, moves: false }, 'a hidden'],
    [['a=1'], ['a=1'], { hides: false, moves: true }, 'a elsewhere'],
    [['a=1'], [], { hides: true, moves: true }, 'a removed'],
  ])('tags %j, then %j with %j: %s', (before, now, how, told) =>
    expect(
      proofLosses(proving(before), proving(now), how)
        .map(({ name, why }) => `${name} ${why}`)
        .join(', '),
    ).toBe(told),
  );
  it('tell files too', () => {
    const before = proving([], { 'p1.html': 'x', 'p2.html': 'y', 'p3.html': 'z' });
    expect(proofLosses(before, proving([], { 'p1.html': 'x', 'p2.html': 'Y' }), still).map(({ name, why }) => `${name} ${why}`)).toEqual([
      'p2.html altered',
      'p3.html removed',
    ]);
  });
});
