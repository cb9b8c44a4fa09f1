import type { FileFault } from './file-fault.ts';

/** What an engine gives an owner to place, in one of the four ways there are. */
export type ProofPiece =
  | { readonly kind: 'tag'; readonly name: string; readonly content: string }
  /** A file at the root of the site or in `.well-known`, byte for byte. */
  | { readonly kind: 'file'; readonly name: string; readonly content: string }
  /** A record of the domain: `name` relative to it, `@` for the domain itself. */
  | { readonly kind: 'txt' | 'cname'; readonly name: string; readonly content: string };

/** Why nothing of what was pasted can be placed. */
export type PieceRefusal =
  | 'empty'
  | 'script'
  | 'several'
  | 'no-code'
  | 'no-content'
  | 'code-alone'
  | 'file-alone'
  | 'other-domain'
  | 'tells-crawlers'
  | 'place-holder'
  | 'cut-off'
  | 'mail-record'
  | FileFault;

/** What was pasted, understood: the piece, and whether other words stood around it. */
export type ReadPiece =
  /** `calledBefore`: the name that a browser gave the file when it was saved. */
  | { readonly ok: true; readonly piece: ProofPiece; readonly around: boolean; readonly calledBefore?: string }
  /** `offers`: of several, each of which could be placed, all. */
  | { readonly ok: false; readonly reason: PieceRefusal; readonly found?: string; readonly offers?: readonly ProofPiece[] };

export interface PieceOptions {
  /** The site's own host. */
  readonly host: string;
  /** What the engine calls its tag, where that is known: then a bare code will do. */
  readonly tagName?: string | undefined;
}

/** Words that stand where a code belongs. */
const PLACE_HOLDER =
  /^[<[{(%$_*\s-]*(?:(?:your|the|my|insert|paste|enter|put|add)(?![a-z\d])[\s_-]*)*(?:(?:verification|proof|site|unique|own)[\s_-]*)*(?:code|token|key|value|content|id|string|code[\s_-]*here|here)?[\s_-]*(?:here)?[>\]})%$_*\s-]*$|^[x*.#_-]{4,}$|^(?:abc)?1234567?8?9?0?$/i;
const LONGEST_PLACE_HOLDER = 60;
/** What a template puts its values into: no engine gives such a code, a page that was not filled in has it. */
const TEMPLATE = /\{\{|\}\}|<[?%]|\$\{|\[\[|^%[\w-]+%$/;
/** Records by which mail is sent: none of them is for an engine. */
const MAIL_RECORD = /^\s*(?:v=(?:spf1|dkim1|dmarc1|bimi1|stsv1|tlsrptv1)\b|spf2\.0\/)/i;

/** Whether a record's data is for mail. */
export const isMailRecord = (data: string): boolean => MAIL_RECORD.test(data);

/** The same, unless what it says is no code: words that stand for one, one that is cut off, or a record for mail. */
export function soundPiece(read: ReadPiece): ReadPiece {
  if (!read.ok || read.piece.kind === 'cname') return read;
  const { kind, content } = read.piece;
  const code = content.trim().replace(/^[\w.-]+[=:]\s?(?=.)/, '');
  if (kind === 'txt' && isMailRecord(content)) return { ok: false, reason: 'mail-record', found: content.slice(0, 40) };
  if (/(?:…|\.{3})$/.test(content.trim())) return { ok: false, reason: 'cut-off', found: content.slice(-40) };
  if (TEMPLATE.test(content)) return { ok: false, reason: 'place-holder', found: content.slice(0, 60) };
  const short = [code, content.trim()].filter(({ length }) => length <= LONGEST_PLACE_HOLDER);
  if (short.some((text) => PLACE_HOLDER.test(text))) return { ok: false, reason: 'place-holder', found: content.slice(0, 60) };
  return read;
}
