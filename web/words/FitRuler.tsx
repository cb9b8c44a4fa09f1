import { fit, type Room } from '../../core/titles/index.ts';

const NAMES: Readonly<Record<Room['id'], string>> = { result: 'wide', phone: 'phone', tab: 'tab' };
/** Room past the farthest cut, so that one sees how far a text overshoots. */
const BEYOND = 1.18;

/** A scale in real pixel widths: how far the text reaches, where each place cuts it, hatching past the cut. */
export function FitRuler({ text, rooms }: { readonly text: string; readonly rooms: readonly Room[] }) {
  const fits = rooms.map((room) => fit(text, room));
  const farthest = Math.max(...rooms.map((room) => room.width));
  const scale = farthest * BEYOND;
  const width = fits[0]?.width ?? 0;
  const main = rooms[0]?.width ?? 0;
  const share = (px: number): string => `${Math.min(100, (px / scale) * 100)}%`;
  const words = fits.map(({ room, cut }) => `${NAMES[room.id]}: ${cut ? 'cut' : 'fits'}`).join(', ');
  return (
    <div className="ruler" role="img" aria-label={`${Math.round(width)} pixels wide; ${words}`} data-testid="ruler">
      <div className="ruler-fill" style={{ width: share(Math.min(width, main)) }} />
      {width > main && <div className="ruler-over" style={{ left: share(main), width: `calc(${share(width)} - ${share(main)})` }} />}
      {rooms.map((room, index) => (
        <span
          key={room.id}
          className={`ruler-mark${index === 0 ? ' hard' : ''}${room.width / scale > 0.86 ? ' left' : ''}`}
          style={{ left: share(room.width) }}
        >
          {NAMES[room.id]}
        </span>
      ))}
    </div>
  );
}
