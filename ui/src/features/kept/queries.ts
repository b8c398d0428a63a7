import { queryOptions, useQuery, type QueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type Kept = Schemas['KeptView'];
export type KeptKind = Kept['kind'];
export type KeptDocument = Kept['document'];

export const keptQuery = (kind: KeptKind) =>
  queryOptions({
    queryKey: ['kept', kind],
    queryFn: () => answer(api.GET('/api/v1/kept', { params: { query: { kind } } })),
  });

/** What is kept of a kind, by its names; none until it has come. */
export const useKept = (kind: KeptKind) => useQuery(keptQuery(kind)).data ?? [];

export const keep = async (queries: QueryClient, name: string, document: KeptDocument) => {
  const kept = await answer(api.POST('/api/v1/kept', { body: { name, document } }));
  await queries.invalidateQueries({ queryKey: keptQuery(kept.kind).queryKey });
  return kept;
};

/** The ticket that comes of laying something kept over one. */
export const laidOver = (id: string, ticket: Schemas['TicketDocument']) =>
  answer(api.POST('/api/v1/kept/{id}/lay-over', { params: { path: { id } }, body: ticket }));
