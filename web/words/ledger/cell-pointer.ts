import { useRef, type PointerEvent, type RefObject } from 'react';
import type { At } from './selection.ts';

function atPointer(event: PointerEvent): At | undefined {
  const target = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-column]');
  const row = target?.closest<HTMLElement>('[data-row]');
  return target && row ? { row: Number(row.dataset['row']), column: Number(target.dataset['column']) } : undefined;
}

/** What a pointer does in a grid: it selects cells, or takes the corner of the selection and fills cells with it. Gives the element's listeners. */
export function useCellPointer(
  grid: RefObject<HTMLElement | null>,
  {
    onPress,
    onSelect,
    onFill,
    onFilled,
  }: {
    /** `extend` where the selection goes on from where it began. */
    readonly onPress: (at: At, extend: boolean) => void;
    readonly onSelect: (at: At) => void;
    readonly onFill: (at: At) => void;
    readonly onFilled: () => void;
  },
) {
  const drag = useRef<'select' | 'fill'>(undefined);
  return {
    onPointerDown: (event: PointerEvent): void => {
      const at = atPointer(event);
      if (!at || event.button !== 0) return;
      drag.current = (event.target as HTMLElement).dataset['fill'] === undefined ? 'select' : 'fill';
      if (drag.current === 'select') onPress(at, event.shiftKey);
      grid.current?.focus({ preventScroll: true });
    },
    onPointerMove: (event: PointerEvent): void => {
      const at = drag.current && atPointer(event);
      if (at) (drag.current === 'select' ? onSelect : onFill)(at);
    },
    onPointerUp: (): void => {
      if (drag.current === 'fill') onFilled();
      drag.current = undefined;
    },
  };
}
