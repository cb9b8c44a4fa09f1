import type { PageFacts } from '../page/index.ts';
import type { Named, Said } from './content.ts';
import type { Block } from './outline.ts';

const BY =
  /^(?:written |posted |published |text |story |words )?(?:by|von|par|por|da|文[:：]|著者[:：]|執筆[:：])\s*:?\s+(.{2,60}?)(?:\s*[,·|•–—(]|\s+(?:on|am|le|el|in)\s|$)/i;
const AUTHOR = /\b(byline|author|p-author|vcard|writer|autor|auteur)\b/;
const NAME =
  /^(?:\p{Lu}[\p{L}'’.-]*|(?:van|von|de|der|den|del|la|le|di|da|dos|ter|zu|al|bin)\b)(?:\s+(?:\p{Lu}[\p{L}'’.-]*|(?:van|von|de|der|den|del|la|le|di|da|dos|ter|zu|al|bin|y|e)\b)){0,4}$|^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]{2,12}$/u;

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

/** Who wrote the page, by what it says: a link that says so, a by-line, else its meta. */
export function authorIn(blocks: readonly Block[], facts: PageFacts): Said<Named> | undefined {
  const own = blocks.filter(({ part }) => part === 'main');
  for (const block of own)
    for (const link of block.links)
      if (/\bauthor\b/.test(link.rel) && NAME.test(link.text))
        return { value: { name: link.text, href: link.href }, text: link.text, start: link.start, end: link.end, how: 'element' };
  for (const block of own.slice(0, 60)) {
    if (block.text.length > 200) continue;
    const found = BY.exec(block.text)?.[1]?.trim() ?? (AUTHOR.test(block.hints) && NAME.test(block.text) ? block.text : undefined);
    if (found === undefined || !NAME.test(found)) continue;
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
