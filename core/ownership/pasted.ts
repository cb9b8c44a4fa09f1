import { readPage } from '../page/index.ts';

/** What somebody pasted, understood. */
export type Pasted =
  | { readonly ok: true; readonly name: string; readonly content: string; readonly from: 'tag' | 'code' | 'text' }
  | { readonly ok: false; readonly reason: 'empty' | 'several-tags' | 'no-code' | 'no-content' | 'other-engine' };

const CODE = /[A-Za-z0-9_=-]{16,}/g;

/**
 * Finds the proof in whatever was pasted: the whole tag, only its code, or a text around either (N43). `metaName` is what the engine calls its
 * tag: a bare code goes under that name, and a tag under another name belongs to somebody else.
 */
export function readPastedProof(text: string, metaName: string): Pasted {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, reason: 'empty' };
  // Quotation marks that a mail program made curly would otherwise become part of the code.
  const straight = trimmed
    .replace(/[\u201c\u201d\u201e\u00ab\u00bb\u2033]/g, '"')
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"');
  const tags = [...straight.matchAll(/<meta\b[^>]*>?/gi)].flatMap(([tag]) => {
    const reading = readPage(new TextEncoder().encode(tag.endsWith('>') ? tag : `${tag}>`), { httpCharset: 'utf-8' });
    return reading.ok ? reading.facts.metas : [];
  });
  if (tags.length > 0) {
    const named = tags.filter((tag) => tag.name === metaName.toLowerCase());
    const contents = [...new Set(named.map((tag) => (tag.content ?? '').trim()))];
    if (named.length === 0) return { ok: false, reason: 'other-engine' };
    if (contents.length > 1) return { ok: false, reason: 'several-tags' };
    const [content] = contents as [string];
    return content === ''
      ? { ok: false, reason: 'no-content' }
      : { ok: true, name: metaName, content, from: /^<meta\b[^>]*>?$/i.test(straight) ? 'tag' : 'text' };
  }
  const codes = [...new Set(straight.match(CODE) ?? [])].filter((code) => code.toLowerCase() !== metaName.toLowerCase() && /\d/.test(code));
  if (codes.length === 0) return { ok: false, reason: 'no-code' };
  if (codes.length > 1) return { ok: false, reason: 'several-tags' };
  const [content] = codes as [string];
  return { ok: true, name: metaName, content, from: content === straight ? 'code' : 'text' };
}
