import type { Schemas } from '../../api/client';
import {
  centred,
  held,
  mirrored,
  movedInSeen,
  nextCorners,
  quarterTurned,
  tighter,
  tilted,
  turned,
  type Framing,
} from '../framing';
import type { BenchCommand } from './keys';

const TIGHTEN = 1.03;
const MM_PER_INCH = 25.4;
const FAR_MM = 5;

type Plan = Schemas['PlanNumbers'];

/** How a command changes a framing. */
export interface Move {
  /** As undo names it. */
  words: string;
  by: (framing: Framing, plan: Plan, far: boolean) => Framing;
}

/** The move that a command makes on a plan; none where the command is no move, or the plan has no use for it. */
export function moveOf(command: BenchCommand, { moves, scaling, corners }: Schemas['Handling']): Move | undefined {
  if (moves === 'NOTHING') return undefined;
  const isLoose = scaling === 'TIGHTENS';
  const tightened = (words: string, factor: number): Move | undefined =>
    isLoose ? { words, by: (framing, { limits }) => held(tighter(framing, factor), limits) } : undefined;
  // What moves goes with the arrow: the picture, and its framing's centre the other way; or the frame.
  const way = moves === 'FRAME' ? 1 : -1;
  const moved = (x: number, y: number): Move => nudge(way * x, way * y);
  switch (command) {
    case 'left':
      return moved(-1, 0);
    case 'right':
      return moved(1, 0);
    case 'up':
      return moved(0, -1);
    case 'down':
      return moved(0, 1);
    case 'looser':
      return tightened('loosened', 1 / TIGHTEN);
    case 'tighter':
      return tightened('tightened', TIGHTEN);
    case 'tilt-back':
      return { words: 'tilted', by: (framing, _, far) => tilted(framing, far ? -1 : -0.1) };
    case 'tilt-on':
      return { words: 'tilted', by: (framing, _, far) => tilted(framing, far ? 1 : 0.1) };
    case 'turn-sheet':
      return { words: 'turned the sheet', by: (framing, { width, height }) => turned(framing, width > height) };
    case 'quarter':
      return { words: 'turned by a quarter', by: (framing) => quarterTurned(framing, 1) };
    case 'quarter-back':
      return { words: 'turned back by a quarter', by: (framing) => quarterTurned(framing, -1) };
    case 'mirror':
      return { words: 'mirrored', by: mirrored };
    case 'corners':
      return corners === 'TICKET' ? undefined : { words: 'changed the corners', by: nextCorners };
    case 'again':
      return { words: 'reset', by: () => centred };
    default:
      return undefined;
  }
}

/** One millimetre of paper, or five. */
function nudge(x: number, y: number): Move {
  return {
    words: 'moved',
    by: (framing, { limits, frame, realPpi }, far) => {
      const seen = ((far ? FAR_MM : 1) / MM_PER_INCH) * realPpi;
      return held(
        movedInSeen(held(framing, limits), {
          x: frame.travelX === 0 ? 0 : (x * seen) / frame.travelX,
          y: frame.travelY === 0 ? 0 : (y * seen) / frame.travelY,
        }),
        limits,
      );
    },
  };
}
