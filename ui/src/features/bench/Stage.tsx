import { useLayoutEffect, useReducer, useRef, useState } from 'react';
import { smallPicture, type Schemas } from '../../api/client';
import { fromInches } from '../../shared/format';
import { SheetLines } from '../../shared/SheetLines';
import type { Found } from '../found';
import { held, movedInSeen, same, tighter, type Framing } from '../framing';
import { BandPixels } from './BandPixels';
import { BlurMark } from './BlurMark';
import { FoldMarks } from './FoldMarks';
import { FoundLines } from './FoundLines';
import { FreeSides } from './FreeSides';
import { Guides, type Guide } from './Guides';
import { LevelLine, type Line } from './LevelLine';
import { Loupe } from './Loupe';
import { Ruler } from './Rulers';
import { snapped } from './snap';
import type { Looked } from './useFound';
import { useGestures } from './useGestures';
import type { Planned } from './usePlanned';
import { cssTransform, freeViewOf, toPicture, toScreen, toSeen, seenOf, viewOf, common, cornersOf, type Point, type Rect, type Seen } from './viewTransform';

interface Props {
  original: Schemas['OriginalView'];
  planned: Planned;
  framing: Framing;
  /** As it stands this instant, drawn or not. */
  current: () => Framing;
  guide: Guide;
  snaps: boolean;
  loupe: boolean;
  /** The line that is being drawn or was drawn; nothing to draw where undefined. */
  level: Line | 'to-draw' | undefined;
  onLevelDraw: (line: Line) => void;
  onLevelDrawn: (line: Line) => void;
  /** What was found and is shown. */
  offer: { found: Found; looked: Looked; print: number } | undefined;
  /** Where the person points at an edge, in pixels of the seen picture. */
  mark: Point | undefined;
  onPoint: (at: Point) => void;
  /** Whether what comes near the folds is marked. */
  marksFolds: boolean;
  /** A line whose true length is being stated. */
  known: Line | undefined;
  onKnown: (line: Line) => void;
  /** While the hand moves it. */
  onMove: (framing: Framing) => void;
  /** When the hand lets go. */
  onMoved: (words: string, framing: Framing) => void;
  /** By the wheel, which never lets go. */
  onWheel: (words: string, framing: Framing) => void;
}

/** Screen pixels within which a picture is drawn to its rim, thirds and middle. */
const SNAPS_WITHIN = 7;

/**
 * The sheet in the middle, the picture moved under it. While it is moved one element's transform changes, without another
 * drawing of the page; the offcut is drained of colour and hatched, and clears while something is lined up.
 */
export function Stage(props: Props) {
  const { original, planned, framing, guide, level } = props;
  const stage = useRef<HTMLDivElement>(null);
  const picture = useRef<HTMLImageElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [moving, setMoving] = useState(false);
  const [pointer, setPointer] = useState<{ x: number; y: number }>();
  const [, redraw] = useReducer((count: number) => count + 1, 0);
  const taken = useRef<{ from: Framing; at: { x: number; y: number } }>(undefined);
  const live = useRef<Framing>(undefined);
  const drawing = useRef(false);

  useLayoutEffect(() => {
    const element = stage.current!;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const { plan } = planned;
  const { ticket } = planned.subject;
  const isFree = plan.handling.moves === 'FRAME';
  const isLoose = plan.handling.scaling === 'TIGHTENS';
  // In the free shape a tilt may have shortened the sides: what the plan made of them is shown, and pulled on.
  const shown = live.current ?? (isFree && same(framing, planned.asked) ? planned.framing : framing);
  const viewFor = (one: Framing) => (isFree ? freeViewOf : viewOf)(size, planned, one);
  const view = viewFor(shown);
  const { total, sheet, place, lie } = view;
  const seen: Seen = seenOf(planned);
  const [ownWidth, ownHeight] =
    seen.quarterTurns % 2 === 0 ? [seen.width, seen.height] : [seen.height, seen.width];

  /** Shows a framing under the hand: by the picture's transform alone, except in the free shape, where the frame moves. */
  const show = (moved: Framing) => {
    live.current = moved;
    if (isFree) redraw();
    else if (picture.current) picture.current.style.transform = cssTransform(viewFor(moved).lie, seen);
    props.onMove(moved);
  };
  const letGo = (words: string) => {
    const last = live.current;
    live.current = undefined;
    taken.current = undefined;
    setMoving(false);
    if (last) props.onMoved(words, last);
  };

  const gestures = useGestures(stage, {
    onTake: (at) => {
      taken.current = { from: held(shown, plan.limits), at };
      drawing.current = level === 'to-draw';
      if (!drawing.current) setMoving(true);
    },
    onMove: ({ dx, dy, factor, holdsOff }) => {
      if (!taken.current) return;
      const { from, at } = taken.current;
      if (drawing.current) {
        const line = { from: toPicture(lie, at.x, at.y), to: toPicture(lie, at.x + dx, at.y + dy) };
        return props.onLevelDraw(line);
      }
      const sign = isFree ? 1 : -1;
      const way = toSeen(lie, sign * dx, sign * dy);
      const wished = movedInSeen(isLoose ? tighter(from, factor) : from, {
        x: plan.frame.travelX === 0 ? 0 : way.dx / plan.frame.travelX,
        y: plan.frame.travelY === 0 ? 0 : way.dy / plan.frame.travelY,
      });
      const inside = held(wished, plan.limits);
      show(props.snaps && !holdsOff && factor === 1 ? snapped(inside, planned, SNAPS_WITHIN / lie.scale) : inside);
    },
    onRelease: () => {
      if (!drawing.current) return letGo('moved');
      drawing.current = false;
      taken.current = undefined;
      if (level && level !== 'to-draw') props.onLevelDrawn(level);
    },
    onWheel: (factor) => {
      if (isLoose) props.onWheel('tightened', held(tighter(props.current(), factor), plan.limits));
    },
    onHover: (at) => {
      if (props.loupe) setPointer(at);
    },
  });

  const outline = cornersOf({ x: 0, y: 0, ...seen }).map(({ x, y }) => toScreen(lie, x, y));
  // What lies in the frame and in the picture is not cut away; where the frame hangs over there is nothing to cut.
  const offcut = `polygon(evenodd, ${closed(outline)}, ${closed(common(cornersOf(place), outline))})`;
  const isMasked = (ticket.fit.kind === 'inside' || ticket.fit.kind === 'grown') && ticket.edges.kind !== 'wrap' && (place.width !== sheet.width || place.height !== sheet.height);
  const filled = planned.notices.find(({ code }) => code === 'bleed-filled');
  const lining = moving || level !== undefined || props.offer !== undefined || props.mark !== undefined || props.known !== undefined;
  return (
    <div className="bench-stage">
      <Ruler axis="x" from={sheet.x} along={sheet.width} inches={plan.edges.sheet.width / plan.markedPpi} unit={ticket.unit} />
      <Ruler axis="y" from={sheet.y} along={sheet.height} inches={plan.edges.sheet.height / plan.markedPpi} unit={ticket.unit} />
      <div
        ref={stage}
        className={`stage${moving ? ' stage-moving' : ''}${level === 'to-draw' ? ' stage-drawing' : ''}`}
        data-testid="stage"
        {...gestures}
      >
        {size.width > 0 && (
          <>
            <div className="stage-paper" style={{ ...box(total), background: shown.corners === 'DRAWN_OUT' ? undefined : ticket.fit.paper }} />
            <img
              ref={picture}
              key={original.digest}
              className="stage-picture"
              alt={original.path}
              draggable={false}
              src={smallPicture(original, 1800)}
              width={ownWidth}
              height={ownHeight}
              // The pile's picture is there at once, and until this one has been made.
              style={{ transform: cssTransform(lie, seen), backgroundImage: `url("${smallPicture(original, 384)}")` }}
            />
            {/* Nothing hides the edge that is being lined up. */}
            {!lining && <div className="stage-offcut" style={{ clipPath: offcut }} />}
            {(total.width > sheet.width || total.height > sheet.height) && (
              <BandPixels planned={planned} total={total} sheet={sheet} moving={moving || live.current !== undefined} />
            )}
            {ticket.product?.rule.overlay && !lining && (
              <ProductOverlay overlay={ticket.product.rule.overlay} total={total} />
            )}
            <svg className="stage-lines" width={size.width} height={size.height} aria-hidden="true">
              {isMasked && <path fillRule="evenodd" fill={ticket.fit.paper} d={`M${path(sheet)}M${path(place)}`} />}
              <Guides guide={guide} place={place} perUnit={(plan.markedPpi / fromInches(1, ticket.unit)) * view.perPixel} />
              <g transform={`translate(${total.x} ${total.y})`}>
                <SheetLines edges={plan.edges} scale={view.perPixel} on="picture" />
              </g>
            </svg>
            {isFree && (
              <FreeSides
                frame={sheet}
                framing={shown}
                planned={planned}
                lie={lie}
                current={props.current}
                onPull={(moved) => props.onWheel('pulled a side', moved)}
                onPulled={(moved) => props.onMoved('pulled a side', moved)}
              />
            )}
            {props.offer && !moving && <FoundLines {...props.offer} lie={lie} seen={seen} />}
            {props.marksFolds && !moving && <FoldMarks planned={planned} sheet={sheet} />}
            {props.known && (
              <LevelLine line={props.known} of="line of known length" lie={lie} onDraw={props.onKnown} onDrawn={props.onKnown} />
            )}
            {props.mark && <BlurMark mark={props.mark} lie={lie} onPoint={props.onPoint} />}
            {level && level !== 'to-draw' && (
              <LevelLine line={level} lie={lie} onDraw={props.onLevelDraw} onDrawn={props.onLevelDrawn} />
            )}
            {filled && !lining && (
              <p className="stage-notice" role="status">
                ◆ {filled.text}
              </p>
            )}
            {props.loupe && !moving && (
              <Loupe planned={planned} view={view} stage={size} at={pointer} />
            )}
          </>
        )}
      </div>
    </div>
  );
}

/** What a product has over the picture, for the eye alone; it turns with its sheet. */
function ProductOverlay({ overlay, total }: { overlay: Schemas['ProductOverlay']; total: Rect }) {
  const isTurned = overlay.width !== overlay.height && overlay.width > overlay.height !== total.width > total.height;
  const [width, height] = isTurned ? [total.height, total.width] : [total.width, total.height];
  return (
    <img
      className="stage-overlay"
      alt=""
      draggable={false}
      src={`/api/v1/marks/${overlay.digest}/file`}
      style={{
        width,
        height,
        transform: `translate(${total.x + (total.width - width) / 2}px, ${total.y + (total.height - height) / 2}px)${isTurned ? ' rotate(90deg)' : ''}`,
      }}
    />
  );
}

/** A ring of points as CSS writes it, its first point again at its end so that rings do not join. */
function closed(points: Point[]): string {
  return [...points, ...points.slice(0, 1)].map(({ x, y }) => `${x}px ${y}px`).join(', ') || '0 0';
}

function path({ x, y, width, height }: Rect): string {
  return `${x} ${y}h${width}v${height}h${-width}z`;
}

function box({ x, y, width, height }: Rect) {
  return { left: x, top: y, width, height };
}
