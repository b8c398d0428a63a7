import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App } from 'antd';
import { useCallback, useMemo, useReducer, useRef, useState } from 'react';
import { Problem } from '../../api/problems';
import { centred, same, type Framing } from './framing';
import { historyAfter, noHistory } from './history';
import { framingsQuery, keepFraming, type FramingView } from './queries';

/** A framing under the hand: shown at once, kept when the act ends. */
interface Held {
  originalId: string;
  framing: Framing;
}

/**
 * The framings of a job for one shape: read, changed, kept as each act ends, undone and redone. Saves of one picture
 * follow one another, each with the version that the one before it brought; another window's change is never overwritten.
 */
export function useFramings(jobId: string, shape: string | undefined) {
  const queries = useQueryClient();
  const { message } = App.useApp();
  const key = framingsQuery(jobId, shape).queryKey;
  const kept = useQuery(framingsQuery(jobId, shape)).data;
  const byId = useMemo(() => new Map(kept?.map((one) => [one.originalId, one])), [kept]);
  const [inHand, setInHand] = useState<Held>();
  const [history, step] = useReducer(historyAfter, noHistory);
  const saving = useRef(new Map<string, Promise<void>>());

  const save = useCallback(
    (originalId: string, document: Framing, accepted: boolean) => {
      if (shape === undefined) return;
      const before = queries.getQueryData(key)?.find((one) => one.originalId === originalId);
      const shown: FramingView = { originalId, shapeKey: shape, accepted, document, version: before?.version ?? -1 };
      queries.setQueryData(key, (all) => [...(all ?? []).filter((one) => one.originalId !== originalId), shown]);
      const earlier = saving.current.get(originalId) ?? Promise.resolve();
      const next = earlier.then(async () => {
        const version = queries.getQueryData(key)?.find((one) => one.originalId === originalId)?.version ?? -1;
        try {
          const answer = await keepFraming(originalId, shape, version, document, accepted);
          queries.setQueryData(key, (all) =>
            (all ?? []).map((one) => (one.originalId === originalId ? { ...one, version: answer.version } : one)),
          );
        } catch (error) {
          const problem = Problem.from(error);
          void message.warning(`${problem.message} ${problem.remedy}`);
          await queries.invalidateQueries({ queryKey: key });
        }
      });
      saving.current.set(originalId, next);
    },
    [key, message, queries, shape],
  );

  /** As it stands this instant: two quick keys must not both start from what was last drawn. */
  const known = (originalId: string) => queries.getQueryData(key)?.find((one) => one.originalId === originalId);

  const of = (originalId: string): Framing =>
    inHand?.originalId === originalId ? inHand.framing : (known(originalId)?.document ?? centred);

  /** Shows a framing without keeping it. */
  const show = (originalId: string, framing: Framing) => setInHand({ originalId, framing });

  /** Ends an act: keeps the framing and makes it one step of the history. */
  const act = (originalId: string, after: Framing) => {
    const before = known(originalId)?.document ?? centred;
    setInHand(undefined);
    if (same(before, after)) return;
    const acceptedBefore = known(originalId)?.accepted ?? false;
    step({ kind: 'did', act: { originalId, before, after, acceptedBefore } });
    save(originalId, after, acceptedBefore);
  };

  const accept = (originalId: string) => {
    const framing = of(originalId);
    if (inHand?.originalId === originalId) act(originalId, framing);
    save(originalId, framing, true);
  };

  const undo = (): string | undefined => {
    const last = history.done.at(-1);
    if (!last) return undefined;
    step({ kind: 'undid' });
    save(last.originalId, last.before, last.acceptedBefore);
    return last.originalId;
  };

  const redo = (): string | undefined => {
    const next = history.undone.at(-1);
    if (!next) return undefined;
    step({ kind: 'redid' });
    save(next.originalId, next.after, next.acceptedBefore);
    return next.originalId;
  };

  return {
    of,
    isAccepted: (originalId: string) => byId.get(originalId)?.accepted ?? false,
    show,
    act,
    accept,
    undo,
    redo,
    canUndo: history.done.length > 0,
    canRedo: history.undone.length > 0,
  };
}
