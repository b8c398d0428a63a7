import { useDrag } from '@use-gesture/react';
import type { KeyboardEvent } from 'react';
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
  /** What the line is for, for those who hear the page. */
  of?: string;
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
export function LevelLine({ line, of = 'level line', lie, onDraw, onDrawn }: Props) {
  const from = toScreen(lie, line.from.x, line.from.y);
  const to = toScreen(lie, line.to.x, line.to.y);
  const places = { from, to };

  const drag = useDrag(
    ({ args, event, last, movement: [dx, dy], memo }) => {
      // Otherwise the stage below would draw a new line.
      event.stopPropagation();
      const end = args[0] as 'from' | 'to';
      const start = (memo as Point | undefined) ?? places[end];
      (last ? onDrawn : onDraw)({ ...line, [end]: toPicture(lie, start.x + dx, start.y + dy) });
      return start;
    },
    { pointer: { keys: false } },
  );
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
          aria-label={`${end === 'from' ? 'One end' : 'The other end'} of the ${of}: arrow keys move it`}
          style={{ left: places[end].x, top: places[end].y }}
          onKeyDown={(event) => key(end, event)}
          {...drag(end)}
        />
      ))}
    </>
  );
}
