import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useRef, type ReactNode } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { count, decimals, stem } from '../../shared/format';
import { toldPpi } from '../../shared/ppi';
import type { Override } from './queries';
import './pictureColumn.css';

const ROW = 58;

interface Props {
  originals: Schemas['OriginalView'][];
  estimate: Map<string, Schemas['PictureEstimate']>;
  at: number;
  isAccepted: (originalId: string) => boolean;
  overrideOf: (originalId: string) => Override;
  onGo: (at: number) => void;
  /** Stands above the pile. */
  head?: ReactNode;
}

/** The pile as a narrow column, each picture with its state. */
export const PictureColumn = memo(function PictureColumn({ originals, estimate, at, isAccepted, overrideOf, onGo, head }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: originals.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 6,
  });
  useEffect(() => rows.scrollToIndex(at), [at, rows]);
  const accepted = originals.filter(({ id }) => isAccepted(id)).length;
  return (
    <aside className="column" aria-label="Pile">
      <header>
        <h2>Pile</h2>
        <span className="quiet">
          {accepted} of {originals.length}
        </span>
      </header>
      {head}
      <div ref={scroller} className="column-list">
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map((row) => {
            const original = originals[row.index]!;
            const here = row.index === at;
            const picture = estimate.get(original.id);
            return (
              <button
                key={original.id}
                type="button"
                tabIndex={-1}
                className={`column-item${here ? ' column-here' : ''}`}
                aria-current={here}
                style={{ transform: `translateY(${row.start}px)` }}
                onClick={() => onGo(row.index)}
              >
                <img src={smallPicture(original, 384)} alt="" />
                <span>
                  <strong>{stem(original.path)}</strong>
                  <State here={here} accepted={isAccepted(original.id)} picture={picture} />
                  <Own override={overrideOf(original.id)} />
                </span>
              </button>
            );
          })}
        </div>
      </div>
    </aside>
  );
});

/** What a picture has of its own beside the ticket, in a word. */
export function overrideWords({ ppi, sharpening, copies, texts }: Override): string {
  return [
    copies ? count(copies, 'copy', 'copies') : '',
    ppi === null ? '' : `own ppi ${ppi}`,
    sharpening ? 'own sharpening' : '',
    texts ? 'own words' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

function Own({ override }: { override: Override }) {
  const words = overrideWords(override);
  return words ? <span className="state-own">◇ {words}</span> : null;
}

function State({
  here,
  accepted,
  picture,
}: {
  here: boolean;
  accepted: boolean;
  picture?: Schemas['PictureEstimate'];
}) {
  if (accepted) return <span className="state-framed">● framed</span>;
  if (here) return <span>▶ here</span>;
  if (picture?.verdict === 'POOR') return <span className="state-poor">■ {decimals(toldPpi(picture), 0)} ppi</span>;
  return <span className="quiet">○ to frame</span>;
}
