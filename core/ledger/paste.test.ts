import { describe, expect, it } from 'vitest';
import { parse } from 'parse5';
import { patchPage, readSource, type PageEdit } from '../page/index.ts';
import { decodeSource } from '../source/index.ts';
import { markupAmong, pasteItems } from './index.ts';

const PAGE = `<!doctype html><html lang="en"><head><title>T</title></head><body><h1>Old name</h1><p>Old words here.</p><img src="/img/a%20box.jpg?w=2"><img src="b.png" alt="B"></body></html>`;
const source = decodeSource(new TextEncoder().encode(PAGE));
const reading = readSource(source);
if (!reading.ok) throw new Error('the page is read');
const { facts } = reading;
const starts = { heading: PAGE.indexOf('<h1'), words: PAGE.indexOf('<p>'), picture: PAGE.indexOf('<img') };

const EDITS: readonly PageEdit[] = [
  { kind: 'lang', lang: 'fr' },
  { kind: 'meta', name: 'keywords', content: 'boxes, "fine" books' },
  { kind: 'meta', name: 'wren-proof', content: 'a<b&c' },
  { kind: 'property', property: 'og:title', content: 'Boxes & books' },
  { kind: 'property', property: 'og:description', content: 'Made by hand.' },
  { kind: 'property', property: 'og:image', content: 'https://a.example/img/card.jpg' },
  { kind: 'noindex', on: true },
  { kind: 'directives', name: 'plover', wanted: { follow: 'nofollow' } },
  { kind: 'canonical', href: 'https://a.example/' },
  { kind: 'charset' },
  { kind: 'alt', start: starts.picture, was: null, now: 'A box of oak' },
  { kind: 'passage', start: starts.heading, was: 'Old name', now: 'New name', links: [] },
  { kind: 'passage', start: starts.words, was: 'Old words here.', now: null, links: [{ words: 'words', nth: 0, href: '/words/' }] },
  { kind: 'json-ld', graph: { '@context': 'https://schema.org', '@graph': [{ '@id': 'https://a.example/#page', '@type': 'WebPage', name: 'A <page>' }] } },
];

describe('texts to paste', () => {
  const items = pasteItems(EDITS, facts);
  it('are every text that a release would write, each once, told with what it belongs to', () => {
    expect(items.map(({ field, about }) => (about === '' ? field : `${field} of ${about}`))).toEqual([
      'language',
      'keywords',
      'proof of wren-proof',
      'shareTitle',
      'shareText',
      'sharePicture',
      'robots',
      'robots of plover',
      'canonical',
      'alt of a%20box.jpg',
      'heading of Old name',
      'link of words',
      'markup',
    ]);
    expect(new Set(items.map(({ key }) => key)).size).toBe(items.length);
  });
  it('say what the released page says', () => {
    const patched = patchPage(source, facts, EDITS.slice(0, -1));
    if (!patched.ok) throw new Error(patched.reason);
    const said = JSON.stringify(parse(new TextDecoder().decode(patched.bytes)), (key, value: unknown) => (key === 'parentNode' ? undefined : value));
    for (const { field, value } of items) if (!['proof', 'markup', 'robots'].includes(field)) expect(said).toContain(JSON.stringify(value).slice(1, -1));
    expect(said).toContain('a<b&c');
  });
  it('close no script and leave no tag open in markup', () => {
    const block = markupAmong({ 'index.html': items })['index.html'] ?? '';
    expect(block.match(/<\/?script/g)).toHaveLength(2);
    expect(JSON.parse(block.replace(/<\/?script[^>]*>/g, ''))).toMatchObject({ '@graph': [{ name: 'A <page>' }] });
  });
});
