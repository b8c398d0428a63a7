import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { answer, api, type Schemas } from '../../api/client';

export type TicketDocument = Schemas['TicketDocument'];
export type TicketView = Schemas['TicketView'];
export type Outlook = Schemas['OutlookView'];

export const ticketsQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['tickets', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/tickets', { params: { path: { jobId } } })),
  });

export const useTickets = (jobId: string) => useQuery(ticketsQuery(jobId));

export const papersQuery = () =>
  queryOptions({
    queryKey: ['papers'],
    queryFn: () => answer(api.GET('/api/v1/papers')),
    staleTime: Infinity,
  });

/** What a ticket means for each picture of the job; asked anew for every change of its document. */
export const outlookQuery = (jobId: string, jobName: string, document: TicketDocument | undefined) =>
  queryOptions({
    queryKey: ['outlook', jobId, jobName, document],
    enabled: document !== undefined && jobName !== '',
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: () =>
      answer(
        api.POST('/api/v1/jobs/{jobId}/outlook', {
          params: { path: { jobId } },
          body: { jobName, ticket: document! },
        }),
      ),
  });

export const planQuery = (
  originalId: string | undefined,
  ticket: TicketDocument | undefined,
  framing?: Schemas['FramingDocument'],
) =>
  queryOptions({
    queryKey: ['plan', originalId, ticket, framing],
    enabled: originalId !== undefined && ticket !== undefined,
    retry: false,
    queryFn: () =>
      answer(
        api.POST('/api/v1/originals/{id}/plan', {
          params: { path: { id: originalId! } },
          body: { ticket: ticket!, framing },
        }),
      ),
  });

export function startRun(ticketId: string, originalIds: string[] | null) {
  return answer(
    api.POST('/api/v1/tickets/{ticketId}/runs', {
      params: { path: { ticketId }, header: { 'Idempotency-Key': crypto.randomUUID() } },
      body: { originalIds },
    }),
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
