import { memo, useCallback, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { stem } from '../../shared/format';
import type { PieceView } from './queries';
import { layWall, neighbour } from './wall';

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

/** A wall with a brick for each piece, laid as it is done; arrow keys go from brick to brick. */
export function Wall({ pieces, chosen, onChoose }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [reached, setReached] = useState(0);
  useLayoutEffect(() => {
    const element = place.current!;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const wall = useMemo(() => layWall(pieces.length, Math.max(80, size.width), size.height), [pieces.length, size]);
  const newest = useRef(onChoose);
  newest.current = onChoose;
  const choose = useCallback((piece: PieceView, index: number) => {
    setReached(index);
    newest.current(piece);
  }, []);
  const walk = (event: KeyboardEvent<HTMLDivElement>) => {
    const to = neighbour(wall, reached, event.key);
    if (to === reached || event.altKey) return;
    event.preventDefault();
    setReached(to);
    event.currentTarget.querySelector<HTMLElement>(`[data-index="${to}"]`)?.focus();
  };
  return (
    <div ref={place} className="wall">
      {size.width > 0 && (
        // One stop for Tab, the brick reached last; from there the arrows lead on.
        // oxlint-disable-next-line jsx-a11y/interactive-supports-focus
        <div
          className="wall-bricks"
          style={{ height: wall.height }}
          role="toolbar"
          aria-label="Pieces; arrow keys lead from one to the next"
          onKeyDown={walk}
        >
          {wall.bricks.map(({ index, ...brick }) => (
            <WallBrick
              key={pieces[index]!.id}
              piece={pieces[index]!}
              index={index}
              {...brick}
              isChosen={pieces[index]!.id === chosen}
              isReached={index === reached}
              onChoose={choose}
            />
          ))}
        </div>
      )}
    </div>
  );
}

interface BrickProps {
  piece: PieceView;
  index: number;
  x: number;
  y: number;
  width: number;
  height: number;
  isChosen: boolean;
  isReached: boolean;
  onChoose: (piece: PieceView, index: number) => void;
}

/** Drawn again only when its own piece has changed: a run of thousands tells four times a second. */
const WallBrick = memo(function WallBrick({ piece, index, x, y, width, height, isChosen, isReached, onChoose }: BrickProps) {
  const words = `${piece.name}, ${stateWords[piece.state]}`;
  return (
    <button
      type="button"
      data-index={index}
      tabIndex={isReached ? 0 : -1}
      className={`laid laid-${piece.state.toLowerCase()} shade-${index % 3}${isChosen ? ' laid-chosen' : ''}`}
      style={{ left: x, top: y, width, height }}
      aria-pressed={isChosen}
      title={words}
      onClick={() => onChoose(piece, index)}
    >
      {width >= TEXT_FROM && (
        <>
          <span>{stem(piece.originalPath)} </span>
          <small>{smallText(piece)} </small>
        </>
      )}
      <span className="visually-hidden">{words}</span>
    </button>
  );
});

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
