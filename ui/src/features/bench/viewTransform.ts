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

/** As a CSS transform of an element as large as the original, its origin top left. */
export function cssTransform(lie: Lie): string {
  return (
    `translate(${lie.middleX}px, ${lie.middleY}px) rotate(${lie.tiltDegrees}deg) ` +
    `scale(${lie.scale}) translate(${-lie.centreX}px, ${-lie.centreY}px)`
  );
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
