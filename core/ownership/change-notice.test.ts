import { describe, expect, it } from 'vitest';
import { isNoticeKey, keyLocationOf, keyStandsIn, noticeFault } from './index.ts';

const KEY = '0123abcd-EF';
const notice = { host: 'a.example', key: KEY, urlList: ['https://a.example/x', 'http://a.example/y?z=1'] };

describe('a notice of changes', () => {
  it.each<[string, Partial<Parameters<typeof noticeFault>[0]>, 400 | 422 | undefined]>([
    ['as it should be', {}, undefined],
    ['a key of seven characters', { key: '1234567' }, 400],
    ['of eight', { key: '12345678' }, undefined],
    ['of 128', { key: 'a'.repeat(128) }, undefined],
    ['of 129', { key: 'a'.repeat(129) }, 400],
    ['with a sign that is not allowed', { key: '12345_78' }, 400],
    ['no address', { urlList: [] }, 400],
    ['ten thousand', { urlList: Array.from({ length: 10_000 }, (_, at) => `https://a.example/${at}`) }, undefined],
    ['one more', { urlList: Array.from({ length: 10_001 }, (_, at) => `https://a.example/${at}`) }, 400],
    ['an address of another host', { urlList: ['https://a.example/', 'https://b.example/'] }, 422],
    ['of the host’s twin', { urlList: ['https://www.a.example/'] }, 422],
    ['what is no address', { urlList: ['/x'] }, 422],
    ['of another sort', { urlList: ['ftp://a.example/x'] }, 422],
    ['its key elsewhere on the host', { keyLocation: 'https://a.example/k.txt' }, undefined],
    ['its key in a folder that holds all addresses', { keyLocation: 'https://a.example/in/k.txt', urlList: ['https://a.example/in/x'] }, undefined],
    ['its key in a folder that does not', { keyLocation: 'https://a.example/in/k.txt' }, 422],
    ['its key on another host', { keyLocation: 'https://b.example/k.txt' }, 422],
    ['its key nowhere', { keyLocation: 'k.txt' }, 400],
    ['no host', { host: 'not a host' }, 400],
  ])('%s', (_, change, status) => expect(noticeFault({ ...notice, ...change })?.status).toBe(status));

  it('has its key in the file of its name, unless it says otherwise', () => {
    expect(keyLocationOf(notice)).toBe(`https://a.example/${KEY}.txt`);
    expect(keyLocationOf({ ...notice, keyLocation: 'https://a.example/k' })).toBe('https://a.example/k');
    expect([KEY, 'x', `${KEY}\n`, `\ufeff${KEY}\r\n`].map((text) => keyStandsIn(text, KEY))).toEqual([true, false, true, true]);
    expect(isNoticeKey(crypto.randomUUID())).toBe(true);
  });
});
