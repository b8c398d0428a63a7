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
import type { TicketDocument } from '../ticket';
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

/** The move that a command makes under a ticket; none where the command is no move, or the ticket has no use for it. */
export function moveOf(command: BenchCommand, { size, fit }: TicketDocument): Move | undefined {
  const isLoose = size.kind !== 'free' && fit.kind !== 'scale';
  const tightened = (words: string, factor: number): Move | undefined =>
    isLoose ? { words, by: (framing, { limits }) => held(tighter(framing, factor), limits) } : undefined;
  // The picture goes with the arrow; in the free shape the frame does.
  const moved = (x: number, y: number): Move => nudge(size.kind === 'free' ? x : -x, size.kind === 'free' ? y : -y);
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
      return fit.kind === 'scale' ? undefined : { words: 'changed the corners', by: nextCorners };
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
