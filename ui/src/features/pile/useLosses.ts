import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import type { Schemas } from '../../api/client';
import { gamutLossQuery } from '../profiles';
import type { Original } from './pileModel';

type Loss = Schemas['LossView'];

/** What each picture's print loses of its colours, as the answers come in; the same map until one does. */
export function useLosses(originals: Original[], ticket: Schemas['TicketDocument'] | undefined) {
  const asked = useMemo(
    () => (ticket ? originals.filter(({ facts, leftOut }) => facts && !leftOut) : []),
    [originals, ticket],
  );
  // The pile is sorted by it: another map at each drawing would sort it, and draw all its pictures, each time.
  const combine = useCallback(
    (answers: UseQueryResult<Loss>[]) => new Map(answers.map(({ data }, i) => [asked[i]!.id, data])),
    [asked],
  );
  return useQueries({
    queries: asked.map((original) => ({ ...gamutLossQuery(original, ticket!), staleTime: 60_000 })),
    combine,
  });
}
