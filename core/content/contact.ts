import { hoursIn, telephoneOf } from '../values/index.ts';
import { CONTENT_LIMITS, type ContactContent, type PostalAddress, type Said } from './content.ts';
import type { Block } from './outline.ts';

const EMAIL = /[\p{L}\d._%+-]+@[\p{L}\d-]+(?:\.[\p{L}\d-]+)+/u;
const CALLS = /\b(tel|telephone|phone|call|telefon|fon|ruf|téléphone|teléfono|mobile|handy)\b|電話|☎|📞/i;
/** Blocks that speak of a telephone and are looked at for its number. */
const MOST_CALLS = 60;
const NUMBER = /\+?\(?\d[\d\s().\/–-]{6,20}\d/;
/** A house in a street: number and name, or name and number, as countries have them. */
const STREET = new RegExp(
  [
    String.raw`(?<![\d.])\d{1,5}[a-z]?(?:[-–/]\d{1,5})?,?\s+(?:[\p{L}'’.-]+\s+){1,4}(?:street|st\.|road|rd\.|lane|avenue|ave\.?|square|way|drive|court|terrace|row|quay|place|boulevard|hill|close)(?![\p{L}])`,
    String.raw`(?<![\p{L}])(?:[\p{L}'’.-]+\s?){1,4}(?:stra[sß]e|str\.|weg|platz|gasse|allee|ufer|damm|ring)\s+\d{1,4}\s?[a-z]?(?![\p{L}\d])`,
    String.raw`\d{1,4}(?:\s?(?:bis|ter))?,?\s+(?:rue|avenue|quai|place|boulevard|chemin|impasse|all[ée]e)\s+\p{L}`,
    String.raw`(?<![\p{L}])(?:calle|avenida|plaza|paseo|c\/|via|piazza)\s+[\p{L}\s'’.-]{2,40},?\s*(?:n[.º°]*\s*)?\d{1,4}`,
    String.raw`丁目\d|\d番地|\d丁目`,
  ].join('|'),
  'iu',
);

/** Words without which nothing is a street: asked first, since there are many blocks. */
const NAMED_STREET =
  /street|st\.|road|rd\.|lane|ave|square|way|drive|court|terrace|row|quay|place|boulevard|hill|close|stra[sß]e|str\.|weg|platz|gasse|allee|ufer|damm|ring|rue|quai|chemin|impasse|all[ée]e|calle|plaza|paseo|c\/|via|piazza|丁目|番地/i;

/** How the page says who is behind it can be reached: telephone, e-mail, address, hours, profiles elsewhere. `host` is the site's own. */
export function contactIn(blocks: readonly Block[], host: string, country: string | undefined): ContactContent {
  let telephone: Said<string> | undefined;
  let email: Said<string> | undefined;
  let address: Said<PostalAddress> | undefined;
  let hours: Said<string> | undefined;
  const profiles = new Map<string, Said<string>>();
  const timetable: Block[] = [];
  let calls = 0;
  for (const block of blocks) {
    for (const link of block.links) {
      const place = { text: link.text, start: link.start, end: link.end, how: 'element' as const };
      if (/^tel:/i.test(link.href)) {
        const value = telephoneOf(link.href, country);
        if (value !== undefined) telephone ??= { ...place, value };
      } else if (/^mailto:/i.test(link.href)) email ??= { ...place, value: decoded(link.href.slice(7).split('?')[0] ?? '') };
      else if (isProfile(link.href, link.rel, block.hints, host) && profiles.size < CONTENT_LIMITS.profiles)
        profiles.set(link.href, { ...place, value: link.href });
    }
    const place = { start: block.start, end: block.end, how: 'words' as const };
    if (!telephone && calls < MOST_CALLS && block.text.length < 400 && CALLS.test(block.text)) {
      calls++;
      const text = NUMBER.exec(block.text)?.[0] ?? '';
      const value = text === '' ? undefined : telephoneOf(text, country);
      if (value !== undefined) telephone = { ...place, value, text };
    }
    if (!email && block.text.length < 400) {
      const text = EMAIL.exec(block.text)?.[0];
      if (text !== undefined) email = { ...place, value: text, text };
    }
    address ??= addressIn(block);
    if (block.text.length < 300 && hoursIn(block.text).length > 0) {
      if (block.listTag !== '' && (timetable.length === 0 || timetable[0]?.list === block.list)) timetable.push(block);
      else if (!hours) hours = { ...place, value: block.text, text: block.text };
    } else if (block.listTag === 'table' || block.listTag === 'dl') timetable.push(block);
  }
  return { telephone, email, address, hours: fromTable(timetable) ?? hours, profiles: [...profiles.values()] };
}

const decoded = (text: string): string => {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
};

/** Hours that stand in the cells of a table: days in one, hours in the next. */
function fromTable(blocks: readonly Block[]): Said<string> | undefined {
  const byList = new Map<number, Block[]>();
  for (const block of blocks) (byList.get(block.list) ?? byList.set(block.list, []).get(block.list))?.push(block);
  for (const cells of byList.values()) {
    const lines: string[] = [];
    for (let at = 0; at < cells.length; at++) {
      const own = cells[at]?.text ?? '';
      const pair = `${own} ${cells[at + 1]?.text ?? ''}`;
      if (hoursIn(own).length > 0) lines.push(own);
      else if (hoursIn(pair).length > 0) {
        lines.push(pair);
        at++;
      }
    }
    const [first, last] = [cells[0], cells[cells.length - 1]];
    if (lines.length > 0 && first && last) return { value: lines.join('\n'), text: lines.join('; '), start: first.start, end: last.end, how: 'element' };
  }
  return undefined;
}

const POSTCODE = /(?<![\p{L}\d])([A-Z]{1,2}\d[A-Z\d]? \d[A-Z]{2}|\d{4,5}|\d{3}-\d{4})(?![\p{L}\d])/u;

/** A postal address: what stands in `address`, or a short block with a street in it. */
function addressIn(block: Block): Said<PostalAddress> | undefined {
  if (block.text.length > 240 || !/\d/.test(block.text)) return undefined;
  const isMarked = block.tag === 'address' || /\b(address|adr|anschrift|adresse|dirección)\b/.test(block.hints);
  const parts = block.text.split(/\s*[,·|•\n]\s*|\s+[–—]\s+/).map((part) => part.trim());
  const at = parts.findIndex((part) => part.length < 60 && NAMED_STREET.test(part) && STREET.test(part));
  if (at < 0 || (!isMarked && parts.length > 6)) return undefined;
  const street = (parts[at] ?? '').replace(/^.*?:\s*/, '');
  const next = (parts[at + 1] ?? '').replace(/\.(\s.*)?$/, '').trim();
  const after = (parts[at + 2] ?? '').trim();
  const postalCode = (POSTCODE.exec(next) ?? POSTCODE.exec(after))?.[1];
  const locality = next.replace(postalCode ?? '', '').trim();
  if (locality.includes('@') || locality.length > 40) return undefined;
  return {
    value: { street, ...(postalCode === undefined ? {} : { postalCode }), ...(locality === '' ? {} : { locality }) },
    text: block.text,
    start: block.start,
    end: block.end,
    how: isMarked ? 'element' : 'words',
  };
}

/** A link that leads to the owner's own page elsewhere: `rel=me`, or one that stands in a list of them. */
function isProfile(href: string, rel: string, hints: string, host: string): boolean {
  if (!/^https?:\/\//i.test(href) || !URL.canParse(href)) return false;
  const url = new URL(href);
  if (url.host === host || url.host === `www.${host}` || `www.${url.host}` === host) return false;
  return /\bme\b/.test(rel) || (/\b(social|profiles?|follow|socials|elsewhere|sameas|netzwerke|réseaux|redes)\b/.test(hints) && url.pathname.length > 1);
}
