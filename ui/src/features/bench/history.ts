import type { Framing } from './framing';

/** One act on one picture. */
export interface Act {
  originalId: string;
  before: Framing;
  after: Framing;
  acceptedBefore: boolean;
}

/** What was done and undone in a job, newest last. */
export interface History {
  done: Act[];
  undone: Act[];
}

export type HistoryStep = { kind: 'did'; act: Act } | { kind: 'undid' } | { kind: 'redid' };

export const noHistory: History = { done: [], undone: [] };

export function historyAfter(history: History, step: HistoryStep): History {
  switch (step.kind) {
    case 'did':
      return { done: [...history.done, step.act], undone: [] };
    case 'undid': {
      const act = history.done.at(-1);
      return act ? { done: history.done.slice(0, -1), undone: [...history.undone, act] } : history;
    }
    case 'redid': {
      const act = history.undone.at(-1);
      return act ? { done: [...history.done, act], undone: history.undone.slice(0, -1) } : history;
    }
    default:
      return step satisfies never;
  }
}
