import type { Size } from './region';

/** How the proof is shown: pixel for pixel, magnified by a whole number, as large as on paper, or the whole sheet. */
export type ProofScale = 1 | 2 | 4 | 'true-size' | 'whole';

/**
 * What a scale comes to.
 *
 * `reduction` sheet pixels go to one that is asked for, null where it is the file's own pixels; each of those is shown
 * `magnify` display pixels large.
 */
export interface Shown {
  reduction: number | null;
  magnify: number;
}

/** @param displayPpi device pixels of the display to a real inch */
export function shownAt(scale: ProofScale, sheet: Size, view: Size, markedPpi: number, displayPpi: number): Shown {
  switch (scale) {
    case 1:
    case 2:
    case 4:
      return { reduction: null, magnify: scale };
    case 'true-size':
      return reducedOrMagnified(displayPpi / markedPpi);
    case 'whole':
      return reducedOrMagnified(Math.min(1, view.width / sheet.width, view.height / sheet.height));
    default:
      return scale satisfies never;
  }
}

function reducedOrMagnified(displayPixels: number): Shown {
  return displayPixels < 1 ? { reduction: 1 / displayPixels, magnify: 1 } : { reduction: null, magnify: displayPixels };
}

/** The sheet as it is asked for: rounded as the server rounds it. */
export function reducedSheet(sheet: Size, reduction: number | null): Size {
  if (reduction === null) return sheet;
  return {
    width: Math.max(1, Math.round(sheet.width / reduction)),
    height: Math.max(1, Math.round(sheet.height / reduction)),
  };
}
