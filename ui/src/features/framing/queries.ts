import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type FramingView = Schemas['FramingView'];
export type DepartureView = Schemas['DepartureView'];
export type Departure = Schemas['DepartureDocument'];
export type ActOutcome = Schemas['ActOutcome'];

export const noDeparture: Departure = { schemaVersion: 1, ppi: null };

export const framingsQuery = (jobId: string, shape: string | undefined) =>
  queryOptions({
    queryKey: ['framings', jobId, shape],
    enabled: shape !== undefined,
    queryFn: () =>
      answer(
        api.GET('/api/v1/jobs/{jobId}/framings', { params: { path: { jobId }, query: { shape: shape! } } }),
      ),
  });

export const departuresQuery = (ticketId: string | undefined) =>
  queryOptions({
    queryKey: ['departures', ticketId],
    enabled: ticketId !== undefined,
    queryFn: () =>
      answer(api.GET('/api/v1/tickets/{ticketId}/departures', { params: { path: { ticketId: ticketId! } } })),
  });

/** The act that would be undone next, and the one that would be redone. */
export const historyQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['acts', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/acts', { params: { path: { jobId } } })),
  });

export type ActRequest = Schemas['ActRequest'];

/** So small an act is sent even while its page is being left: browsers carry a few such requests to their end. */
const FEW = 20;

export function sendAct(jobId: string, body: ActRequest): Promise<ActOutcome> {
  return answer(
    api.POST('/api/v1/jobs/{jobId}/acts', {
      params: { path: { jobId } },
      body,
      keepalive: body.framings.length + body.departures.length <= FEW,
    }),
  );
}

export function sendStep(jobId: string, actId: string, step: 'undo' | 'redo'): Promise<ActOutcome> {
  const params = { path: { jobId, actId } };
  return answer(
    step === 'undo'
      ? api.POST('/api/v1/jobs/{jobId}/acts/{actId}/undo', { params })
      : api.POST('/api/v1/jobs/{jobId}/acts/{actId}/redo', { params }),
  );
}
