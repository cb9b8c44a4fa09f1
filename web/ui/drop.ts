import { useState, type DragEvent } from 'react';

/** What is needed to take what is dropped on an element: whether something is held over it, and what the element is given. */
export function useDrop(take: (transfer: DataTransfer) => void): {
  readonly over: boolean;
  readonly zone: {
    readonly onDragOver: (event: DragEvent) => void;
    readonly onDragLeave: (event: DragEvent<Element>) => void;
    readonly onDrop: (event: DragEvent) => void;
  };
} {
  const [over, setOver] = useState(false);
  return {
    over,
    zone: {
      onDragOver: (event) => {
        event.preventDefault();
        setOver(true);
      },
      // Over what lies within it is still over it.
      onDragLeave: (event) => {
        if (!(event.relatedTarget instanceof Node) || !event.currentTarget.contains(event.relatedTarget)) setOver(false);
      },
      onDrop: (event) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer);
      },
    },
  };
}
