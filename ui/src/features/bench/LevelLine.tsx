import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { toPicture, toScreen, type Lie } from './viewTransform';

/** A line along what should be level or upright, in pixels of the seen picture. */
export interface Line {
  from: Point;
  to: Point;
}

interface Point {
  x: number;
  y: number;
}

interface Props {
  line: Line;
  lie: Lie;
  /** While an end is moved. */
  onDraw: (line: Line) => void;
  /** When it has been moved. */
  onDrawn: (line: Line) => void;
}

const ends = ['from', 'to'] as const;

const steps: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** The line on the stage; its two ends can be taken again, by hand or by keys. */
export function LevelLine({ line, lie, onDraw, onDrawn }: Props) {
  const taken = useRef<'from' | 'to'>(undefined);
  const from = toScreen(lie, line.from.x, line.from.y);
  const to = toScreen(lie, line.to.x, line.to.y);
  const places = { from, to };

  const place = (event: PointerEvent): Point => {
    const box = event.currentTarget.parentElement!.getBoundingClientRect();
    return toPicture(lie, event.clientX - box.left, event.clientY - box.top);
  };
  const key = (end: 'from' | 'to', event: KeyboardEvent) => {
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? 10 : 1;
    const at = places[end];
    onDrawn({ ...line, [end]: toPicture(lie, at.x + step.x * far, at.y + step.y * far) });
  };
  return (
    <>
      <svg className="level-line" aria-hidden="true">
        <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} />
      </svg>
      {ends.map((end) => (
        <button
          key={end}
          type="button"
          className="level-end"
          aria-label={`${end === 'from' ? 'One end' : 'The other end'} of the level line: arrow keys move it`}
          style={{ left: places[end].x, top: places[end].y }}
          onKeyDown={(event) => key(end, event)}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            taken.current = end;
          }}
          onPointerMove={(event) => {
            if (taken.current === end) onDraw({ ...line, [end]: place(event) });
          }}
          onPointerUp={(event) => {
            event.stopPropagation();
            if (taken.current !== end) return;
            taken.current = undefined;
            onDrawn({ ...line, [end]: place(event) });
          }}
        />
      ))}
    </>
  );
}
