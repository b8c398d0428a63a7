import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { Problem } from '../../api/problems';
import { EditQueue } from './editQueue';
import { centred, same, type Framing } from './framing';
import {
  overridesQuery,
  framingsQuery,
  historyQuery,
  noOverride,
  sendAct,
  sendStep,
  type EditOutcome,
  type EditRequest,
  type Override,
  type OverrideView,
  type FramingView,
} from './queries';

/** What an edit changes on one picture; what is not named stays. */
export interface Change {
  originalId: string;
  framing?: Framing;
  accepted?: boolean;
  override?: Override;
}

interface Place {
  jobId: string;
  shape: string | undefined;
  ticketId: string | undefined;
}

/**
 * The framings of a job for one shape and what its pictures have of their own: shown as soon as an edit is done, kept by the
 * server edit by edit, undone and redone there. Another window's edit is never overwritten: then this one is told and looks
 * anew.
 */
export function useFramings(place: Place) {
  const { jobId, shape, ticketId } = place;
  const queries = useQueryClient();
  const { message } = App.useApp();
  const kept = useQuery(framingsQuery(jobId, shape)).data;
  const own = useQuery(overridesQuery(ticketId)).data;
  const history = useQuery(historyQuery(jobId)).data;
  const byId = useMemo(() => new Map(kept?.map((one) => [one.originalId, one])), [kept]);
  const ownById = useMemo(() => new Map(own?.map((one) => [one.originalId, one.document])), [own]);

  const store = useMemo(() => new Store(queries, { jobId, shape, ticketId }), [queries, jobId, shape, ticketId]);

  const told = useRef(message);
  told.current = message;
  const queue = useMemo(
    () =>
      new EditQueue(async (error) => {
        const problem = Problem.from(error);
        void told.current.warning(`${problem.message} ${problem.remedy}`);
        store.forget();
        await lookAnew(queries, jobId, ticketId);
      }),
    [queries, jobId, ticketId, store],
  );
  useEffect(() => {
    const hold = (event: BeforeUnloadEvent) => {
      if (!queue.isEmpty) event.preventDefault();
    };
    window.addEventListener('beforeunload', hold);
    return () => window.removeEventListener('beforeunload', hold);
  }, [queue]);

  const edit = useCallback(
    (words: string, changes: Change[]) => {
      if (!store.isReady) return;
      const shown = changes.filter((change) => store.show(change));
      if (shown.length === 0) return;
      queue.add(async () => store.take(await sendAct(jobId, store.request(words, shown))));
    },
    [jobId, queue, store],
  );

  /** Undoes or redoes; says which picture it was on, to go there. */
  const step = useCallback(
    (which: 'undo' | 'redo', onDone: (originalIds: string[]) => void) =>
      queue.add(async () => {
        const now = await queries.fetchQuery({ ...historyQuery(jobId), staleTime: Infinity });
        const last = now[which];
        if (!last) return;
        const outcome = await sendStep(jobId, last.id, which);
        store.take(outcome);
        onDone([...outcome.framings, ...outcome.overrides].map(({ originalId }) => originalId));
      }),
    [jobId, queries, queue, store],
  );

  /** As it stands this instant: two quick keys must not both start from what was last drawn. */
  const of = useCallback((originalId: string): Framing => store.framing(originalId)?.document ?? centred, [store]);

  return {
    isLoaded: kept !== undefined,
    of,
    isAccepted: useCallback((originalId: string) => byId.get(originalId)?.accepted ?? false, [byId]),
    overrideOf: useCallback((originalId: string) => ownById.get(originalId) ?? noOverride, [ownById]),
    edit,
    step,
    undoes: history?.undo?.words,
    redoes: history?.redo?.words,
  };
}

async function lookAnew(queries: QueryClient, jobId: string, ticketId: string | undefined) {
  await Promise.all([
    queries.invalidateQueries({ queryKey: ['framings', jobId] }),
    queries.invalidateQueries({ queryKey: overridesQuery(ticketId).queryKey }),
    queries.invalidateQueries({ queryKey: historyQuery(jobId).queryKey }),
  ]);
}

/** Framings and overrides in the query cache: shown ahead of the server, then replaced by what it answered. */
class Store {
  /** Acts on each picture that are shown and not yet answered. */
  private readonly underWay = new Map<string, number>();

  constructor(
    private readonly queries: QueryClient,
    private readonly place: Place,
  ) {}

  get isReady(): boolean {
    return this.place.shape !== undefined && this.place.ticketId !== undefined;
  }

  framing(originalId: string): FramingView | undefined {
    const { jobId, shape } = this.place;
    return this.queries
      .getQueryData(framingsQuery(jobId, shape).queryKey)
      ?.find((one) => one.originalId === originalId);
  }

  private override(originalId: string): OverrideView | undefined {
    return this.queries
      .getQueryData(overridesQuery(this.place.ticketId).queryKey)
      ?.find((one) => one.originalId === originalId);
  }

  /** Shows a change; false if nothing would be other than it is. */
  show({ originalId, framing, accepted, override }: Change): boolean {
    let changed = false;
    const { shape, ticketId } = this.place;
    if (framing !== undefined || accepted !== undefined) {
      const now = this.framing(originalId);
      const document = framing ?? now?.document ?? centred;
      const isAccepted = accepted ?? now?.accepted ?? false;
      if (!same(document, now?.document ?? centred) || isAccepted !== (now?.accepted ?? false)) {
        const version = now?.version ?? -1;
        this.underWay.set(originalId, (this.underWay.get(originalId) ?? 0) + 1);
        this.putFramings([{ originalId, shapeKey: shape!, accepted: isAccepted, document, version }]);
        changed = true;
      }
    }
    if (override !== undefined) {
      const version = this.override(originalId)?.version ?? -1;
      this.putOverrides([{ originalId, ticketId: ticketId!, version, document: override }]);
      changed = true;
    }
    return changed;
  }

  /** As it is sent: what the edit left on the screen, with the versions that it was done on. */
  request(words: string, changes: Change[]): EditRequest {
    const { shape, ticketId } = this.place;
    return {
      words,
      framings: changes
        .filter(({ framing, accepted }) => framing !== undefined || accepted !== undefined)
        .map(({ originalId, framing, accepted }) => {
          const now = this.framing(originalId);
          return {
            originalId,
            shapeKey: shape!,
            version: now?.version ?? -1,
            document: framing ?? now?.document ?? centred,
            accepted: accepted ?? now?.accepted ?? false,
          };
        }),
      overrides: changes
        .filter(({ override }) => override !== undefined)
        .map(({ originalId, override }) => ({
          originalId,
          ticketId: ticketId!,
          version: this.override(originalId)?.version ?? -1,
          document: override!,
        })),
    };
  }

  /** Takes the server's answer to an edit that was shown before. */
  take(outcome: EditOutcome) {
    const { jobId } = this.place;
    const shapes = new Map<string, FramingView[]>();
    for (const framing of outcome.framings) {
      shapes.set(framing.shapeKey, [...(shapes.get(framing.shapeKey) ?? []), this.settled(framing)]);
    }
    for (const framings of shapes.values()) this.putFramings(framings);
    this.putOverrides(outcome.overrides);
    this.queries.setQueryData(historyQuery(jobId).queryKey, outcome.history);
    // After one framing the figures of other pages follow when they are opened: a pass would ask for all of them each time.
    const refetchType = outcome.overrides.length > 0 || outcome.framings.length > 1 ? 'active' : 'none';
    void this.queries.invalidateQueries({ queryKey: ['estimate', jobId], refetchType });
  }

  /** Where a later edit on the same picture is on the screen already only the version is news. */
  private settled(answered: FramingView): FramingView {
    const behind = this.underWay.get(answered.originalId) ?? 0;
    this.underWay.set(answered.originalId, Math.max(0, behind - 1));
    const shown = this.framing(answered.originalId);
    return behind > 1 && shown ? { ...shown, version: answered.version } : answered;
  }

  /** After a failure nothing that was sent is waited for. */
  forget() {
    this.underWay.clear();
  }

  private putFramings(framings: FramingView[]) {
    const first = framings[0];
    if (!first) return;
    const { queryKey } = framingsQuery(this.place.jobId, first.shapeKey);
    this.queries.setQueryData(queryKey, (all) => replaced(all, framings));
  }

  private putOverrides(overrides: OverrideView[]) {
    const first = overrides[0];
    if (!first) return;
    this.queries.setQueryData(overridesQuery(first.ticketId).queryKey, (all) => replaced(all, overrides));
  }
}

function replaced<T extends { originalId: string }>(all: T[] | undefined, news: T[]): T[] {
  const byId = new Map(all?.map((one) => [one.originalId, one]));
  for (const one of news) byId.set(one.originalId, one);
  return [...byId.values()];
}
