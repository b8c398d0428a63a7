import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type FramingView = Schemas['FramingView'];

export const framingsQuery = (jobId: string, shape: string | undefined) =>
  queryOptions({
    queryKey: ['framings', jobId, shape],
    enabled: shape !== undefined,
    queryFn: () =>
      answer(
        api.GET('/api/v1/jobs/{jobId}/framings', { params: { path: { jobId }, query: { shape: shape! } } }),
      ),
  });

/** Keeps a framing; the version is that of the framing that was looked at, −1 where there was none. */
export function keepFraming(
  originalId: string,
  shape: string,
  version: number,
  document: Schemas['FramingDocument'],
  accepted: boolean,
) {
  return answer(
    api.PUT('/api/v1/originals/{id}/framings/{shape}', {
      params: { path: { id: originalId, shape }, header: { 'If-Match': `"${version}"` } },
      body: { document, accepted },
    }),
  );
}
