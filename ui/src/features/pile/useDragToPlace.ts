import { useState, type DragEvent } from 'react';

/** The data type that distinguishes a dragged picture from a dragged file. */
const KIND = 'application/x-embrick-picture';

export const isPictureDrag = ({ dataTransfer }: Pick<DragEvent, 'dataTransfer'>) => dataTransfer.types.includes(KIND);

interface Place {
  index: number;
  isAfter: boolean;
}

/**
 * Pictures of the pile dragged to another place in it. Cards say their place by `data-index`.
 *
 * @param onMove told the card that was taken and the one that it is put before; the count of cards for the end
 */
export function useDragToPlace(onMove: (from: number, before: number) => void) {
  const [place, setPlace] = useState<Place>();
  const cardOf = ({ target }: { target: EventTarget }) => (target as HTMLElement).closest<HTMLElement>('[data-index]');
  const placeOf = (event: DragEvent): Place | undefined => {
    const card = cardOf(event);
    if (!card || !isPictureDrag(event)) return undefined;
    const { left, width } = card.getBoundingClientRect();
    return { index: Number(card.dataset['index']), isAfter: event.clientX > left + width / 2 };
  };
  return {
    place,
    handlers: {
      onDragStart: (event: DragEvent) => {
        const card = cardOf(event);
        if (!card) return;
        event.dataTransfer.setData(KIND, card.dataset['index']!);
        event.dataTransfer.effectAllowed = 'move';
      },
      onDragOver: (event: DragEvent) => {
        const over = placeOf(event);
        if (!over) return;
        event.preventDefault();
        event.dataTransfer.dropEffect = 'move';
        if (place?.index !== over.index || place.isAfter !== over.isAfter) setPlace(over);
      },
      onDragEnd: () => setPlace(undefined),
      onDrop: (event: DragEvent) => {
        const over = placeOf(event);
        setPlace(undefined);
        if (!over) return;
        event.preventDefault();
        event.stopPropagation();
        onMove(Number(event.dataTransfer.getData(KIND)), over.index + (over.isAfter ? 1 : 0));
      },
    },
  };
}
