import { closestCenter, DndContext, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { dragWords, useDragSensors } from './drag-words.ts';

/**
 * Lines that can be put into another order: dragged by their grip, moved with the keyboard, or by a press. `line` draws one with what moves it, which is
 * nothing where there is only one; `name` says which line it is to those who listen; `last` stands below all.
 */
export function SortableList<T extends { readonly id: string }>({
  items,
  name,
  onMove,
  line,
  last,
}: {
  readonly items: readonly T[];
  readonly name: (item: T) => string;
  readonly onMove: (from: number, to: number) => void;
  readonly line: (item: T, index: number, mover: ReactNode) => ReactNode;
  readonly last?: ReactNode;
}) {
  const sensors = useDragSensors();
  const ids = items.map((item) => item.id);
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over && active.id !== over.id) onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
  };
  const words = dragWords(ids, (index) => (items[index] ? name(items[index]) : ''));
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped} accessibility={words}>
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul className="panel divide-y divide-line">
          {items.map((item, index) => (
            <Line key={item.id} id={item.id} name={name(item)} index={index} count={items.length} onMove={onMove}>
              {(mover) => line(item, index, mover)}
            </Line>
          ))}
          {last !== undefined && <li className="p-3">{last}</li>}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

function Line({
  id,
  name,
  index,
  count,
  onMove,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly index: number;
  readonly count: number;
  readonly onMove: (from: number, to: number) => void;
  readonly children: (mover: ReactNode) => ReactNode;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const mover = count > 1 && (
    <span className="flex flex-none">
      <button type="button" className="icon-btn cursor-grab touch-none" aria-label={`Move ${name}`} {...attributes} {...listeners}>
        <GripVertical size={15} aria-hidden />
      </button>
      <button type="button" className="icon-btn" aria-label={`Ask ${name} earlier`} disabled={index === 0} onClick={() => onMove(index, index - 1)}>
        <ArrowUp size={15} aria-hidden />
      </button>
      <button type="button" className="icon-btn" aria-label={`Ask ${name} later`} disabled={index === count - 1} onClick={() => onMove(index, index + 1)}>
        <ArrowDown size={15} aria-hidden />
      </button>
    </span>
  );
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? 'relative z-10 bg-base-100 shadow-lg' : ''}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      data-line={name}
    >
      {children(mover)}
    </li>
  );
}
