import { fit, type Room } from '../../core/titles/index.ts';
import { ROOM_NAMES } from './wording.ts';

/** Room past the farthest cut, so that one sees how far a text overshoots. */
const BEYOND = 1.18;
/** Two marks nearer than this share of the scale would have their names over each other. */
const CLOSE = 0.07;

/** A scale in real widths: how far the text reaches, where each place cuts it, hatching past the cut. */
export function FitRuler({ text, rooms }: { readonly text: string; readonly rooms: readonly Room[] }) {
  const fits = rooms.map((room) => fit(text, room));
  const farthest = Math.max(...rooms.map((room) => room.width));
  const scale = farthest * BEYOND;
  const width = fits[0]?.width ?? 0;
  const main = rooms[0]?.width ?? 0;
  const share = (px: number): string => `${Math.min(100, (px / scale) * 100)}%`;
  const words = fits.map(({ room, cut }) => `${ROOM_NAMES[room.id]}: ${cut ? 'cut' : 'fits'}`).join(', ');
  const crowded = (room: Room): boolean => rooms.some((other) => other.width > room.width && (other.width - room.width) / scale < CLOSE);
  return (
    <div
      className="ruler"
      role="img"
      dir={runsFromRight(text) ? 'rtl' : 'ltr'}
      aria-label={`${Math.round(width)} ${rooms[0]?.unit === 'characters' ? 'characters' : 'pixels'} wide; ${words}`}
      data-testid="ruler"
    >
      <div className="ruler-fill" style={{ width: share(Math.min(width, main)) }} />
      {width > main && <div className="ruler-over" style={{ insetInlineStart: share(main), width: `calc(${share(width)} - ${share(main)})` }} />}
      {rooms.map((room, index) => (
        <span
          key={room.id}
          className={`ruler-mark${index === 0 ? ' hard' : ''}${room.width / scale > 0.9 || crowded(room) ? ' left' : ''}`}
          style={{ insetInlineStart: share(room.width) }}
        >
          {ROOM_NAMES[room.id]}
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
