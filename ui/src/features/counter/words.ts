import type { Schemas } from '../../api/client';

/** What the counter's state means for whoever wants to order. */
export const counterStateWords: Record<Schemas['CounterView']['state'], string> = {
  NOT_SET_UP: 'No counter is set up. Set EMBRICK_COUNTER to its address and start Embrick again.',
  NOT_REACHED: 'The counter cannot be reached. Check that it is running: ./embrick counter starts the simulated one.',
  CLOSED: 'The counter is closed at the moment. Orders that were given go on when it opens.',
  FULL: 'The counter has all the work it can do just now. A new order waits until it takes it.',
  OPEN: 'open',
};
