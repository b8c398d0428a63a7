import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { stem } from '../../shared/format';
import type { PieceView } from './queries';
import { layWall } from './wall';

interface Props {
  pieces: PieceView[];
  chosen?: string;
  onChoose: (piece: PieceView) => void;
}

const TEXT_FROM = 58;

const stateWords: Record<PieceView['state'], string> = {
  WAITING: 'waiting',
  MAKING: 'making',
  CHECKED: 'checked',
  FAILED: 'failed',
  STOPPED: 'stopped',
};

/** A wall with a brick for each piece, laid as it is done; its shape tells how it stands. */
export function Wall({ pieces, chosen, onChoose }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = place.current!;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const wall = useMemo(() => layWall(pieces.length, Math.max(80, size.width), size.height), [pieces.length, size]);
  return (
    <div ref={place} className="wall">
      {size.width > 0 && (
        <div className="wall-bricks" style={{ height: wall.height }} role="list" aria-label="Pieces">
          {wall.bricks.map(({ index, x, y, width, height }) => {
            const piece = pieces[index]!;
            const words = `${piece.name}, ${stateWords[piece.state]}`;
            return (
              <button
                key={piece.id}
                type="button"
                role="listitem"
                className={`laid laid-${piece.state.toLowerCase()} shade-${index % 3}${piece.id === chosen ? ' laid-chosen' : ''}`}
                style={{ left: x, top: y, width, height }}
                aria-label={words}
                title={words}
                onClick={() => onChoose(piece)}
              >
                {width >= TEXT_FROM && (
                  <>
                    <span>{stem(piece.originalPath)}</span>
                    <small>{smallText(piece)}</small>
                  </>
                )}
              </button>
            );
          })}
        </div>
      )}
    </div>
  );
}

function smallText(piece: PieceView): string {
  switch (piece.state) {
    case 'CHECKED':
      return `${piece.width} × ${piece.height} ✓`;
    case 'MAKING':
      return piece.checking ? 'checking' : 'making';
    case 'FAILED':
      return 'failed';
    case 'STOPPED':
      return 'stopped';
    case 'WAITING':
      return '';
    default:
      return piece.state satisfies never;
  }
}
