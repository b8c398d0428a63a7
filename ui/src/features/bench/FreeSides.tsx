import { useDrag } from '@use-gesture/react';
import type { KeyboardEvent } from 'react';
import { pulled, same, seenSides, type Framing, type Side } from '../framing';
import type { Planned } from './usePlanned';
import type { Lie, Rect } from './viewTransform';

interface Props {
  frame: Rect;
  framing: Framing;
  planned: Planned;
  lie: Lie;
  /** As it stands this instant: quick keys come faster than the page is drawn. */
  current: () => Framing;
  onPull: (framing: Framing) => void;
  onPulled: (framing: Framing) => void;
}

const sides: Side[] = ['left', 'right', 'top', 'bottom'];

/** Along which way a side goes out on the screen. */
const outward: Record<Side, { x: number; y: number }> = {
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  top: { x: 0, y: -1 },
  bottom: { x: 0, y: 1 },
};

/** The four sides of the free frame, each pulled by itself. Arrow keys do the same by a pixel of the screen, Shift by ten. */
export function FreeSides({ frame, framing, planned, lie, current, onPull, onPulled }: Props) {
  const { seenWidth, seenHeight } = planned.plan.frame;

  const pull = (from: Framing, side: Side, screen: number): Framing => {
    const length = (outward[side].x === 0 ? seenHeight : seenWidth) * lie.scale;
    const tilt = { aspect: seenWidth / seenHeight, degrees: from.tiltDegrees };
    return pulled(from, side, screen / length, planned.plan.limits, tilt);
  };
  const drag = useDrag(
    ({ args: [side], event, last, movement: [dx, dy], memo }) => {
      // Otherwise the stage below would take the picture too.
      event.stopPropagation();
      const from = (memo as Framing | undefined) ?? framing;
      const after = pull(from, side as Side, outward[side as Side].x * dx + outward[side as Side].y * dy);
      (last ? onPulled : onPull)(after);
      return from;
    },
    { pointer: { keys: false } },
  );
  const key = (side: Side, event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const out = outward[side].x * step[0]! + outward[side].y * step[1]!;
    const newest = current();
    const from = same(newest, planned.asked) ? planned.framing : newest;
    if (out !== 0) onPull(pull(from, side, out * (event.shiftKey ? 10 : 1)));
  };
  return sides.map((side) => {
    const { x, y } = outward[side];
    const size = seenSides(framing);
    return (
      <button
        key={side}
        type="button"
        className={`free-side free-side-${side}`}
        aria-label={`The frame’s ${side} side: arrow keys pull it. Now ${Math.round((x === 0 ? size.height : size.width) * 100)} % of the picture`}
        style={{ left: frame.x + (frame.width * (1 + x)) / 2, top: frame.y + (frame.height * (1 + y)) / 2 }}
        onKeyDown={(event) => key(side, event)}
        {...drag(side)}
      />
    );
  });
}
