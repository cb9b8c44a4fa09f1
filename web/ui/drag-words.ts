import { KeyboardSensor, PointerSensor, useSensor, useSensors, type Announcements, type UniqueIdentifier } from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';

const HOW = { draggable: 'Press space to pick it up, the arrow keys to move it, space again to put it down, Escape to leave it where it was.' };

/** Dragging by a pointer, once it has moved a little, and by the keyboard. */
export function useDragSensors(): ReturnType<typeof useSensors> {
  return useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
}

/** What is told to those who listen while something is moved among others: its name, not its id. */
export function dragWords(
  ids: readonly string[],
  name: (index: number) => string,
): { readonly announcements: Announcements; readonly screenReaderInstructions: typeof HOW } {
  const nameOf = (id: UniqueIdentifier): string => name(ids.indexOf(String(id)));
  const place = (over: { readonly id: UniqueIdentifier } | null): string =>
    over ? `is at place ${ids.indexOf(String(over.id)) + 1} of ${ids.length}` : 'is at no place';
  return {
    announcements: {
      onDragStart: ({ active }) => `Picked up: ${nameOf(active.id)}.`,
      onDragOver: ({ active, over }) => `${nameOf(active.id)} ${place(over)}.`,
      onDragEnd: ({ active, over }) => `Put down: ${nameOf(active.id)} ${place(over)}.`,
      onDragCancel: ({ active }) => `Left where it was: ${nameOf(active.id)}.`,
    },
    screenReaderInstructions: HOW,
  };
}
