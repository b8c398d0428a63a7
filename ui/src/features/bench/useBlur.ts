import { useEffect, useRef, useState } from 'react';
import { Problem } from '../../api/problems';
import { measureBlur, type FoundBlur } from '../found';
import { toOriented, type Point, type Seen } from './viewTransform';

/** The measure that is under way waits for the mark to rest. */
const RESTS_MILLIS = 150;

/** The blur of an edge that the person points at by a mark on the picture. */
export function useBlur(originalId: string | undefined) {
  /** In pixels of the seen picture. */
  const [mark, setMark] = useState<Point>();
  const [measured, setMeasured] = useState<FoundBlur | Problem>();
  const timer = useRef<number>(undefined);
  const asked = useRef(0);
  const putAway = () => {
    window.clearTimeout(timer.current);
    asked.current++;
    setMark(undefined);
    setMeasured(undefined);
  };
  useEffect(putAway, [originalId]);

  const point = (at: Point, seen: Seen) => {
    if (!originalId) return;
    setMark(at);
    setMeasured(undefined);
    window.clearTimeout(timer.current);
    const number = ++asked.current;
    timer.current = window.setTimeout(() => {
      void measureBlur(originalId, toOriented(seen, at))
        .catch((failed: unknown) => Problem.from(failed))
        .then((answered) => number === asked.current && setMeasured(answered));
    }, RESTS_MILLIS);
  };
  return { mark, measured, point, putAway };
}
