import { useCallback, useRef, useState, type CSSProperties, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../../api/client';
import { canvasFaces, depthOf } from './canvasFaces';
import './space.css';

interface Props {
  edges: Schemas['EdgesView'];
  total: { width: number; height: number };
  /** The whole output as it will be. */
  url: string | undefined;
  /** Display pixels to one output pixel. */
  scale: number;
}

const START = { yaw: -28, pitch: -20 };
const MOST_PITCH = 80;
const BY_KEY = 5;
const FAR = 4;
/** Degrees to one pixel of a drag. */
const BY_DRAG = 0.4;

const turns: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/**
 * A wrapped canvas with its true depth: turned by drag or arrow keys, its sides showing exactly the pixels that will be there.
 * A turn changes two numbers of the style and draws nothing anew.
 */
export function CanvasInSpace({ edges, total, url, scale }: Props) {
  const body = useRef<HTMLDivElement>(null);
  const at = useRef(START);
  const held = useRef<{ x: number; y: number }>(undefined);
  const [flat, setFlat] = useState(false);

  const show = () => {
    body.current?.style.setProperty('--yaw', `${at.current.yaw}deg`);
    body.current?.style.setProperty('--pitch', `${at.current.pitch}deg`);
  };
  const turn = (yaw: number, pitch: number) => {
    at.current = { yaw: at.current.yaw + yaw, pitch: Math.max(-MOST_PITCH, Math.min(MOST_PITCH, at.current.pitch + pitch)) };
    show();
  };
  const lay = useCallback((element: HTMLButtonElement | null) => element?.focus({ preventScroll: true }), []);
  const onKey = (event: KeyboardEvent) => {
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    const way = turns[key];
    if (!way && key !== 'f' && key !== '0') return;
    event.preventDefault();
    event.stopPropagation();
    if (key === 'f') setFlat(!flat);
    if (key === '0') {
      at.current = START;
      show();
    }
    if (way && !flat) turn(way[0] * BY_KEY * (event.shiftKey ? FAR : 1), way[1] * BY_KEY * (event.shiftKey ? FAR : 1));
  };
  const onMove = (event: PointerEvent) => {
    if (!held.current || flat) return;
    turn((event.clientX - held.current.x) * BY_DRAG, (held.current.y - event.clientY) * BY_DRAG);
    held.current = { x: event.clientX, y: event.clientY };
  };

  const depth = depthOf(edges) * scale;
  const style = {
    '--depth': `${depth}px`,
    '--fold': flat ? 0 : 1,
    '--yaw': `${at.current.yaw}deg`,
    '--pitch': `${at.current.pitch}deg`,
  } as CSSProperties;
  return (
    <figure className="space">
      <div ref={body} className={flat ? 'space-body space-flat' : 'space-body'} style={style} data-testid="canvas-in-space">
        {canvasFaces(edges, scale).map(({ name, left, top, width, height, imageX, imageY }) => (
          <div
            key={name}
            className={`space-face space-${name}`}
            style={{
              left,
              top,
              width,
              height,
              backgroundImage: url && `url("${url}")`,
              backgroundPosition: `${imageX}px ${imageY}px`,
              backgroundSize: `${total.width * scale}px ${total.height * scale}px`,
            }}
          />
        ))}
        <div
          className="space-face space-back"
          style={{
            left: (-edges.sheet.width / 2) * scale,
            top: (-edges.sheet.height / 2) * scale,
            width: edges.sheet.width * scale,
            height: edges.sheet.height * scale,
          }}
        />
      </div>
      <button
        type="button"
        className="space-hold"
        ref={lay}
        aria-label="The canvas in space: arrow keys turn it, F lays its sides flat, 0 puts it back"
        onKeyDown={onKey}
        onPointerDown={(event) => {
          held.current = { x: event.clientX, y: event.clientY };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={onMove}
        onPointerUp={() => (held.current = undefined)}
        onPointerCancel={() => (held.current = undefined)}
      />
      <figcaption>
        Drag it or press <kbd>←</kbd> <kbd>→</kbd> <kbd>↑</kbd> <kbd>↓</kbd> to turn it.{' '}
        <button type="button" className="tool" aria-pressed={flat} onClick={() => setFlat(!flat)}>
          <kbd>F</kbd> sides laid flat
        </button>
      </figcaption>
    </figure>
  );
}
