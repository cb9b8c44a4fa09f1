import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { pieceOfFile, readPiece, recordName, type PieceRefusal, type ProofPiece } from './index.ts';

const CODE = 'dBw5jvA-aCI_Hzh62fgC1T0pGq9Z';
const TAG = `<meta name="plover-check" content="${CODE}">`;
const options = { host: 'quillfeather.example' };
const known = { ...options, tagName: 'skerry-proof' };
const tag: ProofPiece = { kind: 'tag', name: 'plover-check', content: CODE };
const txt = (content: string, name = '@'): ProofPiece => ({ kind: 'txt', name, content });
const cname = (name: string, content: string): ProofPiece => ({ kind: 'cname', name, content });
const file = (name: string, content: string): ProofPiece => ({ kind: 'file', name, content });

/** Forms in which engines, panels and mails give what is to be placed. */
const FORMS: readonly (readonly [form: string, pasted: string, piece: ProofPiece])[] = [
  // Tags.
  ['the tag', TAG, tag],
  ['closed with a slash', `<meta name="plover-check" content="${CODE}" />`, tag],
  ['capitals, other order, single quotes', `<META CONTENT='${CODE}' NAME='Plover-Check'>`, tag],
  ['no quotes', `<meta name=plover-check content=${CODE}>`, tag],
  ['no end', TAG.slice(0, -1), tag],
  ['curly quotes', `<meta name=“plover-check” content=“${CODE}”>`, tag],
  ['German quotes', `<meta name=„plover-check“ content=„${CODE}“>`, tag],
  ['guillemets', `<meta name=«plover-check» content=«${CODE}»>`, tag],
  ['entities', `&lt;meta name=&quot;plover-check&quot; content=&quot;${CODE}&quot;&gt;`, tag],
  ['numbered entities', `&#60;meta name=&#34;plover-check&#34; content=&#34;${CODE}&#34;&#62; &lt;`, tag],
  ['over three lines', `<meta\n  name="plover-check"\n  content="${CODE}">`, tag],
  ['quoted-printable', `<meta name=3D"plover-check" content=3D"${CODE.slice(0, 10)}=\n${CODE.slice(10)}">`, tag],
  ['quoted in a mail', `> Hello,\n> ${TAG}\n> Bye`, tag],
  ['in a fence of code', `\`\`\`html\n${TAG}\n\`\`\``, tag],
  ['in backticks', `Put \`${TAG}\` into your head.`, tag],
  ['a mail', `Dear owner,\n\nplease paste this between <head> and </head>:\n\n${TAG}\n\nThe Plover team`, tag],
  [
    'a whole head',
    `<head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>x</title>${TAG}<meta property="og:title" content="x"></head>`,
    tag,
  ],
  ['twice the same', TAG + TAG, tag],
  ['with invisible characters', `\ufeff<meta name="plover-check"\u00a0content="${CODE.slice(0, 4)}\u200b${CODE.slice(4)}">`, tag],
  ['Windows line ends', `Here:\r\n${TAG}\r\n`, tag],
  ['beside a script', `${TAG}<script>var a = 1</script>`, tag],
  ['a code with signs', '<meta name="plover-check" content="a1b2+c3/d4==">', { ...tag, content: 'a1b2+c3/d4==' }],
  // Records, as a zone file has them.
  ['zone line', `quillfeather.example. 3600 IN TXT "plover-site=${CODE}"`, txt(`plover-site=${CODE}`)],
  ['zone line with @', `@ IN TXT "plover-site=${CODE}"`, txt(`plover-site=${CODE}`)],
  ['zone line without class', `@ 300 TXT plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  ['type and data alone', `TXT "plover-site=${CODE}"`, txt(`plover-site=${CODE}`)],
  ['several strings', `@ TXT "plover-site=${CODE.slice(0, 8)}" "${CODE.slice(8)}"`, txt(`plover-site=${CODE}`)],
  ['an escaped quote', '@ TXT "a \\"b\\" c"', txt('a "b" c')],
  ['below the domain', `_plover.quillfeather.example. IN TXT "${CODE}"`, txt(CODE, '_plover')],
  ['a relative name', `_plover TXT "${CODE}"`, txt(CODE, '_plover')],
  ['CNAME', 'a1b2c3.quillfeather.example. 3600 IN CNAME verify.plover.example.', cname('a1b2c3', 'verify.plover.example')],
  ['relative CNAME', 'a1b2c3 CNAME verify.plover.example', cname('a1b2c3', 'verify.plover.example')],
  // Records, as panels show them.
  ['panel', `Type: TXT\nName: @\nValue: plover-site=${CODE}\nTTL: 3600`, txt(`plover-site=${CODE}`)],
  ['host and content', `Host: quillfeather.example\nType: TXT\nContent: "plover-site=${CODE}"`, txt(`plover-site=${CODE}`)],
  ['www twin of the name', `Type: TXT\nHost: www\nValue: ${CODE}`, txt(CODE, 'www')],
  ['record name and record value', `Record type: TXT\nRecord name: _plover\nRecord value: ${CODE}`, txt(CODE, '_plover')],
  ['values on the next line', `Type: TXT\nHost:\n@\nValue:\nplover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  ['tabs', `Type\tTXT\nName\t@\nValue\t${CODE}`, txt(CODE)],
  ['alias and target', 'Type: CNAME\nAlias: abc123\nTarget: verify.plover.example.', cname('abc123', 'verify.plover.example')],
  ['points to', 'Add a CNAME record.\nHost: abc123.quillfeather.example\nPoints to: verify.plover.example', cname('abc123', 'verify.plover.example')],
  ['German panel', `Typ: TXT\nName: @\nWert: plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  ['French panel', `Type : TXT\nNom : @\nValeur : plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  ['Spanish panel', `Tipo: TXT\nNombre: @\nValor: plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  // Records in a sentence.
  ['a sentence', `Add this TXT record to your domain: plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  ['a sentence with blanks', `Add this TXT record to your domain: plover-site = ${CODE}`, txt(`plover-site=${CODE}`)],
  ['a sentence in quotes', `Create a DNS record of type TXT that says "${CODE}" and come back.`, txt(CODE)],
  ['the pair alone', `plover-site=${CODE}`, txt(`plover-site=${CODE}`)],
  // Files.
  ['a file and what it contains', `Upload a file named plover-a1b2c3.html containing: ${CODE}`, file('plover-a1b2c3.html', CODE)],
  ['content in quotes', 'Create plover1a2b.txt with the content "plover-site: 1a2b3c4d"', file('plover1a2b.txt', 'plover-site: 1a2b3c4d')],
  ['name and line', `Download plover-a1b2c3.html\n\nplover-check: plover-a1b2c3.html`, file('plover-a1b2c3.html', 'plover-check: plover-a1b2c3.html')],
  ['an address', `Make it reachable at https://quillfeather.example/plover-a1b2c3.txt\nContent: ${CODE}`, file('plover-a1b2c3.txt', CODE)],
  ['XML', `Save as PloverAuth.xml with this text: <users><user>${CODE}</user></users>`, file('PloverAuth.xml', `<users><user>${CODE}</user></users>`)],
  ['German', `Datei plover99.html mit dem Inhalt: ${CODE}`, file('plover99.html', CODE)],
  ['French', `Fichier plover99.html, contenu : ${CODE}`, file('plover99.html', CODE)],
  ['code below the name', `plover-a1b2c3.txt\n${CODE}`, file('plover-a1b2c3.txt', CODE)],
];
/** With the name of the tag known, a bare code will do. */
const CODES: typeof FORMS = [
  ['the code', CODE, { kind: 'tag', name: 'skerry-proof', content: CODE }],
  ['white space around', `  ${CODE}\n`, { kind: 'tag', name: 'skerry-proof', content: CODE }],
  ['a sentence', `Your code is "${CODE}", keep it safe.`, { kind: 'tag', name: 'skerry-proof', content: CODE }],
  ['its tag among others', `${TAG}<meta name="skerry-proof" content="${CODE}">`, { kind: 'tag', name: 'skerry-proof', content: CODE }],
  ['the tag of another, which is that one’s', TAG, tag],
];
const REFUSED: readonly (readonly [string, PieceRefusal])[] = [
  ['', 'empty'],
  [' \n\u200b ', 'empty'],
  ['nothing of use here', 'no-code'],
  ['<script async src="https://tags.plover.example/t.js?id=P-12345678"></script>', 'script'],
  ['<script>window.plover=window.plover||[];plover.push("P-1234567890123456")</script>', 'script'],
  ['<!-- start --><script type="text/javascript" src="//x.example/a.js"></script><!-- end -->', 'script'],
  [`${TAG}<meta name="plover-check" content="another-code-1234567">`, 'several'],
  [`${TAG}<meta name="third-proof" content="another-code-1234567">`, 'several'],
  ['<meta name="plover-check" content="">', 'no-content'],
  ['<meta name="plover-check">', 'no-content'],
  ['<meta charset="utf-8"><meta name="viewport" content="width=device-width">', 'no-code'],
  ['<meta property="og:title" content="Quillfeather">', 'no-code'],
  [CODE, 'code-alone'],
  [`${CODE} or ${CODE}2`, 'several'],
  ['Upload the file plover-a1b2c3.html to your server.', 'file-alone'],
  ['Upload plover1111.html or plover2222.html', 'several'],
  [`other.example. 3600 IN TXT "plover-site=${CODE}"`, 'other-domain'],
  ['Type: CNAME\nName: abc.other-site.com\nValue: verify.plover.example', 'other-domain'],
  ['Add a CNAME record to your domain.', 'no-content'],
  ['https://quillfeather.example/', 'no-code'],
];

describe('what an engine gave', () => {
  it.each(FORMS)('%s', (_, pasted, piece) => expect(readPiece(pasted, options)).toMatchObject({ ok: true, piece }));
  it.each(CODES)('where the tag is known: %s', (_, pasted, piece) => expect(readPiece(pasted, known)).toMatchObject({ ok: true, piece }));
  it.each(REFUSED)('%j is refused: %s', (pasted, reason) => expect(readPiece(pasted, options)).toMatchObject({ ok: false, reason }));
  it('a dropped file stays byte for byte what it is', () => {
    expect(pieceOfFile('plover99.html', ` ${CODE}\r\n`)).toMatchObject({ ok: true, piece: file('plover99.html', ` ${CODE}\r\n`) });
    expect(pieceOfFile('../x.html', CODE)).toMatchObject({ ok: false, reason: 'file-path' });
    expect(pieceOfFile('a.html', ' ')).toMatchObject({ ok: false, reason: 'no-content' });
  });
  it.each([
    ['@', '@'],
    ['', '@'],
    ['quillfeather.example', '@'],
    ['quillfeather.example.', '@'],
    ['_plover.quillfeather.example.', '_plover'],
    ['_plover', '_plover'],
    ['www.quillfeather.example', 'www'],
    ['other.example.', undefined],
    ['other.example', undefined],
    ['a b', undefined],
  ])('the record name %j is %j', (written, name) => expect(recordName(written, 'www.quillfeather.example')).toBe(name));
  it('is understood whatever words stand around it, and nothing takes long or throws', () => {
    const words = fc
      .array(fc.constantFrom('please', 'add', 'the', 'following', 'to', 'your', 'site', 'Grüße', '\n', '>', '—', ','), { maxLength: 20 })
      .map((list) => list.join(' '));
    fc.assert(
      fc.property(words, words, (before, behind) => {
        expect(readPiece(`${before}\n${TAG}\n${behind}`, options)).toMatchObject({ ok: true, piece: tag });
      }),
    );
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom('<meta ', 'name=', 'content=', '"', '>', 'TXT', '@', '\n', ':', CODE, '=3D', '&quot;', 'a.html', ' ') }),
        (text) => {
          readPiece(text, options);
        },
      ),
    );
  });
  it.each(['<meta ', '"', 'TXT ', 'a.html ', 'Name: ', '> ', '=\n', 'x'.repeat(40)])('takes time in proportion to what was pasted: %s', SLOW, (unit) =>
    expectInProportion({ small: 500, times: 8, make: (count) => unit.repeat(count), work: (text) => void readPiece(text, options) }),
  );
});
