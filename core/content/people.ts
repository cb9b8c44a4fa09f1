import type { PageFacts } from '../page/index.ts';
import { bylineIn, isPerson } from './bylines.ts';
import type { Named, Said } from './content.ts';
import type { Block } from './outline.ts';

const AUTHOR = /\b(byline|author|p-author|vcard|writer|autor|auteur)\b/;

const FOUNDED =
  /founded(?: in \d{4})? by|founder(?: and owner)?(?: is)?[:：]?|gegründet(?: \d{4})? von|gründer(?:in)?[:：]?|fondée?(?: en \d{4})? par|fondat(?:eur|rice)[:：]?|fundad[oa](?: en \d{4})? por|fundadora?[:：]?|創業者[:：]?/gi;
/** A whole name at the beginning of a text. */
const FULL_NAME =
  /^\s*((?:\p{Lu}[\p{L}'’-]*\s+)(?:(?:van|von|de|der|den|del|la|le|di|da)\s+)*(?:\p{Lu}[\p{L}'’-]+)(?:\s+\p{Lu}[\p{L}'’-]+)?|[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]{2,12})/u;
/** Words without which nobody is a founder: asked first, since there are many blocks. */
const FOUNDS = /found|gründe|fond|fund|創業/i;

/** Who founded what the page is about, by a sentence that names them whole. */
export function founderIn(blocks: readonly Block[]): Said<string> | undefined {
  for (const block of blocks) {
    if (block.text.length > 600 || !FOUNDS.test(block.text)) continue;
    for (const found of block.text.matchAll(FOUNDED)) {
      const name = FULL_NAME.exec(block.text.slice(found.index + found[0].length))?.[1];
      if (name !== undefined) return { value: name, text: name, start: block.start, end: block.end, how: 'words' };
    }
  }
  return undefined;
}

/** Who wrote the page, by what it says: a link that says so, a by-line, else its meta. `about` are the blocks that are about the page's own thing. */
export function authorIn(about: ReadonlySet<Block>, facts: PageFacts): Said<Named> | undefined {
  const own = [...about];
  for (const block of own)
    for (const link of block.links)
      if (/\bauthor\b/.test(link.rel) && isPerson(link.text))
        return { value: { name: link.text, href: link.href }, text: link.text, start: link.start, end: link.end, how: 'element' };
  for (const block of own.slice(0, 60)) {
    if (block.text.length > 200) continue;
    const found = bylineIn(block.text) ?? (AUTHOR.test(block.hints) && isPerson(block.text) ? block.text : undefined);
    if (found === undefined) continue;
    const link = block.links.find(({ text }) => text === found);
    return {
      value: { name: found, ...(link ? { href: link.href } : {}) },
      text: found,
      start: link?.start ?? block.start,
      end: link?.end ?? block.end,
      how: 'words',
    };
  }
  const meta = facts.metas.find(({ name, property }) => name === 'author' || property === 'article:author');
  const name = meta?.content?.trim() ?? '';
  return meta && name !== '' && !/^https?:/.test(name) ? { value: { name }, text: name, start: meta.tag.start, end: meta.tag.end, how: 'meta' } : undefined;
}
