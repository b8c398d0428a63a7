import type { Schemas } from '../../api/client';

type Edges = Schemas['EdgesView'];

export type FaceName = 'face' | 'left' | 'right' | 'top' | 'bottom';

/** One face of a wrapped canvas: where it stands before it is folded, and which part of the output it shows. */
export interface Face {
  name: FaceName;
  /** Display pixels from the middle of the face. */
  left: number;
  top: number;
  width: number;
  height: number;
  /** Where the output's left top lies, from the face's own. */
  imageX: number;
  imageY: number;
}

/**
 * The faces of a canvas, laid flat: the face and, beside its folds, the bars as deep as the ticket says.
 *
 * @param scale display pixels to one output pixel
 */
export function canvasFaces({ sheet, bar }: Edges, scale: number): Face[] {
  const { x, y, width, height } = sheet;
  const parts: [FaceName, number, number, number, number][] = [
    ['face', x, y, width, height],
    ['left', x - bar.left, y, bar.left, height],
    ['right', x + width, y, bar.right, height],
    ['top', x, y - bar.top, width, bar.top],
    ['bottom', x, y + height, width, bar.bottom],
  ];
  // Whole display pixels, so that faces meet without a seam and nothing is mixed.
  const at = (position: number) => Math.round(position * scale);
  const middle = { x: Math.round((at(x) + at(x + width)) / 2), y: Math.round((at(y) + at(y + height)) / 2) };
  return parts
    .filter(([, , , across, down]) => across > 0 && down > 0)
    .map(([name, left, top, across, down]) => ({
      name,
      left: at(left) - middle.x,
      top: at(top) - middle.y,
      width: at(left + across) - at(left),
      height: at(top + down) - at(top),
      imageX: -at(left),
      imageY: -at(top),
    }));
}

/** How deep the bars are, in output pixels: the deepest of the four. */
export function depthOf({ bar }: Edges): number {
  return Math.max(bar.left, bar.right, bar.top, bar.bottom);
}

/** Room that a canvas needs laid flat, in output pixels. */
export function flatSize({ sheet, bar }: Edges): { width: number; height: number } {
  return { width: sheet.width + 2 * Math.max(bar.left, bar.right), height: sheet.height + 2 * Math.max(bar.top, bar.bottom) };
}
