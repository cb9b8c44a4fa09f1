import { describe, expect, it } from 'vitest';
import { isEmail, isTelephone, languages, timeZones } from './choices.ts';

describe('what can be an address of mail', () => {
  it.each(['post@a.example', ' Maren.Quill+books@mail.a.example ', 'größe@müller.example', 'a@b.co'])('%j', (text) => expect(isEmail(text)).toBe(true));
  it.each(['', 'post', 'post@', '@a.example', 'post@a', 'a b@c.example', 'a@b@c.example', 'a@b.example, c@d.example', '<a@b.example>', 'post@a.example.'])(
    'not %j',
    (text) => expect(isEmail(text)).toBe(false),
  );
});

describe('what can be a telephone number', () => {
  it.each(['+44 1632 960147', '(01632) 960-147', '01632/960147', '+49 30 123456 ext. 7', '12345', '555.010.0199 x12'])('%j', (text) =>
    expect(isTelephone(text)).toBe(true),
  );
  it.each(['', '1234', '+', 'call us', '01632 960147 or 960148', '123456789012345678', '++44 1632 960147'])('not %j', (text) =>
    expect(isTelephone(text)).toBe(false),
  );
});

describe('lists to choose from', () => {
  it('name languages, with the one that the site has, known or not', () => {
    const list = languages('');
    expect(list.find(({ value }) => value === 'de-CH')?.label).toBe('Swiss High German');
    expect(languages('en')).toHaveLength(list.length);
    expect(languages('gsw').find(({ value }) => value === 'gsw')?.label).toBe('Swiss German');
    // A code that is none stands there as it is: nothing the site says may make the list fail.
    expect(languages('no such_code').some(({ value, label }) => value === 'no such_code' && label === value)).toBe(true);
    expect(list.map(({ label }) => label)).toEqual([...list.map(({ label }) => label)].sort((a, b) => a.localeCompare(b, 'en')));
    expect(new Set(list.map(({ value }) => value)).size).toBe(list.length);
  });
  it('name time zones as people look for them, each known to the clock', () => {
    const zones = timeZones();
    expect(zones.find(({ value }) => value === 'America/New_York')?.label).toBe('America / New York');
    for (const { value } of zones) expect(() => new Intl.DateTimeFormat('en', { timeZone: value })).not.toThrow();
  });
});
