import { fit, type TextLimit } from '../../../core/titles/index.ts';
import { ROOM_NAMES } from '../wording.ts';

/** Room past the farthest cut, so that one sees how far a text overshoots. */
const BEYOND = 1.18;
/** Two marks nearer than this share of the scale would have their names over each other. */
const CLOSE = 0.07;

/** A scale in real widths: how far the text reaches, where each place cuts it, hatching past the cut. */
export function FitRuler({ text, limits }: { readonly text: string; readonly limits: readonly TextLimit[] }) {
  const fits = limits.map((limit) => fit(text, limit));
  const farthest = Math.max(...limits.map((limit) => limit.width));
  const scale = farthest * BEYOND;
  const width = fits[0]?.width ?? 0;
  const main = limits[0]?.width ?? 0;
  const share = (px: number): string => `${Math.min(100, (px / scale) * 100)}%`;
  const words = fits.map(({ limit, cut }) => `${ROOM_NAMES[limit.id]}: ${cut ? 'cut' : 'fits'}`).join(', ');
  const crowded = (limit: TextLimit): boolean => limits.some((other) => other.width > limit.width && (other.width - limit.width) / scale < CLOSE);
  return (
    <div
      className="ruler"
      role="img"
      dir={runsFromRight(text) ? 'rtl' : 'ltr'}
      aria-label={`${Math.round(width)} ${limits[0]?.unit === 'characters' ? 'characters' : 'pixels'} wide; ${words}`}
      data-testid="ruler"
    >
      <div className="ruler-fill" style={{ width: share(Math.min(width, main)) }} />
      {width > main && <div className="ruler-over" style={{ insetInlineStart: share(main), width: `calc(${share(width)} - ${share(main)})` }} />}
      {limits.map((limit, index) => (
        <span
          key={limit.id}
          className={`ruler-mark${index === 0 ? ' hard' : ''}${limit.width / scale > 0.9 || crowded(limit) ? ' left' : ''}`}
          style={{ insetInlineStart: share(limit.width) }}
        >
          {ROOM_NAMES[limit.id]}
        </span>
      ))}
    </div>
  );
}

/** Whether a text runs from the right, as browsers tell it: by its first letter of a strong direction. */
function runsFromRight(text: string): boolean {
  const first = /\p{L}/u.exec(text)?.[0];
  return first !== undefined && /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u.test(first);
}
