/** Which part of the sheet the proof shows, in output pixels. */
export interface Region {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface Size {
  width: number;
  height: number;
}

/** Most pixels to a side that the server gives at once. */
const MOST_SIDE = 2400;

/** The part of a sheet round a middle that fits a view, moved so that it stays on the sheet. */
export function regionRound(middle: { x: number; y: number }, view: Size, sheet: Size): Region {
  const width = Math.max(1, Math.min(Math.floor(view.width), sheet.width, MOST_SIDE));
  const height = Math.max(1, Math.min(Math.floor(view.height), sheet.height, MOST_SIDE));
  return {
    x: Math.round(within(middle.x - width / 2, sheet.width - width)),
    y: Math.round(within(middle.y - height / 2, sheet.height - height)),
    width,
    height,
  };
}

/** The middle that a region has, from which it can be taken again. */
export function middleOf(region: Region): { x: number; y: number } {
  return { x: region.x + region.width / 2, y: region.y + region.height / 2 };
}

function within(value: number, most: number): number {
  return Math.min(Math.max(value, 0), most);
}
