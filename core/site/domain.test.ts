import { describe, expect, it } from 'vitest';
import { neededRecords, readDomain, recordsDomain, unicodeHost, zoneLines } from './index.ts';

const A63 = 'a'.repeat(63);

/** Names as people type them; how they are asked for; how they are read; the domain whose records they need. */
const NAMES: readonly [typed: string, ascii: string, unicode?: string | undefined, domain?: string][] = [
  ['quill.example', 'quill.example'],
  [' HTTPS://Quill.Example/path?x ', 'quill.example'],
  ['http://quill.example:8080/', 'quill.example'],
  ['quill.example.', 'quill.example'],
  ['quill.example#top', 'quill.example'],
  ['www.quill.example', 'www.quill.example', undefined, 'quill.example'],
  ['books.quill.example', 'books.quill.example', undefined, 'quill.example'],
  ['a.b.c.quill.example', 'a.b.c.quill.example', undefined, 'quill.example'],
  ['bücher.example', 'xn--bcher-kva.example', 'bücher.example'],
  ['BÜCHER.example', 'xn--bcher-kva.example', 'bücher.example'],
  ['xn--bcher-kva.example', 'xn--bcher-kva.example', 'bücher.example'],
  ['製本.example', 'xn--8pvr66e.example', '製本.example'],
  ['製本。example', 'xn--8pvr66e.example', '製本.example'],
  ['faß.example', 'xn--fa-hia.example', 'faß.example'],
  ['переплёт.example', 'xn--e1aasncer3j.example', 'переплёт.example'],
  ['کتاب.example', 'xn--mgbce12c.example', 'کتاب.example'],
  ['ｑｕｉｌｌ.example', 'quill.example'],
  ['quill.co.uk', 'quill.co.uk'],
  ['www.quill.co.uk', 'www.quill.co.uk', undefined, 'quill.co.uk'],
  ['books.quill.co.uk', 'books.quill.co.uk', undefined, 'quill.co.uk'],
  ['quill.com.au', 'quill.com.au'],
  ['books.quill.com.br', 'books.quill.com.br', undefined, 'quill.com.br'],
  ['quill.city.kawasaki.jp', 'quill.city.kawasaki.jp', undefined, 'city.kawasaki.jp'],
  ['a.quill.kobe.jp', 'a.quill.kobe.jp', undefined, 'a.quill.kobe.jp'],
  ['quill.公司.cn', 'quill.xn--55qx5d.cn', 'quill.公司.cn'],
  ['quill.saltmere-host.example', 'quill.saltmere-host.example'],
  ['1.example', '1.example'],
  ['123.quill.example', '123.quill.example', undefined, 'quill.example'],
  [`${A63}.example`, `${A63}.example`],
];

/** What is typed and is no name that a site can have, and why. */
const NONE: readonly (readonly [typed: string, reason: string])[] = [
  ['', 'empty'],
  ['   ', 'empty'],
  ['https://', 'empty'],
  ['localhost', 'one-label'],
  ['quill', 'one-label'],
  ['a b.example', 'characters'],
  ['a_b.example', 'characters'],
  ['a..example', 'characters'],
  ['.quill.example', 'characters'],
  ['me@quill.example', 'characters'],
  ['quill.exa%6dple', 'characters'],
  ['-a.example', 'hyphens'],
  ['a-.example', 'hyphens'],
  [`${'a'.repeat(64)}.example`, 'label-long'],
  [`${'a.'.repeat(130)}example`, 'name-long'],
  ['127.0.0.1', 'number'],
  ['0x7f.1', 'number'],
  ['2130706433.', 'number'],
  ['[::1]', 'number'],
  ['co.uk', 'suffix'],
  ['kobe.jp', 'suffix'],
  ['quill.kobe.jp', 'suffix'],
  ['www.saltmere-host.example', 'reserved'],
  ['a.b.saltmere-host.example', 'reserved'],
  ['saltmere-host.example', 'reserved'],
  ['sites.saltmere-host.example', 'reserved'],
];

describe('a domain name', () => {
  it.each(NAMES)('%s is asked for as %s', (typed, ascii, unicode = ascii, domain = ascii) => {
    expect(readDomain(typed)).toEqual({ ok: true, name: { ascii, unicode } });
    expect(recordsDomain(ascii)).toBe(domain);
  });
  it.each(NAMES)('%s is the same however it is read back', (_, ascii, unicode = ascii) => {
    expect(readDomain(unicode)).toEqual(readDomain(ascii));
  });
  it.each(NONE)('is none: %j', (typed, reason) => expect(readDomain(typed)).toEqual({ ok: false, reason }));
  it('is read back as people write it', () =>
    expect([unicodeHost('xn--bcher-kva.example'), unicodeHost('xn--.example')]).toEqual(['bücher.example', 'xn--.example']));
});

const APEX = ['@ A 127.0.0.1', '@ AAAA none'];
const ALIAS = 'CNAME sites.saltmere-host.example';
it.each([
  ['quill.example', [...APEX, `www ${ALIAS}`]],
  ['www.quill.example', [`www ${ALIAS}`, ...APEX]],
  ['books.quill.example', [`books ${ALIAS}`]],
  ['www.books.quill.example', [`www.books ${ALIAS}`, `books ${ALIAS}`]],
  ['quill.co.uk', [...APEX, `www ${ALIAS}`]],
  ['books.quill.co.uk', [`books ${ALIAS}`]],
  ['quill.saltmere-host.example', []],
])('what %s needs', (host, needed) => expect(neededRecords(host).map(({ name, type, value = 'none' }) => `${name} ${type} ${value}`)).toEqual(needed));

it.each(NAMES)('the lines that are copied for %s say that they are for practice', (_, ascii) => {
  const lines = zoneLines(neededRecords(ascii), 3600);
  // A zone file takes what stands behind a semicolon for a remark (RFC 1035, 5.1).
  if (/127\.0\.0\.1|saltmere-host/.test(lines)) expect(lines).toMatch(/^; For practice only/);
});
