import { useState, type DragEvent } from 'react';

/** Takes what is dropped onto an element: whether something is held over it, and the handlers the element needs. */
export function useDrop(take: (dropped: DataTransfer) => void) {
  const [isOver, setOver] = useState(false);
  return {
    isOver,
    handlers: {
      onDragOver: (event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        take(event.dataTransfer);
      },
    },
  };
}
