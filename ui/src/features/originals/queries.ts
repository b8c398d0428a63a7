import { queryOptions, useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

export const originalsQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['originals', jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{jobId}/originals', { params: { path: { jobId } } })),
  });

export const useOriginals = (jobId: string) => useQuery(originalsQuery(jobId));
