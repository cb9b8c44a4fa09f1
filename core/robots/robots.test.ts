import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import {
  addRule,
  comparedPath,
  crawlDelay,
  insertLine,
  lintRobots,
  moveLine,
  normalizePath,
  openPaths,
  parseRobots,
  removeLine,
  retyped,
  replaceLine,
  ROBOTS_LIMIT,
  robotsMatcher,
  setRule,
  withoutSitemaps,
  withSitemap,
  type LintSite,
} from './index.ts';

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
    ['Disallow: /path/file-with-a-%2A.html', '/path/file-with-a-*.html', false],
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

/** One octet of a path or pattern after another, written so that two spellings of one octet are equal; `*` and `$` that are signs are told by `sign`. */
function octets(text: string, sign: (character: string, last: boolean) => string | undefined): string[] {
  const found: string[] = [];
  const characters = [...text.matchAll(/%[0-9a-f]{2}|./gisu)].map(([character]) => character);
  characters.forEach((character, at) => {
    const special = sign(character, at === characters.length - 1);
    if (special !== undefined) return void found.push(special);
    if (/^%[0-9a-f]{2}$/i.test(character)) {
      const plain = String.fromCharCode(parseInt(character.slice(1), 16));
      return void found.push(/[\w.~-]/.test(plain) ? plain : character.toUpperCase());
    }
    if (/[*$]/.test(character)) return void found.push(`%${character.charCodeAt(0).toString(16).toUpperCase()}`);
    for (const octet of new TextEncoder().encode(character))
      found.push(octet > 0x20 && octet < 0x7f ? String.fromCharCode(octet) : `%${octet.toString(16).toUpperCase().padStart(2, '0')}`);
  });
  return found;
}

/** The rule of the standard in the most obvious way: every pattern as a regular expression, the longest wins, Allow on a tie. */
function obvious(rules: readonly { allow: boolean; pattern: string }[], path: string): boolean {
  let best: { allow: boolean; length: number } | undefined;
  const whole = octets(path, () => undefined).join('');
  for (const { allow, pattern } of rules) {
    if (pattern === '') continue;
    const parts = octets(pattern, (character, last) => (character === '*' ? '\u0001' : character === '$' && last ? '\u0002' : undefined));
    const expression = new RegExp(
      `^${parts.map((part) => (part === '\u0001' ? '.*' : part === '\u0002' ? '$' : part.replace(/[.+?^${}()|[\]\\]/g, '\\$&'))).join('')}`,
      's',
    );
    const length = parts.join('').length;
    if (expression.test(whole) && (!best || length > best.length || (length === best.length && allow))) best = { allow, length };
  }
  return best?.allow ?? true;
}

/** RFC 9309, 2.2.2 and 2.2.3: what a pattern matches, sentence by sentence. */
const STANDARD: readonly (readonly [what: string, pattern: string, path: string, matches: boolean])[] = [
  ['the table of 2.2.2: a question mark and an ampersand', '/foo/bar?baz=quz', '/foo/bar?baz=quz', true],
  ['the table of 2.2.2: an address within', '/foo/bar?baz=https://foo.bar', '/foo/bar?baz=https%3A%2F%2Ffoo.bar', false],
  ['the table of 2.2.2: an escaped address within', '/foo/bar?baz=https%3A%2F%2Ffoo.bar', '/foo/bar?baz=https%3A%2F%2Ffoo.bar', true],
  ['the table of 2.2.2: a letter that is not ASCII', '/foo/bar/ツ', '/foo/bar/%E3%83%84', true],
  ['the table of 2.2.2: the same, escaped', '/foo/bar/%E3%83%84', '/foo/bar/ツ', true],
  ['the table of 2.2.2: an unreserved octet, escaped', '/foo/bar/%62%61%7A', '/foo/bar/baz', true],
  ['an escaped slash is no slash', '/a%2Fb', '/a/b', false],
  ['letters of octets in either case', '/a%2fb', '/a%2Fb', true],
  ['the case of letters matters', '/A', '/a', false],
  ['a star is any sequence, also none', '/this/*/exactly', '/this//exactly', true],
  ['a dollar sign at the end is the end', '/end$', '/end', true],
  ['and nothing may follow', '/end$', '/ends', false],
  ['2.2.3: an escaped star is the character', '/path/file-with-a-%2A.html', '/path/file-with-a-*.html', true],
  ['and no sign', '/path/file-with-a-%2A.html', '/path/file-with-a-b.html', false],
  ['and it is met when escaped in the address', '/path/file-with-a-%2a.html', '/path/file-with-a-%2A.html', true],
  ['2.2.3: an escaped dollar sign is the character', '/path/foo-%24', '/path/foo-$', true],
  ['and not the end', '/path/foo-%24', '/path/foo-', false],
  ['a dollar sign within a pattern is the character', '/a$b', '/a$b', true],
  ['a star matches a star in the address', '/a*c', '/a*bc', true],
  ['an empty query is a query', '/a?', '/a?', true],
  ['and none is none', '/a?', '/a', false],
  ['a query that is empty is more than the end', '/a$', '/a?', false],
];

describe('the matcher', () => {
  const part = fc.constantFrom('/', 'a', 'b', '*', '$', '.', 'é', '%41', '%2f', '?');
  const pattern = fc.array(part, { maxLength: 6 }).map((parts) => `/${parts.join('')}`);
  it('agrees with an obvious one', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ allow: fc.boolean(), pattern }), { maxLength: 8 }), fc.array(part, { maxLength: 8 }), (rules, path) => {
        const text = `User-agent: *\n${rules.map((rule) => `${rule.allow ? 'Allow' : 'Disallow'}: ${rule.pattern}`).join('\n')}`;
        expect(allowed(text, `/${path.join('')}`)).toBe(obvious(rules, `/${path.join('')}`));
      }),
      { numRuns: runs(3000) },
    );
  });
  it.each(STANDARD)('keeps to the standard: %s', (_, pattern, path, matches) => {
    expect(allowed(`User-agent: *\nDisallow: ${pattern}`, path)).toBe(!matches);
    expect(obvious([{ allow: false, pattern }], path)).toBe(!matches);
  });
  it('takes the path of an address with its query as it is written', () => {
    expect(['https://a.example/a?#f', 'https://a.example/a#f', 'https://u:p@a.example/%61?b', '/a?#x'].map(comparedPath)).toEqual(['/a?', '/a', '/a?b', '/a?']);
    expect(comparedPath('no address')).toBeUndefined();
  });
  it.each([
    ['LF, CR and CRLF alone end a line', 'User-agent: *\nDisallow: /x\u2028Disallow: /a\rDisallow: /b\nDisallow: /c', { '/a': true, '/b': false, '/c': false }],
    ['a comment goes to the end of its line', 'User-agent: *\nDisallow: /b # x\u2028Disallow: /a\u0085y', { '/a': true, '/b': false }],
    ['space and tab alone are white space', 'User-agent: *\n \tDisallow \t:\t /b \t\nDisallow: /c\u00a0', { '/b': false, '/c': true, '/c%C2%A0': false }],
  ])('reads as the standard has it: %s', (_, text, paths) => {
    expect(Object.fromEntries(Object.keys(paths).map((path) => [path, allowed(text, path)]))).toEqual(paths);
  });
  it.each(['p', '*-'])('takes time in proportion to its rules, 16,000 of them: %s', SLOW, (star) => {
    const rules = (count: number): string =>
      `User-agent: *\n${Array.from({ length: count }, (_, at) => `Disallow: /${star}${(at * 7919) % count}/x`).join('\n')}`;
    const pages = Array.from({ length: 200 }, (_, at) => ({ id: `${at}`, path: `/page-${at}/`, intent: 'list' as const }));
    const site = { origin: 'https://a.example', pages, files: [], needed: new Set<string>(), crawlers: ['a', 'b'], hasMap: false };
    expectInProportion({
      small: 2_000,
      times: 8,
      make: (count) => ({ text: rules(count), count }),
      work: ({ text, count }) => {
        expect(lintRobots(text, site)).toHaveLength(count);
        expect(robotsMatcher(parseRobots(text), 'a').match('/page-1/').allowed).toBe(true);
      },
    });
  });
  it('takes no longer for a wicked pattern', SLOW, () => {
    const file = parseRobots(`User-agent: *\n${Array.from({ length: 200 }, () => `Disallow: /${'*a'.repeat(100)}*b$`).join('\n')}`);
    const matcher = robotsMatcher(file, 'x');
    expectInProportion({
      small: 500,
      times: 8,
      make: (length) => `/${'a'.repeat(length)}`,
      work: (path) => expect(matcher.match(path).allowed).toBe(true),
    });
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
  it('names sitemaps no longer, line by line', () => {
    const text = '# maps\r\nSitemap: https://a.example/old.xml\r\nUser-agent: *\r\nsitemap:https://a.example/new.xml # ours\r\nDisallow: /x\r\n';
    expect(withoutSitemaps(text, ['https://a.example/old.xml'])).toBe(text.replace('Sitemap: https://a.example/old.xml\r\n', ''));
    expect(withoutSitemaps(text, ['https://a.example/new.xml', 'https://a.example/old.xml'])).toBe('# maps\r\nUser-agent: *\r\nDisallow: /x\r\n');
    expect(withoutSitemaps(text, [])).toBe(text);
  });
  it('opens a path: the line goes when it shuts nothing else, and is outweighed otherwise', () => {
    const text = 'User-agent: *\nDisallow: /a\n# note\nDisallow: /b\n';
    expect(openPaths(text, ['/a/x'], ['x'], [])).toBe('User-agent: *\n# note\nDisallow: /b\n');
    const outweighed = openPaths(text, ['/a/x'], ['x'], ['/a/y']);
    expect(outweighed).toBe('User-agent: *\nDisallow: /a\nAllow: /a/x$\n# note\nDisallow: /b\n');
    expect([allowed(outweighed, '/a/x'), allowed(outweighed, '/a/y'), allowed(outweighed, '/b')]).toEqual([true, false, false]);
  });
  it('opens thousands of paths at once, each by one line at most', () => {
    const paths = Array.from({ length: 3000 }, (_, at) => `/old/page-${at}/`);
    const text = 'User-agent: *\nDisallow: /old/\nDisallow: /new/\n';
    expect(openPaths(text, paths, ['x'], [])).toBe('User-agent: *\nDisallow: /new/\n');
    const opened = openPaths(text, paths, ['x'], ['/old/']);
    expect(opened.split('\n')).toHaveLength(3004);
    expect([allowed(opened, '/old/page-2999/', 'x'), allowed(opened, '/old/', 'x')]).toEqual([true, false]);
  });
  it('always opens the paths it was asked to, and no other, to no crawler, known or not', () => {
    const ALL = ['/', '/a', '/a/', '/a/b', '/b', '/c', '/a/b/c', '/b?q', '/$', '/a*'];
    const rule = fc.constantFrom(
      ...['', '/', '/a', '/a/', '/*b', '/b$', '/*', '/c', '/a/b'].map((pattern) => `Disallow: ${pattern}`),
      ...['/b', '/a/b', '/$'].map((pattern) => `Allow: ${pattern}`),
      ...['other', '*', 'x', 'y', 'X'].map((token) => `User-agent: ${token}`),
      '# x',
      'Sitemap: https://a.example/s.xml',
    );
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 10 }), fc.subarray(ALL), fc.subarray(['x', 'y']), (lines, paths, tokens) => {
        const text = ['User-agent: *', ...lines].join('\n');
        const others = ALL.filter((path) => !paths.includes(path));
        const opened = openPaths(text, paths, tokens, others);
        for (const token of tokens) expect(paths.filter((path) => !allowed(opened, path, token))).toEqual([]);
        for (const token of ['x', 'y', 'other', 'unknown'])
          for (const other of others) expect([token, other, allowed(opened, other, token)]).toEqual([token, other, allowed(text, other, token)]);
        // What is open stays open, whoever asks.
        for (const token of ['other', 'unknown']) for (const path of paths) if (allowed(text, path, token)) expect(allowed(opened, path, token)).toBe(true);
      }),
      { numRuns: runs(2000) },
    );
  });
});

describe('editing by rules', () => {
  const FILE =
    '# Ours, written by hand\r\nUser-agent: *   # everybody\r\n  disallow :  /basket # no baskets\r\nAllow: /basket/help\r\n\r\nUser-agent: PloverBot\r\nCrawl-delay: 5\r\n\r\nSitemap: https://a.example/s.xml';
  it('writes a rule anew and keeps its spelling, its spaces and its comment', () => {
    expect(setRule(FILE, 3, { allow: false, pattern: '/cart' })).toBe(FILE.replace('/basket # no', '/cart # no'));
    expect(setRule(FILE, 3, { allow: true, pattern: '/basket' })).toBe(FILE.replace('disallow :', 'Allow :'));
    expect(setRule(FILE, 1, { allow: true, pattern: '/x' })).toBe(FILE);
  });
  it('adds a rule to the group of a crawler, or makes one', () => {
    expect(addRule(FILE, '*', { allow: false, pattern: '/x' })).toBe(FILE.replace('Allow: /basket/help\r\n', 'Allow: /basket/help\r\nDisallow: /x\r\n'));
    expect(addRule(FILE, 'ploverbot', { allow: false, pattern: '/x' })).toBe(
      FILE.replace('User-agent: PloverBot\r\n', 'User-agent: PloverBot\r\nDisallow: /x\r\n'),
    );
    expect(addRule(FILE, 'NewBot', { allow: false, pattern: '/x' })).toBe(`${FILE}\r\n\r\nUser-agent: NewBot\r\nDisallow: /x\r\n`);
    expect(addRule('', '*', { allow: false, pattern: '/x' })).toBe('User-agent: *\nDisallow: /x\n');
  });
  it('typed in a field that knows one sort of line end, every line that was not touched keeps its own bytes', () => {
    const end = fc.constantFrom('\n', '\r\n', '\r');
    const texts = fc
      .tuple(
        fc.boolean(),
        fc.array(fc.tuple(fc.constantFrom('User-agent: *', 'Disallow: /a', '', '# c', 'x'), end), { maxLength: 8 }),
        fc.constantFrom('', 'Allow: /b'),
      )
      // A lone CR in front of a LF would be one end, not two.
      .map(
        ([mark, lines, last]) =>
          (mark ? '\ufeff' : '') +
          lines
            .map(([line, how]) => line + how)
            .join('')
            .replace(/\r(?=\n)/g, '\r ') +
          last,
      );
    const shown = (text: string): string => text.replace(/\r\n?/g, '\n');
    fc.assert(
      fc.property(texts, fc.nat(), fc.constantFrom('', 'Disallow: /new', 'a\nb'), fc.nat({ max: 2 }), (text, pick, typed, gone) => {
        expect(retyped(text, shown(text))).toBe(text);
        const lines = shown(text).split('\n');
        const at = pick % lines.length;
        const next = [...lines.slice(0, at), typed, ...lines.slice(at + gone)].join('\n');
        const made = retyped(text, next);
        expect(shown(made)).toBe(next);
        if (/\r(?!\n)/.test(text)) return;
        const ends = text.match(/\r\n|\n|\r/g) ?? [];
        const head = lines
          .slice(0, at)
          .map((line, index) => line + ends[index])
          .join('');
        expect(made.startsWith(head)).toBe(true);
        const tail = lines
          .slice(at + gone)
          .map((line, index) => line + (ends[at + gone + index] ?? ''))
          .join('');
        expect(made.endsWith(tail)).toBe(true);
      }),
    );
  });
  it('groups are the parser’s own: comments and other fields between two names divide nothing', () => {
    const { lines, groups } = parseRobots(
      'User-agent: A\n# both\n\nUser-agent: B\nCrawl-delay: 5\nUser-agent: C\nDisallow: /x\n# next\nUser-agent: D\nAllow: /\n',
    );
    expect(groups.map(({ tokens }) => tokens)).toEqual([['A', 'B', 'C'], ['D']]);
    expect(lines.flatMap((line) => (line.kind === 'user-agent' || line.kind === 'rule' ? [[line.line, line.group]] : []))).toEqual([
      [1, 0],
      [4, 0],
      [6, 0],
      [7, 0],
      [9, 1],
      [10, 1],
    ]);
  });
  it('any line taken out and put back, or moved to and fro, leaves the text as it was', () => {
    const line = fc.constantFrom('User-agent: *', 'Disallow: /a # why', '', '# a comment', 'Allow: /a/b', 'nonsense', 'Sitemap: https://a.example/s.xml');
    fc.assert(
      fc.property(fc.array(line, { minLength: 2, maxLength: 12 }), fc.constantFrom('\n', '\r\n', '\r'), fc.boolean(), fc.nat(), (some, end, ended, pick) => {
        const lines = [...some, 'Allow: /the-end'];
        const text = lines.join(end) + (ended ? end : '');
        const at = (pick % (lines.length - 1)) + 1;
        expect(insertLine(removeLine(text, at), at, lines[at - 1] as string)).toBe(text);
        expect(moveLine(moveLine(text, at, 1), at + 1, -1)).toBe(text);
        expect(replaceLine(text, at, lines[at - 1] as string)).toBe(text);
        const added = addRule(text, 'ExampleBot', { allow: false, pattern: '/only-this$' });
        expect(allowed(added, '/only-this', 'ExampleBot')).toBe(false);
        // Nothing that stood there is lost, comments least of all.
        for (const one of lines) expect(added.split(/\r\n|\n|\r/)).toContain(one);
      }),
    );
  });
});

describe('what is wrong with it', () => {
  const SITE: LintSite = {
    origin: 'https://a.example',
    pages: [
      { id: 'home', path: '/', intent: 'list' },
      { id: 'shop', path: '/Shop/', intent: 'list' },
      { id: 'thanks', path: '/thank-you/', intent: 'out' },
    ],
    files: ['/style.css', '/app.js', '/photo.jpg'],
    needed: new Set(['/style.css', '/app.js']),
    crawlers: ['SkerryBot', 'PloverBot'],
    hasMap: true,
  };
  const codes = (text: string): string[] => lintRobots(text, SITE).map((trouble) => `${'line' in trouble ? trouble.line : ''}${trouble.code}`);
  const MAP = '\nSitemap: https://a.example/sitemap.xml';
  it.each<[string, string, string[]]>([
    ['nothing', `User-agent: *\nDisallow:${MAP}`, []],
    ['everything shut', `User-agent: *\nDisallow: /${MAP}`, ['2wanted-shut', '2assets-shut', '2hides-not', '2shuts-all']],
    ['a page that is wanted', `User-agent: *\nDisallow: /Shop${MAP}`, ['2wanted-shut']],
    ['style sheets and scripts', `User-agent: *\nDisallow: /*.css$\nDisallow: /app${MAP}`, ['2assets-shut', '3assets-shut']],
    ['Disallow where noindex was meant', `User-agent: *\nDisallow: /thank-you/${MAP}`, ['2hides-not']],
    ['the wrong case', `User-agent: *\nDisallow: /shop/${MAP}`, ['2wrong-case']],
    ['nothing touched', `User-agent: *\nDisallow: /gone/${MAP}`, ['2touches-nothing']],
    ['a question mark cannot be judged by files', `User-agent: *\nDisallow: /*?sort=${MAP}`, []],
    ['no slash', `User-agent: *\nDisallow: photo.jpg${MAP}`, ['2no-slash']],
    ['the same twice', `User-agent: *\nDisallow: /photo.jpg\nDisallow: /photo.jpg${MAP}`, ['3same-rule']],
    ['no group', `Disallow: /photo.jpg\nUser-agent: *\nDisallow:${MAP}`, ['1no-group']],
    ['groups that are merged', `User-agent: *\nDisallow: /photo.jpg\n\nUser-agent: *\nDisallow:${MAP}`, ['merged']],
    ['a crawler that does not listen', `User-agent: *\nDisallow: /photo.jpg\n\nUser-agent: PloverBot\nDisallow:${MAP}`, ['4not-listened']],
    ['a name with a version', `User-agent: SkerryBot/1.0\nDisallow:${MAP}`, ['1bad-token']],
    ['fields of no standard', `User-agent: *\nCrawl-delay: 5\nNoindex: /x\nHost: a.example${MAP}`, ['2crawl-delay', '3noindex-field', '4unknown-field']],
    ['a line that means nothing', `User-agent: *\nDisallow /x${MAP}`, ['2unreadable']],
    ['no sitemap', 'User-agent: *\nDisallow:', ['sitemap-missing']],
    ['a sitemap without a host', 'User-agent: *\nDisallow:\nSitemap: /sitemap.xml', ['3sitemap-relative']],
    ['a sitemap elsewhere', 'User-agent: *\nDisallow:\nSitemap: http://a.example/sitemap.xml', ['3sitemap-elsewhere']],
    ['too much', `User-agent: *\nDisallow:${MAP}\n#${'x'.repeat(ROBOTS_LIMIT)}`, ['too-large']],
  ])('%s', (_, text, expected) => expect(codes(text)).toEqual(expected));
  it('takes no longer for strange patterns than for plain ones, in proportion', SLOW, () => {
    const lines = Array.from({ length: 400 }, (_, index) => `Disallow: /${'*a'.repeat(60)}${index}$`).join('\n');
    expectInProportion({
      small: 60,
      times: 8,
      make: (count) => Array.from({ length: count }, (_, index) => ({ id: String(index), path: `/${'a'.repeat(200)}${index}`, intent: 'list' as const })),
      work: (pages) => void lintRobots(`User-agent: *\n${lines}`, { ...SITE, pages }),
    });
  });
});

it.each([
  ['User-agent: *\nCrawl-delay: 5', 'SkerryBot', 5],
  ['User-agent: *\nCrawl-delay: 5\nUser-agent: SkerryBot\nDisallow:', 'SkerryBot', undefined],
  ['User-agent: SkerryBot\nUser-agent: PloverBot\nCrawl-delay: 2.5\nDisallow: /x\nCrawl-delay: 7', 'ploverbot', 7],
  ['User-agent: *\nCrawl-delay: soon', 'SkerryBot', undefined],
])('how long %j asks %s to wait', (text, token, seconds) => expect(crawlDelay(parseRobots(text), token)).toBe(seconds));
