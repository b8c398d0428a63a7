import { describe, expect, it } from 'vitest';
import { centred, tighter } from './framing';
import { historyAfter, noHistory, type Act } from './history';

const act = (originalId: string): Act => ({
  originalId,
  before: centred,
  after: tighter(centred, 2),
  acceptedBefore: false,
});

describe('history', () => {
  it('goes back and forth one act at a time', () => {
    let history = historyAfter(noHistory, { kind: 'did', act: act('a') });
    history = historyAfter(history, { kind: 'did', act: act('b') });
    history = historyAfter(history, { kind: 'undid' });
    expect(history.done.map(({ originalId }) => originalId)).toEqual(['a']);
    history = historyAfter(history, { kind: 'redid' });
    expect(history.done.map(({ originalId }) => originalId)).toEqual(['a', 'b']);
  });

  it('forgets what was undone once something new is done', () => {
    let history = historyAfter(noHistory, { kind: 'did', act: act('a') });
    history = historyAfter(history, { kind: 'undid' });
    history = historyAfter(history, { kind: 'did', act: act('c') });
    expect(history.undone).toEqual([]);
    expect(historyAfter(noHistory, { kind: 'undid' })).toBe(noHistory);
  });
});
