import { parse, type DefaultTreeAdapterTypes as Tree } from 'parse5';
import { decodeHTMLAttribute as decodeHTML } from 'entities/decode';
import type { Range } from '../source/index.ts';
import { valueRangeWithin } from './collector.ts';
import { documentNodes } from './nodes.ts';

/** An address written in a page: where it stands, and what it says once character references are resolved. */
export interface Reference extends Range {
  readonly value: string;
  /** Where the element it stands in may take a browser, or what it is made of; `text` for addresses in data blocks. */
  readonly quoted: boolean;
}

/** Attributes that hold one address (HTML standard, "attributes" index). */
const ADDRESSES = new Set([
  'href',
  'src',
  'poster',
  'action',
  'formaction',
  'data',
  'cite',
  'longdesc',
  'background',
  'manifest',
  'itemid',
  'about',
  'resource',
]);

/** All addresses in a page's markup, each with the stretch of source it is written in. Candidate lists (`srcset`) give one for each candidate. */
export function referencesIn(text: string): Reference[] {
  const found: Reference[] = [];
  for (const element of documentNodes(parse(text, { sourceCodeLocationInfo: true }))) {
    if (!('attrs' in element)) continue;
    const locations = element.sourceCodeLocation?.attrs;
    for (const { name, value, prefix } of element.attrs) {
      // In drawings an attribute stands under its prefix: `xlink:href`.
      const location = locations?.[prefix ? `${prefix}:${name}` : name];
      const range = location && valueRangeWithin(text, location.startOffset, location.endOffset);
      if (!range) continue;
      const quoted = text[range.start - 1] === '"' || text[range.start - 1] === "'";
      if (ADDRESSES.has(name)) found.push({ ...range, value: value.trim(), quoted });
      else if (name.startsWith('data-') && /^\s*https?:\/\//i.test(value)) found.push({ ...range, value: value.trim(), quoted });
      else if (name === 'ping') found.push(...parted(text, range, quoted));
      else if (name === 'srcset' || name === 'imagesrcset') found.push(...candidates(text, range, quoted));
      else if (name === 'content' && isAddressMeta(element)) found.push(...metaAddress(element, text, range, quoted));
    }
  }
  return found;
}

function isAddressMeta(element: Tree.Element): boolean {
  const of = (name: string): string | undefined =>
    element.attrs
      .find((attribute) => attribute.name === name)
      ?.value.trim()
      .toLowerCase();
  return element.tagName === 'meta' && (/^https?:\/\//.test(of('content') ?? '') || of('property') === 'og:url' || of('http-equiv') === 'refresh');
}

function metaAddress(element: Tree.Element, text: string, range: Range, quoted: boolean): Reference[] {
  const refresh = element.attrs.some(({ name, value }) => name === 'http-equiv' && value.trim().toLowerCase() === 'refresh');
  const raw = text.slice(range.start, range.end);
  if (!refresh) return [{ ...range, value: decodeHTML(raw).trim(), quoted }];
  const target = /^[^;,]*[;,]\s*(?:url\s*=\s*)?["']?/i.exec(raw);
  if (!target) return [];
  const start = range.start + target[0].length;
  const end = range.start + raw.replace(/["']?\s*$/, '').length;
  return start < end ? [{ start, end, value: decodeHTML(text.slice(start, end)), quoted }] : [];
}

/** Addresses with spaces between them. */
function parted(text: string, range: Range, quoted: boolean): Reference[] {
  return [...text.slice(range.start, range.end).matchAll(/\S+/g)].map((match) => {
    const start = range.start + match.index;
    return { start, end: start + match[0].length, value: decodeHTML(match[0]), quoted };
  });
}

function candidates(text: string, range: Range, quoted: boolean): Reference[] {
  const raw = text.slice(range.start, range.end);
  return [...raw.matchAll(/[^\s,][^\s]*(?=\s|,|$)(?:\s+[\d.]+[wxh])*/g)].flatMap((match) => {
    const address = (/^\S+/.exec(match[0])?.[0] ?? '').replace(/,+$/, '');
    const start = range.start + match.index;
    return address === '' ? [] : [{ start, end: start + address.length, value: decodeHTML(address), quoted }];
  });
}
