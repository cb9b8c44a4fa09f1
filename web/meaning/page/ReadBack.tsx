import type { Piece } from '../../../core/wording/index.ts';

/** A value that was pressed. */
export interface Pressed {
  readonly processor: string;
  readonly path: string;
  readonly text: string;
}

const LEGEND = [
  { from: 'page', words: 'from the page' },
  { from: 'feed', words: 'from the feed' },
  { from: 'site', words: 'from the site' },
  { from: 'owner', words: 'yours' },
] as const;

/** Sentences with their values marked by where they come from; each can be pressed. */
export function ReadBack({
  sentences,
  pressed,
  onPress,
}: {
  readonly sentences: readonly (readonly Piece[])[];
  readonly pressed: Pressed | undefined;
  readonly onPress: (pressed: Pressed) => void;
}) {
  const pieces = sentences.flat();
  const used = new Set(pieces.flatMap((piece) => (piece.kind === 'value' ? [piece.from] : [])));
  const isPressed = (piece: { readonly processor: string; readonly path: string }): boolean =>
    pressed?.processor === piece.processor && pressed.path === piece.path;
  return (
    <div className="panel p-5" aria-labelledby="read-back">
      {sentences.map((sentence, at) => (
        <p key={at} data-testid="read-back" className="text-xl/[1.75] wrap-anywhere not-first:mt-3">
          {sentence.map((piece, index) =>
            piece.kind === 'words' ? (
              piece.text
            ) : (
              // A button would be a block in the sentence: long values have to run on with its lines.
              <span
                key={index}
                role="button"
                tabIndex={0}
                className={piece.kind === 'gap' ? 'told told-gap' : `told told-${piece.from}`}
                aria-pressed={isPressed(piece)}
                onClick={() => onPress(piece)}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' && event.key !== ' ') return;
                  event.preventDefault();
                  onPress(piece);
                }}
              >
                {piece.text}
              </span>
            ),
          )}
        </p>
      ))}
      <ul className="mt-4 flex flex-wrap gap-x-5 gap-y-1 text-note" aria-label="Where values come from">
        {LEGEND.filter(({ from }) => used.has(from)).map(({ from, words }) => (
          <li key={from} className="soft flex items-center gap-2">
            <span className={`inline-block w-5 border-t-3 told-${from}`} aria-hidden /> {words}
          </li>
        ))}
        {pieces.some(({ kind }) => kind === 'gap') && (
          <li className="soft flex items-center gap-2">
            <span className="inline-block w-5 border-t-2 border-dashed border-error" aria-hidden /> not on the page: left out
          </li>
        )}
      </ul>
    </div>
  );
}
