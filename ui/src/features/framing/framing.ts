import type { Schemas } from '../../api/client';

export type Framing = Schemas['FramingDocument'];
export type Limit = Schemas['Limit'];

/** What every picture has before anybody touched it. */
export const centred: Framing = {
  schemaVersion: 2,
  centreX: 0.5,
  centreY: 0.5,
  tightness: 1,
  tiltDegrees: 0,
  quarterTurns: 0,
  mirror: 'AS_IT_IS',
  turn: 'AS_TICKET',
  corners: 'COVERED',
  free: undefined,
};

const TIGHTEST = 100;
const MOST_TILT = 45;

interface Way {
  x: number;
  y: number;
}

/**
 * The nearest centre that the plan's limits allow at this tightness. The limits are the planner's; here they are only
 * kept to: each is a half-plane whose slope lies in the centre alone, so a step straight back mends it.
 */
export function held(framing: Framing, limits: Limit[]): Framing {
  let { centreX: x, centreY: y } = framing;
  for (const limit of limits) {
    const { a, b } = limit;
    const over = a * x + b * y + reach(framing, limit) - limit.d;
    const slope = a * a + b * b;
    if (over > 0 && slope > 0) {
      x -= (a * over) / slope;
      y -= (b * over) / slope;
    }
  }
  // A frame that may stand nowhere but in one place is brought there from both sides: rounding must not carry it past 0 or 1.
  return { ...framing, centreX: Math.min(1, Math.max(0, x)), centreY: Math.min(1, Math.max(0, y)) };
}

/** What of a limit is not the centre's. */
function reach(framing: Framing, { c, width, height }: Limit): number {
  const sides = sidesOf(framing);
  return c / framing.tightness + width * sides.width + height * sides.height;
}

/** The free shape's sides, as fractions of the oriented original's. */
export function sidesOf(framing: Framing): { width: number; height: number } {
  return framing.free ?? { width: 1, height: 1 };
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

/** Turns the picture as it is seen, clockwise; −1 turns it back. */
export function quarterTurned(framing: Framing, turns: 1 | -1): Framing {
  return { ...framing, quarterTurns: (framing.quarterTurns + turns + 4) % 4 };
}

/** Mirrors the picture as it is seen, left for right: the stored mirror comes before the turns, so these go round. */
export function mirrored(framing: Framing): Framing {
  return {
    ...framing,
    mirror: framing.mirror === 'MIRRORED' ? 'AS_IT_IS' : 'MIRRORED',
    quarterTurns: (4 - framing.quarterTurns) % 4,
    tiltDegrees: framing.tiltDegrees === 0 ? 0 : -framing.tiltDegrees,
  };
}

const cornerOrder = ['COVERED', 'PAPER', 'DRAWN_OUT', 'GROWN'] as const;

export function nextCorners(framing: Framing): Framing {
  const next = (cornerOrder.indexOf(framing.corners) + 1) % cornerOrder.length;
  return { ...framing, corners: cornerOrder[next]! };
}

/** The framing's centre in the picture as it is seen, as fractions. */
export function seenCentre({ centreX, centreY, mirror, quarterTurns }: Framing): Way {
  let x = mirror === 'MIRRORED' ? 1 - centreX : centreX;
  let y = centreY;
  for (let turn = 0; turn < quarterTurns; turn++) [x, y] = [1 - y, x];
  return { x, y };
}

/** The framing's free sides in the picture as it is seen. */
export function seenSides(framing: Framing): { width: number; height: number } {
  const { width, height } = sidesOf(framing);
  return framing.quarterTurns % 2 === 0 ? { width, height } : { width: height, height: width };
}

/** Moves the centre by a way in the picture as it is seen, in fractions. */
export function movedInSeen(framing: Framing, way: Way): Framing {
  const { x, y } = unturned(framing, way);
  return { ...framing, centreX: framing.centreX + x, centreY: framing.centreY + y };
}

function unturned({ mirror, quarterTurns }: Framing, way: Way): Way {
  let { x, y } = way;
  for (let turn = 0; turn < quarterTurns; turn++) [x, y] = [y, -x];
  return { x: mirror === 'MIRRORED' ? -x : x, y };
}

export type Side = 'left' | 'right' | 'top' | 'bottom';

const outward: Record<Side, Way> = {
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  top: { x: 0, y: -1 },
  bottom: { x: 0, y: 1 },
};

const LEAST_SIDE = 0.01;

/** A side that lies on the rim and stays there may come out beyond it by the last digits of a sum. */
const ROUNDING = 1e-12;

/**
 * Pulls one side of the free frame outwards, as it is seen, by a share of the seen picture's own side; the other three
 * stay. It goes as far as the plan's limits allow. A tilted frame's sides are not the picture's axes: `across` and `down`
 * say which way the side goes in the seen picture.
 */
export function pulled(
  framing: Framing,
  side: Side,
  by: number,
  limits: Limit[],
  tilt: { aspect: number; degrees: number },
): Framing {
  const sides = seenSides(framing);
  const { x, y } = outward[side];
  const alongWidth = x !== 0;
  const length = alongWidth ? sides.width : sides.height;
  const wanted = Math.max(by, LEAST_SIDE - length);
  const grown = (amount: number): Framing => {
    const width = sides.width + (alongWidth ? amount : 0);
    const height = sides.height + (alongWidth ? 0 : amount);
    // The middle goes half as far, along the frame's own axes turned back into the picture.
    const angle = (-tilt.degrees * Math.PI) / 180;
    const { aspect } = tilt;
    const half = amount / 2;
    const way = alongWidth
      ? { x: x * half * Math.cos(angle), y: x * half * Math.sin(angle) * aspect }
      : { x: (-y * half * Math.sin(angle)) / aspect, y: y * half * Math.cos(angle) };
    const moved = movedInSeen(framing, way);
    return {
      ...moved,
      free: framing.quarterTurns % 2 === 0 ? { width, height } : { width: height, height: width },
    };
  };
  const full = grown(wanted);
  let share = 1;
  for (const limit of limits) {
    const before = value(framing, limit);
    const after = value(full, limit);
    if (after > limit.d + ROUNDING && after > before) share = Math.min(share, Math.max(0, (limit.d - before) / (after - before)));
  }
  return share === 1 ? full : grown(wanted * share);
}

function value(framing: Framing, limit: Limit): number {
  return limit.a * framing.centreX + limit.b * framing.centreY + reach(framing, limit);
}

export function same(a: Framing, b: Framing): boolean {
  return (
    a.centreX === b.centreX &&
    a.centreY === b.centreY &&
    a.tightness === b.tightness &&
    a.tiltDegrees === b.tiltDegrees &&
    a.quarterTurns === b.quarterTurns &&
    a.mirror === b.mirror &&
    a.turn === b.turn &&
    a.corners === b.corners &&
    a.free?.width === b.free?.width &&
    a.free?.height === b.free?.height
  );
}
