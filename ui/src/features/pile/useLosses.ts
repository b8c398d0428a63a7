import { useQueries } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { gamutLossQuery } from '../profiles';
import type { Original } from './pileModel';

/** What each picture's print loses of its colours, as the answers come in. */
export function useLosses(originals: Original[], ticket: Schemas['TicketDocument'] | undefined) {
  const asked = ticket ? originals.filter(({ facts, leftOut }) => facts && !leftOut) : [];
  return useQueries({
    queries: asked.map((original) => ({ ...gamutLossQuery(original, ticket!), staleTime: 60_000 })),
    combine: (answers) => new Map(answers.map(({ data }, i) => [asked[i]!.id, data])),
  });
}
