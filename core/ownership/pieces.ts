import { isPageFile } from '../site/index.ts';
import { readPage, type MetaFact } from '../page/index.ts';
import { isUsualMeta, tellsCrawlers } from './metas.ts';
import { isMailRecord, soundPiece, type PieceOptions, type ProofPiece, type ReadPiece } from './piece.ts';
import { plainPaste } from './plain-paste.ts';
import { recordInWords, recordsIn } from './records.ts';

const TAG = /<meta\b[^>]*>?/gi;
/** A file's name, with the folders before it where it is told by its address or path. */
const NAMED_FILE = /(?:(?:https?:\/\/[^\s/"'<>]{1,253})?\/((?:[\w.-]{1,60}\/){0,4}))?(?<![\w@.-])([\w-]{3,120}\.(?:html?|txt|xml|json))(?![\w-])/gi;
const ADDRESS = /https?:\/\/\S+/gi;
const CODE = /(?<![\w./-])[A-Za-z0-9_=+/-]{16,200}(?![\w/-])/g;

/**
 * Finds what proves ownership in whatever was pasted (N43): a tag, a record of the domain in any form in which panels and mails write it, a file's name with
 * what is in it, a bare code where the name of the tag is known; with any words, quotation marks and line breaks around it.
 */
export function readPiece(pasted: string, options: PieceOptions): ReadPiece {
  const text = plainPaste(pasted);
  if (text === '') return { ok: false, reason: 'empty' };
  const tags = tagsIn(text, options);
  // What tags say is not looked for a second time as something else.
  const rest = text.replace(TAG, ' ');
  const file = fileIn(rest);
  const all = [...tags, ...recordsIn(rest, options), ...(file?.ok ? [file] : [])];
  const sound = new Map(all.flatMap((read) => (read.ok ? [[JSON.stringify(read.piece), read] as const] : [])));
  const [first] = sound.values();
  if (sound.size > 1) {
    const offers = [...sound.values()].map(({ piece }) => piece);
    return { ok: false, reason: 'several', found: [...new Set(offers.map(({ name }) => name))].join(', '), offers };
  }
  return (
    first ??
    all[0] ??
    (/<script\b/i.test(text) ? { ok: false, reason: 'script' } : undefined) ??
    noTag(text) ??
    recordInWords(rest, options) ??
    file ??
    codeIn(rest, options)
  );
}

/** A file that was dropped: it goes to the root under the name that the engine gave it, byte for byte. */
export function pieceOfFile(name: string, content: string): ReadPiece {
  const own = nameAsGiven(name);
  if (!/^[\w.-]{1,120}$/.test(own)) return { ok: false, reason: 'file-path', found: name };
  if (content.trim() === '') return { ok: false, reason: 'no-content', found: name };
  return { ok: true, piece: { kind: 'file', name: own, content }, around: false, ...(own === name ? {} : { calledBefore: name }) };
}

/** A file's name without what browsers and systems put to it when it is saved once more: " (1)", " - Copy", a second ending. */
function nameAsGiven(name: string): string {
  return name
    .replace(/(?:\s*\(\d{1,3}\)|\s+-\s+(?:Copy|Kopie|Copie|Copia)(?:\s*\(\d{1,3}\))?)(?=(?:\.[a-z]{3,4}){1,2}$)/i, '')
    .replace(/(\.(?:html?|xml|json|txt))\.(?:txt|html?)$/i, '$1');
}

/** A tag that is none of a proof. */
const noTag = (text: string): ReadPiece | undefined => (/<meta\b/i.test(text) ? { ok: false, reason: 'no-code' } : undefined);

function tagsIn(text: string, { tagName }: PieceOptions): readonly ReadPiece[] {
  const tags = [...text.matchAll(TAG)].flatMap(([tag]): readonly MetaFact[] => {
    const reading = readPage(new TextEncoder().encode(tag.endsWith('>') ? tag : `${tag}>`), { httpCharset: 'utf-8' });
    return reading.ok ? reading.facts.metas : [];
  });
  const named = tags.filter(({ name, property }) => property === undefined && name !== undefined && !isUsualMeta(name));
  const proofs = named.filter(({ content }) => !tellsCrawlers(content ?? ''));
  if (proofs.length === 0 && named.length > 0) return [{ ok: false, reason: 'tells-crawlers', found: named[0]?.name ?? '' }];
  const around = !/^<meta\b[^>]*>?$/i.test(text);
  const wanted = proofs.filter(({ name }) => name === tagName?.toLowerCase());
  return (wanted.length > 0 ? wanted : proofs).map(({ name = '', content = '' }): ReadPiece => {
    if (content.trim() === '') return { ok: false, reason: 'no-content', found: name };
    const piece: ProofPiece = { kind: 'tag', name, content: content.trim() };
    return soundPiece({ ok: true, piece, around });
  });
}

function fileIn(text: string): ReadPiece | undefined {
  const named = [...text.matchAll(NAMED_FILE)].filter(([, , name = '']) => !/^(?:index|robots|sitemap|readme)\./i.test(name));
  const names = [...new Set(named.map(([, , name = '']) => name))];
  const [name] = names;
  if (name === undefined || (names.length > 1 && !names.every((one) => one === name)))
    return names.length > 1 ? { ok: false, reason: 'several', found: names.join(', ') } : undefined;
  // A file in a folder stands nowhere else.
  const folder = named.map(([, folder = '']) => folder).find((folder) => folder !== '') ?? '';
  const behind = text.slice(text.indexOf(name) + name.length);
  const said = /(?:contain(?:s|ing)?|content|with|text|inhalt|contenu|contenido|reads?|says?)[^\n:"'`]{0,60}[:\s]\s*["'`]?([^\n"'`]{4,400})["'`]?/i
    .exec(behind)?.[1]
    ?.trim();
  const lines = behind.split('\n').map((line) => line.trim());
  const content =
    said ?? lines.slice(1).find((line) => /\w/.test(line) && (line.includes(name) || /^[\w.-]+[:=]\s?[\w.=-]{6,}$/.test(line) || /^[\w=-]{16,}$/.test(line)));
  if (content === undefined) return { ok: false, reason: 'file-alone', found: name };
  const piece: ProofPiece = { kind: 'file', name: folder + name, content: isPageFile(name) || !/[.!]$/.test(content) ? content : content.slice(0, -1) };
  return soundPiece({ ok: true, piece, around: true });
}

function codeIn(text: string, { tagName }: PieceOptions): ReadPiece {
  if (isMailRecord(text)) return { ok: false, reason: 'mail-record', found: text.slice(0, 40) };
  const codes = [...new Set(text.replace(ADDRESS, ' ').match(CODE) ?? [])].filter((code) => code.toLowerCase() !== tagName?.toLowerCase() && /\d/.test(code));
  const [content] = codes;
  if (content === undefined) return { ok: false, reason: 'no-code' };
  if (codes.length > 1) return { ok: false, reason: 'several', found: codes.join(', ') };
  const [, , pair] = /^(["']?)([\w.-]+=[\w+/=-]{6,})\1$/.exec(text) ?? [];
  if (pair !== undefined) return soundPiece({ ok: true, piece: { kind: 'txt', name: '@', content: pair }, around: false });
  if (/(?:…|\.{3})/.test(text.slice(text.indexOf(content) + content.length).slice(0, 3))) return { ok: false, reason: 'cut-off', found: content };
  if (tagName === undefined) return { ok: false, reason: 'code-alone', found: content };
  return { ok: true, piece: { kind: 'tag', name: tagName, content }, around: content !== text };
}
