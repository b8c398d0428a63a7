import { useEffect, useLayoutEffect, useRef, useState, type PointerEvent } from 'react';
import type { Proof } from './queries';
import type { Region, Size } from './region';

interface Props {
  before: Proof | undefined;
  after: Proof | undefined;
  beforeName: string;
  region: Region | undefined;
  /** Where the wipe stands, 0 to 1: left of it the picture is shown before, right of it after. */
  wipe: number;
  onWipe: (share: number) => void;
  onView: (view: Size) => void;
  onPan: (dx: number, dy: number) => void;
}

interface Drag {
  x: number;
  y: number;
  dx: number;
  dy: number;
}

/**
 * Two pictures of one part of the sheet over one another, a wipe between them; dragging moves both. One output pixel is one
 * pixel of the display.
 */
export function ProofStage({ before, after, beforeName, region, wipe, onWipe, onView, onPan }: Props) {
  const stage = useRef<HTMLDivElement>(null);
  const [drag, setDrag] = useState<Drag>();

  useLayoutEffect(() => {
    const element = stage.current!;
    const watcher = new ResizeObserver(() =>
      onView({ width: element.clientWidth * devicePixelRatio, height: element.clientHeight * devicePixelRatio }),
    );
    watcher.observe(element);
    return () => watcher.disconnect();
  }, [onView]);

  const press = (event: PointerEvent) => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrag({ x: event.clientX, y: event.clientY, dx: 0, dy: 0 });
  };
  const move = (event: PointerEvent) => {
    if (drag) setDrag({ ...drag, dx: event.clientX - drag.x, dy: event.clientY - drag.y });
  };
  const release = () => {
    if (drag && (drag.dx !== 0 || drag.dy !== 0)) {
      onPan(-drag.dx * devicePixelRatio, -drag.dy * devicePixelRatio);
    }
    setDrag(undefined);
  };
  const way = { x: drag?.dx ?? 0, y: drag?.dy ?? 0 };
  const cut = `${(wipe * 100).toFixed(2)}%`;
  return (
    <div ref={stage} className="proof-stage">
      <div
        className={`proof-pan${drag ? ' proof-moving' : ''}`}
        onPointerDown={press}
        onPointerMove={move}
        onPointerUp={release}
        onPointerCancel={() => setDrag(undefined)}
      >
        <Layer proof={after} region={region} way={way} clip={`inset(0 0 0 ${cut})`} name="as the file will be" />
        <Layer proof={before} region={region} way={way} clip={`inset(0 calc(100% - ${cut}) 0 0)`} name={beforeName} />
      </div>
      {wipe > 0 && <span className="proof-name proof-name-before">{beforeName}</span>}
      {wipe < 1 && <span className="proof-name proof-name-after">as the file will be</span>}
      <input
        className="proof-wipe"
        type="range"
        min={0}
        max={1}
        step={0.01}
        value={wipe}
        aria-label={`Wipe: left of it ${beforeName}`}
        onChange={(event) => onWipe(Number(event.target.value))}
      />
      <div className="proof-line" style={{ left: cut }} aria-hidden />
    </div>
  );
}

/** One picture, pixel for pixel, standing where its part of the sheet is. */
function Layer({
  proof,
  region,
  way,
  clip,
  name,
}: {
  proof: Proof | undefined;
  region: Region | undefined;
  way: { x: number; y: number };
  clip: string;
  name: string;
}) {
  const url = useObjectUrl(proof?.blob);
  if (!proof || !region || !url) return <div className="proof-layer" style={{ clipPath: clip }} />;
  const x = (proof.region.x - region.x) / devicePixelRatio + way.x;
  const y = (proof.region.y - region.y) / devicePixelRatio + way.y;
  return (
    <div className="proof-layer" style={{ clipPath: clip }}>
      <img
        src={url}
        alt={name}
        draggable={false}
        width={proof.region.width / devicePixelRatio}
        height={proof.region.height / devicePixelRatio}
        style={{ transform: `translate(${x}px, ${y}px)` }}
      />
    </div>
  );
}

function useObjectUrl(blob: Blob | undefined): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    if (!blob) {
      setUrl(undefined);
      return;
    }
    const made = URL.createObjectURL(blob);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  return url;
}
