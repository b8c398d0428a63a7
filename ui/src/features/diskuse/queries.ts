import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../api/client';

export const diskUseQuery = () =>
  queryOptions({ queryKey: ['disk-use'], queryFn: () => answer(api.GET('/api/v1/disk-use')) });

export const keptRunsQuery = (days: number) =>
  queryOptions({
    queryKey: ['kept-runs', days],
    queryFn: () => answer(api.GET('/api/v1/runs/kept', { params: { query: { days } } })),
  });
