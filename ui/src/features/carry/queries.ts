import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type CarryPart = Schemas['CarryRequest']['parts'][number];

/** What would change if one picture's framing were carried to others; nothing is changed by asking. */
export const carryQuery = (ticketId: string, from: string, to: string[], parts: CarryPart[]) =>
  queryOptions({
    queryKey: ['carry', ticketId, from, to, parts],
    enabled: to.length > 0 && parts.length > 0,
    placeholderData: keepPreviousData,
    gcTime: 0,
    staleTime: 0,
    queryFn: () =>
      answer(
        api.POST('/api/v1/tickets/{ticketId}/carry', {
          params: { path: { ticketId } },
          body: { from, to, parts },
        }),
      ),
  });
