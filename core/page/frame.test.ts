import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { soup } from '../testing/html.ts';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { ownPart } from './index.ts';

const own = (text: string, other?: string): string | undefined => {
  const range = ownPart(text, other);
  return range && text.slice(range.start, range.end).trim();
};
const HEAD = '<!doctype html><html><head><title>T</title></head><body>';

describe('a page’s own part, and the frame around it', () => {
  it.each<[string, string, string | undefined, string | undefined]>([
    ['main', `${HEAD}<nav>N</nav><main id=m><h1>A</h1></main><footer>F</footer>`, undefined, '<h1>A</h1>'],
    ['a role', `${HEAD}<div role=main><p>A</div><div>F</div>`, undefined, '<p>A'],
    ['the only article', `${HEAD}<div class=top>N</div><article><p>A</article>`, undefined, '<p>A'],
    [
      'main in a comment, a script, an attribute or a template is none',
      `${HEAD}<!-- <main>x</main> --><script>"<main>x</main>"</script><p title="<main>">N</p><nav>N</nav><p>A</p><footer>F</footer>`,
      undefined,
      '<p>A</p>',
    ],
    [
      'between header and footer, wherever they lie',
      `${HEAD}<div id=page><header>H</header><p>A</p><p>B</p><footer>F</footer></div>`,
      undefined,
      '<p>A</p><p>B</p>',
    ],
    ['no frame at all', `${HEAD}<p>A</p>`, undefined, undefined],
    [
      'the block that differs',
      `${HEAD}<div id=menu><a href=a>One</a> <a href=b>Two</a></div><div id=text><h1>A</h1><p>All about A.</p></div><div id=foot>Foot</div>`,
      `${HEAD}<div id=menu><a href=../a>One</a> <a href=../b>Two</a></div><div id=text><h1>B</h1><p>Of B.</p><p>More.</p></div><div id=foot>Foot</div>`,
      '<h1>A</h1><p>All about A.</p>',
    ],
    [
      'in a table, as sites of old have it',
      `${HEAD}<table><tr><td width=100>Menu<td><h2>A</h2>Words about A.</td></tr><tr><td colspan=2>Foot</table>`,
      `${HEAD}<table><tr><td width=100>Menu<td><h2>B</h2>Other words, longer ones.</td></tr><tr><td colspan=2>Foot</table>`,
      '<h2>A</h2>Words about A.',
    ],
    [
      'the largest of some, the trail above stays with the frame',
      `${HEAD}<div>Menu</div><p>You are here: A</p><hr><div><h1>A</h1><p>${'Words about A. '.repeat(20)}</p></div><p>Foot</p>`,
      `${HEAD}<div>Menu</div><p>You are here: B</p><hr><div><h1>B</h1><p>${'Of B. '.repeat(30)}</p></div><p>Foot</p>`,
      `<h1>A</h1><p>${'Words about A. '.repeat(20)}</p>`,
    ],
    ['pages that share nothing have no frame', `${HEAD}<h1>A</h1><p>x</p>`, `${HEAD}<h2>B</h2><ul><li>y</ul>`, undefined],
  ])('%s', (_, text, other, part) => expect(own(text, other)).toBe(part));

  const deep = (words: string, count = 3000): string =>
    `${HEAD}<p>Menu</p>${'<div>'.repeat(400)}${`<p>${words}</p>`.repeat(count)}${'</div>'.repeat(400)}<p>Foot</p>`;
  it('is found however deep the page is', () => expect(own(deep('one word'), deep('another'))).toContain('one word'));
  it('takes time in proportion to the page, however deep it is', SLOW, () =>
    expectInProportion({
      small: 500,
      times: 8,
      make: (count) => [deep('one word', count), deep('another', count)] as const,
      work: ([one, other]) => void own(one, other),
    }),
  );
  it('is a range of the text, in any soup', () => {
    fc.assert(
      fc.property(soup, fc.option(soup, { nil: undefined }), (text, other) => {
        const range = ownPart(text, other);
        if (range) expect(range.start >= 0 && range.start <= range.end && range.end <= text.length).toBe(true);
      }),
      { numRuns: runs(600) },
    );
  });
});
