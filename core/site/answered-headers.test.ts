import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { indexDirectives, readHeader, strictest } from '../page/index.ts';
import { addressOf, all, applyChange, emptyDocument, headerRules, headersFor, rulesFromHeaders, rulesFromNewHeaders, set, wordsFromHeaders } from './index.ts';

const PATHS = ['index.html', 'a/index.html', 'de/a/index.html', 'b.html', 'B.html', 'x.pdf', 'docs/y.pdf', 'p.png'];
const after = (tags: Readonly<Record<string, readonly string[]>>) => headerRules(applyChange(emptyDocument(), rulesFromHeaders(tags, PATHS)));
/** What headers mean: where no snippet may be shown, how long one may be says nothing. */
const meant = (headers: readonly string[]) => {
  const all = strictest([indexDirectives(''), ...headers.flatMap(readHeader).map(({ content }) => indexDirectives(content))]);
  return { ...all, maxSnippet: all.nosnippet ? 0 : all.maxSnippet };
};

describe('headers of files that come anew', () => {
  const standing = applyChange(emptyDocument(), rulesFromHeaders({ 'a/index.html': ['noindex'] }, PATHS));
  it('add what no rule sends yet, and touch nothing that stands', () => {
    expect(rulesFromNewHeaders(standing, { 'a/index.html': ['noindex'] }, PATHS)).toEqual(all([]));
    const more = applyChange(standing, rulesFromNewHeaders(standing, { 'a/index.html': ['noindex'], 'x.pdf': ['noarchive'] }, PATHS));
    expect(headerRules(more).map(({ id, path, values }) => [id, path, values])).toEqual([
      ['answered-1', '/a/', ['noindex']],
      ['answered-2', '/x.pdf', ['noarchive']],
    ]);
  });
  it('say of a page what it does not say, and never against the owner', () => {
    const told = { languages: { 'b.html': 'fr', 'gone.html': 'fr' }, canonicals: ['b.html'] };
    const { pages } = applyChange(emptyDocument(), wordsFromHeaders(emptyDocument(), told, new Set(PATHS))).tables;
    expect(pages).toEqual({ 'b.html': { lang: 'fr', canonical: 'self' } });
    const owners = applyChange(emptyDocument(), set('pages', 'b.html', 'lang', 'de'));
    expect(applyChange(owners, wordsFromHeaders(owners, told, new Set(PATHS))).tables.pages['b.html']).toEqual({ lang: 'de', canonical: 'self' });
  });
});

describe('headers that a site was answered with', () => {
  it('become one rule for the site, for an ending, or for a file', () => {
    const shut = Object.fromEntries(PATHS.map((path) => [path, ['noindex']]));
    expect(after(shut).map(({ path, match, values }) => [match, path, values])).toEqual([['contains', '/', ['noindex']]]);
    expect(after({ 'x.pdf': ['none'], 'docs/y.pdf': ['none'] }).map(({ path, match }) => [match, path])).toEqual([['ends', '.pdf']]);
    expect(after({ 'x.pdf': ['noindex'] }).map(({ path }) => path)).toEqual(['/x.pdf']);
    expect(after({ 'a/index.html': ['skerrybot: noindex', 'max-snippet:20'] })[0]?.values).toEqual(['skerrybot: noindex', 'max-snippet:20']);
    expect(after({ 'x.pdf': ['all'], 'index.html': ['noindex'] }).map(({ path, match }) => [match, path])).toEqual([['is', '/']]);
  });
  it('what the rules send means what was answered, for every file and no other address', () => {
    const value = fc.constantFrom(
      'noindex',
      'nofollow',
      'max-snippet:30',
      'nosnippet',
      'max-image-preview:none',
      'noarchive, notranslate',
      'max-video-preview:0',
    );
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...PATHS), fc.array(value, { minLength: 1, maxLength: 3 })), (tags) => {
        const rules = after(tags);
        for (const path of PATHS) expect(meant(headersFor(rules, addressOf(path)))).toEqual(meant(tags[path] ?? []));
      }),
    );
  });
});
