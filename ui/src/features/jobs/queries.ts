import { queryOptions, useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

export const jobsKey = ['jobs'] as const;

export const jobsQuery = () =>
  queryOptions({
    queryKey: jobsKey,
    queryFn: () => answer(api.GET('/api/v1/jobs')),
  });

export const jobQuery = (jobId: string) =>
  queryOptions({
    queryKey: [...jobsKey, jobId],
    queryFn: () => answer(api.GET('/api/v1/jobs/{id}', { params: { path: { id: jobId } } })),
  });

export const useJob = (jobId: string) => useQuery(jobQuery(jobId));
