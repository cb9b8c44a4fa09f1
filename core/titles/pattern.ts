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
 * of its sides is left out, so that an empty part leaves no "Boxes | | Bindery".
 */
export function renderPattern(pattern: Pattern, values: PartValues): string {
  const pieces = pattern.map((piece) => ({ text: pieceText(piece, values), separates: isSeparator(piece) })).filter((piece) => piece.text !== '');
  const kept = pieces.filter(
    (piece, index) => !piece.separates || (index > 0 && pieces[index - 1]?.separates === false && pieces.slice(index + 1).some((later) => !later.separates)),
  );
  return kept
    .map((piece, index) => (index === 0 || /^[,.;:!?)\]”’…]/.test(piece.text) ? piece.text : ` ${piece.text}`))
    .join('')
    .replace(/[\t\n\f\r ]+/g, ' ')
    .replace(/^ | $/g, '');
}

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
