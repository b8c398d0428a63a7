import type { MouseEvent } from 'react';
import type { Region, Size } from '../pixels';

interface Props {
  sheet: Size;
  region: Region;
  onMiddle: (middle: { x: number; y: number }) => void;
}

const SIDE = 46;

/** Where on the sheet the shown part lies; a click goes there. Keys do the same on the page. */
export function SheetMap({ sheet, region, onMiddle }: Props) {
  const scale = SIDE / Math.max(sheet.width, sheet.height);
  const go = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onMiddle({ x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale });
  };
  return (
    <svg
      className="proof-map"
      width={sheet.width * scale}
      height={sheet.height * scale}
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      role="img"
      aria-label={`Shown: from ${region.x}, ${region.y} on a sheet of ${sheet.width} by ${sheet.height} pixels`}
      onClick={go}
    >
      <rect className="proof-map-sheet" width={sheet.width} height={sheet.height} />
      <rect className="proof-map-part" {...region} />
    </svg>
  );
}
