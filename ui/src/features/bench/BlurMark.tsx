import { useDrag } from '@use-gesture/react';
import type { KeyboardEvent } from 'react';
import { toPicture, toScreen, type Lie, type Point } from './viewTransform';

interface Props {
  mark: Point;
  lie: Lie;
  onPoint: (at: Point) => void;
}

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Takes the focus when it is laid. */
const laid = (mark: HTMLButtonElement | null) => mark?.focus();

/** The mark at the edge whose blur is measured: dragged, or moved by the arrow keys. */
export function BlurMark({ mark, lie, onPoint }: Props) {
  const at = toScreen(lie, mark.x, mark.y);
  const drag = useDrag(
    ({ event, movement: [dx, dy], memo }) => {
      event.stopPropagation();
      const start = (memo as Point | undefined) ?? at;
      onPoint(toPicture(lie, start.x + dx, start.y + dy));
      return start;
    },
    { pointer: { keys: false } },
  );
  const key = (event: KeyboardEvent) => {
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? 20 : 2;
    onPoint(toPicture(lie, at.x + step[0] * far, at.y + step[1] * far));
  };
  return (
    <button
      type="button"
      className="blur-mark"
      // The key that laid it is followed by arrow keys.
      ref={laid}
      aria-label="The mark at an edge: arrow keys move it, with Shift farther"
      style={{ left: at.x, top: at.y }}
      onKeyDown={key}
      {...drag()}
    />
  );
}
