import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, set } from '../site/index.ts';
import { hostingFrom, hostingOf, serverBlockLines, serverWishes, withServerBlock } from './index.ts';

const rules = serverBlockLines({
  redirects: [{ from: '/a/', to: '/b/' }],
  headers: [{ id: 'h', path: '.pdf', match: 'ends', values: ['noindex'] } as never],
  gone: [],
  leads: 'https://www.a.example',
});

describe('a file of server rules', () => {
  it('holds the variants that lead, the redirects and the headers', () => {
    expect(rules).toContain('RewriteCond %{HTTP_HOST} !^www\\.a\\.example$ [NC]');
    expect(rules).toContain('RedirectMatch 301 "^/a/$" "/b/"');
    expect(rules).toContain('Header add X-Robots-Tag "noindex"');
    expect(serverBlockLines({ redirects: [], headers: [], leads: undefined, gone: [] })).toBe('');
    expect(serverBlockLines({ redirects: [], headers: [], leads: 'http://a.example', gone: [] })).not.toContain('HTTPS');
  });
  // Each of these was read by the server itself as it stands here: `server/real-web-server.test.ts`, where one is installed.
  it.each([
    ['/old%20a/', '/new%20a/', 'RedirectMatch 301 "^/old\\x20a/$" "/new a/"'],
    ['/%C3%BC.html', '/%C3%BC-2.html', 'RedirectMatch 301 "^/\\xc3\\xbc\\.html$" "/ü-2.html"'],
    ['/a%22b/', '/c/', 'RedirectMatch 301 "^/a\\x22b/$" "/c/"'],
    ['/a%5Cb/', '/c/', 'RedirectMatch 301 "^/a\\x5cb/$" "/c/"'],
    ['/$%7Bx%7D/', '/c/', 'RedirectMatch 301 "^/\\x24\\x7bx\\x7d/$" "/c/"'],
    ['/a/', '/100%25%20%231/', 'RewriteRule "^/?a/$" "/100\\%25\\%20\\%231/" [R=301,L,NE]'],
    ['/a/', '/$1/', 'RewriteRule "^/?a/$" "/\\%241/" [R=301,L,NE]'],
  ])('an odd address means itself: %s to %s', (from, to, line) =>
    expect(serverBlockLines({ redirects: [{ from, to }], headers: [], leads: undefined, gone: [] }).split('\n')).toContain(line),
  );
  it('says what is gone for good, and only of its own address', () =>
    expect(serverBlockLines({ redirects: [], headers: [], leads: undefined, gone: ['/old%20a/', '/a.html'] })).toBe(
      'RedirectMatch 410 "^/old\\x20a/$"\nRedirectMatch 410 "^/a\\.html$"\n',
    ));
  it('asks for no module that is not there, and for a header with any letters', () => {
    const lines = serverBlockLines({
      redirects: [],
      headers: [{ id: 'h', path: 'a "b" #1', match: 'contains', values: ['unavailable_after: 100%'] } as never],
      leads: undefined,
      gone: [],
    });
    expect(lines.split('\n')).toEqual([
      '<IfModule mod_headers.c>',
      '<If "%{REQUEST_URI} =~ m#a\\x20\\x22b\\x22\\x20\\x231#i">',
      '  Header add X-Robots-Tag "unavailable_after: 100%%"',
      '</If>',
      '</IfModule>',
      '',
    ]);
  });
  const file = fc.array(fc.constantFrom('Options -Indexes', '# mine', '', 'ErrorDocument 404 /404.html', '<If "true">', '</If>'), { maxLength: 8 });
  const written = fc.tuple(file, fc.constantFrom('\n', '\r\n'), fc.boolean()).map(([lines, end, last]) => lines.join(end) + (last ? end : ''));
  it('keeps every byte of the owner’s: with our block, with another, and without it again', () => {
    fc.assert(
      fc.property(written, (theirs) => {
        const once = withServerBlock(theirs, rules);
        expect(once.startsWith(theirs)).toBe(true);
        expect(withServerBlock(once, rules)).toBe(once);
        const other = withServerBlock(once, 'X\n');
        expect(withServerBlock(other, rules)).toBe(once);
        // Only a line end that was missing before our block is left behind.
        expect([theirs, `${theirs}\n`, `${theirs}\r\n`]).toContain(withServerBlock(once, ''));
        expect(withServerBlock(theirs, '')).toBe(theirs);
      }),
    );
  });
  it('leaves what the owner wrote behind the block behind it', () => {
    const once = `${withServerBlock('Options -Indexes\n', rules)}# behind\n`;
    expect(withServerBlock(once, 'X\n')).toMatch(/^Options -Indexes\n# Jolly Beacon: begin[^\n]*\nX\n# Jolly Beacon: end\n# behind\n$/);
  });
  it('says of headers what the host is told, while the site is shut too', () => {
    const shut = applyChange(
      emptyDocument(),
      all([
        set('siteSwitch', '', 'open', false),
        set('headers', 'h', 'path', '/drafts'),
        set('headers', 'h', 'match', 'below'),
        set('directives', 'files:h\n*', 'intent', 'out'),
      ]),
    );
    const told = serverWishes(shut, () => true).headers.map(({ path, match, values }) => ({ path, match, values }));
    expect(told).toEqual(hostingFrom(hostingOf(shut)).headers.map(({ path, match, values }) => ({ path, match, values })));
    expect(told.some(({ path }) => path === '.pdf')).toBe(true);
  });
});
