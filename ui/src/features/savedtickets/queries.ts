import { queryOptions, useQuery, type QueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type SavedTicket = Schemas['SavedTicketView'];

export const savedTicketsQuery = () =>
  queryOptions({ queryKey: ['saved-tickets'], queryFn: () => answer(api.GET('/api/v1/saved-tickets')) });

/** Tickets that are kept outside jobs, by their names; none until they have come. */
export const useSavedTickets = () => useQuery(savedTicketsQuery()).data ?? [];

export const saveTicket = async (queries: QueryClient, name: string, document: SavedTicket['document']) => {
  const saved = await answer(api.POST('/api/v1/saved-tickets', { body: { name, document } }));
  await queries.invalidateQueries({ queryKey: savedTicketsQuery().queryKey });
  return saved;
};
