import { useDrag } from '@use-gesture/react';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { useObjectUrl } from '../../shared/useObjectUrl';
import type { Proof, Region, Size } from '../pixels';

/** How the two are held against each other. */
export type Against = 'wipe' | 'beside' | 'inTurn';

interface Props {
  before: Proof | undefined;
  after: Proof | undefined;
  beforeName: string;
  afterName: string;
  /** Stripes over what cannot be printed of what is shown after. */
  marks: Proof | undefined;
  region: Region | undefined;
  /** Display pixels to one that was asked for. */
  magnify: number;
  against: Against;
  /** Where the wipe stands, 0 to 1: left of it the picture is shown before, right of it after. */
  wipe: number;
  onWipe: (share: number) => void;
  /** The room for one of the two, in display pixels. */
  onView: (view: Size) => void;
  /** Lines over the picture; none where undefined. */
  lines: ReactNode;
  /** In pixels as they were asked for. */
  onPan: (dx: number, dy: number) => void;
  /** What lies over a corner of the stage. */
  children?: ReactNode;
}

interface Way {
  x: number;
  y: number;
}

/** Two pictures of one part of the sheet: over one another with a wipe between them, side by side, or one after the other. */
export function ProofStage(props: Props) {
  const { before, after, marks, beforeName, afterName, region, magnify, against, wipe, onView } = props;
  const stage = useRef<HTMLDivElement>(null);
  const [way, setWay] = useState<Way>();
  const [room, setRoom] = useState({ width: 0, height: 0 });

  useLayoutEffect(() => {
    const element = stage.current!;
    const measure = () => {
      const width = against === 'beside' ? (element.clientWidth - GAP) / 2 : element.clientWidth;
      setRoom({ width, height: element.clientHeight });
      onView({ width: width * devicePixelRatio, height: element.clientHeight * devicePixelRatio });
    };
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    measure();
    return () => watcher.disconnect();
  }, [onView, against]);

  const drag = useDrag(
    ({ last, movement: [x, y] }) => {
      setWay(last ? undefined : { x, y });
      if (last && (x !== 0 || y !== 0)) {
        props.onPan((-x * devicePixelRatio) / magnify, (-y * devicePixelRatio) / magnify);
      }
    },
    { pointer: { keys: false } },
  );
  const cut = `${(wipe * 100).toFixed(2)}%`;
  // A part smaller than its room stands in the middle.
  const spare = (all: number, px: number | undefined) => Math.max(0, Math.round((all - ((px ?? 0) * magnify) / devicePixelRatio) / 2));
  const layer = {
    region,
    magnify,
    way: { x: (way?.x ?? 0) + spare(room.width, region?.width), y: (way?.y ?? 0) + spare(room.height, region?.height) },
  };
  return (
    <div ref={stage} className={`proof-stage proof-by-${against}`}>
      <div
        className={`proof-pan${way ? ' proof-moving' : ''}`} {...drag()}>
        {against === 'beside' ? (
          <>
            <div className="proof-half">
              <Layer {...layer} proof={before} name={beforeName} />
            </div>
            <div className="proof-half">
              <Layer {...layer} proof={after} name={afterName} />
              <Layer {...layer} proof={marks} name="" />
            </div>
          </>
        ) : (
          <>
            <Layer {...layer} proof={after} clip={`inset(0 0 0 ${cut})`} name={afterName} />
            <Layer {...layer} proof={marks} clip={`inset(0 0 0 ${cut})`} name="" />
            <Layer {...layer} proof={before} clip={`inset(0 calc(100% - ${cut}) 0 0)`} name={beforeName} />
          </>
        )}
      </div>
      {against !== 'beside' && region && props.lines && (
        <svg className="proof-lines" aria-hidden="true">
          <g
            transform={`translate(${layer.way.x} ${layer.way.y}) scale(${magnify / devicePixelRatio}) translate(${-region.x} ${-region.y})`}
          >
            {props.lines}
          </g>
        </svg>
      )}
      {props.children}
      {(against === 'beside' || wipe > 0) && <span className="proof-name proof-name-before">{beforeName}</span>}
      {(against === 'beside' || wipe < 1) && <span className="proof-name proof-name-after">{afterName}</span>}
      {against === 'wipe' && (
        <>
          <input
            className="proof-wipe"
            type="range"
            min={0}
            max={1}
            step={0.01}
            value={wipe}
            aria-label={`Wipe: left of it ${beforeName}`}
            onChange={(event) => props.onWipe(Number(event.target.value))}
          />
          <div className="proof-line" style={{ left: cut }} aria-hidden />
        </>
      )}
    </div>
  );
}

const GAP = 6;

interface LayerProps {
  proof: Proof | undefined;
  region: Region | undefined;
  magnify: number;
  way: Way;
  clip?: string;
  name: string;
}

/** One picture, each of its pixels whole, standing where its part of the sheet is. */
function Layer({ proof, region, magnify, way, clip, name }: LayerProps) {
  const url = useObjectUrl(proof?.blob);
  if (!proof || !region || !url) return <div className="proof-layer" style={{ clipPath: clip }} />;
  const perPixel = magnify / devicePixelRatio;
  const x = (proof.region.x - region.x) * perPixel + way.x;
  const y = (proof.region.y - region.y) * perPixel + way.y;
  return (
    <div className="proof-layer" style={{ clipPath: clip }}>
      <img
        src={url}
        alt={name}
        draggable={false}
        width={proof.region.width * perPixel}
        height={proof.region.height * perPixel}
        style={{ transform: `translate(${x}px, ${y}px)`, imageRendering: Number.isInteger(magnify) ? 'pixelated' : 'auto' }}
      />
    </div>
  );
}
