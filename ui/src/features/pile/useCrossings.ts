import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import type { Schemas } from '../../api/client';
import { crossingsQuery } from '../ticket';
import type { Original } from './pileModel';

type Crossings = Schemas['CrossingsView'];

/** What of each picture comes near a fold or trim, as the answers come in; the same map until one does. */
export function useCrossings(originals: Original[], ticket: Schemas['TicketDocument'] | undefined) {
  const asked = useMemo(() => (ticket ? originals.filter(({ forPieces }) => forPieces) : []), [originals, ticket]);
  const combine = useCallback(
    (answers: UseQueryResult<Crossings>[]) => new Map(answers.map(({ data }, i) => [asked[i]!.id, data])),
    [asked],
  );
  return useQueries({ queries: asked.map(({ id }) => ({ ...crossingsQuery(id, ticket!), staleTime: 60_000 })), combine });
}
