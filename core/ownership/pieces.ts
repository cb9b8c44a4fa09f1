import { isPageFile } from '../site/index.ts';
import { readPage, type MetaFact } from '../page/index.ts';
import type { FileFault } from './file-fault.ts';
import { plainPaste } from './plain-paste.ts';

/** What an engine gives an owner to place, in one of the four ways there are. */
export type ProofPiece =
  | { readonly kind: 'tag'; readonly name: string; readonly content: string }
  /** A file at the root of the site, byte for byte. */
  | { readonly kind: 'file'; readonly name: string; readonly content: string }
  /** A record of the domain: `name` relative to it, `@` for the domain itself. */
  | { readonly kind: 'txt' | 'cname'; readonly name: string; readonly content: string };

/** Why nothing of what was pasted can be placed. */
export type PieceRefusal =
  'empty' | 'script' | 'several' | 'no-code' | 'no-content' | 'code-alone' | 'file-alone' | 'other-domain' | 'tells-crawlers' | FileFault;

/** What was pasted, understood: the piece, and whether other words stood around it. */
export type ReadPiece =
  | { readonly ok: true; readonly piece: ProofPiece; readonly around: boolean; readonly twin?: string }
  | { readonly ok: false; readonly reason: PieceRefusal; readonly found?: string };

export interface PieceOptions {
  /** The site's own host. */
  readonly host: string;
  /** What the engine calls its tag, where that is known: then a bare code will do. */
  readonly tagName?: string | undefined;
}

/** Metas that pages have anyway: none of them proves anything. */
const USUAL =
  /^(?:viewport|description|keywords|robots|author|generator|theme-color|color-scheme|referrer|format-detection|application-name|(?:dc|dcterms)\..*|[a-z]+:.*|.*-(?:mobile-web-app|tile|config|status-bar)[\w-]*)$/i;
/** What a tag for one crawler says: it keeps pages out, and proves nothing. */
const TELLS_CRAWLERS =
  /^\s*(?:(?:all|none|(?:no)?(?:index|follow|archive|snippet|imageindex|translate)|max-[\w-]+:\s*[\w-]+|unavailable_after:[^,]*)\s*(?:,\s*|$))+$/i;
const NAMED_FILE = /(?<![\w@.-])([\w-]{3,120}\.(?:html?|txt|xml|json))(?![\w-])/gi;
const CODE = /(?<![\w./-])[A-Za-z0-9_=+-]{16,200}(?![\w-])/g;
/** What a record is likely to say, likeliest first: a name and a code with an equals sign between, something in quotes, the same with a colon. */
const RECORD_VALUES = [/(?<![\w.])([\w.-]{3,80}\s?=\s?[A-Za-z0-9_+/=-]{6,300})/, /["']([^"']{8,300})["']/, /(?<![\w.])([\w.-]{3,80}:[A-Za-z0-9_+/=-]{6,300})/];
const HOST_NAME = /^(?=.{1,253}\.?$)(?:[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?\.)*[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?\.?$/i;

/**
 * Finds what proves ownership in whatever was pasted (N43): a tag, a record of the domain in any form in which panels and mails write it, a file's name with
 * what is in it, a bare code where the name of the tag is known; with any words, quotation marks and line breaks around it.
 */
export function readPiece(pasted: string, options: PieceOptions): ReadPiece {
  const text = plainPaste(pasted);
  if (text === '') return { ok: false, reason: 'empty' };
  return tagIn(text, options) ?? recordIn(text, options) ?? fileIn(text) ?? codeIn(text, options);
}

/** A file that was dropped: it goes to the root under its own name, byte for byte. */
export function pieceOfFile(name: string, content: string): ReadPiece {
  if (!/^[\w.-]{1,120}$/.test(name)) return { ok: false, reason: 'file-path', found: name };
  if (content.trim() === '') return { ok: false, reason: 'no-content', found: name };
  return { ok: true, piece: { kind: 'file', name, content }, around: false };
}

function tagIn(text: string, { tagName }: PieceOptions): ReadPiece | undefined {
  const tags = [...text.matchAll(/<meta\b[^>]*>?/gi)].flatMap(([tag]): readonly MetaFact[] => {
    const reading = readPage(new TextEncoder().encode(tag.endsWith('>') ? tag : `${tag}>`), { httpCharset: 'utf-8' });
    return reading.ok ? reading.facts.metas : [];
  });
  const named = tags.filter(({ name, property }) => property === undefined && name !== undefined && !USUAL.test(name));
  const proofs = named.filter(({ content }) => !TELLS_CRAWLERS.test(content ?? ''));
  if (proofs.length === 0 && named.length > 0) return { ok: false, reason: 'tells-crawlers', found: named[0]?.name ?? '' };
  if (proofs.length === 0) {
    if (/<script\b/i.test(text)) return { ok: false, reason: 'script' };
    return tags.length > 0 ? { ok: false, reason: 'no-code' } : undefined;
  }
  const distinct = new Map(
    proofs.map(({ name, content }) => [`${name}\n${(content ?? '').trim()}`, { name: name as string, content: (content ?? '').trim() }]),
  );
  const wanted = tagName === undefined ? undefined : [...distinct.values()].filter(({ name }) => name === tagName.toLowerCase());
  const left = wanted && wanted.length > 0 ? wanted : [...distinct.values()];
  const [only] = left;
  if (left.length > 1 || !only) return { ok: false, reason: 'several', found: left.map(({ name }) => name).join(', ') };
  if (only.content === '') return { ok: false, reason: 'no-content', found: only.name };
  const around = !/^<meta\b[^>]*>?$/i.test(text);
  return { ok: true, piece: { kind: 'tag', name: only.name, content: only.content }, around };
}

/** Words by which panels and mails label the parts of a record, in some languages. */
const LABELS: Readonly<Record<'name' | 'value' | 'type', RegExp>> = {
  name: /^(?:record\s+)?(?:host(?:\s*name)?|name|subdomain|alias|hostname|label|domain name|nom|nombre)\s*(?:\([^)]*\))?\s*[:=\t]\s*(.*)$/i,
  value:
    /^(?:record\s+)?(?:value|content|data|points? to|target|answer|txt(?: value)?|text|canonical name|wert|inhalt|ziel|valeur|valor|destination)\s*(?:\([^)]*\))?\s*[:=\t]\s*(.*)$/i,
  type: /^(?:record\s+)?(?:type|typ|tipo)\s*[:=\t]\s*(txt|cname)\b/i,
};

function recordIn(text: string, { host }: PieceOptions): ReadPiece | undefined {
  const lines = text.split('\n').map((line) => line.trim());
  // A line of a zone file: name, time to live, class, type, data.
  for (const line of lines) {
    const zone = /^(\S+)?\s*(?:\d+\s+)?(?:IN\s+)?(?:\d+\s+)?\b(TXT|CNAME)\b\s+(.+)$/i.exec(line);
    if (!zone || (zone[1] !== undefined && !isRecordName(zone[1]))) continue;
    const [, name = '@', type = '', data = ''] = zone;
    const content = dataOf(data, type);
    if (content !== undefined) return recordOf(name, type, content, host, lines.filter(Boolean).length > 1);
  }
  const labelled = { name: '', value: '', type: '' };
  for (const [at, line] of lines.entries())
    for (const label of ['type', 'name', 'value'] as const) {
      const found = LABELS[label].exec(line);
      // Some put what is meant on the next line.
      if (found && labelled[label] === '') labelled[label] = (found[1] ?? '').trim() || (lines[at + 1] ?? '');
    }
  const type = labelled.type || (/(?<![.\w])CNAME\b/i.test(text) ? 'CNAME' : /(?<![.\w])(?:TXT|DNS)\b/i.test(text) ? 'TXT' : '');
  if (type === '') return undefined;
  const value = labelled.value === '' ? undefined : dataOf(labelled.value, type);
  if (value !== undefined) return recordOf(labelled.name || '@', type, value, host, true);
  if (/^cname$/i.test(type)) return { ok: false, reason: 'no-content', found: 'CNAME' };
  const sentence = RECORD_VALUES.map((value) => value.exec(text)?.[1]).find((found) => found !== undefined);
  return sentence === undefined ? undefined : recordOf(labelled.name || '@', 'TXT', sentence.replace(/\s?=\s?/, '='), host, true);
}

const isRecordName = (name: string): boolean => name === '@' || HOST_NAME.test(name);

/** What a record says: several quoted strings are one (RFC 7208, 3.3); a name for a CNAME. Undefined where it is neither. */
function dataOf(data: string, type: string): string | undefined {
  if (/^cname$/i.test(type)) {
    const name = data.split(/\s/)[0] ?? '';
    return HOST_NAME.test(name) && name.includes('.') ? name.replace(/\.$/, '').toLowerCase() : undefined;
  }
  const quoted = [...data.matchAll(/"((?:[^"\\]|\\.)*)"/g)].map(([, inner = '']) => inner.replace(/\\(.)/g, '$1'));
  const content = (quoted.length > 0 ? quoted.join('') : data).trim();
  return content === '' ? undefined : content;
}

function recordOf(written: string, type: string, content: string, host: string, around: boolean): ReadPiece {
  const name = recordName(written, host);
  if (name === undefined) return { ok: false, reason: 'other-domain', found: written };
  return { ok: true, piece: { kind: /^cname$/i.test(type) ? 'cname' : 'txt', name, content }, around };
}

/** A record's name relative to the domain, from any of its usual forms: `@`, nothing, the domain itself or a name below it with or without a dot behind; undefined for a name of another domain. */
export function recordName(written: string, host: string): string | undefined {
  const domain = host.replace(/^www\./, '').toLowerCase();
  const name = written
    .trim()
    .replace(/^["']|["']$/g, '')
    .toLowerCase();
  const bare = name.replace(/\.$/, '');
  if (bare === '' || bare === '@' || bare === domain) return '@';
  if (bare.endsWith(`.${domain}`)) return bare.slice(0, -domain.length - 1);
  // A name with a dot behind is whole; one of several parts that ends in what looks like a domain is another's.
  if (name.endsWith('.') || /\.[a-z]{2,}$/.test(bare)) return undefined;
  return HOST_NAME.test(bare) ? bare : undefined;
}

function fileIn(text: string): ReadPiece | undefined {
  const names = [...new Set([...text.matchAll(NAMED_FILE)].flatMap(([, name = '']) => (/^(?:index|robots|sitemap|readme)\./i.test(name) ? [] : [name])))];
  const [name] = names;
  if (name === undefined || (names.length > 1 && !names.every((one) => one === name)))
    return names.length > 1 ? { ok: false, reason: 'several', found: names.join(', ') } : undefined;
  const behind = text.slice(text.indexOf(name) + name.length);
  const said = /(?:contain(?:s|ing)?|content|with|text|inhalt|contenu|contenido|reads?|says?)[^\n:"'`]{0,60}[:\s]\s*["'`]?([^\n"'`]{4,400})["'`]?/i
    .exec(behind)?.[1]
    ?.trim();
  const lines = behind.split('\n').map((line) => line.trim());
  const content =
    said ?? lines.slice(1).find((line) => /\w/.test(line) && (line.includes(name) || /^[\w.-]+[:=]\s?[\w.=-]{6,}$/.test(line) || /^[\w=-]{16,}$/.test(line)));
  if (content === undefined) return { ok: false, reason: 'file-alone', found: name };
  return { ok: true, piece: { kind: 'file', name, content: isPageFile(name) || !/[.!]$/.test(content) ? content : content.slice(0, -1) }, around: true };
}

function codeIn(text: string, { tagName }: PieceOptions): ReadPiece {
  const codes = [...new Set(text.match(CODE) ?? [])].filter((code) => code.toLowerCase() !== tagName?.toLowerCase() && /\d/.test(code));
  const [content] = codes;
  if (content === undefined) return { ok: false, reason: 'no-code' };
  if (codes.length > 1) return { ok: false, reason: 'several', found: codes.join(', ') };
  const pair = /^([\w.-]+)=([\w+/=-]{6,})$/.exec(text);
  if (pair) return { ok: true, piece: { kind: 'txt', name: '@', content: text }, around: false };
  if (tagName === undefined) return { ok: false, reason: 'code-alone', found: content };
  return { ok: true, piece: { kind: 'tag', name: tagName, content }, around: content !== text };
}
