import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type Worker = Schemas['WorkerView'];
export type Making = Schemas['MakingView'];
export type OpenRun = Schemas['RunView'];

const WHILE_SHOWN = 1000;

export const workersQuery = () =>
  queryOptions({
    queryKey: ['workers'],
    queryFn: () => answer(api.GET('/api/v1/workers')),
    refetchInterval: WHILE_SHOWN,
  });

export const openRunsQuery = () =>
  queryOptions({
    queryKey: ['open-runs'],
    queryFn: () => answer(api.GET('/api/v1/runs')),
    refetchInterval: WHILE_SHOWN,
  });
