import { useLayoutEffect, useRef } from 'react';
import type { Schemas } from '../../api/client';
import type { LengthUnit } from '../../shared/format';
import { CanvasInSpace } from './CanvasInSpace';
import { flatSize } from './canvasFaces';
import { WallView } from './WallView';

interface Props {
  plan: Schemas['PlanNumbers'];
  unit: LengthUnit;
  /** The whole output at the reduction, as it will be. */
  url: string | undefined;
  /** Asks for the whole output at a reduction of 1 or more. */
  onReduction: (reduction: number) => void;
  /** Nothing until the room is measured. */
  reduction: number | undefined;
}

/** Sides fit with some room for turning. */
const FILLS = 0.8;

/** The canvas turned in space, and on a wall: what the flat proof cannot show of a wrap. */
export default function InSpace({ plan, unit, url, onReduction, reduction }: Props) {
  const room = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { clientWidth, clientHeight } = room.current!;
    const flat = flatSize(plan.edges);
    const fits = Math.max(flat.width / ((clientWidth / 2) * FILLS), flat.height / (clientHeight * FILLS)) / devicePixelRatio;
    onReduction(Math.max(1, fits));
  }, [plan.edges, onReduction]);
  const total = { width: plan.width, height: plan.height };
  return (
    <div className="in-space" ref={room}>
      <CanvasInSpace edges={plan.edges} total={total} url={url} scale={1 / (reduction ?? 1) / devicePixelRatio} />
      <WallView edges={plan.edges} total={total} markedPpi={plan.markedPpi} unit={unit} url={url} />
    </div>
  );
}
