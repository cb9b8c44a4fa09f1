import { describe, expect, it } from 'vitest';
import { patchPage } from '../page/index.ts';
import { all, applyChange, emptyDocument, set, type SitePage } from '../site/index.ts';
import { decodeSource } from '../source/index.ts';
import { factsOf, sourceOf } from '../testing/html.ts';
import { editsFor, releasedTags } from './index.ts';

const document = applyChange(
  emptyDocument(),
  all([
    set('facts', '', 'mainAddress', 'https://a.example'),
    set('pages', 'p.html', 'title', 'Box “making” & more'),
    set('pages', 'p.html', 'description', 'It says "yes".'),
    set('pages', 'p.html', 'sharePicture', '/i/box.jpg'),
    set('pages', 'p.html', 'oneTitle', true),
    set('pages', 'p.html', 'canonical', 'self'),
  ]),
);
const tagsOf = (html: string) => {
  const facts = factsOf(html);
  const page: SitePage = { id: 'p.html', kind: 'page', isHome: false, facts };
  const edits = editsFor(document, page, facts);
  return { tags: releasedTags(sourceOf(html), facts, edits), patched: patchPage(sourceOf(html), facts, edits) };
};

describe('the code that is shown', () => {
  it.each([
    '<html><head>\n<title>Old</title>\n<meta name=description content=old>\n<meta property="og:type" content="article">\n</head><body><p>x',
    '<html><head><meta name="robots" content="max-snippet:20"><title>Old</title><title>Two</title><body>',
    '<p>no head at all',
    "<head><meta content='x' name='keywords'><link rel=canonical href=/elsewhere></head>",
  ])('is the code that is released: %s', (html) => {
    const { tags, patched } = tagsOf(html);
    if (!tags.ok || !patched.ok) throw new Error('refused');
    const out = decodeSource(patched.bytes, 'utf-8').text;
    let at = 0;
    for (const tag of tags.tags) {
      expect(out.indexOf(tag, at)).toBeGreaterThanOrEqual(at);
      at = out.indexOf(tag, at) + tag.length;
    }
    expect(tags.tags).toContain('<meta property="og:image" content="https://a.example/i/box.jpg">');
    expect(tags.tags.filter((tag) => /^<title/i.test(tag))).toEqual(['<title>Box “making” &amp; more</title>']);
    expect(tags.tags.join('')).toContain('https://a.example/p.html');
  });
  it('of a page that nothing can be written into is the reason', () => {
    expect(tagsOf('<head><title>never closed').tags).toEqual({ ok: false, reason: 'head-cannot-take-it' });
  });
});
