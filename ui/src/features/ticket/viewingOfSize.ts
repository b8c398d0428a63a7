import { convert } from '../../shared/format';
import type { TicketDocument } from './queries';

type Viewing = TicketDocument['viewing'];

const METRES: [Viewing, number][] = [
  ['BANNER', 3],
  ['WALL', 1],
  ['TABLE', 0.6],
];

/** A picture is looked at from about one and a half times its diagonal. Common practice, no source. */
const DIAGONALS = 1.5;
const METRES_PER_INCH = 0.0254;

/** From how far a print of this size is looked at, until somebody says otherwise: the farthest that its diagonal allows. */
export function viewingOf(size: TicketDocument['size']): Viewing {
  if (size.kind !== 'paper') return 'HAND';
  const inches = Math.hypot(convert(size.width.value, size.width.unit, 'IN'), convert(size.height.value, size.height.unit, 'IN'));
  const distance = inches * METRES_PER_INCH * DIAGONALS;
  return METRES.find(([, metres]) => metres <= distance)?.[0] ?? 'HAND';
}
