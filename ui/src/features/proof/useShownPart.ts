import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useMemo, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import {
  middleOf,
  reducedSheet,
  regionRound,
  shownAt,
  type Look,
  type ProofPart,
  type ProofScale,
  type ProofSubject,
  type Size,
} from '../pixels';
import { ASSUMED_PPI } from './displayPpi';
import { contoursQuery } from './queries';

interface Asked {
  original: Schemas['OriginalView'] | undefined;
  subject: ProofSubject | undefined;
  plan: Schemas['PlanNumbers'] | undefined;
  /** The room there is, in display pixels. */
  view: Size | undefined;
  scale: ProofScale;
  look: Look;
  displayPpi: number | undefined;
}

interface Middle {
  x: number;
  y: number;
  /** Which contour of the picture lies there, the strongest first. */
  contour?: number;
}

/** Which part of the sheet is looked at: a proof opens where its picture has the strongest contour, not on an empty sky. */
export function useShownPart({ original, subject, plan, view, scale, look, displayPpi }: Asked) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const [moved, setMoved] = useState<Middle & { originalId: string }>();

  const shown = useMemo(
    () =>
      plan && view
        ? shownAt(scale, plan, view, plan.markedPpi, (displayPpi ?? ASSUMED_PPI) * devicePixelRatio)
        : undefined,
    [plan, view, scale, displayPpi],
  );
  // A proof opens where a picture has its strongest contour, not on an empty sky.
  const strongest = useQuery({
    ...contoursQuery(subject),
    enabled: subject !== undefined && scale !== 'whole',
    // What is tried on the same picture does not move the part that is looked at.
    placeholderData: (before, query) => (query?.queryKey[1] === original?.id ? before : undefined),
  });
  const opened = strongest.data?.[0] && { ...strongest.data[0], contour: 0 };
  const middle = moved?.originalId === original?.id ? moved : opened;
  const isPlaced = middle !== undefined || scale === 'whole' || strongest.isError || strongest.data?.length === 0;
  const part = useMemo<ProofPart | undefined>(() => {
    if (!plan || !view || !shown || !isPlaced) return undefined;
    const reduction = shown.reduction ?? 1;
    const sheet = reducedSheet(plan, shown.reduction);
    const centre = { x: middle?.x ?? plan.width / 2, y: middle?.y ?? plan.height / 2 };
    const room = { width: view.width / shown.magnify, height: view.height / shown.magnify };
    return {
      region: regionRound({ x: centre.x / reduction, y: centre.y / reduction }, room, sheet),
      show: 'FILE',
      look,
      reduction: shown.reduction,
    };
  }, [plan, view, shown, isPlaced, middle?.x, middle?.y, look]);
  const setMiddle = (to: { x: number; y: number; contour?: number } | undefined) =>
    setMoved(to && original ? { ...to, originalId: original.id } : undefined);
  // Keys come faster than the page is drawn: each goes on from where the one before has led.
  const reached = useRef<{ x: number; y: number }>(undefined);
  const reduction = part?.reduction ?? 1;
  const shownMiddle = part && middleOf(part.region);
  reached.current = shownMiddle && { x: shownMiddle.x * reduction, y: shownMiddle.y * reduction };
  const pan = (dx: number, dy: number) => {
    if (!reached.current) return;
    reached.current = { x: reached.current.x + dx * reduction, y: reached.current.y + dy * reduction };
    setMiddle(reached.current);
  };
  const nextContour = async () => {
    if (!subject) return;
    try {
      const contours = await queries.fetchQuery(contoursQuery(subject));
      const next = ((middle?.contour ?? -1) + 1) % Math.max(1, contours.length);
      const spot = contours[next];
      if (spot) setMiddle({ x: spot.x, y: spot.y, contour: next });
      else void message.info('This picture has no contours.');
    } catch (failed) {
      void message.warning(Problem.from(failed).message);
    }
  };
  return { shown, part, middle, pan, setMiddle, nextContour };
}
