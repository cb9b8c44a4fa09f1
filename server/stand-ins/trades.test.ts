import { describe, expect, it } from 'vitest';
import { SearchIndex } from '../../core/engine/index.ts';
import { indexRecord } from '../../core/testing/index-record.ts';
import { SALTMERE, SALTMERE_HOSTS } from './saltmere.ts';
import { TRADE_SITES } from './trades.ts';

const index = new SearchIndex(SALTMERE);
const hostsFor = (query: string): readonly string[] => [...new Set(index.search(query).results.map(({ address }) => new URL(address).host))];

describe('the trades of the invented town', () => {
  it('have addresses of their own, each once, below the name that is nobody’s', () => {
    expect(new Set(SALTMERE_HOSTS).size).toBe(SALTMERE_HOSTS.length);
    for (const host of SALTMERE_HOSTS) expect(host).toMatch(/^[a-z]+(?:-[a-z]+)*\.example$/);
    const addresses = SALTMERE.map(({ address }) => address);
    expect(new Set(addresses).size).toBe(addresses.length);
  });
  it.each(
    TRADE_SITES.filter((_, at) => at % 2 === 0).map((site, at) => [site.pages[0]?.[1].split(': ')[1] ?? '', site.host, TRADE_SITES[at * 2 + 1]?.host ?? '']),
  )('whoever looks for a %s finds both', (query, first, second) => expect(hostsFor(query).slice(0, 4)).toEqual(expect.arrayContaining([first, second])));
  it('stand before a site that only says what it is, and behind one that says it better', () => {
    const place = (title: string, description: string, text: string): number => {
      const mine = indexRecord('https://mine.example/', {
        title,
        description,
        text,
        headings: [title],
        linkedFrom: Array.from({ length: 12 }, (_, at) => `https://links.example/${at}`),
      });
      const found = new SearchIndex([...SALTMERE, mine]).search('dentist saltmere check-ups', { most: 100 }).results;
      return found.findIndex(({ address }) => address === mine.address) + 1;
    };
    expect(place('Welcome', '', 'We are a dentist.')).toBeGreaterThan(2);
    expect(place('Dentist in Saltmere: check-ups', 'Check-ups by a dentist in Saltmere.', 'Check-ups by a dentist in Saltmere, six days a week.')).toBe(1);
  });
});
