import { seenCentre, seenSides, type Framing } from '../framing';
import type { Planned } from './usePlanned';

/** Between the screen of the stage and the picture: pure arithmetic. */

export interface Stage {
  width: number;
  height: number;
}

export interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Share of the stage that the sheet may fill, so that the offcut has room round it. */
const SHARE = 0.74;

/** The sheet in the middle of the stage, in screen pixels. */
export function sheetOnStage(stage: Stage, sheet: { width: number; height: number }): Rect {
  const scale = Math.min((stage.width * SHARE) / sheet.width, (stage.height * 0.86) / sheet.height);
  const width = sheet.width * scale;
  const height = sheet.height * scale;
  return { x: (stage.width - width) / 2, y: (stage.height - height) / 2, width, height };
}

/** How a picture lies under its place on the sheet. */
export interface Lie {
  /** Middle of the picture's place, in screen pixels. */
  middleX: number;
  middleY: number;
  /** Screen pixels to one seen pixel of the original. */
  scale: number;
  tiltDegrees: number;
  /** The seen position, in original pixels, that lies in the middle. */
  centreX: number;
  centreY: number;
}

/** Of the oriented original to the picture as it is seen: its mirror and quarter turns. */
export interface Seen {
  width: number;
  height: number;
  quarterTurns: number;
  mirror: Framing['mirror'];
}

/** As a CSS transform of an element as large as the oriented original, its origin top left. */
export function cssTransform(lie: Lie, seen: Seen): string {
  const [width, height] = seen.quarterTurns % 2 === 0 ? [seen.width, seen.height] : [seen.height, seen.width];
  const own =
    seen.quarterTurns === 0 && seen.mirror === 'AS_IT_IS'
      ? ''
      : ` translate(${seen.width / 2}px, ${seen.height / 2}px) rotate(${seen.quarterTurns * 90}deg)` +
        ` scaleX(${seen.mirror === 'MIRRORED' ? -1 : 1}) translate(${-width / 2}px, ${-height / 2}px)`;
  return (
    `translate(${lie.middleX}px, ${lie.middleY}px) rotate(${lie.tiltDegrees}deg) ` +
    `scale(${lie.scale}) translate(${-lie.centreX}px, ${-lie.centreY}px)${own}`
  );
}

/** The seen position, in pixels, that a framing brings to the middle of the picture's place. */
export function seenPosition(framing: Framing, { framing: base, plan }: Planned): { x: number; y: number } {
  const now = seenCentre(framing);
  const then = seenCentre(base);
  return {
    x: plan.frame.centreX + (now.x - then.x) * plan.frame.travelX,
    y: plan.frame.centreY + (now.y - then.y) * plan.frame.travelY,
  };
}

/** How the stage shows a framing: all that is made, the sheet on it, the picture's place, and how the picture lies. */
export interface View {
  /** The sheet with its bands. */
  total: Rect;
  sheet: Rect;
  place: Rect;
  lie: Lie;
  /** Screen pixels to one of the output's. */
  perPixel: number;
}

/** The sheet stays in the middle and the picture lies under it. Where a framing has other turns than its plan, the plan's. */
export function viewOf(stage: Stage, planned: Planned, framing: Framing): View {
  const { plan, framing: base } = planned;
  const shown = seesTheSame(base, framing) ? framing : base;
  const total = sheetOnStage(stage, plan);
  const perPixel = total.width / plan.width;
  const onStage = ({ x, y, width, height }: Rect): Rect => ({
    x: total.x + x * perPixel,
    y: total.y + y * perPixel,
    width: width * perPixel,
    height: height * perPixel,
  });
  const place = onStage(plan.picture);
  // Between two plans the picture follows the hand by the last plan's own loosest frame.
  const scale = plan.handling.scaling === 'FIXED' ? plan.frame.scale : (plan.frame.scale * base.tightness) / shown.tightness;
  const centre = seenPosition(shown, planned);
  return {
    total,
    sheet: onStage(plan.edges.sheet),
    place,
    perPixel,
    lie: {
      middleX: place.x + place.width / 2,
      middleY: place.y + place.height / 2,
      scale: perPixel / scale,
      tiltDegrees: shown.tiltDegrees,
      centreX: centre.x,
      centreY: centre.y,
    },
  };
}

/** In the free shape the picture stays in the middle, whole, and the frame is pulled about over it. */
export function freeViewOf(stage: Stage, planned: Planned, framing: Framing): View {
  const { plan, framing: base } = planned;
  const shown = seesTheSame(base, framing) ? framing : base;
  const { seenWidth, seenHeight } = plan.frame;
  const angle = (Math.abs(shown.tiltDegrees) * Math.PI) / 180;
  const across = seenWidth * Math.cos(angle) + seenHeight * Math.sin(angle);
  const down = seenWidth * Math.sin(angle) + seenHeight * Math.cos(angle);
  const scale = Math.min((stage.width * 0.86) / across, (stage.height * 0.86) / down);
  const lie: Lie = {
    middleX: stage.width / 2,
    middleY: stage.height / 2,
    scale,
    tiltDegrees: shown.tiltDegrees,
    centreX: seenWidth / 2,
    centreY: seenHeight / 2,
  };
  const centre = seenPosition(shown, planned);
  const middle = toScreen(lie, centre.x, centre.y);
  const sides = seenSides(shown);
  const width = sides.width * seenWidth * scale;
  const height = sides.height * seenHeight * scale;
  const sheet = { x: middle.x - width / 2, y: middle.y - height / 2, width, height };
  const { left, top, right, bottom } = plan.edges.bands;
  const total = {
    x: sheet.x - left * scale,
    y: sheet.y - top * scale,
    width: sheet.width + (left + right) * scale,
    height: sheet.height + (top + bottom) * scale,
  };
  return { total, sheet, place: sheet, lie, perPixel: scale };
}

function seesTheSame(a: Framing, b: Framing): boolean {
  return a.quarterTurns === b.quarterTurns && a.mirror === b.mirror && a.turn === b.turn;
}

/** A way on the screen as a way in the original's pixels: turned back by the tilt and scaled. */
export function toSeen(lie: Pick<Lie, 'scale' | 'tiltDegrees'>, dx: number, dy: number): { dx: number; dy: number } {
  const angle = (-lie.tiltDegrees * Math.PI) / 180;
  return {
    dx: (Math.cos(angle) * dx - Math.sin(angle) * dy) / lie.scale,
    dy: (Math.sin(angle) * dx + Math.cos(angle) * dy) / lie.scale,
  };
}

/** Where a position of the original is seen on the stage. */
export function toScreen(lie: Lie, x: number, y: number): { x: number; y: number } {
  const angle = (lie.tiltDegrees * Math.PI) / 180;
  const dx = (x - lie.centreX) * lie.scale;
  const dy = (y - lie.centreY) * lie.scale;
  return {
    x: lie.middleX + Math.cos(angle) * dx - Math.sin(angle) * dy,
    y: lie.middleY + Math.sin(angle) * dx + Math.cos(angle) * dy,
  };
}

/** A place of the oriented original, as fractions, in pixels of the picture as it is seen: mirrored, then turned. */
export function ofOriented(seen: Seen, at: { x: number; y: number }): { x: number; y: number } {
  let place = seen.mirror === 'MIRRORED' ? { x: 1 - at.x, y: at.y } : at;
  for (let turn = 0; turn < seen.quarterTurns; turn++) place = { x: 1 - place.y, y: place.x };
  return { x: place.x * seen.width, y: place.y * seen.height };
}

/** The other way round. */
export function toOriented(seen: Seen, at: Point): Point {
  let place = { x: at.x / seen.width, y: at.y / seen.height };
  for (let turn = 0; turn < seen.quarterTurns; turn++) place = { x: place.y, y: 1 - place.x };
  return seen.mirror === 'MIRRORED' ? { x: 1 - place.x, y: place.y } : place;
}

/** The picture as a plan sees it. */
export function seenOf({ plan, framing }: Planned): Seen {
  const { seenWidth: width, seenHeight: height } = plan.frame;
  return { width, height, quarterTurns: framing.quarterTurns, mirror: framing.mirror };
}

/** Which position of the seen picture lies at a place of the stage. */
export function toPicture(lie: Lie, x: number, y: number): { x: number; y: number } {
  const way = toSeen(lie, x - lie.middleX, y - lie.middleY);
  return { x: lie.centreX + way.dx, y: lie.centreY + way.dy };
}

export interface Point {
  x: number;
  y: number;
}

export function cornersOf({ x, y, width, height }: Rect): Point[] {
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ];
}

/** What two convex outlines, both running clockwise on the screen, have in common (Sutherland and Hodgman, 1974). */
export function common(shape: Point[], other: Point[]): Point[] {
  return other.reduce((kept, from, i) => {
    const to = other[(i + 1) % other.length]!;
    const side = ({ x, y }: Point) => (to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x);
    return kept.flatMap((point, j) => {
      const next = kept[(j + 1) % kept.length]!;
      const [here, there] = [side(point), side(next)];
      const share = here / (here - there);
      const crossing = { x: point.x + share * (next.x - point.x), y: point.y + share * (next.y - point.y) };
      return [...(here >= 0 ? [point] : []), ...(here >= 0 !== there >= 0 ? [crossing] : [])];
    });
  }, shape);
}

/** Marks of a ruler: positions in its unit, every one that leaves room, each so many steps with its figure. */
export function rulerMarks(length: number, pixelsPerUnit: number): { at: number; text?: string }[] {
  const steps = [0.125, 0.25, 0.5, 1, 2, 5, 10, 20, 50, 100];
  const fine = steps.find((step) => step * pixelsPerUnit >= 9) ?? 200;
  const figured = steps.find((step) => step * pixelsPerUnit >= 46 && Number.isInteger(step / fine)) ?? fine * 5;
  const marks = [];
  for (let i = 0; i * fine <= length + 1e-9; i++) {
    const at = i * fine;
    const isFigured = Math.abs(at / figured - Math.round(at / figured)) < 1e-9;
    marks.push(isFigured ? { at, text: String(Number(at.toFixed(3))) } : { at });
  }
  return marks;
}
