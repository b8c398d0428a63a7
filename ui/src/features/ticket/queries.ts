import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { keyed } from '../../api/keyed';
import { inTurn } from '../../shared/inTurn';

export type TicketDocument = Schemas['TicketDocument'];
export type TicketView = Schemas['TicketView'];
export type Estimate = Schemas['EstimateView'];

/** What is carried over where a ticket says nothing of it. */
export const usualMetadata: Schemas['MetadataDocument'] = {
  kept: 'CREDITS_AND_CAPTION',
  place: 'DROPPED',
  serialNumbers: 'DROPPED',
  texts: { title: null, caption: null, creators: [], rights: null, keywords: [] },
};

export const ticketsQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['tickets', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/tickets', { params: { path: { jobId } } })),
  });

export const useTickets = (jobId: string) => useQuery(ticketsQuery(jobId));

/** What a ticket can begin with. */
export const beginningsQuery = () =>
  queryOptions({
    queryKey: ['ticket-beginnings'],
    queryFn: () => answer(api.GET('/api/v1/ticket-beginnings')),
    staleTime: Infinity,
  });

export const papersQuery = () =>
  queryOptions({
    queryKey: ['papers'],
    queryFn: () => answer(api.GET('/api/v1/papers')),
    staleTime: Infinity,
  });

/**
 * What a ticket means for each picture of the job; asked anew for every change of its document. What pictures have of their
 * own under the stored ticket is reckoned with.
 */
export const estimateQuery = (
  jobId: string,
  jobName: string,
  document: TicketDocument | undefined,
  ticketId: string | undefined,
) =>
  queryOptions({
    queryKey: ['estimate', jobId, jobName, document, ticketId],
    enabled: document !== undefined && jobName !== '',
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: () =>
      answer(
        api.POST('/api/v1/jobs/{jobId}/estimate', {
          params: { path: { jobId } },
          body: { jobName, ticket: document!, ticketId: ticketId ?? null },
        }),
      ),
  });

/**
 * The plan of one picture. It follows from what is asked alone, so that it is never asked for twice.
 *
 * @param framing else the picture's own
 */
export const planQuery = (
  originalId: string | undefined,
  ticket: TicketDocument | undefined,
  framing?: Schemas['FramingDocument'],
  override?: Schemas['OverrideDocument'],
) =>
  queryOptions({
    queryKey: ['plan', originalId, ticket, framing, override],
    staleTime: framing ? 60_000 : 0,
    gcTime: 60_000,
    enabled: originalId !== undefined && ticket !== undefined,
    retry: false,
    queryFn: () =>
      answer(
        api.POST('/api/v1/originals/{id}/plan', {
          params: { path: { id: originalId! } },
          body: { ticket: ticket!, ...(framing && { framing }), ...(override && { override }) },
        }),
      ),
  });

/** What of a picture comes near a ticket's fold or trim lines, under its own framing unless another is given. */
export const crossingsQuery = (
  originalId: string,
  ticket: TicketDocument,
  framing?: Schemas['FramingDocument'],
  override?: Schemas['OverrideDocument'],
) =>
  queryOptions({
    queryKey: ['crossings', originalId, ticket.size, ticket.turn, ticket.fit, ticket.edges, ticket.ppi, framing, override],
    staleTime: framing ? Infinity : 0,
    retry: false,
    queryFn: ({ signal }) =>
      inTurn(() =>
        answer(
          api.POST('/api/v1/originals/{id}/crossings', {
            params: { path: { id: originalId } },
            body: { ticket, ...(framing && { framing }), ...(override && { override }) },
            signal,
          }),
        ),
      ),
  });

/** Keeps a ticket, if it still has the version that was looked at. */
export const sendTicket = ({ id, version }: TicketView, document: TicketDocument) =>
  answer(
    api.PUT('/api/v1/tickets/{id}', {
      params: { path: { id }, header: { 'If-Match': `"${version}"` } },
      body: document,
      // Small enough to be carried to its end while the page is being left.
      keepalive: true,
    }),
  );

export const fetchTicket = (id: string) => answer(api.GET('/api/v1/tickets/{id}', { params: { path: { id } } }));

/** @param changedOnly leaves out what was made already as it would be now */
export function startRun(ticketId: string, originalIds: string[] | null, changedOnly = false) {
  const body = { originalIds, changedOnly };
  return keyed(`run of ${ticketId} ${JSON.stringify(body)}`, (key) =>
    answer(
      api.POST('/api/v1/tickets/{ticketId}/runs', {
        params: { path: { ticketId }, header: { 'Idempotency-Key': key } },
        body,
      }),
    ),
  );
}

/** Starts a run of several tickets of a job: those that are seen to be on, whatever of it is still on its way. */
export function startRunOfJob(jobId: string, ticketIds: string[]) {
  return keyed(`run of job ${jobId} ${ticketIds.join()}`, (key) =>
    answer(
      api.POST('/api/v1/jobs/{jobId}/runs', {
        params: { path: { jobId }, header: { 'Idempotency-Key': key } },
        body: { ticketIds, originalIds: null, changedOnly: false },
      }),
    ),
  );
}

/** The ticket that the pages of a job look through; the first, until another is chosen. */
const listeners = new Set<() => void>();
const storageKey = (jobId: string) => `embrick.ticket.${jobId}`;

export function activate(jobId: string, ticketId: string) {
  if (sessionStorage.getItem(storageKey(jobId)) === ticketId) return;
  sessionStorage.setItem(storageKey(jobId), ticketId);
  listeners.forEach((listener) => listener());
}

export function useActiveTicket(jobId: string): TicketView | undefined {
  const tickets = useTickets(jobId).data;
  const active = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => sessionStorage.getItem(storageKey(jobId)),
  );
  return tickets?.find((ticket) => ticket.id === active) ?? tickets?.[0];
}

/** The smallest change of a framing that clears the folds or trims. */
export function offerClearFolds(
  originalId: string,
  ticket: TicketDocument,
  framing: Schemas['FramingDocument'],
  override: Schemas['OverrideDocument'],
): Promise<Schemas['CrossingsOffer']> {
  return answer(
    api.POST('/api/v1/originals/{id}/crossings/offer', {
      params: { path: { id: originalId } },
      body: { ticket, framing, override },
    }),
  );
}
