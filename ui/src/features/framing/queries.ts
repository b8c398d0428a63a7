import { queryOptions, type QueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type FramingView = Schemas['FramingView'];
export type OverrideView = Schemas['OverrideView'];
export type Override = Schemas['OverrideDocument'];
export type EditOutcome = Schemas['EditOutcome'];

export const noOverride: Override = { schemaVersion: 2, ppi: null, copies: null };

export const framingsQuery = (jobId: string, shape: string | undefined) =>
  queryOptions({
    queryKey: ['framings', jobId, shape],
    enabled: shape !== undefined,
    queryFn: () =>
      answer(
        api.GET('/api/v1/jobs/{jobId}/framings', { params: { path: { jobId }, query: { shape: shape! } } }),
      ),
  });

export const overridesQuery = (ticketId: string | undefined) =>
  queryOptions({
    queryKey: ['overrides', ticketId],
    enabled: ticketId !== undefined,
    queryFn: () =>
      answer(api.GET('/api/v1/tickets/{ticketId}/overrides', { params: { path: { ticketId: ticketId! } } })),
  });

/** The edit that would be undone next, and the one that would be redone. */
export const historyQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['edits', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/edits', { params: { path: { jobId } } })),
  });

/** After an edit, an undo or a redo that changed the pile itself: its order, or what is excluded from runs. */
export function picturesChanged(queries: QueryClient, jobId: string) {
  return Promise.all(
    [['originals', jobId], ['estimate', jobId], ['jobs']].map((queryKey) => queries.invalidateQueries({ queryKey })),
  );
}

export type EditRequest = Schemas['EditRequest'];

/** So small an edit is sent even while its page is being left: browsers carry a few such requests to their end. */
const FEW = 20;

export function sendEdit(jobId: string, body: EditRequest): Promise<EditOutcome> {
  return answer(
    api.POST('/api/v1/jobs/{jobId}/edits', {
      params: { path: { jobId } },
      body,
      keepalive: body.framings.length + body.overrides.length + (body.pileOrder?.moved?.length ?? 0) <= FEW,
    }),
  );
}

export function sendStep(jobId: string, editId: string, step: 'undo' | 'redo'): Promise<EditOutcome> {
  const params = { path: { jobId, editId } };
  return answer(
    step === 'undo'
      ? api.POST('/api/v1/jobs/{jobId}/edits/{editId}/undo', { params })
      : api.POST('/api/v1/jobs/{jobId}/edits/{editId}/redo', { params }),
  );
}
