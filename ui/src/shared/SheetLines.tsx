import type { Schemas } from '../api/client';
import './lines.css';

interface Rect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A line of a sheet: its style, and where it lies in pixels of the piece. */
export interface SheetLine {
  style: 'total-line' | 'back-line' | 'trim' | 'fold-line' | 'joint-line' | 'safe-line';
  rect: Rect;
}

const rims = { TRIM: 'trim', FOLD: 'fold-line', BORDER: 'joint-line' } as const;

/** Where a sheet ends, turns, is cut and is kept clear; outermost first. */
export function sheetLines({ bands, bar, rim, safe, sheet }: Schemas['EdgesView']): SheetLine[] {
  const lines: SheetLine[] = [];
  const total = outside(sheet, bands);
  if (!same(total, sheet)) lines.push({ style: 'total-line', rect: total });
  const back = outside(sheet, bar);
  // A bar whose back edge is the end of the canvas has no line of its own.
  if (rim === 'FOLD' && !same(back, total)) lines.push({ style: 'back-line', rect: back });
  lines.push({ style: rims[rim], rect: sheet });
  if (safe > 0) lines.push({ style: 'safe-line', rect: outside(sheet, { left: -safe, top: -safe, right: -safe, bottom: -safe }) });
  return lines;
}

function outside(rect: Rect, { left, top, right, bottom }: Schemas['BandsView']): Rect {
  return {
    x: rect.x - left,
    y: rect.y - top,
    width: Math.max(0, rect.width + left + right),
    height: Math.max(0, rect.height + top + bottom),
  };
}

const same = (a: Rect, b: Rect) => a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;

interface Props {
  edges: Schemas['EdgesView'];
  /** Units of the drawing to a pixel of the piece. */
  scale: number;
  /** On a picture each line has a light ground, to be seen on whatever lies under it. */
  on: 'paper' | 'picture';
}

/** The lines of a sheet whose piece begins at the drawing's origin. */
export function SheetLines({ edges, scale, on }: Props) {
  return sheetLines(edges).map(({ style, rect }) => {
    const drawn = { x: rect.x * scale, y: rect.y * scale, width: rect.width * scale, height: rect.height * scale };
    return (
      <g key={style}>
        {on === 'picture' && style !== 'total-line' && <rect className="line-ground" {...drawn} />}
        <rect className={style} {...drawn} />
      </g>
    );
  });
}
