import fc from 'fast-check';
import { expect, it } from 'vitest';
import { runs } from '../testing/effort.ts';
import { deadRedirects, hostingFrom, hostingOf } from './index.ts';
import { applyChange, all, emptyDocument, goneForGood, set } from '../site/index.ts';

const NAMES = ['/a', '/b', '/c', '/d', '/e', '/f'];
/** What stands at each path: something that answers, nothing, or a redirect to another. */
const places = fc.dictionary(fc.constantFrom(...NAMES), fc.constantFrom('answers', ...NAMES), { maxKeys: 6 });

it('a redirect is dead exactly where who follows it never comes to an answer', () =>
  fc.assert(
    fc.property(places, (standing) => {
      const redirects = Object.entries(standing).flatMap(([from, to]) => (to === 'answers' ? [] : [{ from, to }]));
      const at = (path: string): string | undefined => (standing[path] === 'answers' ? path : standing[path]);
      const dead = deadRedirects(redirects, at);
      for (const { from } of redirects) {
        // Followed for longer than there are places, as a browser would.
        let path = from;
        for (let step = 0; step < 20 && standing[path] !== undefined && standing[path] !== 'answers'; step++) path = standing[path] as string;
        const why = standing[path] === 'answers' ? undefined : standing[path] === undefined ? 'nothing' : 'circle';
        expect(dead.find((one) => one.from === from)?.why).toBe(why);
      }
    }),
    { numRuns: runs(200) },
  ));
it('a query or a part behind # does not make a place another', () =>
  expect(deadRedirects([{ from: '/a', to: '/b?x=1#y' }], (path) => (path === '/b' ? path : undefined))).toEqual([]));

it('addresses that are gone for good are told to the host and read back; one that leads on is not gone', () => {
  const said = applyChange(
    emptyDocument(),
    all([
      set('redirects', 'old.html', 'gone', true),
      set('redirects', 'a b/ü.html', 'gone', true),
      set('redirects', 'led.html', 'gone', true),
      set('redirects', 'led.html', 'to', '/new.html'),
      set('redirects', 'ended.html', 'gone', true),
      set('redirects', 'ended.html', 'to', '/new.html'),
      set('redirects', 'ended.html', 'ends', true),
    ]),
  );
  expect(goneForGood(said)).toEqual(['a b/ü.html', 'ended.html', 'old.html']);
  expect(hostingFrom(hostingOf(said)).gone).toEqual(goneForGood(said));
  expect(hostingOf(emptyDocument())).toEqual({});
});
