import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useParams } from 'react-router';
import { decimals } from '../../shared/format';
import { useSmallPictures } from '../originals';
import { handOf, turnedHand, type ByHand, type Laid, type Layout } from './wish';

const STEP = 1;
const LARGE_STEP = 10;

interface Props {
  layout: Layout;
  margin: number;
  onMove: (hand: ByHand) => void;
}

/** The paper in true proportion. A piece is dragged, or moved with the arrow keys and turned with T when it has the focus. */
export function Papers({ layout, margin, onMove }: Props) {
  const small = useSmallPictures(useParams().jobId ?? '');
  return (
    <div className={layout.pages[0] && layout.pages.length > 1 ? 'layout-sheets' : undefined}>
      <p className="quiet layout-help">Drag a piece, or choose it with Tab: arrows move it by 1 mm, with Shift by 10 mm, T turns it.</p>
      {layout.pages.map((page, i) => (
        <figure key={i} className="layout-page">
          <svg viewBox={`0 0 ${page.width} ${page.height}`} role="group" aria-label={`Paper ${i + 1} of ${layout.pages.length}`}>
            <rect className="layout-bare" width={page.width} height={page.height} />
            <rect
              className="layout-margin"
              x={margin}
              y={margin}
              width={page.width - 2 * margin}
              height={Math.max(0, page.height - 2 * margin)}
            />
            {page.laid.map((laid) => (
              <Piece key={laid.number} laid={laid} page={i} small={small(laid.originalId)} onMove={onMove} />
            ))}
          </svg>
          <figcaption className="quiet">
            {decimals(page.width, 0)} × {decimals(page.height, 0)} mm
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

const toward: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface PieceProps {
  laid: Laid;
  page: number;
  /** Address of its small picture. */
  small: string;
  onMove: (hand: ByHand) => void;
}

function Piece({ laid, page, small, onMove }: PieceProps) {
  const [drag, setDrag] = useState<{ fromX: number; fromY: number; dx: number; dy: number }>();
  const { name, copy, part, parts, x, y, width, height, turned } = laid;

  const at = (event: PointerEvent<SVGGElement>) => {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(event.currentTarget.getScreenCTM()!.inverse());
    return { x: point.x, y: point.y };
  };
  const begin = (event: PointerEvent<SVGGElement>) => {
    const { x: fromX, y: fromY } = at(event);
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrag({ fromX, fromY, dx: 0, dy: 0 });
  };
  const go = (event: PointerEvent<SVGGElement>) => {
    if (!drag) return;
    // The group itself is moved along: what is measured moves with it.
    const now = at(event);
    setDrag({ ...drag, dx: drag.dx + now.x - drag.fromX, dy: drag.dy + now.y - drag.fromY });
  };
  const end = () => {
    if (drag && (drag.dx !== 0 || drag.dy !== 0)) onMove({ ...handOf(laid, page), x: placed(x + drag.dx), y: placed(y + drag.dy) });
    setDrag(undefined);
  };
  const press = (event: KeyboardEvent) => {
    const step = toward[event.key];
    if (step) {
      event.preventDefault();
      const by = event.shiftKey ? LARGE_STEP : STEP;
      onMove({ ...handOf(laid, page), x: placed(x + step[0] * by), y: placed(y + step[1] * by) });
    } else if (event.key === 't' || event.key === 'T') {
      event.preventDefault();
      onMove(turnedHand(laid, page));
    }
  };
  const words = `${name}${copy > 1 ? `, copy ${copy}` : ''}${parts > 1 ? `, part ${part} of ${parts}` : ''}`;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${words}, at ${decimals(x, 0)}, ${decimals(y, 0)} mm${turned ? ', turned' : ''}`}
      className={drag ? 'layout-piece layout-dragged' : 'layout-piece'}
      transform={drag && `translate(${drag.dx} ${drag.dy})`}
      onPointerDown={begin}
      onPointerMove={go}
      onPointerUp={end}
      onPointerCancel={() => setDrag(undefined)}
      onKeyDown={press}
    >
      <title>{words}</title>
      <rect x={x} y={y} width={width} height={height} />
      <image
        href={small}
        preserveAspectRatio="xMidYMid slice"
        // Upright it is drawn about the place's middle, then turned with the piece.
        x={turned ? x + (width - height) / 2 : x}
        y={turned ? y + (height - width) / 2 : y}
        width={turned ? height : width}
        height={turned ? width : height}
        transform={turned ? `rotate(90 ${x + width / 2} ${y + height / 2})` : undefined}
      />
      <rect className="layout-edge" x={x} y={y} width={width} height={height} />
    </g>
  );
}

/** Never before the paper's beginning, in whole tenths of a millimetre. */
const placed = (millimetres: number) => Math.max(0, Math.round(millimetres * 10) / 10);
