import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, set, type SiteDocument } from '../site/index.ts';
import { identityGaps, identityGraph, profileAddresses } from './index.ts';

type Facts = SiteDocument['tables']['facts'][string];
const saying = (facts: Facts): SiteDocument =>
  applyChange(emptyDocument(), all(Object.entries(facts).map(([field, value]) => set('facts', '', field as 'siteName', value as string))));
const WHOLE: Facts = { siteName: 'Bindery', ownerName: 'Maren Quill', mainAddress: 'https://a.example' };

describe('the identity', () => {
  it.each([
    [{}, ['site-name', 'owner-name', 'main-address']],
    [{ siteName: 'Bindery' }, ['owner-name', 'main-address']],
    [{ siteName: '', ownerName: 'M', mainAddress: 'https://a.example' }, ['site-name']],
    [WHOLE, []],
  ] as const)('lacks what nobody said: %j', (facts, gaps) => {
    expect(identityGaps(saying(facts))).toEqual(gaps);
    expect(identityGraph(saying(facts)) === undefined).toBe(gaps.length > 0);
  });
  it('is two nodes, joined, with nothing in them that nobody said', () => {
    expect(identityGraph(saying(WHOLE))).toEqual({
      '@context': 'https://schema.org',
      '@graph': [
        { '@type': 'Organization', '@id': 'https://a.example/#organization', name: 'Maren Quill', url: 'https://a.example/' },
        {
          '@type': 'WebSite',
          '@id': 'https://a.example/#website',
          url: 'https://a.example/',
          name: 'Bindery',
          publisher: { '@id': 'https://a.example/#organization' },
        },
      ],
    });
  });
  it.each([
    ['organization', '/logo.png', { logo: { '@type': 'ImageObject', url: 'https://a.example/logo.png' } }],
    ['person', 'https://b.example/me.jpg', { image: 'https://b.example/me.jpg' }],
    ['organization', 'http://[', {}],
  ] as const)('of a %s with the picture %s', (ownerKind, logo, expected) => {
    const [owner] = identityGraph(saying({ ...WHOLE, ownerKind, logo }))?.['@graph'] ?? [];
    const { logo: written, image } = (owner ?? {}) as Readonly<Record<string, unknown>>;
    expect({ ...(written === undefined ? {} : { logo: written }), ...(image === undefined ? {} : { image }) }).toEqual(expected);
  });
  it.each([
    ['https://b.example/x\nhttps://c.example/y', ['https://b.example/x', 'https://c.example/y']],
    ['  HTTPS://b.example/x  nonsense ftp://d.example', ['HTTPS://b.example/x']],
    ['', []],
    [null, []],
  ] as const)('takes profiles from %j', (text, addresses) => expect(profileAddresses(text)).toEqual(addresses));
});
