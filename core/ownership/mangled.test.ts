import { describe, expect, it } from 'vitest';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { pieceOfFile, proofFileFault, readPiece, recordName, type PieceRefusal, type ProofPiece } from './index.ts';

/** How panels, zone files, mails, other languages and owners' own hands write what an engine gave. */
const host = 'saltmere-boats.example';
const CODE = 'Qm9hdHM+L2tl/ZWxz==';
const PLAIN = '7f3ac91d20be4455';
const tag = (content: string, name = 'petrel-proof'): ProofPiece => ({ kind: 'tag', name, content });
const txt = (content: string, name = '@'): ProofPiece => ({ kind: 'txt', name, content });
const cname = (name: string, content: string): ProofPiece => ({ kind: 'cname', name, content });
const file = (name: string, content: string): ProofPiece => ({ kind: 'file', name, content });

const UNDERSTOOD: readonly (readonly [form: string, pasted: string, piece: ProofPiece])[] = [
  ['signs in the code', `<meta name="petrel-proof" content="${CODE}">`, tag(CODE)],
  ['a reference in the code, undone once', '<meta name="petrel-proof" content="a1&amp;b2&amp;amp;c3">', tag('a1&b2&amp;c3')],
  ['a numbered reference', '<meta name="petrel-proof" content="ab&#61;cd&#x3d;12">', tag('ab=cd=12')],
  ['quotes escaped by backslashes', `<meta name=\\"petrel-proof\\" content=\\"${PLAIN}\\" \\/>`, tag(PLAIN)],
  ['as a program quotes it', `"\\u003cmeta name=\\"petrel-proof\\" content=\\"${PLAIN}\\"\\u003e"`, tag(PLAIN)],
  ['full-width quotes', `<meta name＝＂petrel-proof＂ content＝＂${PLAIN}＂>`, tag(PLAIN)],
  ['corner brackets', `<meta name=「petrel-proof」 content=「${PLAIN}」>`, tag(PLAIN)],
  ['double corner brackets', `<meta name=『petrel-proof』 content=『${PLAIN}』>`, tag(PLAIN)],
  ['full-width angle brackets', `＜meta name="petrel-proof" content="${PLAIN}"＞`, tag(PLAIN)],
  ['low Japanese quotes', `<meta name=〝petrel-proof〟 content=〝${PLAIN}〟>`, tag(PLAIN)],
  ['escaped for a page', `&lt;meta name="petrel-proof" content="${PLAIN}" /&gt;`, tag(PLAIN)],
  ['a table with pipes', `| Type | Name | Value | TTL |\n| --- | --- | --- | --- |\n| TXT | @ | petrel=${PLAIN} | Auto |`, txt(`petrel=${PLAIN}`)],
  ['a table with tabs', `Type\tName\tContent\tTTL\nTXT\t_petrel\t${PLAIN}\t1 hour`, txt(PLAIN, '_petrel')],
  ['a table set with blanks', `TYPE   HOST   VALUE              TTL\nTXT    @      petrel=${PLAIN}   14400`, txt(`petrel=${PLAIN}`)],
  ['name in front in a table', `saltmere-boats.example\tTXT\tpetrel=${PLAIN}\t3600`, txt(`petrel=${PLAIN}`)],
  ['a CNAME in a table', `| CNAME | p1 | proof.petrel.example | 5 min |`, cname('p1', 'proof.petrel.example')],
  ['a zone line set in columns', `saltmere-boats.example.    3600    IN    TXT    "petrel=${PLAIN}"`, txt(`petrel=${PLAIN}`)],
  ['a zone line with a comment', `@ 3600 IN TXT petrel=${PLAIN} ; put there in June`, txt(`petrel=${PLAIN}`)],
  ['a zone line over several', `@ IN TXT ( "petrel="\n  "${PLAIN}" )`, txt(`petrel=${PLAIN}`)],
  ['the same with comments', `_petrel TXT (\n "${PLAIN.slice(0, 8)}" ; first\n "${PLAIN.slice(8)}" ; second\n)`, txt(PLAIN, '_petrel')],
  ['octets by number', '@ TXT "petrel\\061ab\\059cd12"', txt('petrel=ab;cd12')],
  ['an escaped semicolon', '@ TXT petrel=ab\\;cd12', txt('petrel=ab;cd12')],
  ['time with a unit', `@ 1h IN TXT "petrel=${PLAIN}"`, txt(`petrel=${PLAIN}`)],
  ['the name behind the type', `TXT @ "petrel=${PLAIN}"`, txt(`petrel=${PLAIN}`)],
  ['the domain twice', `_petrel.saltmere-boats.example.saltmere-boats.example. TXT "${PLAIN}"`, txt(PLAIN, '_petrel')],
  ['the bare domain twice', `saltmere-boats.example.saltmere-boats.example TXT "${PLAIN}"`, txt(PLAIN)],
  ['three hundred letters', `@ TXT "${'a1'.repeat(150)}"`, txt('a1'.repeat(150))],
  ['three hundred letters in two strings', `@ TXT "${'b2'.repeat(127)}" "${'c3'.repeat(23)}"`, txt('b2'.repeat(127) + 'c3'.repeat(23))],
  ['full-width colons', `Type：TXT\nName：@\nValue：petrel=${PLAIN}`, txt(`petrel=${PLAIN}`)],
  ['quoted by a panel', `Type: TXT\nName: "@"\nValue: "petrel=${PLAIN}"`, txt(`petrel=${PLAIN}`)],
  ['a sentence of the engine', `To prove that the site is yours, add a TXT record with the value petrel=${PLAIN} to its domain.`, txt(`petrel=${PLAIN}`)],
  [
    'the well-known folder',
    `Upload it as https://saltmere-boats.example/.well-known/petrel-7f3a.txt containing: ${PLAIN}`,
    file('.well-known/petrel-7f3a.txt', PLAIN),
  ],
  ['its path alone', `/.well-known/petrel-7f3a.txt\n${PLAIN}`, file('.well-known/petrel-7f3a.txt', PLAIN)],
  ['in curly quotes', `“petrel=${PLAIN}”`, txt(`petrel=${PLAIN}`)],
  ['labelled parts on one line', `Host: _petrel.saltmere-boats.example Type: TXT Value: ${PLAIN} TTL: 300`, txt(PLAIN, '_petrel')],
  ['a sentence that begins as a record does', `TXT record for saltmere-boats.example:\npetrel=${PLAIN}`, txt(`petrel=${PLAIN}`)],
  ['a colon and a blank without quotes', `@ TXT petrel: ${PLAIN}`, txt(`petrel: ${PLAIN}`)],
  ['an arrow', 'CNAME record:\np1 -> proof.petrel.example', cname('p1', 'proof.petrel.example')],
  ['beside a record for mail', `@ TXT "v=spf1 include:mail.example ~all"\n@ TXT "petrel=${PLAIN}"`, txt(`petrel=${PLAIN}`)],
  ['beside a place holder', `<meta name="petrel-proof" content="YOUR_CODE">\n<meta name="petrel-proof" content="${PLAIN}">`, tag(PLAIN)],
];
const REFUSED: readonly (readonly [pasted: string, reason: PieceRefusal])[] = [
  ['<meta name="petrel-proof" content="YOUR_VERIFICATION_CODE">', 'place-holder'],
  ['<meta name="petrel-proof" content="your-code-here">', 'place-holder'],
  ['<meta name="petrel-proof" content="[insert code]">', 'place-holder'],
  ['<meta name="petrel-proof" content="xxxxxxxxxxxx">', 'place-holder'],
  ['<meta name="petrel-proof" content="{{code}}">', 'place-holder'],
  ['@ TXT "petrel=<your token>"', 'place-holder'],
  ['<meta name="petrel-proof" content="{{ site.proof }}">', 'place-holder'],
  ['TXT record of petrel is missing', 'no-code'],
  ['TXT record:', 'no-code'],
  ['v=DKIM1; k=rsa; p=MIGfMA0GCSqGSIb3DQEB', 'mail-record'],
  [`<meta name="petrel-proof" content="${PLAIN}…">`, 'cut-off'],
  [`<meta name="petrel-proof" content="${PLAIN}...">`, 'cut-off'],
  [`@ TXT "petrel=${PLAIN}…"`, 'cut-off'],
  [`Type: TXT\nName: @\nValue: petrel=${PLAIN}...`, 'cut-off'],
  ['@ IN TXT "v=spf1 include:mail.example ~all"', 'mail-record'],
  ['Type: TXT\nName: @\nValue: v=spf1 -all', 'mail-record'],
  ['_dmarc TXT "v=DMARC1; p=none"', 'mail-record'],
  [`petrel-boats.example. TXT "petrel=${PLAIN}"`, 'other-domain'],
];
const SEVERAL: readonly (readonly [form: string, pasted: string, offers: readonly ProofPiece[]])[] = [
  ['two tags', `<meta name="petrel-proof" content="${PLAIN}"><meta name="skua-proof" content="${CODE}">`, [tag(PLAIN), tag(CODE, 'skua-proof')]],
  [
    'a tag or a record',
    `Either put <meta name="petrel-proof" content="${PLAIN}"> into your page, or set\n@ TXT "petrel=${PLAIN}"`,
    [tag(PLAIN), txt(`petrel=${PLAIN}`)],
  ],
  ['two records', `@ TXT "petrel=${PLAIN}"\np1 CNAME proof.petrel.example`, [txt(`petrel=${PLAIN}`), cname('p1', 'proof.petrel.example')]],
  [
    'one or the other',
    `TXT record:\npetrel=${PLAIN}\n\nor CNAME record:\np1 → proof.petrel.example`,
    [txt(`petrel=${PLAIN}`), cname('p1', 'proof.petrel.example')],
  ],
  ['rows of a panel', `TXT\t@\tpetrel=${PLAIN}\t3600\nTXT\t@\tskua=${PLAIN}\t3600\nTXT\t@\tv=spf1 -all\t3600`, [txt(`petrel=${PLAIN}`), txt(`skua=${PLAIN}`)]],
];
/** Dropped files: the name they have, what they are called for an engine, or why they are refused. */
const DROPPED: readonly (readonly [name: string, own: string | PieceRefusal])[] = [
  ['petrel7f3a (1).html', 'petrel7f3a.html'],
  ['petrel7f3a(2).html', 'petrel7f3a.html'],
  ['petrel7f3a.html.txt', 'petrel7f3a.html'],
  ['petrel7f3a.txt.txt', 'petrel7f3a.txt'],
  ['PetrelAuth.xml.txt', 'PetrelAuth.xml'],
  ['petrel7f3a (1).html.txt', 'petrel7f3a.html'],
  ['petrel7f3a - Copy.html', 'petrel7f3a.html'],
  ['petrel7f3a - Kopie (2).html', 'petrel7f3a.html'],
  ['petrel7f3a.html', 'petrel7f3a.html'],
  ['petrel.7f3a.html', 'petrel.7f3a.html'],
  ['my proof.html', 'file-path'],
  ['../petrel.html', 'file-path'],
  ['a/petrel.html', 'file-path'],
];

describe('what engines gave, as it arrives', () => {
  it.each(UNDERSTOOD)('is understood: %s', (_, pasted, piece) => expect(readPiece(pasted, { host })).toMatchObject({ ok: true, piece }));
  it.each(REFUSED)('%j is refused: %s', (pasted, reason) => expect(readPiece(pasted, { host })).toMatchObject({ ok: false, reason }));
  it.each(SEVERAL)('several are all offered: %s', (_, pasted, offers) =>
    expect(readPiece(pasted, { host })).toMatchObject({ ok: false, reason: 'several', offers }),
  );
  it.each(DROPPED)('a file dropped as %s', (name, own) => {
    const read = pieceOfFile(name, `petrel: ${PLAIN}`);
    expect(read.ok ? read.piece.name : read.reason).toBe(own);
    expect(read.ok && read.calledBefore).toBe(read.ok && own !== name ? name : read.ok && undefined);
  });
  it('stands in no folder but the one for what hosts are asked', () => {
    const fault = (name: string) => proofFileFault({ name, content: PLAIN }, () => false);
    expect([fault('.well-known/petrel.txt'), fault('.well-known/../petrel.txt'), fault('.well-known/a/b.txt'), fault('proofs/petrel.txt')]).toEqual([
      undefined,
      'file-path',
      'file-path',
      'file-path',
    ]);
  });
  it('a name is the domain’s own however often that stands behind it', () => {
    for (const times of [0, 1, 2, 3]) expect(recordName(`_p${`.${host}`.repeat(times)}`, host)).toBe('_p');
  });
  it('a paste of hundreds of thousands of letters is read in time that grows as it does', SLOW, () => {
    for (const unit of [
      '/a/b/c',
      'https://a.example/b/',
      '@ TXT a=b12345678\n',
      '_-',
      '| a ',
      '@ TXT "',
      'TXT ( ',
      '<meta ',
      'a/b.html ',
      `${PLAIN} `,
      '&lt;',
      '\\u003c',
      'petrel=',
      '"',
    ])
      expectInProportion({ small: 500, times: 8, make: (count) => unit.repeat(count), work: (text) => void readPiece(text, { host }) });
  });
});
