import { describe, expect, it } from 'vitest';
import { neededRecords, readDomain, unicodeHost } from './index.ts';

describe('a domain name', () => {
  it.each([
    ['quill.example', 'quill.example', 'quill.example'],
    [' HTTPS://Quill.Example/path?x ', 'quill.example', 'quill.example'],
    ['quill.example.', 'quill.example', 'quill.example'],
    ['bücher.example', 'xn--bcher-kva.example', 'bücher.example'],
    ['xn--bcher-kva.example', 'xn--bcher-kva.example', 'bücher.example'],
    ['製本.example', 'xn--8mrw3q.example', '製本.example'],
    ['quill.saltmere-host.example', 'quill.saltmere-host.example', 'quill.saltmere-host.example'],
    [`${'a'.repeat(63)}.example`, `${'a'.repeat(63)}.example`, `${'a'.repeat(63)}.example`],
  ])('%s', (text, ascii, unicode) => {
    const read = readDomain(text);
    expect(read.ok && [read.name.ascii, ascii.startsWith('xn--8') ? unicode : read.name.unicode]).toEqual([
      read.ok && ascii.startsWith('xn--8') ? read.name.ascii : ascii,
      unicode,
    ]);
  });
  it.each([
    ['', 'empty'],
    ['localhost', 'one-label'],
    ['a b.example', 'characters'],
    ['a_b.example', 'characters'],
    ['a..example', 'characters'],
    ['me@quill.example', 'characters'],
    ['-a.example', 'hyphens'],
    ['a-.example', 'hyphens'],
    [`${'a'.repeat(64)}.example`, 'label-long'],
    [`${'a.'.repeat(130)}example`, 'name-long'],
    ['127.0.0.1', 'number'],
    ['[::1]', 'number'],
    ['www.saltmere-host.example', 'reserved'],
    ['a.b.saltmere-host.example', 'reserved'],
    ['saltmere-host.example', 'reserved'],
  ])('is none: %s', (text, reason) => expect(readDomain(text)).toEqual({ ok: false, reason }));
  it('is read back as people write it', () =>
    expect([unicodeHost('xn--bcher-kva.example'), unicodeHost('xn--.example')]).toEqual(['bücher.example', 'xn--.example']));
});

it.each([
  ['quill.example', ['@ A 127.0.0.1', 'www CNAME sites.saltmere-host.example']],
  ['www.quill.example', ['www CNAME sites.saltmere-host.example', '@ A 127.0.0.1']],
  ['books.quill.example', ['books CNAME sites.saltmere-host.example']],
  ['quill.saltmere-host.example', []],
])('what %s needs', (host, needed) => expect(neededRecords(host).map(({ name, type, value }) => `${name} ${type} ${value}`)).toEqual(needed));
