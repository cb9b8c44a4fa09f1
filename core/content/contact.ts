import { addressesIn, telephoneIn, telephoneOf } from '../values/index.ts';
import { hoursOf } from './contact-hours.ts';
import { CONTENT_LIMITS, type ContactContent, type GatherOptions, type PostalAddress, type Said } from './content.ts';
import { textOf, type Block } from './outline.ts';

const EMAIL = /[\p{L}\d._%+-]+@[\p{L}\d-]+(?:\.[\p{L}\d-]+)+/u;

/**
 * How the page says who is behind it can be reached: telephone, e-mail, address, hours, profiles elsewhere. `host` is the site's own; a number without its country's
 * code is one of `country`, else of the address's where that tells it.
 */
export function contactIn(blocks: readonly Block[], { host, lang, country: known }: GatherOptions): ContactContent {
  const address = addressOf(blocks);
  const country = known ?? address?.value.country;
  let telephone: Said<string> | undefined;
  let email: Said<string> | undefined;
  const profiles = new Map<string, Said<string>>();
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
    if (!telephone && block.text.length < 400 && /\d{2}/.test(block.text)) {
      const said = telephoneIn(textOf(block), country);
      if (said) telephone = { ...place, ...said };
    }
    if (!email && block.text.length < 400) {
      const text = EMAIL.exec(block.text)?.[0];
      if (text !== undefined) email = { ...place, value: text, text };
    }
  }
  return { telephone, email, address, hours: hoursOf(blocks, lang), profiles: [...profiles.values()] };
}

const decoded = (text: string): string => {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
};

/** Lines of blocks that are read together: an address goes over no more. */
const LINES_OF_ADDRESS = 6;
const LONGEST_LINE = 160;

/**
 * The postal address that a page shows: in an element or a block that is marked as one, in its footer, else anywhere. Undefined where one place of this sort shows two different ones, as
 * pages with several shops do.
 */
function addressOf(blocks: readonly Block[]): Said<PostalAddress> | undefined {
  let code = -1;
  const found = blocks.flatMap((block, at) => {
    // A street has a number; and most blocks are far from anything that looks like a post code: nothing is put together there.
    if (!/\d/.test(block.text)) return [];
    while (code < at || (code < blocks.length && !CODE.test(blocks[code]?.text ?? ''))) code++;
    const rank = rankOf(block);
    return code >= at + LINES_OF_ADDRESS && rank > PLAIN ? [] : addressesAt(blocks, at, rank).map((said) => ({ said, rank }));
  });
  const best = Math.min(...found.map(({ rank }) => rank));
  const [first, ...others] = found.filter(({ rank }) => rank === best).map(({ said }) => said);
  return others.every(({ value }) => JSON.stringify(value) === JSON.stringify(first?.value)) ? first : undefined;
}

const isMarked = (block: Block): boolean =>
  block.tag === 'address' || /\b(?:address|adr|anschrift|adresse|dirección|indirizzo|adres|morada|endereço)\b/.test(block.hints);
/** How surely an address is the owner's by where it stands: marked as one, in the frame of the page, in its text, beside it. They are looked for in the first two. */
const MARKED = 0;
const PLAIN = 1;
const rankOf = (block: Block): number =>
  isMarked(block) ? MARKED : block.part === 'footer' || block.part === 'header' ? PLAIN : block.part === 'main' ? 2 : 3;

/** What any post code looks like. */
const CODE = /(?<!\d)\d{3,5}(?!\d)|\d[A-Z]{2}(?![A-Za-z])/;

/** Addresses that begin in a block and end in it, or in one of the short ones behind it. */
function addressesAt(blocks: readonly Block[], at: number, rank: number): Said<PostalAddress>[] {
  const block = blocks[at] as Block;
  if (!isShort(block)) return [];
  const lines = block.lines.map((text) => ({ text, block }));
  for (let next = at + 1; lines.length < LINES_OF_ADDRESS; next++) {
    const below = blocks[next];
    if (!below || !isShort(below) || below.part !== block.part || /^h[1-6]$/.test(below.tag)) break;
    lines.push(...below.lines.map((text) => ({ text, block: below })));
  }
  return addressesIn(
    lines.map(({ text }) => text),
    rank <= PLAIN,
  ).flatMap(({ first, last, ...value }) => {
    const end = lines[last]?.block;
    if (lines[first]?.block !== block || !end) return [];
    const text = lines
      .slice(first, last + 1)
      .map((line) => line.text)
      .join(', ');
    return [{ value, text, start: block.start, end: end.end, how: rank === MARKED ? ('element' as const) : ('words' as const) }];
  });
}

const isShort = ({ lines }: Block): boolean => lines.length <= 2 * LINES_OF_ADDRESS && lines.every((line) => line.length <= LONGEST_LINE);

/** A link that leads to the owner's own page elsewhere: `rel=me`, or one that stands in a list of them. */
function isProfile(href: string, rel: string, hints: string, host: string): boolean {
  if (!/^https?:\/\//i.test(href) || !URL.canParse(href)) return false;
  const url = new URL(href);
  if (url.host === host || url.host === `www.${host}` || `www.${url.host}` === host) return false;
  return /\bme\b/.test(rel) || (/\b(social|profiles?|follow|socials|elsewhere|sameas|netzwerke|réseaux|redes)\b/.test(hints) && url.pathname.length > 1);
}
