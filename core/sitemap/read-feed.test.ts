import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { feedEntries, writeAtom, writeRss, type FeedEntry, type FeedHead } from './index.ts';

const HEAD: FeedHead = {
  title: 'Quillfeather',
  description: '',
  home: 'https://quillfeather.example/',
  self: 'https://quillfeather.example/feed.xml',
  language: 'en',
  author: 'Maren Quill',
};
const second = (time: number): string => new Date(time).toISOString().replace('.000Z', 'Z');

describe('feeds', () => {
  it.each<[string, string, Record<string, object>]>([
    [
      'RSS 2.0',
      '<rss><channel><link>https://a.example/</link><item><title>x</title><link>https://a.example/one/</link><pubDate>Tue, 03 Feb 2026 09:30:00 GMT</pubDate></item></channel></rss>',
      { '/one/': { published: '2026-02-03T09:30:00Z' } },
    ],
    [
      'RSS 2.0 with a day without its name, and a zone',
      '<rss><channel><item><link><![CDATA[https://a.example/one/]]></link><pubDate>3 Feb 2026 09:30:00 +0100</pubDate></item></channel></rss>',
      { '/one/': { published: '2026-02-03T08:30:00Z' } },
    ],
    [
      'RSS 1.0 with Dublin Core',
      '<rdf:RDF xmlns:rdf="r" xmlns:dc="d"><item><link>https://a.example/one/</link><dc:date>2026-02-03</dc:date></item></rdf:RDF>',
      { '/one/': { published: '2026-02-03T00:00:00Z' } },
    ],
    [
      'Atom, its alternate link and not the others',
      '<feed xmlns="http://www.w3.org/2005/Atom"><entry><link rel="edit" href="/edit/1"/><link href="/one/"/><published>2026-02-03T09:30:00+01:00</published><updated>2026-03-01T00:00:00Z</updated></entry></feed>',
      { '/one/': { published: '2026-02-03T08:30:00Z', updated: '2026-03-01T00:00:00Z' } },
    ],
    [
      'an entry within a source is not its own',
      '<feed><entry><source><link href="/other/"/><updated>2020-01-01T00:00:00Z</updated></source><link href="/one/"/></entry></feed>',
      { '/one/': {} },
    ],
    ['what is no date', '<rss><item><link>/one/</link><pubDate>yesterday</pubDate></item></rss>', { '/one/': {} }],
    ['a feed that breaks off: what stands before', '<rss><item><link>/one/</link></item><item><link>/two/', { '/one/': {} }],
    ['a doctype', '<!DOCTYPE x [<!ENTITY a "b">]><rss><item><link>/one/</link></item></rss>', {}],
    ['no feed', 'hello', {}],
  ])('%s', (_, feed, found) => expect(Object.fromEntries(feedEntries([feed]))).toEqual(found));

  it('are read as they are written here', () => {
    const entries = fc.uniqueArray(
      fc.record({ at: fc.nat(10_000), title: fc.string(), description: fc.string(), published: fc.nat(2_000_000_000), more: fc.nat(1_000_000) }),
      { minLength: 1, maxLength: 20, selector: ({ at }) => at },
    );
    fc.assert(
      fc.property(entries, (made) => {
        const list = made.map(({ at, title, description, published, more }): FeedEntry => ({
          title,
          description,
          address: `https://quillfeather.example/${at}/?a=1&b=2`,
          published: published * 1000,
          updated: (published + more) * 1000,
          author: undefined,
        }));
        const rss = feedEntries([writeRss(HEAD, list)]);
        const atom = feedEntries([writeAtom(HEAD, list)]);
        for (const { address, published, updated } of list) {
          expect(rss.get(new URL(address).pathname)).toEqual({ published: second(published) });
          expect(atom.get(new URL(address).pathname)).toEqual({ published: second(published), updated: second(updated) });
        }
      }),
    );
  });
});
