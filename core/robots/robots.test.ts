import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalizePath, openPath, parseRobots, ROBOTS_LIMIT, robotsMatcher, withSitemap } from './index.ts';

const allowed = (text: string, path: string, token = 'ExampleBot'): boolean => robotsMatcher(parseRobots(text), token).match(path).allowed;

describe('groups (RFC 9309, 2.2.1)', () => {
  const file = [
    'User-Agent: *',
    'Disallow: /all',
    '',
    'user-agent: FooBot',
    'user-agent: barbot/1.2 (x)',
    'Disallow: /foo',
    'Sitemap: https://a.example/s.xml',
    'Crawl-delay: 3',
    'Disallow: /more',
    '',
    'User-agent: foobot',
    'Disallow: /merged',
  ].join('\n');
  it('of the same crawler are merged, and it does not listen to everybody’s', () => {
    expect(['/foo', '/more', '/merged', '/all'].map((path) => allowed(file, path, 'FooBot'))).toEqual([false, false, false, true]);
    expect(allowed(file, '/foo', 'BarBot')).toBe(false);
    expect(allowed(file, '/merged', 'BarBot')).toBe(true);
  });
  it('are found by whole tokens, whatever the case', () => {
    expect(allowed(file, '/foo', 'Foo')).toBe(true);
    expect(allowed(file, '/all', 'Foo')).toBe(false);
  });
  it('are none: everything is allowed', () => {
    expect(allowed('', '/x')).toBe(true);
    expect(allowed('Disallow: /x', '/x')).toBe(true);
  });
  it('name sitemaps for everybody', () => expect(parseRobots(file).sitemaps).toEqual(['https://a.example/s.xml']));
});

describe('rules (RFC 9309, 2.2.2)', () => {
  // The RFC's own table and section 5.
  it.each([
    ['Disallow: /example/page/\nAllow: /example/page/disallowed.gif', '/example/page/disallowed.gif', true],
    ['Disallow: *.gif$\nAllow: /publications/', '/publications/x.gif', true],
    ['Disallow: *.gif$', '/a/b.gif', false],
    ['Disallow: *.gif$', '/a/b.gif?x', true],
    ['Disallow: /', '/robots.txt', true],
    ['Disallow: /', '/', false],
    ['Disallow:', '/anything', true],
    ['Allow: /p\nDisallow: /p', '/page', true],
    ['Disallow: /Page', '/page', true],
    ['Disallow: /fish*', '/fish.html', false],
    ['Disallow: /fish/', '/fish', true],
    ['Disallow: /*.php', '/index.php?x=1', false],
    ['Disallow: /path/file-with-a-%2A.html', '/path/file-with-a-*.html', true],
    ['Disallow: /path/file-with-a-%2A.html', '/path/file-with-a-%2a.html', false],
    ['Disallow: /foo/bar?baz=quz', '/foo/bar?baz=quz', false],
    ['Disallow: /foo/bar/ツ', '/foo/bar/%E3%83%84', false],
    ['Disallow: /foo/bar/%E3%83%84', '/foo/bar/ツ', false],
    ['Disallow: /foo/bar/%62%61%7A', '/foo/bar/baz', false],
    ['Disallow: /a%2Fb', '/a/b', true],
    ['Disallow: /x # note', '/x', false],
    ['disallow : /x', '/x', false],
    ['Disallow: /a$b', '/a$bc', false],
  ])('%j for %s: %s', (rules, path, expected) => expect(allowed(`User-agent: *\n${rules}`, path)).toBe(expected));

  it.each(['\n', '\r\n', '\r'])('may be ended by %j', (end) => expect(allowed(['\ufeffUser-agent: *', 'Disallow: /x'].join(end), '/x')).toBe(false));
  it('past the limit are ignored, and so is one cut in half', () => {
    const head = `User-agent: *\nDisallow: /early\n#${'x'.repeat(ROBOTS_LIMIT - 50)}\n`;
    const file = parseRobots(`${head}Disallow: /late-and-cut-in-half-by-the-limit\nDisallow: /late`);
    expect(file.cut).toBe(true);
    expect(robotsMatcher(file, 'x').match('/late').allowed).toBe(true);
    expect(robotsMatcher(file, 'x').match('/early').allowed).toBe(false);
  });
  it('name the line that decided', () => {
    expect(robotsMatcher(parseRobots('User-agent: *\n\nDisallow: /a\nAllow: /a/b'), 'x').match('/a/b/c').rule).toMatchObject({ line: 4, allow: true });
  });
});

/** The rule of the standard in the most obvious way: every pattern as a regular expression, the longest wins, Allow on a tie. */
function obvious(rules: readonly { allow: boolean; pattern: string }[], path: string): boolean {
  let best: { allow: boolean; length: number } | undefined;
  for (const { allow, pattern } of rules) {
    if (pattern === '') continue;
    const normal = normalizePath(pattern);
    const body = normal.endsWith('$') ? normal.slice(0, -1) : normal;
    const expression = new RegExp(
      `^${body
        .split('*')
        .map((part) => part.replace(/[.+?^${}()|[\]\\]/g, '\\$&'))
        .join('.*')}${normal.endsWith('$') ? '$' : ''}`,
      's',
    );
    if (expression.test(normalizePath(path)) && (!best || normal.length > best.length || (normal.length === best.length && allow)))
      best = { allow, length: normal.length };
  }
  return best?.allow ?? true;
}

describe('the matcher', () => {
  const part = fc.constantFrom('/', 'a', 'b', '*', '$', '.', 'é', '%41', '%2f', '?');
  const pattern = fc.array(part, { maxLength: 6 }).map((parts) => `/${parts.join('')}`);
  it('agrees with an obvious one', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ allow: fc.boolean(), pattern }), { maxLength: 8 }), fc.array(part, { maxLength: 8 }), (rules, path) => {
        const text = `User-agent: *\n${rules.map((rule) => `${rule.allow ? 'Allow' : 'Disallow'}: ${rule.pattern}`).join('\n')}`;
        expect(allowed(text, `/${path.join('')}`)).toBe(obvious(rules, `/${path.join('')}`));
      }),
      { numRuns: 3000 },
    );
  });
  it('takes no longer for a wicked pattern', () => {
    const file = parseRobots(`User-agent: *\n${Array.from({ length: 200 }, () => `Disallow: /${'*a'.repeat(100)}*b$`).join('\n')}`);
    const matcher = robotsMatcher(file, 'x');
    const started = performance.now();
    for (let turn = 0; turn < 50; turn++) expect(matcher.match(`/${'a'.repeat(2000)}`).allowed).toBe(true);
    expect(performance.now() - started).toBeLessThan(3000);
  });
  it('says the same of both spellings of a path', () => {
    fc.assert(fc.property(fc.webPath(), (path) => void expect(normalizePath(normalizePath(path))).toBe(normalizePath(path))));
  });
});

describe('editing', () => {
  it('names a sitemap once and keeps the rest', () => {
    const text = '# mine\r\nUser-agent: *\r\nDisallow: /x';
    const once = withSitemap(text, 'https://a.example/sitemap.xml');
    expect(once).toBe(`${text}\r\nSitemap: https://a.example/sitemap.xml\r\n`);
    expect(withSitemap(once, 'https://a.example/sitemap.xml')).toBe(once);
  });
  it('opens a path: the line goes when it shuts nothing else, and is outweighed otherwise', () => {
    const text = 'User-agent: *\nDisallow: /a\n# note\nDisallow: /b\n';
    expect(openPath(text, '/a/x', 'x', () => true)).toBe('User-agent: *\n# note\nDisallow: /b\n');
    const outweighed = openPath(text, '/a/x', 'x', () => false);
    expect(outweighed).toBe('User-agent: *\nDisallow: /a\nAllow: /a/x$\n# note\nDisallow: /b\n');
    expect([allowed(outweighed, '/a/x'), allowed(outweighed, '/a/y'), allowed(outweighed, '/b')]).toEqual([true, false, false]);
  });
  it('always opens the path it was asked to, and no other', () => {
    const rule = fc.constantFrom(
      'Disallow: /',
      'Disallow: /a',
      'Disallow: /a/',
      'Disallow: /*b',
      'Allow: /b',
      'Disallow: /b$',
      'User-agent: other',
      'User-agent: *',
      '# x',
    );
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 8 }), fc.constantFrom('/', '/a', '/a/b', '/b', '/c'), (lines, path) => {
        const text = ['User-agent: *', ...lines].join('\n');
        const opened = openPath(text, path, 'x', () => false);
        expect(allowed(opened, path, 'x')).toBe(true);
        for (const other of ['/', '/a', '/a/b', '/b', '/c', '/a/b/c'].filter((one) => one !== path))
          expect(allowed(opened, other, 'x')).toBe(allowed(text, other, 'x'));
      }),
    );
  });
});
