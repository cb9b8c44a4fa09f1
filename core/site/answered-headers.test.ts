import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { indexDirectives, readHeader, strictest } from '../page/index.ts';
import { addressOf, applyChange, emptyDocument, headerRules, headersFor, rulesFromHeaders } from './index.ts';

const PATHS = ['index.html', 'a/index.html', 'b.html', 'x.pdf', 'docs/y.pdf', 'p.png'];
const after = (tags: Readonly<Record<string, readonly string[]>>) => headerRules(applyChange(emptyDocument(), rulesFromHeaders(tags, PATHS)));
/** What headers mean: where no snippet may be shown, how long one may be says nothing. */
const meant = (headers: readonly string[]) => {
  const all = strictest([indexDirectives(''), ...headers.flatMap(readHeader).map(({ content }) => indexDirectives(content))]);
  return { ...all, maxSnippet: all.nosnippet ? 0 : all.maxSnippet };
};

describe('headers that a site was answered with', () => {
  it('become one rule for the site, for an ending, or for a file', () => {
    const shut = Object.fromEntries(PATHS.map((path) => [path, ['noindex']]));
    expect(after(shut).map(({ path, match, values }) => [match, path, values])).toEqual([['contains', '/', ['noindex']]]);
    expect(after({ 'x.pdf': ['none'], 'docs/y.pdf': ['none'] }).map(({ path, match }) => [match, path])).toEqual([['ends', '.pdf']]);
    expect(after({ 'x.pdf': ['noindex'] }).map(({ path }) => path)).toEqual(['/x.pdf']);
    expect(after({ 'a/index.html': ['skerrybot: noindex', 'max-snippet:20'] })[0]?.values).toEqual(['skerrybot: noindex', 'max-snippet:20']);
    expect(after({ 'x.pdf': ['all'], 'index.html': ['noindex'] })).toEqual([]);
  });
  it('what the rules send means what was answered, for every file but the home page', () => {
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
      fc.property(fc.dictionary(fc.constantFrom(...PATHS.slice(1)), fc.array(value, { minLength: 1, maxLength: 3 })), (tags) => {
        const rules = after(tags);
        for (const path of PATHS.slice(1)) expect(meant(headersFor(rules, addressOf(path)))).toEqual(meant(tags[path] ?? []));
      }),
    );
  });
});
