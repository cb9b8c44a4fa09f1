import { describe, expect, it } from 'vitest';
import { generatedFiles } from '../release/index.ts';
import { all, applyChange, emptyDocument, set } from '../site/index.ts';
import { pieceOfFile, proofFileFault, readPiece } from './index.ts';

const PROOF = 'engine-verification: engine1a2b3c4d5e6f.html';
const SITE = new Set(['index.html', 'about.html', 'notes.txt']);

describe('a dropped file', () => {
  it.each([
    ['engine1a2b3c4d5e6f.html', PROOF, undefined],
    ['1a2b3c4d5e6f.txt', '1a2b3c4d5e6f', undefined],
    ['proof_1.xml', '<?xml version="1.0"?><users><user>1A2B3C4D5E6F</user></users>', undefined],
    ['check.html', `<html><head><meta name="x-proof" content="1a2b"></head><body>Verification: 1a2b3c</body></html>`, undefined],
    ['proof.json', '{"key":"1a2b3c4d5e6f"}', undefined],
    ['about.html', PROOF, 'file-taken'],
    ['notes.txt', '1a2b', 'file-taken'],
    ['index.html', PROOF, 'file-reserved'],
    ['INDEX.HTM', PROOF, 'file-reserved'],
    ['index.php', PROOF, 'file-reserved'],
    ['default.asp', PROOF, 'file-reserved'],
    ['robots.txt', 'User-agent: *\nDisallow: /', 'file-reserved'],
    ['sitemap.xml', '<urlset/>', 'file-reserved'],
    ['sitemap-pages.xml.gz', 'x', 'file-reserved'],
    ['feed.xml', '<rss/>', 'file-reserved'],
    ['favicon.ico', 'x', 'file-reserved'],
    ['404.html', PROOF, 'file-reserved'],
    ['run.php', '<?php', 'file-reserved'],
    ['.htaccess', 'Deny from all', 'file-path'],
    ['..', PROOF, 'file-path'],
    ['../engine.html', PROOF, 'file-path'],
    ['a/engine.html', PROOF, 'file-path'],
    ['a\\engine.html', PROOF, 'file-path'],
    ['engine..html', PROOF, 'file-path'],
    ['long.html', `<p>${'words of a page '.repeat(40)}</p>`, 'file-no-proof'],
    ['large.txt', 'x'.repeat(3_000), 'file-no-proof'],
    ['photo.jpg', PROOF, 'file-no-proof'],
    ['odd.txt', 'acme-site\u0000\u0001: 1a2b3c4d', 'file-no-proof'],
    ['page.html', '<!doctype html><title>A page</title><h1>Our workshop</h1><p>Words and words', 'file-no-proof'],
    ['acme.html', '<html><body>Acme site verification code: 1a2b3c4d5e6f</body></html>', undefined],
    ['acmeabcdefgh.html', '<html><body>This file says who owns the site: acmeabcdefgh</body></html>', undefined],
    ['acme.xml', '<?xml version="1.0"?><users><user>0A1B2C3D4E5F</user></users>', undefined],
    ['acme.json', '{"site": "quillfeather.example", "code": "abcdefghijklmnopqrst"}', undefined],
    ['acme.txt', 'abcdefgh', undefined],
  ])('%s', (name, content, fault) => {
    expect(proofFileFault({ name, content }, (path) => SITE.has(path))).toBe(fault);
    // What was placed before there was this check is not written over anything either.
    const document = applyChange(
      emptyDocument(),
      all([set('claims', 'x', 'kind', 'file'), set('claims', 'x', 'name', name), set('claims', 'x', 'content', content)]),
    );
    const own = generatedFiles(document, { robots: undefined, maps: {} }, {}, (path) => SITE.has(path));
    expect(own).toEqual(fault === undefined || fault === 'file-no-proof' ? { [name]: content } : {});
    // Its bytes stay exact.
    const read = pieceOfFile(name, content);
    if (fault === undefined) expect(read).toMatchObject({ ok: true, piece: { kind: 'file', name, content } });
  });
});

it.each(['noindex', 'noindex, nofollow', 'NONE', 'max-snippet:-1', 'index, follow', 'unavailable_after: 25 Jun 2030 15:00:00 GMT'])(
  'a tag that tells one crawler “%s” proves nothing',
  (content) => expect(readPiece(`<meta name="somebot" content="${content}">`, { host: 'a.example' })).toMatchObject({ ok: false, reason: 'tells-crawlers' }),
);
