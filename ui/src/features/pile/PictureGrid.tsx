import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { LengthUnit } from '../../shared/format';
import { PictureCard } from './PictureCard';
import type { Entry } from './pileModel';

interface Props {
  entries: Entry[];
  ppi: number;
  unit: LengthUnit;
  chosen: Set<string>;
  onChoose: (entry: Entry, event: { shiftKey: boolean }) => void;
  onOpen: (entry: Entry) => void;
}

const CARD_WIDTH = 196;
const CARD_HEIGHT = 252;
const GAP = 10;

/** The pile as pictures; only the rows on screen exist, so thousands scroll as ten do. */
export function PictureGrid({ entries, ppi, unit, chosen, onChoose, onOpen }: Props) {
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
  return (
    <div ref={scroller} className="grid-scroll" role="listbox" aria-multiselectable="true" aria-label="Pictures">
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map((row) => (
          <div
            key={row.key}
            className="grid-row"
            role="presentation"
            style={{ transform: `translateY(${row.start}px)`, gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
          >
            {entries.slice(row.index * columns, (row.index + 1) * columns).map((entry) => (
              <PictureCard
                key={entry.original.id}
                entry={entry}
                ppi={ppi}
                unit={unit}
                chosen={chosen.has(entry.original.id)}
                onChoose={(event) => onChoose(entry, event)}
                onOpen={() => onOpen(entry)}
              />
            ))}
          </div>
        ))}
      </div>
    </div>
  );
}
