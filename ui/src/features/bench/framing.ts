import type { Schemas } from '../../api/client';

export type Framing = Schemas['FramingDocument'];
export type Limit = Schemas['Limit'];

/** What every picture has before anybody touched it. */
export const centred: Framing = {
  schemaVersion: 1,
  centreX: 0.5,
  centreY: 0.5,
  tightness: 1,
  tiltDegrees: 0,
  quarterTurns: 0,
  mirror: 'AS_IT_IS',
  turn: 'AS_TICKET',
  free: undefined,
};

const TIGHTEST = 100;
const MOST_TILT = 45;

/**
 * The nearest centre that the plan's limits allow at this tightness. The limits are the planner's; here they are only
 * kept to: each is a half-plane whose slope lies in the centre alone, so a step straight back mends it.
 */
export function held(framing: Framing, limits: Limit[]): Framing {
  let { centreX: x, centreY: y } = framing;
  const extent = 1 / framing.tightness;
  for (const { a, b, c, d } of limits) {
    const over = a * x + b * y + c * extent - d;
    const slope = a * a + b * b;
    if (over > 0 && slope > 0) {
      x -= (a * over) / slope;
      y -= (b * over) / slope;
    }
  }
  return { ...framing, centreX: x, centreY: y };
}

export function tighter(framing: Framing, factor: number): Framing {
  return { ...framing, tightness: Math.min(TIGHTEST, Math.max(1, framing.tightness * factor)) };
}

export function tilted(framing: Framing, degrees: number): Framing {
  const tilt = Math.round((framing.tiltDegrees + degrees) * 1000) / 1000;
  return { ...framing, tiltDegrees: Math.min(MOST_TILT, Math.max(-MOST_TILT, tilt)) };
}

/** Turns the sheet: what it is now becomes the other. */
export function turned(framing: Framing, sheetIsWide: boolean): Framing {
  return { ...framing, turn: sheetIsWide ? 'UPRIGHT' : 'WIDE' };
}

export function same(a: Framing, b: Framing): boolean {
  return (
    a.centreX === b.centreX &&
    a.centreY === b.centreY &&
    a.tightness === b.tightness &&
    a.tiltDegrees === b.tiltDegrees &&
    a.quarterTurns === b.quarterTurns &&
    a.mirror === b.mirror &&
    a.turn === b.turn
  );
}
