import { held, movedInSeen, type Framing } from '../framing';
import type { Planned } from './usePlanned';
import { seenPosition } from './viewTransform';

/** Places of the picture, as shares of its side, that the middle of the sheet is drawn to. */
const drawn = [1 / 3, 1 / 2, 2 / 3];

/** Further than a whole side: a framing sent there is held at its limit. */
const BEYOND = 2;

/**
 * Draws a framing to where its frame meets the picture's rim, or has its middle at the picture's own middle or thirds.
 *
 * @param reach in seen pixels
 */
export function snapped(framing: Framing, planned: Planned, reach: number): Framing {
  const { plan } = planned;
  const { seenWidth, seenHeight, travelX, travelY } = plan.frame;
  const at = seenPosition(framing, planned);
  const ends = (x: number, y: number) =>
    seenPosition(held(movedInSeen(framing, { x, y }), plan.limits), planned);
  const wayX = nearest(at.x, [ends(-BEYOND, 0).x, ends(BEYOND, 0).x, ...drawn.map((share) => share * seenWidth)], reach);
  const wayY = nearest(at.y, [ends(0, -BEYOND).y, ends(0, BEYOND).y, ...drawn.map((share) => share * seenHeight)], reach);
  if (wayX === 0 && wayY === 0) return framing;
  return held(
    movedInSeen(framing, { x: travelX === 0 ? 0 : wayX / travelX, y: travelY === 0 ? 0 : wayY / travelY }),
    plan.limits,
  );
}

function nearest(at: number, places: number[], reach: number): number {
  let way = 0;
  let best = reach;
  for (const place of places) {
    const distance = Math.abs(place - at);
    if (distance <= best) {
      best = distance;
      way = place - at;
    }
  }
  return way;
}
