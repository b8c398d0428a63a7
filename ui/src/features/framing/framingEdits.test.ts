import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { centred, tilted } from './framing';
import { FramingEdits } from './framingEdits';
import { framingsQuery, noOverride, overridesQuery, type EditOutcome, type FramingView } from './queries';

const place = { jobId: 'job', shape: '4:5', ticketId: 'ticket' };
const key = framingsQuery(place.jobId, place.shape).queryKey;

function kept(version: number, tiltDegrees: number, accepted = false): FramingView {
  return { originalId: 'kite', shapeKey: '4:5', version, accepted, document: { ...centred, tiltDegrees } };
}

function outcome(...framings: FramingView[]): EditOutcome {
  return { framings, overrides: [], history: { undo: null, redo: null } } as unknown as EditOutcome;
}

function edits(...framings: FramingView[]) {
  const queries = new QueryClient();
  queries.setQueryData(key, framings);
  queries.setQueryData(overridesQuery(place.ticketId).queryKey, []);
  return { queries, store: new FramingEdits(queries, place) };
}

describe('edits of framings', () => {
  it('are shown at once and sent on the version they were done on', async () => {
    const { store } = edits(kept(3, 0));
    const moved = store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 2) }])!;
    expect(store.framing('kite').document.tiltDegrees).toBe(2);
    expect((await store.request(moved)).framings[0]).toMatchObject({ version: 3, accepted: false });
  });

  it('say nothing where nothing changes', () => {
    const { store } = edits(kept(3, 2));
    expect(store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 2) }])).toBeUndefined();
  });

  it('keep what was done while an answer was under way', async () => {
    const { store, queries } = edits(kept(3, 0));
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 1) }]);
    const second = store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 2) }])!;
    await store.take(outcome(kept(4, 1)), 'edit');
    expect(store.framing('kite').document.tiltDegrees).toBe(2);
    expect((await store.request(second)).framings[0]).toMatchObject({ version: 4, document: { tiltDegrees: 2 } });
    await store.take(outcome(kept(5, 2)), 'edit');
    expect(queries.getQueryData(key)).toEqual([kept(5, 2)]);
  });

  /** A list that is fetched when the window comes to the front, between a move and its acceptance. */
  it('send what the hand left, whatever a list tells meanwhile', async () => {
    const { store, queries } = edits(kept(3, 0));
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 7) }]);
    queries.setQueryData(key, [kept(3, 0)]);
    const accepted = store.show('accepted', [{ originalId: 'kite', accepted: true }])!;
    await store.take(outcome(kept(4, 7)), 'edit');
    queries.setQueryData(key, [kept(3, 0)]);
    const sent = (await store.request(accepted)).framings[0];
    expect(sent).toMatchObject({ version: 4, accepted: true, document: { tiltDegrees: 7 } });
    expect(store.framing('kite')).toMatchObject({ accepted: true, document: { tiltDegrees: 7 } });
  });

  it('stop a list that was asked for before their answer', async () => {
    const { store, queries } = edits(kept(3, 0));
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 1) }]);
    let late: (list: FramingView[]) => void = () => undefined;
    const asked = queries.fetchQuery({
      ...framingsQuery(place.jobId, place.shape),
      queryFn: () => new Promise<FramingView[]>((resolve) => (late = resolve)),
    });
    const stopped = asked.catch(() => 'stopped');
    await store.take(outcome(kept(4, 1)), 'edit');
    late([kept(3, 0)]);
    await stopped;
    expect(queries.getQueryData(key)).toEqual([kept(4, 1)]);
  });

  it('have a list asked for again that was not there yet when they were answered', async () => {
    const { store, queries } = edits(kept(3, 0));
    const own = overridesQuery(place.ticketId).queryKey;
    queries.removeQueries({ queryKey: own });
    const loading = queries
      .fetchQuery({ ...overridesQuery(place.ticketId), queryFn: () => new Promise<never>(() => undefined) })
      .catch(() => 'stopped');
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 1) }]);
    await store.take(outcome(kept(4, 1)), 'edit');
    expect(await loading).toBe('stopped');
    expect(queries.getQueryState(own)?.isInvalidated).toBe(true);
  });

  it('go on from what an undo left', async () => {
    const { store } = edits(kept(3, 5));
    const later = store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 6) }])!;
    await store.take(outcome(kept(4, 0)), 'step');
    expect(store.framing('kite').document.tiltDegrees).toBe(6);
    expect((await store.request(later)).framings[0]).toMatchObject({ version: 4, document: { tiltDegrees: 6 } });
  });

  it('are forgotten after a failure, and the server is asked again', async () => {
    const { store, queries } = edits(kept(3, 0));
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 1) }]);
    await store.lookAgain();
    expect(store.framing('kite').document.tiltDegrees).toBe(0);
    expect(queries.getQueryState(key)?.isInvalidated).toBe(true);
  });

  it('tell whoever shows them', () => {
    const { store } = edits(kept(3, 0));
    let told = 0;
    const stop = store.subscribe(() => told++);
    const before = store.revision();
    store.show('set ppi', [{ originalId: 'kite', override: { ...noOverride, ppi: 240 } }]);
    expect(told).toBe(1);
    expect(store.revision()).not.toBe(before);
    expect(store.override('kite').ppi).toBe(240);
    stop();
    store.show('tilted', [{ originalId: 'kite', framing: tilted(centred, 1) }]);
    expect(told).toBe(1);
  });
});
