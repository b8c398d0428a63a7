import type { Schemas } from '../../api/client';
import { decimals } from '../../shared/format';
import type { RollJob, RollPiece } from './queries';

interface Props {
  job: RollJob;
  page: Schemas['RollPage'];
  number: number;
}

const DECIMETRE = 100;
/** Of the page's length: letters on the edge are read at any length. */
const LETTERS = 1 / 95;

/**
 * The paper as it comes off its core at the left, in true proportion: along the page is across the screen. What is whole on
 * paper stands in full colour, what is not yet printed is pale; a line shows where the printer is.
 */
export function StripOfPaper({ job, page, number }: Props) {
  const { width: across } = job;
  const core = across / 2;
  const letters = page.length * LETTERS;
  const edge = letters * 1.6;
  const open = job.stretches.find((stretch) => stretch.page === number && stretch.end === 'NONE');
  const decimetres = Array.from({ length: Math.floor(page.length / DECIMETRE) + 1 }, (_, i) => i * DECIMETRE);
  return (
    <svg
      className="roll-strip"
      viewBox={`${-core / 2} 0 ${page.length + core / 2} ${across + edge}`}
      role="img"
      aria-label={`The paper, ${decimals(page.length / 1000, 2)} m long`}
    >
      <defs>
        <pattern id="roll-bare" width="14" height="14" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="14" className="roll-hatch" />
        </pattern>
      </defs>
      <rect className="roll-paper" x={0} y={0} width={page.length} height={across} />
      <rect fill="url(#roll-bare)" x={0} y={0} width={page.length} height={across} />
      <ellipse className="roll-core" cx={0} cy={across / 2} rx={core / 3} ry={across / 2} />
      <ellipse className="roll-hole" cx={-core / 24} cy={across / 2} rx={core / 9} ry={across / 6} />
      {page.pieces.map((piece) => (
        <Piece key={piece.number} piece={piece} isUnderWay={open !== undefined && piece.y < open.at} />
      ))}
      {open && <line className="roll-line" x1={open.at} x2={open.at} y1={-4} y2={across + 4} />}
      {decimetres.map((at) => (
        <g key={at}>
          <line className="roll-tick" x1={at} x2={at} y1={across} y2={across + (at % 1000 === 0 ? edge / 2 : edge / 4)} />
          {at % 500 === 0 && (
            <text className="roll-metres" x={at + letters / 3} y={across + letters * 1.3} fontSize={letters}>
              {decimals(at / 10, 0)} cm
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

function Piece({ piece, isUnderWay }: { piece: RollPiece; isUnderWay: boolean }) {
  const { name, x, y, width, height, turned, printed, originalId } = piece;
  // Along the page is across the screen: what lies upright on the page is seen lying on its left side.
  const [left, top, wide, high] = [y, x, height, width];
  const [middleX, middleY] = [left + wide / 2, top + high / 2];
  const [seenWide, seenHigh] = turned ? [wide, high] : [high, wide];
  return (
    <g className={printed ? 'roll-piece' : isUnderWay ? 'roll-piece roll-under-way' : 'roll-piece roll-to-come'}>
      <title>{`${name}${printed ? ', printed' : ''}`}</title>
      <rect x={left} y={top} width={wide} height={high} className="roll-place" />
      {originalId && (
        <image
          href={`/api/v1/originals/${originalId}/small?edge=384`}
          preserveAspectRatio="xMidYMid slice"
          x={middleX - seenWide / 2}
          y={middleY - seenHigh / 2}
          width={seenWide}
          height={seenHigh}
          transform={turned ? undefined : `rotate(-90 ${middleX} ${middleY})`}
        />
      )}
    </g>
  );
}
