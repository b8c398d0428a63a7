import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { decimals, stem } from '../../shared/format';

interface Props {
  originals: Schemas['OriginalView'][];
  outlook: Map<string, Schemas['PictureOutlook']>;
  at: number;
  isAccepted: (originalId: string) => boolean;
  onGo: (at: number) => void;
}

/** The pile as a narrow column, each picture with its state. */
export function BenchPile({ originals, outlook, at, isAccepted, onGo }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: originals.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 54,
    overscan: 6,
  });
  useEffect(() => rows.scrollToIndex(at), [at, rows]);
  const accepted = originals.filter(({ id }) => isAccepted(id)).length;
  return (
    <aside className="bench-pile" aria-label="Pile">
      <header>
        <h2>Pile</h2>
        <span className="quiet">
          {accepted} of {originals.length}
        </span>
      </header>
      <div ref={scroller} className="bench-list">
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map((row) => {
            const original = originals[row.index]!;
            const here = row.index === at;
            const picture = outlook.get(original.id);
            return (
              <button
                key={original.id}
                type="button"
                tabIndex={-1}
                className={`bench-item${here ? ' bench-here' : ''}`}
                aria-current={here}
                style={{ transform: `translateY(${row.start}px)` }}
                onClick={() => onGo(row.index)}
              >
                <img src={smallPicture(original.id, original.digest, 384)} alt="" />
                <span>
                  <strong>{stem(original.path)}</strong>
                  <State here={here} accepted={isAccepted(original.id)} picture={picture} />
                </span>
              </button>
            );
          })}
        </div>
      </div>
    </aside>
  );
}

function State({
  here,
  accepted,
  picture,
}: {
  here: boolean;
  accepted: boolean;
  picture?: Schemas['PictureOutlook'];
}) {
  if (accepted) return <span className="state-framed">● framed</span>;
  if (here) return <span>▶ here</span>;
  if (picture?.verdict === 'POOR') return <span className="state-poor">■ {decimals(picture.realPpi, 0)} ppi</span>;
  return <span className="quiet">○ waiting</span>;
}
