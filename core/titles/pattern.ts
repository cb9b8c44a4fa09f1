import { z } from 'zod';

/** Parts that a pattern can be made of; what each gives is told by the page and the site. */
export const PARTS = [
  'page-name',
  'own-title',
  'site-name',
  'tagline',
  'separator',
  'kind',
  'folder',
  'date',
  'author',
  'price',
  'first-words',
  'phrase',
  'category',
] as const;
export type Part = (typeof PARTS)[number];

/** One piece of a pattern: the first of several parts that gives something, or a text as it was typed. */
export type Piece = { readonly text: string } | { readonly first: readonly (Part | { readonly text: string })[] };
export type Pattern = readonly Piece[];

/** What the parts give on one page; asked for only when a pattern needs it. */
export type PartValues = (part: Part) => string;

const textPiece = z.strictObject({ text: z.string().max(300) });
const patternSchema: z.ZodType<Pattern> = z
  .array(
    z.union([
      textPiece,
      z.strictObject({
        first: z
          .array(z.union([z.enum(PARTS), textPiece]))
          .min(1)
          .max(6),
      }),
    ]),
  )
  .max(24);

/** A pattern as it is kept in the document. */
export function writePattern(pattern: Pattern): string {
  return JSON.stringify(pattern);
}

/** Reads a kept pattern; undefined where there is none or it cannot be read. */
export function readPattern(kept: string | null | undefined): Pattern | undefined {
  if (kept === null || kept === undefined || kept === '') return undefined;
  try {
    const parsed = patternSchema.safeParse(JSON.parse(kept));
    return parsed.success && parsed.data.length > 0 ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The text a pattern makes. Pieces are joined by single spaces, a text that begins with a closing mark without one. A separator with nothing at one
 * of its sides is left out, so that an empty part leaves no "Boxes | | Bindery". An empty part takes along what was there for its sake: brackets around it,
 * a currency, the word before it ("from", "by"); and where all parts between two separators are empty, the words between them.
 */
export function renderPattern(pattern: Pattern, values: PartValues): string {
  const made = pattern.map((piece) => ({ text: pieceText(piece, values), separates: isSeparator(piece), isPart: 'first' in piece && !isSeparator(piece) }));
  let from = 0;
  for (let at = 0; at <= made.length; at++) {
    if (at < made.length && !made[at]?.separates) continue;
    const between = made.slice(from, at);
    const parts = between.filter(({ isPart }) => isPart);
    if (parts.length > 0 && parts.every(({ text }) => text === '')) for (const piece of between) piece.text = '';
    from = at + 1;
  }
  made.forEach(({ isPart, text }, at) => {
    if (!isPart || text !== '') return;
    const [before, after] = [made[at - 1], made[at + 1]];
    const [own, next] = [before && !before.isPart && !before.separates ? before : undefined, after && !after.isPart && !after.separates ? after : undefined];
    if (next) next.text = next.text.replace(UNIT_BEHIND, '');
    if (!own) return;
    const bare = own.text.replace(UNIT_BEFORE, '');
    const opened = OPENED.test(bare);
    own.text = (opened ? bare.replace(OPENED, '') : bare).replace(JOINING, '');
    if (opened && next) next.text = next.text.replace(CLOSING, '');
  });
  const pieces = made.filter((piece) => piece.text !== '');
  const kept = pieces.filter(
    (piece, index) => !piece.separates || (index > 0 && pieces[index - 1]?.separates === false && pieces.slice(index + 1).some((later) => !later.separates)),
  );
  return kept
    .map((piece, index) =>
      index === 0 || /^[,.;:!?)\]”’…]/.test(piece.text) || /[([„“‘«‹]$/.test(kept[index - 1]?.text ?? '') ? piece.text : ` ${piece.text}`,
    )
    .join('')
    .replace(/[\t\n\f\r ]+/g, ' ')
    .replace(/^ | $/g, '');
}

/** What stands in front of a part or behind it for its sake alone. */
const UNIT_BEFORE = /(?:^|\s|(?<=[([]))(?:[$€£¥₹]|[A-Z]{3})\s*$/;
const UNIT_BEHIND = /^\s*(?:[$€£¥₹%]|[A-Z]{3}(?![\p{L}]))/u;
const OPENED = /\s*[([{„“‘"«‹]\s*(?:[\p{L}]{1,8}\s*)?$/u;
const CLOSING = /^\s*[)\]}”’"»›]/;
const JOINING =
  /(?:^|\s)(?:from|by|on|in|at|for|with|since|of|about|only|just|ab|von|vom|am|im|bei|für|mit|seit|nur|über|dès|de|du|des|par|le|à partir de|en|pour|avec|desde|por|el|con|da|di|il|per|vanaf|van|op|door|voor|met|em|com|:|[-\u2013\u2014,])\s*$/i;

/** What one piece gives on a page. */
export function pieceText(piece: Piece, values: PartValues): string {
  if ('text' in piece) return piece.text.trim();
  for (const candidate of piece.first) {
    const value = (typeof candidate === 'string' ? values(candidate) : candidate.text).trim();
    if (value !== '') return value;
  }
  return '';
}

function isSeparator(piece: Piece): boolean {
  return 'first' in piece && piece.first[0] === 'separator';
}
