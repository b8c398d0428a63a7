import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { LengthUnit } from '../../shared/format';
import { gridStep } from '../../shared/gridStep';
import { PictureCard } from './PictureCard';
import type { Entry } from './pileModel';
import { useDragToPlace } from './useDragToPlace';

interface Props {
  entries: Entry[];
  ppi: number;
  unit: LengthUnit;
  chosen: Set<string>;
  /** The id of the picture that is looked at when the pile opens. */
  first: string | null;
  onChoose: (entry: Entry, event: { shiftKey: boolean }) => void;
  onOpen: (entry: Entry) => void;
  /** A picture is moved before the one at another place; the count of pictures for the end. */
  onMove: (from: number, before: number) => void;
}

const CARD_WIDTH = 196;
const CARD_HEIGHT = 252;
const GAP = 10;

/** The pile as pictures; only the rows on screen exist, so thousands scroll as ten do. */
export function PictureGrid({ entries, ppi, unit, chosen, first, onChoose, onOpen, onMove }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const [columns, setColumns] = useState(6);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    const observer = new ResizeObserver(() =>
      setColumns(Math.max(1, Math.floor((element.clientWidth + GAP) / (CARD_WIDTH + GAP)))),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const rows = useVirtualizer({
    count: Math.ceil(entries.length / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => CARD_HEIGHT + GAP,
    overscan: 3,
  });
  const [reached, setReached] = useState(() => Math.max(0, entries.findIndex(({ original }) => original.id === first)));
  const wanted = useRef<number>(undefined);
  const at = Math.min(reached, entries.length - 1);
  const walk = (event: KeyboardEvent) => {
    const to = gridStep(event.key, at, columns, entries.length);
    if (to === undefined || event.altKey) return;
    event.preventDefault();
    if (event.ctrlKey || event.metaKey) {
      if (to !== at) onMove(at, to > at ? to + 1 : to);
    }
    setReached(to);
    wanted.current = to;
    rows.scrollToIndex(Math.floor(to / columns));
  };
  // A row that was out of sight is drawn after the list was scrolled; then its picture takes the focus.
  useEffect(() => {
    if (wanted.current === undefined) return;
    const card = scroller.current?.querySelector<HTMLElement>(`[data-index="${wanted.current}"]`);
    if (!card) return;
    wanted.current = undefined;
    card.focus();
  });
  // Until somebody has moved on, it stays in sight however many columns there turn out to be.
  const opening = useRef(reached);
  useEffect(() => {
    if (opening.current > 0 && opening.current === reached) {
      rows.scrollToIndex(Math.floor(reached / columns), { align: 'center' });
    }
  }, [columns, reached, rows]);
  const newest = useRef({ onChoose, onOpen });
  newest.current = { onChoose, onOpen };
  const choose = useCallback((entry: Entry, index: number, event: { shiftKey: boolean }) => {
    setReached(index);
    newest.current.onChoose(entry, event);
  }, []);
  const open = useCallback((entry: Entry) => newest.current.onOpen(entry), []);
  const drag = useDragToPlace(onMove);
  return (
    <div
      ref={scroller}
      className="grid-scroll"
      role="listbox"
      aria-multiselectable="true"
      aria-label="Pictures"
      // Its pictures take the focus, one at a time.
      tabIndex={-1}
      onKeyDown={walk}
      {...drag.handlers}
    >
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map((row) => (
          <div
            key={row.key}
            className="grid-row"
            role="presentation"
            style={{ transform: `translateY(${row.start}px)`, gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
          >
            {entries.slice(row.index * columns, (row.index + 1) * columns).map((entry, i) => (
              <PictureCard
                key={entry.original.id}
                entry={entry}
                ppi={ppi}
                unit={unit}
                chosen={chosen.has(entry.original.id)}
                index={row.index * columns + i}
                isReached={row.index * columns + i === at}
                gap={drag.place?.index === row.index * columns + i ? (drag.place.isAfter ? 'after' : 'before') : undefined}
                onChoose={choose}
                onOpen={open}
              />
            ))}
          </div>
        ))}
      </div>
    </div>
  );
}
