import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
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
    ['<html>', 'not-a-sitemap'],
    ['', 'not-a-sitemap'],
    ['<urlset><url><loc>https://a.example/</loc></url>', 'not-closed'],
  ])('refuses %s', (xml, reason) => expect(readSitemap(xml)).toEqual({ ok: false, reason }));
  it('takes linear time for anything', () => {
    const started = performance.now();
    readSitemap(`<urlset>${'<url'.repeat(2_000_000)}</urlset>`);
    readSitemap(`<urlset>${'<url><loc>'.repeat(400_000)}</urlset>`);
    expect(performance.now() - started).toBeLessThan(5000);
  });
});

it('dates of a build are told from those of pages', () => {
  const day = (n: number): number => Date.UTC(2026, 0, n);
  expect(datesAreTrue([day(1), day(1), day(1), day(1), day(1), day(1)])).toBe(false);
  expect(datesAreTrue([day(1), day(1), day(2), day(3)])).toBe(true);
});
