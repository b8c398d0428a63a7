import type { Schemas } from '../../api/client';
import { decimals, fromInches, unitSymbol, type LengthUnit } from '../../shared/format';

interface Props {
  edges: Schemas['EdgesView'];
  total: { width: number; height: number };
  markedPpi: number;
  unit: LengthUnit;
  url: string | undefined;
}

/** Metres. A door is 0.82 × 2.03, a seat 0.45 high, the middle of a picture at 1.55: common practice, no source. */
const ROOM = { width: 4.2, height: 2.6 };
const DOOR = { x: 0.3, width: 0.82, height: 2.03 };
const CHAIR = { x: 1.4, width: 0.45, seat: 0.45, back: 0.88 };
const EYE = 1.55;
const METRES_PER_INCH = 0.0254;

/** The canvas on a wall, at true proportion beside a door and a chair. */
export function WallView({ edges, total, markedPpi, unit, url }: Props) {
  const perPixel = METRES_PER_INCH / markedPpi;
  const width = edges.sheet.width * perPixel;
  const height = edges.sheet.height * perPixel;
  const free = DOOR.x + DOOR.width + 0.2;
  const room = { width: Math.max(ROOM.width, free + width + 0.3), height: Math.max(ROOM.height, height + 0.3) };
  const middle = { x: Math.max(free + width / 2, (free + room.width) / 2), y: room.height - Math.max(EYE, height / 2 + 0.1) };
  const floor = room.height;
  const side = (pixels: number) => decimals(fromInches(pixels / markedPpi, unit), unit === 'MM' ? 0 : 1);
  const size = `${side(edges.sheet.width)} × ${side(edges.sheet.height)} ${unitSymbol[unit]}`;
  return (
    <figure className="wall">
      <svg viewBox={`0 0 ${room.width} ${room.height + 0.12}`} role="img" aria-label={`A canvas of ${size} on a wall, beside a door and a chair`}>
        <rect className="wall-wall" width={room.width} height={floor} />
        <rect className="wall-floor" y={floor} width={room.width} height={0.12} />
        <rect className="wall-thing" x={DOOR.x} y={floor - DOOR.height} width={DOOR.width} height={DOOR.height} />
        <circle className="wall-knob" cx={DOOR.x + DOOR.width - 0.09} cy={floor - 1.05} r={0.03} />
        <svg
          x={middle.x - width / 2}
          y={middle.y - height / 2}
          width={width}
          height={height}
          viewBox={`${edges.sheet.x} ${edges.sheet.y} ${edges.sheet.width} ${edges.sheet.height}`}
          preserveAspectRatio="none"
          data-testid="canvas-on-wall"
        >
          {url && <image href={url} width={total.width} height={total.height} preserveAspectRatio="none" />}
        </svg>
        <path
          className="wall-chair"
          d={
            `M${CHAIR.x} ${floor}V${floor - CHAIR.back}M${CHAIR.x} ${floor - CHAIR.seat}H${CHAIR.x + CHAIR.width}` +
            `M${CHAIR.x + CHAIR.width} ${floor}V${floor - CHAIR.seat}`
          }
        />
      </svg>
      <figcaption>{size} beside a door of 203 cm</figcaption>
    </figure>
  );
}
