import { useEffect, useRef, type PointerEvent, type RefObject } from 'react';

interface Point {
  x: number;
  y: number;
}

export interface Gestures {
  /** One pointer, or the middle of two, is down. */
  onTake: (at: Point) => void;
  /** It has gone a way since it was taken; two of them have their distance changed by a factor. */
  onMove: (way: { dx: number; dy: number; factor: number; holdsOff: boolean }) => void;
  onRelease: () => void;
  onWheel: (factor: number) => void;
  onHover: (at: Point | undefined) => void;
}

/** One notch of a wheel is about 12 % of the frame's side. */
const PER_WHEEL = 0.0012;

/** Drag, pinch and wheel of an element, told as ways and factors. */
export function useGestures(stage: RefObject<HTMLElement | null>, gestures: Gestures) {
  const newest = useRef(gestures);
  newest.current = gestures;
  const pointers = useRef(new Map<number, Point>());
  const start = useRef<{ middle: Point; apart: number }>(undefined);

  useEffect(() => {
    const element = stage.current!;
    const listen = (event: WheelEvent) => {
      event.preventDefault();
      newest.current.onWheel(Math.exp(-event.deltaY * PER_WHEEL));
    };
    element.addEventListener('wheel', listen, { passive: false });
    return () => element.removeEventListener('wheel', listen);
  }, [stage]);

  const place = (event: PointerEvent): Point => {
    const box = stage.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const now = () => {
    const points = [...pointers.current.values()];
    const middle = {
      x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
      y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
    };
    const apart = points.length === 2 ? Math.hypot(points[0]!.x - points[1]!.x, points[0]!.y - points[1]!.y) : 0;
    return { middle, apart };
  };
  const begin = () => {
    if (pointers.current.size === 0) return;
    start.current = now();
    newest.current.onTake(start.current.middle);
  };
  const end = (event: PointerEvent) => {
    if (!pointers.current.delete(event.pointerId)) return;
    newest.current.onRelease();
    begin();
  };
  return {
    onPointerDown: (event: PointerEvent) => {
      if (event.button !== 0 || pointers.current.size === 2) return;
      stage.current!.setPointerCapture(event.pointerId);
      if (pointers.current.size === 1) newest.current.onRelease();
      pointers.current.set(event.pointerId, place(event));
      begin();
    },
    onPointerMove: (event: PointerEvent) => {
      const at = place(event);
      if (!pointers.current.has(event.pointerId)) return newest.current.onHover(at);
      pointers.current.set(event.pointerId, at);
      if (!start.current) return;
      const { middle, apart } = now();
      newest.current.onMove({
        dx: middle.x - start.current.middle.x,
        dy: middle.y - start.current.middle.y,
        factor: apart > 0 && start.current.apart > 0 ? apart / start.current.apart : 1,
        holdsOff: event.altKey,
      });
    },
    onPointerUp: end,
    onPointerCancel: end,
    onPointerLeave: () => newest.current.onHover(undefined),
  };
}
