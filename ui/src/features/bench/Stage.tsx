import { useEffect, useLayoutEffect, useRef, useState, type PointerEvent } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { fromInches, unitSymbol, type LengthUnit } from '../../shared/format';
import { held, tighter, type Framing } from './framing';
import type { Planned } from './useLatestPlan';
import { cssTransform, rulerMarks, sheetOnStage, toScreen, toSeen, type Lie, type Rect } from './viewTransform';

export type Guide = 'none' | 'thirds' | 'golden' | 'centre' | 'net';

interface Props {
  original: Schemas['OriginalView'];
  planned: Planned;
  framing: Framing;
  paper: string;
  unit: LengthUnit;
  guide: Guide;
  onShow: (framing: Framing) => void;
  onAct: (framing: Framing) => void;
}

/** A pause of the wheel ends its act. */
const WHEEL_ENDS_MILLIS = 280;
const RULER = 24;

/**
 * The sheet in the middle, the picture moved under it. While a picture is moved one element's transform changes; the
 * offcut is drained of colour and hatched, and clears while something is lined up.
 */
export function Stage({ original, planned, framing, paper, unit, guide, onShow, onAct }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [moving, setMoving] = useState(false);
  const drag = useRef<{ x: number; y: number; from: Framing } | undefined>(undefined);
  const wheel = useRef<number>(undefined);
  const latest = useRef(framing);
  latest.current = framing;

  useLayoutEffect(() => {
    const element = stage.current!;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const { plan } = planned;
  const sheet = sheetOnStage(size, plan);
  const perPixel = sheet.width / plan.width;
  const place: Rect = {
    x: sheet.x + plan.picture.x * perPixel,
    y: sheet.y + plan.picture.y * perPixel,
    width: plan.picture.width * perPixel,
    height: plan.picture.height * perPixel,
  };
  // Between two plans the picture follows the hand by the last plan's own loosest frame.
  const scaleNow = (plan.frame.scale * planned.framing.tightness) / framing.tightness;
  const exact = planned.framing.centreX === framing.centreX && planned.framing.centreY === framing.centreY;
  const lie: Lie = {
    middleX: place.x + place.width / 2,
    middleY: place.y + place.height / 2,
    scale: perPixel / scaleNow,
    tiltDegrees: framing.tiltDegrees,
    centreX: exact ? plan.frame.centreX : framing.centreX * plan.frame.seenWidth,
    centreY: exact ? plan.frame.centreY : framing.centreY * plan.frame.seenHeight,
  };

  const moved = (from: Framing, dx: number, dy: number): Framing => {
    const way = toSeen(lie, dx, dy);
    return held(
      {
        ...from,
        centreX: from.centreX - way.dx / plan.frame.seenWidth,
        centreY: from.centreY - way.dy / plan.frame.seenHeight,
      },
      plan.limits,
    );
  };

  const take = (event: PointerEvent) => {
    if (event.button !== 0) return;
    stage.current?.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, from: held(framing, plan.limits) };
    setMoving(true);
  };
  const pull = (event: PointerEvent) => {
    if (!drag.current) return;
    onShow(moved(drag.current.from, event.clientX - drag.current.x, event.clientY - drag.current.y));
  };
  const release = () => {
    if (!drag.current) return;
    drag.current = undefined;
    setMoving(false);
    onAct(latest.current);
  };

  const onWheel = useRef<(event: WheelEvent) => void>(undefined);
  onWheel.current = (event) => {
    event.preventDefault();
    setMoving(true);
    onShow(held(tighter(framing, Math.exp(-event.deltaY * 0.0012)), plan.limits));
    window.clearTimeout(wheel.current);
    wheel.current = window.setTimeout(() => {
      setMoving(false);
      onAct(latest.current);
    }, WHEEL_ENDS_MILLIS);
  };
  useEffect(() => {
    const element = stage.current!;
    const listen = (event: WheelEvent) => onWheel.current?.(event);
    element.addEventListener('wheel', listen, { passive: false });
    return () => element.removeEventListener('wheel', listen);
  }, []);

  const { seenWidth, seenHeight } = plan.frame;
  const outline = [
    [0, 0],
    [seenWidth, 0],
    [seenWidth, seenHeight],
    [0, seenHeight],
    [0, 0],
  ].map(([x, y]) => toScreen(lie, x!, y!));
  const offcut = `polygon(evenodd, ${outline.map(({ x, y }) => `${x}px ${y}px`).join(', ')}, ${corners(place)})`;
  return (
    <div className="bench-stage">
      <Ruler axis="x" rect={sheet} inches={plan.width / plan.markedPpi} unit={unit} />
      <Ruler axis="y" rect={sheet} inches={plan.height / plan.markedPpi} unit={unit} />
      <div
        ref={stage}
        className={`stage${moving ? ' stage-moving' : ''}`}
        data-testid="stage"
        onPointerDown={take}
        onPointerMove={pull}
        onPointerUp={release}
        onPointerCancel={release}
      >
        {size.width > 0 && (
          <>
            <img
              key={original.digest}
              className="stage-picture"
              alt={original.path}
              draggable={false}
              src={smallPicture(original.id, original.digest, 1800)}
              width={plan.frame.seenWidth}
              height={plan.frame.seenHeight}
              style={{ transform: cssTransform(lie) }}
            />
            {/* Nothing hides the edge that is being lined up. */}
            {!moving && <div className="stage-offcut" style={{ clipPath: offcut }} />}
            <svg className="stage-lines" width={size.width} height={size.height} aria-hidden="true">
              {place.width !== sheet.width || place.height !== sheet.height ? (
                <path
                  fillRule="evenodd"
                  fill={paper}
                  d={`M${box(sheet)}M${box(place)}`}
                />
              ) : null}
              <Guides guide={guide} place={place} perUnit={(plan.markedPpi / fromInches(1, unit)) * perPixel} />
              <rect className="stage-edge" {...sheet} />
              <rect className="trim stage-trim" {...sheet} />
            </svg>
          </>
        )}
      </div>
    </div>
  );
}

function corners({ x, y, width, height }: Rect): string {
  return `${x}px ${y}px, ${x + width}px ${y}px, ${x + width}px ${y + height}px, ${x}px ${y + height}px, ${x}px ${y}px`;
}

function box({ x, y, width, height }: Rect): string {
  return `${x} ${y}h${width}v${height}h${-width}z`;
}

function Ruler({ axis, rect, inches, unit }: { axis: 'x' | 'y'; rect: Rect; inches: number; unit: LengthUnit }) {
  const length = fromInches(inches, unit);
  const along = axis === 'x' ? rect.width : rect.height;
  const from = axis === 'x' ? rect.x : rect.y;
  const perUnit = along / length;
  if (!Number.isFinite(perUnit) || perUnit <= 0) return <div className={`ruler ruler-${axis}`} />;
  return (
    <svg className={`ruler ruler-${axis}`} aria-hidden="true">
      {axis === 'x' && (
        <text x={from - 8} y={15} textAnchor="end">
          {unitSymbol[unit]}
        </text>
      )}
      {rulerMarks(length, perUnit).map(({ at, text }) => {
        const place = from + at * perUnit;
        const mark = text ? 12 : 6;
        return axis === 'x' ? (
          <g key={at} transform={`translate(${place} 0)`}>
            <path d={`M0 ${RULER}v${-mark}`} />
            {text && (
              <text x={3} y={11}>
                {text}
              </text>
            )}
          </g>
        ) : (
          <g key={at} transform={`translate(0 ${place})`}>
            <path d={`M${RULER} 0h${-mark}`} />
            {text && (
              <text x={2} y={-3}>
                {text}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

function Guides({ guide, place, perUnit }: { guide: Guide; place: Rect; perUnit: number }) {
  const across = guideShares(guide, place.width, perUnit);
  const down = guideShares(guide, place.height, perUnit);
  return (
    <g className="guides">
      {across.map((at) => (
        <path key={`x${at}`} d={`M${place.x + at} ${place.y}v${place.height}`} />
      ))}
      {down.map((at) => (
        <path key={`y${at}`} d={`M${place.x} ${place.y + at}h${place.width}`} />
      ))}
    </g>
  );
}

function guideShares(guide: Guide, length: number, perUnit: number): number[] {
  switch (guide) {
    case 'none':
      return [];
    case 'thirds':
      return [length / 3, (2 * length) / 3];
    case 'golden':
      return [length * (1 - GOLDEN), length * GOLDEN];
    case 'centre':
      return [length / 2];
    case 'net': {
      const step = perUnit < 12 ? perUnit * 10 : perUnit;
      return Array.from({ length: Math.max(0, Math.ceil(length / step) - 1) }, (_, i) => (i + 1) * step);
    }
    default:
      return guide satisfies never;
  }
}
