import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useCallback, useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import { Problem } from '../../api/problems';
import { EditQueue } from './editQueue';
import type { Framing } from './framing';
import { FramingEdits, type Change, type Place } from './framingEdits';
import { framingsQuery, historyQuery, overridesQuery, picturesChanged, sendEdit, sendStep } from './queries';

/**
 * The framings of a job for one shape and what its pictures have of their own: shown as soon as an edit is done, kept by the
 * server edit by edit, undone and redone there. Another window's edit is never overwritten: then this one is told and looks
 * again.
 */
export function useFramings({ jobId, shape, ticketId }: Place) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const kept = useQuery(framingsQuery(jobId, shape)).data;
  const own = useQuery(overridesQuery(ticketId)).data;
  const history = useQuery(historyQuery(jobId)).data;
  const edits = useMemo(() => new FramingEdits(queries, { jobId, shape, ticketId }), [queries, jobId, shape, ticketId]);
  const revision = useSyncExternalStore(edits.subscribe, edits.revision);

  const told = useRef(message);
  told.current = message;
  const queue = useMemo(
    () =>
      new EditQueue(async (error) => {
        const problem = Problem.from(error);
        void told.current.warning(`${problem.message} ${problem.remedy}`);
        await edits.lookAgain();
      }),
    [edits],
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
      const shown = edits.isReady ? edits.show(words, changes) : undefined;
      if (shown) queue.add(async () => edits.take(await sendEdit(jobId, await edits.request(shown)), 'edit'));
    },
    [jobId, queue, edits],
  );

  /** Undoes or redoes; says which picture it was on, to go there. */
  const step = useCallback(
    (which: 'undo' | 'redo', onDone: (originalIds: string[]) => void) =>
      queue.add(async () => {
        const now = await queries.fetchQuery({ ...historyQuery(jobId), staleTime: Infinity });
        const last = now[which];
        if (!last) return;
        const outcome = await sendStep(jobId, last.id, which);
        await edits.take(outcome, 'step');
        if (outcome.picturesChanged) await picturesChanged(queries, jobId);
        onDone([...outcome.framings, ...outcome.overrides].map(({ originalId }) => originalId));
      }),
    [jobId, queries, queue, edits],
  );

  const accepted = useMemo(
    () => new Set(kept?.filter((one) => one.accepted).map((one) => one.originalId)),
    [kept],
  );
  return {
    isLoaded: kept !== undefined,
    /** As it is this instant: two quick keys must not both start from what was last drawn. */
    of: useCallback((originalId: string): Framing => edits.framing(originalId).document, [edits]),
    // What is drawn follows both what the server told and what is shown ahead of it.
    // oxlint-disable-next-line react/exhaustive-deps
    isAccepted: useCallback((originalId: string) => edits.isAccepted(originalId, accepted), [edits, accepted, revision]),
    // oxlint-disable-next-line react/exhaustive-deps
    overrideOf: useCallback((originalId: string) => edits.override(originalId), [edits, own, revision]),
    edit,
    step,
    undoes: history?.undo?.words,
    redoes: history?.redo?.words,
  };
}
