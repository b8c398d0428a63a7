import type { Schemas } from '../../api/client';
import type { Rect } from './viewTransform';

interface Props {
  edges: Schemas['EdgesView'];
  total: Rect;
  sheet: Rect;
  perPixel: number;
}

/** Where the sheet is cut or turns, how far its bands go, and what is to be kept clear. */
export function EdgeLines({ edges, total, sheet, perPixel }: Props) {
  const { bands, bar, safe, rim } = edges;
  const hasBands = bands.left + bands.top + bands.right + bands.foot > 0;
  const back = {
    x: sheet.x - bar.left * perPixel,
    y: sheet.y - bar.top * perPixel,
    width: sheet.width + (bar.left + bar.right) * perPixel,
    height: sheet.height + (bar.top + bar.foot) * perPixel,
  };
  return (
    <g>
      {hasBands && <rect className="stage-total" {...total} />}
      {rim === 'FOLD' && (back.width < total.width - 0.5 || back.height < total.height - 0.5) && <rect className="back-line stage-back" {...back} />}
      <rect className="stage-edge" {...sheet} />
      {rim === 'TRIM' && <rect className="trim stage-trim" {...sheet} />}
      {rim === 'FOLD' && <rect className="fold-line stage-fold" {...sheet} />}
      {safe > 0 && (
        <>
          <rect className="stage-edge" {...inset(sheet, safe * perPixel)} />
          <rect className="safe-line stage-safe" {...inset(sheet, safe * perPixel)} />
        </>
      )}
    </g>
  );
}

function inset({ x, y, width, height }: Rect, by: number): Rect {
  return { x: x + by, y: y + by, width: Math.max(0, width - 2 * by), height: Math.max(0, height - 2 * by) };
}
