import { useGesture, useWheel } from '@use-gesture/react';
import { useRef, type RefObject } from 'react';

interface Point {
  x: number;
  y: number;
}

export interface Gestures {
  /** One pointer, or the middle of two fingers, is down. */
  onTake: (at: Point) => void;
  /** It has gone a way since it was taken; two fingers have their distance changed by a factor. */
  onMove: (way: { dx: number; dy: number; factor: number; holdsOff: boolean }) => void;
  onRelease: () => void;
  onWheel: (factor: number) => void;
  onHover: (at: Point | undefined) => void;
}

/** One notch of a wheel is about 12 % of the frame's side. */
const PER_WHEEL = 0.0012;

/**
 * Drag, pinch and wheel of an element, by mouse, pen or fingers, told as ways and factors. A second finger ends the drag of the
 * first one where it stands, and the two go on from there.
 */
export function useGestures(stage: RefObject<HTMLElement | null>, gestures: Gestures) {
  const taken = useRef<'by-one' | 'by-two'>(undefined);
  const place = ([x, y]: [number, number]): Point => {
    const box = stage.current!.getBoundingClientRect();
    return { x: x - box.left, y: y - box.top };
  };
  const take = (by: 'by-one' | 'by-two', at: [number, number]) => {
    release();
    taken.current = by;
    gestures.onTake(place(at));
  };
  const release = () => {
    if (!taken.current) return;
    taken.current = undefined;
    gestures.onRelease();
  };
  // A wheel must not scroll the page, which only a listener of the element itself can prevent.
  useWheel(
    ({ event, delta: [, y] }) => {
      event.preventDefault();
      if (y !== 0) gestures.onWheel(Math.exp(-y * PER_WHEEL));
    },
    { target: stage, eventOptions: { passive: false } },
  );
  return useGesture(
    {
      onDrag: ({ first, last, initial, movement: [dx, dy], altKey, pinching, cancel }) => {
        if (pinching) return cancel();
        if (first) take('by-one', initial);
        if (taken.current !== 'by-one') return;
        if (dx !== 0 || dy !== 0) gestures.onMove({ dx, dy, factor: 1, holdsOff: altKey });
        if (last) release();
      },
      onPinch: ({ first, last, origin, movement: [factor], memo, altKey }) => {
        const from = (memo as [number, number] | undefined) ?? origin;
        if (first) take('by-two', origin);
        if (taken.current !== 'by-two') return from;
        gestures.onMove({ dx: origin[0] - from[0], dy: origin[1] - from[1], factor, holdsOff: altKey });
        if (last) release();
        return from;
      },
      onMove: ({ xy }) => {
        if (!taken.current) gestures.onHover(place(xy));
      },
      onHover: ({ hovering }) => {
        if (!hovering) gestures.onHover(undefined);
      },
    },
    {
      drag: { pointer: { keys: false } },
      pinch: { pinchOnWheel: false },
      // A pen that hovers is shown its pixels as a mouse is.
      move: { mouseOnly: false },
      hover: { mouseOnly: false },
    },
  )();
}
