import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { readPlainMap } from './plain-walk.ts';
import { walkMap, walkStrictly } from './walk.ts';
import { datesAreTrue, readSitemap, SITEMAP_LIMITS, writeSitemap } from './index.ts';

const entry = fc.record({
  loc: fc.webUrl({ withQueryParameters: true }),
  lastmod: fc.option(fc.constantFrom('2026-11-25', '2026-11-25T10:00:00Z'), { nil: undefined }),
});

describe('a sitemap', () => {
  it('written and read again is the same, for us and for another reader', () => {
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 20 }), (entries) => {
        const { xml, left } = writeSitemap(entries);
        expect(left).toEqual([]);
        const reading = readSitemap(xml);
        expect(reading.ok && reading.sitemap.entries).toEqual(entries);
        const peer = new XMLParser({ isArray: (name) => name === 'url', parseTagValue: false }).parse(xml) as {
          urlset: { url: { loc: string; lastmod?: string }[] };
        };
        expect(peer.urlset.url.map((one) => one.loc)).toEqual(entries.map((one) => one.loc));
      }),
    );
  });
  it('holds 50,000 addresses and hands the next one back', () => {
    const entries = Array.from({ length: SITEMAP_LIMITS.entries + 1 }, (_, index) => ({ loc: `https://a.example/${index}`, lastmod: undefined }));
    const { xml, left } = writeSitemap(entries);
    expect(left).toEqual([entries[SITEMAP_LIMITS.entries]]);
    expect(xml.match(/<url>/g)).toHaveLength(SITEMAP_LIMITS.entries);
  });
  it('stays under the protocol’s bytes', () => {
    const entries = Array.from({ length: 30_000 }, (_, index) => ({ loc: `https://a.example/${'x'.repeat(1980)}${index}`, lastmod: undefined }));
    const { xml, left } = writeSitemap(entries);
    expect(xml.length).toBeLessThanOrEqual(SITEMAP_LIMITS.bytes);
    expect(left.length).toBeGreaterThan(0);
  });
});

describe('reading', () => {
  it('takes prefixes of other things, comments, CDATA and character numbers', () => {
    const xml =
      '<?xml version="1.0"?><!-- x --><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:x="y">\n<url ><loc> https://a.example/?a=1&amp;b=&#x41;&#66; </loc><lastmod>2026-01-01</lastmod></url><url><loc><![CDATA[https://a.example/c]]></loc></url></urlset>';
    expect(readSitemap(xml)).toEqual({
      ok: true,
      sitemap: {
        kind: 'urlset',
        cut: false,
        entries: [
          { loc: 'https://a.example/?a=1&b=AB', lastmod: '2026-01-01' },
          { loc: 'https://a.example/c', lastmod: undefined },
        ],
      },
    });
  });
  it('reads an index', () => {
    expect(readSitemap('<sitemapindex><sitemap><loc>https://a.example/1.xml</loc></sitemap></sitemapindex>')).toMatchObject({
      ok: true,
      sitemap: { kind: 'index', entries: [{ loc: 'https://a.example/1.xml' }] },
    });
  });
  it.each([
    ['<!DOCTYPE x [<!ENTITY a "b">]><urlset></urlset>', 'doctype'],
    [new TextDecoder().decode(Uint8Array.from([0xff, 0xfe, ...Buffer.from('<?xml version="1.0" encoding="UTF-16"?><urlset></urlset>', 'utf16le')])), 'utf-16'],
    [new TextDecoder().decode(Buffer.from('<urlset></urlset>', 'utf16le')), 'utf-16'],
    ['<html>', 'not-a-sitemap'],
    ['', 'not-a-sitemap'],
    ['<urlset><url><loc>https://a.example/</loc></url>', 'malformed'],
    ['<urlset><url><loc>https://a.example/?a&b</loc></url></urlset>', 'malformed'],
    ['<urlset><url><loc>https://a.example/</loc></url></urlset><urlset></urlset>', 'malformed'],
    ['<?xml version="1.0"?> <!-- a & b -- c --><urlset></urlset>', 'malformed'],
  ])('refuses %s', (xml, reason) => expect(readSitemap(xml)).toMatchObject({ ok: false, reason }));
  it.each(['<url', '<url><loc>'])('takes linear time for anything: %s', SLOW, (unit) =>
    expectInProportion({ small: 50_000, times: 8, make: (count) => `<urlset>${unit.repeat(count)}</urlset>`, work: (xml) => void readSitemap(xml) }),
  );
});

describe('the plain way of reading', () => {
  const told = (walk: typeof walkMap, xml: string) => {
    const [entries, others]: [unknown[], string[]] = [[], []];
    const walked = walk(xml, {
      entry: (one) => void entries.push(one),
      without: (place) => void others.push(`without ${place}`),
      element: (fault) => void others.push(JSON.stringify(fault)),
      unescaped: (loc, place) => void others.push(`${loc} ${place}`),
    });
    return { walked, entries, others };
  };
  it('takes what is written here, and says the same as the strict one', () => {
    fc.assert(
      fc.property(fc.array(entry, { minLength: 1, maxLength: 5 }), (entries) => {
        const { xml } = writeSitemap(
          entries.map((one, at) => ({
            ...one,
            images: at % 2 ? [`https://a.example/${at}'.png`] : undefined,
            alternates: at % 3 ? [] : [{ lang: 'de', href: one.loc }],
          })),
        );
        expect(readPlainMap(xml)).toBeDefined();
        expect(told(walkMap, xml)).toEqual(told(walkStrictly, xml));
      }),
    );
  });
  it('says the same as the strict one of whatever it takes', () => {
    const NS = 'http://www.sitemaps.org/schemas/sitemap/0.9';
    const text = fc.string({
      unit: fc.constantFrom(
        'a',
        '/',
        ' ',
        '\n',
        '\r',
        "'",
        '"',
        '>',
        '&amp;',
        '&',
        '&apos;',
        'é',
        '\u0001',
        '\ud83d',
        '😀',
        ']]>',
        '<!-- -->',
        '\u00a0',
        '\u2028',
      ),
      maxLength: 5,
    });
    const field = fc
      .tuple(fc.constantFrom('loc', 'loc', 'lastmod', 'priority', 'changefreq', 'title'), text)
      .map(([name, value]) => `<${name}>${value}</${name}>`);
    const extra = fc.oneof(
      text.map((value) => `<image:image>\n<image:loc>${value}</image:loc></image:image>`),
      fc.tuple(text, text).map(([lang, href]) => `<xhtml:link rel="alternate" hreflang="${lang}" href="${href}"/>`),
      fc.constantFrom('<!-- x -->', ' ', '\n', '<url>', '</url>', '<loc/>'),
    );
    const item = fc.array(fc.oneof(field, field, extra), { maxLength: 4 }).map((parts) => `<url>${parts.join('')}</url>`);
    const head = fc.constantFrom(
      '',
      '<?xml version="1.0"?>',
      '<?xml version="1.0" encoding="utf-8"?>\n',
      '\ufeff<?xml version="1.0" encoding="ISO-8859-1"?>',
      '<?xml-stylesheet type="text/xsl" href="/a.xsl"?>',
      ' ',
      'x',
    );
    const root = fc.constantFrom(
      `<urlset xmlns="${NS}">`,
      `<urlset xmlns="${NS}" xmlns:image="http://www.google.com/schemas/sitemap-image/1.1" xmlns:xhtml="http://www.w3.org/1999/xhtml">`,
      `<urlset xmlns="${NS}" xmlns="${NS}">`,
      '<urlset>',
      '<sitemapindex>',
      `<urlset xmlns="${NS}" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance" xsi:schemaLocation="a b">`,
      `<urlset xmlns="${NS}" xsi:schemaLocation="a b">`,
    );
    let plain = 0;
    fc.assert(
      fc.property(head, root, fc.array(item, { maxLength: 3 }), fc.constantFrom('', '\n', 'x', '<!-- -->'), (before, start, items, after) => {
        const xml = `${before}${start}${items.join('\n')}</${start.includes('index') ? 'sitemapindex' : 'urlset'}>${after}`;
        if (readPlainMap(xml)) plain++;
        expect(told(walkMap, xml)).toEqual(told(walkStrictly, xml));
      }),
      { numRuns: runs(4000) },
    );
    expect(plain).toBeGreaterThanOrEqual(Math.floor(runs(4000) / 80));
  });
});

it('dates of a build are told from those of pages', () => {
  const day = (n: number): number => Date.UTC(2026, 0, n);
  expect(datesAreTrue([day(1), day(1), day(1), day(1), day(1), day(1)])).toBe(false);
  expect(datesAreTrue([day(1), day(1), day(2), day(3)])).toBe(true);
});
